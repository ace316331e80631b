import { mergeGardens, type MergedGarden } from '../devices/mergeGardens'
import type { Replica } from '../devices/replica'
import { readPicked } from '../readPicked'
import { recordProblems } from '../recordProblems'

/** Work on whole gardens that would hold the page up: tenths of a second where there are hundreds of beds. */
export const gardenWork = {
  readPicked,
  /** See `mergeGardens`; what comes of it may be stored. */
  mergeGardens: (here: Replica, there: Replica): MergedGarden =>
    mergeGardens(here, there, (table, record) => recordProblems(table, record).length === 0),
}
export type GardenWork = typeof gardenWork
