import { z } from 'zod'

const part = (fields: unknown, name: string) => (fields as Record<string, z.ZodType>)[name]

/**
 * What was typed into fields of one unit as it is typed into those of another: each place by itself. What cannot be
 * understood stays as it is, and is told where it stands.
 */
export function converted(from: z.ZodType, to: z.ZodType, text: unknown): unknown {
  if (from instanceof z.ZodObject && to instanceof z.ZodObject)
    return Object.fromEntries(
      Object.entries(text as object).map(([name, value]) => [
        name,
        converted(part(from.shape, name), part(to.shape, name), value),
      ]),
    )
  if (from instanceof z.ZodRecord && to instanceof z.ZodRecord)
    return Object.fromEntries(
      Object.entries(text as object).map(([name, value]) => [
        name,
        converted(from.valueType as z.ZodType, to.valueType as z.ZodType, value),
      ]),
    )
  if (from instanceof z.ZodArray && to instanceof z.ZodArray)
    return (text as unknown[]).map((value) =>
      converted(from.element as z.ZodType, to.element as z.ZodType, value),
    )
  if (from instanceof z.ZodTuple && to instanceof z.ZodTuple)
    return (text as unknown[]).map((value, i) =>
      converted(from.def.items[i] as z.ZodType, to.def.items[i] as z.ZodType, value),
    )
  const read = z.safeDecode(from, text as never)
  const written = read.success ? z.safeEncode(to, read.data as never) : null
  return written?.success ? written.data : text
}
