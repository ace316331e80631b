import { cansFor, litresFor } from '../../core/seeding/water'
import { litres as litresText, rain, type Units } from '../../text/format'

const CAN_LITRES = 10

/** Water for a ground, in depth, volume and cans: `6 mm, 40 L or 4 cans`. */
export function waterText(mm: number, areaM2: number, units: Units): string {
  if (mm < 1) return 'none'
  const litres = litresFor(mm, areaM2)
  const cans = cansFor(litres, CAN_LITRES)
  return `${rain(mm, units)}, ${litresText(litres, units)} or ${cans} ${cans === 1 ? 'can' : 'cans'}`
}
