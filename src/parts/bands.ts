import type { Bands } from '../core/stand/summary'

type Point = { day: number; value: number }

/** What a chart of bands shows. */
export type BandsProps = {
  bands: Bands
  /** The bands before the newest check, drawn as their edges. */
  before?: Bands
  untilDay: number
  today: number
  points: Point[]
  name: string
  unit: string
  scale?: number
  max?: number
  /** A lower chart for several side by side. */
  small?: boolean
}
