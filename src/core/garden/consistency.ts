import type { Problem } from '../foundations/outcome'
import type { Picture } from './check'
import type { GardenData, Stand } from './schema'
import type { SeedLot } from './seed'
import type { WeatherYear } from './weatherYear'

/** Species of a start that are not those of the cover, one for one: its numbers would be read against the wrong plants. */
function componentProblems(stand: Stand): Problem[] {
  const wanted =
    stand.content.kind === 'cover' ? stand.content.components.map((component) => component.speciesId) : []
  return (['plan', 'actual'] as const).flatMap((when) => {
    const found = stand.start[when]?.components.map((component) => component.speciesId) ?? []
    if (found.length === 0 || found.join('\n') === wanted.join('\n')) return []
    return [
      {
        path: `start.${when}.components`,
        code: 'other-species',
        message: `The ${when === 'plan' ? 'planned' : 'recorded'} sowing lists ${found.join(', ')}, the stand ${wanted.join(', ') || 'none'}. List the same species in the same order in both.`,
      },
    ]
  })
}

/** Problems of one stand by itself: an end before its start, a sowing of other species than the stand's. */
export function standProblems(stand: Stand): Problem[] {
  const problems = componentProblems(stand)
  for (const when of ['plan', 'actual'] as const) {
    const start = stand.start[when] ?? stand.start.plan
    const end = stand.end[when]
    if (start && end && end.date < start.date)
      problems.push({
        path: 'end.date',
        code: 'end-before-start',
        message: `The end (${end.date}) lies before the start (${start.date}). Choose a later end date.`,
      })
  }
  return problems
}

/** What belongs to a garden beside its beds, stands and checks. */
type Kept = { weather?: WeatherYear[]; lots?: SeedLot[]; pictures?: Picture[] }
const KEPT = ['weather', 'lots', 'pictures'] as const
const LISTS = ['beds', 'stands', 'checks', ...KEPT] as const

/** Records that stand twice, or that say they belong to another garden. */
function recordProblems(data: GardenData & Kept): Problem[] {
  const problems: Problem[] = []
  for (const list of LISTS) {
    const seen = new Set<string>()
    for (const [i, { id, gardenId }] of (data[list] ?? []).entries()) {
      if (seen.has(id))
        problems.push({
          path: `${list}.${i}.id`,
          code: 'twice',
          message: `${id} stands twice among the ${list}. Give each record an id of its own.`,
        })
      seen.add(id)
      if (gardenId !== data.garden.id)
        problems.push({
          path: `${list}.${i}.gardenId`,
          code: 'other-garden',
          message: `${list}.${i} belongs to the garden ${gardenId}, not to ${data.garden.id}. A file holds one garden and its own records.`,
        })
    }
  }
  const years = (data.weather ?? []).map(({ year }) => year)
  if (new Set(years).size < years.length)
    problems.push({
      path: 'weather',
      code: 'twice',
      message: 'A year of weather stands twice in the file. Keep one record for each year.',
    })
  return problems
}

/** References that lead nowhere, over a whole garden. */
export function referenceProblems(data: GardenData): Problem[] {
  const known = {
    section: new Set(data.garden.sections.map((section) => section.id)),
    bed: new Set(data.beds.map((bed) => bed.id)),
    stand: new Set(data.stands.map((stand) => stand.id)),
  }
  const problems: Problem[] = []
  function follow(path: string, what: keyof typeof known, id: string | null | undefined) {
    if (id === null || id === undefined || known[what].has(id)) return
    problems.push({
      path,
      code: 'missing-reference',
      message: `${path} points to a ${what} that is not there.`,
    })
  }
  data.beds.forEach((bed, i) => follow(`beds.${i}.sectionId`, 'section', bed.sectionId))
  data.stands.forEach((stand, i) => follow(`stands.${i}.bedId`, 'bed', stand.bedId))
  data.checks.forEach((check, i) => follow(`checks.${i}.standId`, 'stand', check.standId))
  return problems
}

/** Everything in a whole garden that contradicts itself: doubled or foreign records, loose references, dates, species. */
export function gardenProblems(data: GardenData & Kept): Problem[] {
  return [
    ...recordProblems(data),
    ...referenceProblems(data),
    ...data.stands.flatMap((stand, i) =>
      standProblems(stand).map((problem) => ({ ...problem, path: `stands.${i}.${problem.path}` })),
    ),
  ]
}
