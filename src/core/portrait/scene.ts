import { dayNumber } from '../foundations/day'
import type { Quantiles } from '../foundations/statistics'
import type { Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { mulchDepthM } from '../residue/mulch'
import { findCrop } from '../plants/crops'
import type { Bands } from '../stand/summary'
import { sheetOffDay } from '../termination/kill'
import { findMethod } from '../termination/methods'
import type { SheetKind } from '../stand/fate'
import { bandOn } from '../season/standForecast'
import { cropShown, type CropShown } from './cropShown'
import type { Following } from './following'
import type { Portrait } from './portrait'

/** Plants of one species on a day: those that stand there alive. */
export type PlantsShown = {
  speciesId: string
  /** Plants standing alive per m². */
  perM2: number
  heightM: Quantiles
  bbch: number
  rootM: number
  /** Share of the plants that came up that is alive, 0–1. */
  alive: number
}

/** What there is to see of a bed on a day: everything that is drawn and said. */
export type Scene = {
  day: number
  plants: PlantsShown[]
  crop: CropShown | null
  /** Ground covered by live green, 0–1. */
  cover: Quantiles
  massG: Quantiles
  mulchM: Quantiles
  /** Days since the growth that is now mulch was brought down; null where nothing was. */
  mulchAgeDays: number | null
  sheet: SheetKind | null
  snowM: number
  /** Wetness of the top 5 cm and of the ground below, share of what they hold. */
  wetTop: number
  wetBelow: number
  soilC: Quantiles
}

/** Depth of fresh lying snow for each mm of water in it, m (a density of 0.2; 0.1 fresh to 0.3 old). */
const SNOW_M_PER_MM = 0.005
/** Fewer living plants than this share are not shown. */
const NOT_SHOWN = 0.005

/** Height is that of the morning: what was done on a day shows in it on the next. */
const heightDay = (stand: Stand, endDay: number | null, day: number): number =>
  day === endDay || stand.cuts.some(({ cut }) => dayNumber(latest(cut)?.date ?? '1900-01-01') === day)
    ? day + 1
    : day

const none: Quantiles = { p10: 0, p50: 0, p90: 0 }
const on = (bands: Bands, day: number) => bandOn(bands, day) ?? none

/** Last day of a portrait. */
export const lastDayOf = ({ startDay, wetTop }: Portrait): number => startDay + wetTop.length - 1

/** What a day of a portrait shows. Its stand and what follows tell of sheets and of the crop; null outside its days. */
export function sceneOn(
  portrait: Portrait,
  stand: Stand,
  following: Following | null,
  day: number,
): Scene | null {
  const at = day - portrait.startDay
  if (at < 0 || at >= portrait.wetTop.length) return null
  const end = latest(stand.end)
  const endDay = end && end.method !== 'harvest' ? dayNumber(end.date) : null
  const sheet = end && endDay !== null ? (findMethod(end.method)?.sheet ?? null) : null
  const lies = sheet !== null && day >= endDay! && day < sheetOffDay(end!, following?.day ?? null)
  return {
    day,
    plants: portrait.species.flatMap((species): PlantsShown[] => {
      const alive = species.alive[at]
      const heightM = on(species.heightM, heightDay(stand, endDay, day))
      return alive < NOT_SHOWN || species.bbch[at] < 9
        ? []
        : [
            {
              speciesId: species.speciesId,
              perM2: alive * species.plantsPerM2,
              heightM,
              bbch: species.bbch[at],
              rootM: species.rootM[at],
              alive,
            },
          ]
    }),
    crop: following && cropShown(following, day),
    cover: on(portrait.cover, day),
    massG: on(portrait.massG, day),
    mulchM: mapped(on(portrait.residueG, day), mulchDepthM),
    mulchAgeDays: endDay !== null && day >= endDay ? day - endDay : null,
    sheet: lies ? sheet : null,
    snowM: portrait.snowMm[at] * SNOW_M_PER_MM,
    wetTop: portrait.wetTop[at],
    wetBelow: portrait.wetBelow[at],
    soilC: portrait.soilC[at],
  }
}

const mapped = ({ p10, p50, p90 }: Quantiles, to: (value: number) => number): Quantiles => ({
  p10: to(p10),
  p50: to(p50),
  p90: to(p90),
})

/** Height that a drawing of a portrait needs, m: the tallest it may get, and the crop after it. */
export function tallestM(portrait: Portrait, following: Following | null): number {
  const plants = portrait.species.flatMap(({ heightM }) => heightM.p90)
  const crop = following?.crop ? findCrop(following.crop.cropId) : undefined
  return Math.max(
    crop?.heightM ?? 0,
    plants.reduce((most, height) => Math.max(most, height), 0),
  )
}
