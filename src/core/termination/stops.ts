import type { AnimalPlan } from '../garden/ending'

/** A stop of a pen: where it stands on the plot, in which round, from when to when. */
export type Stop = {
  round: number
  lane: number
  place: number
  /** Corner nearest the start of the plot, and size, m. */
  atM: number
  acrossM: number
  lengthM: number
  widthM: number
  startDay: number
  endDay: number
  scratchFeed: boolean
}

export type Lanes = { lanes: number; places: number; penLengthM: number; penWidthM: number }

/** How a pen covers a plot: turned so that it takes the fewest stops. Sizes in m, all positive. */
export function lanesOf(
  plotLengthM: number,
  plotWidthM: number,
  penLengthM: number,
  penWidthM: number,
): Lanes {
  const fit = (along: number, across: number): Lanes => ({
    lanes: Math.max(1, Math.ceil(plotWidthM / across - 0.05)),
    places: Math.max(1, Math.ceil(plotLengthM / along - 0.05)),
    penLengthM: along,
    penWidthM: across,
  })
  const a = fit(penLengthM, penWidthM)
  const b = fit(penWidthM, penLengthM)
  return b.lanes * b.places < a.lanes * a.places ? b : a
}

/** All stops in order, lane by lane, up one and down the next. The pen is the whole plot where it has no size. */
export function stopsOf(plan: AnimalPlan, plotLengthM: number, plotWidthM: number, startDay: number): Stop[] {
  const pen = lanesOf(plotLengthM, plotWidthM, plan.penLengthM ?? plotLengthM, plan.penWidthM ?? plotWidthM)
  const stops: Stop[] = []
  const perRound = pen.lanes * pen.places
  let roundStart = startDay
  for (let round = 0; round < plan.rounds; round++) {
    const days = daysOnStop(plan, round)
    for (let i = 0; i < perRound; i++) {
      const lane = Math.floor(i / pen.places)
      const along = i % pen.places
      const place = lane % 2 === 0 ? along : pen.places - 1 - along
      const at = roundStart + i * days
      stops.push({
        round,
        lane,
        place,
        atM: placeOn(plotLengthM, pen.penLengthM, place),
        acrossM: placeOn(plotWidthM, pen.penWidthM, lane),
        lengthM: pen.penLengthM,
        widthM: pen.penWidthM,
        startDay: at,
        endDay: at + days,
        scratchFeed: scratches(plan, round),
      })
    }
    roundStart += perRound * days + plan.restDays
  }
  return stops
}

/** Where the pen begins on a side of the plot, m: the last place is pushed back onto it, a wider pen stands in its middle. */
const placeOn = (plotM: number, penM: number, place: number) =>
  penM > plotM ? (plotM - penM) / 2 : Math.min(place * penM, plotM - penM)

/** Whether grain is scattered on a round for hens to scratch for: on the last. */
export const scratches = (plan: AnimalPlan, round: number) =>
  plan.kind === 'hens' && round === plan.rounds - 1

/** Days on each stop of a round: the last of several may be slower, to finish what has grown again. */
export const daysOnStop = (plan: AnimalPlan, round: number) =>
  plan.rounds > 1 && round === plan.rounds - 1 ? (plan.lastDaysPerStop ?? plan.daysPerStop) : plan.daysPerStop
