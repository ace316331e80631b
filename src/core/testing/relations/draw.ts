import { dayNumber, isoDate } from '../../foundations/day'
import type { RandomStream } from '../../foundations/random'
import type { EndDetails } from '../../garden/ending'
import type { CutDetails, Stand } from '../../garden/schema'
import type { SiteClimate } from '../../garden/site'
import { findCrop } from '../../plants/crops'
import { SPECIES } from '../../plants/catalogue'
import type { Species } from '../../plants/parameters'
import { standRun } from '../../bed/standRun'
import type { SeasonRun } from '../../season/run'
import type { Follows, Scenario } from '../../scenario/types'
import { generatedEnsemble } from '../../site/ensemble'
import type { WeatherEnsemble } from '../../site/weather'
import { USUAL_LANES } from '../../termination/lastAct'
import { METHODS, type MethodId } from '../../termination/methods'
import { testCase, testCover, testTool } from '../beds'
import { BARE_FACTS, testMeans } from '../questions'
import { TEST_SITES } from '../sites'

/** Members of an ensemble that a case is tried in, and days of weather. */
export const MEMBERS = 24
const DAYS = 560
/** Weather before the sowing, days. */
const LEAD_DAYS = 40

export const between = (random: RandomStream, low: number, high: number) =>
  low + random.uniform() * (high - low)
export const whole = (random: RandomStream, low: number, high: number) =>
  Math.floor(between(random, low, high + 1))
export const oneOf = <T>(random: RandomStream, all: readonly T[]): T => all[whole(random, 0, all.length - 1)]

export const mean = (values: ArrayLike<number>) =>
  Array.from(values).reduce((a, b) => a + b, 0) / values.length
export const pct = (share: number) => `${(100 * share).toFixed(0)} %`

/** A place: one of the test sites, moved by up to 2.5 °C and to between 0.7 and 1.3 of its rain. */
export function drawSite(random: RandomStream): SiteClimate {
  const site = TEST_SITES[oneOf(random, Object.keys(TEST_SITES) as (keyof typeof TEST_SITES)[])]
  const warmer = between(random, -2.5, 2.5)
  const wetter = between(random, 0.7, 1.3)
  return {
    ...site,
    tMaxC: site.tMaxC.map((t) => t + warmer),
    tMinC: site.tMinC.map((t) => t + warmer),
    rainMm: site.rainMm.map((mm) => mm * wetter),
  }
}

/** Months of sowing, counted as in the north: cool-season covers in spring or autumn, warm ones in early summer. */
const SOWN_IN: Record<Species['season'], readonly (readonly [string, string])[]> = {
  cool: [
    ['03-10', '04-25'],
    ['08-05', '10-20'],
    ['08-05', '10-20'],
  ],
  warm: [['05-15', '07-20']],
}
const HALF_YEAR_DAYS = 182

/** A sowing day in the season of a plant, in the year 2025 or, south of the equator, half a year on. */
export function drawSowDay(random: RandomStream, plant: Species, { latitude }: SiteClimate): number {
  const [from, to] = oneOf(random, SOWN_IN[plant.season])
  const day = whole(random, dayNumber(`2025-${from}`), dayNumber(`2025-${to}`))
  return latitude < 0 ? day + HALF_YEAR_DAYS : day
}

/** A stand in its weather. */
export type Drawn = {
  site: SiteClimate
  plants: readonly Species[]
  sowDay: number
  stand: Stand
  ensemble: WeatherEnsemble
  season: SeasonRun
  says: string
}

export const weatherFor = (site: SiteClimate, sowDay: number, seed: number, members = MEMBERS, days = DAYS) =>
  generatedEnsemble(site, sowDay - LEAD_DAYS, days, members, seed)

/** A stand of one species, or of two of one season, left alone. */
export function drawStand(
  random: RandomStream,
  {
    of = () => true,
    mixes = 0.25,
    members = MEMBERS,
  }: { of?: (plant: Species) => boolean; mixes?: number; members?: number } = {},
): Drawn {
  const site = drawSite(random)
  const plant = oneOf(random, SPECIES.filter(of))
  const plants = [plant]
  if (random.uniform() < mixes)
    plants.push(
      oneOf(
        random,
        SPECIES.filter((one) => of(one) && one.season === plant.season && one !== plant),
      ),
    )
  const sowDay = drawSowDay(random, plant, site)
  return grown(site, plants, sowDay, whole(random, 1, 1e6), members)
}

/** A stand of some plants at equal shares of their rates. */
export function coverOf(plants: readonly Species[], sowDay: number, own: Partial<Stand> = {}): Stand {
  const cover = testCover(plants[0].id, isoDate(sowDay))
  const components = plants.map(({ id }) => ({
    speciesId: id,
    share: 1 / plants.length,
    germination: 0.9,
    grams: null,
  }))
  return {
    ...cover,
    content: { kind: 'cover', components, purposes: [] },
    start: { plan: null, actual: { ...cover.start.actual!, components } },
    ...own,
  }
}

export function grown(
  site: SiteClimate,
  plants: readonly Species[],
  sowDay: number,
  seed: number,
  members = MEMBERS,
): Drawn {
  const ensemble = weatherFor(site, sowDay, seed, members)
  const stand = coverOf(plants, sowDay)
  const season = standRun(testCase(stand), ensemble)!
  const says = `${plants.map(({ id }) => id).join(' + ')} of ${isoDate(sowDay)} at ${site.latitude}°, January ${site.tMinC[0].toFixed(1)} °C, weather ${seed}`
  return { site, plants, sowDay, stand, ensemble, season, says }
}

/** Ways of ending a stand that need no animals. */
export const WAYS: readonly MethodId[] = METHODS.filter(({ animals }) => !animals).map(({ id }) => id)

export const endBy = (method: MethodId, day: number, own: Partial<EndDetails> = {}): EndDetails => ({
  date: isoDate(day),
  method,
  passes: 1,
  note: '',
  ...(method === 'strips' && { lanes: { ...USUAL_LANES } }),
  ...own,
})

/** A mowing whose cuttings stay. */
export const mowing = (day: number, heightCm = 6): CutDetails => ({
  date: isoDate(day),
  heightCm,
  groundShare: 1,
  fate: 'dropped',
  note: '',
})

/** The stand with cuts and an ending planned, and tomatoes after it where a day is given. */
export function planned(
  { stand, sowDay }: Pick<Drawn, 'stand' | 'sowDay'>,
  {
    cuts = [],
    end = null,
    plantOn = null,
  }: { cuts?: CutDetails[]; end?: EndDetails | null; plantOn?: number | null },
): Scenario {
  const follows: Follows =
    plantOn === null
      ? { kind: 'nothing' }
      : {
          kind: 'crop',
          crop: findCrop('tomato')!,
          establishment: 'transplant',
          plantingMethod: null,
          feedG: 0,
          day: plantOn,
          done: false,
        }
  return {
    standCase: testCase(
      {
        ...stand,
        cuts: cuts.map((plan, i) => ({ id: `cut ${i}`, cut: { plan, actual: null } })),
        end: { plan: end, actual: null },
      },
      { nextStartDay: plantOn, establishment: 'transplant' },
    ),
    follows,
    means: testMeans({
      tools: (['scythe', 'wheelbarrow', 'spade or fork', 'mower', 'burner', 'clear film'] as const)
        .map((kind) => testTool(kind, 2, 12))
        .concat(testTool('crimp board', 1.2), testTool('black tarp', 2, 12)),
    }),
    ground: BARE_FACTS,
    today: sowDay + 1,
  }
}
