import { findMethod, type MethodId } from '../../core/termination/methods'
import type { EndDetails } from '../../core/garden/ending'
import type { Quantiles } from '../../core/foundations/statistics'
import { dayNumber } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { latest } from '../../core/garden/timeline'
import { segmentAreaM2, segmentSizeM } from '../../core/garden/area'
import { justBefore, bbchOn, type StandForecast } from '../../core/season/standForecast'
import { plantsOf } from '../../text/names'
import { toolsOn } from '../../core/termination/entering'
import { useAnswer } from '../../compute/useAnswer'
import type { PlanCase } from './planTypes'
import { withoutEnd } from '../../core/season/standCase'
import type { EndView } from './useEnd'

/** The stand as it would stand on without an end, on any day; null until it has been run, or where that failed. */
export function useStanding({ spec, view, stand }: EndView): {
  standing: StandForecast | null
  failure: { error: string | null; retry: () => void }
} {
  const answer = useAnswer('forecast', [spec, withoutEnd(view.standCase)], `standing ${stand.id}`)
  return { standing: answer.value ?? answer.last ?? null, failure: answer }
}

/** Stage and height taken while the stand is still being run. */
const UNKNOWN = { bbch: 51, heightM: 0.5 }

/** Heights that cuts of the same day leave, m: what is done next finds those. */
const cutThatDay = ({ cuts }: Stand, day: number): number[] =>
  cuts.flatMap(({ cut }) => {
    const done = latest(cut)
    return done && dayNumber(done.date) === day ? [done.heightCm / 100] : []
  })

/** What a work plan is made from, for a way done on a day. */
export function planCaseOf(
  end: Pick<EndView, 'view' | 'stand' | 'garden'>,
  standing: StandForecast | null,
  work: { method: MethodId; passes: number; day: number } & Pick<
    EndDetails,
    'lanes' | 'animals' | 'untilThin'
  >,
  known: { film?: Quantiles | null; deadDay?: number | null } = {},
): PlanCase {
  const { view, stand, garden } = end
  const { day, passes } = work
  return {
    method: findMethod(work.method)!,
    passes,
    day,
    ground: segmentSizeM(view.bed, stand.segment),
    areaM2: segmentAreaM2(view.bed, stand.segment),
    bed: view.bed,
    segment: stand.segment,
    tools: toolsOn(garden.tools, view.bed, stand.segment).tools,
    plants: plantsOf(stand).map((plant, component) => ({
      plant,
      bbch: standing ? bbchOn(standing, component, day) : UNKNOWN.bbch,
    })),
    heightM: Math.min(
      (standing && justBefore(standing, day)?.heightM) ?? UNKNOWN.heightM,
      ...cutThatDay(stand, day),
    ),
    own: view.standCase.own ?? {},
    lanes: work.lanes,
    animals: work.animals,
    untilThin: work.untilThin ?? false,
    livestock: garden.livestock,
    film: known.film ?? null,
    deadDay: known.deadDay ?? null,
    units: garden.units,
  }
}
