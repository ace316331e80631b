import type { EndDetails } from '../garden/schema'
import type { WeatherEnsemble } from '../site/weather'
import type { StandEvent } from '../stand/types'
import { sheetDose } from './outcome'
import { chopSurvival, chopSurvivalAt, crimpSurvival, SECOND_PASS, tarpSurvival } from './survival'

/** Share of the survivors' growth that still stands after it (judgement). */
const TOP_LEFT: Record<EndDetails['method'], number> = {
  chop: 0.06,
  crimp: 0.6,
  tarp: 0.25,
  'winter-kill': 1,
  harvest: 1,
}

/** Days a sheet is taken to lie when nothing says when it comes off. */
const USUAL_SHEET_DAYS = 35

/**
 * The ending as an event of the stand's run. Chop and crimp act on their day by stage; a sheet acts with the dose
 * it gathers until `clearDay`; harvest clears everything; winter-kill is left to the winter.
 */
export function endEvent(
  { method, passes }: EndDetails,
  day: number,
  clearDay: number | null,
  ensemble: WeatherEnsemble,
): StandEvent | null {
  if (method === 'winter-kill') return null
  return {
    day,
    kind: 'end',
    topLeft: TOP_LEFT[method],
    survival(member, _component, bbch, plant) {
      if (method === 'harvest') return 0
      if (method === 'tarp')
        return tarpSurvival(
          plant.endingClass,
          sheetDose(ensemble, member, day, clearDay ?? day + USUAL_SHEET_DAYS),
          true,
        )
      const once =
        method === 'crimp' ? crimpSurvival(plant.endingClass, bbch) : chopSurvival(plant.endingClass, bbch)
      return once * SECOND_PASS ** (passes - 1)
    },
  }
}

/** Survival of a cut at a height, by class and stage, as a stand's event asks for it. */
export function cutSurvival(heightM: number): StandEvent['survival'] {
  return (_member, _component, bbch, plant) => chopSurvivalAt(plant.endingClass, bbch, heightM)
}
