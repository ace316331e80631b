import { expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { FRESH_GARDEN } from '../garden/fresh'
import { cropContent, cropStand, planting } from '../garden/newStands'
import type { GardenData, Segment, Stand } from '../garden/schema'
import { generatedEnsemble } from '../site/ensemble'
import { testBed, testCover } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { evaluate } from './evaluate'
import { plansBeside, scenarioOf } from './fromGarden'
import type { Scenario } from './types'

const today = dayNumber('2026-03-01')
const ensemble = generatedEnsemble(TEST_SITES.maryland, dayNumber('2025-09-01'), 420, 30, 11)

const rye = testCover('cereal-rye', '2025-09-15', {
  id: 'rye',
  end: { plan: { method: 'tarp', date: '2026-04-10', passes: 1, note: '' }, actual: null },
})
const cropOn = (which: 'first' | 'second', cropId: string, date: string): Stand =>
  cropStand(
    { id: cropId, gardenId: 'g', bedId: testBed.id, segment: { kind: 'half', which } as Segment },
    cropContent(cropId, 'transplant'),
    { plan: planting(date), actual: null },
    90,
  )
const squash = cropOn('second', 'squash', '2026-06-20')
const dataOf = (cover: Stand, ...crops: Stand[]) =>
  ({
    garden: {
      ...FRESH_GARDEN,
      waitDays: { transplant: 7, seed: 14 },
      tools: [{ id: 't', kind: 'black tarp', widthM: 4, lengthM: 50 }],
    },
    beds: [testBed],
    stands: [cover, ...crops],
    checks: [],
  }) as unknown as GardenData
const planOf = (data: GardenData) => scenarioOf(data, data.stands[0], today)!
const dead = (plan: Scenario) => evaluate(plan, ensemble)!.outcome.chance.dead!
const besideOf = (data: GardenData, plan = planOf(data)) => plansBeside(data, data.stands[0], plan)

test('a crop has the same plan whether the line goes on to it or tells it beside', () => {
  const lettuce = cropOn('first', 'lettuce', '2026-05-05')
  const [there] = besideOf(dataOf(rye, lettuce, squash))
  const chosen = planOf(dataOf({ ...rye, goesOnTo: 'squash' }, lettuce, squash))
  expect(there.crop.id).toBe('squash')
  expect(evaluate(there.plan, ensemble)!.outcome).toEqual(evaluate(chosen, ensemble)!.outcome)
})

test('a sheet is off all its ground for the first that follows, also for the plan of the one after it', () => {
  const [early, late] = ['2026-04-25', '2026-06-10'].map((date) => cropOn('first', 'lettuce', date))
  const [alone, soon, longer] = [[squash], [early, squash], [late, squash]].map((crops) =>
    dead(planOf(dataOf({ ...rye, goesOnTo: 'squash' }, ...crops))),
  )
  expect(soon).toBeLessThan(alone - 0.2)
  expect(longer).toBeGreaterThan(soon)
  // What is only tried of the first moves the sheet of the one beside it.
  const data = dataOf(rye, early, squash)
  const tried = planOf(data)
  const [beside] = besideOf(data, {
    ...tried,
    follows: { ...tried.follows, day: dayNumber('2026-06-10') } as Scenario['follows'],
  })
  expect(dead(beside.plan)).toBe(longer)
  // A cut waits for nobody's sheet.
  const cut = {
    ...rye,
    end: { plan: { ...rye.end.plan!, method: 'chop' as const }, actual: null },
    goesOnTo: 'squash',
  }
  expect(dead(planOf(dataOf(cut, early, squash)))).toBe(dead(planOf(dataOf(cut, squash))))
})
