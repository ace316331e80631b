import { expect, test } from '@jest/globals'
import type { Scene } from '../core/portrait/scene'
import { sceneLine, sceneWords } from './scene'

const same = (value: number) => ({ p10: value, p50: value, p90: value })
const scene: Scene = {
  day: 100,
  plants: [
    {
      speciesId: 'cereal-rye',
      perM2: 150,
      alive: 0.9,
      heightM: { p10: 0.36, p50: 0.45, p90: 0.57 },
      bbch: 40,
      rootM: 0.8,
    },
  ],
  crop: null,
  cover: same(0.93),
  massG: same(290),
  mulchM: same(0.002),
  mulchAgeDays: null,
  sheet: null,
  snowM: 0,
  wetTop: 0.2,
  wetBelow: 0.7,
  soilC: same(12.6),
}
const plain = (text: string) => text.replaceAll('\u00a0', ' ')
const bed = (units: 'metric' | 'imperial') => ({ units, areaM2: 14 })

test('a growing stand is told by its green, its growth and the warmth, for its bed', () => {
  expect(plain(sceneLine(scene, bed('metric')))).toBe(
    '93 % of the ground green · 4.1 kg of dry growth · soil 13 °C',
  )
  expect(plain(sceneWords(scene, bed('metric')))).toBe(
    'Cereal rye 45 cm (36 cm to 57 cm) high, flag leaf out, roots to 80 cm; 93 % of the ground green · 4.1 kg of dry growth · soil 13 °C; top of the soil dry, below wet.',
  )
})

test('an imperial garden hears of no metric unit', () => {
  const words = sceneWords(
    { ...scene, snowM: 0.1, mulchM: same(0.05), mulchAgeDays: 3, sheet: 'black' },
    bed('imperial'),
  )
  expect(words).not.toMatch(/\d\s?(cm|m|kg|g|°C)\b/)
  expect(words).toMatch(/under black sheet.*mulch 2/)
})

test('after the end the green is no measure: mulch, what may stand again, and the crop are told', () => {
  const after = {
    ...scene,
    mulchAgeDays: 20,
    mulchM: { p10: 0.03, p50: 0.05, p90: 0.06 },
    crop: { cropId: 'tomato', heightM: 0.3, grown: 0.2, apartM: 0.5 },
    plants: [{ ...scene.plants[0], alive: 0.05 }],
  }
  expect(plain(sceneLine(after, bed('metric')))).toBe(
    'mulch 5 cm (3 cm to 6 cm) · a few plants may stand again · Tomato stands · soil 13 °C',
  )
  expect(sceneWords({ ...scene, plants: [] }, bed('metric'))).toMatch(/^nothing of the cover stands/)
})
