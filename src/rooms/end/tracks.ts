import { METRES_PER_FOOT } from '../../core/foundations/units'
import type { Quantiles } from '../../core/foundations/statistics'
import type { CutOutcome } from '../../core/scenario/regrowth'
import type { PlantGroup } from '../../core/plants/parameters'
import { stagesOf } from '../../core/stand/stage'
import { dryMatter, nitrogen, unitsOf, type Told } from '../../text/amounts'
import { minutes, percent } from '../../text/format'

/** One of the things that move with the cutting date, as it is drawn: its value by point, and words for the axis. */
export type Track = {
  title: string
  value: (point: CutOutcome) => number
  range?: (point: CutOutcome) => Quantiles
  /** Ends of its axis; 0 lies between them. */
  low: number
  high: number
  words: (value: number) => string
  /** Drawn taller than the others. */
  tall?: boolean
}

/** The next round number of an axis at or above a value. */
function roundUp(value: number): number {
  if (value <= 0) return 0
  const step = 10 ** Math.floor(Math.log10(value))
  return [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10].map((times) => times * step).find((end) => end >= value * 0.999)!
}

const MINUTE_ENDS = [10, 20, 30, 45, 60, 90, 120, 180, 240, 360, 480]
const roundMinutes = (value: number) => MINUTE_ENDS.find((end) => end >= value) ?? roundUp(value)

/** The five tracks over the dates that were run. */
export function tracksOf(points: readonly CutOutcome[], told: Told): Track[] {
  const most = (value: (point: CutOutcome) => number) => Math.max(...points.map(value))
  const least = (value: (point: CutOutcome) => number) => Math.min(0, ...points.map(value))
  const imperial = unitsOf(told) === 'imperial'
  const nitrogenG = (point: CutOutcome) => point.nitrogenG
  return [
    {
      title: `Stems standing again, ${imperial ? 'per ft²' : 'per m²'}`,
      value: (point) => point.stems.p50,
      range: (point) => point.stems,
      low: 0,
      high: Math.max(10, roundUp(most((point) => point.stems.p90))),
      words: (value) => String(Math.round(imperial ? value * METRES_PER_FOOT ** 2 : value)),
      tall: true,
    },
    {
      title: 'To finish by hand',
      value: (point) => point.finishMinutes,
      low: 0,
      high: roundMinutes(most((point) => point.finishMinutes)),
      words: (value) => (value < 1 ? '0' : minutes(value)),
    },
    {
      title: 'Mulch at planting',
      value: (point) => point.mulchG,
      low: 0,
      high: Math.max(100, roundUp(most((point) => point.mulchG))),
      words: (value) => dryMatter(value, told),
    },
    {
      title: 'Nitrogen in ten weeks',
      value: nitrogenG,
      low: -roundUp(-least(nitrogenG)),
      high: roundUp(Math.max(0, most(nitrogenG))) || (least(nitrogenG) < 0 ? 0 : 1),
      words: (value) => nitrogen(value, told),
    },
    {
      title: 'Planted in time',
      value: (point) => point.chance,
      low: 0,
      high: 1,
      words: percent,
    },
  ]
}

/** Stages that decide about ending: in heads or buds, in flower, milk or first pods, seed about to ripen. */
const KNOTS = { grass: [51, 61, 75, 85], legume: [51, 61, 71, 85], broadleaf: [51, 61, 71, 85] } as const

export type Knot = { day: number; name: string }

/** Days on which each plant of the stand reaches its later stages, between the first and the last date run. */
export function stageKnots(
  points: readonly CutOutcome[],
  plants: readonly { name: string; group: PlantGroup }[],
): Knot[] {
  return plants
    .flatMap(({ name, group }, c) =>
      stagesOf(group)
        .filter((stage) => (KNOTS[group] as readonly number[]).includes(stage.bbch))
        .flatMap((stage) => {
          const next = points.findIndex((point) => point.bbch[c] >= stage.bbch)
          if (next <= 0) return []
          const [a, b] = [points[next - 1], points[next]]
          const share = (stage.bbch - a.bbch[c]) / (b.bbch[c] - a.bbch[c])
          return [
            {
              day: a.day + share * (b.day - a.day),
              name: plants.length > 1 ? `${name}: ${stage.name}` : stage.name,
            },
          ]
        }),
    )
    .sort((a, b) => a.day - b.day)
}

/** A label that stands at `x` px, in the first row where it does not run into another; at its left where it would leave the drawing. */
export type PlacedKnot = Knot & { x: number; row: number; left: boolean }

const PX_PER_LETTER = 6.2

export function placeKnots(
  knots: readonly Knot[],
  toX: (day: number) => number,
  right: number,
): PlacedKnot[] {
  const rows: [number, number][][] = []
  return knots.map((knot) => {
    const x = toX(knot.day)
    const width = knot.name.length * PX_PER_LETTER + 8
    const left = x + width > right
    const [from, to] = left ? [x - width, x] : [x, x + width]
    let row = rows.findIndex((taken) => taken.every(([a, b]) => to <= a || from >= b))
    if (row < 0) row = rows.push([]) - 1
    rows[row].push([from, to])
    return { ...knot, x, row, left }
  })
}
