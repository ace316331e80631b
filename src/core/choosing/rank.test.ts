import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../foundations/day'
import type { SiteClimate } from '../garden/schema'
import { generatedEnsemble } from '../site/ensemble'
import { testBed as bed, testTool as tool } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { goalShare, PURPOSES } from './purposes'
import { rankSpecies } from './rank'
import type { ChooseAnswer, ChooseQuestion } from './types'

const asked = new Map<string, ChooseAnswer>()

/** Asks once per question; answers are plain data. */
function ask(
  from: string,
  plantOn: string,
  extra: Partial<ChooseQuestion> = {},
  site: SiteClimate = TEST_SITES.pennsylvania,
): ChooseAnswer {
  const key = JSON.stringify([from, plantOn, extra, site])
  const answer = asked.get(key) ?? compute(from, plantOn, extra, site)
  asked.set(key, answer)
  return answer
}

function compute(
  from: string,
  plantOn: string,
  extra: Partial<ChooseQuestion>,
  site: SiteClimate,
): ChooseAnswer {
  const today = dayNumber(from)
  const ensemble = generatedEnsemble(site, today - 40, dayNumber(plantOn) - today + 60, 12, 3)
  const question: ChooseQuestion = {
    bed,
    areaM2: 12,
    freeFromDay: today,
    target: { plantingDay: dayNumber(plantOn), establishment: 'transplant', waitDays: 7 },
    nextFamily: null,
    purposes: ['mass'],
    winter: 'either',
    tools: [tool('scythe'), tool('crimp board'), tool('black tarp', 2, 12)],
    today,
    ...extra,
  }
  return rankSpecies(question, ensemble)
}
const rejectionOf = (answer: ReturnType<typeof ask>, id: string) =>
  answer.rejections.find((entry) => entry.speciesId === id)

describe('hard limits', () => {
  test('too little time: three weeks fit nothing slow', () => {
    expect(rejectionOf(ask('2026-05-10', '2026-06-02'), 'red-clover')?.limit).toBe('too little time')
  })
  test('winter: buckwheat sown in October is killed small or never covers', () => {
    expect(rejectionOf(ask('2025-09-25', '2026-06-10'), 'buckwheat')).toBeDefined()
  })
  test('wishes for winter: must live rejects oats, must die rejects rye', () => {
    expect(rejectionOf(ask('2025-08-20', '2026-06-20', { winter: 'must live' }), 'oats')?.limit).toBe(
      'winter',
    )
    expect(rejectionOf(ask('2025-08-20', '2026-05-01', { winter: 'must die' }), 'cereal-rye')?.limit).toBe(
      'winter',
    )
  })
  test('cannot be ended: rye before a May planting without a tarp, with the dates', () => {
    const answer = ask('2025-09-10', '2026-05-10', { tools: [tool('scythe'), tool('crimp board')] })
    const rejection = rejectionOf(answer, 'cereal-rye')!
    expect(rejection.limit).toBe('cannot be ended')
    expect(isoDate(Math.round(rejection.reason.days.at(-1)!))).toBe('2026-05-10')
  })
  test('taking tools away never adds a candidate', () => {
    const all = new Set(ask('2026-04-25', '2026-07-10').candidates.map((entry) => entry.speciesId))
    for (const { speciesId } of ask('2026-04-25', '2026-07-10', { tools: [] }).candidates)
      expect(all.has(speciesId)).toBe(true)
  })
})

describe('ranking', () => {
  test('buckwheat leads a short summer gap for quick cover', () => {
    expect(
      ask('2026-07-01', '2026-08-25', { purposes: ['quick'] })
        .candidates.slice(0, 3)
        .map((entry) => entry.speciesId),
    ).toContain('buckwheat')
  })
  test('a legume leads for feeding, none but legumes fix', () => {
    const { candidates } = ask('2025-09-01', '2026-06-15', { purposes: ['feed'] })
    expect(['hairy-vetch', 'crimson-clover', 'red-clover', 'winter-pea', 'faba-bean']).toContain(
      candidates[0].speciesId,
    )
    expect(candidates.find((entry) => entry.speciesId === 'cereal-rye')?.purposes[0].amount.mid ?? 0).toBe(0)
  })
  test('scores fall down the list and chances are shares', () => {
    const { candidates } = ask('2026-04-25', '2026-07-10')
    candidates.forEach((entry, i) => {
      expect(entry.chance).toBeGreaterThan(0)
      expect(entry.chance).toBeLessThanOrEqual(1)
      if (i > 0) expect(entry.score).toBeLessThanOrEqual(candidates[i - 1].score)
    })
  })
  test('the same family as the next crop brings a caution', () => {
    const { candidates } = ask('2026-04-25', '2026-07-10', { nextFamily: 'Brassicaceae' })
    expect(candidates.find((entry) => entry.speciesId === 'white-mustard')?.cautions.join()).toMatch(
      /Same family/,
    )
  })
  test('a warm and a cold place answer differently', () => {
    const ids = (site: (typeof TEST_SITES)[keyof typeof TEST_SITES]) =>
      ask('2025-10-05', '2026-05-25', {}, site)
        .candidates.map((entry) => entry.speciesId)
        .join()
    expect(ids(TEST_SITES.alabama)).not.toBe(ids(TEST_SITES.pennsylvania))
  })
})

test('every purpose counts more of it as better, and quickness as less', () => {
  for (const purpose of PURPOSES) {
    const [worse, better] = purpose.id === 'quick' ? [60, 25] : [purpose.goal / 4, purpose.goal]
    expect(goalShare(purpose, better)).toBeGreaterThan(goalShare(purpose, worse))
    expect(goalShare(purpose, better)).toBeLessThanOrEqual(1)
  }
})
