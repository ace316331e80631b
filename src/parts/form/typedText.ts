import { z } from 'zod'

/** Values as the fields of a form show them; a value that no field can hold is shown as an empty one. */
export function textOf<S extends z.ZodObject>(schema: S, value: z.output<S>): z.input<S> {
  return Object.fromEntries(
    Object.entries(schema.shape).map(([name, field]) => {
      const encoded = z.safeEncode(field as z.ZodType, (value as Record<string, unknown>)[name])
      return [name, encoded.success ? encoded.data : '']
    }),
  ) as z.input<S>
}

/** What of a draft still fits its form: fields that are there, of the kind they are now. */
export function fitting<T extends object>(form: T, draft: unknown): Partial<T> {
  if (typeof draft !== 'object' || draft === null) return {}
  return Object.fromEntries(
    Object.entries(draft).filter(([name, value]) => {
      const now = (form as Record<string, unknown>)[name]
      return now !== undefined && typeof value === typeof now && Array.isArray(value) === Array.isArray(now)
    }),
  ) as Partial<T>
}

/** The values of a form as filled in, or what is wrong by field. */
export function readBy<S extends z.ZodObject>(
  schema: S,
  text: unknown,
): { value: z.output<S> | null; problems: Record<string, string> } {
  const read = schema.safeParse(text)
  if (read.success) return { value: read.data, problems: {} }
  const problems: Record<string, string> = {}
  for (const { path, message } of read.error.issues) problems[path.join('.')] ??= message
  return { value: null, problems }
}
