import type { StandForecast } from '../season/forecast'
import type { Bands } from '../stand/summary'

/** Bands that stay at one value for 1200 days from a day on, with no spread unless given. */
export const flatBands = (startDay: number, mid: number, low = mid, high = mid): Bands => ({
  startDay,
  stepDays: 300,
  low: [low, low, low, low, low],
  mid: [mid, mid, mid, mid, mid],
  high: [high, high, high, high, high],
})

/** A forecast in which nothing happens, with what a test needs put in. */
export function flatForecast(startDay: number, own: Partial<StandForecast> = {}): StandForecast {
  const nothing = flatBands(startDay, 0)
  return {
    standId: '',
    cover: nothing,
    massG: nothing,
    heightM: nothing,
    residueG: nothing,
    nitrogenG: nothing,
    bbch: nothing,
    up: [],
    seedLayer: flatBands(startDay, 1),
    alive: [flatBands(startDay, 1)],
    plantsPerM2: { low: 0, mid: 0, high: 0 },
    stages: [],
    stagesByPart: [],
    covered30: { chance: 1, spread: null },
    dead: { chance: 0, spread: null },
    ended: null,
    selfSowing: [],
    carbonG: { low: 0, mid: 0, high: 0 },
    diesAlone: 0,
    ...own,
  }
}
