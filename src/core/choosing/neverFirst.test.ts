import { describe, expect, test } from '@jest/globals'
import { dayNumber, dayOfYear, isoDate } from '../foundations/day'
import type { PurposeId } from '../garden/schema'
import { findSpecies } from '../plants/catalogue'
import { findMethod } from '../termination/methods'
import { PLACES } from '../testing/places'
import { questionWeather, testQuestion } from '../testing/questions'
import { findPurpose, lessIsBetter } from './purposes'
import { rankCovers } from './rank'
import { seasonYear } from './season'
import type { Candidate, ChooseQuestion } from './types'

type Place = keyof typeof PLACES
const MEMBERS = 4

function ranked(place: Place, from: string, until: string, own: Partial<ChooseQuestion> = {}): Candidate[] {
  const climate = PLACES[place]
  const question = testQuestion(from, until, {
    climate,
    follows: { kind: 'nothing' },
    sowDay: dayNumber(from),
    ...own,
    limits: own.limits ?? {},
  })
  return rankCovers(question, questionWeather(question, climate, MEMBERS)).candidates
}
const firstOf = (...asked: Parameters<typeof ranked>) => ranked(...asked)[0]
const has = ({ key }: Candidate, ids: readonly string[]) => key.split('+').some((id) => ids.includes(id))

const WARM_GRASSES = ['sorghum-sudangrass', 'sudangrass', 'pearl-millet', 'foxtail-millet']
const WINTER_CEREALS = ['cereal-rye', 'triticale', 'winter-wheat', 'winter-barley']

describe('what never stands first', () => {
  test.each([
    ['minnesota', '2026-08-12', '2027-05-10', 'mass'],
    ['minnesota', '2026-08-12', '2027-05-10', 'quick'],
    ['maine', '2026-08-20', '2027-05-15', 'smother'],
    ['bavaria', '2026-08-15', '2027-04-25', 'quick'],
  ] as const)('%s from %s: no cover that leaves the ground bare for months once it is dead', (...asked) => {
    const [place, from, until, purpose] = asked
    const first = firstOf(place, from, until, { purposes: [purpose] })
    expect(first.ground.bareAfter).toBeLessThan(60)
  })
  test.each([
    ['netherlands', '2026-09-08', '2027-04-20'],
    ['oregon', '2026-09-15', '2027-04-10'],
    ['bavaria', '2026-09-01', '2027-05-01'],
  ] as const)('%s from %s: no winter spinach to smother a winter', (place, from, until) => {
    const first = firstOf(place, from, until, { purposes: ['smother'] })
    expect(has(first, ['winter-spinach', 'corn-salad'])).toBe(false)
  })
  test.each([
    ['netherlands', '2026-06-08', '2026-09-20', 'mass'],
    ['canterbury', '2026-12-08', '2027-03-20', 'mass'],
    ['canterbury', '2026-11-20', '2027-03-01', 'smother'],
  ] as const)('%s from %s: no warm grass in a cool summer', (place, from, until, purpose) => {
    expect(has(firstOf(place, from, until, { purposes: [purpose] }), WARM_GRASSES)).toBe(false)
  })
  test.each([
    ['apulia', '2026-07-05', '2026-10-20', 'sand'],
    ['oregon', '2026-07-01', '2026-10-25', 'sand'],
  ] as const)('%s from %s: no warm grass into the dry without water', (place, from, until, soil) => {
    const list = ranked(place, from, until, {
      purposes: ['mass'],
      bed: { ...testQuestion(from, until, {}).bed, soil },
    })
    for (const one of list) expect(has(one, WARM_GRASSES)).toBe(false)
  })
  test.each([
    ['canterbury', '2026-12-01', '2027-06-01'],
    ['queensland', '2026-10-09', '2027-03-20'],
    ['florida', '2026-06-12', '2026-10-01'],
    ['illinois', '2027-03-27', '2027-08-01'],
  ] as const)('%s from %s: no winter cereal sown into the warm', (place, from, until) => {
    const list = ranked(place, from, until, { purposes: ['mass'] })
    for (const one of list.slice(0, 3)) expect(has(one, WINTER_CEREALS)).toBe(false)
  })
  test.each([
    ['minnesota', '2026-11-05', '2027-06-20', 'insects'],
    ['kentucky', '2026-10-05', '2027-05-20', 'insects'],
    ['netherlands', '2026-09-05', '2027-05-01', 'feed'],
    ['canterbury', '2026-03-05', '2026-10-10', 'insects'],
  ] as const)(
    '%s from %s: nothing with none of what is asked, %#',
    (place, from, until, purpose: PurposeId) => {
      expect(lessIsBetter(purpose)).toBe(false)
      for (const { purposes } of ranked(place, from, until, { purposes: [purpose] }).slice(0, 20))
        expect(purposes[0].amount.p50).toBeGreaterThan(0.01 * findPurpose(purpose).goal)
    },
  )
  test('what serves the second purpose is kept, and mixed with what serves the first', () => {
    const list = ranked('kentucky', '2026-09-20', '2027-05-15', { purposes: ['feed', 'mass'] })
    expect(list.some(({ key }) => key === 'cereal-rye')).toBe(true)
    const alone = ranked('kentucky', '2026-09-20', '2027-05-15', { purposes: ['feed'] })
    expect(alone.some(({ key }) => key === 'cereal-rye')).toBe(false)
  })
  test('what winter kills for sure is not to be tarped', () => {
    const day = dayNumber('2027-05-20')
    const list = ranked('minnesota', '2026-08-10', '2027-05-20', {
      follows: { kind: 'deadline', day, establishment: 'transplant' },
    })
    const tender = list.filter((one) => has(one, ['oats', 'black-oat', 'oilseed-radish', 'field-pea']))
    expect(tender.length).toBeGreaterThan(1)
    for (const { ending } of tender) expect(findMethod(ending!.end.method)?.waits).toBe('cold')
  })
  test.each([
    ['minnesota', '2027-01-10'],
    ['maine', '2026-12-15'],
  ] as const)('%s from %s: on frozen ground nothing but clovers for the frost to work in', (place, from) => {
    const year = seasonYear(PLACES[place])
    const list = ranked(place, from, isoDate(dayNumber(from) + 230), { sowDay: null })
    expect(list.length).toBeGreaterThan(3)
    for (const { sowDay, components } of list)
      if (year.meanC[dayOfYear(sowDay) - 1] < -1)
        for (const { speciesId } of components)
          expect(findSpecies(speciesId)).toMatchObject({ perennial: true, group: 'legume' })
  })
})

describe('under grain that is kept', () => {
  const under = (place: Place, from: string, gone: string, until: string, purposes: PurposeId[]) => {
    const climate = PLACES[place]
    const question = testQuestion(from, until, {
      climate,
      purposes,
      follows: { kind: 'nothing' },
      sowUntilDay: dayNumber(from) + 40,
      upper: {
        kind: 'crop',
        startDay: dayNumber(from) - 150,
        cropId: 'winter-wheat-grain',
        goneDay: dayNumber(gone),
      },
    })
    return rankCovers(question, questionWeather(question, climate, MEMBERS))
  }
  test.each([
    ['kentucky', '2027-02-10', '2027-06-20', '2027-09-20', 'feed'],
    ['illinois', '2027-02-20', '2027-07-10', '2027-11-01', 'feed'],
    ['maine', '2027-03-15', '2027-07-25', '2028-04-20', 'mass'],
  ] as const)('%s: clovers lead and no cereal is offered', (place, from, gone, until, purpose) => {
    const { candidates, rejections } = under(place, from, gone, until, [purpose])
    for (const { speciesId } of candidates[0].components)
      expect(findSpecies(speciesId)!.endingClass).toMatch(/clover/)
    expect(candidates.some((one) => has(one, [...WINTER_CEREALS, 'oats', 'spring-barley']))).toBe(false)
    expect(rejections.find(({ key }) => key === 'winter-wheat')!.reason.code).toBe('among grain')
    expect(candidates[0].covering).toMatch(/frost-seeded|surface/)
  })
})
