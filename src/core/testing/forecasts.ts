import type { StandForecast } from '../season/standForecast'
import type { Bands } from '../stand/summary'

/** Bands that stay at one value for 1200 days from a day on, with no spread unless given. */
export const flatBands = (startDay: number, mid: number, low = mid, high = mid): Bands => ({
  startDay,
  stepDays: 300,
  p10: [low, low, low, low, low],
  p50: [mid, mid, mid, mid, mid],
  p90: [high, high, high, high, high],
})

/** A forecast in which nothing happens, with what a test needs put in. */
export function flatForecast(startDay: number, own: Partial<StandForecast> = {}): StandForecast {
  const nothing = flatBands(startDay, 0)
  return {
    sownOn: null,
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
    plantsPerM2: [{ p10: 0, p50: 0, p90: 0 }],
    stages: [],
    stagesByComponent: [],
    covered30: { chance: 1, quantiles: null },
    dead: { chance: 0, quantiles: null },
    ended: null,
    selfSowing: [],
    carbonG: { p10: 0, p50: 0, p90: 0 },
    diesAlone: 0,
    ...own,
  }
}
