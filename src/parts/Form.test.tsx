import { afterEach, beforeEach, expect, jest, test } from '@jest/globals'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { Form } from './Form'
import { single } from './once'

beforeEach(() => void jest.useFakeTimers())
afterEach(() => {
  cleanup()
  jest.useRealTimers()
})
const pass = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms))

function show(store: () => unknown) {
  render(
    <Form aria-label="Lot" onSubmit={store}>
      <input aria-label="Weight" defaultValue="5" />
      <button>Add</button>
    </Form>,
  )
  return { submit: () => act(async () => void fireEvent.submit(screen.getByRole('form'))) }
}

test('a double click, or Enter twice, stores once', async () => {
  const store = jest.fn(() => Promise.resolve())
  const { submit } = show(store)
  await submit()
  await pass(200)
  await submit()
  expect(store).toHaveBeenCalledTimes(1)
  await pass(1000)
  await submit()
  expect(store).toHaveBeenCalledTimes(2)
})
test('a press while it is still being stored is ignored, however late it comes', async () => {
  let done = () => {}
  const store = jest.fn(() => new Promise<void>((resolve) => (done = resolve)))
  const { submit } = show(store)
  await submit()
  await pass(5000)
  expect(screen.getByRole('form').getAttribute('aria-busy')).toBe('true')
  await submit()
  expect(store).toHaveBeenCalledTimes(1)
  await act(async () => done())
  await pass(1)
  expect(screen.getByRole('form').getAttribute('aria-busy')).toBeNull()
  await submit()
  expect(store).toHaveBeenCalledTimes(2)
})
test('with something new filled in it stores at once', async () => {
  const store = jest.fn(() => Promise.resolve())
  const { submit } = show(store)
  await submit()
  await pass(100)
  fireEvent.change(screen.getByLabelText('Weight'), { target: { value: '6' } })
  await submit()
  expect(store).toHaveBeenCalledTimes(2)
})
test('a choice that is a button is something new filled in', async () => {
  const store = jest.fn(() => Promise.resolve())
  render(
    <Form onSubmit={store} aria-label="Chips">
      <button type="button" aria-pressed={false}>
        rye
      </button>
      <button>Store</button>
    </Form>,
  )
  const submit = () => act(async () => void fireEvent.submit(screen.getByRole('form', { name: 'Chips' })))
  await submit()
  await submit()
  expect(store).toHaveBeenCalledTimes(1)
  fireEvent.click(screen.getByRole('button', { name: 'rye' }))
  await submit()
  expect(store).toHaveBeenCalledTimes(2)
})
test('a row’s button does not answer the second half of a double click, which may fall on the next row', () => {
  const done = jest.fn()
  render(<button onClick={single(done)}>Done</button>)
  fireEvent.click(screen.getByRole('button'), { detail: 1 })
  fireEvent.click(screen.getByRole('button'), { detail: 2 })
  expect(done).toHaveBeenCalledTimes(1)
})
test('so is what a button fills in', async () => {
  const store = jest.fn(() => Promise.resolve())
  render(
    <Form aria-label="Mulch" onSubmit={store}>
      <button type="button">Take that</button>
      <button>Laid</button>
    </Form>,
  )
  const submit = () => act(async () => void fireEvent.submit(screen.getByRole('form')))
  await submit()
  await pass(100)
  fireEvent.click(screen.getByRole('button', { name: 'Take that' }))
  await submit()
  expect(store).toHaveBeenCalledTimes(2)
})
