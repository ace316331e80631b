import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { cropContent, cropStand, planting } from '../garden/newStands'
import type { Stand } from '../garden/schema'
import { USUAL_RULES } from '../garden/usualRules'
import { cropHarms } from '../plants/cropHarms'
import { CROPS, findCrop } from '../plants/crops'
import { testBed } from '../testing/beds'
import { clearDays, tooSoonAfter } from './animalStay'
import { manureOn } from './manure'

const off = dayNumber('2026-04-24')
const stay = {
  id: 's',
  date: '2026-04-24',
  what: '4 hens on cabbage',
  manure: 'raw' as const,
  kg: null,
  animals: { kind: 'hens' as const, head: 4, from: '2026-04-20' },
}
const planned = (cropId: string, date: string): Stand =>
  cropStand(
    { id: cropId, gardenId: 'g', bedId: testBed.id },
    cropContent(cropId, 'transplant'),
    { plan: planting(date), actual: null },
    100,
  )

describe('animals on spent crops', () => {
  test('start the one clock on the day they leave', () => {
    expect(manureOn({ ...testBed, spreads: [stay] }, [])).toEqual([{ day: off, from: 'animals' }])
    expect(clearDays(off, USUAL_RULES)).toEqual({ touching: off + 120, clear: off + 90 })
  })
  test('a crop planned after them that is ready too soon is told, with the day from which it is not', () => {
    const soon = tooSoonAfter(testBed, [planned('potato', '2026-05-05')], off, USUAL_RULES)
    expect(soon).toMatchObject([{ readyDay: dayNumber('2026-07-29'), clearDay: dayNumber('2026-08-22') }])
    expect(tooSoonAfter(testBed, [planned('leek', '2026-05-05')], off, USUAL_RULES)).toEqual([])
    expect(tooSoonAfter(testBed, [planned('potato', '2026-06-05')], off, USUAL_RULES)).toEqual([])
    expect(tooSoonAfter(testBed, [planned('sweetcorn', '2026-05-05')], off, USUAL_RULES)).toEqual([])
  })
  test('the grower’s own days and knowledge of the crop count', () => {
    const rules = { ...USUAL_RULES, manureDays: { touching: 60, clear: 60 } }
    expect(tooSoonAfter(testBed, [planned('potato', '2026-05-05')], off, rules)).toEqual([])
    const staked = { ...USUAL_RULES, harvestTouches: { potato: false } }
    const [{ clearDay }] = tooSoonAfter(testBed, [planned('potato', '2026-04-26')], off, staked)
    expect(clearDay).toBe(off + 90)
  })
})

describe('what spent crops do to animals', () => {
  const levels = (cropId: string, who: Parameters<typeof cropHarms>[1]) =>
    cropHarms(findCrop(cropId)!, who).map(({ level }) => level)
  test.each(CROPS.filter(({ family }) => family === 'Solanaceae'))('$name tops are kept from all', (crop) => {
    for (const who of ['poultry', 'pigs', 'ruminants', 'rabbits', 'horses', 'dogs'] as const)
      expect(cropHarms(crop, who)[0].level).toBe('avoid')
  })
  test('rhubarb, onions, raw beans and poisonous flowers too, by the animal', () => {
    expect(levels('rhubarb', 'poultry')).toEqual(['avoid'])
    expect(levels('onion', 'ruminants')).toEqual(['avoid'])
    expect(levels('onion', 'poultry')).toEqual(['caution'])
    expect(levels('dry-bean', 'pigs')).toEqual(['avoid'])
    expect(levels('larkspur', 'ruminants')).toEqual(['avoid'])
  })
  test('hens may have spent cabbage and lettuce', () => {
    expect(levels('cabbage', 'poultry')).toEqual([])
    expect(levels('lettuce', 'poultry')).toEqual([])
  })
})
