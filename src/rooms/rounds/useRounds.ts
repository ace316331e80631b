import { useMemo } from 'react'
import { notice } from '../../state/notices'
import { addDays, dayNumber, isoDate } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { isSelfSown } from '../../core/garden/timeline'
import { mulchOnBeds } from '../../core/residue/mulchStore'
import { withMulchAsPlanned } from '../../core/season/owedMulch'
import { segmentOf } from '../../core/rounds/job'
import { bareGround } from '../../core/rounds/mulching'
import { unknownGround } from '../../core/rounds/unknownGround'
import { bareSowings } from '../../core/choosing/nextSowing'
import { jobsOf, openJobs, ROUND_DAYS, type Job } from '../../core/rounds/jobs'
import { scenarioOf } from '../../core/scenario/fromGarden'
import type { StandForecast } from '../../core/season/standForecast'
import { forecastName } from '../../parts/weave/useBedCloth'
import { useAct, useGarden } from '../../state/garden'
import { late } from '../../state/late'
import { standCaseOf } from '../../core/season/standCase'
import { calendarWritten } from '../../state/session'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { useAnswer, useAllAnswers } from '../../compute/useAnswer'
import { jobRoom, jobText } from '../../parts/jobText'
import { download } from '../../state/download'
import { giveJob } from '../../actions/daysAhead'
import { doJob } from '../../actions/doJob'
import { putOffJob } from '../../actions/markJob'
import { isMovable, moveJob } from '../../actions/moveJob'
import { awayClash } from '../../core/rounds/away'
import { toolsOn } from '../../core/termination/entering'
import { jobMinutes, toTake } from '../../core/rounds/walk'
import { betterDay } from '../../core/rounds/weatherBound'
import { planName } from '../../state/usePlan'
import { useLots } from '../../state/seed'
import { placeText } from '../../text/bed'

/** Covers that ended longer ago than this have no jobs left. */
const AFTER_END_DAYS = 90
/** Days ahead in which the next job is looked for when none is due. */
const NEXT_DAYS = 200
/** Days that the calendar file reaches ahead. */
const CALENDAR_DAYS = 60

/** Whether a job cuts what is to be dried and carried off. */
const isHay = ({ cutId }: Job, { cuts, bedId }: Stand) =>
  cuts.some(({ id, cut }) => id === cutId && cut.plan?.fate === 'carried off' && cut.plan.toBedId !== bedId)

/** The stand that a job ends: its own, or the one that is cut down over a sowing. */
const endsOf = ({ kind, standId, overStandId }: Job): string | undefined =>
  kind === 'end' ? standId : overStandId

/** This week's jobs, and what can be done with them. */
export function useRounds() {
  const { data, expected, today, spec } = useGarden()
  const act = useAct()
  const dispatch = useAppDispatch()
  const written = useAppSelector((state) => state.session.calendars[data.garden.id]) ?? {}
  const covers = useMemo(
    () =>
      expected.stands.filter(
        (stand) =>
          stand.content.kind === 'cover' &&
          (stand.start.actual || isSelfSown(stand)) &&
          (!stand.end.actual || addDays(stand.end.actual.date, AFTER_END_DAYS) >= isoDate(today)),
      ),
    [expected.stands, today],
  )
  const jobs = useMemo(
    () =>
      covers.flatMap((stand) => {
        const standCase = standCaseOf(expected, stand)
        return standCase
          ? [
              {
                name: forecastName(stand.id),
                args: [spec, standCase] as [typeof spec, typeof standCase],
                priority: 'next' as const,
              },
            ]
          : []
      }),
    [covers, expected, spec],
  )
  const { values, oldDay, pending, failure } = useAllAnswers('forecast', jobs)
  const week = useAnswer('outlook', [spec, today, 1], 'outlook of a week')
  const frostChance = (week.value ?? week.last)?.[0]?.frostChance ?? 0
  const ahead = useAnswer('weather', [spec], undefined, 'next').value?.days ?? []
  const lots = useLots()
  const marks = data.garden.jobMarks
  const bare = useMemo(
    () => unknownGround(data.beds, expected.stands, today),
    [data.beds, expected.stands, today],
  )

  const sowings = useMemo(() => bareSowings(expected, today), [expected, today])

  const forecasts = useMemo(
    () =>
      new Map(
        values.flatMap((forecast): [string, StandForecast][] =>
          forecast ? [[forecast.standId, forecast]] : [],
        ),
      ),
    [values],
  )
  const input = useMemo(() => {
    // Plans are shown as they were made, so that what is overdue shows since when.
    const { begunOn } = data.garden
    return {
      beds: data.beds,
      stands: data.stands,
      checks: data.checks,
      mulch: mulchOnBeds(withMulchAsPlanned(data)),
      forecasts,
      frostChance,
      today,
      begunDay: begunOn === null ? null : dayNumber(begunOn),
    }
  }, [forecasts, data, frostChance, today])
  const open = useMemo(() => openJobs(jobsOf(input, ROUND_DAYS), marks, today), [input, marks, today])

  // In a quiet week the next that comes is told.
  const comes = useMemo(
    () =>
      open.length > 0
        ? null
        : (openJobs(jobsOf(input, NEXT_DAYS), marks, today).sort((a, b) => a.dueDay - b.dueDay)[0] ?? null),
    [open, input, marks, today],
  )

  // The work of an ending is what its plan's evaluation says: the same question as the plan line asks.
  const endings = useMemo(
    () =>
      open.flatMap((job) => {
        const ends = endsOf(job)
        const stand = ends && expected.stands.find(({ id }) => id === ends)
        const scenario = stand && scenarioOf(expected, stand, today)
        return scenario
          ? [
              {
                ends,
                name: planName(scenario),
                args: [spec, scenario] as [typeof spec, typeof scenario],
              },
            ]
          : []
      }),
    [open, expected, today, spec],
  )
  const evaluated = useAllAnswers('evaluate', endings).values
  const minutesOf = (job: Job) => {
    const place = endings.findIndex(({ ends }) => ends === endsOf(job))
    return jobMinutes(
      job,
      standOf(job),
      bedOf(job),
      evaluated[place]?.minutes ?? null,
      toolsOn(data.garden.tools, bedOf(job), standOf(job).segment).tools,
    )
  }

  const standOf = (job: Job): Stand =>
    data.stands.find((stand) => stand.id === job.standId) ?? bareGround(bedOf(job))
  const bedOf = (job: Job) => data.beds.find((bed) => bed.id === job.bedId)!
  const overOf = (job: Job) => data.stands.find(({ id }) => id === job.overStandId) ?? null
  const textOf = (job: Job) => jobText(job, standOf(job), data.garden.units, overOf(job))
  const titleOf = (job: Job) =>
    `${textOf(job).title} in ${placeText(bedOf(job), segmentOf(job, standOf(job)), data.garden.units)}`

  async function writeCalendar() {
    // Only those who keep a calendar need what writes one.
    const { calendarFile } = await late(import('./calendar'))
    const ahead = openJobs(jobsOf(input, CALENDAR_DAYS), marks, today)
    const outcome = calendarFile(
      data.garden.id,
      ahead.map((job) => ({
        id: job.id,
        day: Math.max(today, job.dueDay),
        title: titleOf(job),
        detail: textOf(job).detail,
      })),
      written,
    )
    if (!outcome.ok) return void notice.error(outcome.problems[0].message)
    download('rounds.ics', 'text/calendar', outcome.value.text)
    dispatch(calendarWritten({ gardenId: data.garden.id, jobs: outcome.value.written }))
  }

  const { away, tools } = data.garden
  const whoOf = (job: Job) => marks.find(({ jobId }) => jobId === job.id)?.who ?? null
  const placed = (job: Job) => ({
    job,
    stand: standOf(job),
    bed: bedOf(job),
    minutes: minutesOf(job),
    over: overOf(job),
  })
  return {
    jobs: open,
    comes: comes && { day: comes.dueDay, title: titleOf(comes), to: jobRoom(comes) },
    bare,
    sowings,
    pending,
    oldDay,
    failure,
    week,
    today,
    units: data.garden.units,
    demo: data.garden.demo !== null,
    people: [
      ...new Set([
        ...data.garden.sowers.map(({ name }) => name),
        ...marks.flatMap(({ who }) => (who ? [who] : [])),
        ...away.flatMap(({ who }) => (who ? [who] : [])),
      ]),
    ].sort((a, b) => a.localeCompare(b)),
    standOf,
    bedOf,
    whoOf,
    overOf,
    minutesOf,
    betterOf: (job: Job) =>
      betterDay(job, standOf(job).end.plan?.method ?? null, ahead, today, isHay(job, standOf(job))),
    awayOf: (job: Job) => awayClash(job, away),
    take: (jobs: readonly Job[]) => toTake(jobs.map(placed), tools, data.garden.units === 'imperial'),
    tick: (job: Job) =>
      act(
        doJob(data, job, standOf(job), {
          title: titleOf(job),
          day: today,
          lots,
          forecast: forecasts.get(job.overStandId ?? job.standId) ?? null,
          over: overOf(job),
        }),
      ),
    canMove: (job: Job) => isMovable(job, standOf(job)),
    move: (job: Job, day: number) => act(moveJob(job, standOf(job), overOf(job), day)),
    later: (job: Job, days: number, reason: string) =>
      act(putOffJob(data.garden, job, titleOf(job), today + days, reason)),
    give: (job: Job, who: string) => act(giveJob(data.garden, job, titleOf(job), who)),
    writeCalendar,
  }
}

export type Rounds = ReturnType<typeof useRounds>
