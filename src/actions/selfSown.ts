import { isoDate } from '../core/foundations/day'
import { segmentAreaM2 } from '../core/garden/area'
import { coverStand } from '../core/garden/newStands'
import type { Bed, Component, GardenData, Stand } from '../core/garden/schema'
import { latest } from '../core/garden/timeline'
import { findSpecies } from '../core/plants/catalogue'
import type { SeedDay } from '../core/scenario/letSeed'
import { findMethod, takesWhatIsBelow } from '../core/termination/methods'
import { newId } from '../data/ids'
import { added, changed } from '../data/writes'
import { standName } from '../text/names'
import type { Step } from './step'

/** Least share that a component of a mix can have. */
const LEAST_SHARE = 0.01
/** A stand that is let seed is cut down over its seed, where nothing was planned or a sheet or turning would end both. */
const CUT_DOWN = { method: 'chop', passes: 1, note: '' } as const

/** The seed that a stand has sown by itself by a day, as a sowing: what is fit to sprout and does not lie dormant. */
export function sownItself({ seeds }: SeedDay, mother: Stand, bed: Bed): Component[] {
  const components = mother.content.kind === 'cover' ? mother.content.components : []
  const areaM2 = segmentAreaM2(bed, mother.segment)
  const fit = seeds.flatMap(({ component, viablePerM2 }) => {
    const plant = findSpecies(components[component]?.speciesId ?? '')
    if (!plant) return []
    const { dormantShare, thousandSeedG } = plant.parameters
    const seedsPerM2 = viablePerM2.p50 * (1 - dormantShare)
    return seedsPerM2 >= 1 ? [{ plant, grams: (seedsPerM2 * areaM2 * thousandSeedG) / 1000 }] : []
  })
  const all = fit.reduce((sum, { grams }) => sum + grams, 0)
  return fit.map(({ plant, grams }) => ({
    speciesId: plant.id,
    share: Math.max(LEAST_SHARE, grams / all),
    germination: 1,
    grams,
  }))
}

/** The planned ending of a stand, where it leaves the seed under it to come up; null where it does not. */
function leavesSeedlings({ end }: Stand) {
  const planned = latest(end)
  const method = planned && findMethod(planned.method)
  return method && !method.waits && !takesWhatIsBelow(method) ? planned : null
}

/** Plans the seedlings of a stand that is let seed as the next one on its ground: ended on the day, its seed lies and sprouts. */
export function acceptSelfSown(
  { garden }: Pick<GardenData, 'garden'>,
  mother: Stand,
  bed: Bed,
  seedDay: SeedDay,
): Step & { standId: string } {
  const standId = newId('stand')
  const date = isoDate(seedDay.day)
  const components = sownItself(seedDay, mother, bed)
  const purposes = mother.content.kind === 'cover' ? mother.content.purposes : []
  const stand = coverStand(
    { id: standId, gardenId: garden.id, bedId: bed.id, segment: mother.segment, underStandId: mother.id },
    components,
    purposes,
    { date, covering: 'surface' },
  )
  const start = { ...stand.start.plan!, components, selfSown: true }
  const ending = { ...(leavesSeedlings(mother) ?? CUT_DOWN), date }
  return {
    label: `Let ${standName(mother).toLowerCase()} sow itself`,
    standId,
    writes: [
      changed('stands', mother, { end: { ...mother.end, plan: ending } }),
      added('stands', { ...stand, start: { plan: start, actual: null } }),
    ],
  }
}

/** A stand that sows itself has come up: its sowing is recorded as it was expected, with the day on which its seed lay. */
export const cameUpItself = (stand: Stand): Step => ({
  label: `${standName(stand)} came up by itself`,
  writes: [changed('stands', stand, { start: { ...stand.start, actual: stand.start.plan } })],
})
