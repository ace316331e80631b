import { useMemo } from 'react'
import { chosenCover, type CoverChoice } from '../../actions/planCover'
import { scenarioFor } from '../../core/choosing/composition'
import type { ChooseQuestion } from '../../core/choosing/types'
import type { Scenario } from '../../core/scenario/types'
import { madeWay, occupantsOf } from '../../core/season/occupied'
import type { Bed, Stand } from '../../core/garden/schema'
import { followingIn } from '../../core/portrait/following'
import { tallestM } from '../../core/portrait/scene'
import { DayPicture } from '../../parts/bedPicture/DayPicture'
import { Drawn } from '../../parts/bedPicture/Drawn'
import { PictureWhy } from '../../parts/bedPicture/PictureWhy'
import { usePortrait } from '../../parts/bedPicture/usePortrait'
import { Fold } from '../../parts/Fold'
import { useTold } from '../../state/useTold'
import { unitsOf } from '../../text/amounts'
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
      <Fold title="What it will look like" testid="tried-picture">
        {() => <TriedPicture scenario={scenario} />}
      </Fold>
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

/** The cover that is tried as it would stand, from its sowing to the planting after it. */
function TriedPicture({ scenario }: { scenario: Scenario }) {
  const { today } = useGarden()
  const { standCase, follows } = scenario
  const following = followingIn(follows)
  const drawn = useMemo(
    () => ({ ...standCase, nextStartDay: following?.day ?? null }),
    [standCase, following?.day],
  )
  const told = useTold(standCase.bed, standCase.stand.segment)
  return (
    <div className="max-w-2xl">
      <Drawn view={usePortrait(drawn, 'portrait tried')} following={following}>
        {(of) => (
          <DayPicture
            of={of}
            opens="before"
            told={told}
            today={today}
            tallestM={tallestM(of.portrait, following)}
            label="what it will look like"
          />
        )}
      </Drawn>
      <PictureWhy units={unitsOf(told)} />
    </div>
  )
}
