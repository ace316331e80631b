import { atOnce, type Steps } from '../foundations/steps'
import { shareOf, type Quantiles } from '../foundations/statistics'
import { seedSize } from '../plants/catalogue'
import { DEPTH_CM, EMERGENCE_SHARE } from '../plants/establishment'
import type { Species } from '../plants/parameters'
import { viableSeedsPerM2 } from '../seeding/recipe'
import { coveringFor } from './covering'
import { plainInput } from '../season/plainInput'
import { firstMembers, type WeatherEnsemble } from '../site/weather'
import { runStand } from '../stand/kernel'
import {
  bandsOf,
  dateQuantiles,
  firstDays,
  quantilesOn,
  stageDays,
  type Bands,
  type DateQuantiles,
} from '../stand/summary'
import { drawMemberParameters } from '../stand/memberParameters'
import { BROADCAST_FACTOR } from '../plants/establishment'
import { placeIn } from '../stand/series'

/** What becomes of a species sown on one day of the year at this place. */
export type SowingOutlook = {
  sowDay: number
  cover: Bands
  /** First day with half the ground covered. */
  covered: DateQuantiles
  flower: DateQuantiles
  /** Dry matter after ninety days, g m⁻². */
  mass90: Quantiles | null
  /** Share of years in which plants are alive 240 days on, or ripe before. */
  lives: number
}

const MEMBERS = 30
const FOLLOWED_DAYS = 330
const STEP_DAYS = 6

/** Grows a straight species from each of these days on ordinary ground. */
export const plantYear = atOnce(plantYearInSteps)

/** The same with pauses. */
export function* plantYearInSteps(
  plant: Species,
  ensemble: WeatherEnsemble,
  sowDays: readonly number[],
): Steps<SowingOutlook[]> {
  const covering = coveringFor([plant], false)
  const grams = (plant.parameters.drillKgHa / 10) * BROADCAST_FACTOR[covering][seedSize(plant)]
  const sown = [
    {
      plant,
      seedsPerM2: viableSeedsPerM2(plant, grams, plant.usualQuality, 1),
      emergenceShare: EMERGENCE_SHARE[covering][seedSize(plant)],
      depthCm: DEPTH_CM[covering][seedSize(plant)],
    },
  ]
  const some = firstMembers(ensemble, MEMBERS)
  const memberParameters = drawMemberParameters(sown, some.members.length, ensemble.seed)
  const outlooks: SowingOutlook[] = []
  for (const sowDay of sowDays) {
    const days = Math.min(ensemble.days, sowDay + FOLLOWED_DAYS - ensemble.startDay)
    if (sowDay < ensemble.startDay || days + ensemble.startDay - sowDay < 60) continue
    const run = runStand(plainInput(sown, sowDay), { ...some, days }, memberParameters)
    const last = run.days - 1
    outlooks.push({
      sowDay,
      cover: bandsOf(run, 'cover', STEP_DAYS),
      covered: dateQuantiles(firstDays(run, (at) => run.cover[at] >= 0.5)),
      flower: dateQuantiles(stageDays(run, 0, 61)),
      mass90: quantilesOn(run, 'massG', sowDay + 90),
      lives: shareOf(run.members, (m) => {
        const at = placeIn(run, m, Math.min(last, 240))
        return run.species[0].alive[at] > 0.1 || run.species[0].bbch[at] >= 85
      }),
    })
    yield
  }
  return outlooks
}
