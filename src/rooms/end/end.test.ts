import { describe, expect, test } from '@jest/globals'
import { METHODS, findMethod, type MethodId } from '../../core/termination/methods'
import { testBed, testCover, testTool } from '../../core/testing/beds'
import { findSpecies } from '../../core/plants/catalogue'
import { dayNumber } from '../../core/foundations/day'
import { liftProblem } from './liftProblem'
import { countProblems } from './countProblems'
import { CUT_KINDS, cutOf, cutProblems, type CutForm } from './cutForm'
import { planOf } from './planWords'
import type { PlanCase } from './planTypes'

const today = 20_580
const plan = (method: MethodId, own: Partial<PlanCase> = {}) =>
  planOf({
    method: findMethod(method)!,
    passes: 1,
    day: today,
    ground: { lengthM: 10, widthM: 1.2 },
    areaM2: 12,
    bed: testBed,
    segment: { kind: 'whole' },
    tools: (['scythe', 'spade or fork', 'wheelbarrow'] as const)
      .map((kind) => testTool(kind))
      .concat(testTool('crimp board', 1.2), testTool('black tarp', 2, 12), testTool('clear film', 2, 12)),
    plants: [{ plant: findSpecies('cereal-rye')!, bbch: 61 }],
    heightM: 1.2,
    own: {},
    lanes: undefined,
    animals: undefined,
    livestock: [{ id: 'h', kind: 'hens', head: 4, penLengthM: 2, penWidthM: 1.2 }],
    film: null,
    deadDay: today + 20,
    units: 'metric',
    ...own,
  })

describe('work plans in words', () => {
  test('every way that is done by hand has steps, and ends with the edges and the counts', () => {
    for (const method of METHODS.filter((entry) => !entry.waits)) {
      const stock = (['hens', 'pigs', 'sheep'] as const).map((kind) => ({
        id: kind,
        kind,
        head: 3,
        penLengthM: kind === 'hens' ? 2 : null,
        penWidthM: kind === 'hens' ? 1.2 : null,
      }))
      const words = plan(method.id, { livestock: stock })
      expect(words.steps.length).toBeGreaterThanOrEqual(3)
      expect(words.steps.at(-1)).toMatch(/7, 14 and 21 days/)
      for (const text of [...words.steps, ...words.materials.map(({ amount }) => amount)])
        expect(text).not.toMatch(/NaN|undefined|Infinity/)
    }
  })
  test('a crimp plan counts its steps and says what its edge carries', () => {
    const words = plan('crimp')
    expect(words.board).toMatchObject({ steps: 40, runs: 1 })
    // 75 kg on 1.2 m of edge: between what a heavy roller leaves and what boots do.
    expect(words.steps[0]).toMatch(/Expected that day: cereal rye, pollen starts \(31\s% would outlive it\)/)
    expect(words.steps[1]).toMatch(/every 25\scm: 40 steps in one run/)
    expect(words.steps[2]).toMatch(/63\skg on each metre of edge; that is little/)
    expect(words.steps[3]).toMatch(
      /cereal rye 15\s% under a heavy roller, 31\s% under this board, 49\s% only walked on/,
    )
    const short = plan('crimp', { tools: [{ ...testTool('crimp board', 0.6), loadKg: 75 }] })
    expect(short.steps[0]).toMatch(/\(15\s% would outlive it\)/)
    expect(plan('crimp', { tools: [] }).problem).toMatch(/No crimp board is on your list/)
    expect(
      plan('crimp', { bed: { ...testBed, kind: 'framed' }, tools: [testTool('crimp board', 1.4)] }).problem,
    ).toMatch(/Cut one of 1.16\sm/)
  })
  test('a tarp plan weighs its edges, waters, and names half time', () => {
    const words = plan('tarp')
    expect(words.materials.map(({ what }) => what)).toContain('Weights of about 8 kg')
    expect(words.steps.join(' ')).toMatch(/Half time about .* lift a corner/)
    expect(plan('tarp', { tools: [testTool('black tarp', 1, 4)] }).problem).toMatch(
      /One of 10.4\sm × 1.6\sm would/,
    )
  })
  test('combinations carry the steps of both', () => {
    const both = plan('crimp-tarp')
    expect(both.board).not.toBeNull()
    expect(both.sheet).not.toBeNull()
    const box = plan('chop-cardboard')
    expect(box.cuts).toHaveLength(1)
    expect(box.cardboard!.sheets).toBeGreaterThan(20)
    expect(plan('strips', { lanes: { count: 4, everyDays: 5 } }).lanes).toHaveLength(4)
  })
  test('clear film wants water and tells the sun that is expected', () => {
    const words = plan('clear-sheet', { film: { p10: 4, p50: 20, p90: 60 } })
    expect(words.clear).toBe(true)
    expect(words.steps.join(' ')).toMatch(/4 to 60 °C d of heat/)
  })
  test('compost: tillering rye asks for 12 cm; a frame asks for room', () => {
    expect(plan('bury').cover).toMatchObject({ depthM: 0.12, barrows: 18 })
    expect(plan('bury', { bed: { ...testBed, kind: 'framed' } }).steps.join(' ')).toMatch(
      /room below its rim/,
    )
  })
  test('no tools, hard stems and unmeasured pens are named with the fix', () => {
    expect(plan('chop', { tools: [] }).problem).toMatch(/Tick what you own/)
    const stalks = {
      plants: [{ plant: findSpecies('sunflower')!, bbch: 85 }],
      heightM: 2,
    }
    expect(plan('chop', stalks).problem).toMatch(/too hard/)
    expect(plan('hens', { livestock: [] }).problem).toMatch(/No animals/)
    const hens = { id: 'h', kind: 'hens' as const, head: 4, penLengthM: null, penWidthM: null }
    expect(plan('hens', { livestock: [hens] }).problem).toMatch(/Measure it/)
    expect(plan('hens').stops).toHaveLength(10)
  })
  test('hens are told the slower last round and the grain for it', () => {
    const words = plan('hens')
    expect(words.steps[0]).toMatch(
      /every 2 days.*2 rounds with 7 days of rest between, 4 days on each stop of the last/,
    )
    expect(words.materials).toContainEqual({
      what: 'Grain to scatter',
      amount: expect.stringMatching(/^1\.6\skg$/),
    })
  })
  test('in feet and gallons too', () => {
    const words = plan('tarp', { units: 'imperial' })
    expect(words.materials.find(({ what }) => what.startsWith('Water'))!.amount).toMatch(/gal/)
  })
})

describe('cuts as filled in', () => {
  const form: CutForm = {
    date: '2026-05-01',
    heightCm: '8',
    sharePct: '100',
    fate: 'carried off',
    speciesId: '',
    toBedId: 'b2',
    note: '',
  }
  const stand = testCover('cereal-rye', '2025-09-25')
  test.each([
    [{ date: 'soon' }, 'date', /exists/],
    [{ date: '2025-09-25' }, 'date', /It was sown on/],
    [{ heightCm: '' }, 'heightCm', /0 to 200/],
    [{ heightCm: '300' }, 'heightCm', /0 to 200/],
    [{ sharePct: '0' }, 'sharePct', /1 to 100/],
  ] as const)('%j', (part, field, message) =>
    expect(cutProblems({ ...form, ...part }, stand, today + 400)[field]).toMatch(message),
  )
  test('a decimal comma is understood; where it goes is kept only when it is carried off', () => {
    expect(cutProblems({ ...form, heightCm: '7,5' }, stand, today + 400)).toEqual({})
    expect(cutOf({ ...form, heightCm: '7,5' })).toMatchObject({
      heightCm: 7.5,
      groundShare: 1,
      toBedId: 'b2',
    })
    expect(cutOf({ ...form, fate: 'dropped' }).toBedId).toBeUndefined()
  })
  test('every kind of cut starts from sensible values', () => {
    for (const kind of CUT_KINDS)
      expect(
        cutProblems(
          { ...form, heightCm: String(kind.heightCm), sharePct: String(kind.sharePct) },
          stand,
          today + 400,
        ),
      ).toEqual({})
  })
})

describe('counts as filled in', () => {
  const count = { date: '2026-05-07', standing: '4', ground: '1', before: '40' }
  test.each([
    [{ date: '2026-05-20' }, 'date', /once it is made/],
    [{ date: '2026-04-01' }, 'date', /ended after that/],
    [{ standing: '' }, 'standing', /0 is a count too/],
    [{ standing: '2.5' }, 'standing', /whole plants/],
    [{ ground: '0' }, 'ground', /more than 0/],
    [{ standing: '50' }, 'before', /More stand again/],
  ] as const)('count %j', (part, field, message) => {
    const problems = countProblems({ ...count, ...part }, 20_570, 20_582)
    expect(problems[field]).toMatch(message)
  })
})

describe('a sheet that comes off', () => {
  const day = dayNumber('2026-06-10')
  test.each([
    ['2026-06-10', undefined],
    ['2026-06-11', /once the sheet is off/],
    ['2026-05-01', /laid on 2026-05-01/],
    ['2026-06-31', /date that exists/],
  ])('on %s', (date, problem) => {
    const said = liftProblem(date, '2026-05-01', day)
    if (problem) expect(said).toMatch(problem)
    else expect(said).toBeUndefined()
  })
})
