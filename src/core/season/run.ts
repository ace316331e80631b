import { dayNumber } from '../foundations/day'
import { seedFromText } from '../foundations/random'
import type { Check } from '../garden/check'
import { partSizeM } from '../garden/area'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { cutSurvival, endEvents, takenOver } from '../ending/kill'
import { findWay } from '../ending/ways'
import { FINISHING, firstCounted, tellingCounts, workSince } from '../ending/counted'
import type { Finishing, FollowUp } from '../garden/ending'
import type { OwnResults } from '../ending/ownResults'
import { firstUnknownDay, type WeatherEnsemble } from '../site/weather'
import { runStand } from '../stand/kernel'
import type { StandEvent, StandRun } from '../stand/types'
import { drawTraits } from '../stand/traits'
import { learn } from '../tracking/learn'
import { looksOf, type Look } from '../tracking/looks'
import { canopyAbove, sownSpecies, wateringOf } from './input'

/** Everything one stand's forecast depends on besides the weather. */
export type StandCase = {
  bed: Bed
  stand: Stand
  /** The stand above, if it was sown under one. */
  upper: Stand | null
  checks: Check[]
  /** First day the whole bed is taken by what follows, if planned. */
  nextStartDay: number | null
  /** Mulch that was carried here from other beds, per m². */
  brought?: { day: number; massG: number; nitrogenG: number }[]
  /** The garden's own counts after endings, which move the tables. */
  own?: OwnResults
}

/** The species that makes the stand: the largest share of the mix. */
export function leadComponent(stand: Stand): number {
  if (stand.content.kind !== 'cover') return 0
  const shares = stand.content.components.map((part) => part.share)
  return shares.indexOf(Math.max(...shares))
}

/** Plants that were seen lost are lost in every member, unless its own weather took as many already. */
const lossesOf = (looks: readonly Look[]): StandEvent[] =>
  looks.flatMap(({ day, alive }) =>
    alive.map(({ share, component }): StandEvent => ({
      day,
      kind: 'end',
      topLeft: 1,
      survival: (_member, c, _bbch, _plant, before) =>
        component !== null && component !== c
          ? 1
          : Math.min(1, Math.max(0.01, share) / Math.max(0.01, before)),
    })),
  )

function eventsOf(
  standCase: StandCase,
  ensemble: WeatherEnsemble,
  looks: readonly Look[],
  withEnd: boolean,
): StandEvent[] {
  const { stand, nextStartDay } = standCase
  const cuts: StandEvent[] = stand.cuts.flatMap(({ cut }) => {
    const done = latest(cut)
    return done
      ? [
          {
            day: dayNumber(done.date),
            kind: 'cut' as const,
            heightM: done.heightCm / 100,
            groundShare: done.groundShare,
            left: done.fate === 'dropped',
            only: onlyOf(stand, done.speciesId),
            survival: cutSurvival(done.heightCm / 100),
          },
        ]
      : []
  })
  const mulch = (standCase.brought ?? []).map((load): StandEvent => ({
    ...load,
    kind: 'mulch',
    survival: () => 1,
  }))
  const events = [...cuts, ...mulch, ...lossesOf(looks)]
  const end = latest(stand.end)
  const plot = partSizeM(standCase.bed, stand.part)
  const counts = tellingCounts(stand, plot)
  const acted = end !== null && findWay(end.method)?.waits === null
  if (end && withEnd)
    events.push(
      ...endEvents(end, dayNumber(end.date), {
        clearDay: nextStartDay,
        plot,
        ensemble,
        own: standCase.own,
        bedKind: standCase.bed.kind,
      }).map((event) => asCounted(event, counts)),
      ...standingAgain(counts),
      ...(acted ? workSince(stand, counts).map(workedOn) : []),
    )
  if (nextStartDay !== null && withEnd) events.push(...takenOver(nextStartDay, acted))
  return events
}

/** An ending that was counted afterwards left what was counted first, not what its table says. */
const asCounted = (event: StandEvent, counts: readonly FollowUp[]): StandEvent =>
  event.kind !== 'end'
    ? event
    : {
        ...event,
        survival: (member, c, bbch, plant, alive, massG) =>
          firstCounted(counts, plant.id) ?? event.survival(member, c, bbch, plant, alive, massG),
      }

/** Plants counted later are what is alive from then on: the rest was pulled, or died late. */
const standingAgain = (counts: readonly FollowUp[]): StandEvent[] =>
  counts.map(({ date, standing, before, speciesId }): StandEvent => ({
    day: dayNumber(date),
    kind: 'end',
    topLeft: 1,
    survival: (_member, _c, _bbch, plant, alive) =>
      speciesId !== undefined && speciesId !== plant.id
        ? 1
        : Math.min(1, standing / before / Math.max(0.001, alive)),
  }))

/** Work on what stood again takes its share of it. */
const workedOn = ({ date, act }: Finishing): StandEvent => ({
  day: dayNumber(date),
  kind: 'end',
  topLeft: 1,
  survival: () => FINISHING[act].leaves,
})

/** Place in the mix of the one species that a cut is for; undefined when it is for all. */
function onlyOf(stand: Stand, speciesId: string | undefined): number | undefined {
  if (stand.content.kind !== 'cover' || speciesId === undefined) return undefined
  const index = stand.content.components.findIndex((part) => part.speciesId === speciesId)
  return index < 0 ? undefined : index
}

/**
 * A run and the weather its members had, which learning may have put in another order. `again` runs the same stand
 * with further events, for its first `members` only where that is enough.
 */
export type SeasonRun = {
  run: StandRun
  ensemble: WeatherEnsemble
  again: (events: readonly StandEvent[], members?: number) => StandRun
}

/**
 * Runs a cover with its cuts, its ending and what was seen of it. `withEnd: false` leaves the ending out, for
 * asking what it would come to if it stood on. Returns null for crops and unknown species.
 */
export function standRun(standCase: StandCase, ensemble: WeatherEnsemble, withEnd = true): SeasonRun | null {
  const { stand, bed, checks, upper } = standCase
  const start = latest(stand.start)
  const sown = sownSpecies(stand, bed)
  if (!start || sown.length === 0) return null
  const sowDay = dayNumber(start.date)
  if (sowDay < ensemble.startDay || sowDay >= ensemble.startDay + ensemble.days) return null
  const seed = seedFromText(stand.id)
  const looks = looksOf(
    stand.id,
    checks,
    sown.map(({ plant }) => plant.id),
  )
  const input = {
    sown,
    sowDay,
    soil: bed.soil,
    fertility: bed.fertility,
    shade: bed.shade,
    canopyAbove: canopyAbove(stand, upper ? [upper] : []),
    watering: wateringOf(stand),
    events: eventsOf(standCase, ensemble, looks, withEnd),
  }
  const prior = drawTraits(ensemble.members.length, seed)
  const inOrder = (order: readonly number[] | null) =>
    order ? { ...ensemble, members: order.map((member) => ensemble.members[member]) } : ensemble
  const unknownFrom = firstUnknownDay(ensemble, sowDay)
  const unseen = looks.some((look) => look.day > unknownFrom)
  // What was seen is set against the stand as it stood: an ending that is only planned has not touched it yet.
  const asSeen =
    stand.end.fact || looks.length === 0
      ? input
      : { ...input, events: eventsOf(standCase, ensemble, looks, false) }
  const learned = learn(
    (traits, order) => runStand(asSeen, inOrder(order), traits),
    prior,
    leadComponent(stand),
    looks,
    seed,
    unseen,
  )
  const weather = inOrder(learned.order)
  const run = asSeen === input ? learned.run : runStand(input, weather, learned.traits)
  return {
    run,
    ensemble: weather,
    again: (events, members = weather.members.length) =>
      runStand(
        { ...input, events: [...input.events, ...events] },
        { ...weather, members: weather.members.slice(0, members) },
        learned.traits,
      ),
  }
}
