import { dayNumber, isoDate } from '../foundations/day'
import { having } from '../foundations/grouped'
import type { MulchKind, MulchLaid, MulchLoad } from '../garden/mulch'
import { segmentAreaM2 } from '../garden/area'
import { commonRectangle, rectangleM2, rectangleOf, type BedSize } from '../garden/ground'
import type { Bed, GardenData, Segment, Stand } from '../garden/schema'
import { HOLDING_G, MULCH_KG_PER_M3, mulchDepthM } from './mulch'

const LIGHT = { kgPerM3: MULCH_KG_PER_M3, woody: false }

/**
 * What a mulch is: kg in a cubic metre as it lies, nitrogen in its dry weight, and whether it is wood, which rots over years
 * and is not followed in forecasts (judgement, after tables of composting guides).
 */
export const MULCH_FACTS: Record<
  MulchKind | 'grown here',
  { kgPerM3: number; nitrogen: number; woody: boolean }
> = {
  straw: { ...LIGHT, nitrogen: 0.006 },
  hay: { ...LIGHT, nitrogen: 0.018 },
  leaves: { ...LIGHT, nitrogen: 0.009 },
  'wood chips': { kgPerM3: 220, nitrogen: 0.004, woody: true },
  prunings: { kgPerM3: 140, nitrogen: 0.007, woody: true },
  'grown here': { ...LIGHT, nitrogen: 0.015 },
}

/** Mulch that holds weeds back, kg m⁻²: light mulch by its weight, wood as deep as that lies. */
export const holdsWeedsKgM2 = (kind: StoredMulch['kind']): number =>
  mulchDepthM(HOLDING_G) * MULCH_FACTS[kind].kgPerM3

/** Mulch in store from one source: brought in, or cut here and carried off to no bed. */
export type StoredMulch = {
  sourceId: string
  kind: MulchKind | 'grown here'
  /** The stand it was cut from. */
  stand: Stand | null
  load: MulchLoad | null
  day: number
  inKg: number
  laidKg: number
  /** Promised to beds and not laid yet. */
  owedKg: number
  /** Neither laid nor promised. */
  leftKg: number
  /** Nitrogen in a kilogram, g. */
  nitrogenGPerKg: number
}

type Known = { garden: Pick<GardenData['garden'], 'mulch' | 'mulchLaid'>; stands: readonly Stand[] }

/** What is in store and what was laid from it; what comes in is what was laid, what is owed and what is left. */
export function mulchStore({ garden, stands }: Known): StoredMulch[] {
  const kgFrom = (sourceId: string, owed: boolean) =>
    having(garden.mulchLaid, 'sourceId', sourceId).reduce(
      (sum, laid) => ((laid.owed ?? false) === owed ? sum + laid.kg : sum),
      0,
    )
  const entry = (one: Omit<StoredMulch, 'laidKg' | 'owedKg' | 'leftKg'>): StoredMulch => {
    const [laidKg, owedKg] = [kgFrom(one.sourceId, false), kgFrom(one.sourceId, true)]
    return { ...one, laidKg, owedKg, leftKg: Math.max(0, one.inKg - laidKg - owedKg) }
  }
  const brought = garden.mulch.map((load) =>
    entry({
      sourceId: load.id,
      kind: load.kind,
      stand: null,
      load,
      day: dayNumber(load.broughtOn),
      inKg: load.kg,
      nitrogenGPerKg: 1000 * MULCH_FACTS[load.kind].nitrogen,
    }),
  )
  const cut = stands.flatMap((stand) =>
    stand.cuts.flatMap(({ id, cut: { actual } }) =>
      actual?.fate === 'carried off' && actual.toBedId === undefined && actual.took && actual.took.massKg > 0
        ? [
            entry({
              sourceId: id,
              kind: 'grown here',
              stand,
              load: null,
              day: dayNumber(actual.date),
              inKg: actual.took.massKg,
              nitrogenGPerKg: actual.took.nitrogenG / actual.took.massKg,
            }),
          ]
        : [],
    ),
  )
  return [...brought, ...cut].sort((a, b) => a.day - b.day)
}

/** Room that so much of a mulch takes as it lies, m³. */
export const mulchM3 = ({ kind, kg }: { kind: StoredMulch['kind']; kg: number }): number =>
  kg / MULCH_FACTS[kind].kgPerM3

/** How deep so much of a mulch lies on so much ground, m. */
export const laidDepthM = (kind: StoredMulch['kind'], kg: number, areaM2: number): number =>
  mulchM3({ kind, kg }) / areaM2

/** Share of what lies on one part of a bed that lies on another part of it. */
function shareOn(part: Segment, lies: Segment, bed: BedSize): number {
  const [on, under] = [rectangleOf(part, bed), rectangleOf(lies, bed)]
  const common = on && under && commonRectangle(on, under)
  return common ? rectangleM2(common) / rectangleM2(under) : 0
}

const WHOLE: Segment = { kind: 'whole' }

/** What was laid or is owed, with what it is. */
export function mulchOnBeds(data: Known): (MulchLaid & { kind: StoredMulch['kind'] })[] {
  const store = mulchStore(data)
  return data.garden.mulchLaid.flatMap((laid) =>
    having(store, 'sourceId', laid.sourceId).map(({ kind }) => ({ ...laid, kind })),
  )
}

/** Owed mulch that was not laid on its day is expected today, whatever it was to come after. */
export const expectedMulch = (laid: readonly MulchLaid[], today: number): MulchLaid[] =>
  laid.map((one) =>
    one.owed && dayNumber(one.date) < today ? { ...one, date: isoDate(today), after: undefined } : one,
  )

/** What was laid on a part of a bed from store, or is owed to it, and rots within the year, in g m⁻² of that part by day. */
export function laidOn(data: Known, bed: Bed, part: Segment = WHOLE) {
  const sources = new Map(mulchStore(data).map((source) => [source.sourceId, source]))
  const areaM2 = segmentAreaM2(bed, part)
  return having(data.garden.mulchLaid, 'bedId', bed.id).flatMap((laid) => {
    const source = sources.get(laid.sourceId)
    const kg = laid.kg * shareOn(part, laid.segment ?? WHOLE, bed)
    if (!source || MULCH_FACTS[source.kind].woody || areaM2 <= 0 || kg <= 0) return []
    const massG = (kg * 1000) / areaM2
    return [{ day: dayNumber(laid.date), massG, nitrogenG: (massG * source.nitrogenGPerKg) / 1000 }]
  })
}
