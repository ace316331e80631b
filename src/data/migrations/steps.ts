/** The tables whose records are migrated. */
export type RecordTable = 'gardens' | 'beds' | 'stands' | 'checks' | 'weather' | 'lots' | 'pictures'

/** A record as an older version stored it: nothing is known of its fields. */
export type OldRecord = Record<string, unknown>

/** What a version changed in the records of a table; each takes a record of the version before and gives one of its own. */
export type Step = { to: number; tables: Partial<Record<RecordTable, (record: OldRecord) => OldRecord>> }

const isObject = (value: unknown): value is OldRecord =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** From version 6 a crop says how it is planted and fed, and a cover what is said of the ground after it. */
function withPlanFields(stand: OldRecord): OldRecord {
  const { content } = stand
  return {
    ...stand,
    follows: stand.follows ?? null,
    content:
      isObject(content) && content.kind === 'crop'
        ? { ...content, plantingMethod: content.plantingMethod ?? null, feed: content.feed ?? null }
        : content,
  }
}

const renamed = (record: OldRecord, from: string, to: string): OldRecord => {
  if (!(from in record) || to in record) return record
  const { [from]: value, ...rest } = record
  return { ...rest, [to]: value }
}

const withActual = (step: unknown) => (isObject(step) ? renamed(step, 'fact', 'actual') : step)

/** From version 8 what was done is called actual, and the ground of a stand its segment. */
function withFieldWords(stand: OldRecord): OldRecord {
  const { cuts } = stand
  return renamed(
    {
      ...stand,
      start: withActual(stand.start),
      end: withActual(stand.end),
      cuts: Array.isArray(cuts)
        ? cuts.map((entry: unknown) => (isObject(entry) ? { ...entry, cut: withActual(entry.cut) } : entry))
        : cuts,
    },
    'part',
    'segment',
  )
}

/** What may be left out of a record up to version 8, and stands there empty from then on. */
const filled = (record: OldRecord, empty: OldRecord): OldRecord => ({
  ...record,
  ...Object.fromEntries(Object.entries(empty).map(([field, value]) => [field, record[field] ?? value])),
})

const CHECK_LISTS = { damage: [], pictureIds: [], setAside: false }
const STAND_LISTS = { waterings: [], followUps: [], finishings: [] }
const BED_LISTS = { troubles: [], spreads: [] }
const GARDEN_LISTS = {
  begunOn: null,
  animals: [],
  seedAtHand: [],
  resistantSeed: [],
  jobMarks: [],
  sowers: [],
  packs: [],
  livestock: [],
  nitrogenSources: [],
  rules: {
    longestSheetDays: null,
    legumeFrom: 'any stage',
    turning: 'when it helps',
    seedSet: 'allowed',
    manureDays: { touching: 120, clear: 90 },
    fireBan: false,
  },
}

const within = (of: OldRecord, field: string, empty: OldRecord) => {
  const inner = of[field]
  return isObject(inner) ? { [field]: filled(inner, empty) } : {}
}

function completeStand(stand: OldRecord): OldRecord {
  const { start } = stand
  const steps = isObject(start)
    ? {
        start: { ...start, ...within(start, 'plan', START_FIELDS), ...within(start, 'actual', START_FIELDS) },
      }
    : {}
  return { ...filled(stand, STAND_LISTS), ...steps }
}
const START_FIELDS = { keptMoistDays: 0, sownBetween: null }

function completeGarden(garden: OldRecord): OldRecord {
  const whole = filled(garden, GARDEN_LISTS)
  return {
    ...whole,
    ...within(whole, 'rules', { harvestTouches: {} }),
    ...within(whole, 'site', { warmingCPerDecade: 0, daySpread: 1 }),
  }
}

function withPeopleAndDays(garden: OldRecord): OldRecord {
  const { jobMarks } = garden
  const marks = Array.isArray(jobMarks)
    ? jobMarks.map((mark: unknown) => (isObject(mark) ? filled(mark, { who: null }) : mark))
    : []
  return { ...filled(garden, { away: [], outlook: [] }), jobMarks: marks }
}

const UNKNOWN_TOWN = {
  town: '',
  country: '',
  longitude: null,
  seaKm: null,
  winterC: 0,
  summerC: 0,
  rain: 1,
  lastFrost: null,
  firstFrost: null,
  coldestC: null,
  hottestHighC: null,
  hottestLowC: null,
}

function withPlaces(bed: OldRecord): OldRecord {
  const { fixtures } = bed
  if (!Array.isArray(fixtures)) return bed
  return {
    ...bed,
    fixtures: fixtures.map((one: unknown) => (isObject(one) ? filled(one, { place: null }) : one)),
  }
}

/** A garden whose climate was told kept neither town nor longitude; its normals stay as they are. */
function withHome({ climateType, ...garden }: OldRecord): OldRecord {
  if ('home' in garden) return garden
  const told = climateType !== undefined && climateType !== 'not told'
  return { ...garden, home: told ? UNKNOWN_TOWN : null }
}

/** All steps from version 1 on, in order. Versions 2 to 5 only added what may be left out, so that they change nothing. */
export const STEPS: readonly Step[] = [
  { to: 2, tables: {} },
  { to: 3, tables: {} },
  { to: 4, tables: {} },
  { to: 5, tables: {} },
  { to: 6, tables: { stands: withPlanFields } },
  // What stood in a bed before its records begin can be told from version 7 on.
  { to: 7, tables: { beds: (bed) => ({ ...bed, stoodBefore: bed.stoodBefore ?? null }) } },
  { to: 8, tables: { stands: withFieldWords } },
  {
    to: 9,
    tables: {
      gardens: completeGarden,
      beds: (bed) => filled(bed, BED_LISTS),
      stands: completeStand,
      checks: (check) => filled(check, CHECK_LISTS),
    },
  },
  // From version 10 on jobs can be somebody's, and days away and the days ahead are told.
  { to: 10, tables: { gardens: withPeopleAndDays } },
  // From version 11 on a grower's own days to the last weeding of a crop are kept.
  {
    to: 11,
    tables: { gardens: (garden) => ({ ...garden, ...within(garden, 'rules', { lastWeeding: {} }) }) },
  },
  // Version 12 added sheets on ground without a cover, years of tools, and mulch in store.
  { to: 12, tables: { gardens: (garden) => filled(garden, { mulch: [], mulchLaid: [] }) } },
  // From version 13 on what stays in a bed can have its place there, and a part of a bed be any rectangle.
  // How close crops stand when late is the grower's own where they know.
  {
    to: 13,
    tables: {
      beds: withPlaces,
      gardens: (garden) => ({ ...garden, ...within(garden, 'rules', { closerWhenLate: {} }) }),
    },
  },
  // Version 14 only added what may be left out: more tools, sheets that lie until the residue is thin, mulch on a part.
  { to: 14, tables: {} },
  // Version 15 only added what may be left out: film and fabric with holes, how steep a bed lies, which
  // of several crops a plan goes on to, and what mulch that is owed comes after.
  { to: 15, tables: {} },
  // From version 16 on a garden keeps its town and what its grower corrects of the usual year there, in place of a kind of climate.
  { to: 16, tables: { gardens: withHome } },
  // From version 17 on a climate says how far its days lie from the normals, where the place tells it.
  { to: 17, tables: { gardens: (garden) => ({ ...garden, ...within(garden, 'site', { spreadC: null }) }) } },
]
