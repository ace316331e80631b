import type { Step } from './step'
import type { Garden } from '../core/garden/schema'
import type { Job, JobMark } from '../core/rounds/jobs'
import { isoDate } from '../core/foundations/day'
import { changed } from '../data/writes'

function mark(garden: Garden, job: Job, part: Partial<JobMark>, label: string): Step {
  const others = garden.jobMarks.filter(({ jobId }) => jobId !== job.id)
  const own = { jobId: job.id, doneOn: null, laterUntil: null, reason: '', ...part }
  return { label, writes: [changed('gardens', garden, { jobMarks: [...others, own] })] }
}

/** Ticks a job of the rounds; `title` is how it is told. */
export const tickJob = (garden: Garden, job: Job, title: string, today: number): Step =>
  mark(garden, job, { doneOn: isoDate(today) }, `Done: ${title.toLowerCase()}`)

/** Puts a job off until a day, with why. */
export const putOffJob = (garden: Garden, job: Job, title: string, until: number, reason: string): Step =>
  mark(garden, job, { laterUntil: isoDate(until), reason }, `Put off: ${title.toLowerCase()}`)
