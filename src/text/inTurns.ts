import { dayNumber } from '../core/foundations/day'
import type { CutDetails } from '../core/garden/schema'
import type { Sequence, SequenceOutcome } from '../core/scenario/inTurns'
import { findMethod } from '../core/termination/methods'
import { centimetres, longDate, shortDate, type Units } from './format'
import { obstacleText } from './obstacles'

const TIMES = ['', 'once', 'twice', 'three times', 'four times']
const CUTTINGS = { dropped: 'cuttings left', 'carried off': 'hay carried off', grazed: '' } as const

/** A sequence as one would tell it: `Mow to 8 cm twice, 18 days apart, cuttings left; then black tarp the same day`. */
export function sequenceText(
  { mowings, everyDays, heightCm, fate, method, lastAfterDays }: Sequence,
  units: Units,
): string {
  const act = fate === 'grazed' ? 'Graze' : 'Mow'
  const often = mowings === 1 ? '' : ` ${TIMES[mowings]}, ${everyDays} days apart`
  const left = CUTTINGS[fate] === '' ? '' : `, ${CUTTINGS[fate]}`
  const last = findMethod(method)?.name.toLowerCase() ?? method
  const after = lastAfterDays === 0 ? 'the same day' : `${lastAfterDays} days later`
  return `${act} to ${centimetres(heightCm / 100, units)}${often}${left}; then ${last} ${after}`
}

/** Why a sequence cannot be done here, with the fix. */
export function sequenceObstacle(
  obstacle: NonNullable<SequenceOutcome['obstacle']>,
  wantedDay: number | null,
  units: Units,
): string {
  if (obstacle === 'nothing mows')
    return 'Nothing on your list mows: add shears, a scythe, a trimmer or a mower in the Shed.'
  if (obstacle === 'nothing grazes') return 'No sheep, goats, rabbits or ducks are on your list in the Shed.'
  if (obstacle === 'nothing to mow')
    return 'There is not enough to mow when it would start, or too little time is left after it. Leave a lower stubble, or choose another start date.'
  if (obstacle === 'no time')
    return wantedDay === null
      ? 'There is no time for it.'
      : `There is no time for it before ${longDate(wantedDay)}. Plant later, or take fewer turns.`
  return obstacleText(obstacle, units)
}

/** Planned cuts as part of a plan's line: `mow 3 May and 21 May`. */
export function cutsText(cuts: readonly CutDetails[]): string {
  const days = cuts.map(({ date }) => shortDate(dayNumber(date)))
  const act = cuts.every(({ fate }) => fate === 'grazed') ? 'graze' : 'mow'
  const last = days.pop()
  return `${act} ${days.length > 0 ? `${days.join(', ')} and ${last}` : last}`
}
