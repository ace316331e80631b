/** Thrown where a job names a weather record that its worker does not hold: it is sent for, and the job begins again. */
export class RecordMissing extends Error {
  readonly recordKey: string
  constructor(recordKey: string) {
    super('The observed weather did not reach the calculation. Try again.')
    this.name = 'RecordMissing'
    this.recordKey = recordKey
  }
}
