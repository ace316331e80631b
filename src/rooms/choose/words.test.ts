import { describe, expect, test } from '@jest/globals'
import { PURPOSES } from '../../core/choosing/purposes'
import type { Difference } from '../../core/choosing/types'
import { amountText, LIMIT_WORDS, mixText, tradeText } from './words'
import { dayNumber } from '../../core/foundations/day'
import { heldText, riskText } from '../../text/choosing'
import { nextSowingText } from '../../text/season'

const plain = (text: string) => text.replace(/\u00a0/g, ' ')
const difference = (of: Difference['of'], ours: number, theirs: number): Difference => ({ of, ours, theirs })
const trade = (better: Difference[], worse: Difference[]) =>
  plain(tradeText({ better, worse }, 'oats alone', 'metric', 'EUR'))

describe('amounts', () => {
  test('each purpose has its unit', () => {
    expect(plain(amountText('mass', 512, 'metric'))).toBe('5.1 t/ha')
    expect(plain(amountText('feed', 9.4, 'metric'))).toBe('94 kg/ha')
    expect(plain(amountText('smother', 61.4, 'metric'))).toBe('61 %')
    expect(plain(amountText('quick', 27.6, 'metric'))).toBe('28 days')
    expect(plain(amountText('kitchen', 850, 'metric'))).toBe('0.9 kg/m²')
    expect(plain(amountText('loosen', 151.2, 'metric'))).toBe('151')
  })
  test('imperial growers read pounds and ounces', () => {
    expect(plain(amountText('mass', 512, 'imperial'))).toBe('4,550 lb/acre')
    expect(plain(amountText('kitchen', 850, 'imperial'))).toBe('2.8 oz/ft²')
  })
  test('no purpose is without words', () => {
    for (const { id, name, measure, from } of PURPOSES) {
      expect(amountText(id, 10, 'metric')).not.toBe('')
      for (const words of [name, measure, from]) expect(words.length).toBeGreaterThan(3)
    }
  })
})

describe('sentences', () => {
  test('a mix is named with its shares, a straight species by its name', () => {
    expect(mixText([{ speciesId: 'oats', share: 1 }])).toBe('Oats')
    const mix = [
      { speciesId: 'cereal-rye', share: 0.5 },
      { speciesId: 'hairy-vetch', share: 0.6 },
      { speciesId: 'crimson-clover', share: 0.3 },
    ]
    expect(plain(mixText(mix))).toBe('Cereal rye 50 % with hairy vetch 60 % and crimson clover 30 %')
    expect(mixText(mix, false)).toBe('Cereal rye with hairy vetch and crimson clover')
  })
  test('what is gained and what is given up, two of each at most', () => {
    expect(trade([difference('mass', 600, 400)], [difference('cost', 1.2, 0.4)])).toBe(
      'Over oats alone: 6.0 t/ha dry matter grown against 4.0 t/ha; it gives up seed for €1.20 against €0.40.',
    )
    expect(trade([difference('chance', 0.9, 0.7)], [])).toBe(
      'Over oats alone: a chance of 90 % against 70 %.',
    )
    const three = [difference('mass', 6, 4), difference('feed', 6, 4), difference('chance', 1, 0.5)]
    expect(trade(three, []).split(' and ')).toHaveLength(2)
  })
  test('nothing better is said from the other side; no difference is said as such', () => {
    expect(trade([], [difference('feed', 4, 6)])).toBe(
      'Just ahead of oats alone, which has 60 kg/ha fixed nitrogen kept against 40 kg/ha.',
    )
    expect(trade([], [])).toBe('Much the same as oats alone.')
  })
  test('what would make it fail is counted, the most frequent first', () => {
    expect(riskText({ failures: [{ id: 'dead', share: 0.01 }] })).toBe('No drawbacks found.')
    expect(
      riskText({
        failures: [
          { id: 'dead', share: 0.12 },
          { id: 'frost', share: 0.05 },
        ],
      }),
    ).toBe('It fails when it is not dead in time (12 in 100), or frost comes after planting (5 in 100).')
  })
  test('a cover tells how long it holds the ground, and how long that lies bare', () => {
    const held = (bareBefore: number, days: number, bareAfter: number) =>
      heldText({ ground: { bareBefore, held: days, bareAfter }, room: { before: null, after: null } })
    expect(held(31, 150, 49)).toBe('Holds the ground 150 of 230 days; bare 31 before it covers and 49 after.')
    expect(held(21, 40, 3)).toBe('Holds the ground 40 of 64 days; bare 21 before it covers.')
    expect(held(4, 60, 0)).toBe('Holds the ground 60 of 64 days.')
    expect(held(0, 0, 0)).toBe('')
    const oats = { day: dayNumber('2027-04-16'), speciesIds: ['oats', 'field-pea'] }
    expect(
      heldText({ ground: { bareBefore: 60, held: 90, bareAfter: 50 }, room: { before: oats, after: null } }),
    ).toMatch(/50 after\. Room before it for oats or field pea .*, sown about 16 Apr\.$/)
  })
  test('when a cover is worth sowing is said with its names, or that none is before the ground is wanted', () => {
    const today = dayNumber('2026-12-02')
    const next = { day: dayNumber('2027-04-09'), speciesIds: ['oats', 'red-clover', 'white-mustard'] }
    expect(nextSowingText(next, today, null)).toBe(
      'next worth sowing about 9 Apr: oats, red clover or white mustard',
    )
    expect(nextSowingText({ ...next, day: today }, today, null)).toMatch(/^worth sowing now: oats, /)
    expect(nextSowingText(null, today, dayNumber('2027-05-10'))).toBe(
      'nothing is worth sowing before 10 May; keep it under mulch or a sheet',
    )
    expect(nextSowingText(null, today, null)).toMatch(/^no cover is usually sown/)
  })
  test('every limit has words', () => {
    for (const words of Object.values(LIMIT_WORDS)) expect(words).toMatch(/^[A-Z]/)
  })
})
