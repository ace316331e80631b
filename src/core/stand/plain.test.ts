import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { dayNumber } from '../foundations/day'
import { SPECIES } from '../plants/catalogue'
import { generatedEnsemble } from '../site/ensemble'
import type { MemberWeather, WeatherEnsemble } from '../site/weather'
import { plainStep } from '../testing/plain/step'
import {
  massOf,
  moveWater,
  nitrogenOf,
  plainWorld,
  type Day,
  type MemberOwn,
  type World,
} from '../testing/plain/world'
import { TEST_SITES } from '../testing/sites'
import { plainInput } from '../season/plainInput'
import { raked } from '../testing/stands'
import { runStand } from './kernel'
import { drawMemberParameters } from './memberParameters'
import { testHens } from '../testing/beds'
import type { Fates } from './fate'
import type { StandEvent, StandInput } from './types'
import { placeIn } from './series'

const MEMBERS = 2
const DAYS = 260
/** Spread evenly: numbers that are drawn freely are mostly next to nothing or all. */
const share = (max = 1) => fc.integer({ min: 0, max: 100 }).map((percent) => (percent / 100) * max)

/** Fates that are drawn freely: a plot of so many m² stands for the share that animals take of it, a round for the tenths that outlive it. */
const PLAIN_FATES: Fates = {
  outlives: (fate) => (fate.by === 'share' ? fate.share : fate.by === 'animals' ? fate.round / 10 : NaN),
  taken: ({ plotM2 }) => 0.9 * plotM2,
  smothers: ({ kind }, { plant, bbch, member }, seedLayer) =>
    (kind === 'clear' ? 40 : 300) + plant.parameters.t31Cd / 10 + bbch + 20 * member + 50 * seedLayer,
  hardness: () => 0,
}

/** Something done to a stand some days after its sowing. */
const eventsFrom = (sowDay: number): fc.Arbitrary<StandEvent[]> => {
  const day = fc.integer({ min: 1, max: DAYS - 20 }).map((after) => sowDay + after)
  const fate = fc.record({ by: fc.constant('share' as const), share: fc.oneof(share(), fc.constant(0)) })
  const matter = fc.record({ massG: share(400), nitrogenG: share(6) })
  return fc.array(
    fc.oneof(
      fc.record({
        kind: fc.constant('cut' as const),
        day,
        fate,
        heightM: share(0.6),
        groundShare: share(),
        left: fc.boolean(),
        only: fc.constantFrom(undefined, 0),
      }),
      fc.record({
        kind: fc.constant('end' as const),
        day,
        fate,
        topLeft: share(),
        removed: share(),
        buried: share(),
      }),
      fc.record({
        kind: fc.constant('end' as const),
        day,
        fate,
        topLeft: share(),
        sheet: fc.record({
          kind: fc.constantFrom('black' as const, 'clear' as const, 'cardboard' as const),
          offDay: day,
        }),
      }),
      fc.record({
        kind: fc.constant('corrected' as const),
        day,
        factor: fc.integer({ min: 20, max: 300 }).map((percent) => percent / 100),
      }),
      fc
        .record({ day, matter })
        .map(({ matter: laid, ...event }) => ({ ...event, ...laid, kind: 'mulch' as const })),
      fc.record({
        kind: fc.constant('graze' as const),
        day,
        passing: fc.record({
          plan: fc.constant(testHens()),
          plotM2: share(),
          round: fc.integer({ min: 0, max: 10 }),
        }),
        eaten: share(),
        droppings: matter,
        buried: share(),
      }),
    ),
    { maxLength: 3 },
  )
}

const dayOf = (weather: MemberWeather, ensemble: WeatherEnsemble, i: number): Day => ({
  tMin: weather.tMinC[i],
  tMax: weather.tMaxC[i],
  radiation: weather.radiationMjM2[i],
  et0: weather.et0Mm[i],
  rain: weather.rainMm[i],
  water: weather.waterMm[i],
  soil: weather.soilTempC[i],
  snow: weather.snowMm[i],
  daylight: ensemble.daylightHours[i],
})

/** One member of a stand by the plain step. */
function plainly(input: StandInput, ensemble: WeatherEnsemble, own: MemberOwn, member: number): World {
  const sown = input.sown.map(({ plant, seedsPerM2, emergenceShare, depthCm }) => ({
    plant,
    seeds: seedsPerM2,
    emergenceShare,
    depth: depthCm,
  }))
  const weather = ensemble.members[member]
  const from = input.sowDay - ensemble.startDay
  let world = plainWorld(sown, own)
  for (let i = from - 30; i < from; i++)
    world = {
      ...moveWater(world, weather.waterMm[i], weather.et0Mm[i], 0.2, 0.2),
      mineral: 4.5 * own.release,
      washed: 0,
    }
  const { events, fates, canopyAbove: above, sowDay } = input
  const around = { sown, own, member, ensemble, events, fates, above, sowDay }
  for (let i = from; i < ensemble.days; i++)
    world = plainStep(world, ensemble.startDay + i, dayOf(weather, ensemble, i), around)
  return world
}

function close(a: number, b: number, relative: number) {
  expect(Math.abs(a - b)).toBeLessThanOrEqual(relative * Math.max(1, Math.abs(b)))
}

/** Holds a run against the plain step: accounts to 1e-9, series to single precision. */
function compared(input: StandInput, ensemble: WeatherEnsemble, seed: number) {
  const parameters = drawMemberParameters(input.sown, MEMBERS, seed + 2)
  const run = runStand(input, ensemble, parameters)
  for (let m = 0; m < MEMBERS; m++) {
    const world = plainly(
      input,
      ensemble,
      {
        release: parameters.release[m],
        species: parameters.species.map((own) => ({
          development: own.development[m],
          growth: own.growth[m],
          leaf: own.leaf[m],
          nitrogen: own.nitrogen[m],
          emergence: own.emergence[m],
          hardiness: own.hardinessC[m],
        })),
      },
      m,
    )
    const { surface, buried, plants, gone, brought } = world
    const live = plants.reduce((all, { mass }) => all + mass, 0)
    const inPlants = plants.reduce((all, { nitrogen }) => all + nitrogen, 0)
    const last = placeIn(run, m, run.days - 1)
    close(run.accounts.massIn[m], world.grown + brought.mass, 1e-9)
    close(
      run.accounts.massOut[m],
      live + surface.decayed + buried.decayed + massOf(surface) + massOf(buried) + gone.mass,
      1e-9,
    )
    close(
      run.accounts.nitrogenOut[m],
      world.mineral +
        inPlants +
        surface.microbes +
        buried.microbes +
        world.washed +
        nitrogenOf(surface) +
        nitrogenOf(buried) +
        gone.nitrogen,
      1e-9,
    )
    close(run.massG[last], live, 1e-6)
    close(run.cover[last], world.cover, 1e-6)
    close(run.fixedG[last], world.fixed, 1e-6)
    close(run.residueG[last], massOf(surface), 1e-6)
    close(run.releasedG[last], surface.released + buried.released, 1e-6)
    plants.forEach(({ up, alive }, c) => close(run.species[c].alive[last], up > 0 ? alive : 0, 1e-6))
  }
}

describe('the kernel against a plain version', () => {
  const site = fc.constantFrom(...Object.values(TEST_SITES))
  const offset = fc.integer({ min: 0, max: 364 })
  const seed = fc.integer({ min: 1, max: 1000 })
  const sowDayOf = (after: number) => dayNumber('2025-01-01') + after
  const ensembleOf = (place: (typeof TEST_SITES)[keyof typeof TEST_SITES], sowDay: number, of: number) =>
    generatedEnsemble(place, sowDay - 40, DAYS + 40, MEMBERS, of)

  test('agrees for a species by itself', () => {
    fc.assert(
      fc.property(fc.constantFrom(...SPECIES), site, offset, seed, (plant, place, after, of) => {
        const sowDay = sowDayOf(after)
        compared(plainInput(raked(plant), sowDay), ensembleOf(place, sowDay, of), of)
      }),
      { numRuns: 40 },
    )
  })
  test('agrees for mixes under a crop, cut, mulched, ended and grazed', () => {
    const mix = fc.uniqueArray(fc.constantFrom(...SPECIES), {
      minLength: 1,
      maxLength: 3,
      selector: ({ id }) => id,
    })
    const above = fc.option(
      fc.record({
        share: share(0.8),
        before: fc.integer({ min: 0, max: 40 }),
        after: fc.integer({ min: 1, max: 90 }),
        frostC: share(4).map((c) => -c),
      }),
      { nil: null },
    )
    const asked = offset.chain((after) =>
      fc.record({
        sowDay: fc.constant(sowDayOf(after)),
        events: eventsFrom(sowDayOf(after)),
        mix,
        above,
        site,
        seed,
      }),
    )
    fc.assert(
      fc.property(asked, ({ sowDay, events, mix: plants, above: crop, site: place, seed: of }) => {
        const input = {
          ...plainInput(
            plants.flatMap((plant) => raked(plant, 0.6)),
            sowDay,
          ),
          events,
          fates: PLAIN_FATES,
          canopyAbove: crop && {
            fromDay: sowDay - crop.before,
            shares: Float64Array.from(
              { length: crop.before + crop.after },
              (_, d) => crop.share * ((d % 7) / 6),
            ),
            frostC: crop.frostC,
          },
        }
        compared(input, ensembleOf(place, sowDay, of), of)
      }),
      { numRuns: 60 },
    )
  })
})
