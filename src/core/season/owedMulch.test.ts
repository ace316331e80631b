import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../foundations/day'
import type { EndDetails } from '../garden/ending'
import { cropContent, cropStand, planting } from '../garden/newStands'
import type { GardenData, Stand } from '../garden/schema'
import { expectedMulch } from '../residue/mulchStore'
import { FRESH_GARDEN } from '../garden/fresh'
import { testBed, testCover } from '../testing/beds'
import { mulchAsPlanned, openFrom, withMulchAsPlanned } from './owedMulch'
import { standCaseOf } from './standCase'

const ended = (method: EndDetails['method'], date: string, liftedOn?: string): Stand =>
  testCover('cereal-rye', '2025-09-20', {
    id: 'rye',
    end: { plan: { method, date, passes: 1, note: '', ...(liftedOn && { liftedOn }) }, actual: null },
  })
const squash = cropStand(
  { id: 'squash', gardenId: 'g', bedId: testBed.id },
  cropContent('squash', 'transplant'),
  { plan: planting('2026-06-10'), actual: null },
  90,
)
const dataOf = (stands: Stand[], days = 3) =>
  ({
    garden: {
      ...FRESH_GARDEN,
      tools: [],
      mulch: [{ id: 'm', kind: 'straw', broughtOn: '2026-01-01', kg: 50, seeds: 'none', sprayed: 'none' }],
      mulchLaid: [
        {
          id: 'l',
          date: '2026-05-08',
          bedId: testBed.id,
          sourceId: 'm',
          kg: 20,
          owed: true,
          after: { standId: 'rye', days },
        },
      ],
    },
    beds: [testBed],
    stands,
    checks: [],
  }) as unknown as GardenData
const dueOn = (data: GardenData) => mulchAsPlanned(data)[0].date
const openOn = (...stands: Stand[]) => {
  const day = openFrom({ beds: [testBed], stands }, stands[0])
  return day === null ? null : isoDate(day)
}

describe('mulch owed after an ending', () => {
  test('may be laid once the growth is down, or its sheet off for what follows', () => {
    expect(openOn(ended('chop', '2026-05-05'))).toBe('2026-05-05')
    expect(openOn(ended('tarp', '2026-05-05', '2026-06-01'), squash)).toBe('2026-06-01')
    expect(openOn(ended('tarp', '2026-05-05'), squash)).toBe('2026-06-10')
    expect(openOn(testCover('cereal-rye', '2025-09-20'))).toBeNull()
    // Whichever of several the plan goes on to, the sheet comes off for the first.
    const half = (which: 'first' | 'second', one: Stand): Stand => ({
      ...one,
      segment: { kind: 'half', which },
    })
    const early = {
      ...half('first', squash),
      id: 'early',
      start: { plan: planting('2026-06-02'), actual: null },
    }
    const goesOn = { ...ended('tarp', '2026-05-05'), goesOnTo: 'squash' }
    expect(openOn(goesOn, half('second', squash), early)).toBe('2026-06-02')
  })
  test('goes with the day on which that falls, and keeps its own where no end is planned', () => {
    expect(dueOn(dataOf([ended('chop', '2026-05-05')]))).toBe('2026-05-08')
    expect(dueOn(dataOf([ended('chop', '2026-05-19')]))).toBe('2026-05-22')
    expect(dueOn(dataOf([testCover('cereal-rye', '2025-09-20', { id: 'rye' })]))).toBe('2026-05-08')
    expect(dueOn(dataOf([]))).toBe('2026-05-08')
  })
  test('lies in the forecast of a plan that is only tried on the day it has by that plan', () => {
    const tried = ended('chop', '2026-05-19')
    const [brought] = standCaseOf(dataOf([tried]), tried)!.brought!
    expect(isoDate(brought.day)).toBe('2026-05-22')
    const none = dataOf([tried])
    none.garden.mulchLaid = []
    expect(withMulchAsPlanned(none)).toBe(none)
  })
  test('is expected today where its day has gone by, whatever it comes after', () => {
    const data = dataOf([ended('chop', '2026-05-05')])
    const [late] = expectedMulch(mulchAsPlanned(data), dayNumber('2026-05-20'))
    expect(late).toMatchObject({ date: '2026-05-20', after: undefined })
  })
})
