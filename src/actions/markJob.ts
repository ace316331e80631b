import type { Step } from './step'
import type { Garden } from '../core/garden/schema'
import type { Job, JobMark } from '../core/rounds/jobs'
import { isoDate } from '../core/foundations/day'
import { changed } from '../data/writes'

/** Keeps what is said of a job, beside what was said of it before. */
export function marked(garden: Garden, job: Job, part: Partial<JobMark>, label: string): Step {
  const others = garden.jobMarks.filter(({ jobId }) => jobId !== job.id)
  const before = garden.jobMarks.find(({ jobId }) => jobId === job.id)
  const own = { jobId: job.id, doneOn: null, laterUntil: null, reason: '', who: null, ...before, ...part }
  return { label, writes: [changed('gardens', garden, { jobMarks: [...others, own] })] }
}

/** Ticks a job of the rounds; `title` is how it is told. */
export const tickJob = (garden: Garden, job: Job, title: string, today: number): Step =>
  marked(garden, job, { doneOn: isoDate(today), laterUntil: null }, `Done: ${title.toLowerCase()}`)

/** Puts a job off until a day, with why. */
export const putOffJob = (garden: Garden, job: Job, title: string, until: number, reason: string): Step =>
  marked(garden, job, { doneOn: null, laterUntil: isoDate(until), reason }, `Put off: ${title.toLowerCase()}`)
