import errors from '../validation/errors.json'
import floors from '../validation/floors.json'
import { coverageOf, type Coverage } from '../src/core/testing/coverage/coverage'
import { SOURCES, type Source } from '../src/core/testing/coverage/hiddenStand'

/** Seasons below which chance alone may carry a share past its limits, by so much. */
const FEW_SEASONS = 200
const BY_CHANCE = 0.12

/** All errors together, and the model's own truth, are held to a range; a source alone only to its lower end. */
const heldToRange = (source: Source) => source === 'the model itself' || source === 'all together'

/** Where a share of the 80 % range lies outside its limits. */
function faults(source: Source, { quantity, inside, seasons }: Coverage): string[] {
  const slack = seasons < FEW_SEASONS ? BY_CHANCE : 0
  return (['before', 'after'] as const).flatMap((when) => {
    const low = inside[when] < floors.coverage.least - slack
    const high = heldToRange(source) && inside[when] > floors.coverage.most + slack
    return low || high ? [`${source}: ${quantity} ${when} looks ${(100 * inside[when]).toFixed(0)} %`] : []
  })
}

const percent = (share: number) => `${(100 * share).toFixed(0)} %`.padStart(6)
const short = (value: number) => (value < 1 ? value.toFixed(3) : value.toFixed(1)).padStart(8)

/** What the app tells of a quantity, with all errors together. */
const toldOf = ({ quantity, inside, width }: Coverage) => [
  quantity,
  {
    before: Number(inside.before.toFixed(3)),
    after: Number(inside.after.toFixed(3)),
    widthBefore: Number(width.before.toPrecision(3)),
    widthAfter: Number(width.after.toPrecision(3)),
  },
]

/**
 * Prints how often the 80 % range holds a hidden truth, before any look and after three, with median widths and mean
 * interval scores beside those of a forecast from ten past seasons alone. Tells whether every share lies inside its limits,
 * and what the app says of it.
 */
export function coverageTable(seasons: number): { holds: boolean; told: object } {
  console.log(`\nhow often the 80 % range holds, ${seasons} hidden seasons of each kind`)
  console.log(
    'truth             of         seasons  before  after   width before  after   score before  after  past seasons alone',
  )
  let told = {}
  const wrong = SOURCES.flatMap((source) => {
    const all = coverageOf(source, errors, seasons)
    if (source === 'all together') told = Object.fromEntries(all.map(toldOf))
    return all.flatMap((one) => {
      const { quantity, inside, width, score } = one
      console.log(
        `${source.padEnd(17)} ${quantity.padEnd(9)} ${String(one.seasons).padStart(8)}  ${percent(inside.before)} ${percent(inside.after)}       ${short(width.before)}${short(width.after)}       ${short(score.before)}${short(score.after)}   ${short(score.past)}`,
      )
      return faults(source, one)
    })
  })
  for (const fault of wrong) console.log(`OUT  ${fault}`)
  return { holds: wrong.length === 0, told }
}
