import { dayNumber } from '../core/foundations/day'
import { findMethod } from '../core/termination/methods'
import { longDate, metres, percent, type Units } from './format'

/** What the places of a record are called, by field; others are called by the words of their own name. */
const PLACES: Readonly<Record<string, string>> = {
  'start/plan': 'planned start',
  'start/actual': 'recorded start',
  'end/plan': 'planned end',
  'end/actual': 'recorded end',
  content: 'what grows',
  segment: 'its ground',
  follows: 'what follows',
  underStandId: 'what it was sown under',
  cuts: 'a cut',
  waterings: 'a watering',
  followUps: 'a count after the end',
  finishings: 'work after the end',
  outcome: 'what the crop came to',
  lengthM: 'length',
  widthM: 'width',
  pathWidthM: 'path width',
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
  seedAtHand: 'seed at hand',
  waitDays: 'days to wait',
  days: 'days of weather',
}

/** A field’s own name as words: `lengthM` is “length m”. */
const wordsOf = (name: string) => name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()

/** What a place of a record is called. */
export const placeWords = (place: string): string =>
  PLACES[place] ?? PLACES[place.split('/')[0]] ?? wordsOf(place.split('/').at(-1)!)

const ISO_DAY = /^\d{4}-\d{2}-\d{2}$/
/** Most parts of a value that are told. */
const TOLD = 5

/** What a value is called where two devices differ in it; `name` is the field it stands in, which may tell its unit. */
export function valueWords(value: unknown, units: Units, name = ''): string {
  if (value === undefined || value === null || value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') {
    if (/[a-z]M$/.test(name)) return metres(value, units)
    return /share|shade/i.test(name) ? percent(value) : String(value)
  }
  if (typeof value === 'string') {
    if (ISO_DAY.test(value)) return longDate(dayNumber(value))
    return name === 'method' ? (findMethod(value as never)?.name ?? value) : value
  }
  if (Array.isArray(value))
    return value.length === 0 ? 'nothing' : value.map((part) => valueWords(part, units, name)).join(', ')
  return (
    Object.entries(value)
      .filter(
        ([field, part]) =>
          field !== 'id' && field !== 'kind' && part !== null && part !== undefined && part !== '',
      )
      .slice(0, TOLD)
      .map(([field, part]) => valueWords(part, units, field))
      .join(', ') || 'nothing'
  )
}
