import { expect, test } from '@jest/globals'
import { flatBands, flatForecast } from '../../core/testing/forecasts'
import { likelyStages, questionsNow } from './quick'

const today = 20_000
const start = today - 100
const up = (low: number, high: number) => [
  { bbch: 9, date: { chance: 1, quantiles: { p10: low, p50: (low + high) / 2, p90: high } } },
]

test('young stands are asked whether they are up, closed ones only for their stage', () => {
  expect(questionsNow(flatForecast(start, { stages: up(today - 2, today + 2) }), today)).toEqual([
    'up',
    'cover',
  ])
  const old = { stages: up(today - 60, today - 55) }
  const closed = flatForecast(start, { ...old, cover: flatBands(start, 0.97, 0.95, 0.99) })
  expect(questionsNow(closed, today)).toEqual(['stage'])
  const open = flatForecast(start, { ...old, cover: flatBands(start, 0.6, 0.4, 0.8) })
  expect(questionsNow(open, today)).toEqual(['stage', 'cover'])
  expect(questionsNow(null, today)).toEqual(['stage', 'cover'])
})
test('stages offered are the likely ones with their neighbours, five at most', () => {
  const boot = flatForecast(start, { bbch: flatBands(start, 46, 40, 49) })
  expect(likelyStages(boot, 'grass', today).map(({ bbch }) => bbch)).toEqual([31, 39, 45, 51])
  const wide = flatForecast(start, { bbch: flatBands(start, 60, 25, 80) })
  const offered = likelyStages(wide, 'legume', today).map(({ bbch }) => bbch)
  expect(offered.length).toBeLessThanOrEqual(5)
  expect(offered).toContain(51)
  expect(likelyStages(null, 'broadleaf', today).length).toBeGreaterThan(2)
})
