import { dayNumber } from '../foundations/day'
import type { SiteClimate } from '../garden/schema'
import { generatedEnsemble } from '../site/ensemble'
import type { WeatherEnsemble } from '../site/weather'
import { NO_LIMITS, type ChooseQuestion, type Limits } from '../choosing/types'
import { testBed, testTool } from './beds'

/** A plain question for tests: a bed free on a day, transplants on another, mass wanted, ordinary tools. */
export function testQuestion(
  from: string,
  plantOn: string,
  extra: Partial<Omit<ChooseQuestion, 'limits'>> & { limits?: Partial<Limits> } = {},
): ChooseQuestion {
  const today = dayNumber(from)
  const { limits, ...rest } = extra
  return {
    bed: testBed,
    areaM2: 12,
    freeFromDay: today,
    sowDay: null,
    sowUntilDay: null,
    target: { plantingDay: dayNumber(plantOn), establishment: 'transplant', waitDays: 7 },
    endNeeded: true,
    canopyAbove: null,
    next: null,
    purposes: ['mass'],
    weeds: 'any',
    tools: [testTool('scythe'), testTool('crimp board'), testTool('black tarp', 2, 12)],
    animals: [],
    seedAtHand: [],
    organicSeed: false,
    today,
    ...rest,
    limits: { ...NO_LIMITS, ...limits },
  }
}

/** Weather that reaches from before a question's day past its planting. */
export function questionWeather(question: ChooseQuestion, site: SiteClimate, members = 12): WeatherEnsemble {
  const days = question.target.plantingDay - question.today + 60
  return generatedEnsemble(site, question.today - 40, days, members, 3)
}
