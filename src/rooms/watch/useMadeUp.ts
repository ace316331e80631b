import type { Stand } from '../../core/garden/schema'
import type { MadePicture } from '../../core/picture/made'
import { bandOn, type StandForecast } from '../../core/season/standForecast'
import { leadGroup } from '../../text/names'
import { useGarden } from '../../state/garden'

/** In demo gardens, where there is no bed to point a camera at: a picture of what the forecast has grown by today. */
export function useMadeUp(stand: Stand, forecast: StandForecast | null | undefined): MadePicture | null {
  const { data, today } = useGarden()
  const cover = forecast ? bandOn(forecast.cover, today) : null
  if (!data.garden.demo || !cover) return null
  return {
    cover: cover.p10 + (cover.p50 - cover.p10) * 0.6,
    group: leadGroup(stand),
    seed: today,
    widthPx: 640,
    heightPx: 480,
    ground: 'soil',
    light: today % 3 === 0 ? 'hard' : 'even',
    blurPx: 0,
  }
}
