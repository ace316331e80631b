import { dayNumber } from '../foundations/day'
import type { Check } from '../garden/check'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { aliveShareOn, type StandForecast } from '../season/standForecast'
import { plantsExpected, sownSpecies } from '../season/input'
import { keptByAge } from '../stand/perennial'
import { THIN_SHARE } from '../seeding/resow'
import { ringMean } from './observations'

/** A stand that is not as it should be, and since which check; asks for a decision. */
export type Trouble = {
  kind: 'thin' | 'losses' | 'weeds'
  /** The check that found it; null where the forecast did. */
  checkId: string | null
  day: number
  /** Share of the plants expected that are there, of the plants lost, or weeds' share of the ground. */
  share: number
}

/** Losses above this share, and weeds above this cover, ask for a decision (judgement, 0.2–0.4 and 0.15–0.35). */
const HEAVY_LOSS = 0.3
const HEAVY_WEEDS = 0.25
/** Losses by the forecast are not asked about again for so long after a look at damage or a decision, days. */
const SETTLED_DAYS = 60
/** Weeds also ask for one when they cover this share of what the stand does. */
const WEEDS_TO_COVER = 0.6

/**
 * Troubles of a stand from its newest look that speaks of each, while nothing was decided after it.
 * @param expectedPerM2 plants that should have come up  @param upBy day by which they should; counts before it tell nothing
 * @param aliveNow share of the plants that the forecast has alive today, for losses nobody has looked at yet
 */
export function troublesIn(
  checks: readonly Check[],
  expectedPerM2: number,
  upBy: number,
  today: number,
  aliveNow = 1,
): Trouble[] {
  const sorted = checks
    .filter((check) => !check.setAside && dayNumber(check.date) <= today)
    .sort((a, b) => b.date.localeCompare(a.date))
  const open = (check: Check) =>
    !sorted.some((other) => other.decision && (other.date > check.date || other.id === check.id))
  const troubles: Trouble[] = []
  const add = (check: Check | undefined, kind: Trouble['kind'], share: number, bad: boolean) => {
    if (check && bad && open(check))
      troubles.push({ kind, checkId: check.id, day: dayNumber(check.date), share })
  }
  const counted = sorted.find(
    (check) => check.plants && check.plants.speciesId === null && dayNumber(check.date) >= upBy,
  )
  if (counted?.plants && expectedPerM2 > 0) {
    const { counts, ringM, gapShare } = counted.plants
    const share = (ringMean(counts, ringM).perM2 * (1 - gapShare)) / expectedPerM2
    add(counted, 'thin', share, share < THIN_SHARE)
  }
  const hurt = sorted.find((check) => check.damage.length > 0)
  const lost = Math.max(0, ...(hurt?.damage ?? []).map((damage) => damage.lost))
  add(hurt, 'losses', lost, lost >= HEAVY_LOSS)
  const recently = sorted.some(
    (check) => (check.damage.length > 0 || check.decision) && dayNumber(check.date) > today - SETTLED_DAYS,
  )
  if (1 - aliveNow >= HEAVY_LOSS && !recently)
    troubles.push({ kind: 'losses', checkId: null, day: today, share: 1 - aliveNow })
  const weedy = sorted.find((check) => check.weeds)
  if (weedy?.weeds) {
    const own = weedy.cover === null ? null : Math.max(0, weedy.cover - weedy.weeds.cover)
    const many = own !== null && weedy.weeds.cover > 0.08 && weedy.weeds.cover > WEEDS_TO_COVER * own
    add(weedy, 'weeds', weedy.weeds.cover, weedy.weeds.cover >= HEAVY_WEEDS || many)
  }
  return troubles
}

/** Share of a stand’s plants that age alone has left: what thins by its years is not hurt. */
function leftByAge(stand: Stand, bed: Bed, today: number): number {
  const days = today - dayNumber(stand.start.actual!.date)
  return Math.min(...sownSpecies(stand, bed).map(({ plant }) => keptByAge(plant, days)))
}

/** Troubles of a growing cover by its checks and its forecast. Winter losses are none where the winter is meant to end it. */
export function troublesOf(
  stand: Stand,
  bed: Bed,
  checks: readonly Check[],
  forecast: StandForecast,
  today: number,
): Trouble[] {
  if (!stand.start.actual || stand.end.actual || stand.content.kind !== 'cover') return []
  const upBy = Math.max(0, ...forecast.up.map(({ quantiles: due }) => due?.p90 ?? 0))
  const meant = latest(stand.end)?.method === 'winter-kill'
  return troublesIn(
    checks.filter((check) => check.standId === stand.id),
    plantsExpected(sownSpecies(stand, bed)),
    upBy,
    today,
    meant ? 1 : Math.min(1, aliveShareOn(forecast, today) / leftByAge(stand, bed, today)),
  )
}
