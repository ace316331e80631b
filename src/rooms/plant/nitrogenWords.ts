import type { Quantiles } from '../../core/foundations/statistics'
import type { Aftermath } from '../../core/scenario/after'
import type { Crop } from '../../core/plants/crops'
import { nitrogen, type Told } from '../../text/amounts'

/** Net release below this, g m⁻², counts as tied up rather than as nothing. */
const TIED_G = -0.05

const net = (value: number, told: Told) =>
  value < TIED_G ? `holds back ${nitrogen(-value, told)}` : `frees ${nitrogen(Math.max(0, value), told)}`

/** A range of net release in words: one verb where both ends agree, smaller number first. */
function netRange({ p10: low, p90: high }: Quantiles, told: Told): string {
  if (low >= TIED_G) return `${nitrogen(Math.max(0, low), told)} to ${nitrogen(Math.max(0, high), told)}`
  return high < TIED_G
    ? `${nitrogen(-high, told)} to ${nitrogen(-low, told)}`
    : `from ${net(low, told)} to ${net(high, told)}`
}

/** What the residue brings the crop, in a sentence. */
export function residueSentence(
  { nitrogen4: early, nitrogen10: late }: Pick<Aftermath, 'nitrogen4' | 'nitrogen10'>,
  crop: Pick<Crop, 'name' | 'nitrogenG'>,
  told: Told,
): string {
  const need = `${crop.name} takes up ${nitrogen(crop.nitrogenG, told)} until harvest`
  const share = Math.round((Math.max(0, late.p50) / crop.nitrogenG) * 100)
  return `Nitrogen from this residue: it ${net(early.p50, told)} in the first 4 weeks and ${net(late.p50, told)} in 10 weeks (${netRange(late, told)}). ${share > 0 ? `${need}; this is ${share} % of it.` : `${need}.`}`
}
