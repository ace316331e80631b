/** A part of the app that is fetched when it is first used; where it cannot be, it says what to do. */
export const late = <T>(fetching: Promise<T>): Promise<T> =>
  fetching.catch((error: unknown) => {
    throw new Error('It could not be loaded. Check the connection, then open it again.', { cause: error })
  })
