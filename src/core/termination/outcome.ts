import type { UnderSheet } from './flattening'
import type { Bed } from '../garden/schema'
import type { AnimalPlan, EndMethodId, OwnResults } from '../garden/ending'
import type { WeatherEnsemble } from '../site/weather'
import type { SheetBed } from '../stand/fate'
import type { StandRun } from '../stand/types'
import type { Species } from '../plants/parameters'
import { stopSurvival } from './animals'
import { stopsOf } from './stops'
import { underBoard } from './board'
import { ownCount, withOwn } from './ownResults'
import { doseBetween, doseDay } from './doses'
import { doseNeeded, firmDays, sheetSurvival } from './sheets'
import { actSurvival, BROWNING_CD, chopSurvivalAt, FLAME_AFTER_CRIMP, furtherPass } from './survival'
import { HAND_FINISH_SHARE, lastActAfter } from './lastAct'
import { findMethod, type Method } from './methods'
import { placeIn } from '../stand/series'

/** Seconds to pull one surviving plant (judgement). */
const SECONDS_PER_STRAGGLER = 4

/** Less live mass than this, g m⁻², is seed and seedlings that no cut, crimp or sheet is meant for. */
const NOTHING_UP_G = 2
/** Edges and corners of a frame that a board misses (engine table: 5–10 %). */
const FRAME_MISSED = 0.07
/** Seed layer this dry slows what a sheet does; the dose needed rises by the factor until it is watered (judgement). */
const DRY_TOP = 0.25
const DRY_FACTOR = 1.2
/** Days from the last stop of animals until what they left has withered. */
const WITHER_DAYS = 5

/** What one member's stand comes to after an ending that starts on a day. `sheetDays` lie under a sheet. */
export type MemberEnding = { survival: number; deadDay: number; sheetDays: number }

/** How a way is carried out, and where. */
export type EndingSetup = {
  passes: number
  /** What a sheet would lie on. */
  under: UnderSheet
  /** Share alive that counts as dead, 0.05–0.1. */
  target: number
  bedKind?: Bed['kind']
  own?: OwnResults
  animals?: AnimalPlan
  plot?: { lengthM: number; widthM: number }
  lanes?: { count: number; everyDays: number }
  /** Weight on each metre of a crimp board's edge, kg; a heavy roller where left out. */
  edgeKgPerM?: number
  /** Day a sheet was taken off. */
  liftedDay?: number
  /** Stubble that a cut leaves, m; cut at the height that ends the plant where left out. */
  stubbleM?: number
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

/** Share of a species that outlives the acts of a way, done `passes` times, own counts taken in. */
export function actsSurvival(
  method: Method,
  plant: Pick<Species, 'endingClass'>,
  bbch: number,
  passes: number,
  setup: Pick<EndingSetup, 'bedKind' | 'own' | 'stubbleM' | 'edgeKgPerM'> = {},
): number {
  const kind = plant.endingClass
  let share = 1
  for (const act of method.acts) {
    const table = actSurvival(act, kind, bbch)
    let once = withOwn(
      act === 'crimp' && setup.edgeKgPerM !== undefined ? underBoard(table, setup.edgeKgPerM) : table,
      method.acts.length === 1 && !method.flame ? ownCount(setup.own ?? {}, method.id, kind, bbch) : null,
    )
    if (act === 'chop' && setup.stubbleM !== undefined)
      once = chopSurvivalAt(kind, bbch, setup.stubbleM, once)
    if (act === 'crimp' && setup.bedKind && setup.bedKind !== 'in-ground') once += FRAME_MISSED * (1 - once)
    share *= once * furtherPass(act, kind, bbch) ** (passes - 1)
  }
  return method.flame ? share * FLAME_AFTER_CRIMP : share
}

/** How a sheet lies, by what is done before it: cuttings of weeks before shield whatever is flattened on them. */
export const sheetBed = (method: Method, under: UnderSheet): SheetBed =>
  under === 'shielded' && method.lies !== 'soil' ? 'shielded' : (method.lies ?? under)

const NEVER: MemberEnding = { survival: 1, deadDay: NaN, sheetDays: 0 }

/**
 * One member's outcome of a way started on `startDay`: the share of plants alive, weighted by mass over the species,
 * and the first day on which the stand is dead (share ≤ target after hand-finishing), NaN if never.
 */
export function endingOf(
  methodId: EndMethodId,
  run: StandRun,
  ensemble: WeatherEnsemble,
  member: number,
  startDay: number,
  setup: EndingSetup,
): MemberEnding {
  const method = findMethod(methodId)
  const index = startDay - run.startDay
  if (!method) return { survival: 0, deadDay: startDay, sheetDays: 0 }
  if (index < 0 || index >= run.days) return NEVER
  if (method.waits) return waited(run, member, startDay, setup.target)
  const at = placeIn(run, member, index)
  let total = 0
  for (const species of run.species) total += species.massG[at]
  if (total < NOTHING_UP_G) return NEVER
  const shares = run.species.map((species) => species.massG[at] / total)
  if (method.animals) return grazed(run, member, startDay, setup, shares)

  const left = run.species.map((species, c) =>
    actsSurvival(method, run.sown[c].plant, species.bbch[at], setup.passes, setup),
  )
  const afterActs = method.acts.length > 0 ? varied(weighted(shares, left), member) : 1
  if (method.sheet) return sheeted(method, run, ensemble, member, startDay, setup, shares, left, at)
  const act = method.acts[method.acts.length - 1]
  const dead = afterActs - HAND_FINISH_SHARE <= setup.target
  const lastPass = startDay + lastActAfter(method, setup)
  return {
    survival: afterActs,
    deadDay: dead ? doseDay(ensemble, 'air', member, lastPass, BROWNING_CD[act]) : NaN,
    sheetDays: 0,
  }
}

function weighted(shares: readonly number[], values: readonly number[]): number {
  let sum = 0
  for (let c = 0; c < shares.length; c++) sum += shares[c] * values[c]
  return sum
}

/** BBCH from which a plant is ripe. */
const RIPE = 85

/** Left to cold or heat: the first day on which few enough are alive. */
function waited(run: StandRun, member: number, startDay: number, target: number): MemberEnding {
  let alive = 1
  for (let i = Math.max(0, startDay - run.startDay); i < run.days; i++) {
    const at = placeIn(run, member, i)
    let up = true
    alive = 0
    for (const species of run.species) {
      if (species.bbch[at] < 9) up = false
      if (species.alive[at] > alive) alive = species.alive[at]
    }
    if (!up || alive > target) continue
    // What has ripened died of age and dropped its seed: neither cold nor heat ended it.
    const ripe = run.species.some((species) => species.bbch[at] >= RIPE)
    return { survival: alive, deadDay: ripe ? NaN : run.startDay + i, sheetDays: 0 }
  }
  return { survival: alive, deadDay: NaN, sheetDays: 0 }
}

/** Under a sheet: the dose that brings the acts' survivors down to the target, then the day that dose is reached. */
function sheeted(
  method: Method,
  run: StandRun,
  ensemble: WeatherEnsemble,
  member: number,
  startDay: number,
  setup: EndingSetup,
  shares: readonly number[],
  left: readonly number[],
  at: number,
): MemberEnding {
  const sheet = method.sheet!
  const dry = sheet !== 'clear' && run.seedLayer[at] < DRY_TOP ? DRY_FACTOR : 1
  const lies = sheetBed(method, setup.under)
  const needed = run.species.map((species, c) => {
    const { plant } = run.sown[c]
    // Own counts after this way, against the 5 % that a full dose leaves, stretch or shorten the dose.
    const own = withOwn(0.05, ownCount(setup.own ?? {}, method.id, plant.endingClass, species.bbch[at]))
    return (dry * doseNeeded(sheet, plant, species.bbch[at], lies) * Math.log(0.05)) / Math.log(own)
  })
  const dose = doseTo(setup.target, shares, left, needed) * (0.85 + 0.3 * luck(member, SHEET_STEP))
  const longest = Math.min(firmDays(sheet), (setup.liftedDay ?? Infinity) - startDay)
  // What the acts have killed must brown before it counts as dead, sheet or no sheet.
  const act = method.acts.at(-1)
  const brown = act ? doseDay(ensemble, 'air', member, startDay, BROWNING_CD[act]) : startDay
  const kind = sheet === 'clear' ? 'clear' : 'black'
  const done = Math.max(doseDay(ensemble, kind, member, startDay, dose), brown)
  if (done - startDay <= longest)
    return {
      survival: Math.min(setup.target, weighted(shares, left)),
      deadDay: done,
      sheetDays: done - startDay,
    }
  const gathered = doseBetween(
    ensemble,
    kind,
    member,
    startDay,
    Math.min(startDay + longest + 1, ensemble.startDay + ensemble.days),
  )
  return { survival: aliveUnder(gathered, shares, left, needed), deadDay: NaN, sheetDays: 0 }
}

/** Share alive under a sheet after a dose, over the species. */
function aliveUnder(
  dose: number,
  shares: readonly number[],
  left: readonly number[],
  needed: readonly number[],
): number {
  let sum = 0
  for (let c = 0; c < shares.length; c++) sum += shares[c] * left[c] * sheetSurvival(dose, needed[c])
  return sum
}

/** The dose that leaves just the target alive; 0 where the acts alone do. */
function doseTo(
  target: number,
  shares: readonly number[],
  left: readonly number[],
  needed: readonly number[],
): number {
  const alive = weighted(shares, left)
  if (alive <= target) return 0
  if (shares.length === 1) return (needed[0] * Math.log(target / alive)) / Math.log(0.05)
  let low = 0
  let high = 3 * Math.max(...needed)
  for (let i = 0; i < 20; i++) {
    const middle = (low + high) / 2
    if (aliveUnder(middle, shares, left, needed) > target) low = middle
    else high = middle
  }
  return high
}

/** Animals: every stop takes its share of the plants; the plot is done when the last stop of the round that does it ends. */
function grazed(
  run: StandRun,
  member: number,
  startDay: number,
  setup: EndingSetup,
  shares: readonly number[],
): MemberEnding {
  const { animals, plot } = setup
  if (!animals || !plot) return NEVER
  const plotM2 = plot.lengthM * plot.widthM
  const stops = stopsOf(animals, plot.lengthM, plot.widthM, startDay)
  const left = shares.map(() => 1)
  for (let round = 0; round < animals.rounds; round++) {
    const own = stops.filter((stop) => stop.round === round)
    const middle = Math.floor((own[0].startDay + own[own.length - 1].endDay) / 2)
    const index = Math.min(run.days - 1, middle - run.startDay)
    const at = placeIn(run, member, index)
    for (let c = 0; c < left.length; c++)
      left[c] *= stopSurvival(
        animals,
        plotM2,
        run.sown[c].plant.endingClass,
        run.species[c].bbch[at],
        Math.max(20, run.massG[at] * 0.5 ** round),
        round,
      )
    const alive = varied(weighted(shares, left), member)
    if (alive - HAND_FINISH_SHARE <= setup.target)
      return {
        survival: alive,
        deadDay: Math.ceil(own[own.length - 1].endDay) + WITHER_DAYS,
        sheetDays: 0,
      }
  }
  return { survival: varied(weighted(shares, left), member), deadDay: NaN, sheetDays: 0 }
}

/** Minutes to pull plants one by one. */
export const pullMinutes = (plants: number) => (plants * SECONDS_PER_STRAGGLER) / 60

/** Minutes to pull the survivors of an area by hand; nobody pulls more than a fifth or so of a stand. */
export const stragglerMinutes = (survival: number, plantsPerM2: number, areaM2: number) =>
  pullMinutes(Math.min(survival, HAND_FINISH_SHARE + 0.1) * plantsPerM2 * areaM2)
