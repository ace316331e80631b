import type { z } from 'zod'
import { describe, expect, test } from '@jest/globals'
import { METHODS, findMethod, type MethodId } from '../../core/termination/methods'
import { testBed, testCover, testTool } from '../../core/testing/beds'
import { findSpecies } from '../../core/plants/catalogue'
import { dayNumber } from '../../core/foundations/day'
import { countForm, endForm, liftForm, startForm } from './forms'
import { problemsOf } from '../../parts/form/testing'
import { CUT_KINDS, cutForm, cutOf } from './cutForm'
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
    untilThin: false,
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
  test('an imperial garden reads no metric unit in the plan of any way', () => {
    const hens = { id: 'h', kind: 'hens' as const, head: 4, penLengthM: 2, penWidthM: 1.2 }
    for (const { id } of METHODS.filter((entry) => !entry.waits)) {
      const film = { p10: 4, p50: 20, p90: 60 }
      const words = plan(id, { units: 'imperial', livestock: [hens], film })
      const said = [...words.steps, ...words.materials.flatMap(({ what, amount }) => [what, amount])]
      for (const text of said)
        expect(text).not.toMatch(/\d\s?(?:m²|m³|cm|mm|m|kg|g|l|litres|°C)(?![\p{L}\d])/u)
    }
    const words = plan('clear-sheet', { units: 'imperial', film: { p10: 10, p50: 20, p90: 60 } })
    expect(words.steps.join(' ')).toMatch(/18 to 108 degree days above 104\s°F.*want 108, cereals 162/)
    expect(words.steps.join(' ')).toMatch(/bury its edges 6 in deep/)
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
    expect(words.materials.map(({ what }) => what)).toContain('Weights of about 8\u00a0kg')
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
    expect(words.steps.join(' ')).toMatch(/4 to 60 degree days above 40\s°C.*soft covers want 60, cereals 90/)
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
  const cut = {
    kind: 'mulch' as const,
    day: '2026-05-01',
    heightCm: '8',
    groundShare: '100',
    fate: 'carried off' as const,
    speciesId: '',
    toBedId: 'b2',
    note: '',
  }
  const stand = testCover('cereal-rye', '2025-09-25')
  const schema = cutForm(stand, today + 400, 'metric')
  test.each([
    [{ day: 'soon' }, 'day', /exists/],
    [{ day: '2025-09-25' }, 'day', /It was sown on/],
    [{ heightCm: '' }, 'heightCm', /must be a number/],
    [{ heightCm: '300' }, 'heightCm', /between 0 and 200.cm/],
    [{ groundShare: '0' }, 'groundShare', /above 0 and at most 100.%/],
  ] as const)('%j', (part, field, message) =>
    expect(problemsOf(schema, { ...cut, ...part })).toEqual({ [field]: expect.stringMatching(message) }),
  )
  test('a decimal comma is understood; where it goes is kept only when it is carried off', () => {
    const read = (part: Partial<z.input<typeof schema>>) => cutOf(schema.parse({ ...cut, ...part }))
    expect(read({ heightCm: '7,5' })).toMatchObject({ heightCm: 7.5, groundShare: 1, toBedId: 'b2' })
    expect(read({ fate: 'dropped' }).toBedId).toBeUndefined()
  })
  test('inches in an imperial garden, and limits told in them', () => {
    const imperial = cutForm(stand, today + 400, 'imperial')
    expect(cutOf(imperial.parse({ ...cut, heightCm: '3' })).heightCm).toBeCloseTo(7.62)
    expect(problemsOf(imperial, { ...cut, heightCm: '100' }).heightCm).toMatch(/78.7.in/)
  })
  test('every kind of cut starts from sensible values', () => {
    for (const { id, heightCm, sharePct } of CUT_KINDS)
      expect(
        problemsOf(schema, {
          ...cut,
          kind: id,
          heightCm: String(heightCm),
          groundShare: String(sharePct),
        }),
      ).toEqual({})
  })
})

describe('counts as filled in', () => {
  const count = {
    day: '2026-05-07',
    standing: '4',
    groundM2: '1',
    before: '40',
    speciesId: '',
    note: '',
  }
  test.each([
    [{ day: '2026-05-20' }, 'day', /once it is done/],
    [{ day: '2026-04-01' }, 'day', /ended after that/],
    [{ standing: '' }, 'standing', /must be a number/],
    [{ standing: '2.5' }, 'standing', /whole number/],
    [{ groundM2: '0' }, 'groundM2', /between 0.01 and/],
    [{ standing: '50' }, 'before', /More stand again/],
  ] as const)('count %j', (part, field, message) => {
    const problems = problemsOf(countForm(20_570, 20_582, 'metric'), { ...count, ...part })
    expect(problems).toEqual({ [field]: expect.stringMatching(message) })
  })
})

describe('a sheet that comes off', () => {
  test.each([
    ['2026-06-10', undefined],
    ['2026-06-11', /once it is done/],
    ['2026-05-01', /laid on 2026-05-01/],
    ['2026-06-31', /date that exists/],
  ])('on %s', (lifted, problem) => {
    const said = problemsOf(liftForm('2026-05-01', dayNumber('2026-06-10')), { day: lifted }).day
    if (problem) expect(said).toMatch(problem)
    else expect(said).toBeUndefined()
  })
})

describe('an end as filled in', () => {
  const done = {
    method: 'chop' as const,
    passes: '1' as const,
    doneOn: '2026-05-01',
    by: '',
    minutes: '',
    materials: '',
    hurt: '',
    note: '',
  }
  const sown = dayNumber('2026-04-01')
  test.each([
    [{ doneOn: '2026-05-03' }, 'doneOn', /once it is done/],
    [{ doneOn: '2026-03-01' }, 'doneOn', /It was sown on 2026-04-01/],
    [{ minutes: 'long' }, 'minutes', /must be a number, or left empty/],
    [{ hurt: '1,5' }, 'hurt', /must be a whole number/],
  ] as const)('%j', (part, field, message) =>
    expect(problemsOf(endForm(sown, dayNumber('2026-05-01'), 'metric'), { ...done, ...part })).toEqual({
      [field]: expect.stringMatching(message),
    }),
  )
  test.each([
    ['2026-03-01', /It was sown on 2026-04-01/],
    ['2026-06-02', /before the planting date/],
    ['soon', /or leave it empty/],
  ])('begun on %s', (startDate, message) =>
    expect(problemsOf(startForm(sown, dayNumber('2026-06-01')), { startDate }).startDate).toMatch(message),
  )
})
