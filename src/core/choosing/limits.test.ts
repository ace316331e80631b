import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { cautionText } from '../../text/cautions'
import { dayNumber } from '../foundations/day'
import { testBed, testTool } from '../testing/beds'
import { questionWeather, testMeans, testQuestion } from '../testing/questions'
import { TEST_SITES } from '../testing/sites'
import { judge } from './judge'
import type { ChooseQuestion, Limits } from './types'

const { pennsylvania } = TEST_SITES
const LOOK = { starts: 8, exact: false }

/** Judges straight species sown on the day the bed is free. */
function judged(question: ChooseQuestion, ...ids: string[]) {
  const components = ids.map((speciesId) => ({ speciesId, share: ids.length > 1 ? 0.6 : 1 }))
  return judge(components, question.freeFromDay, question, questionWeather(question, pennsylvania), LOOK)
}
const limitOf = (question: ChooseQuestion, ...ids: string[]) => {
  const answer = judged(question, ...ids)
  return answer.verdict === 'rejected' ? answer.rejection.limit : 'fits'
}
const summer = (limits: Partial<Limits> = {}, extra: Parameters<typeof testQuestion>[2] = {}) =>
  testQuestion('2026-05-10', '2026-08-10', { ...extra, limits })
const winter = (limits: Partial<Limits> = {}, plantOn = '2026-06-20') =>
  testQuestion('2025-09-01', plantOn, { limits })

describe('each hard limit stops what it should and nothing else', () => {
  test('too little time', () => {
    expect(limitOf(testQuestion('2026-05-10', '2026-06-02'), 'red-clover')).toBe('too little time')
    expect(limitOf(summer(), 'buckwheat')).toBe('fits')
  })
  test('winter: killed small, must live, must die', () => {
    expect(limitOf(testQuestion('2025-09-22', '2026-06-10'), 'buckwheat')).not.toBe('fits')
    expect(limitOf(testQuestion('2025-09-05', '2026-06-05'), 'foxtail-millet')).toBe('winter')
    expect(limitOf(winter({ winter: 'must live' }), 'oats')).toBe('winter')
    expect(limitOf(winter({ winter: 'must live' }), 'cereal-rye')).toBe('fits')
    expect(limitOf(winter({ winter: 'must die' }), 'cereal-rye')).toBe('winter')
    expect(limitOf(winter({ winter: 'must die' }), 'oats')).toBe('fits')
  })
  test('what must be dead by winter is left to the winter; else work may end it', () => {
    const endOf = (limits: Partial<Limits>) => {
      const answer = judged(testQuestion('2025-08-15', '2026-04-10', { limits }), 'oats')
      if (answer.verdict !== 'candidate') throw new Error('Oats of August fit until April.')
      return answer.candidate.ending!.end.method
    }
    expect(endOf({ winter: 'must die' })).toBe('winter-kill')
    expect(endOf({})).not.toBe('summer-kill')
  })
  test('cannot be ended: rye before a May planting without a sheet, saying when it would flower', () => {
    const question = testQuestion('2025-09-10', '2026-05-12')
    const noSheet = {
      ...question,
      means: testMeans({ tools: [testTool('crimp board', 0.6)] }),
    }
    const answer = judged(noSheet, 'cereal-rye')
    if (answer.verdict !== 'rejected') throw new Error('rye was let through')
    expect(answer.rejection.limit).toBe('cannot be ended')
    expect(answer.rejection.reason).toMatchObject({
      code: 'not ended',
      stage: 'pollen',
      byDay: dayNumber('2026-05-12'),
      failure: { id: 'dead' },
    })
    expect(limitOf(question, 'cereal-rye')).toBe('fits')
  })
  test('dead by an earlier day', () => {
    const byHand = (deadByDay: number | null) => ({
      ...winter({ deadByDay }),
      means: testMeans({ tools: [testTool('crimp board', 0.6)] }),
    })
    expect(limitOf(byHand(null), 'cereal-rye')).toBe('fits')
    expect(limitOf(byHand(dayNumber('2026-04-20')), 'cereal-rye')).toBe('cannot be ended')
  })
  test('a green break before seedlings', () => {
    const seeded = (noGreenBridge: boolean) =>
      testQuestion('2025-09-01', '2026-05-30', {
        limits: { noGreenBridge },
        follows: { kind: 'deadline', day: dayNumber('2026-05-30'), establishment: 'seed' },
      })
    const chance = (question: ChooseQuestion) => {
      const answer = judged(question, 'crimson-clover')
      return answer.verdict === 'candidate' ? answer.candidate.chance : 0
    }
    expect(chance(seeded(true))).toBeLessThanOrEqual(chance(seeded(false)))
  })
  test('no grasses', () => {
    expect(limitOf(summer({ noGrasses: true }), 'oats')).toBe('not wanted')
    expect(limitOf(summer({ noGrasses: true }), 'oats', 'field-pea')).toBe('not wanted')
    expect(limitOf(summer({ noGrasses: true }), 'buckwheat')).toBe('fits')
  })
  test('under grain to be threshed no cereal is sown, and clover is', () => {
    const startDay = dayNumber('2025-10-01')
    const grain = testQuestion('2026-02-20', '2026-09-15', {
      upper: { kind: 'crop', startDay, cropId: 'winter-wheat-grain', goneDay: dayNumber('2026-07-20') },
    })
    for (const cereal of ['cereal-rye', 'winter-wheat', 'oats', 'spring-barley'])
      expect(limitOf(grain, cereal)).toBe('not wanted')
    expect(limitOf(grain, 'cereal-rye', 'red-clover')).toBe('not wanted')
    expect(limitOf(grain, 'red-clover')).not.toBe('not wanted')
  })
  test('too tall', () => {
    expect(limitOf(summer({ maxHeightM: 0.8 }), 'sorghum-sudangrass')).toBe('too tall')
    expect(limitOf(summer({ maxHeightM: 3 }), 'sorghum-sudangrass')).toBe('fits')
  })
  test('hosts of root-knot nematodes', () => {
    expect(limitOf(summer({ notRootKnotHost: true }), 'field-pea')).toBe('nematodes')
    expect(limitOf(summer({ notRootKnotHost: true }), 'sorghum-sudangrass')).toBe('fits')
  })
  test('to set nematodes back: no host and none that depends on its cultivar, alone or in a mix', () => {
    const question = summer({}, { purposes: ['nematodes'] })
    for (const id of ['buckwheat', 'phacelia', 'cowpea', 'field-pea'])
      expect(limitOf(question, id)).toBe('nematodes')
    expect(limitOf(question, 'sorghum-sudangrass')).toBe('fits')
    expect(limitOf(question, 'sorghum-sudangrass', 'cowpea')).toBe('nematodes')
    for (const id of ['pearl-millet', 'oilseed-radish', 'tillage-radish']) {
      const answer = judged(question, id)
      expect(answer.verdict === 'rejected' && answer.rejection.reason.code).toBe('cultivar')
    }
    const named = summer(
      {},
      { purposes: ['nematodes'], means: testMeans({ resistant: ['cowpea', 'pearl-millet', 'buckwheat'] }) },
    )
    expect(limitOf(named, 'pearl-millet')).toBe('fits')
    expect(limitOf(named, 'cowpea')).toBe('fits')
    // No cultivar of buckwheat is sold as resistant, whatever is said.
    expect(limitOf(named, 'buckwheat')).toBe('nematodes')
    const second = summer({}, { purposes: ['mass', 'nematodes'] })
    expect(limitOf(second, 'buckwheat')).toBe('nematodes')
    expect(limitOf(summer(), 'buckwheat')).toBe('fits')
  })
  test('harm to animals that are kept', () => {
    expect(limitOf(summer({}, { animals: ['horses'] }), 'sorghum-sudangrass')).toBe('harms animals')
    expect(limitOf(summer({}, { animals: ['rabbits'] }), 'sorghum-sudangrass')).toBe('harms animals')
    expect(limitOf(summer({}, { animals: ['rabbits'] }), 'white-lupin')).toBe('harms animals')
    expect(limitOf(summer({}, { animals: ['poultry'] }), 'sorghum-sudangrass')).toBe('fits')
  })
  test('what harms only low or frosted is a caution for grazers, not a limit', () => {
    const answer = judged(summer({}, { animals: ['ruminants'] }), 'sorghum-sudangrass')
    expect(answer.verdict === 'candidate' && answer.candidate.cautions.map(cautionText).join(' ')).toMatch(
      /prussic acid.*vet/,
    )
  })
  test('the family of what was diseased here, for four years', () => {
    const trouble = (date: string) => ({
      bed: { ...testBed, troubles: [{ id: 't', date, family: 'Brassicaceae', what: 'clubroot' }] },
    })
    expect(limitOf(summer({}, trouble('2024-08-01')), 'white-mustard')).toBe('trouble in this bed')
    expect(limitOf(summer({}, trouble('2019-08-01')), 'white-mustard')).toBe('fits')
    expect(limitOf(summer({}, trouble('2024-08-01')), 'buckwheat')).toBe('fits')
  })
  test('seed at hand only', () => {
    expect(limitOf(summer({ seedAtHandOnly: true }, { seedAtHand: ['phacelia'] }), 'buckwheat')).toBe(
      'no seed at hand',
    )
    expect(limitOf(summer({ seedAtHandOnly: true }, { seedAtHand: ['buckwheat'] }), 'buckwheat')).toBe('fits')
  })
  test('the budget, dearer for organic seed', () => {
    const answer = judged(summer(), 'faba-bean')
    if (answer.verdict !== 'candidate') throw new Error('faba does not fit')
    const budget = answer.candidate.cost.mid * 1.2
    expect(limitOf(summer({ budget }), 'faba-bean')).toBe('fits')
    expect(limitOf(summer({ budget }, { organicSeed: true }), 'faba-bean')).toBe('too dear')
  })
  test('never sows itself: a long buckwheat ends before it ripens or not at all', () => {
    const open = judged(
      testQuestion('2026-05-20', '2026-08-20', { limits: { neverReseeds: true } }),
      'buckwheat',
    )
    if (open.verdict === 'candidate') expect(open.candidate.ending!.end.date < '2026-07-20').toBe(true)
    else expect(open.rejection.limit).toBe('reseeds')
  })
  test('not eaten, where the kitchen comes first', () => {
    expect(limitOf(summer({}, { purposes: ['kitchen'] }), 'phacelia')).toBe('not eaten')
    expect(limitOf(summer({}, { purposes: ['kitchen'] }), 'field-pea')).toBe('fits')
    expect(limitOf(summer({}, { purposes: ['mass', 'kitchen'] }), 'phacelia')).toBe('fits')
  })
  test('ground that nothing follows needs no ending', () => {
    const open = judged(
      testQuestion('2026-05-10', '2026-08-01', {
        follows: { kind: 'nothing' },
        means: testMeans({ tools: [] }),
      }),
      'white-clover',
    )
    expect(open.verdict).toBe('candidate')
  })
})

test('tightening any limit never lets a cover in', () => {
  const tighter = fc.constantFrom<Partial<Limits>>(
    { noGrasses: true },
    { notRootKnotHost: true },
    { maxHeightM: 0.7 },
    { seedAtHandOnly: true },
    { budget: 0.3 },
    { neverReseeds: true },
    { noGreenBridge: true },
    { deadByDay: dayNumber('2026-07-05') },
    { winter: 'must live' },
    { winter: 'must die' },
  )
  const loose = testQuestion('2026-04-20', '2026-07-25')
  const weather = questionWeather(loose, pennsylvania, 8)
  const fits = (speciesId: string, question: ChooseQuestion, sowDay: number) =>
    judge([{ speciesId, share: 1 }], sowDay, question, weather, LOOK).verdict === 'candidate'
  fc.assert(
    fc.property(
      fc.constantFrom(
        'buckwheat',
        'oats',
        'field-pea',
        'phacelia',
        'white-mustard',
        'red-clover',
        'sunflower',
        'cereal-rye',
      ),
      tighter,
      fc.integer({ min: 0, max: 30 }),
      fc.integer({ min: 0, max: 3 }),
      (speciesId, limit, later, tools) => {
        const tight = {
          ...loose,
          limits: { ...loose.limits, ...limit },
          means: testMeans({ tools: loose.means.tools.slice(0, tools) }),
        }
        if (fits(speciesId, tight, loose.today + later))
          expect(fits(speciesId, loose, loose.today + later)).toBe(true)
      },
    ),
    { numRuns: 60 },
  )
})
