/** Low-discrepancy fractions (Roberts 2018) that give each member its own luck without another random stream. */
export const luck = (member: number, step: number) => (member * step) % 1
export const PASS_STEP = 0.618034
export const SHEET_STEP = 0.754878
