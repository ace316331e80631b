import type { z } from 'zod'
import type { Problem } from '../core/foundations/outcome'

/** Schema issues as problems with a dotted path. */
export function problemsFromZod(error: z.ZodError): Problem[] {
  return error.issues.map((issue) => ({
    path: issue.path.join('.'),
    code: issue.code ?? 'invalid',
    message: issue.message,
  }))
}

/** Whether an error, or the one Dexie wraps in it, has this name. */
function named(error: unknown, name: string): boolean {
  if (typeof error !== 'object' || error === null) return false
  const { name: own, inner } = error as { name?: unknown; inner?: unknown }
  return own === name || named(inner, name)
}

/** A storage failure in words: what happened, that nothing was changed, and what to do. */
export function storageProblem(error: unknown): Problem {
  if (named(error, 'QuotaExceededError'))
    return {
      path: 'storage',
      code: 'full',
      message:
        'The browser’s storage is full, so nothing was changed. Free some space or export the garden to a file, then try again.',
    }
  if (named(error, 'DatabaseClosedError'))
    return {
      path: 'storage',
      code: 'closed',
      message:
        'Kilim’s storage was closed, by another tab with a newer Kilim or by the browser, so nothing was changed. Reload and try again.',
    }
  if (named(error, 'OpenFailedError') || named(error, 'MissingAPIError') || named(error, 'InvalidStateError'))
    return {
      path: 'storage',
      code: 'blocked',
      message:
        'The browser does not let Kilim open its storage, so nothing was changed. Allow site data for this address, leave private browsing, then reload.',
    }
  return {
    path: 'storage',
    code: 'failed',
    message: `The change could not be stored and nothing was changed (${error instanceof Error ? error.message : 'unknown reason'}). Reload and try again.`,
  }
}

/** Thrown inside a transaction to leave everything as it was; carries what to tell. */
export class Refusal extends Error {
  readonly problems: Problem[]
  constructor(...problems: Problem[]) {
    super(problems[0]?.message)
    this.name = 'Refusal'
    this.problems = problems
  }
}

/** The problems of a refusal, or the failure of the storage in words. */
export const refusedOr = (error: unknown): Problem[] =>
  error instanceof Refusal ? error.problems : [storageProblem(error)]
