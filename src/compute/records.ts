import type { WeatherRecord } from '../core/site/record'

/** Records kept: those of the gardens opened last. */
const MOST = 4

/** Weather records by the key that questions name them by, the newest last; old ones leave. */
export class WeatherRecords {
  readonly #kept = new Map<string, WeatherRecord>()

  keep(key: string, record: WeatherRecord): void {
    this.#kept.delete(key)
    this.#kept.set(key, record)
    for (const old of [...this.#kept.keys()].slice(0, -MOST)) this.#kept.delete(old)
  }

  get(key: string): WeatherRecord | null {
    return this.#kept.get(key) ?? null
  }
}
