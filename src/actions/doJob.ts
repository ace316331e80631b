import type { GardenData, Stand } from '../core/garden/schema'
import type { SeedLot } from '../core/garden/seed'
import { isoDate } from '../core/foundations/day'
import type { Job } from '../core/rounds/jobs'
import type { StandForecast } from '../core/season/standForecast'
import { plannedRecipe } from '../core/seeding/recipe'
import { findMethod } from '../core/termination/methods'
import { cutDone } from './cutStand'
import { withDropOver } from './dropOver'
import { recordEnd } from './endStand'
import { tickJob } from './markJob'
import { mulchDone } from './mulch'
import { asPlanned } from './plantCrop'
import { recordSowing } from './recordSowing'
import { cameUpItself } from './selfSown'
import { sheetDone } from './groundSheet'
import type { Step } from './step'

function sown(
  data: Pick<GardenData, 'garden' | 'beds'>,
  stand: Stand,
  day: number,
  lots: readonly SeedLot[],
): Step | null {
  const bed = data.beds.find(({ id }) => id === stand.bedId)
  const recipe = bed && plannedRecipe(stand, bed, data.garden.units === 'imperial')
  if (!recipe || !stand.start.plan || stand.content.kind !== 'cover') return null
  const components = stand.content.components.map((component, i) => ({
    ...component,
    grams: recipe.lines[i].grams,
  }))
  return recordSowing(stand, { ...stand.start.plan, date: isoDate(day), components }, lots)
}

function ended(
  data: Pick<GardenData, 'garden' | 'beds'>,
  stand: Stand,
  day: number,
  forecast: StandForecast | null,
) {
  const { plan } = stand.end
  const bed = data.beds.find(({ id }) => id === stand.bedId)
  const method = plan && findMethod(plan.method)
  if (!plan || !bed || !method) return null
  const { passes } = plan
  return recordEnd(
    data,
    bed,
    stand,
    { method: method.id, passes, day, note: '', by: '', minutes: null, materials: '' },
    forecast,
  )
}

/**
 * Does a job of the rounds: what was planned is recorded as done today, with its usual values, so that every room knows; a
 * look or a small work that leaves no record is ticked. `title` is how it is told.
 */
export function doJob(
  data: Pick<GardenData, 'garden' | 'beds'>,
  job: Job,
  stand: Stand,
  { title, day, lots, forecast, over = null }: Done & { title: string },
): Step {
  return deedOf(data, job, stand, { day, lots, forecast, over }) ?? tickJob(data.garden, job, title, day)
}

/** With what a job is done; `forecast` is that of what is ended. */
type Done = {
  day: number
  lots: readonly SeedLot[]
  forecast: StandForecast | null
  /** The cover that is cut down over a sowing. */
  over?: Stand | null
}

function deedOf(data: Pick<GardenData, 'garden' | 'beds'>, job: Job, stand: Stand, done: Done): Step | null {
  const { day, lots, forecast, over } = done
  const { start, end } = stand
  if (job.mulch) return mulchDone(data.garden, job.mulch.laidId, day)
  if (job.kind === 'sow') {
    const seed = sown(data, stand, day, lots)
    return seed && over ? withDropOver(data, seed, stand, over, day, forecast) : seed
  }
  if (job.kind === 'self-sown') return cameUpItself(stand)
  if (job.kind === 'cut' && job.cutId) return cutDone(stand, job.cutId, day)
  if (job.kind === 'end') return ended(data, stand, day, forecast)
  if (job.kind === 'lay' && start.plan) return sheetDone(stand, 'laid', day)
  if (job.kind === 'lift' && end.plan) return sheetDone(stand, 'taken off', day)
  if (job.kind === 'plant' && start.plan) return asPlanned(stand, 'planted', day)
  if (job.kind === 'clear' && end.plan) return asPlanned(stand, 'cleared', day)
  return null
}
