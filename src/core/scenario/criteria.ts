import { animalsLeaveAfter, lastActDay } from '../termination/start'
import { sheetOffDay } from '../termination/kill'
import { drawsSeedFlies } from '../termination/seedFlies'
import type { EndDetails } from '../garden/ending'
import { latest } from '../garden/timeline'
import { manureDaysFor } from '../planting/manure'
import { WAYS } from '../planting/ways'
import {
  fliesPast,
  frostPast,
  openFrom,
  residueHoldDay,
  residueOn,
  soilWarm,
  thinResidueG,
  tiesUp,
} from '../planting/openDays'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import type { SheetKind } from '../stand/fate'
import { SHEETED_GROUND } from '../stand/sheeted'
import type { StandRun } from '../stand/types'
import { coveredDays, troublesOn, workable } from './sowing'
import type { Termination } from './termination'
import type { CriterionDays, CriterionId, Follows, ManureDay, Scenario } from './types'

/** Days without green that break the bridge from cover to seedlings (extension, 14–21). */
export const GREEN_BREAK_DAYS = 14
/** Manure longer before planting than this no longer matters to any harvest, days. */
const FORGOTTEN_DAYS = 400

type CropFollows = Extract<Follows, { kind: 'crop' }>

const perMember = (members: number, of: (member: number) => number) =>
  Float64Array.from({ length: members }, (_, m) => of(m))
const holds = (is: boolean) => (is ? -Infinity : Infinity)
const finite = (day: number) => (Number.isNaN(day) ? Infinity : day)

/** What holds for a stand whatever ends it: worked out once for all endings that are held against each other. */
export type Common = {
  /** Whether the seedbed can be worked on the sowing day, and when the cover covers; NaN where never. */
  ground: CriterionDays
  covered: Float64Array
  /** What the weather and the crop decide alone; and when the soil is warm enough where a sheet lay on it until then. */
  day: CriterionDays[]
  warmed: ReadonlyMap<SheetKind, CriterionDays>
}

export function commonOf(scenario: Scenario, { run, ensemble }: SeasonRun): Common {
  const { stand, bed } = scenario.standCase
  const { follows, today } = scenario
  const sown = stand.start.actual !== null
  const covering = latest(stand.start)?.covering ?? 'raked'
  return {
    ground: {
      id: 'ground',
      days: perMember(run.members, (m) =>
        holds(sown || workable(ensemble, m, run.startDay, bed.soil, covering)),
      ),
      by: sown ? [] : troublesOn(ensemble, run.startDay, bed.soil, covering),
    },
    covered: coveredDays(run),
    day: follows.kind === 'crop' ? dayCriteria(follows, ensemble, today) : [],
    warmed: new Map(
      follows.kind === 'crop'
        ? WARMING.map((kind) => [
            kind,
            warmSoil(follows, ensemble, today, KEPT_WARMTH * SHEETED_GROUND[kind].warmerC),
          ])
        : [],
    ),
  }
}

const WARMING: readonly SheetKind[] = ['black', 'clear']
/** Share of a sheet's warmth that the ground has left in the days after it came off (judgement, 0.3–0.7). */
const KEPT_WARMTH = 0.5
/** Days before the planting from which a sheet may be off without the ground growing cold again. */
const OFF_DAYS = 3

/** What the weather and the crop decide, where the sheet of an ending has warmed the ground for them. */
export function dayCriteriaAfter(
  { day, warmed }: Common,
  { method, end }: Termination,
  follows: CropFollows,
): CriterionDays[] {
  const soil = method?.sheet && warmed.get(method.sheet)
  const lies = soil && sheetOffDay(end, follows.day) >= follows.day - OFF_DAYS
  return lies ? day.map((criterion) => (criterion.id === 'soil' ? soil : criterion)) : day
}

/** Last day on which a cover may cover: work takes it as it stands, cold and heat may come any time after it has covered. */
export const lastToCover = (termination: Pick<Termination, 'method' | 'day'> | null): number =>
  termination?.method && !termination.method.waits ? termination.day : Infinity

/** Sown and established: recorded facts are no longer in question. */
export function sowingCriteria(
  { standCase: { stand } }: Scenario,
  { ground, covered }: Common,
  termination: Termination | null,
): CriterionDays[] {
  const before = lastToCover(termination)
  return [
    ground,
    {
      id: 'established',
      days: covered.map((day) => (stand.end.actual ? -Infinity : day <= before ? day : Infinity)),
    },
  ]
}

const BLOCKS = [
  'unworkable',
  'stems',
  'stock',
  'tinder',
  'own-rule',
] as const satisfies readonly CriterionId[]

/** Whether the ending can be done on its day, and when the cover is dead by it. */
export function terminationCriteria({ blocked, dead, troubles }: Termination): CriterionDays[] {
  return [
    ...BLOCKS.filter((id) => blocked.includes(id)).map((id) => ({
      id,
      days: perMember(dead.length, (m) => holds(blocked[m] !== id)),
      ...(id === 'unworkable' && { by: troubles() }),
    })),
    { id: 'dead', days: dead.map(finite) },
  ]
}

/** The last day of manure before a planting that its harvest must keep away from, by animals of the ending too. */
export function lastManureDay(
  { ground }: Pick<Scenario, 'ground'>,
  termination: Termination | null,
  { day, crop }: Pick<CropFollows, 'day' | 'crop'>,
): ManureDay | null {
  const after = termination ? animalsLeaveAfter(termination.setup) : null
  const own = after === null ? [] : [{ day: termination!.day + after, from: 'animals' as const }]
  const before = ground.manure.filter((one) => {
    const last = one.from === 'feed' ? day + crop.daysToHarvest : day
    return one.day <= last && one.day > day - FORGOTTEN_DAYS
  })
  return [...before, ...own].reduce<ManureDay | null>(
    (last, one) => (last && last.day >= one.day ? last : one),
    null,
  )
}

/** Days that the grower waits after death, or what was buried to fumigate asks for. */
export const waitAfter = (
  scenario: Scenario,
  termination: Termination,
  establishment: 'transplant' | 'seed',
) => Math.max(scenario.means.waitDays[establishment], termination.method?.settleDays ?? 0)

/** What the planting method opens: rows raked free leave no residue in them, a row of compost is a seedbed that feeds. */
export const opens = ({ plantingMethod }: CropFollows, id: CriterionId): boolean =>
  plantingMethod !== null && WAYS[plantingMethod].opens.some((opened) => opened === id)

/** When something of the weather is open for good around the planting day, from today on. */
function openAround(
  id: CriterionId,
  day: number,
  ensemble: WeatherEnsemble,
  today: number,
  isOpen: (member: number, on: number) => boolean,
): CriterionDays {
  const last = ensemble.startDay + ensemble.days - 1
  const from = Math.max(ensemble.startDay, Math.min(today, day))
  const days = perMember(ensemble.members.length, (m) => openFrom(from, last, day, (on) => isOpen(m, on)))
  return { id, days }
}

/** When the soil is warm enough for a crop, `warmerC` warmer than in the open. */
function warmSoil(
  { crop, day, plantingMethod }: CropFollows,
  ensemble: WeatherEnsemble,
  today: number,
  warmerC = 0,
): CriterionDays {
  const byWayC = plantingMethod === null ? 0 : (WAYS[plantingMethod].warmsC ?? 0)
  const leastC = crop.soilMinC - Math.max(byWayC, warmerC)
  return openAround('soil', day, ensemble, today, (m, on) => soilWarm(ensemble, m, on, leastC))
}

/** What the weather and the crop decide alone. */
const dayCriteria = (follows: CropFollows, ensemble: WeatherEnsemble, today: number): CriterionDays[] => [
  warmSoil(follows, ensemble, today),
  openAround('frost', follows.day, ensemble, today, (m, on) =>
    frostPast(ensemble, m, on, follows.crop.frostLimitC),
  ),
]

/** Between the dead cover and the crop, all that does not ask how the residue rots. */
export function waitingCriteria(
  scenario: Scenario,
  season: SeasonRun,
  termination: Termination | null,
  follows: CropFollows,
): CriterionDays[] {
  const { run, ensemble } = season
  const { crop, establishment } = follows
  const criteria: CriterionDays[] = []
  const manure = lastManureDay(scenario, termination, follows)
  if (manure !== null) {
    const opensOn = manure.day + manureDaysFor(crop, scenario.means.rules) - crop.daysToHarvest
    criteria.push({ id: 'manure', days: perMember(run.members, () => opensOn) })
  }
  if (!termination?.method) return criteria
  const { dead, method, setup, day } = termination
  const wait = waitAfter(scenario, termination, establishment)
  criteria.push({ id: 'wait', days: dead.map((on) => finite(on + wait)) })
  if (drawsSeedFlies(method)) {
    const buried = lastActDay(method, setup, day)
    criteria.push({ id: 'seed-flies', days: perMember(run.members, (m) => fliesPast(ensemble, m, buried)) })
  }
  if (establishment !== 'seed') return criteria
  criteria.push({ id: 'bridge', days: dead.map((on) => finite(on + GREEN_BREAK_DAYS)) })
  if (crop.smallSeed && run.sown.some(({ plant }) => plant.allelopathy > 0))
    criteria.push({
      id: 'residue-hold',
      days: perMember(run.members, (m) =>
        opens(follows, 'residue-hold')
          ? -Infinity
          : residueHoldDay(run, ensemble, m, method.waits ? Math.round(finite(dead[m])) : day, dead[m]),
      ),
    })
  return criteria
}

/** Whether it is told from which day on the residue lets the crop be planted, or only whether it does on the planting day. */
export type ResidueTold = 'over time' | 'on the day'

/** What asks how the residue rots: `ended` is the run with the ending in it, from the ending on. */
export function residueCriteria(
  scenario: Scenario,
  season: SeasonRun,
  ended: StandRun,
  follows: CropFollows,
  end: Pick<EndDetails, 'untilThin'>,
  told: ResidueTold,
): CriterionDays[] {
  const { crop, establishment, feedG, day } = follows
  const { fertility } = scenario.standCase.bed
  const last = ended.startDay + ended.days - 1
  const from = Math.min(ended.startDay, day)
  const series = (id: CriterionId, isOpen: (member: number, on: number) => boolean) => ({
    id,
    days: perMember(season.run.members, (m) => {
      if (opens(follows, id)) return -Infinity
      return told === 'on the day' ? holds(isOpen(m, day)) : openFrom(from, last, day, (on) => isOpen(m, on))
    }),
  })
  const limitG = thinResidueG(crop, establishment)
  return [
    series('tie-up', (m, on) => !tiesUp(ended, season.ensemble, m, on, crop, fertility, feedG)),
    ...(wantsThin(follows, end) ? [series('seedbed', (m, on) => residueOn(ended, m, on) <= limitG)] : []),
  ]
}

/** Whether the residue must be thin by the planting day: for seed always, for plants where the grower wants it so. */
export const wantsThin = ({ establishment }: CropFollows, { untilThin }: Pick<EndDetails, 'untilThin'>) =>
  establishment === 'seed' || untilThin === true
