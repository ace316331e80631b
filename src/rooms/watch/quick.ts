import { bandOn, type StandForecast } from '../../core/season/standForecast'
import { stagesOf } from '../../core/stand/stage'
import type { PlantGroup } from '../../core/plants/parameters'

export type Question = 'up' | 'stage' | 'cover'

/** Cover above which it is not asked for any more, and days after it is due that coming up is. */
const CLOSED = 0.93
const UP_DAYS = 7

/** What is worth asking of a stand today. Without a forecast, stage and cover. */
export function questionsNow(forecast: StandForecast | null, today: number): Question[] {
  const up = forecast?.stages.find((stage) => stage.bbch === 9)?.date.quantiles
  if (up && today <= up.p90 + UP_DAYS) return ['up', 'cover']
  const cover = forecast && bandOn(forecast.cover, today)
  return cover && cover.p10 > CLOSED ? ['stage'] : ['stage', 'cover']
}

/** Stages likely today, and one before and after: three to five to choose from. */
export function likelyStages(forecast: StandForecast | null, group: PlantGroup, today: number) {
  const all = stagesOf(group)
  const band = forecast && bandOn(forecast.bbch, today)
  if (!band) return all.slice(1, 5)
  const at = (bbch: number) =>
    Math.max(
      0,
      all.findLastIndex((stage) => stage.bbch <= bbch),
    )
  const from = Math.max(0, at(band.p10) - 1)
  const to = Math.min(all.length - 1, at(band.p90) + 1)
  const middle = at(band.p50)
  return all.slice(Math.max(from, middle - 2), Math.max(to, middle) + 1).slice(0, 5)
}
