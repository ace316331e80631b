import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { dayNumber } from '../foundations/day'
import type { EndDetails } from '../garden/ending'
import type { EarlierUse } from '../season/cases'
import { endedRun } from '../season/run'
import { generatedEnsemble } from '../site/ensemble'
import { quantilesOn } from '../stand/summary'
import type { StandRun } from '../stand/types'
import { testCase, testCover } from '../testing/beds'
import { growStand } from '../testing/stands'
import { relayed, upperCrop } from '../testing/relay/relayed'
import { RELAY_ROWS } from '../testing/relay/rows'
import { TEST_SITES } from '../testing/sites'
import { aboveOn, throughBed } from './through'
import { standRun } from './standRun'

const MEMBERS = 16
const site = TEST_SITES.maryland
const massOn = (run: StandRun, day: string) => quantilesOn(run, 'massG', dayNumber(day))!.p50

const chopped = (date: string, own: Partial<EndDetails> = {}): EndDetails => ({
  method: 'chop',
  passes: 1,
  note: '',
  date,
  ...own,
})
const rye = (end: EndDetails | null): EarlierUse => ({
  kind: 'cover',
  startDay: dayNumber('2024-09-25'),
  standCase: testCase(testCover('cereal-rye', '2024-09-25', { end: { plan: end, actual: null } })),
})
const clover = (upper: EarlierUse | null, sownOn = '2025-03-15', at = site) =>
  relayed({
    site: at,
    upper,
    speciesId: 'red-clover',
    sownOn,
    covering: 'frost-seeded',
    until: '2025-10-20',
    members: MEMBERS,
  })

describe('a cover sown under a cover', () => {
  const under = clover(rye(chopped('2025-05-20')))
  const open = clover(null)
  test('is held back until what stands above is cut, and grows on after it', () => {
    expect(massOn(under, '2025-05-18')).toBeLessThan(0.4 * massOn(open, '2025-05-18'))
    expect(massOn(under, '2025-09-20')).toBeGreaterThan(3 * massOn(under, '2025-05-18'))
  })
  test('what is cut above it falls on its ground that day, and not before', () => {
    const residue = (day: string) => quantilesOn(under, 'residueG', dayNumber(day))!.p50
    expect(residue('2025-05-18')).toBeLessThan(120)
    expect(residue('2025-05-22')).toBeGreaterThan(residue('2025-05-18') + 300)
  })
  test('a sheet or turning ends both; rolling does not', () => {
    const left = (end: EndDetails) => massOn(clover(rye(end)), '2025-07-01')
    const rolled = left(chopped('2025-05-20', { method: 'crimp' }))
    expect(rolled).toBeGreaterThan(20)
    // Of clover that lives on one turning leaves two fifths alive, and they grow again.
    expect(left(chopped('2025-05-20', { method: 'turn' }))).toBeLessThan(0.5 * rolled)
    expect(left(chopped('2025-05-20', { method: 'tarp' }))).toBeLessThan(0.3 * rolled)
  })
  test('where the upper one is not ended it goes on shading', () => {
    expect(massOn(clover(rye(null)), '2025-06-10')).toBeLessThan(massOn(under, '2025-06-10'))
  })
})

test('under a crop the seedlings share its water and nitrogen, and are freed when it is cleared', () => {
  const cool = TEST_SITES.pennsylvania
  const under = clover(upperCrop('winter-wheat-grain', '2024-10-01', '2025-07-05'), '2025-03-15', cool)
  const open = clover(null, '2025-03-15', cool)
  const mineral = (run: StandRun) => {
    const d = dayNumber('2025-05-20') - run.startDay
    return run.mineralG.reduce(
      (sum, value, at) => (Math.floor(at / run.members) === d ? sum + value : sum),
      0,
    )
  }
  expect(mineral(under)).toBeLessThan(mineral(open))
  expect(massOn(under, '2025-06-20')).toBeLessThan(0.7 * massOn(open, '2025-06-20'))
  expect(massOn(under, '2025-10-01')).toBeGreaterThan(1.2 * massOn(under, '2025-06-20'))
})

test('mass, nitrogen and water close whatever stands above', () => {
  const relays = fc.record({
    upper: fc.constantFrom(
      rye(chopped('2025-05-10')),
      rye(chopped('2025-06-01', { method: 'crimp' })),
      rye(null),
      upperCrop('winter-rye-grain', '2024-10-01', '2025-07-10'),
      upperCrop('tomato', '2025-05-15', '2025-09-25'),
    ),
    after: fc.integer({ min: 0, max: 60 }),
  })
  fc.assert(
    fc.property(relays, ({ upper, after }) => {
      const day = new Date(Date.UTC(2025, 4, 20 + after)).toISOString().slice(0, 10)
      const { accounts, members } = clover(upper, day)
      for (const [into, out] of [
        [accounts.massIn, accounts.massOut],
        [accounts.nitrogenIn, accounts.nitrogenOut],
        [accounts.waterIn, accounts.waterOut],
      ])
        for (let m = 0; m < members; m++)
          expect(Math.abs(into[m] - out[m])).toBeLessThan(1e-6 * Math.max(1, into[m]))
    }),
    { numRuns: 12 },
  )
})

test('the more light is taken above, and the longer, the less grows below once light limits it', () => {
  const shaded = (share: number, days: number) =>
    massOn(
      growStand(site, 'crimson-clover', '2025-08-20', {
        members: MEMBERS,
        days: 120,
        canopyAbove: {
          fromDay: dayNumber('2025-08-20'),
          shares: new Float64Array(days).fill(share),
          frostC: -99,
        },
      }).run,
      '2025-11-20',
    )
  // In its first month leaf grows by warmth alone.
  for (const days of [60, 90]) {
    const masses = [0, 0.3, 0.6, 0.9].map((share) => shaded(share, days))
    for (let i = 1; i < masses.length; i++) expect(masses[i]).toBeLessThan(masses[i - 1])
  }
  expect(shaded(0.9, 90)).toBeLessThan(shaded(0.9, 60))
})

test('what stands above takes most of the light until it is cut, hardly any after, and gives no nitrogen back', () => {
  const ensemble = generatedEnsemble(site, dayNumber('2024-08-10'), 400, MEMBERS, 1)
  const upper = rye(chopped('2025-05-20'))
  const lower = testCover('red-clover', '2025-03-15', { underStandId: 'cereal-rye' })
  const { canopyAbove, crop } = aboveOn(testCase(lower, { upper, before: [upper] }), ensemble)!
  for (let d = 1; d < crop.wantedG.length; d++)
    expect(crop.wantedG[d]).toBeGreaterThanOrEqual(crop.wantedG[d - 1])
  const on = (day: string) => canopyAbove!.shares[dayNumber(day) - canopyAbove!.fromDay]
  expect(on('2025-05-18')).toBeGreaterThan(0.7)
  expect(on('2025-05-25')).toBeLessThan(0.2)
})

test('what follows the relay finds the upper one on its ground once, not twice', () => {
  const ensemble = generatedEnsemble(site, dayNumber('2024-08-10'), 500, MEMBERS, 1)
  const upper = rye(chopped('2025-05-20'))
  const lower: EarlierUse = {
    kind: 'cover',
    startDay: dayNumber('2025-05-18'),
    standCase: testCase(testCover('buckwheat', '2025-05-18', { underStandId: 'cereal-rye' }), { upper }),
  }
  const day = dayNumber('2025-05-24')
  const once = throughBed([upper], testCase(testCover('oats', '2025-08-01')).bed, ensemble, day).at(-1)!
  const both = throughBed([upper, lower], testCase(testCover('oats', '2025-08-01')).bed, ensemble, day).at(
    -1,
  )!
  const massOf = ({ ground: { surface } }: typeof once) =>
    surface.fastG[0] + surface.celluloseG[0] + surface.ligninG[0]
  expect(massOf(both) / massOf(once)).toBeGreaterThan(0.7)
  expect(massOf(both) / massOf(once)).toBeLessThan(1.4)
})

test.each(RELAY_ROWS.map((row) => [row.what, row] as const))('published: %s', (_, row) => {
  const value = row.value(20)
  expect(value).toBeGreaterThanOrEqual(row.low)
  expect(value).toBeLessThanOrEqual(row.high)
})

test('a run with its end in it is that of the stand alone where nothing stands above', () => {
  const ensemble = generatedEnsemble(site, dayNumber('2024-08-10'), 300, MEMBERS, 1)
  const { standCase } = rye(chopped('2025-05-20')) as Extract<EarlierUse, { kind: 'cover' }>
  const alone = standRun(standCase, ensemble)!
  expect(aboveOn(standCase, ensemble)).toBeNull()
  expect(massOn(endedRun(standCase, alone), '2025-05-19')).toBeGreaterThan(300)
})
