/** The smaller of two numbers. As `Math.min`, but without its care for NaN and −0, which costs in the daily steps. */
export const atMost = (value: number, most: number): number => (value < most ? value : most)

/** The larger of two numbers, in the same way. */
export const atLeast = (value: number, least: number): number => (value > least ? value : least)

/** A number held between two others. */
export const within = (value: number, least: number, most: number): number =>
  value < least ? least : value > most ? most : value
