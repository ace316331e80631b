import type { WeatherEnsemble } from '../site/weather'
import type { StandRun } from '../stand/types'
import type { EndMethod } from './methods'
import {
  BROWNING_CD,
  chopSurvival,
  crimpSurvival,
  SECOND_PASS,
  SHEET_WARMING_C,
  STANDING_FACTOR,
  tarpSurvival,
} from './survival'

/** A stand counts as dead at or below this share alive, by what follows. */
export const DEAD_SHARE = { transplant: 0.1, seed: 0.05 } as const

/** Survivors up to this share of the stand are pulled by hand at the end; their minutes are counted. */
export const HAND_FINISH_SHARE = 0.12
/** Seconds to pull one surviving plant (judgement). */
const SECONDS_PER_STRAGGLER = 4

/** Less live mass than this, g m⁻², is seed and seedlings that no cut, crimp or sheet is meant for. */
const NOTHING_UP_G = 2

/** What one member's stand comes to after an ending that starts on a day. */
export type MemberEnding = { survival: number; deadDay: number }

const meanAir = (ensemble: WeatherEnsemble, member: number, day: number) => {
  const i = day - ensemble.startDay
  const weather = ensemble.members[member]
  return i >= 0 && i < ensemble.days ? (weather.tMinC[i] + weather.tMaxC[i]) / 2 : NaN
}

/** First day by which thermal time above 0 °C (air + `warming`) since `fromDay` reaches the dose; NaN past the ensemble. */
function doseDay(
  ensemble: WeatherEnsemble,
  member: number,
  fromDay: number,
  doseCd: number,
  warmingC: number,
): number {
  let dose = 0
  for (let day = fromDay; ; day++) {
    const mean = meanAir(ensemble, member, day)
    if (Number.isNaN(mean)) return NaN
    dose += Math.max(0, mean + warmingC)
    if (dose >= doseCd) return day + 1
  }
}

/** Thermal time under a sheet between two days, °C d. */
export function sheetDose(ensemble: WeatherEnsemble, member: number, fromDay: number, toDay: number): number {
  let dose = 0
  for (let day = fromDay; day < toDay; day++) {
    const mean = meanAir(ensemble, member, day)
    if (!Number.isNaN(mean)) dose += Math.max(0, mean + SHEET_WARMING_C)
  }
  return dose
}

/** Low-discrepancy fractions (Roberts 2018) that give each member its own luck without another random stream. */
const luck = (member: number, step: number) => (member * step) % 1
const PASS_STEP = 0.618034
const SHEET_STEP = 0.754878

/** Members differ about the table's survival: the odds are multiplied by e^±0.65 (judgement). */
function varied(share: number, member: number): number {
  const odds = (share / Math.max(1e-6, 1 - share)) * Math.exp(1.3 * (luck(member, PASS_STEP) - 0.5))
  return odds / (1 + odds)
}

/** Tarps are laid on flattened growth when something to flatten with is owned; otherwise on the standing crop. */
export type EndingSetup = { passes: number; flattened: boolean; target: number }

/**
 * One member's outcome of a method started on `startDay`: the share of plants alive, weighted by mass over the
 * species, and the first day on which the stand is dead (share ≤ target after hand-finishing), NaN if never.
 * @param setup.target share alive that counts as dead, 0.05–0.1
 */
export function endingOf(
  method: EndMethod['id'],
  run: StandRun,
  ensemble: WeatherEnsemble,
  member: number,
  startDay: number,
  setup: EndingSetup,
): MemberEnding {
  const index = startDay - run.startDay
  if (index < 0 || index >= run.days) return { survival: 1, deadDay: NaN }
  const at = member * run.days + index
  let total = 0
  for (const species of run.species) total += species.massG[at]
  if (method !== 'winter-kill' && total < NOTHING_UP_G) return { survival: 1, deadDay: NaN }
  const mean = (of: (component: number) => number) =>
    run.species.reduce((sum, species, component) => sum + (species.massG[at] / total) * of(component), 0)
  const classOf = (component: number) => run.sown[component].plant.endingClass
  const bbchOf = (component: number) => run.species[component].bbch[at]

  if (method === 'winter-kill') return winterKill(run, member, startDay, setup.target)
  if (method === 'tarp') return tarp(ensemble, member, startDay, setup, mean, classOf)

  const table = method === 'crimp' ? crimpSurvival : chopSurvival
  const onePass = varied(
    mean((component) => table(classOf(component), bbchOf(component))),
    member,
  )
  const survival = onePass * SECOND_PASS ** (setup.passes - 1)
  const lastPass = startDay + 7 * (setup.passes - 1)
  const dead = survival - HAND_FINISH_SHARE <= setup.target
  return { survival, deadDay: dead ? doseDay(ensemble, member, lastPass, BROWNING_CD[method], 0) : NaN }
}

function winterKill(run: StandRun, member: number, startDay: number, target: number): MemberEnding {
  for (let day = Math.max(startDay, run.startDay); day < run.startDay + run.days; day++) {
    const at = member * run.days + day - run.startDay
    const up = run.species.every((species) => species.bbch[at] >= 9)
    const alive = Math.max(...run.species.map((species) => species.alive[at]))
    if (up && alive <= target) return { survival: alive, deadDay: day }
  }
  const last = member * run.days + run.days - 1
  return { survival: Math.max(...run.species.map((species) => species.alive[last])), deadDay: NaN }
}

function tarp(
  ensemble: WeatherEnsemble,
  member: number,
  startDay: number,
  setup: EndingSetup,
  mean: (of: (component: number) => number) => number,
  classOf: (component: number) => StandRun['sown'][number]['plant']['endingClass'],
): MemberEnding {
  const trial = 1000 * (setup.flattened ? 1 : STANDING_FACTOR)
  const decline =
    Math.log(
      Math.max(
        1e-9,
        mean((component) => tarpSurvival(classOf(component), trial, setup.flattened)),
      ),
    ) / trial
  const needed = Math.log(setup.target) / (decline || -1e-9)
  const factor = 0.85 + 0.3 * luck(member, SHEET_STEP)
  const deadDay = doseDay(ensemble, member, startDay, needed * factor, SHEET_WARMING_C)
  return { survival: Number.isNaN(deadDay) ? 1 : setup.target, deadDay }
}

/** Minutes to pull the survivors of an area by hand. */
export function stragglerMinutes(survival: number, plantsPerM2: number, areaM2: number): number {
  return (Math.min(survival, HAND_FINISH_SHARE + 0.1) * plantsPerM2 * areaM2 * SECONDS_PER_STRAGGLER) / 60
}
