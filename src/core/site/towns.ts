import { plainText } from '../foundations/plainText'
import type { Where } from './neighbours'

/** Places with fewer people than this are not on the list: it is fetched on a phone. */
export const SMALLEST_TOWN = 3000

/** A town: its region within the country (ISO 3166), where it lies to a tenth of a degree and ten metres, and a size from 0 to 9. */
export type Town = Where & { name: string; country: string; region: string; size: number }

/** Numbers behind a town's name in the list. */
const COLUMNS = 5

/** The list of towns as it lies beside the app; a line that is none is left out. */
export function parseTowns(text: string): Town[] {
  const towns: Town[] = []
  let [country, region] = ['', '']
  for (const line of text.split('\n')) {
    const [first, ...rest] = line.split('\t')
    if (first.startsWith('@')) [country, region] = [first.slice(1), rest[0] ?? '']
    else if (rest.length === COLUMNS && rest.every((one) => one !== '' && Number.isFinite(Number(one)))) {
      const [north, east, tens, seaKm, size] = rest.map(Number)
      const where = { latitude: north / 10, longitude: east / 10, elevationM: tens * 10, seaKm }
      towns.push({ name: first, country, region, ...where, size })
    }
  }
  return towns
}

/**
 * Towns by what was typed: those of that very name first, then those that begin with it, the large before the small. After a
 * comma a region or country may be named; `countryName` tells a country as people write it.
 */
export function findTowns(
  towns: readonly Town[],
  typed: string,
  countryName: (code: string) => string,
  most = 8,
): Town[] {
  const [town, ...within] = typed.split(',').map(plainText)
  if (town.length < 2) return []
  const wanted = within.filter((part) => part !== '')
  const fits = ({ country, region }: Town) => {
    const where = [region, country, countryName(country)].map(plainText)
    return wanted.every((part) => where.some((one) => one.startsWith(part)))
  }
  const rank = (name: string) =>
    name === town ? 0 : name.startsWith(town) ? 1 : name.includes(` ${town}`) ? 2 : Infinity
  return towns
    .flatMap((one) => {
      // Behind a name in brackets stands what else the town is called.
      const how = Math.min(...one.name.split(/[(),]/).map((name) => rank(plainText(name))))
      return how < Infinity && fits(one) ? [{ one, how }] : []
    })
    .sort((a, b) => a.how - b.how || b.one.size - a.one.size)
    .slice(0, most)
    .map(({ one }) => one)
}
