import { isoDate } from '../foundations/day'
import { segmentAreaM2 } from '../garden/area'
import { coverStand } from '../garden/newStands'
import type { Bed, Component, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { findSpecies } from '../plants/catalogue'
import type { EarlierUse, StandCase } from '../season/cases'
import type { SelfSowing } from '../stand/reseeding'
import { findMethod, takesWhatIsBelow } from '../termination/methods'

/** What a cover has sown by itself when it is ended on a day, species by species. */
export type SeedFall = { day: number; seeds: SelfSowing[] }

/** Least share that a component of a mix can have. */
const LEAST_SHARE = 0.01
/** A stand that is let seed is cut down over its seed, where nothing was planned or a sheet or turning would end both. */
const CUT_DOWN = { method: 'chop', passes: 1, note: '' } as const

/** The seed that a stand has sown by itself by a day, as a sowing: what is fit to sprout and does not lie dormant. */
export function sownItself({ seeds }: SeedFall, mother: Stand, bed: Bed): Component[] {
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

/** A stand as it is ended over its seed on the day, and the stand that comes of the seed. */
export function selfSown(
  mother: Stand,
  bed: Bed,
  fall: SeedFall,
  id: string,
): { mother: Stand; seedlings: Stand } {
  const date = isoDate(fall.day)
  const components = sownItself(fall, mother, bed)
  const purposes = mother.content.kind === 'cover' ? mother.content.purposes : []
  const where = { id, gardenId: mother.gardenId, bedId: bed.id, segment: mother.segment }
  const stand = coverStand({ ...where, underStandId: mother.id }, components, purposes, {
    date,
    covering: 'surface',
  })
  return {
    mother: {
      ...mother,
      end: { ...mother.end, plan: { ...(leavesSeedlings(mother) ?? CUT_DOWN), date } },
    },
    seedlings: {
      ...stand,
      start: { plan: { ...stand.start.plan!, components, selfSown: true }, actual: null },
    },
  }
}

/** The same as what the forecast of the seedlings depends on; null where too little falls to make a sowing. */
export function selfSownCase(
  standCase: StandCase,
  startDay: number,
  fall: SeedFall,
  id: string,
): StandCase | null {
  const { mother, seedlings } = selfSown(standCase.stand, standCase.bed, fall, id)
  if (seedlings.content.kind !== 'cover' || seedlings.content.components.length === 0) return null
  const motherCase = { ...standCase, stand: mother, nextStartDay: null }
  const use: EarlierUse = { kind: 'cover', startDay, standCase: motherCase }
  return {
    ...standCase,
    stand: seedlings,
    checks: [],
    upper: use,
    before: [...(standCase.before ?? []), use],
    nextStartDay: null,
  }
}
