import { isoDate, dayNumber } from '../../core/foundations/day'
import { randomStream } from '../../core/foundations/random'
import { clearing, cropContent, cropStand, planting } from '../../core/garden/newStands'
import { USUAL_RULES } from '../../core/garden/usualRules'
import type { Bed, GardenData, Stand } from '../../core/garden/schema'
import { findCrop } from '../../core/plants/crops'
import { testCover, testTool } from '../../core/testing/beds'
import { marlpitLane } from '../../demo/marlpitLane'
import { chooseForm, startingForm } from '../../rooms/choose/question'

const OWNED = [
  testTool('scythe'),
  testTool('hand shears'),
  testTool('crimp board', 1.2),
  testTool('black tarp', 2, 20),
  testTool('spade or fork'),
  testTool('wheelbarrow'),
  testTool('mower'),
]
const SPECIES = ['cereal-rye', 'hairy-vetch', 'oats', 'buckwheat', 'field-pea', 'phacelia', 'crimson-clover']
const CROPS = ['tomato', 'cabbage', 'lettuce', 'carrot', 'bean', 'leek', 'squash']

/** What stood in the bed until a week ago: nothing, a crop, or a cover that was cut. */
function earlier(bed: Bed, today: number, what: string | null): Stand[] {
  const where = { id: 'earlier', gardenId: bed.gardenId, bedId: bed.id }
  const from = isoDate(today - 120)
  const until = isoDate(today - 7)
  if (what === null) return []
  if (findCrop(what))
    return [
      {
        ...cropStand(where, cropContent(what, 'transplant'), { plan: null, actual: planting(from) }, 113),
        end: { plan: null, actual: clearing(until) },
      },
    ]
  const end = { method: 'chop' as const, date: until, passes: 1, note: '' }
  return [testCover(what, from, { ...where, end: { plan: null, actual: end } })]
}

/** Seeds of the gardens that rooms are held against each other on: a dozen, or as many as `npm run agree` asks for. */
export const AGREEING_GARDENS = Array.from(
  { length: Number(process.env.KILIM_GARDENS ?? 12) },
  (_, seed) => seed,
)

/** A garden made by chance: tools, rules, soil, a day, a crop and a cover of its own. */
export function seededGarden(seed: number) {
  const random = randomStream(seed)
  const below = (n: number) => Math.floor(random.uniform() * n)
  const one = <T>(of: readonly T[]) => of[below(of.length)]
  const demo = marlpitLane()
  const today = dayNumber('2026-01-15') + below(330)
  const bed = {
    ...demo.beds[0],
    soil: one(['sand', 'loam', 'clay'] as const),
    fertility: one(['low', 'medium', 'high'] as const),
  }
  const data: GardenData = {
    garden: {
      ...demo.garden,
      tools: OWNED.filter(() => random.uniform() < 0.7),
      rules: { ...USUAL_RULES, seedSet: one(['never', 'allowed'] as const) },
    },
    beds: [bed],
    stands: earlier(bed, today, one([null, 'cabbage', 'tomato', 'oats'])),
    checks: [],
  }
  const cropId = one(['', ...CROPS, ...CROPS].filter((id) => id === '' || findCrop(id)))
  const form = chooseForm(bed, today, today + 600, 'metric').parse({
    ...startingForm(null, null, undefined, today),
    cropId,
    establishment: findCrop(cropId)?.establishment ?? 'transplant',
    neededBy: cropId === '' && below(2) === 0 ? '' : isoDate(today + 60 + below(180)),
  })
  const ids = SPECIES.filter(() => random.uniform() < 0.25)
  const components = (ids.length > 0 ? ids : [one(SPECIES)]).map((speciesId) => ({
    speciesId,
    share: ids.length > 1 ? 0.6 : 1,
  }))
  return { data, bed, today, form, components }
}
