import { dayNumber } from '../foundations/day'
import type { Check } from '../garden/check'
import type { Bed, Stand } from '../garden/schema'
import { stopsOf } from '../termination/stops'
import { looksAfter } from '../termination/counted'
import { USUAL_LANES } from '../termination/lastAct'
import { findMethod } from '../termination/methods'
import { segmentSizeM } from '../garden/area'
import { isSelfSown, latest } from '../garden/timeline'
import { findCrop } from '../plants/crops'
import { lookTells } from './looks'
import { trayOf } from '../plants/trays'
import { bandOn, type StandForecast } from '../season/standForecast'
import { troublesOf } from '../tracking/decisions'

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
  /** Days that the sentence of its kind speaks of, and a number where it needs one. */
  days: number[]
  count: number | null
  /** How unsure it is what a look would tell, as a share. */
  share?: number
  /** The cut that is to be made. */
  cutId?: string
}

export type RoundsInput = {
  beds: readonly Bed[]
  stands: readonly Stand[]
  checks: readonly Check[]
  forecasts: ReadonlyMap<string, StandForecast>
  /** Chance of a night at or below 0 °C in the seven days ahead. */
  frostChance: number
  today: number
  /** Day from which the garden's records run; null where that is not known. */
  begunDay: number | null
}

/** Days ahead that a round looks. */
export const ROUND_DAYS = 7
/** Longest a growing cover goes unseen, days. */
const UNSEEN_DAYS = 21
/** Seed this near to ripe is urgent, days. */
const SEED_NEAR_DAYS = 12
/** Days after which trays not sown are too late to name. */
const TRAY_GRACE_DAYS = 14
/** Frost this likely is worth a job. */
const FROST_CHANCE = 0.3
/** Seed layer this dry stops seed from sprouting; share of what it holds. */
const DRY_TOP = 0.35
/** Frost that takes a tender crop, °C. */
const TENDER_C = 0
/** Days after seed fell from which its seedlings are looked for. */
const COMES_UP_DAYS = 21

type Maker = (input: RoundsInput, stand: Stand) => Job[]

const job = (stand: Stand, kind: JobKind, dueDay: number, extra: Partial<Job> = {}): Job => ({
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

const isCover = (stand: Stand) => stand.content.kind === 'cover'
const startDay = (stand: Stand) => {
  const start = latest(stand.start)
  return start ? dayNumber(start.date) : null
}
const stageOf = (forecast: StandForecast | undefined, bbch: number) =>
  forecast?.stages.find((stage) => stage.bbch === bbch)?.date
const lastSeen = ({ checks }: RoundsInput, stand: Stand) =>
  Math.max(
    -Infinity,
    ...checks.filter((check) => check.standId === stand.id).map((check) => dayNumber(check.date)),
  )

/** Planned dueSteps that are due. */
const dueSteps: Maker = ({ today }, stand) => {
  const jobs: Job[] = []
  const { start, end } = stand
  if (!start.actual && start.plan) {
    const due = dayNumber(start.plan.date)
    if (isSelfSown(stand)) jobs.push(job(stand, 'self-sown', due + COMES_UP_DAYS))
    else jobs.push(job(stand, isCover(stand) ? 'sow' : 'plant', due, { urgent: due < today - 3 }))
  }
  if (start.actual && !end.actual)
    for (const { id, cut } of stand.cuts)
      if (cut.plan && !cut.actual)
        jobs.push({
          ...job(stand, 'cut', dayNumber(cut.plan.date), { cutId: id }),
          id: `${stand.id}:cut:${id}`,
        })
  if (start.actual && !end.actual && end.plan && !findMethod(end.plan.method)?.waits) {
    const due = dayNumber(end.plan.date)
    jobs.push(job(stand, isCover(stand) ? 'end' : 'clear', due, { urgent: isCover(stand) && due < today }))
  }
  return jobs
}

/** The trays of a crop that is planned to be transplanted; forgotten ones are named until its planting. */
const trays: Maker = (_input, stand) => {
  const { content, start } = stand
  if (content.kind !== 'crop' || content.establishment !== 'transplant' || start.actual || !start.plan)
    return []
  const tray = trayOf(content.cropId)
  if (!tray) return []
  const planted = dayNumber(start.plan.date)
  const due = planted - 7 * tray.weeks
  return [job(stand, 'tray', due, { untilDay: due + TRAY_GRACE_DAYS, days: [planted] })]
}

/** A sowing's first weeks: water, seedlings. */
const youth: Maker = (input, stand) => {
  const { today, forecasts } = input
  const sown = stand.start.actual && isCover(stand) && !stand.end.actual ? startDay(stand) : null
  if (sown === null) return []
  const jobs: Job[] = []
  const moistUntil = sown + (stand.start.actual?.keptMoistDays ?? 0)
  if (moistUntil > today) jobs.push(job(stand, 'moist', today, { untilDay: moistUntil, days: [moistUntil] }))
  const forecast = forecasts.get(stand.id)
  const up = stageOf(forecast, 9)?.quantiles
  const wet = forecast && bandOn(forecast.seedLayer, today)
  if (up && wet && today >= sown && today <= up.p90 && wet.p50 < DRY_TOP)
    jobs.push(job(stand, 'dry', today, { urgent: wet.p50 < DRY_TOP / 2, days: [up.p90] }))
  if (up && lastSeen(input, stand) < up.p10 && today <= up.p90 + 21)
    jobs.push(
      job(stand, 'emergence', up.p50, {
        untilDay: Math.round(up.p90) + 14,
        urgent: today > up.p90,
        days: [up.p10, up.p90],
      }),
    )
  return jobs
}

/** Thin, hurt or weedy stands on which nothing was decided. */
const decisions: Maker = ({ today, forecasts, beds, checks }, stand) => {
  const forecast = forecasts.get(stand.id)
  const bed = beds.find((entry) => entry.id === stand.bedId)
  const [worst] = forecast && bed ? troublesOf(stand, bed, checks, forecast, today) : []
  return worst ? [job(stand, 'decide', worst.day, { urgent: true, days: [worst.day] })] : []
}

/** Looks at a growing cover: its stage window, seed about to set, or simply long unseen. */
const growth: Maker = (input, stand) => {
  const { today, forecasts } = input
  if (!stand.start.actual || stand.end.actual || !isCover(stand)) return []
  const forecast = forecasts.get(stand.id)
  const jobs: Job[] = []
  const plan = stand.end.plan
  const flower = stageOf(forecast, 61)
  if (
    flower?.quantiles &&
    flower.chance > 0.5 &&
    plan &&
    findMethod(plan.method)?.acts.some((act) => act === 'chop' || act === 'crimp')
  )
    jobs.push(
      job(stand, 'window', flower.quantiles.p10, {
        untilDay: Math.round(stageOf(forecast, 75)?.quantiles?.p50 ?? flower.quantiles.p90 + 14),
        days: [flower.quantiles.p10, flower.quantiles.p90],
      }),
    )
  const ripe = stageOf(forecast, 85)
  const ends = plan ? dayNumber(plan.date) : Infinity
  if (ripe?.quantiles && ripe.chance > 0.3 && ripe.quantiles.p10 < ends)
    jobs.push(
      job(stand, 'seed', ripe.quantiles.p10 - SEED_NEAR_DAYS, {
        untilDay: Math.round(ripe.quantiles.p50),
        urgent: ripe.quantiles.p10 - today <= SEED_NEAR_DAYS,
        days: [ripe.quantiles.p10],
      }),
    )
  const up = stageOf(forecast, 9)?.quantiles
  const seen = Math.max(lastSeen(input, stand), startDay(stand) ?? -Infinity)
  const tells = up && today > up.p90 + 10 && forecast ? lookTells(forecast, today) : null
  if (tells) {
    // Nothing was to be seen before it grew on, nor before the garden was known here.
    const due = Math.max(seen + UNSEEN_DAYS, tells.sinceDay, input.begunDay ?? -Infinity)
    jobs.push(job(stand, 'look', due, { days: [seen], share: tells.share }))
  }
  return jobs
}

/** After the end: the sheet at half time and at its end, what stands up again. */
const aftermath: Maker = ({ today, forecasts, beds }, stand) => {
  const end = stand.end.actual
  if (!end || !isCover(stand)) return []
  const ended = dayNumber(end.date)
  const method = findMethod(end.method)
  if (method?.sheet && !end.liftedOn) {
    const dead = forecasts.get(stand.id)?.ended
    if (!dead || dead.p50 < today - 30) return []
    const half = ended + (dead.p50 - ended) / 2
    return today < half + 5
      ? [job(stand, 'sheet', half, { days: [dead.p50], count: 1 })]
      : [job(stand, 'sheet', dead.p50, { days: [dead.p50], count: 2 })]
  }
  const bed = beds.find((entry) => entry.id === stand.bedId)
  if (!method || method.waits || !bed) return []
  const counted = (day: number) => stand.followUps.some(({ date }) => dayNumber(date) >= day - 3)
  return looksAfter(stand, segmentSizeM(bed, stand.segment))
    .filter(({ day }) => day >= today - 6 && !counted(day))
    .map(({ day, after }) => job(stand, 'regrowth', day, { count: after }))
}

/** Work of an ending that has begun and goes on: the next strip, the pen's next stop. */
const lanesAndMoves: Maker = ({ today, beds }, stand) => {
  const end = stand.end.actual
  const bed = beds.find((entry) => entry.id === stand.bedId)
  if (!end || !bed) return []
  const began = dayNumber(end.date)
  if (end.method === 'strips') {
    const { count, everyDays } = end.lanes ?? USUAL_LANES
    return Array.from({ length: count - 1 }, (_, i) => began + (i + 1) * everyDays).flatMap((day, i) =>
      day >= today - 3 ? [job(stand, 'strip', day, { count: i + 2 })] : [],
    )
  }
  if (!end.animals) return []
  const { lengthM, widthM } = segmentSizeM(bed, stand.segment)
  const stops = stopsOf(end.animals, lengthM, widthM, began)
  return stops.flatMap((stop, i) =>
    i > 0 && stop.startDay >= today - 1
      ? [job(stand, 'move', stop.startDay, { count: i + 1, days: [stop.startDay, stops.length] })]
      : [],
  )
}

/** Tender crops when frost is likely within the week. */
const frost: Maker = ({ today, frostChance }, stand) => {
  if (frostChance < FROST_CHANCE || stand.content.kind !== 'crop' || !stand.start.actual || stand.end.actual)
    return []
  const crop = findCrop(stand.content.cropId)
  if (!crop || crop.frostLimitC < TENDER_C) return []
  return [job(stand, 'frost', today, { untilDay: today + ROUND_DAYS, urgent: frostChance > 0.6 })]
}

/** All jobs of a garden that are due by `today` plus `daysAhead`, in walking order of the beds, then by day. */
export function jobsOf(input: RoundsInput, daysAhead = ROUND_DAYS): Job[] {
  const order = new Map(input.beds.map((bed) => [bed.id, bed.walkOrder]))
  return input.stands
    .flatMap((stand) =>
      [dueSteps, trays, youth, decisions, growth, aftermath, lanesAndMoves, frost].flatMap((make) =>
        make(input, stand),
      ),
    )
    .filter(
      (entry) =>
        entry.dueDay <= input.today + daysAhead && (entry.untilDay === null || entry.untilDay >= input.today),
    )
    .sort((a, b) => (order.get(a.bedId) ?? 0) - (order.get(b.bedId) ?? 0) || a.dueDay - b.dueDay)
}

/** A tick or a delay that the grower gave a job. */
export type JobMark = {
  jobId: string
  doneOn: string | null
  laterUntil: string | null
  reason: string
  who: string | null
}

/** Jobs that are neither ticked since they fell due nor put off beyond today. */
export function openJobs(jobs: readonly Job[], marks: readonly JobMark[], today: number): Job[] {
  const byJob = new Map(marks.map((mark) => [mark.jobId, mark]))
  return jobs.filter((entry) => {
    const mark = byJob.get(entry.id)
    if (!mark) return true
    // A tick holds for this time of the work: it comes back when it falls due anew a while later.
    if (mark.doneOn && dayNumber(mark.doneOn) >= entry.dueDay - ROUND_DAYS) return false
    return !(mark.laterUntil && dayNumber(mark.laterUntil) > today)
  })
}

/** The most urgent first, then the longest due. */
export const byUrgency = (a: Job, b: Job) => Number(b.urgent) - Number(a.urgent) || a.dueDay - b.dueDay
