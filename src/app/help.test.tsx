import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { act } from '@testing-library/react'
import { openRoom, press, SLOW } from './testing/openRoom'
import { FIRST_USE, THINGS } from '../text/help'

test('a room says once what it is for, and never again where it was put away', async () => {
  const { router } = await openRoom('/rounds')
  const line = await screen.findByTestId('first-use', {}, SLOW)
  expect(line.textContent).toContain(FIRST_USE.find(({ id }) => id === 'rounds')!.line)
  press('Got it')
  await waitFor(() => expect(screen.queryByTestId('first-use')).toBeNull())
  await act(() => router.navigate('/shed'))
  await screen.findByTestId('first-use', {}, SLOW)
  press('Hide tips')
  await act(() => router.navigate('/garden'))
  await screen.findByRole('heading', { level: 1 }, SLOW)
  expect(screen.queryByTestId('first-use')).toBeNull()
})

test('? tells what has the focus, or lies under the pointer, and where there is nothing, the keys', async () => {
  await openRoom('/shed')
  await screen.findByTestId('lots', {}, SLOW)
  fireEvent.keyDown(document.body, { key: '?' })
  await screen.findByRole('dialog', { name: 'Keyboard' })
  press('Close', screen.getByRole('dialog', { name: 'Keyboard' }))
  document.elementFromPoint = () => screen.getByTestId('lots')
  fireEvent.pointerMove(document.body, { clientX: 5, clientY: 5 })
  fireEvent.keyDown(document.body, { key: '?' })
  expect((await screen.findByTestId('thing')).textContent).toBe(THINGS.lots)
})

test('on a phone what is touched is explained and not opened', async () => {
  const { router } = await openRoom('/shed')
  const lots = await screen.findByTestId('lots', {}, SLOW)
  const ask = () => {
    press('More')
    press('What is this?', screen.getByRole('dialog', { name: 'More' }))
  }
  ask()
  expect(screen.getByText('Touch what you want explained.')).toBeTruthy()
  fireEvent.click(within(lots).getAllByRole('button')[0])
  expect((await screen.findByTestId('thing')).textContent).toBe(THINGS.lots)
  expect(within(screen.getByTestId('lots')).getAllByRole('row')).toHaveLength(4)
  press('Close', screen.getByRole('dialog', { name: 'What this is' }))
  ask()
  fireEvent.click(screen.getAllByRole('link', { name: 'Rounds' })[0])
  expect((await screen.findByTestId('thing')).textContent).toMatch(/^There is no explanation of this/)
  expect(router.state.location.pathname).toBe('/shed')
})
