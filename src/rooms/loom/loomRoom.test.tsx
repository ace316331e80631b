import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import { dayNumber } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { database } from '../../data/database'

async function sheet() {
  const room = await openRoom('/')
  return { ...room, loom: await screen.findByTestId('loom', {}, SLOW) }
}
const press_ = (loom: HTMLElement, ...keys: string[]) =>
  keys.forEach((key) => fireEvent.keyDown(loom, { key }))

test('arrow keys go to a bed, Enter opens it; no step leaves the sheet', async () => {
  const { loom, router } = await sheet()
  press_(loom, 'ArrowLeft', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'Enter')
  await waitFor(
    () => expect(router.state.location.pathname).toMatch(/^\/(bed|choose)\/marlpit-lane-L4$/),
    SLOW,
  )
})

test('Enter in a gap asks what to sow there, from today at the earliest', async () => {
  const { loom, router } = await sheet()
  // The seventh bed stands bare from today on.
  press_(loom, ...Array(7).fill('ArrowRight'), 'Home', 'ArrowDown', 'Enter')
  await waitFor(() => expect(router.state.location.pathname).toMatch(/^\/choose\//))
  const day = Number(new URLSearchParams(router.state.location.search).get('day'))
  expect(day).toBeGreaterThanOrEqual(20_563)
})

test('a crop is added on the sheet; one that ends before it begins is refused', async () => {
  const before = (await sheet(), await database.stands.count())
  press('Crop')
  const dialog = screen.getByRole('dialog')
  await within(dialog).findByLabelText('Crop', {}, SLOW)
  type('Crop', 'leek', dialog)
  const from = (within(dialog).getByLabelText('From') as HTMLInputElement).value
  type('Until', from, dialog)
  press('Add crop', dialog)
  expect(
    await within(dialog).findByText('The end must be after the start. Choose a later date.'),
  ).toBeTruthy()
  const year = (days: string, more: number) => `${Number(days.slice(0, 4)) + more}${days.slice(4)}`
  type('From', year(from, 1), dialog)
  type('Until', year(from, 2), dialog)
  expect(within(dialog).queryByLabelText('It stands already')).toBeNull()
  press('Add crop', dialog)
  await waitFor(async () => expect(await database.stands.count()).toBe(before + 1), SLOW)
  const added = ((await database.stands.toArray()) as Stand[]).find(
    ({ content, start }) =>
      content.kind === 'crop' && content.cropId === 'leek' && start.plan?.date === year(from, 1),
  )
  expect(added?.start.actual).toBeNull()
})

test('the day until which a crop stands follows the one it is planted on, until another was typed', async () => {
  await sheet()
  press('Crop')
  const dialog = screen.getByRole('dialog')
  await within(dialog).findByLabelText('Crop', {}, SLOW)
  const until = () => (within(dialog).getByLabelText('Until') as HTMLInputElement).value
  type('From', '2026-05-01', dialog)
  await waitFor(() => expect(until() > '2026-07-01').toBe(true))
  const first = until()
  type('From', '2026-05-11', dialog)
  await waitFor(() => expect(dayNumber(until()) - dayNumber(first)).toBe(10))
  type('Until', '2026-09-30', dialog)
  type('From', '2026-05-01', dialog)
  expect(until()).toBe('2026-09-30')
})

test('the sheet is paged by a season, and not beyond the forecast', async () => {
  await sheet()
  const later = () => screen.getByRole('button', { name: 'A season later' }) as HTMLButtonElement
  expect(later().disabled).toBe(true)
  press('A season earlier')
  await waitFor(() => expect(later().disabled).toBe(false))
})
