import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { standRun } from '../bed/standRun'
import { dayNumber } from '../foundations/day'
import { generatedEnsemble } from '../site/ensemble'
import { endedRun } from '../season/run'
import { underSheet } from '../termination/flattening'
import { doseNeeded, SHIELDED_FACTOR } from '../termination/sheets'
import { findSpecies } from '../plants/catalogue'
import { testTool } from '../testing/beds'
import { testMeans } from '../testing/questions'
import { testPlan } from '../testing/plans'
import { TEST_SITES } from '../testing/sites'
import { evaluate } from './evaluate'
import { cutsFrom, inTurns, USUAL_SEQUENCES, type Sequence } from './inTurns'
import type { Scenario } from './types'

const ensemble = generatedEnsemble(TEST_SITES.maryland, dayNumber('2025-08-01'), 420, 20, 1)
const rye = (plantOn = '2026-07-10', own: Parameters<typeof testPlan>[7] = {}): Scenario => ({
  ...testPlan('cereal-rye', '2025-09-25', '2026-05-01', 'tarp', 'cabbage', plantOn, 7, own),
  today: dayNumber('2026-04-01'),
})
const [mowMowSheet, mowMowChop, hayChop] = USUAL_SEQUENCES

/** The plan with a sequence in it, as it would be kept. */
function kept(
  scenario: Scenario,
  { cuts, end }: { cuts: ReturnType<typeof cutsFrom>; end: object },
): Scenario {
  const { standCase } = scenario
  const planned = cuts.map((plan, i) => ({ id: `c${i}`, cut: { plan, actual: null } }))
  const stand = { ...standCase.stand, cuts: planned, end: { plan: end, actual: null } }
  return { ...scenario, standCase: { ...standCase, stand } as Scenario['standCase'] }
}

describe('acts in turns', () => {
  const [first, second, third] = inTurns(rye(), [mowMowSheet, mowMowChop, hayChop], ensemble)
  test('each is told by the evaluation of the very plan that would be kept', () => {
    for (const { plan } of [first, second, third]) {
      const again = evaluate(kept(rye(), plan!), ensemble)!
      expect(plan!.outcome.chance).toEqual(again.outcome.chance)
    }
  })
  test('mowings lie in their order before the last act, and all of it before the planting', () => {
    for (const { sequence, plan } of [first, second, third]) {
      const days = [...plan!.cuts.map(({ date }) => date), plan!.end.date].map(dayNumber)
      expect(plan!.cuts).toHaveLength(sequence.mowings)
      expect(days).toEqual([...days].sort((a, b) => a - b))
      expect(days.at(-1)).toBeLessThan(dayNumber('2026-07-10'))
    }
  })
  test('cuttings of weeks before shield from a sheet, and it is said; hay says how likely dry days are', () => {
    expect(first.plan!.shielded).toBe(true)
    expect(second.plan!.shielded).toBe(false)
    expect(third.plan!.dryChance).toBeGreaterThan(0)
    expect(second.plan!.dryChance).toBeNull()
  })
  test('what cannot be done says why', () => {
    const bare = rye('2026-07-10', { means: testMeans({ tools: [testTool('black tarp', 2, 12)] }) })
    expect(inTurns(bare, [mowMowSheet], ensemble)[0]).toMatchObject({ obstacle: 'nothing mows', plan: null })
    expect(inTurns(rye(), [USUAL_SEQUENCES[4]], ensemble)[0]).toMatchObject({ obstacle: 'nothing grazes' })
    const late = rye('2026-04-20')
    expect(inTurns(late, [mowMowChop], ensemble)[0]).toMatchObject({ obstacle: 'no time', plan: null })
    const noSheet = rye('2026-07-10', { means: testMeans({ tools: [testTool('scythe')] }) })
    expect(inTurns(noSheet, [mowMowSheet], ensemble)[0].obstacle).toMatchObject({ code: 'tools' })
  })
  test('grazing starts the clock to the harvest, and the plan is told with it', () => {
    const sheep = { id: 's', kind: 'sheep' as const, head: 4, penLengthM: 4, penWidthM: 2 }
    const means = testMeans({ tools: [testTool('black tarp', 2, 12)], livestock: [sheep] })
    const own = { means }
    const radish = testPlan(
      'cereal-rye',
      '2025-09-25',
      '2026-05-01',
      'tarp',
      'radish-salad',
      '2026-07-10',
      7,
      own,
    )
    const { plan } = inTurns({ ...radish, today: dayNumber('2026-04-01') }, [USUAL_SEQUENCES[4]], ensemble)[0]
    const [grazed] = plan!.cuts
    const manure = plan!.outcome.criteria.find(({ detail }) => detail.id === 'manure')!
    // 120 days to a harvest after 28 days in the ground.
    expect(manure.open!.p50).toBe(dayNumber(grazed.date) + 120 - 28)
    expect(manure.chance).toBe(manure.open!.p50 <= dayNumber('2026-07-10') ? 1 : 0)
  })
  test('nothing is mown before it stands, however late it was sown', () => {
    const sequence: Sequence = { ...mowMowChop, mowings: 1 }
    const young = { ...rye(), today: dayNumber('2025-09-26') }
    const begun = (firstDay: string) =>
      inTurns(young, [{ ...sequence, firstDay: dayNumber(firstDay) }], ensemble)[0]
    expect(begun('2025-10-05').obstacle).toBe('nothing to mow')
    expect(begun('2026-05-20').plan!.cuts[0].date).toBe('2026-05-20')
  })
  test('it begins by what stands there and when the ground is wanted, not on a day months before', () => {
    for (const plantOn of ['2026-06-20', '2026-07-10']) {
      const autumn = { ...rye(plantOn), today: dayNumber('2025-10-20') }
      for (const { plan } of inTurns(autumn, [mowMowChop, hayChop], ensemble)) {
        expect(plan!.cuts[0].date > '2026-04-01').toBe(true)
        expect(plan!.outcome.chance.whole).toBeGreaterThan(0.5)
      }
    }
    // Nobody says when: before it bears seed, while it still grows.
    const open = { ...rye(), follows: { kind: 'nothing' as const }, today: dayNumber('2025-11-20') }
    const [{ plan }] = inTurns(open, [hayChop], ensemble)
    expect(plan!.cuts[0].date > '2026-04-15' && plan!.end.date < '2026-07-01').toBe(true)
  })
})

test('in any legal order mass and nitrogen close', () => {
  const sequences = fc.record({
    mowings: fc.integer({ min: 1, max: 4 }),
    everyDays: fc.integer({ min: 3, max: 25 }),
    heightCm: fc.integer({ min: 0, max: 40 }),
    fate: fc.constantFrom('dropped' as const, 'carried off' as const, 'grazed' as const),
    method: fc.constantFrom('chop' as const, 'tarp' as const, 'turn' as const, 'crimp-tarp' as const),
    lastAfterDays: fc.integer({ min: 0, max: 30 }),
  })
  fc.assert(
    fc.property(sequences, fc.integer({ min: 0, max: 60 }), (sequence, after) => {
      const first = dayNumber('2026-03-20') + after
      const last = first + (sequence.mowings - 1) * sequence.everyDays + sequence.lastAfterDays
      const end = {
        date: new Date(last * 864e5).toISOString().slice(0, 10),
        method: sequence.method,
        passes: 1,
        note: '',
      }
      const { standCase } = kept(rye('2026-08-30'), { cuts: cutsFrom(sequence, first), end })
      const { accounts, members } = endedRun(standCase, standRun(standCase, ensemble)!)
      for (const [into, out] of [
        [accounts.massIn, accounts.massOut],
        [accounts.nitrogenIn, accounts.nitrogenOut],
      ])
        for (let m = 0; m < members; m++)
          expect(Math.abs(into[m] - out[m])).toBeLessThan(1e-6 * Math.max(1, into[m]))
    }),
    { numRuns: 20 },
  )
})

describe('what lies under a sheet', () => {
  const cut = (date: string, fate: 'dropped' | 'carried off', heightCm = 8) => ({
    id: date,
    cut: { plan: null, actual: { date, heightCm, groundShare: 1, fate, note: '' } },
  })
  const on = dayNumber('2026-05-20')
  test('cuttings of weeks before, unless they were carried off or have rotted', () => {
    expect(underSheet({ cuts: [cut('2026-05-05', 'dropped')] }, on, true)).toBe('shielded')
    expect(underSheet({ cuts: [cut('2026-05-20', 'dropped')] }, on, true)).toBe('flat')
    expect(underSheet({ cuts: [cut('2026-05-12', 'carried off')] }, on, false)).toBe('flat')
    expect(underSheet({ cuts: [cut('2026-03-01', 'dropped')] }, on, false)).toBe('standing')
  })
  test('shielded plants want at least half as much warmth again', () => {
    const plant = findSpecies('cereal-rye')!
    const dose = (lies: 'flat' | 'shielded') => doseNeeded('black', plant, 45, lies)
    expect(dose('shielded') / dose('flat')).toBeGreaterThanOrEqual(1.5)
    expect(SHIELDED_FACTOR).toBeGreaterThanOrEqual(1.5)
  })
})
