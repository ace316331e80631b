import { dayNumber } from '../core/foundations/day'
import { findCrop } from '../core/plants/crops'
import { findSpecies } from '../core/plants/catalogue'
import { findMethod } from '../core/termination/methods'
import {
  area,
  centimetres,
  grams,
  kilos,
  longDate,
  metres,
  minutes,
  percent,
  rain,
  temperature,
  type Units,
} from './format'

/** What the places of a record are called; others are called by the words of their own name. */
const PLACES: Readonly<Record<string, string>> = {
  'start/plan': 'planned start',
  'start/actual': 'recorded start',
  'end/plan': 'planned end',
  'end/actual': 'recorded end',
  content: 'what grows',
  segment: 'its ground',
  follows: 'what follows',
  underStandId: 'what it was sown under',
  bedId: 'bed',
  cuts: 'a cut',
  waterings: 'a watering',
  followUps: 'a count after the end',
  finishings: 'work after the end',
  outcome: 'what the crop came to',
  walkOrder: 'place in the walk',
  sectionId: 'section',
  stoodBefore: 'what stood before',
  fixtures: 'a fixture',
  troubles: 'a trouble',
  spreads: 'compost or feed spread',
  sections: 'a section',
  tools: 'a tool',
  livestock: 'animals',
  nitrogenSources: 'a feed',
  sowers: 'a person who sows',
  packs: 'a pack of seed',
  jobMarks: 'a job put off or ticked',
  away: 'days away',
  outlook: 'the weather of a day ahead',
  seedAtHand: 'seed at hand',
  waitDays: 'days to wait',
  cover: 'green cover',
}
/** Lists whose entries are named by an id or their own name, which tells a grower nothing. */
const LISTS =
  /^(cuts|waterings|followUps|finishings|fixtures|troubles|spreads|sections|tools|livestock|nitrogenSources|sowers|packs|jobMarks|away|outlook|seedAtHand)\//

type Said = (value: number, units: Units) => string
/** How numbers are told by how the name of their field ends. */
const BY_ENDING: readonly (readonly [RegExp, Said])[] = [
  [/M2$/, area],
  [/Cm$/, (cm, units) => centimetres(cm / 100, units)],
  [/Mm$|^mm$/, rain],
  [/Kg$|^kg$/, kilos],
  [/(Grams|G)$|^grams$/, grams],
  [/C$/, temperature],
  [/M$/, metres],
  [/[sS]hare$|^shade$|^cover$|[gG]ermination$|^purity$/, percent],
  [/^minutes$/, minutes],
  [/Pct$/, (pct) => `${pct} %`],
]

/** The field that a place ends with. */
export const fieldOf = (place: string): string => place.split('/').at(-1)!

/** A field’s own name as words, without its unit: `pathWidthM` is “path width”. */
const wordsOf = (name: string): string =>
  name
    .replace(/(M2|Cm|Mm|Kg|M|G|C|Cd|Id|Pct)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()

/** What a place of a record is called. */
export function placeWords(place: string): string {
  const names = place.split('/')
  for (let known = names.length; known > 0; known--) {
    const called = PLACES[names.slice(0, known).join('/')]
    if (called === undefined) continue
    const rest = names.slice(LISTS.test(place) ? 2 : known)
    return rest.length > 0 ? `${called}, ${wordsOf(rest.at(-1)!)}` : called
  }
  return wordsOf(fieldOf(place))
}

const ISO_DAY = /^\d{4}-\d{2}-\d{2}$/
/** Most fields of a value that are told. */
const TOLD = 5

/** A text by what it names: a day, a species, a crop, a way, something of the garden; else itself. */
function textWords(text: string, named: ReadonlyMap<string, string>): string {
  if (ISO_DAY.test(text)) return longDate(dayNumber(text))
  return (
    named.get(text) ??
    findSpecies(text)?.name ??
    findCrop(text)?.name ??
    findMethod(text as never)?.name ??
    text
  )
}

/**
 * What a value is called where two differ in it.
 * @param field what it stands in, which may tell its unit  @param named what ids of the garden are called
 */
export function valueWords(
  value: unknown,
  units: Units,
  field = '',
  named: ReadonlyMap<string, string> = new Map(),
): string {
  if (value === undefined || value === null || value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number')
    return BY_ENDING.find(([ending]) => ending.test(field))?.[1](value, units) ?? String(value)
  if (typeof value === 'string') return textWords(value, named)
  const fields: [string, unknown][] = Array.isArray(value)
    ? value.map((one: unknown) => [field, one])
    : Object.entries(value).filter(([name]) => name !== 'id')
  const told = fields.filter(([, one]) => one !== null && one !== undefined && one !== '' && !isEmpty(one))
  return told.length === 0
    ? 'nothing'
    : told
        .slice(0, TOLD)
        .map(([name, one]) => valueWords(one, units, name, named))
        .join(', ')
}

const isEmpty = (value: unknown) => Array.isArray(value) && value.length === 0
