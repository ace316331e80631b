import { expect, test } from '@jest/globals'
import { dayNumber } from '../core/foundations/day'
import { cropContent, cropStand, planting } from '../core/garden/newStands'
import { sheetClashes, sheetUses } from '../core/scenario/sheetUse'
import type { GardenData } from '../core/garden/schema'
import { testBed, testCover, testTool } from '../core/testing/beds'
import { clashText, pieceText } from './sheets'

const beds = ['A1', 'B2'].map((id) => ({ ...testBed, id, label: id }))
const tarped = (bedId: string, date: string) => ({
  ...testCover('cereal-rye', '2025-09-20', {
    end: { plan: { date, method: 'tarp', passes: 1, note: '' }, actual: null },
  }),
  id: bedId,
  bedId,
})
const through = (bedId: string, date: string) =>
  cropStand(
    { id: bedId, gardenId: 'g', bedId },
    cropContent('squash', 'transplant', { plantingMethod: 'film' }),
    { plan: planting(date), actual: null },
    90,
  )
const told = (tools: object[], stands: object[], named = true) =>
  sheetClashes(
    sheetUses({ garden: { tools }, beds, stands } as unknown as GardenData, dayNumber('2026-04-20')),
  ).map((clash) => clashText(clash, ({ stand }) => stand.bedId, named))

test('a piece is named by its size, and by its holes where crops are planted through it', () => {
  expect(pieceText(testTool('black tarp', 1.5, 12), 'metric')).toMatch(/^black tarp 1[.,]5\sm × 12\sm$/)
  expect(pieceText({ ...testTool('woven fabric', 1.3, 12), holesM: 0.45 }, 'metric')).toMatch(
    /, holes 45\scm apart$/,
  )
  expect(pieceText(testTool('mulch film'), 'imperial')).toBe('mulch film of unknown size, no holes yet')
})

test('two beds that want one sheet are told with the day it is free; what fits nothing with what would', () => {
  const tarp = testTool('black tarp', 2, 12)
  const two = [tarped('A1', '2026-05-01'), tarped('B2', '2026-05-10')]
  expect(told([tarp], two)).toEqual([
    expect.stringMatching(/^B2 wants a black tarp from 10 May while it lies on A1\. Lay it after 5 Jun/),
  ])
  expect(told([tarp], two, false)[0]).toMatch(/^It wants a black tarp/)
  expect(told([tarp, { ...tarp, id: 'other' }], two)).toEqual([])
  expect(told([testTool('black tarp', 1, 3)], two)[0]).toMatch(
    /none of yours covers it\. Write down its size/,
  )
  const fabric = { ...testTool('woven fabric', 1.3, 12), holesM: 0.2 }
  expect(told([fabric], [through('A1', '2026-06-01')])[0]).toMatch(/holes as the crop wants them/)
  const bare = testTool('mulch film', 1.3, 12)
  expect(told([bare], [through('A1', '2026-06-01'), through('B2', '2026-06-05')])[0]).toMatch(
    /lies on A1\. Plant after .* in the Shed\.$/,
  )
})
