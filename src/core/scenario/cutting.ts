import { NOTHING, shareOf, quantilesOf, type Quantiles } from '../foundations/statistics'
import { segmentAreaM2 } from '../garden/area'
import type { CutDetails } from '../garden/schema'
import type { StandCase } from '../season/cases'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import type { StandEvent, StandRun } from '../stand/types'
import { middleOn } from './after'
import { placeIn } from '../stand/series'

/** What one species does after a cut: its mass, g m⁻², and share alive on some days after it. */
export type Regrowth = {
  speciesId: string
  uncutG: number
  after: { days: number; massG: number; alive: number }[]
}

export type CutAnswer = {
  /** Dry matter and nitrogen taken off the living stand, per m² and for the part in all. */
  takenG: Quantiles
  nitrogenG: Quantiles
  massKg: number
  nitrogenTotalG: number
  heightM: number
  regrowth: Regrowth[]
  /** Chance that the day and those after it stay dry, by the day it starts: for drying what was cut. */
  dryStarts: { day: number; chance: number }[]
}

/** Days after the cut on which regrowth is told. */
const TOLD_AFTER = [14, 28, 42]
/** Rain that still counts as a dry day, mm, and the dry days in a row that hay-dry mulch wants. */
const DRY_MM = 0.5
export const DRYING_DAYS = 4
const LOOK_AHEAD = 14

/** A cut as an event of the stand. */
export function cutEvent(cut: Omit<CutDetails, 'note'>, day: number, only: number | undefined): StandEvent {
  return {
    day,
    kind: 'cut',
    heightM: cut.heightCm / 100,
    groundShare: cut.groundShare,
    left: cut.fate === 'dropped',
    only,
    fate: { by: 'cut', heightM: cut.heightCm / 100 },
  }
}

/** What a cut takes and what grows again, against the same stand left alone. */
export function cutting(
  season: SeasonRun,
  { bed, stand }: Pick<StandCase, 'bed' | 'stand'>,
  cut: Omit<CutDetails, 'note'>,
  day: number,
): CutAnswer {
  const uncut = season.run
  const only = uncut.sown.findIndex((sown) => sown.plant.id === cut.speciesId)
  const run = season.again([cutEvent(cut, day, only < 0 ? undefined : only)])
  const areaM2 = segmentAreaM2(bed, stand.segment)
  const lostOn = (series: 'massG' | 'nitrogenG') => {
    const at = day - run.startDay
    const before = at > 0 ? at - 1 : at
    return (
      quantilesOf(
        Float64Array.from({ length: run.members }, (_, m) =>
          Math.max(0, uncut[series][placeIn(uncut, m, before)] - run[series][placeIn(run, m, at)]),
        ),
      ) ?? NOTHING
    )
  }
  const takenG = lostOn('massG')
  const nitrogenG = lostOn('nitrogenG')
  return {
    takenG,
    nitrogenG,
    massKg: (takenG.p50 * areaM2) / 1000,
    nitrogenTotalG: nitrogenG.p50 * areaM2,
    heightM: middleOn(uncut, uncut.heightM, day),
    regrowth: run.sown.map(({ plant }, c) => ({
      speciesId: plant.id,
      uncutG: middleOn(uncut, uncut.species[c].massG, day),
      after: TOLD_AFTER.map((days) => ({
        days,
        massG: middleOn(run, run.species[c].massG, day + days),
        alive: aliveOf(run, uncut, c, day, days),
      })),
    })),
    dryStarts: dryStarts(season.ensemble, day),
  }
}

/** Plants alive some days after, of those alive on the day before the cut. */
function aliveOf(run: StandRun, uncut: StandRun, c: number, day: number, days: number): number {
  const before = middleOn(uncut, uncut.species[c].alive, day - 1)
  return before > 0 ? Math.min(1, middleOn(run, run.species[c].alive, day + days) / before) : 0
}

/** Chance of dry days in a row from each of the next days on. */
export function dryStarts(ensemble: WeatherEnsemble, fromDay: number): CutAnswer['dryStarts'] {
  return Array.from({ length: LOOK_AHEAD }, (_, i) => fromDay + i)
    .filter((day) => day >= ensemble.startDay && day + DRYING_DAYS <= ensemble.startDay + ensemble.days)
    .map((day) => ({
      day,
      chance: shareOf(ensemble.members.length, (member) => {
        const { rainMm } = ensemble.members[member]
        for (let i = 0; i < DRYING_DAYS; i++) if (rainMm[day + i - ensemble.startDay] > DRY_MM) return false
        return true
      }),
    }))
}
