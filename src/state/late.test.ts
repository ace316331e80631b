import { afterEach, expect, jest, test } from '@jest/globals'
import { late } from './late'

afterEach(() => void jest.resetModules())

test('a part that cannot be fetched says what to do, and keeps why', async () => {
  expect(await late(Promise.resolve('here'))).toBe('here')
  const cause = new TypeError('Failed to fetch')
  await expect(late(Promise.reject(cause))).rejects.toMatchObject({
    message: 'It could not be loaded. Check the connection, then open it again.',
    cause,
  })
})

/** What the browser itself says where the message at the page's edge cannot be shown, and what is shown there. */
async function saying(canShow: boolean) {
  const alert = jest.fn()
  const shown = jest.fn()
  Object.assign(globalThis, { window: { alert } })
  jest.unstable_mockModule('sonner', () => {
    if (!canShow) throw new TypeError('Failed to fetch')
    return { toast: { info: shown, success: shown, error: shown } }
  })
  const { notice } = await import('./notices')
  notice.info('Undone: a sowing')
  notice.error('The browser’s storage is full.')
  const said = () => alert.mock.calls.length + shown.mock.calls.length
  while (said() < (canShow ? 2 : 1)) await new Promise((resolve) => setImmediate(resolve))
  return { alert: alert.mock.calls.flat(), shown: shown.mock.calls.map(([message]) => message) }
}

test('an error that cannot be shown at the edge of the page is said by the browser; what is no error is not', async () => {
  expect(await saying(true)).toEqual({
    alert: [],
    shown: ['Undone: a sowing', 'The browser’s storage is full.'],
  })
  jest.resetModules()
  expect(await saying(false)).toEqual({ alert: ['The browser’s storage is full.'], shown: [] })
})
