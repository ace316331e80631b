import type { z } from 'zod'
import { readBy } from './typedText'

/** What is wrong with a form as filled in, by field; for tests. */
export const problemsOf = <S extends z.ZodObject>(schema: S, text: z.input<S>) =>
  readBy(schema, text).problems
