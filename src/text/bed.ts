import { isSelfSown, nextCut } from '../core/garden/timeline'
import { dayNumber } from '../core/foundations/day'
import type { Bed, Segment, Stand } from '../core/garden/schema'
import { findMethod } from '../core/termination/methods'
import { stoodAgain } from '../core/termination/pooling'
import { longDate, metres, percent, shortDate, type Units } from './format'
import { endingWords, standName } from './names'

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** Which part of its bed something takes: `first half`, `0 m to 8 m`, `0 m to 0.4 m across`; empty for all of it. */
export function segmentText(segment: Segment, units: Units, { lengthM }: Pick<Bed, 'lengthM'>): string {
  switch (segment.kind) {
    case 'whole':
      return ''
    case 'half':
      return `${segment.which} half`
    case 'strip':
      return `${metres(segment.fromM, units)} to ${metres(segment.toM, units)}`
    case 'rectangle':
      return [
        ...(segment.fromM > 0 || segment.toM < lengthM
          ? [`${metres(segment.fromM, units)} to ${metres(segment.toM, units)}`]
          : []),
        `${metres(segment.fromAcrossM, units)} to ${metres(segment.toAcrossM, units)} across`,
      ].join(', ')
    case 'path':
      return 'path'
  }
}

/** Where something stands: `L1`, `L1, first half`. */
export const placeText = (bed: Pick<Bed, 'label' | 'lengthM'>, segment: Segment, units: Units): string =>
  segment.kind === 'whole' ? bed.label : `${bed.label}, ${segmentText(segment, units, bed)}`

/** A stand by name, with its part of the bed where it is not all of it: `Cereal rye, first half`. */
export const standWithPlace = (stand: Stand, units: Units, bed: Pick<Bed, 'lengthM'>): string =>
  stand.segment.kind === 'whole'
    ? standName(stand)
    : `${standName(stand)}, ${segmentText(stand.segment, units, bed)}`

/** What is to be done to a cover next, or waited for, in a sentence as it is said at the bed. */
export function nextDeed(stand: Stand, today: number): string {
  const { start, end } = stand
  if (!start.actual) {
    const day = start.plan ? dayNumber(start.plan.date) : null
    if (day === null) return 'Nothing is planned here.'
    if (isSelfSown(stand)) return `It is to sow itself from ${shortDate(day)}.`
    return day <= today ? 'Sow it now.' : `Sow it on ${shortDate(day)}.`
  }
  if (end.actual)
    return `Ended by ${endingWords(end.actual)} on ${shortDate(dayNumber(end.actual.date))}. If it stands again, pull it, cut it low or cover it.`
  const cut = nextCut(stand)
  if (cut) {
    const cutDay = dayNumber(cut.date)
    const act = cut.fate === 'grazed' ? 'graze' : 'mow'
    const then = end.plan ? `; its end is planned for ${shortDate(dayNumber(end.plan.date))}` : ''
    return cutDay > today
      ? `Wait until ${shortDate(cutDay)}, then ${act} it${then}.`
      : `${capital(act)} it now; it was planned for ${shortDate(cutDay)}${then}.`
  }
  if (!end.plan) return 'It grows, and how it ends is not planned yet.'
  const day = dayNumber(end.plan.date)
  if (findMethod(end.plan.method)?.waits) return `Wait: ${endingWords(end.plan)} is to end it.`
  return day > today
    ? `Wait until ${shortDate(day)}, then ${endingWords(end.plan)}.`
    : `${capital(endingWords(end.plan))} now; it was planned for ${shortDate(day)}.`
}

/** What the cover before in this bed came to by the count that tells most; null where none was counted. */
export function lastTime(stands: readonly Stand[], bedId: string, except: string | null): string | null {
  const [last] = stands
    .flatMap((stand) => {
      const end = stand.bedId === bedId && stand.id !== except ? stand.end.actual : null
      const count = end && stoodAgain(stand)
      return count ? [{ stand, end, count }] : []
    })
    .sort((a, b) => (a.end.date < b.end.date ? 1 : -1))
  if (!last) return null
  const { stand, end, count } = last
  return `Last time here: ${standName(stand).toLowerCase()} by ${endingWords(end)} on ${longDate(dayNumber(end.date))}, ${percent(count.standing / count.before)} stood again.`
}
