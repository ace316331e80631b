/** A value that was changed meanwhile: as it was seen, as it is to be, and as it is now. */
export type Meanwhile = { seen: unknown; own: unknown; now: unknown }

/**
 * What went wrong with one field: where, a stable code, and a sentence that names the fix; and where two changed the same,
 * what it is about.
 */
export type Problem = { path: string; code: string; message: string; meanwhile?: Meanwhile }

/** A result that is either a value or a list of problems; used at every public edge. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

export const success = <T>(value: T): Outcome<T> => ({ ok: true, value })

export const failure = (...problems: Problem[]): Outcome<never> => ({ ok: false, problems })

/** The first problem as one line, for messages. */
export function firstProblem(problems: Problem[]): string {
  const [problem] = problems
  return problem ? problem.message : 'Something is wrong with the input.'
}
