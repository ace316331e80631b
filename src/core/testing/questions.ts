import { dayNumber } from '../foundations/day'
import { USUAL_RULES } from '../garden/usualRules'
import type { SiteClimate } from '../garden/site'
import type { GroundFacts, Means } from '../scenario/types'
import { generatedEnsemble } from '../site/ensemble'
import type { WeatherEnsemble } from '../site/weather'
import type { Counting } from '../choosing/counting'
import type { StandRun } from '../stand/types'
import { NO_LIMITS, untilDay, type ChooseQuestion, type Limits } from '../choosing/types'
import { testBed, testTool } from './beds'

/** What a grower of the tests has: ordinary tools, no animals, the usual rules. */
export const testMeans = (own: Partial<Means> = {}): Means => ({
  keptOut: [],
  tools: [testTool('scythe'), testTool('crimp board'), testTool('black tarp', 2, 12)],
  livestock: [],
  rules: USUAL_RULES,
  own: {},
  ownMinutes: {},
  waitDays: { transplant: 7, seed: 14 },
  resistant: [],
  ...own,
})

export const BARE_FACTS: GroundFacts = { manure: [], nematodes: false, creeping: [] }

/** A plain question for tests: a bed free on a day, wanted by another, mass wanted, ordinary tools. */
export function testQuestion(
  from: string,
  wantedBy: string,
  { limits, ...extra }: Partial<Omit<ChooseQuestion, 'limits'>> & { limits?: Partial<Limits> } = {},
): ChooseQuestion {
  const today = dayNumber(from)
  return {
    bed: testBed,
    segment: { kind: 'whole' },
    upper: null,
    underStandId: null,
    freeFromDay: today,
    sowDay: null,
    sowUntilDay: null,
    openUntilDay: dayNumber(wantedBy),
    follows: { kind: 'deadline', day: dayNumber(wantedBy), establishment: 'transplant' },
    means: testMeans(),
    ground: BARE_FACTS,
    before: [],
    purposes: ['mass'],
    weeds: 'any',
    animals: [],
    seedAtHand: [],
    organicSeed: false,
    currency: 'EUR',
    today,
    climate: null,
    ...extra,
    limits: { ...NO_LIMITS, ...limits },
  }
}

/** Weather that reaches from before a question's day past its planting. */
export function questionWeather(question: ChooseQuestion, site: SiteClimate, members = 12): WeatherEnsemble {
  const days = untilDay(question) - question.today + 90
  return generatedEnsemble(site, question.today - 40, days, members, 3)
}

/** What a purpose is counted from where a stand is ended on a day and all of it is left: its window is its life. */
export const testCounting = (
  { run, ensemble }: { run: StandRun; ensemble: WeatherEnsemble },
  member: number,
  endDay: number,
  own: Partial<Counting> = {},
): Counting => ({
  run,
  ensemble,
  member,
  endDay,
  left: 1,
  onTop: 1,
  window: { fromDay: run.startDay, untilDay: endDay },
  weeds: 'any',
  resistant: [],
  ...own,
})
