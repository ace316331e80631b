import { dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import { stopsOf } from '../termination/stops'
import { looksAfter } from '../termination/counted'
import { USUAL_LANES } from '../termination/lastAct'
import { findMethod } from '../termination/methods'
import { segmentSizeM } from '../garden/area'
import { isSelfSown } from '../garden/timeline'
import { findCrop } from '../plants/crops'
import { droppedWith } from '../seeding/dropOver'
import { groundSheets } from './groundSheets'
import { mulching, mulchingBare } from './mulching'
import { isCover, job, stageOf, startDay, type Job, type Maker, type RoundsInput } from './job'
import { lookTells } from './looks'
import { dueSteps, trays } from './planned'
import { bandOn } from '../season/standForecast'
import { troublesOf } from '../tracking/decisions'

export type { Job, JobKind, RoundsInput } from './job'

/** Days ahead that a round looks. */
export const ROUND_DAYS = 7
/** Longest a growing cover goes unseen, days. */
const UNSEEN_DAYS = 21
/** Seed this near to ripe is urgent, days. */
const SEED_NEAR_DAYS = 12
/** A stage that begins so long after the planned end does not move it. */
const WINDOW_NEAR_DAYS = 14
/** Frost this likely is worth a job. */
const FROST_CHANCE = 0.3
/** Seed layer this dry stops seed from sprouting; share of what it holds. */
const DRY_TOP = 0.35
/** Frost that takes a tender crop, °C. */
const TENDER_C = 0

const lastSeen = ({ checks }: RoundsInput, stand: Stand) =>
  Math.max(
    -Infinity,
    ...checks.filter((check) => check.standId === stand.id).map((check) => dayNumber(check.date)),
  )

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
  if (!worst) return []
  // What only the forecast tells has to be seen first.
  const seen = worst.checkId !== null
  return [
    job(stand, 'decide', worst.day, {
      urgent: true,
      days: seen ? [worst.day] : [],
      ...(!seen && { share: worst.share }),
    }),
  ]
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
    flower.quantiles.p10 < dayNumber(plan.date) + WINDOW_NEAR_DAYS &&
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
  const letSeed = input.stands.some((other) => other.underStandId === stand.id && isSelfSown(other))
  if (!letSeed && ripe?.quantiles && ripe.chance > 0.3 && ripe.quantiles.p10 < ends) {
    const { p10, p50 } = ripe.quantiles
    const begun = p10 <= today
    jobs.push(
      job(stand, 'seed', begun ? p10 : p10 - SEED_NEAR_DAYS, {
        untilDay: Math.round(p50),
        urgent: p10 - today <= SEED_NEAR_DAYS,
        days: [p10, p50],
        begun,
      }),
    )
  }
  const up = stageOf(forecast, 9)?.quantiles
  const seen = lastSeen(input, stand)
  const tells = up && today > up.p90 + 10 && forecast ? lookTells(forecast, today) : null
  if (tells) {
    // Nothing was to be seen before it grew on, nor before the garden was known here.
    const due = Math.max(
      Math.max(seen, startDay(stand) ?? -Infinity) + UNSEEN_DAYS,
      tells.sinceDay,
      input.begunDay ?? -Infinity,
    )
    jobs.push(job(stand, 'look', due, { days: Number.isFinite(seen) ? [seen] : [], share: tells.share }))
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

/** Seed thrown into a cover that is cut down over it the same day is one job. */
function asOneWork(jobs: readonly Job[], { stands, beds }: RoundsInput): Job[] {
  const cutSo = new Set<string>()
  const together = jobs.map((entry): Job => {
    const stand = entry.kind === 'sow' && stands.find(({ id }) => id === entry.standId)
    const bed = stand && beds.find(({ id }) => id === stand.bedId)
    const upper = bed && droppedWith(stands, bed, stand)
    if (!upper) return entry
    cutSo.add(upper.id)
    return { ...entry, overStandId: upper.id }
  })
  return together.filter(({ kind, standId }) => !(kind === 'end' && cutSo.has(standId)))
}

/** All jobs of a garden that are due by `today` plus `daysAhead`, in walking order of the beds, then by day. */
export function jobsOf(input: RoundsInput, daysAhead = ROUND_DAYS): Job[] {
  const order = new Map(input.beds.map((bed) => [bed.id, bed.walkOrder]))
  const all = input.stands.flatMap((stand) =>
    [
      dueSteps,
      groundSheets,
      mulching,
      trays,
      youth,
      decisions,
      growth,
      aftermath,
      lanesAndMoves,
      frost,
    ].flatMap((make) => make(input, stand)),
  )
  return [...asOneWork(all, input), ...mulchingBare(input)]
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
