/** The number typed, with a decimal point or comma; NaN when it is empty or not a number. */
export function typedNumber(text: string | undefined): number {
  const clean = (text ?? '').trim().replace(',', '.').replace('−', '-')
  return clean === '' ? NaN : Number(clean)
}

/** Whole numbers typed one after another, with spaces or commas between. */
export const typedCounts = (text: string): number[] =>
  text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number)
