import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { commit } from '../../data/commit'
import { database } from '../../data/database'
import { changed } from '../../data/writes'
import type { Garden } from '../../core/garden/schema'
import { form, goToDay, openRoom, press, SLOW, type } from '../../app/testing/openRoom'

async function days() {
  const room = await openRoom('/weather')
  fireEvent.click(await screen.findByText('Observed days', { exact: true }, SLOW))
  return room
}
const rows = () => within(screen.getByTestId('observed-days')).getAllByRole('row')

test('a day written down is checked, shown with its source, and can be changed', async () => {
  await days()
  const day = form('Weather of a day')
  type('Low, °C', '15', day)
  type('High, °C', '9', day)
  press('Write down', day)
  await screen.findByText(/Low: it is above the high/)
  type('Low, °C', '-4,5', day)
  type('Rain, mm', '', day)
  press('Write down', day)
  await waitFor(() => expect(rows().some((row) => /written down/.test(row.textContent!))).toBe(true), SLOW)
  const row = rows().find((entry) => /written down/.test(entry.textContent!))!
  expect(row.textContent).toMatch(/-5\s*°C.*9\s*°C.*not known/)
  fireEvent.click(within(row).getByRole('button', { name: /^Change/ }))
  expect((within(day).getByLabelText('High, °C') as HTMLInputElement).value).toBe('9')
})

test('a station that is not heard is told, and the days go on', async () => {
  const room = await days()
  await goToDay(room, '2026-05-04')
  await waitFor(() => expect(screen.getByTestId('station').textContent).toMatch(/not|silent/i), SLOW)
  expect(screen.getByTestId('today').getAttribute('datetime')).toBe('2026-05-04')
})

test('the place writes only what was typed: what was changed elsewhere meanwhile stays', async () => {
  await openRoom('/weather')
  fireEvent.click(await screen.findByText('Place and normals by hand', { exact: true }, SLOW))
  const place = form('Place and normals')
  const stored = async () => (await database.gardens.get('marlpit-lane')) as Garden
  type('Rain, mm, Jan', '77', place)
  const seen = await stored()
  const rainMm = seen.site.rainMm.map((mm, month) => (month === 1 ? 12 : mm))
  await commit(database, seen.id, 'Elsewhere', [
    changed('gardens', seen, { site: { ...seen.site, latitude: 44, rainMm } }),
  ])
  press('Save the place', place)
  await waitFor(async () => expect((await stored()).site.rainMm[0]).toBe(77), SLOW)
  expect((await stored()).site).toMatchObject({ latitude: 44, elevationM: seen.site.elevationM })
  expect((await stored()).site.rainMm.slice(1)).toEqual(rainMm.slice(1))
})

async function frosts() {
  await openRoom('/weather')
  fireEvent.click(await screen.findByText('Place and normals by hand', { exact: true }, SLOW))
  const place = form('Place and normals')
  type('Last frost', '2026-05-04', place)
  type('First frost', '2028-10-09', place)
  type('Coldest night, °C', '-20', place)
  type('Hottest month, high, °C', '28', place)
  type('Hottest month, low, °C', '17', place)
  return place
}

test('normals are worked out from frosts, stand beside the answers, and fill the table', async () => {
  const place = await frosts()
  press('Work out', place)
  const table = await screen.findByTestId('reproduced', {}, SLOW)
  const cells = within(table)
    .getAllByRole('row')
    .slice(1)
    .map((row) =>
      within(row)
        .getAllByRole('cell')
        .map(({ textContent }) => textContent),
    )
  expect(cells).toHaveLength(5)
  const degrees = (text: string | null) => Number(text!.replace('−', '-').match(/-?\d+/)![0])
  for (const [said, got] of cells.slice(2))
    expect(Math.abs(degrees(said) - degrees(got))).toBeLessThanOrEqual(2)
  press('Fill the table below', place)
  press('Save the place', place)
  const stored = async () => (await database.gardens.get('marlpit-lane')) as Garden
  await waitFor(async () => expect((await stored()).site.daySpread).toBeGreaterThan(0.5), SLOW)
  const { site } = await stored()
  expect(Math.max(...site.tMaxC)).toBeCloseTo(28, 0)
  expect(Math.max(...site.tMinC)).toBeCloseTo(17, 0)
})

test('answers that contradict one another are told with the fix, and nothing is worked out', async () => {
  const place = await frosts()
  type('Coldest night, °C', '6', place)
  press('Work out', place)
  await screen.findByText(/There are frosts, yet the coldest night is above freezing/)
  type('Coldest night, °C', '-20', place)
  type('First frost', '', place)
  press('Work out', place)
  await screen.findByText(/Give both the last and the first frost/)
  type('First frost', '2026-02-09', place)
  press('Work out', place)
  await screen.findByText(/The last frost must come before summer/)
  type('Hottest month, high, °C', 'hot', place)
  press('Work out', place)
  await screen.findByText(/The high of the hottest month must be a number/)
  expect(screen.queryByTestId('reproduced')).toBeNull()
})

test('a climate to start from says by how much it was made warmer or colder for the place', async () => {
  await openRoom('/weather')
  fireEvent.click(await screen.findByText('Place and normals by hand', { exact: true }, SLOW))
  const place = form('Place and normals')
  type('Latitude', '51.2', place)
  fireEvent.change(within(place).getByLabelText('Start from a climate'), {
    target: { value: 'temperate-inland' },
  })
  await screen.findByText(/Taken from 48° and 300 m, made .* colder for where you are/)
})

test('the coming days, the season free of frost and the usual year are drawn, with their numbers in words', async () => {
  await openRoom('/weather')
  const frost = await screen.findByTestId('frosts', {}, SLOW)
  expect(frost.textContent).toMatch(/last .*(Apr|May).*0\s*°C.*first .*Oct/)
  const ahead = within(screen.getByTestId('days-ahead')).getAllByRole('listitem')
  expect(ahead).toHaveLength(10)
  for (const day of ahead) expect(day.textContent).toMatch(/-?\d+\s*°C-?\d+\s*°C\d+\s*%$/)
  const months = within(screen.getByTestId('months')).getAllByRole('listitem')
  expect(months.map(({ textContent }) => textContent!.slice(0, 3)).slice(0, 2)).toEqual(['Jan', 'Feb'])
  expect(months).toHaveLength(12)
})
