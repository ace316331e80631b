import { expect, test } from '@jest/globals'
import { check as checkSchema, type Check } from '../core/garden/check'
import { FRESH_CHECK } from '../core/garden/fresh'
import { stand as standSchema, type Stand } from '../core/garden/schema'
import { testBed, testCover } from '../core/testing/beds'
import type { Write } from '../data/writes'
import { splitStand } from './splitStand'

const rye = testCover('cereal-rye', '2025-09-25')
const bed = { ...testBed, lengthM: 12 }
const look = {
  ...FRESH_CHECK,
  id: 'look',
  gardenId: rye.gardenId,
  standId: rye.id,
  date: '2026-03-01',
  cover: 0.7,
  pictureIds: ['picture'],
} as Check

const weighed: Stand = {
  ...rye,
  start: {
    ...rye.start,
    actual: { ...rye.start.actual!, components: [{ ...componentOf(rye), grams: 120 }] },
  },
  cuts: [
    {
      id: 'cut',
      cut: {
        plan: null,
        actual: {
          date: '2026-03-20',
          heightCm: 10,
          groundShare: 1,
          fate: 'carried off',
          note: '',
          took: { massKg: 3, nitrogenG: 60 },
        },
      },
    },
  ],
  end: {
    plan: { date: '2026-05-20', method: 'strips', passes: 1, note: '', lanes: { count: 4, everyDays: 7 } },
    actual: null,
  },
}

function componentOf({ content }: Stand) {
  if (content.kind !== 'cover') throw new Error('A cover.')
  return content.components[0]
}
const upTo = (toM: number) => ({ fromM: 0, toM, fromAcrossM: 0, toAcrossM: bed.widthM })
const puts = (writes: readonly Write[], table: string) =>
  writes.flatMap((write) => (write.table === table && 'put' in write ? [write.put] : []))

test('parted, seed and cuttings are shared by the ground, either part keeps the looks, and nothing is gained or lost', () => {
  const parted = splitStand({ stands: [weighed], checks: [look] }, weighed, bed, upTo(8))
  if (!parted.ok) throw new Error('refused')
  const [first, second] = puts(parted.value.writes, 'stands') as Stand[]
  for (const part of [first, second]) expect(standSchema.safeParse(part).error?.issues).toBeUndefined()
  expect([first.id, first.segment]).toEqual([weighed.id, { kind: 'strip', fromM: 0, toM: 8 }])
  expect([second.id, second.segment]).toEqual([parted.value.standId, { kind: 'strip', fromM: 8, toM: 12 }])
  const grams = (part: Stand) => part.start.actual!.components[0].grams!
  expect(grams(first)).toBeCloseTo(80)
  expect(grams(first) + grams(second)).toBeCloseTo(120)
  const took = (part: Stand) => part.cuts[0].cut.actual!.took!
  expect(took(first).massKg + took(second).massKg).toBeCloseTo(3)
  expect(took(second).nitrogenG).toBeCloseTo(20)
  // Lanes were laid over the whole: each part plans its own.
  expect([first, second].map(({ end }) => [end.plan!.method, end.plan!.lanes])).toEqual([
    ['strips', undefined],
    ['strips', undefined],
  ])
  const looks = puts(parted.value.writes, 'checks') as Check[]
  expect(looks).toHaveLength(1)
  expect(checkSchema.safeParse(looks[0]).success).toBe(true)
  expect(looks[0]).toMatchObject({ standId: second.id, cover: 0.7, date: '2026-03-01', pictureIds: [] })
})

test('what was ended as one, or has something sown under it, is not parted', () => {
  const ended = { ...weighed, end: { ...weighed.end, actual: weighed.end.plan } }
  const under = { ...rye, id: 'under', underStandId: weighed.id }
  const codes = [
    splitStand({ stands: [ended], checks: [] }, ended, bed, upTo(6)),
    splitStand({ stands: [weighed, under], checks: [] }, weighed, bed, upTo(6)),
    splitStand({ stands: [weighed], checks: [] }, weighed, bed, upTo(11.9)),
  ].map((outcome) => (outcome.ok ? 'parted' : outcome.problems[0].code))
  expect(codes).toEqual(['ended', 'something-under-it', 'too-near-the-end'])
})
