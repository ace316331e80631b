import type { GardenData } from '../core/garden/schema'
import type { Picture } from '../core/garden/check'
import type { SeedLot } from '../core/garden/seed'
import type { WeatherYear } from '../core/garden/weatherYear'
import type { KilimDatabase } from './database'

/** Everything of one garden, beds in walking order; null when there is no such garden. */
export async function loadGarden(db: KilimDatabase, gardenId: string): Promise<GardenData | null> {
  const [garden, beds, stands, checks] = await Promise.all([
    db.gardens.get(gardenId),
    db.beds.where('gardenId').equals(gardenId).toArray(),
    db.stands.where('gardenId').equals(gardenId).toArray(),
    db.checks.where('gardenId').equals(gardenId).toArray(),
  ])
  if (!garden) return null
  return {
    garden,
    beds: beds.sort((a, b) => a.walkOrder - b.walkOrder || a.id.localeCompare(b.id)),
    stands,
    checks,
  }
}

/** The seed lots of one garden, oldest first. */
export async function loadLots(db: KilimDatabase, gardenId: string): Promise<SeedLot[]> {
  const lots = await db.lots.where('gardenId').equals(gardenId).toArray()
  return lots.sort((a, b) => a.year - b.year || a.label.localeCompare(b.label))
}

/** The observed weather of one garden, oldest year first. */
export async function loadWeather(db: KilimDatabase, gardenId: string): Promise<WeatherYear[]> {
  const years = await db.weather.where('gardenId').equals(gardenId).toArray()
  return years.sort((a, b) => a.year - b.year)
}

/** What is kept of a garden beside its beds, stands and checks. */
export async function loadKept(
  db: KilimDatabase,
  gardenId: string,
): Promise<{ weather: WeatherYear[]; lots: SeedLot[]; pictures: Picture[] }> {
  const [weather, lots, pictures] = await Promise.all([
    loadWeather(db, gardenId),
    loadLots(db, gardenId),
    db.pictures.where('gardenId').equals(gardenId).toArray(),
  ])
  return { weather, lots, pictures }
}
