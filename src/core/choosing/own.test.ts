import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { findCrop } from '../plants/crops'
import { evaluate } from '../scenario/evaluate'
import type { Follows } from '../scenario/types'
import { questionWeather, testMeans, testQuestion } from '../testing/questions'
import { testTool } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { scenarioFor } from './composition'
import { ownCover } from './own'
import { MOST_COMPONENTS, type ChooseQuestion, type MixComponent } from './types'

const tomatoOn = (date: string): Follows => ({
  kind: 'crop',
  crop: findCrop('tomato')!,
  establishment: 'transplant',
  plantingMethod: null,
  feedG: 0,
  day: dayNumber(date),
  done: false,
})
const winter = testQuestion('2025-09-15', '2026-05-20', { follows: tomatoOn('2026-05-20') })
const own = (components: MixComponent[], question: ChooseQuestion) =>
  ownCover(components, question, questionWeather(question, TEST_SITES.pennsylvania))!
const of = (speciesId: string, share = 1): MixComponent => ({ speciesId, share })

describe('a cover of the grower’s own', () => {
  test('that is advised against is planned and graded as every room would grade it', () => {
    const late = testQuestion('2025-11-25', '2026-04-10', { follows: tomatoOn('2026-04-10') })
    const answer = own([of('cereal-rye')], late)
    expect('limit' in answer.judged).toBe(true)
    const { plan, outcome } = answer
    const bare = scenarioFor(plan.components, plan.sowDay, plan.covering, late)
    const { stand } = bare.standCase
    const stored = {
      ...bare,
      standCase: {
        ...bare.standCase,
        stand: { ...stand, end: { plan: plan.ending?.end ?? null, actual: null } },
      },
    }
    const weather = questionWeather(late, TEST_SITES.pennsylvania)
    const told = evaluate(stored, weather)!.outcome
    expect(outcome.chance).toEqual(told.chance)
    expect(outcome.failures).toEqual(told.failures)
    expect(outcome.failures.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(
      1 - outcome.chance.whole,
      10,
    )
  })
  test('that no way can end in time is planned by the one that gets furthest, not by the one with the least work', () => {
    const tight = testQuestion('2026-04-15', '2026-05-30', {
      follows: {
        ...(tomatoOn('2026-05-30') as Extract<Follows, { kind: 'crop' }>),
        crop: findCrop('carrot')!,
        establishment: 'seed',
      },
    })
    const { outcome, plan } = own([of('hairy-vetch')], tight)
    expect(outcome.chance.whole).toBeLessThan(0.05)
    expect(plan.ending!.end.method).not.toMatch(/kill$/)
  })
  test('that fits has the chance of the ranking, and nothing to repair where it can be relied on', () => {
    const answer = own(
      [of('crimson-clover')],
      testQuestion('2025-08-20', '2026-06-20', { follows: tomatoOn('2026-06-20') }),
    )
    if (!('chance' in answer.judged)) throw new Error('Crimson clover fits ten open months.')
    expect(answer.outcome.chance.whole).toBe(answer.judged.chance)
    expect(answer.outcome.chance.whole).toBeGreaterThan(0.8)
    expect(answer.plan.ending).toEqual(answer.judged.ending)
    expect(answer.repair).toBeNull()
  })
  test('without a tool to end it is planned without an end, and held to no more than coming up', () => {
    const bare = {
      ...winter,
      means: testMeans({ tools: [testTool('rake')], rules: { ...winter.means.rules, turning: 'never' } }),
    }
    const { plan, judged, outcome } = own([of('cereal-rye')], bare)
    expect(judged).toMatchObject({ limit: 'cannot be ended' })
    expect(plan.ending).toBeNull()
    expect(outcome.chance).toMatchObject({ dead: null, ready: null, whole: outcome.chance.established })
  })
  test('may have eight species, and names those that the others smother', () => {
    const many = [
      of('cereal-rye', 1.2),
      of('hairy-vetch', 0.3),
      of('crimson-clover', 0.1),
      of('winter-pea', 0.1),
      of('oats', 0.1),
      of('phacelia', 0.05),
      of('white-mustard', 0.05),
      of('white-clover', 0.05),
    ]
    expect(many).toHaveLength(MOST_COMPONENTS)
    expect(own(many, winter).plan.components).toEqual(many)
    const { smothered } = own([of('cereal-rye'), of('white-clover', 0.4)], winter)
    const named = smothered.map(({ speciesId }) => speciesId)
    expect(named).toContain('white-clover')
    expect(named).not.toContain('cereal-rye')
    for (const { chance } of smothered) expect(chance).toBeGreaterThan(0.5)
    expect(own([of('cereal-rye')], winter).smothered).toEqual([])
  })
})
