import { dayNumber, isoDate } from '../../foundations/day'
import { quantilesOf, shareOf } from '../../foundations/statistics'
import { findSpecies } from '../../plants/catalogue'
import { generatedEnsemble } from '../../site/ensemble'
import type { WeatherEnsemble } from '../../site/weather'
import { runStand } from '../../stand/kernel'
import { drawMemberParameters } from '../../stand/memberParameters'
import { dateQuantiles, firstDays, quantilesOn, stageDays, valuesOn } from '../../stand/summary'
import type { StandRun } from '../../stand/types'
import { plainInput } from '../../season/plainInput'
import { raked } from '../stands'
import type { CaseCheck, CaseFile, CaseSite, CaseStand, CaseWinter } from './schema'
import { placeIn } from '../../stand/series'

/** One check: what the model gives, and whether it lies inside what is known. */
export type Verdict = {
  site: string
  stand: string
  check: string
  expected: string
  got: string
  inside: boolean
  /** How far from the middle of the range, in halves of its width: 1 at its ends; 6 at the most, and where there is no answer. */
  off: number
}

/** Days a stand is followed, and of weather before it is sown. */
const FOLLOWED_DAYS = 400
const LEAD_DAYS = 60
const YEAR = 2025
const SEED = 11
const MOST_OFF = 6
/** Dates within this of the middle are not told apart, half a width in days. */
const LEAST_HALF_DAYS = 7
const STAGE_OF = { heading: 51, flower: 61, halfBloom: 65 } as const

/** The first day of that month and day from `after` on. */
function nextDay(monthDay: string, after: number): number {
  const year = Number(isoDate(after).slice(0, 4))
  const day = dayNumber(`${year}-${monthDay}`)
  return day >= after ? day : dayNumber(`${year + 1}-${monthDay}`)
}

type Grown = { run: StandRun; ensemble: WeatherEnsemble; sowDay: number; species: readonly string[] }

const componentsOf = (stand: CaseStand): [string, number][] => stand.mix ?? [[stand.species!, 1]]

/** Days after a dated range's end that a stand is still followed, to tell how late it is. */
const LATE_DAYS = 90

/** Days after sowing that a check looks at. */
function daysOf(check: CaseCheck, sowDay: number): number {
  if ('on' in check) return nextDay(check.on, sowDay) - sowDay + 1
  if ('by' in check) return nextDay(check.by, sowDay) - sowDay + 1
  if (check.kind in STAGE_OF)
    return nextDay((check.range as [string, string])[1], sowDay) - sowDay + LATE_DAYS
  return FOLLOWED_DAYS
}

function grow(stand: CaseStand, site: CaseSite, members: number, ensembleFor: EnsembleFor): Grown {
  const sowDay = dayNumber(`${YEAR}-${stand.sow}`)
  const sown = componentsOf(stand).flatMap(([id, rate]) => {
    const plant = findSpecies(id)
    if (!plant) throw new Error(`${stand.site}: there is no species “${id}” in the catalogue.`)
    return raked(plant, rate)
  })
  const followed = Math.max(...stand.checks.map((check) => daysOf(check, sowDay)))
  const whole = ensembleFor(site, sowDay)
  const ensemble = { ...whole, days: Math.min(whole.days, LEAD_DAYS + followed) }
  const run = runStand(plainInput(sown, sowDay), ensemble, drawMemberParameters(sown, members, SEED + 2))
  return { run, ensemble, sowDay, species: componentsOf(stand).map(([id]) => id) }
}

const middle = (values: Float64Array): number => quantilesOf(values)?.p50 ?? NaN

/** Median day of a stage over the members that reach it; NaN where fewer than half do. */
function dateOf({ run }: Grown, component: number, stage: number): number {
  const { chance, quantiles } = dateQuantiles(stageDays(run, component, stage))
  return chance >= 0.5 && quantiles ? Math.round(quantiles.p50) : NaN
}

/** Median of something over the members that reach a stage, when they do; NaN where fewer than half do. */
function whenAt({ run }: Grown, component: number, stage: number, of: (at: number) => number): number {
  const reached = [...stageDays(run, component, stage)].flatMap((day, member) =>
    Number.isNaN(day) ? [] : of(placeIn(run, member, day - run.startDay)),
  )
  return reached.length * 2 >= run.members ? middle(Float64Array.from(reached)) : NaN
}

/** What a check measures, as a number in the unit of its range; dates as day numbers. */
function measure(grown: Grown, check: CaseCheck): number {
  const { run, sowDay } = grown
  const of = 'of' in check && check.of ? grown.species.indexOf(check.of) : -1
  const component = Math.max(0, of)
  const massOn = (day: number) =>
    of >= 0 ? middle(valuesOn(run, run.species[of].massG, day)) : (quantilesOn(run, 'massG', day)?.p50 ?? NaN)
  switch (check.kind) {
    case 'flower':
    case 'halfBloom':
    case 'heading':
      return dateOf(grown, component, STAGE_OF[check.kind])
    case 'massTHa':
      return massOn(nextDay(check.on, sowDay)) / 100
    case 'heightM':
      return quantilesOn(run, 'heightM', nextDay(check.on, sowDay))?.p50 ?? NaN
    case 'deadShare': {
      const alive = valuesOn(run, run.species[component].alive, nextDay(check.on, sowDay))
      return 100 * (1 - alive.reduce((sum, share) => sum + share, 0) / alive.length)
    }
    case 'aliveSpread': {
      const spread = quantilesOf(valuesOn(run, run.species[component].alive, nextDay(check.on, sowDay)))
      return spread ? 100 * (spread.p90 - spread.p10) : NaN
    }
    case 'atStage':
      return whenAt(grown, component, check.stage, (at) => run.massG[at] / 100)
    case 'nitrogenPct':
      return whenAt(grown, component, check.stage, (at) => (100 * run.nitrogenG[at]) / run.massG[at])
    case 'nitrogenKgHa':
      return whenAt(grown, component, check.stage, (at) => 10 * run.nitrogenG[at])
    case 'reaches': {
      const by = nextDay(check.by, sowDay)
      const days = stageDays(run, component, check.stage)
      return 100 * shareOf(run.members, (member) => days[member] <= by)
    }
    case 'emergeDays':
      return dateOf(grown, component, 9) - sowDay
    case 'flowerDays':
      return dateOf(grown, component, 61) - sowDay
    case 'cover30Days':
      return middle(firstDays(run, (at) => run.cover[at] >= 0.3)) - sowDay
  }
}

const textOf = (value: number, dated: boolean) =>
  Number.isNaN(value)
    ? 'never'
    : dated
      ? isoDate(value).slice(5)
      : value.toFixed(Math.abs(value) < 10 ? 2 : 0)

function verdictOf(
  where: { site: string; stand: string; check: string },
  value: number,
  [low, high]: readonly [number, number],
  dated: boolean,
): Verdict {
  const half = Math.max((high - low) / 2, dated ? LEAST_HALF_DAYS : 1e-9)
  return {
    ...where,
    expected: `${textOf(low, dated)} – ${textOf(high, dated)}`,
    got: textOf(value, dated),
    inside: value >= low && value <= high,
    off: Number.isNaN(value) ? MOST_OFF : Math.min(MOST_OFF, Math.abs(value - (low + high) / 2) / half),
  }
}

type EnsembleFor = (site: CaseSite, sowDay: number) => WeatherEnsemble

function judgeStand(stand: CaseStand, site: CaseSite, members: number, ensembleFor: EnsembleFor): Verdict[] {
  const grown = grow(stand, site, members, ensembleFor)
  return stand.checks.map((check) => {
    const dated = check.kind in STAGE_OF
    const at =
      'on' in check
        ? ` on ${check.on}`
        : check.kind === 'reaches'
          ? ` ${check.stage} by ${check.by}`
          : 'stage' in check
            ? ` ${check.stage}`
            : ''
    const where = {
      site: stand.site,
      stand: `${grown.species.join(' + ')} ${stand.sow}`,
      check: `${check.kind}${at}${'of' in check && check.of ? ` of ${check.of}` : ''}`,
    }
    let range = check.range as [number, number]
    if (dated) {
      // A window of days that holds the answer, or the next there is.
      const [from, to] = check.range as [string, string]
      const low = nextDay(from, grown.sowDay)
      range = [low, nextDay(to, low)]
    }
    return verdictOf(where, measure(grown, check), range, dated)
  })
}

function judgeWinter(winter: CaseWinter, site: CaseSite, members: number): Verdict {
  // One winter from its summer on, in either hemisphere.
  const from = dayNumber(site.latitude < 0 ? `${YEAR}-01-15` : `${YEAR}-07-15`)
  const ensemble = generatedEnsemble(site, from, 365, members, SEED)
  const each = Float64Array.from(ensemble.members, ({ snowMm, tMinC }) =>
    winter.kind === 'snowWaterMaxMm' ? Math.max(...snowMm) : tMinC.filter((min) => min <= 0).length,
  )
  return verdictOf(
    { site: winter.site, stand: 'winter', check: winter.kind },
    middle(each),
    winter.range,
    false,
  )
}

/** One case of a file. */
export type Case = CaseFile['cases'][number]

/** Judges cases again and again: the weather of a site is made once. Sites that are not in the list are said by name. */
export function caseJudge(sites: readonly CaseSite[], members: number): (one: Case) => Verdict[] {
  const ensembles = new Map<string, WeatherEnsemble>()
  const ensembleFor: EnsembleFor = (site, sowDay) => {
    const key = `${site.id} ${sowDay}`
    const known =
      ensembles.get(key) ??
      generatedEnsemble(site, sowDay - LEAD_DAYS, FOLLOWED_DAYS + LEAD_DAYS, members, SEED)
    ensembles.set(key, known)
    return known
  }
  return (one) => {
    const site = sites.find(({ id }) => id === one.site)
    if (!site) throw new Error(`There is no site “${one.site}” in the file of sites.`)
    return 'checks' in one ? judgeStand(one, site, members, ensembleFor) : [judgeWinter(one, site, members)]
  }
}

/** Judges every check of a file. */
export const judgeCases = ({ cases }: CaseFile, sites: readonly CaseSite[], members: number): Verdict[] =>
  cases.flatMap(caseJudge(sites, members))
