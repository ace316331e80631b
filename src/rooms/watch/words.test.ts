import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../../core/foundations/day'
import { findSpecies } from '../../core/plants/catalogue'
import { stageMeaning } from '../../core/tracking/stageGuide'
import type { Outlier } from '../../core/tracking/outliers'
import { doubtText, meaningText, troubleText } from './words'

const rye = findSpecies('cereal-rye')!
const vetch = findSpecies('hairy-vetch')!
const at = (bbch: number, iso: string) => {
  const mid = dayNumber(iso)
  return { bbch, date: { chance: 1, quantiles: { p10: mid - 4, p50: mid, p90: mid + 4 } } }
}
const stages = [at(31, '2026-04-10'), at(51, '2026-05-08'), at(61, '2026-05-20'), at(85, '2026-06-25')]

describe('what a stage means', () => {
  test('before pollen: days to it, and that a cut or crimp leaves most', () => {
    expect(meaningText(rye, 51, stageMeaning(rye, 51, stages))).toMatch(
      /^about 12 days to pollen\. Crimping now leaves a third or more standing; chopping .* leaves most/,
    )
  })
  test('one day is a day', () => {
    const near = [at(51, '2026-05-08'), at(61, '2026-05-09')]
    expect(meaningText(rye, 51, stageMeaning(rye, 51, near))).toMatch(/^about 1 day to pollen/)
  })
  test('at pollen: ready, and how long until seed sprouts', () => {
    expect(meaningText(rye, 61, stageMeaning(rye, 61, stages))).toMatch(
      /^ready to end; about 36 days until seed sprouts/,
    )
  })
  test('at pollen of a stand that is ended before its seed ripens: ready, and no word of seed', () => {
    const ended = stages.filter(({ bbch }) => bbch < 85)
    expect(meaningText(rye, 65, stageMeaning(rye, 65, ended))).toMatch(/^ready to end\. /)
  })
  test('with ripe seed, or without dates, it says so without inventing days', () => {
    expect(meaningText(vetch, 89, stageMeaning(vetch, 89, stages))).toMatch(/^seed may be fit to sprout/)
    expect(meaningText(vetch, 51, stageMeaning(vetch, 51, []))).toMatch(/^half bloom is still to come/)
  })
})

describe('doubts and troubles', () => {
  test.each<[Outlier, RegExp]>([
    [
      { kind: 'cover', seen: 0.05, low: 0.7, high: 0.9 },
      /You saw 5\s% green; the forecast had 70\s% to 90\s%/,
    ],
    [{ kind: 'height', seen: 0.2, low: 0.6, high: 0.9 }, /You saw 20\scm; the forecast had 60\scm to 90\scm/],
    [
      { kind: 'mass', seen: 80, low: 300, high: 500 },
      /0\.8\st\/ha; the forecast had 3\.0\st\/ha to 5\.0\st\/ha/,
    ],
    [{ kind: 'stage', seen: 71, low: 31, high: 45 }, /“kernels watery”.*“stems lengthening” to “boot”/],
    [{ kind: 'stage back', seen: 31, before: 61, on: '2026-05-01' }, /“pollen starts” already/],
    [{ kind: 'cover fell', seen: 0.3, before: 0.9, on: '2026-05-01' }, /90\s% was green\. Was it cut/],
  ])('%j says both sides', (doubt, words) => {
    expect(doubtText(doubt, 'grass', 'metric')).toMatch(words)
  })
  test('troubles say what and when; those of the forecast ask to look first', () => {
    const day = dayNumber('2026-05-01')
    expect(troubleText({ kind: 'thin', checkId: 'c', day, share: 0.3 })).toMatch(/only 30\s% of the plants/)
    expect(troubleText({ kind: 'weeds', checkId: 'c', day, share: 0.4 })).toMatch(/weeds covered 40\s%/)
    expect(troubleText({ kind: 'losses', checkId: 'c', day, share: 0.5 })).toMatch(
      /50\s% of the plants were gone/,
    )
    expect(troubleText({ kind: 'losses', checkId: null, day, share: 0.5 })).toMatch(
      /by the forecast.*Look before/,
    )
  })
})
