import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { toolKind, type Tool } from '../garden/tool'
import { testBed, testTool } from '../testing/beds'
import { wantsDryGround, canEnter, toolsOn } from './entering'
import { findMethod } from './methods'
import { obstacleOf } from './obstacles'
import { MOWS, passMinutes, cuttingTool, quickestTool, toolMinutes } from './workRates'

const framed = { ...testBed, kind: 'framed' as const, widthM: 1.2 }
const planter = { ...testBed, kind: 'planter' as const }
const post = { id: 'post', kind: 'post' as const, label: 'Post', areaM2: 0.01, place: null }
const whole = { kind: 'whole' as const }

describe('which tools go into a bed', () => {
  test('wheels into no planter, and into a frame only what is lifted over it and fits', () => {
    expect(canEnter({ kind: 'mower', widthM: 0.4 }, framed, whole)).toBe(true)
    expect(canEnter({ kind: 'mower', widthM: 1.4 }, framed, whole)).toBe(false)
    expect(canEnter({ kind: 'flail mower', widthM: 0.6 }, framed, whole)).toBe(false)
    for (const kind of ['mower', 'tiller', 'flail mower', 'scythe'] as const)
      expect(canEnter({ kind, widthM: null }, planter, whole)).toBe(false)
    for (const kind of toolKind.options) expect(canEnter({ kind, widthM: null }, testBed, whole)).toBe(true)
  })
  test('nothing is driven or swung among posts', () => {
    const posts = { ...testBed, fixtures: [post] }
    expect(
      toolsOn([testTool('scythe'), testTool('hand shears'), testTool('tiller')], posts, whole),
    ).toMatchObject({
      tools: [{ kind: 'hand shears' }],
      keptOut: [{ kind: 'scythe' }, { kind: 'tiller' }],
    })
  })
  test('a way that wants what is owned but cannot go in says so, not that it is missing', () => {
    const { tools, keptOut } = toolsOn([testTool('tiller')], framed, whole)
    const place = {
      bed: framed,
      segment: { kind: 'whole' as const },
      tools,
      keptOut,
      livestock: [],
      plants: [],
    }
    expect(obstacleOf(findMethod('turn')!, place)).toMatchObject({
      code: 'cannot enter',
      keptOut: ['tiller'],
      by: 'frame',
    })
    expect(obstacleOf(findMethod('turn')!, { ...place, keptOut: [] })).toMatchObject({ code: 'tools' })
  })
})

describe('steep ground', () => {
  const on = (slopePct: number) => ({ ...testBed, slopePct })
  const kinds = (slopePct: number) =>
    toolKind.options.filter((kind) => !canEnter({ kind, widthM: null }, on(slopePct), whole))
  test('the steeper, the fewer tools go there, those of a tractor first; what is carried always does', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }), (a, b) => {
        const [less, more] = [kinds(Math.min(a, b)), kinds(Math.max(a, b))]
        expect(less.every((kind) => more.includes(kind))).toBe(true)
        expect(more).not.toContain('scythe')
        expect(more).not.toContain('trimmer')
      }),
    )
    expect(kinds(12)).toEqual([])
    expect(kinds(20)).toEqual(['tractor mower', 'roller crimper'])
    expect(kinds(30)).toContain('flail mower')
    expect(kinds(30)).not.toContain('mower')
  })
  test('it is said that the slope keeps them out, not that they are missing', () => {
    const { tools, keptOut } = toolsOn([testTool('tiller')], on(30), whole)
    const place = { bed: on(30), segment: whole, tools, keptOut, livestock: [], plants: [] }
    expect(obstacleOf(findMethod('turn')!, place)).toMatchObject({ code: 'cannot enter', by: 'slope' })
  })
})

describe('ground that bears the work', () => {
  const wants = (id: 'turn' | 'chop' | 'tarp' | 'crimp', kinds: readonly Tool['kind'][]) =>
    wantsDryGround(
      findMethod(id)!,
      kinds.map((kind) => testTool(kind)),
    )
  test('turning always waits for it, cutting only where all that cuts is driven, a sheet never', () => {
    expect(wants('turn', ['spade or fork'])).toBe(true)
    expect(wants('chop', ['tractor mower'])).toBe(true)
    expect(wants('chop', ['tractor mower', 'scythe'])).toBe(false)
    expect(wants('tarp', ['black tarp', 'tractor mower'])).toBe(false)
    // The roller is taken wherever there is one, and a board is not.
    expect(wants('crimp', ['crimp board', 'roller crimper'])).toBe(true)
    expect(wants('crimp', ['crimp board'])).toBe(false)
  })
})

describe('machines', () => {
  const owned = (kinds: readonly Tool['kind'][]) => kinds.map((kind) => testTool(kind))
  /** Ground that is twice as wide as any machine, or as long as it is wide. */
  const on = (areaM2: number) => ({ areaM2, widthM: Math.sqrt(areaM2) })
  test('the quickest depends on the ground: shears on a box, a tractor on a field', () => {
    const all = owned(MOWS)
    expect(quickestTool(MOWS, on(1), all)).toBe('hand shears')
    expect(quickestTool(MOWS, on(2000), all)).toBe('tractor mower')
    expect(toolMinutes('flail mower', on(30_000), all) / 60).toBeLessThan(40)
    expect(toolMinutes('hand shears', on(3), all)).toBeLessThan(10)
  })
  test('a flail cuts what shears and scythe no longer do', () => {
    expect(cuttingTool(owned(['hand shears', 'scythe']), 0.8, on(10))).toBeNull()
    expect(cuttingTool(owned(['hand shears', 'flail mower']), 0.8, on(10))).toBe('flail mower')
  })
  test('a second pass never makes the whole quicker, and another tool never slower', () => {
    const method = findMethod('chop')!
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 30_000 }),
        fc.subarray([...MOWS], { minLength: 1 }),
        fc.constantFrom(...MOWS),
        (areaM2, kinds, another) => {
          const minutes = (passes: number, tools: Tool[]) =>
            passes * passMinutes(method, on(areaM2), tools, (group) => quickestTool(group, on(areaM2), tools))
          expect(minutes(2, owned(kinds))).toBeGreaterThan(minutes(1, owned(kinds)))
          expect(minutes(1, owned([...kinds, another]))).toBeLessThanOrEqual(minutes(1, owned(kinds)) + 1e-9)
        },
      ),
    )
  })
})
