import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../../core/foundations/day'
import { check as checkSchema } from '../../core/garden/check'
import { problemsOf } from '../../parts/form/testing'
import { changedCheck, checkForm, checkOf, emptyCheck, textOfCheck, type CheckText } from './form'

const today = dayNumber('2026-05-10')
const looked = { sownOn: '2026-04-01', today, units: 'metric' as const }
const schema = checkForm(looked)
const ids = { id: 'c', gardenId: 'g', standId: 's' }
const filled = (own: Partial<CheckText>) => ({ ...emptyCheck(today, 'metric'), ...own })
const read = (own: Partial<CheckText>) => checkOf(schema.parse(filled(own)), ids)

describe('a check as filled in', () => {
  test.each([
    [{ cover: '130' }, 'cover', /between 0 and 100.%/],
    [{ cover: '40', date: '2026-03-31' }, 'date', /sown on 2026-04-01/],
    [{ cover: '40', date: '2026-05-11' }, 'date', /cannot lie in the future/],
    [{ cover: '40', date: '' }, 'date', /Enter a date/],
    [{ fresh: '90', dry: '400' }, 'dry', /Exchange the two/],
    [{ dry: '40', note: 'x' }, 'fresh', /Fresh weight: enter it/],
    [{ counts: '12 x' }, 'counts', /whole numbers/],
    [{ height: '900' }, 'height', /between 0 and 400/],
    [{ damage: 'slugs', damageLost: '140' }, 'damageLost', /between 0 and 100/],
    [{}, 'stage', /The check is empty/],
  ] as [Partial<CheckText>, string, RegExp][])('%j is told at %s', (own, path, words) => {
    expect(problemsOf(schema, filled(own))).toEqual({ [path]: expect.stringMatching(words) })
  })
  test('everything looked at is kept as a sound check, and comes back as it was typed', () => {
    const check = read({
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
    })
    expect(checkSchema.safeParse(check).success).toBe(true)
    expect(check).toMatchObject({
      stageBbch: 45,
      cover: 0.725,
      coverBy: { kind: 'eye' },
      plants: { counts: [12, 9, 14], ringM: 0.3, gapShare: 0.1 },
      weeds: { which: ['chickweed', 'cleavers'] },
      sample: { areaM2: 0.25, dryG: 110 },
    })
    expect(read(textOfCheck(check, looked))).toEqual(check)
  })
  test('in inches and ounces in an imperial garden', () => {
    const imperial = checkForm({ ...looked, units: 'imperial' })
    const text = { ...emptyCheck(today, 'imperial'), height: '20', fresh: '16' }
    expect(text).toMatchObject({ ringCm: '11.81', sampleCm: '19.69' })
    const check = checkOf(imperial.parse(text), ids)
    expect(check.heightCm).toBeCloseTo(50.8)
    expect(check.sample!.freshG).toBeCloseTo(453.6, 1)
  })
  test('changed in inches and ounces, only what was typed anew is another', () => {
    const old = {
      ...read({ height: '60', counts: '12 9', fresh: '600', dry: '110', cover: '72,5' }),
      id: 'c',
    }
    const imperial = { ...looked, units: 'imperial' as const }
    const text = { ...textOfCheck(old, imperial), note: 'Windy.' }
    expect(text.height).toBe('23.62')
    const look = checkForm(imperial).parse(text)
    expect(changedCheck(look, old, imperial, [])).toEqual({ ...old, note: 'Windy.' })
    const taller = checkForm(imperial).parse({ ...text, height: '30' })
    expect(changedCheck(taller, old, imperial, []).heightCm).toBeCloseTo(76.2)
    expect(changedCheck(taller, old, imperial, []).sample).toEqual(old.sample)
  })
  test('a cover from a picture carries its error', () =>
    expect(read({ cover: '40', pictureError: '4' })).toMatchObject({
      coverBy: { kind: 'picture', error: 0.04 },
    }))
  test('pictures alone are a check', () => {
    const look = schema.parse(filled({ pictures: '[{"id":"p"}]' }))
    expect(checkOf(look, ids, ['p'])).toMatchObject({ pictureIds: ['p'] })
  })
})
