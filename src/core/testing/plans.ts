import type { MethodId } from '../termination/methods'
import { dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import { findCrop } from '../plants/crops'
import type { Follows, GroundFacts, Means, Scenario } from '../scenario/types'
import { testCase, testCover, testTool } from './beds'
import { BARE_FACTS, testMeans } from './questions'

/** What a plan of the tests has of its own. */
export type PlanOwn = {
  crop?: Partial<Extract<Follows, { kind: 'crop' }>>
  ground?: Partial<GroundFacts>
  means?: Partial<Means>
  stand?: Partial<Stand>
}
/** A cover in the test bed with its ending and the crop after it, with ordinary tools. */
export function testPlan(
  speciesId: string,
  sown: string,
  endOn: string,
  method: MethodId,
  cropId: string,
  plantOn: string,
  wait = 7,
  own: PlanOwn = {},
): Scenario {
  const crop = findCrop(cropId)!
  const day = dayNumber(plantOn)
  const establishment = own.crop?.establishment ?? crop.establishment
  const cover = testCover(speciesId, sown, {
    end: { plan: { date: endOn, method, passes: 1, note: '' }, actual: null },
    ...own.stand,
  })
  return {
    standCase: testCase(cover, { nextStartDay: day, establishment }),
    follows: {
      kind: 'crop',
      crop,
      plantingMethod: null,
      feedG: 0,
      day,
      done: false,
      ...own.crop,
      establishment,
    },
    means: testMeans({
      tools: (['scythe', 'wheelbarrow', 'spade or fork'] as const)
        .map((kind) => testTool(kind))
        .concat(testTool('crimp board', 1.2), testTool('black tarp', 2, 12)),
      waitDays: { transplant: wait, seed: wait },
      ...own.means,
    }),
    ground: { ...BARE_FACTS, ...own.ground },
    today: dayNumber(endOn),
  }
}
