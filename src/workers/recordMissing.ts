/** Name of the error by which a worker asks for a weather record that it does not hold. */
export const RECORD_MISSING = 'RecordMissing'

/** Thrown in the worker where a job names a weather record that it does not hold. */
export class RecordMissing extends Error {
  constructor() {
    super('The observed weather did not reach the calculation. Try again.')
    this.name = RECORD_MISSING
  }
}
