/**
 * Work that pauses now and then, so that whoever drives it can turn to something else in between. It should pause at least
 * every 25 milliseconds on an ordinary machine.
 */
export type Steps<T> = Generator<undefined, T, undefined>

/** Does the work at one go. */
export function finish<T>(steps: Steps<T>): T {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** A function that does at one go what another does with pauses. */
export const atOnce =
  <Asked extends unknown[], T>(work: (...asked: Asked) => Steps<T>) =>
  (...asked: Asked): T =>
    finish(work(...asked))

/** Whether a job gave work to be driven, not a result. */
export const isSteps = (value: unknown): value is Steps<unknown> =>
  typeof value === 'object' && value !== null && Symbol.iterator in value && 'next' in value
