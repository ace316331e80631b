import type { Answers } from '../compute/answers'
import { handForecast } from '../core/site/handForecast'
import type { KilimDatabase } from '../data/database'
import { loadGarden } from '../data/gardens'
import { setPreloaded } from './preloaded'
import { expectedOn, weatherSpecOf } from './season'
import type { Store } from './store'
import { todayIn } from './today'
import { keepRecord, loadKeptWeather } from './weatherRecord'

/**
 * Reads the open garden before the page is drawn, and lets a worker make its weather, unless answers of its day are at
 * hand.
 */
export async function preload(db: KilimDatabase, store: Store, answers: Answers): Promise<void> {
  const { gardenId, demoDays } = store.getState().session
  if (!gardenId) return
  const [data, kept] = await Promise.all([loadGarden(db, gardenId), loadKeptWeather(gardenId)])
  if (!data) return
  setPreloaded({ gardenId, data, kept })
  const { site, outlook } = data.garden
  const today = todayIn(data.garden, demoDays[gardenId])
  const recordKey = keepRecord(answers.pool, kept, outlook ? handForecast(site, outlook) : [])
  answers.prepare(weatherSpecOf(expectedOn(data, today), today, recordKey))
}
