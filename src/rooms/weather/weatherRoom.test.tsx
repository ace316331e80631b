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
  fireEvent.click(await screen.findByText('Normals by hand', { exact: true }, SLOW))
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

const stored = async () => (await database.gardens.get('marlpit-lane')) as Garden

async function home() {
  await openRoom('/weather')
  fireEvent.click(await screen.findByText('Place and usual year', { exact: true }, SLOW))
  const place = form('Place and usual year')
  await within(place).findByTestId('usual-year', {}, SLOW)
  return place
}

test('frosts, the coldest night and the hottest month that are known are held, beside what places around say', async () => {
  const place = await home()
  for (const [label, text] of [
    ['Last frost', '2026-05-04'],
    ['First frost', '2028-10-09'],
    ['Coldest night, °C', '-20'],
    ['Hottest month, high, °C', '28'],
    ['Hottest month, low, °C', '17'],
  ])
    type(label, text, place)
  expect(within(place).getAllByText(/^places around: /)).toHaveLength(5)
  await waitFor(
    () =>
      expect(within(place).getByTestId('usual-year').textContent).toMatch(
        /last frost May [345], first frost Oct (8|9|10); coldest night -(19|20|21)/,
      ),
    SLOW,
  )
  press('Use this year', place)
  await waitFor(async () => expect((await stored()).home?.coldestC).toBe(-20), SLOW)
  const { site, home: kept } = await stored()
  expect(Math.max(...site.tMaxC)).toBeCloseTo(28, 0)
  expect(Math.max(...site.tMinC)).toBeCloseTo(17, 0)
  expect(kept).toMatchObject({ lastFrost: '05-04', firstFrost: '10-09', hottestHighC: 28 })
})

test('a slider moves its season, says by how much, and goes back', async () => {
  const place = await home()
  const slider = within(place).getByRole('slider', { name: 'Winters' })
  fireEvent.change(slider, { target: { value: '-3' } })
  expect(slider.getAttribute('aria-valuetext')).toMatch(/^3\s*°C colder$/)
  press('Use this year', place)
  await waitFor(async () => expect((await stored()).home?.winterC).toBe(-3), SLOW)
  press('Back to how it is around here', place)
  expect(slider.getAttribute('aria-valuetext')).toBe('as around here')
})

test('answers that contradict one another are told with the fix, and nothing is kept', async () => {
  const place = await home()
  const changes = await database.undo.count()
  type('First frost', '2026-10-09', place)
  type('Coldest night, °C', '6', place)
  press('Use this year', place)
  await screen.findByText(/There are frosts, yet the coldest night is above freezing/)
  type('Coldest night, °C', '-20', place)
  type('Last frost', '2026-11-20', place)
  await screen.findByText(/The last frost must come before summer/)
  type('Hottest month, high, °C', 'hot', place)
  await screen.findByText(/The high of the hottest month must be a number/)
  press('Use this year', place)
  // Once it is right again it is kept, and as the first change of all.
  for (const [label, text] of [
    ['Last frost', '2026-05-01'],
    ['Hottest month, high, °C', '28'],
  ])
    type(label, text, place)
  press('Use this year', place)
  await waitFor(async () => expect((await stored()).home?.hottestHighC).toBe(28), SLOW)
  expect(await database.undo.count()).toBe(changes + 1)
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
