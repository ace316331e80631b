import type { StandRun } from './types'

/** Where a series of a run holds a member on the run's day `index`, from 0 on: all members of a day lie side by side. */
export const placeIn = ({ members }: Pick<StandRun, 'members'>, member: number, index: number): number =>
  index * members + member
