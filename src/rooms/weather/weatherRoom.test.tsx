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
