import { parseArgs } from 'node:util'
import floors from '../validation/floors.json'
import { inside, judgeFiles, printVerdicts, PUBLIC_CASES } from './cases'
import { coverageHolds } from './coverage'
import { isoDate, dayNumber } from '../src/core/foundations/day'
import { shareOf, quantilesOf, type Quantiles } from '../src/core/foundations/statistics'
import { stageDays, dateQuantiles, quantilesOn, valuesOn } from '../src/core/stand/summary'
import { MADE_COVERS, readMadePictures } from '../src/core/testing/pictures'
import { growStand } from '../src/core/testing/stands'
import { TEST_SITES } from '../src/core/testing/sites'

/**
 * Prints what the model gives against published ranges, how cover is read from made-up pictures, and how often its own
 * ranges hold a hidden truth: `npm run validate [members] [seasons]`. Ends with an error where something is out, or where
 * fewer of the published cases hold than the floor in `validation/floors.json`, which may only rise.
 *
 * `npm run validate -- --cases FILE --sites FILE` runs any other file of the same format with 200 members and ends with how
 * many of its checks hold.
 */
const { values: asked, positionals } = parseArgs({
  args: process.argv.slice(3),
  allowPositionals: true,
  options: { cases: { type: 'string' }, sites: { type: 'string' } },
})
const ALL_MEMBERS = 200
if (asked.cases || asked.sites) {
  const files = { cases: asked.cases ?? PUBLIC_CASES.cases, sites: asked.sites ?? PUBLIC_CASES.sites }
  const verdicts = judgeFiles(files, ALL_MEMBERS)
  printVerdicts(verdicts)
  console.log(`\n${inside(verdicts)} of ${verdicts.length} inside`)
  process.exit(0)
}
const members = Number(positionals[0] ?? ALL_MEMBERS)
const seasons = Number(positionals[1] ?? 240)

type Row = { what: string; expected: string; got: string; ok: boolean }
const rows: Row[] = []

function dateRow(what: string, days: Float64Array, from: string, to: string): number {
  const { quantiles: spread } = dateQuantiles(days)
  const got = spread ? isoDate(Math.round(spread.p50)) : 'never'
  rows.push({ what, expected: `${from} – ${to}`, got, ok: spread !== null && got >= from && got <= to })
  return spread ? Math.round(spread.p50) : NaN
}

function numberRow(
  what: string,
  spread: Quantiles | number | null,
  low: number,
  high: number,
  unit: string,
): void {
  const value = typeof spread === 'number' ? spread : (spread?.p50 ?? NaN)
  rows.push({
    what,
    expected: `${low}–${high} ${unit}`,
    got: value.toFixed(value < 10 ? 2 : 0),
    ok: value >= low && value <= high,
  })
}

const { pennsylvania, maryland, alabama, netherlands, canterbury } = TEST_SITES
const ratio = (a: Float64Array, b: Float64Array) => quantilesOf(a.map((value, i) => (100 * value) / b[i]))

function spring(
  name: string,
  { run }: ReturnType<typeof growStand>,
  stage: number,
  dates: [string, string],
  mass: [number, number],
  nitrogen: [number, number] | null,
) {
  const day = dateRow(`${name}: BBCH ${stage}`, stageDays(run, 0, stage), ...dates)
  numberRow(`${name}: t/ha then`, (quantilesOn(run, 'massG', day)?.p50 ?? NaN) / 100, ...mass, 't/ha')
  if (nitrogen)
    numberRow(
      `${name}: % N then`,
      ratio(valuesOn(run, run.nitrogenG, day), valuesOn(run, run.massG, day)),
      ...nitrogen,
      '%',
    )
  return { run, day }
}

spring(
  'rye, Pennsylvania 25 Sep',
  growStand(pennsylvania, 'cereal-rye', '2025-09-25', { members }),
  61,
  ['2026-05-18', '2026-06-05'],
  [5, 10],
  [0.9, 1.8],
)
spring(
  'vetch, Pennsylvania 1 Sep',
  growStand(pennsylvania, 'hairy-vetch', '2025-09-01', { members }),
  65,
  ['2026-05-25', '2026-06-12'],
  [3.5, 7],
  [3, 4.2],
)
const vetch = spring(
  'vetch, Maryland 20 Sep',
  growStand(maryland, 'hairy-vetch', '2025-09-20', { members }),
  65,
  ['2026-05-03', '2026-05-25'],
  [3.5, 6.5],
  null,
)
numberRow(
  'vetch, Maryland 20 Sep: kg N/ha then',
  (quantilesOn(vetch.run, 'nitrogenG', vetch.day)?.p50 ?? NaN) * 10,
  110,
  210,
  'kg/ha',
)
spring(
  'crimson clover, Alabama 20 Oct',
  growStand(alabama, 'crimson-clover', '2025-10-20', { members }),
  65,
  ['2026-03-25', '2026-04-20'],
  [3, 6.5],
  [2.2, 3.3],
)
dateRow(
  'rye, Canterbury 10 Apr: BBCH 61',
  stageDays(growStand(canterbury, 'cereal-rye', '2025-04-10', { members }).run, 0, 61),
  '2025-10-05',
  '2025-11-15',
)

const oats = growStand(pennsylvania, 'oats', '2025-08-20', { members, days: 220 }).run
numberRow(
  'oats, Pennsylvania 20 Aug: t/ha 15 Nov',
  (quantilesOn(oats, 'massG', dayNumber('2025-11-15'))?.p50 ?? NaN) / 100,
  2,
  5,
  't/ha',
)
const alive = valuesOn(oats, oats.species[0].alive, dayNumber('2026-03-01'))
numberRow(
  'oats, Pennsylvania 20 Aug: dead by 1 Mar',
  100 * shareOf(members, (m) => alive[m] <= 0.1),
  90,
  100,
  '%',
)

const buckwheat = growStand(pennsylvania, 'buckwheat', '2025-07-01', { members, days: 80 })
numberRow(
  'buckwheat, Pennsylvania 1 Jul: days to flower',
  (dateQuantiles(stageDays(buckwheat.run, 0, 61)).quantiles?.p50 ?? NaN) - buckwheat.sowDay,
  25,
  35,
  'd',
)
numberRow(
  'buckwheat, Pennsylvania 1 Jul: t/ha at 45 d',
  (quantilesOn(buckwheat.run, 'massG', buckwheat.sowDay + 45)?.p50 ?? NaN) / 100,
  2,
  4.5,
  't/ha',
)
const sorghum = growStand(pennsylvania, 'sorghum-sudangrass', '2025-06-15', { members, days: 80 })
numberRow(
  'sorghum-sudangrass, Pennsylvania 15 Jun: t/ha at 60 d',
  (quantilesOn(sorghum.run, 'massG', sorghum.sowDay + 60)?.p50 ?? NaN) / 100,
  4,
  9,
  't/ha',
)
const radish = growStand(netherlands, 'oilseed-radish', '2025-08-15', { members, days: 100 }).run
numberRow(
  'oilseed radish, Netherlands 15 Aug: t/ha 10 Nov',
  (quantilesOn(radish, 'massG', dayNumber('2025-11-10'))?.p50 ?? NaN) / 100,
  2,
  4.5,
  't/ha',
)

function residueRows() {
  const end = dayNumber('2026-05-15')
  const killed = (species: string, sown: string) =>
    growStand(maryland, species, sown, {
      members,
      days: 330,
      events: [{ day: end, kind: 'end', topLeft: 0, survival: () => 0 }],
    }).run
  const rye = killed('cereal-rye', '2025-09-25')
  const start = valuesOn(rye, rye.residueG, end)
  const later = valuesOn(rye, rye.residueG, end + 49)
  numberRow(
    'rye residue, Maryland: mass lost in 7 weeks',
    ratio(
      start.map((value, i) => value - later[i]),
      start,
    ),
    15,
    40,
    '%',
  )
  numberRow(
    'rye residue, Maryland: net nitrogen in 4 weeks',
    quantilesOf(
      valuesOn(rye, rye.releasedG, end + 28).map(
        (value, i) => 10 * (value - valuesOn(rye, rye.releasedG, end)[i]),
      ),
    ),
    -60,
    0,
    'kg/ha',
  )
  const soft = killed('hairy-vetch', '2025-09-20')
  const base = valuesOn(soft, soft.residueG, end)
  const rest = valuesOn(soft, soft.residueG, end + 35)
  numberRow(
    'vetch residue, Maryland: mass lost in 5 weeks',
    ratio(
      base.map((value, i) => value - rest[i]),
      base,
    ),
    35,
    65,
    '%',
  )
  const nitrogen = (day: number) => valuesOn(soft, soft.residueNitrogenG, day)
  const atEnd = nitrogen(end)
  const half = Float64Array.from(atEnd, (value, i) => {
    for (let day = 1; day < 120; day++) if (nitrogen(end + day)[i] <= value / 2) return day / 7
    return NaN
  })
  numberRow(
    'vetch residue, Maryland: half its nitrogen has left after',
    quantilesOf(half)?.p50 ?? NaN,
    3,
    7,
    'weeks',
  )
  numberRow(
    'vetch residue, Maryland: net nitrogen in 5 weeks',
    quantilesOf(
      valuesOn(soft, soft.releasedG, end + 35).map(
        (value, i) => 10 * (value - valuesOn(soft, soft.releasedG, end)[i]),
      ),
    ),
    15,
    90,
    'kg/ha',
  )
}
residueRows()

const PICTURES: [string, Parameters<typeof readMadePictures>[0], number][] = [
  ['plants on soil', {}, 5],
  ['hard light', { light: 'hard' }, 10],
  ['straw background', { ground: 'straw' }, 10],
  ['blurred', { blurPx: 2 }, 10],
  ['hard light on straw', { light: 'hard', ground: 'straw' }, 10],
]
for (const [name, how, limit] of PICTURES)
  numberRow(
    `cover from a picture, ${name}: worst of ${3 * MADE_COVERS.length}`,
    readMadePictures(how, MADE_COVERS, 240).points,
    0,
    limit,
    'points',
  )

console.log(`${members} members\n`)
for (const { what, expected, got, ok } of rows)
  console.log(`${ok ? 'ok  ' : 'OUT '} ${what.padEnd(58)} expected ${expected.padEnd(26)} got ${got}`)
console.log(`\n${rows.filter((row) => row.ok).length} of ${rows.length} within range`)
if (!rows.every((row) => row.ok)) process.exitCode = 1

/** With fewer members some cases at the edge of their range fall the other way. */
const EDGE_CASES = members < ALL_MEMBERS ? 4 : 0
const verdicts = judgeFiles(PUBLIC_CASES, members)
console.log('')
printVerdicts(verdicts)
const least = floors.publicInside - EDGE_CASES
console.log(`\n${inside(verdicts)} of ${verdicts.length} inside (floor ${least})`)
if (inside(verdicts) < least) process.exitCode = 1

if (!coverageHolds(seasons)) process.exitCode = 1
