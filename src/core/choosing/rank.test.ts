import { describe, expect, test } from '@jest/globals'
import { cautionText } from '../../text/cautions'
import { dayNumber } from '../foundations/day'
import type { SiteClimate } from '../garden/site'
import { findSpecies, SPECIES } from '../plants/catalogue'
import { questionWeather, testQuestion } from '../testing/questions'
import { TEST_SITES } from '../testing/sites'
import { differences } from './compareAnswers'
import { goesTogether, neighbours, proposeMixes, roleOf, startingShares } from './mixes'
import { findCrop } from '../plants/crops'
import type { Follows } from '../scenario/types'
import { goalShare, PURPOSES } from './purposes'
import { ownCover } from './own'
import { rankCovers } from './rank'
import type { Candidate, ChooseAnswer, ChooseQuestion } from './types'

const { pennsylvania, alabama, netherlands } = TEST_SITES
const asked = new Map<string, ChooseAnswer>()

/** Ranks once per question; answers are plain data. */
function ask(question: ChooseQuestion, site: SiteClimate = pennsylvania): ChooseAnswer {
  const key = JSON.stringify([question, site])
  const answer = asked.get(key) ?? rankCovers(question, questionWeather(question, site, 6))
  asked.set(key, answer)
  return answer
}
const straight = ({ candidates }: ChooseAnswer) => candidates.filter((entry) => entry.components.length === 1)
const mixes = ({ candidates }: ChooseAnswer) => candidates.filter((entry) => entry.components.length > 1)
const plants = (...ids: string[]) => ids.map((id) => findSpecies(id)!)

const spring = testQuestion('2026-04-05', '2026-07-01', { purposes: ['insects', 'feed', 'loosen'] })
const overWinter = testQuestion('2025-09-05', '2026-06-05', { purposes: ['feed'] })

describe('ranking', () => {
  const answer = ask(spring)
  test('every species is either ranked or left out with a reason, none twice', () => {
    const ids = [...straight(answer), ...answer.rejections].map((entry) => entry.key)
    expect(new Set(ids).size).toBe(SPECIES.length)
    expect(ids).toHaveLength(SPECIES.length)
    for (const { reason } of answer.rejections) expect(reason.code.length).toBeGreaterThan(3)
  })
  test('scores fall down the list, and each says what it trades against the next', () => {
    answer.candidates.forEach((entry, i) => {
      expect(entry.chance).toBeGreaterThan(0)
      expect(entry.chance).toBeLessThanOrEqual(1)
      const next = answer.candidates[i + 1]
      if (!next) return expect(entry.againstNext).toBeNull()
      expect(next.score).toBeLessThanOrEqual(entry.score)
      expect(entry.againstNext!.key).toBe(next.key)
    })
  })
  test('buckwheat leads a short summer gap for quick cover', () => {
    const quick = ask(testQuestion('2026-07-01', '2026-08-25', { purposes: ['quick'] }))
    expect(
      straight(quick)
        .slice(0, 3)
        .map((entry) => entry.key),
    ).toContain('buckwheat')
  })
  test('a legume leads for feeding, and grasses feed nothing', () => {
    const list = straight(ask(overWinter))
    expect(findSpecies(list[0].key)!.group).toBe('legume')
    expect(list.find((entry) => entry.key === 'cereal-rye')?.purposes[0].amount.p50 ?? 0).toBe(0)
  })
  test('the same window at three places has differently reasoned answers', () => {
    const window = testQuestion('2025-09-20', '2026-05-20', { purposes: ['mass', 'feed'] })
    const told = [pennsylvania, alabama, netherlands].map((site) => {
      const { candidates, rejections } = ask(window, site)
      return JSON.stringify([
        candidates.map((entry) => [entry.key, entry.ending?.end.method]),
        rejections.map((entry) => [entry.key, entry.limit]),
      ])
    })
    expect(new Set(told).size).toBe(3)
    const lost = (site: SiteClimate) =>
      ask(window, site).rejections.filter((entry) => entry.limit === 'winter').length
    expect(lost(pennsylvania)).toBeGreaterThan(lost(alabama))
  })
  test('a fixed sowing day is kept', () => {
    const sowDay = dayNumber('2026-05-01')
    for (const { sowDay: day } of ask({ ...spring, sowDay, purposes: ['mass'] }).candidates)
      expect(day).toBe(sowDay)
  })
  test('what is known so far is told while the rest is computed', () => {
    const told: number[] = []
    let first: ChooseAnswer | null = null
    const question = testQuestion('2026-06-20', '2026-08-20')
    rankCovers(question, questionWeather(question, pennsylvania, 4), (share, soFar) => {
      if (told.length === 0) first = structuredClone(soFar)
      told.push(share)
    })
    expect(told).toEqual([...told].sort((a, b) => a - b))
    expect(told.at(-1)).toBeCloseTo(1, 6)
    expect(first!.candidates.length + first!.rejections.length).toBe(1)
  })
})

describe('mixes', () => {
  test('stand above their parts only for reasons that are shown', () => {
    const answer = ask(spring)
    expect(mixes(answer).length).toBeGreaterThan(0)
    const byKey = new Map(straight(answer).map((entry) => [entry.key, entry]))
    for (const mix of mixes(answer)) {
      const parts = mix.components.map((component) => byKey.get(component.speciesId)!)
      expect(mix.overSingle!.better.length).toBeGreaterThan(0)
      for (const part of parts) expect(mix.score).toBeGreaterThan(part.score)
      for (const { of, ours, theirs } of mix.overSingle!.better)
        expect(of === 'cost' || of === 'quick' ? theirs > ours : ours > theirs).toBe(true)
    }
  })
  test('have no mix of fewer beside them that does nearly as well', () => {
    const kept = mixes(ask(spring))
    for (const mix of kept)
      for (const fewer of kept.filter(({ components }) => components.length < mix.components.length))
        expect(mix.score - fewer.score).toBeGreaterThan(0.0199)
  })
  test('have two to five species, no role twice, and something for climbers to climb', () => {
    for (const components of proposeMixes(straight(ask(spring))).flat()) {
      expect(components.length).toBeGreaterThanOrEqual(2)
      expect(components.length).toBeLessThanOrEqual(5)
      expect(goesTogether(plants(...components.map((component) => component.speciesId)))).toBe(true)
    }
    expect(goesTogether(plants('hairy-vetch', 'winter-pea'))).toBe(false)
    expect(goesTogether(plants('hairy-vetch', 'crimson-clover'))).toBe(false)
    expect(goesTogether(plants('hairy-vetch', 'cereal-rye'))).toBe(true)
    expect(goesTogether(plants('cereal-rye', 'cowpea'))).toBe(false)
    expect(roleOf(findSpecies('oilseed-radish')!)).toBe('taproot')
  })
  test('start with shares that add up to 1 to 1.3, and move them inside 0.9 to 1.5', () => {
    const start = startingShares(plants('cereal-rye', 'hairy-vetch'))
    const sum = (components: typeof start) =>
      components.reduce((total, component) => total + component.share, 0)
    expect(sum(start)).toBeGreaterThanOrEqual(1)
    expect(sum(start)).toBeLessThanOrEqual(1.3)
    expect(start[1].share).toBeGreaterThan(start[0].share)
    const moved = neighbours(start)
    expect(moved.length).toBeGreaterThan(2)
    for (const mixed of moved) {
      expect(sum(mixed)).toBeGreaterThanOrEqual(0.89)
      expect(sum(mixed)).toBeLessThanOrEqual(1.51)
    }
  })
  test('the grower’s own is judged like the rest; more legume fixes more', () => {
    const question = { ...overWinter, sowDay: overWinter.today }
    const weather = questionWeather(question, pennsylvania)
    const own = (vetch: number) =>
      ownCover(
        [
          { speciesId: 'cereal-rye', share: 1.1 - vetch },
          { speciesId: 'hairy-vetch', share: vetch },
        ],
        question,
        weather,
      )!.judged as Candidate
    expect(own(0.8).purposes[0].amount.p50).toBeGreaterThan(own(0.2).purposes[0].amount.p50)
    const tight = { ...question, limits: { ...question.limits, noGrasses: true } }
    const left = ownCover([{ speciesId: 'oats', share: 1 }], tight, weather)!
    expect(left.judged).toMatchObject({ limit: 'not wanted' })
    expect(left.plan.ending).not.toBeNull()
    expect(left.outcome.chance.whole).toBeGreaterThan(0.5)
  })
})

describe('the crop that follows', () => {
  const before = (cropId: string): Follows => ({
    kind: 'crop',
    crop: findCrop(cropId)!,
    establishment: 'transplant',
    plantingMethod: null,
    feedG: 0,
    day: dayNumber('2026-07-01'),
    done: false,
  })
  const scoreOf = (id: string, cropId: string) => {
    const question = { ...testQuestion('2026-04-05', '2026-07-01'), follows: before(cropId) }
    const own = ownCover([{ speciesId: id, share: 1 }], question, questionWeather(question, pennsylvania))!
    return (own.judged as Candidate).score
  }
  test('of the same family takes from a cover’s rank: mustard before cabbage, not before courgette', () => {
    expect(scoreOf('white-mustard', 'cabbage')).toBeLessThan(0.95 * scoreOf('white-mustard', 'courgette'))
  })
})

describe('sayings', () => {
  test('cautions: family, small seed, hungry crops, animals kept', () => {
    const base = testQuestion('2026-04-05', '2026-07-01')
    const follows: Follows = {
      kind: 'crop',
      crop: findCrop('cabbage')!,
      establishment: 'transplant',
      plantingMethod: null,
      feedG: 0,
      day: dayNumber('2026-07-01'),
      done: false,
    }
    const cautions = (id: string, extra: Partial<ChooseQuestion>) =>
      (
        ownCover([{ speciesId: id, share: 1 }], { ...base, ...extra }, questionWeather(base, pennsylvania))!
          .judged as Candidate
      ).cautions
        .map(cautionText)
        .join(' ')
    expect(cautions('white-mustard', { follows })).toMatch(/Same family/)
    expect(cautions('oats', { follows })).toMatch(/holds back nitrogen just when cabbage/)
    expect(cautions('oats', {})).not.toMatch(/holds back/)
    expect(cautions('buckwheat', { animals: ['pigs'] })).toMatch(/burn in the sun\. Ask a vet/)
    expect(cautions('buckwheat', {})).not.toMatch(/Ask a vet/)
  })
  test('differences name what is better on each side, the larger first', () => {
    const [a, b] = straight(ask(spring))
    const { better, worse } = differences(a, b)
    const turned = differences(b, a)
    expect(turned.better.map((entry) => entry.of)).toEqual(worse.map((entry) => entry.of))
    expect(turned.worse.map((entry) => entry.of)).toEqual(better.map((entry) => entry.of))
  })
})

test('every purpose counts more of it as better, less and less so beyond the goal, and quickness as less', () => {
  for (const purpose of PURPOSES) {
    const [worse, goal, better] =
      purpose.id === 'quick' ? [60, purpose.goal, 15] : [purpose.goal / 4, purpose.goal, purpose.goal * 2]
    expect(goalShare(purpose, goal)).toBeGreaterThan(goalShare(purpose, worse))
    expect(goalShare(purpose, better)).toBeGreaterThan(goalShare(purpose, goal))
    expect(goalShare(purpose, better)).toBeLessThanOrEqual(1)
  }
})
