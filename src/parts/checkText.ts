import type { Check } from '../core/garden/check'
import type { PlantGroup } from '../core/plants/parameters'
import { stageName } from '../core/stand/stage'
import { ringMean, sampleMass } from '../core/tracking/observations'
import { dryMatter, unitsOf, type Told } from '../text/amounts'
import { centimetres, density, percent } from '../text/format'

/** A check in one line. */
export function checkText(check: Check, group: PlantGroup, told: Told): string {
  const units = unitsOf(told)
  const { plants, weeds, sample } = check
  const perM2 = plants && ringMean(plants.counts, plants.ringM).perM2
  return [
    check.stageBbch === null ? null : stageName(check.stageBbch, group),
    check.cover === null
      ? null
      : `${percent(check.cover)} green${check.coverBy?.kind === 'picture' ? ' by picture' : ''}`,
    check.heightCm === null ? null : centimetres(check.heightCm / 100, units),
    perM2 === undefined ? null : `${density(perM2, units)} plants`,
    weeds
      ? `weeds ${percent(weeds.cover)}${weeds.which.length > 0 ? ` (${weeds.which.join(', ')})` : ''}`
      : null,
    ...check.damage.map(
      ({ kind, lost, what }) => `${kind}${what ? ` (${what})` : ''}, ${percent(lost)} of the plants lost`,
    ),
    sample
      ? `${dryMatter(sampleMass(sample).massG, told)} by sample${sample.dryG === null ? ', still drying' : ''}`
      : null,
    check.note || null,
    check.setAside ? 'kept as a note only' : null,
    check.decision
      ? { resow: 'decided: sow again', accept: 'decided: leave it', 'end early': 'decided: end early' }[
          check.decision
        ]
      : null,
  ]
    .filter(Boolean)
    .join(', ')
}
