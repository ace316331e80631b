import type { Bed, Stand } from '../garden/schema'
import type { Tool, ToolKind } from '../garden/tool'
import { plannedRecipe, USUAL_COVERING } from '../seeding/recipe'
import { mulchM3 } from '../residue/mulchStore'
import { sowWork } from '../seeding/sowWork'
import { findMethod } from '../termination/methods'
import { toolsOn } from '../termination/entering'
import { OWNED_SHEET } from '../termination/sheets'
import { MOWS, quickestTool, toolMinutes, workedGround } from '../termination/workRates'
import type { Job, JobKind } from './jobs'

/** Minutes of looks and small work, whatever the bed (judgement); null where they hang on the bed. */
const MINUTES: Record<JobKind, number | null> = {
  sow: null,
  'self-sown': 2,
  moist: null,
  emergence: 3,
  look: 1,
  window: 2,
  seed: 2,
  cut: null,
  end: null,
  sheet: 5,
  regrowth: 4,
  clear: null,
  plant: null,
  tray: 20,
  frost: 15,
  dry: null,
  decide: 5,
  move: 10,
  strip: null,
  lay: null,
  'half time': 5,
  lift: null,
  mulch: null,
}
/** Taking a sheet off and folding it, share of what laying it takes (judgement, 0.3–0.7). */
const TAKEN_OFF_SHARE = 0.5
/** Fetching mulch, and spreading it barrow by barrow, minutes (judgement, ± a half). */
const MULCH_MINUTES = { fetch: 5, perM3: 50 }
/** Watering by hand, m² an hour. */
const WATERED_M2_PER_HOUR = 150

/**
 * About how long a job takes, minutes; null where nothing says. `endMinutes` is what the evaluation of its plan says of an
 * ending's work, that of a cover which is cut down over a sowing too.
 */
export function jobMinutes(
  job: Job,
  stand: Stand,
  bed: Bed,
  endMinutes: number | null,
  tools: readonly Tool[],
): number | null {
  const ground = workedGround(bed, stand.segment)
  const usable = toolsOn(tools, bed, stand.segment).tools
  const mows = job.kind === 'cut' ? quickestTool(MOWS, ground, usable) : null
  if (mows) return toolMinutes(mows, ground, usable)
  if (job.kind === 'end') return endMinutes
  if (job.mulch) return MULCH_MINUTES.fetch + MULCH_MINUTES.perM3 * mulchM3(job.mulch)
  if ((job.kind === 'lay' || job.kind === 'lift') && stand.content.kind === 'sheet')
    return (
      toolMinutes(OWNED_SHEET[stand.content.sheet], ground, usable) *
      (job.kind === 'lay' ? 1 : TAKEN_OFF_SHARE)
    )
  if (job.kind === 'sow') return sowWork(coveringOf(stand), ground, usable).minutes + (endMinutes ?? 0)
  if (job.kind === 'moist' || job.kind === 'dry') return 2 + (60 * ground.areaM2) / WATERED_M2_PER_HOUR
  return MINUTES[job.kind]
}

const coveringOf = ({ start }: Stand) => start.plan?.covering ?? USUAL_COVERING

const methodOf = ({ kind }: Job, { end }: Stand) => {
  const id = kind === 'end' ? end.plan?.method : kind === 'strip' ? end.actual?.method : undefined
  return id === undefined ? null : (findMethod(id) ?? null)
}

/** What to carry for some jobs: tools, seed by species, a ring to count in, water. */
export type ToTake = {
  tools: ToolKind[]
  seed: { speciesId: string; grams: number }[]
  ring: boolean
  water: boolean
  /** Minutes of all of them, and how many have no figure. */
  minutes: number
  unknown: number
}

const COUNTS: readonly JobKind[] = ['emergence', 'regrowth']
const WATERS: readonly JobKind[] = ['moist', 'dry', 'move', 'half time']

/** What to take along for the jobs of a walk, and how long it takes. */
export function toTake(
  jobs: readonly { job: Job; stand: Stand; bed: Bed; minutes: number | null; over?: Stand | null }[],
  tools: readonly Tool[],
  imperial: boolean,
): ToTake {
  const grams = new Map<string, number>()
  const kinds = new Set<ToolKind>()
  let minutes = 0
  let unknown = 0
  for (const { job, stand, bed, minutes: took, over } of jobs) {
    if (took === null) unknown++
    else minutes += took
    const ground = workedGround(bed, stand.segment)
    const usable = toolsOn(tools, bed, stand.segment).tools
    if (job.kind === 'sow') {
      for (const kind of sowWork(coveringOf(stand), ground, usable).tools) kinds.add(kind)
      for (const line of plannedRecipe(stand, bed, imperial)?.lines ?? [])
        grams.set(line.speciesId, (grams.get(line.speciesId) ?? 0) + line.grams)
    }
    if (job.kind === 'mulch') kinds.add('wheelbarrow')
    if (job.kind === 'lay' && stand.content.kind === 'sheet') kinds.add(OWNED_SHEET[stand.content.sheet])
    for (const group of job.kind === 'cut' || over ? [MOWS] : (methodOf(job, stand)?.tools ?? [])) {
      const kind = quickestTool(group, ground, usable) ?? group[0]
      if (kind) kinds.add(kind)
    }
  }
  return {
    tools: [...kinds],
    seed: [...grams].map(([speciesId, sown]) => ({ speciesId, grams: sown })),
    ring: jobs.some(({ job }) => COUNTS.includes(job.kind)),
    water: jobs.some(({ job }) => WATERS.includes(job.kind)),
    minutes,
    unknown,
  }
}
