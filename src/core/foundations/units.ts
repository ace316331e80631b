/** Exact factors between the units growers use and the SI units of the core. */
export const METRES_PER_FOOT = 0.3048
export const METRES_PER_INCH = METRES_PER_FOOT / 12
export const GRAMS_PER_OUNCE = 28.349523125
export const GRAMS_PER_POUND = 453.59237
export const MM_PER_INCH = 25.4
export const LITRES_PER_GALLON = 3.785411784
export const SQUARE_METRES_PER_ACRE = 4046.8564224
const SQUARE_METRES_PER_1000_SQUARE_FEET = 1000 * METRES_PER_FOOT ** 2

/** g m⁻² per kg ha⁻¹: 1 kg ha⁻¹ = 0.1 g m⁻². */
export const gramsPerM2 = (kgHa: number) => kgHa / 10

export const poundsPerAcre = (gM2: number) => (gM2 * SQUARE_METRES_PER_ACRE) / GRAMS_PER_POUND
export const ouncesPer1000SquareFeet = (gM2: number) =>
  (gM2 * SQUARE_METRES_PER_1000_SQUARE_FEET) / GRAMS_PER_OUNCE
