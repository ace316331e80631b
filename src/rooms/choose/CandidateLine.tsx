import { useMemo } from 'react'
import { chosenCover, type CoverChoice } from '../../actions/planCover'
import { scenarioFor } from '../../core/choosing/composition'
import type { ChooseQuestion } from '../../core/choosing/types'
import type { Scenario } from '../../core/scenario/types'
import { madeWay, occupantsOf } from '../../core/season/occupied'
import type { Bed, Stand } from '../../core/garden/schema'
import { standName } from '../../text/names'
import type { Tried } from './candidateTried'
import { PlanThread } from '../../parts/PlanLine'
import { useGarden } from '../../state/garden'
import { shortDate } from '../../text/format'

/** The plan that a cover would be, on the plan line: the grower's own while one is tried, else the best of the list. */
export function CandidateLine({
  tried,
  choice,
  question,
  running,
  failed,
}: {
  tried: Tried | null
  choice: CoverChoice
  question: ChooseQuestion
  running: boolean
  failed: boolean
}) {
  const plan = tried?.plan
  const scenario = useMemo((): Scenario | null => {
    if (!plan) return null
    const bare = scenarioFor(plan.components, plan.sowDay, plan.covering, question)
    return { ...bare, standCase: { ...bare.standCase, stand: chosenCover(plan, choice, 'tried') } }
  }, [plan, choice, question])
  if (!tried || !scenario) return null
  return (
    <PlanThread
      scenario={scenario}
      state={failed ? 'failed' : running ? 'computing' : 'ready'}
      outcome={tried.outcome}
    >
      <EndsThen cover={scenario.standCase.stand} bed={question.bed} day={tried.plan.sowDay} />
    </PlanThread>
  )
}

/** What still stands there when the cover is sown and would end that day: said before it is chosen. */
function EndsThen({ cover, bed, day }: { cover: Stand; bed: Bed; day: number }) {
  const { data } = useGarden()
  return occupantsOf(data.stands, bed, cover, day)
    .filter(({ stand }) => stand.id !== cover.underStandId)
    .map((occupant) => ({ ...occupant, treatment: madeWay(occupant) }))
    .map(({ stand, untilDay, treatment }) => (
      <p key={stand.id} role="status" className="mt-1">
        {standName(stand)} stands there{untilDay === null ? '' : ` until ${shortDate(untilDay)}`}: choosing
        this {treatment === 'gives way' ? 'ends that part of it' : 'ends it'} on {shortDate(day)}.
      </p>
    ))
}
