import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import type { Check } from '../../core/garden/check'
import { database } from '../../data/database'

const RYE = 'marlpit-lane-stand-10'
const checks = async () => (await database.checks.where('standId').equals(RYE).toArray()) as Check[]

async function watching() {
  await openRoom(`/watch/${RYE}`)
  await screen.findByTestId('stages', {}, SLOW)
}

test('a check that does not fit is asked about, and kept as a note it moves nothing', async () => {
  await watching()
  const before = await checks()
  type('Green cover, %', '130')
  press('Check')
  await screen.findByText(/Cover must be between 0 and 100/)
  type('Green cover, %', '5')
  press('Check')
  const doubts = await screen.findByTestId('doubts', {}, SLOW)
  expect(doubts.textContent).toMatch(/You saw 5\s% green; the forecast had/)
  expect(await checks()).toHaveLength(before.length)
  press('Keep it as a note only', doubts)
  await waitFor(async () => expect(await checks()).toHaveLength(before.length + 1), SLOW)
  expect((await checks()).find(({ cover }) => cover === 0.05)).toMatchObject({ setAside: true })
})

test('a check that fits is stored and listed; removed it is gone', async () => {
  await watching()
  type('Height, cm', '62')
  type('Note', 'Even, but for the north end.')
  press('Check')
  await waitFor(async () => expect((await checks()).some(({ heightCm }) => heightCm === 62)).toBe(true), SLOW)
  await screen.findByText(/Even, but for the north end/, {}, SLOW)
  fireEvent.click(screen.getAllByRole('button', { name: /^Remove the check/ })[0])
  await waitFor(
    async () => expect((await checks()).some(({ heightCm }) => heightCm === 62)).toBe(false),
    SLOW,
  )
})

test('the stage guide leads by what is seen to a code', async () => {
  await openRoom('/watch/marlpit-lane-stand-01')
  await screen.findByTestId('stages', {}, SLOW)
  type('Stage of which plant', 'cereal-rye')
  press('Find the stage by looking')
  const guide = await screen.findByRole('region', { name: 'Stage guide' })
  press('A swelling in the sheath, or a head', guide)
  press('Felt in the swollen sheath', guide)
  await waitFor(
    () => expect(screen.getByTestId('stage-meaning').textContent).toMatch(/boot \(BBCH 45\)/),
    SLOW,
  )
  expect(within(guide).getAllByRole('button').length).toBeGreaterThan(1)
})
