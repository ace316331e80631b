import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { letWorkersStart, openRoom, SLOW } from './testing/openRoom'

const STAND = 'marlpit-lane-stand-01'

test.each([
  ['the loom', '/', /^Weaving \d+ covers failed: The script is not there\./],
  ['the loom’s edge', '/', /^Frost and rain by week failed/],
  ['rounds', '/rounds', /^Looking at \d+ covers failed: The script is not there\./],
  ['a bed', '/bed/marlpit-lane-L1', /^Growing this bed failed: The script is not there\./],
  ['watch', `/watch/${STAND}`, /^Growing this stand through two hundred seasons failed/],
  ['end', `/end/${STAND}/plan`, /^Growing this stand failed/],
  ['sow', '/sow/marlpit-lane-stand-08', /^Trying the plan on other sowing days failed/],
])('%s says that its calculation could not start', async (_name, path, words) => {
  await openRoom(path, 'marlpit-lane', false)
  const found = () => screen.getAllByRole('alert').find((alert) => words.test(alert.textContent ?? ''))
  await waitFor(() => expect(found()).toBeDefined(), SLOW)
  expect(found()?.querySelector('button')?.textContent).toBe('Try again')
  expect(screen.queryByText('Nothing is due this week.')).toBeNull()
})

test('tried again, a bed is grown and nothing is said any more', async () => {
  await openRoom('/bed/marlpit-lane-L1', 'marlpit-lane', false)
  const [again] = await screen.findAllByRole('button', { name: 'Try again' }, SLOW)
  letWorkersStart(true)
  fireEvent.click(again)
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull(), SLOW)
  await screen.findByTestId('stages', undefined, SLOW)
  expect(screen.queryByRole('alert')).toBeNull()
})
