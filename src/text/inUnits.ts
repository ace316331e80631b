import type { Units } from './format'

const rounded = (inches: number) => (inches < 4 ? Math.round(inches * 4) / 4 : Math.round(inches))
const inches = (cm: string) => rounded(Number(cm) / 2.54)

/** Sentences of the catalogues, written with centimetres, in the garden's units: `even steps under 30 cm with a board`. */
export const inUnits = (text: string, units: Units): string =>
  units === 'metric'
    ? text
    : text.replace(/(\d+)(?:–(\d+))?\s?cm\b/g, (_, low: string, high?: string) =>
        high === undefined ? `${inches(low)} in` : `${inches(low)}–${inches(high)} in`,
      )
