import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../foundations/day'
import { findSpecies } from '../plants/catalogue'
import { PLACES } from '../testing/places'
import { nextSowing } from './nextSowing'
import { seasonOf, seasonYear } from './season'

const next = (place: keyof typeof PLACES, from: string, needed: string | null = null) =>
  nextSowing(PLACES[place], 'loam', dayNumber(from), needed === null ? null : dayNumber(needed))

describe('when the next cover is worth sowing', () => {
  test('in snow country in December: in spring, with what is usual then', () => {
    const found = next('maine', '2026-12-01')!
    expect(isoDate(found.day) >= '2027-03-10').toBe(true)
    expect(isoDate(found.day) <= '2027-05-10').toBe(true)
    expect(found.speciesIds[0]).toBe('oats')
    const year = seasonYear(PLACES.maine)
    for (const id of found.speciesIds) expect(seasonOf(findSpecies(id)!, found.day, year).word).toBe('usual')
  })
  test('where it is usual today it is today', () => {
    expect(next('kentucky', '2026-09-20')!.day).toBe(dayNumber('2026-09-20'))
    expect(next('canterbury', '2026-04-05')!.day).toBe(dayNumber('2026-04-05'))
    expect(next('queensland', '2026-12-01')!.day).toBeLessThan(dayNumber('2026-12-20'))
  })
  test('not where the ground is wanted before it has grown', () => {
    expect(next('maine', '2026-12-01', '2027-05-10')).toBeNull()
    expect(next('maine', '2026-12-01', '2027-07-10')).not.toBeNull()
  })
  test('a later need never puts the sowing off', () => {
    for (const place of Object.keys(PLACES) as (keyof typeof PLACES)[])
      for (const from of ['2026-12-01', '2027-03-15', '2027-07-01']) {
        const soon = nextSowing(PLACES[place], 'loam', dayNumber(from), dayNumber(from) + 120)
        const later = nextSowing(PLACES[place], 'loam', dayNumber(from), dayNumber(from) + 240)
        if (soon) expect(later!.day).toBeLessThanOrEqual(soon.day)
      }
  })
})
