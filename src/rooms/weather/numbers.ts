/** The number typed, with a decimal point or comma; null when left empty, NaN when it is not a number. */
export function typedNumber(text: string): number | null {
  const clean = text.trim().replace(',', '.').replace('−', '-')
  return clean === '' ? null : Number(clean)
}
