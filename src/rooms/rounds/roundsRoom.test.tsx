import { expect, test } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import { goToDay, openRoom, press, SLOW, type } from '../../app/testing/openRoom'

const jobs = () => within(screen.getByTestId('jobs')).getAllByRole('listitem')

test('a job is ticked, or put off by some days with a reason', async () => {
  const room = await openRoom('/rounds')
  await goToDay(room, '2026-05-04')
  await within(await screen.findByTestId('jobs', {}, SLOW)).findAllByRole('listitem', {}, SLOW)
  await waitFor(() => expect(screen.queryByText(/still looking at/)).toBeNull(), SLOW)
  const before = jobs().length
  expect(before).toBeGreaterThan(2)
  press(/^Done/, jobs()[0])
  await waitFor(() => expect(jobs()).toHaveLength(before - 1), SLOW)
  press(/^Later/, jobs()[0])
  type('By days', '90')
  expect((await screen.findByRole('alert')).textContent).toMatch(/from 1 to 60/)
  type('By days', '4')
  type('Because', 'too wet')
  press('Put off')
  await waitFor(() => expect(jobs()).toHaveLength(before - 2), SLOW)
  type('Order', 'urgency')
  expect(jobs()).toHaveLength(before - 2)
})
