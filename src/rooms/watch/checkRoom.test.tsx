import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { openRoom, press, SLOW } from '../../app/testing/openRoom'
import type { Check } from '../../core/garden/check'
import { database } from '../../data/database'

const RYE = 'marlpit-lane-stand-10'
const checks = async () => (await database.checks.where('standId').equals(RYE).toArray()) as Check[]

/** Answers whatever is asked, also when a new forecast asks anew, until all is summed up. */
const answered = () =>
  waitFor(() => {
    const answer = ['stems lengthening', 'all of it'].flatMap((name) =>
      screen.queryAllByRole('button', { name }),
    )[0]
    if (answer) fireEvent.click(answer)
    expect(screen.getByTestId('quick-summary')).toBeTruthy()
  }, SLOW)

test('a few taps make a check: stage, cover, saved, and what it changed', async () => {
  const { router } = await openRoom('/check')
  fireEvent.click(await screen.findByRole('link', { name: /^L4/ }, SLOW))
  expect(router.state.location.pathname).toBe(`/check/${RYE}`)
  const before = (await checks()).length
  await answered()
  expect(screen.getByTestId('quick-summary').textContent).toMatch(/stems lengthening/)
  press('Save')
  await screen.findByText('Saved.', {}, SLOW)
  await waitFor(async () => expect(await checks()).toHaveLength(before + 1), SLOW)
  expect((await checks()).filter(({ date }) => date === '2026-04-20')).not.toHaveLength(0)
  await waitFor(() => expect(screen.getByTestId('change').textContent).toMatch(/[Tt]he check of/), SLOW)
})

test('an answer can be taken back before anything is stored', async () => {
  await openRoom(`/check/${RYE}`)
  const before = (await checks()).length
  await answered()
  press('Answer again')
  await screen.findByRole('heading', { name: /^Stage of the/ })
  expect(await checks()).toHaveLength(before)
})
