import type { StandInput } from '../stand/types'
import { FATES } from '../termination/fates'

/** What a stand on plain loam with nothing done to it is grown from. */
export const plainInput = (sown: StandInput['sown'], sowDay: number): StandInput => ({
  sown,
  sowDay,
  soil: 'loam',
  fertility: 'medium',
  shade: 0,
  canopyAbove: null,
  events: [],
  fates: FATES,
})
