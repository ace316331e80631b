import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../foundations/day'
import { findSpecies, SPECIES } from '../plants/catalogue'
import { sowingSeasonOf } from '../plants/seasons'
import { usualYear } from '../site/usualYear'
import { PLACES } from '../testing/places'
import { questionWeather, testQuestion } from '../testing/questions'
import { rankCovers } from './rank'
import { sowingDays } from './screening'
import { bySeason, seasonOf, seasonOfMix, seasonYear, type SeasonWord } from './season'

const word = (place: keyof typeof PLACES, species: string, date: string): SeasonWord =>
  seasonOf(findSpecies(species)!, dayNumber(date), seasonYear(PLACES[place])).word

test('every cover has its season', () => {
  for (const species of SPECIES) expect(sowingSeasonOf(species).kind).toBeTruthy()
  expect(() => sowingSeasonOf({ id: 'unheard-of' })).toThrow(/No sowing season/)
})

describe('when covers are sown', () => {
  test.each([
    // Winter cereals belong in autumn, north and south.
    ['kentucky', 'cereal-rye', '2026-09-25', 'usual'],
    ['minnesota', 'cereal-rye', '2026-10-10', 'usual'],
    ['netherlands', 'winter-wheat', '2026-10-15', 'usual'],
    ['canterbury', 'triticale', '2026-04-10', 'usual'],
    ['canterbury', 'triticale', '2026-12-01', 'unusual'],
    ['canterbury', 'cereal-rye', '2026-12-01', 'unusual'],
    ['queensland', 'cereal-rye', '2026-10-09', 'unusual'],
    ['queensland', 'winter-barley', '2026-10-09', 'unusual'],
    ['florida', 'triticale', '2026-06-15', 'unusual'],
    ['bavaria', 'cereal-rye', '2026-06-01', 'unusual'],
    ['kentucky', 'cereal-rye', '2026-03-05', 'possible'],
    ['kenya', 'winter-wheat', '2026-04-01', 'unusual'],
    // Spring cereals in spring, before winter, and through mild winters.
    ['kentucky', 'oats', '2026-03-20', 'usual'],
    ['maine', 'oats', '2026-08-10', 'usual'],
    ['florida', 'oats', '2026-06-15', 'unusual'],
    ['apulia', 'oats', '2026-11-10', 'usual'],
    ['apulia', 'faba-bean', '2026-11-10', 'usual'],
    ['oregon', 'faba-bean', '2026-10-10', 'possible'],
    ['minnesota', 'oats', '2026-12-05', 'unusual'],
    // Legumes of winter, of spring, and those that stay.
    ['kentucky', 'crimson-clover', '2026-09-10', 'usual'],
    ['kentucky', 'hairy-vetch', '2026-09-20', 'usual'],
    ['minnesota', 'subterranean-clover', '2026-09-01', 'unusual'],
    ['bavaria', 'field-pea', '2026-04-01', 'usual'],
    ['kentucky', 'red-clover', '2026-02-25', 'usual'],
    ['minnesota', 'red-clover', '2026-10-10', 'unusual'],
    // Warm soil and no frost ahead.
    ['illinois', 'sorghum-sudangrass', '2026-03-27', 'no'],
    ['illinois', 'sorghum-sudangrass', '2026-06-10', 'usual'],
    ['kentucky', 'cowpea', '2026-04-20', 'no'],
    ['minnesota', 'sorghum-sudangrass', '2026-09-05', 'no'],
    ['minnesota', 'buckwheat', '2026-10-01', 'no'],
    ['minnesota', 'buckwheat', '2026-07-20', 'usual'],
    ['florida', 'sudangrass', '2026-06-15', 'usual'],
    ['queensland', 'cowpea', '2026-11-15', 'usual'],
    ['netherlands', 'sorghum-sudangrass', '2026-07-10', 'unusual'],
    ['canterbury', 'pearl-millet', '2026-12-15', 'no'],
    // Mustards before winter, and nothing cool in a dry summer.
    ['kentucky', 'oilseed-radish', '2026-08-25', 'usual'],
    ['kentucky', 'oilseed-radish', '2026-07-05', 'unusual'],
    ['apulia', 'phacelia', '2026-06-10', 'unusual'],
    ['apulia', 'foxtail-millet', '2026-06-10', 'unusual'],
    ['apulia', 'buckwheat', '2026-06-10', 'unusual'],
    ['apulia', 'sudangrass', '2026-05-10', 'usual'],
  ] as const)('%s: %s on %s is %s', (place, species, date, expected) =>
    expect(word(place, species, date)).toBe(expected),
  )
  test('into a dry summer a deep-rooted grass goes only where the soil still holds water', () => {
    const sudangrass = findSpecies('sudangrass')!
    const on = (date: string, soil: 'sand' | 'clay loam') =>
      seasonOf(sudangrass, dayNumber(date), seasonYear(PLACES.apulia, soil))
    expect(on('2026-05-15', 'clay loam').word).toBe('usual')
    expect(on('2026-07-10', 'sand')).toEqual({ word: 'no', why: 'dry season' })
  })
  test('without frost warm covers go in with the rains, and not into the dry', () => {
    // A monsoon highland: dry from December to April.
    const { site } = usualYear({ latitude: 19.9, longitude: 99.8, elevationM: 400, seaKm: 300 })
    const on = (date: string, id = 'sorghum-sudangrass') =>
      seasonOf(findSpecies(id)!, dayNumber(date), seasonYear(site)).word
    expect(on('2026-12-02')).toBe('possible')
    expect(on('2027-02-24')).toBe('possible')
    expect(on('2027-02-10', 'sunn-hemp')).not.toBe('usual')
    expect(on('2027-05-20')).toBe('usual')
    expect(on('2027-05-20', 'sunn-hemp')).toBe('usual')
  })
  test('a mix is as its least suited part', () => {
    const mix = ['hairy-vetch', 'sorghum-sudangrass'].map((id) => findSpecies(id)!)
    expect(seasonOfMix(mix, dayNumber('2026-09-20'), seasonYear(PLACES.kentucky)).word).toBe('no')
    expect(seasonOfMix(mix.slice(0, 1), dayNumber('2026-09-20'), seasonYear(PLACES.kentucky)).word).toBe(
      'usual',
    )
  })
})

test('the rank puts nothing unusual above what is in season, and leaves out what nobody sows', () => {
  const ranked = (place: keyof typeof PLACES, from: string, until: string) => {
    const climate = PLACES[place]
    const question = testQuestion(from, until, { purposes: ['mass'], climate, sowDay: dayNumber(from) })
    return rankCovers(question, questionWeather(question, climate, 8))
  }
  const december = ranked('canterbury', '2026-12-01', '2027-04-01')
  const words = december.candidates.map(({ season }) => season!.word)
  expect(words).toEqual([...words].sort((a, b) => Number(a === 'unusual') - Number(b === 'unusual')))
  expect(['triticale', 'cereal-rye', 'winter-wheat']).not.toContain(december.candidates[0].key)
  const march = ranked('illinois', '2026-03-27', '2026-07-15')
  expect(march.candidates.some(({ key }) => /sorghum|cowpea|millet/.test(key))).toBe(false)
  expect(march.rejections.find(({ key }) => key === 'sorghum-sudangrass')).toMatchObject({
    limit: 'out of season',
    reason: { code: 'season', why: 'cold soil' },
  })
})

test('of two unusual ones, and of two usual, the better stands first', () => {
  const one = (score: number, of: SeasonWord) => ({ score, season: { word: of, why: null } })
  const list = [one(0.9, 'unusual'), one(0.4, 'possible'), one(0.5, 'usual'), one(0.95, 'unusual')]
  expect(list.sort(bySeason).map(({ score }) => score)).toEqual([0.5, 0.4, 0.95, 0.9])
})

test('under snow the list waits for spring and says when to sow', () => {
  const climate = PLACES.minnesota
  const question = testQuestion('2026-12-02', '2027-06-20', { purposes: ['mass'], climate })
  const { candidates } = rankCovers(question, questionWeather(question, climate, 8))
  expect(candidates.length).toBeGreaterThan(3)
  expect(candidates[0].sowDay).toBeGreaterThan(dayNumber('2027-02-15'))
  expect(candidates[0].season!.word).not.toBe('unusual')
})

test('an unusual day is not tried where the window holds one in season', () => {
  const rye = [findSpecies('cereal-rye')!]
  const words = (from: string, until: string) => {
    const question = testQuestion(from, until, { climate: PLACES.kentucky })
    return sowingDays(question, rye).map((day) => word('kentucky', 'cereal-rye', isoDate(day)))
  }
  expect(words('2026-06-20', '2027-05-20')).toEqual(['usual', 'usual', 'usual', 'usual', 'usual'])
  expect(new Set(words('2026-05-20', '2026-08-01'))).toEqual(new Set(['unusual']))
})

test('where nothing waits for the ground, a cover is sown soon after its season begins', () => {
  const sorghum = [findSpecies('sorghum-sudangrass')!]
  const days = (extra: object) =>
    sowingDays(testQuestion('2026-05-05', '2026-12-21', { climate: PLACES.florida, ...extra }), sorghum)
  const open = days({ follows: { kind: 'nothing' } })
  expect(open[0]).toBe(dayNumber('2026-05-05'))
  expect(open.at(-1)! - open[0]).toBeLessThanOrEqual(28)
  expect(days({}).at(-1)! - open[0]).toBeGreaterThan(28)
})

test('a cover that leaves the ground bare for weeks names what has room before it', () => {
  const climate = PLACES.minnesota
  const question = testQuestion('2027-03-05', '2027-10-20', {
    purposes: ['mass'],
    climate,
    follows: { kind: 'nothing' },
  })
  const { candidates } = rankCovers(question, questionWeather(question, climate, 4))
  const late = candidates.find(({ key }) => key === 'sorghum-sudangrass')!
  expect(late.ground.bareBefore).toBeGreaterThan(60)
  expect(late.room.before!.day).toBeLessThan(late.sowDay - 30)
  expect(late.room.before!.speciesIds).toContain('oats')
  const soon = candidates.find(({ ground }) => ground.bareBefore < 42)
  expect(soon?.room.before ?? null).toBeNull()
})
