/** Longest that what can wait is put off on a busy page, ms. */
const IDLE_WITHIN_MS = 4000

/** Waits until the page has nothing better to do. */
export const whenIdle = (): Promise<unknown> =>
  new Promise((resolve) =>
    'requestIdleCallback' in window
      ? requestIdleCallback(resolve, { timeout: IDLE_WITHIN_MS })
      : setTimeout(resolve),
  )

/** A part of the app that is fetched when it is first used; where it cannot be, it says what to do. */
export const late = <T>(fetching: Promise<T>): Promise<T> =>
  fetching.catch((error: unknown) => {
    throw new Error('It could not be loaded. Check the connection, then open it again.', { cause: error })
  })
