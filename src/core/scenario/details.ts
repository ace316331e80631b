import { lastSeen } from '../termination/counted'
import { HAND_FINISH_SHARE } from '../termination/lastAct'
import { rootKnotOf } from '../plants/nematodes'
import { touchesSoil, manureDaysFor } from '../planting/manure'
import { thinResidueG, TIE_UP_SHARE } from '../planting/openDays'
import type { SeasonRun } from '../season/run'
import { GREEN_BREAK_DAYS, lastManureDay, waitAfter } from './criteria'
import type { Termination } from './termination'
import type { Advice, CriterionDetail, CriterionId, Scenario } from './types'

/** What a criterion of a scenario is about, as quantities. */
export function detailOf(
  id: CriterionId,
  scenario: Scenario,
  termination: Termination | null,
): CriterionDetail {
  const { follows, means } = scenario
  const crop = follows.kind === 'crop' ? follows.crop : null
  switch (id) {
    case 'dead': {
      const seen = termination && lastSeen(scenario.standCase.stand, termination.setup.plot)
      return {
        id,
        limit: termination?.setup.target ?? 0.1,
        counted: seen && {
          share: seen.share,
          finished: seen.finished,
          tooMany: seen.share - HAND_FINISH_SHARE > (termination?.setup.target ?? 0),
        },
      }
    }
    case 'wait': {
      const establishment = follows.kind === 'crop' ? follows.establishment : 'transplant'
      const days = termination ? waitAfter(scenario, termination, establishment) : 0
      return { id, days, fumigated: days > means.waitDays[establishment], establishment }
    }
    case 'bridge':
      return { id, days: GREEN_BREAK_DAYS }
    case 'tie-up':
      return { id, takenShare: TIE_UP_SHARE, fed: follows.kind === 'crop' && follows.feedG > 0 }
    case 'seedbed':
      return {
        id,
        limitG: follows.kind === 'crop' ? thinResidueG(follows.crop, follows.establishment) : 0,
        sheet: Boolean(termination?.method?.sheet),
      }
    case 'manure':
      return {
        id,
        days: crop ? manureDaysFor(crop, means.rules) : 0,
        from: (follows.kind === 'crop' && lastManureDay(scenario, termination, follows)?.from) || 'feed',
        daysToHarvest: crop?.daysToHarvest ?? 0,
        touches: crop !== null && touchesSoil(crop, means.rules),
      }
    case 'soil':
      return { id, minC: crop?.soilMinC ?? 0 }
    case 'frost':
      return { id, limitC: crop?.frostLimitC ?? 0 }
    default:
      return { id }
  }
}

/** What planting may go against: weeds that no ending ends, hosts of nematodes one after the other. */
export function adviceOf({ ground, follows, means }: Scenario, { run }: SeasonRun): Advice[] {
  const advice: Advice[] = []
  if (ground.creeping.length > 0) advice.push({ id: 'creeping', weeds: ground.creeping })
  const hosts = run.sown.map(({ plant }) => rootKnotOf(plant, means.resistant))
  const fed = hosts.includes('host') ? 'surely' : hosts.includes('depends on cultivar') ? 'perhaps' : null
  if (ground.nematodes && follows.kind === 'crop' && follows.crop.rootKnotHost && fed)
    advice.push({ id: 'nematodes', fed })
  return advice
}
