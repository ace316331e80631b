import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../../core/foundations/day'
import { checkOf, draftOf, emptyDraft, type CheckDraft } from './draft'

const today = dayNumber('2026-05-10')
const limits = { id: 'c', gardenId: 'g', standId: 's', sownOn: '2026-04-01', today }
const read = (own: Partial<CheckDraft>) => checkOf({ ...emptyDraft(today), ...own }, limits)
const problem = (own: Partial<CheckDraft>) => {
  const outcome = read(own)
  return outcome.ok ? null : outcome.problems[0]
}

describe('a check as filled in', () => {
  test.each([
    [{ cover: '130' }, 'cover', /between 0 and 100 %/],
    [{ cover: '40', date: '2026-03-31' }, 'date', /sown on 2026-04-01/],
    [{ cover: '40', date: '2026-05-11' }, 'date', /cannot lie in the future/],
    [{ cover: '40', date: '' }, 'date', /Enter a date/],
    [{ fresh: '90', dry: '400' }, 'dry', /Exchange the two/],
    [{ dry: '40' }, 'fresh', /Fresh weight: enter a number/],
    [{ counts: '12 x' }, 'counts', /whole numbers/],
    [{ height: '900' }, 'height', /between 0 and 400/],
    [{ damage: 'slugs', damageLost: '140' }, 'damageLost', /between 0 and 100/],
    [{}, 'stage', /The check is empty/],
  ] as [Partial<CheckDraft>, string, RegExp][])('%j is told at %s', (own, path, words) => {
    expect(problem(own)).toMatchObject({ path, message: expect.stringMatching(words) })
  })
  test('everything looked at is kept, and comes back as it was typed', () => {
    const own: Partial<CheckDraft> = {
      stage: '45',
      cover: '72,5',
      height: '60',
      counts: '12, 9 14',
      gaps: '10',
      weedCover: '5',
      weedsWhich: 'chickweed, cleavers',
      damage: 'frost',
      damageLost: '20',
      fresh: '600',
      dry: '110',
      note: 'Windy.',
    }
    const outcome = read(own)
    if (!outcome.ok) throw new Error(outcome.problems[0].message)
    expect(outcome.value).toMatchObject({
      stageBbch: 45,
      cover: 0.725,
      coverBy: { kind: 'eye' },
      plants: { counts: [12, 9, 14], ringM: 0.3, gapShare: 0.1 },
      weeds: { which: ['chickweed', 'cleavers'] },
      sample: { areaM2: 0.25, dryG: 110 },
    })
    expect(checkOf(draftOf(outcome.value, today), limits)).toEqual(outcome)
  })
  test('a cover from a picture carries its error', () => {
    expect(read({ cover: '40', pictureError: '4' })).toMatchObject({
      value: { coverBy: { kind: 'picture', error: 0.04 } },
    })
  })
  test('pictures alone are a check', () => {
    expect(checkOf(emptyDraft(today), limits, ['p'])).toMatchObject({ value: { pictureIds: ['p'] } })
  })
})
