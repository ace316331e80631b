import { dayNumber } from '../foundations/day'
import type { Check } from '../garden/check'
import type { MulchLaid } from '../garden/mulch'
import type { Bed, Segment, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import type { StoredMulch } from '../residue/mulchStore'
import type { StandForecast } from '../season/standForecast'

/** What is to be done or looked at. */
export type JobKind =
  | 'sow'
  | 'self-sown'
  | 'moist'
  | 'emergence'
  | 'look'
  | 'window'
  | 'seed'
  | 'cut'
  | 'end'
  | 'sheet'
  | 'regrowth'
  | 'clear'
  | 'plant'
  | 'tray'
  | 'frost'
  | 'dry'
  | 'decide'
  | 'move'
  | 'strip'
  | 'lay'
  | 'half time'
  | 'lift'
  | 'mulch'

export type Job = {
  /** Stays the same for the same work, so that ticks, delays and calendars follow it. */
  id: string
  kind: JobKind
  bedId: string
  standId: string
  dueDay: number
  /** Last day on which it still helps; null when it can wait. */
  untilDay: number | null
  urgent: boolean
  /** Days that the sentence of its kind speaks of (of a look when it was seen last, of a decision what was found, if ever), and a number where it needs one. */
  days: number[]
  count: number | null
  /** How unsure it is what a look would tell, or what the forecast has of the plants lost, as a share. */
  share?: number
  /** Whether what it warns of may have begun. */
  begun?: boolean
  /** The cut that is to be made. */
  cutId?: string
  /** The mulch that is to be laid. */
  mulch?: { laidId: string; kg: number; kind: StoredMulch['kind']; segment: Segment }
  /** The cover that is cut down over what is sown, as one work with it. */
  overStandId?: string
}

export type RoundsInput = {
  beds: readonly Bed[]
  stands: readonly Stand[]
  checks: readonly Check[]
  /** Mulch laid or owed, with what it is. */
  mulch: readonly (MulchLaid & { kind: StoredMulch['kind'] })[]
  forecasts: ReadonlyMap<string, StandForecast>
  /** Chance of a night at or below 0 °C in the seven days ahead. */
  frostChance: number
  today: number
  /** Day from which the garden's records run; null where that is not known. */
  begunDay: number | null
}

/** Makes the jobs of one kind that a stand wants. */
export type Maker = (input: RoundsInput, stand: Stand) => Job[]

/** The part of its bed that a job is done on. */
export const segmentOf = ({ mulch }: Job, stand: Stand): Segment => mulch?.segment ?? stand.segment

/** A job of a stand, with the same name for the same work. */
export const job = (stand: Stand, kind: JobKind, dueDay: number, extra: Partial<Job> = {}): Job => ({
  id: `${stand.id}:${kind}${extra.count ? `:${extra.count}` : ''}`,
  kind,
  bedId: stand.bedId,
  standId: stand.id,
  dueDay: Math.round(dueDay),
  untilDay: null,
  urgent: false,
  days: [],
  count: null,
  ...extra,
})

/** When a forecast has a stage; undefined where it tells nothing of it. */
export const stageOf = (forecast: StandForecast | undefined, bbch: number) =>
  forecast?.stages.find((stage) => stage.bbch === bbch)?.date

export const isCover = (stand: Stand) => stand.content.kind === 'cover'
export const startDay = (stand: Stand) => {
  const start = latest(stand.start)
  return start ? dayNumber(start.date) : null
}
