import { isoDate } from '../core/foundations/day'
import type { Stand } from '../core/garden/schema'
import type { Job } from '../core/rounds/jobs'
import { changed } from '../data/writes'
import { shortDate } from '../text/format'
import { standName } from '../text/names'
import { planDropOver } from './dropOver'
import type { Step } from './step'

/** Whether a job is a step of a plan that can be done on another day. */
export const isMovable = ({ kind, cutId }: Job, stand: Stand): boolean =>
  (kind === 'sow' && stand.start.plan !== null) ||
  (kind === 'end' && stand.end.plan !== null) ||
  (kind === 'cut' && cutId !== undefined)

/** Moves the planned day of a sowing, a cut or an end; a cover that is dropped over a sowing goes with it. */
export function moveJob({ kind, cutId }: Job, stand: Stand, over: Stand | null, day: number): Step {
  const date = isoDate(day)
  const label = `Moved the ${NAMES[kind] ?? 'work'} of ${standName(stand).toLowerCase()} to ${shortDate(day)}`
  if (kind === 'sow' && over) return { ...planDropOver(stand, over, day), label }
  const { start, end, cuts } = stand
  const part: Partial<Stand> =
    kind === 'sow' && start.plan
      ? { start: { ...start, plan: { ...start.plan, date } } }
      : kind === 'end' && end.plan
        ? { end: { ...end, plan: { ...end.plan, date } } }
        : {
            cuts: cuts.map((entry) =>
              entry.id === cutId && entry.cut.plan
                ? { ...entry, cut: { ...entry.cut, plan: { ...entry.cut.plan, date } } }
                : entry,
            ),
          }
  return { label, writes: [changed('stands', stand, part)] }
}

const NAMES: Partial<Record<Job['kind'], string>> = { sow: 'sowing', end: 'end', cut: 'mowing' }
