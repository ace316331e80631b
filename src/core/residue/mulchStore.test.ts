import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { dayNumber, isoDate } from '../foundations/day'
import { segmentAreaM2 } from '../garden/area'
import type { MulchLaid, MulchLoad } from '../garden/mulch'
import type { GardenData, Stand } from '../garden/schema'
import { standCaseOf } from '../season/standCase'
import { testBed, testCover } from '../testing/beds'
import { HOLDING_G, mulchDepthM } from './mulch'
import { expectedMulch, holdsWeedsKgM2, laidDepthM, laidOn, MULCH_FACTS, mulchStore } from './mulchStore'

const load = (id: string, kg: number, own: Partial<MulchLoad> = {}): MulchLoad => ({
  id,
  kind: 'straw',
  broughtOn: '2026-03-01',
  kg,
  seeds: 'none',
  sprayed: 'none',
  ...own,
})
const laid = (sourceId: string, kg: number, date = '2026-04-01'): MulchLaid => ({
  id: `${sourceId} ${kg} ${date}`,
  date,
  bedId: testBed.id,
  sourceId,
  kg,
})
const hay = (own: object): Stand =>
  testCover('cereal-rye', '2025-09-20', {
    cuts: [
      {
        id: 'hay',
        cut: {
          plan: null,
          actual: {
            date: '2026-05-12',
            heightCm: 10,
            groundShare: 1,
            fate: 'carried off',
            note: '',
            took: { massKg: 8, nitrogenG: 120 },
            ...own,
          },
        },
      },
    ],
  })
const dataOf = (mulch: MulchLoad[], mulchLaid: MulchLaid[], stands: Stand[] = []) =>
  ({ garden: { mulch, mulchLaid, tools: [] }, beds: [testBed], stands, checks: [] }) as unknown as GardenData

describe('mulch in store', () => {
  test('what came in is what was laid and what is left', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 500 }), { minLength: 1, maxLength: 4 }),
        fc.array(
          fc.record({
            of: fc.nat(3),
            share: fc.double({ min: 0.01, max: 0.3, noNaN: true }),
            owed: fc.boolean(),
          }),
          {
            maxLength: 3,
          },
        ),
        (loads, lays) => {
          const data = dataOf(
            loads.map((kg, i) => load(`m${i}`, kg)),
            lays.map(({ of, share, owed }, i) => ({
              ...laid(`m${of % loads.length}`, share * loads[of % loads.length], `2026-04-0${i + 1}`),
              owed,
            })),
          )
          const store = mulchStore(data)
          for (const { inKg, laidKg, owedKg, leftKg } of store)
            expect(laidKg + owedKg + leftKg).toBeCloseTo(inKg, 6)
          const areaM2 = segmentAreaM2(testBed, { kind: 'whole' })
          const onBedKg = laidOn(data, testBed).reduce((sum, { massG }) => sum + massG * areaM2, 0) / 1000
          expect(onBedKg).toBeCloseTo(
            store.reduce((sum, { laidKg, owedKg }) => sum + laidKg + owedKg, 0),
            6,
          )
        },
      ),
    )
  })
  test('growth carried off to the store lies there, what went to a bed does not', () => {
    expect(mulchStore(dataOf([], [], [hay({})]))).toMatchObject([
      { sourceId: 'hay', kind: 'grown here', inKg: 8, leftKg: 8, nitrogenGPerKg: 15 },
    ])
    expect(mulchStore(dataOf([], [], [hay({ toBedId: 'B' })]))).toEqual([])
    expect(mulchStore(dataOf([], [laid('hay', 3)], [hay({})]))).toMatchObject([{ laidKg: 3, leftKg: 5 }])
  })
  test('lies as deep, and holds weeds by as much, as other rooms tell of the same mulch', () => {
    expect(laidDepthM('straw', 7.3, 10)).toBeCloseTo(mulchDepthM(730))
    expect(holdsWeedsKgM2('hay')).toBeCloseTo(HOLDING_G / 1000)
    expect(laidDepthM('wood chips', holdsWeedsKgM2('wood chips'), 1)).toBeCloseTo(mulchDepthM(HOLDING_G))
  })
  test('wood is kept in the ledger and not followed as it rots', () => {
    const data = dataOf([load('m', 60, { kind: 'wood chips' })], [laid('m', 12)])
    expect(mulchStore(data)).toMatchObject([{ laidKg: 12 }])
    expect(laidOn(data, testBed)).toEqual([])
  })
  test('what is laid on a part lies there alone, twice as thick as on the whole; the halves add up', () => {
    const half = (which: 'first' | 'second') => ({ kind: 'half' as const, which })
    const data = dataOf([load('m', 60)], [{ ...laid('m', 12), segment: half('first') }])
    const areaM2 = segmentAreaM2(testBed, { kind: 'whole' })
    expect(laidOn(data, testBed, half('first'))[0].massG).toBeCloseTo(12_000 / (areaM2 / 2), 6)
    expect(laidOn(data, testBed, half('second'))).toEqual([])
    expect(laidOn(data, testBed)[0].massG).toBeCloseTo(12_000 / areaM2, 6)
    expect(laidOn(data, testBed, { kind: 'path' })).toEqual([])
  })
  test('what is owed and not laid on its day is expected today; what was laid keeps its day', () => {
    const [owed, done, later] = expectedMulch(
      [
        { ...laid('m', 1, '2026-04-01'), owed: true },
        laid('m', 1, '2026-04-01'),
        { ...laid('m', 1, '2026-06-01'), owed: true },
      ],
      dayNumber('2026-05-01'),
    )
    expect([owed, done, later].map(({ date }) => date)).toEqual(['2026-05-01', '2026-04-01', '2026-06-01'])
  })
  test('what is laid lies on the bed in every forecast, with its nitrogen', () => {
    const stand = testCover('cereal-rye', '2025-09-20')
    const data = dataOf([load('m', 60)], [laid('m', 12, '2026-02-01')], [stand])
    const areaM2 = segmentAreaM2(testBed, { kind: 'whole' })
    const [brought] = standCaseOf(data, stand)!.brought!
    expect(isoDate(brought.day)).toBe('2026-02-01')
    expect(brought.day).toBe(dayNumber('2026-02-01'))
    expect((brought.massG * areaM2) / 1000).toBeCloseTo(12)
    expect(brought.nitrogenG / brought.massG).toBeCloseTo(MULCH_FACTS.straw.nitrogen)
  })
})
