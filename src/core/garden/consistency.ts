import type { Problem } from '../foundations/outcome'
import type { GardenData, Stand } from './schema'

/** Problems of one stand's own dates: an end before its start, a cut outside its life. */
export function standProblems(stand: Stand): Problem[] {
  const problems: Problem[] = []
  for (const when of ['plan', 'fact'] as const) {
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

/** References that lead nowhere and dates that contradict each other, over a whole garden. */
export function gardenProblems(data: GardenData): Problem[] {
  const sections = new Set(data.garden.sections.map((section) => section.id))
  const beds = new Set(data.beds.map((bed) => bed.id))
  const stands = new Set(data.stands.map((stand) => stand.id))
  const missing = (path: string, what: string): Problem => ({
    path,
    code: 'missing-reference',
    message: `${path} points to a ${what} that is not in the file.`,
  })
  return [
    ...data.beds.flatMap((bed, i) =>
      sections.has(bed.sectionId) ? [] : [missing(`beds.${i}.sectionId`, 'section')],
    ),
    ...data.stands.flatMap((stand, i) =>
      beds.has(stand.bedId) ? [] : [missing(`stands.${i}.bedId`, 'bed')],
    ),
    ...data.checks.flatMap((check, i) =>
      stands.has(check.standId) ? [] : [missing(`checks.${i}.standId`, 'stand')],
    ),
    ...data.stands.flatMap((stand, i) =>
      standProblems(stand).map((problem) => ({ ...problem, path: `stands.${i}.${problem.path}` })),
    ),
  ]
}
