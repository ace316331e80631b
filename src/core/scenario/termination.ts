import { deadAsSeen, lastSeen } from '../termination/counted'
import { livesOf, type MemberEnding } from '../termination/life'
import { wantsDryGround } from '../termination/entering'
import { blockedOn, type Blocked } from '../termination/start'
import { findMethod, type Method } from '../termination/methods'
import type { EndDetails } from '../garden/ending'
import { beginsOn } from '../season/deadDays'
import { setupFor } from '../season/endingSetup'
import { sheetOffOf } from '../season/events'
import type { SeasonRun } from '../season/run'
import { targetDay } from './plan'
import type { Living } from '../termination/living'
import { bearsWork, troublesOn } from './sowing'
import type { GroundTrouble, Scenario } from './types'

/** An ending on its day, member by member. */
export type Termination = {
  end: EndDetails
  method: Method | null
  setup: ReturnType<typeof setupFor>
  /** Day it begins to count. */
  day: number
  endings: MemberEnding[]
  /** Why it cannot be done in a member, null where it can; a recorded ending was done. */
  blocked: (Blocked | null)[]
  /** What keeps the ground from being worked on its day, where something does. */
  troubles: () => GroundTrouble[]
  /** Day each member is dead, as counted where it was; NaN where never. */
  dead: Float64Array
}

/** What an ending comes to in each member of a stand, by what lives of it with it, from its day on. */
export function terminationOf(
  { standCase, means, follows }: Pick<Scenario, 'standCase' | 'means' | 'follows'>,
  season: SeasonRun,
  end: EndDetails,
  ended: Living,
): Termination {
  const { run, ensemble } = season
  const establishment = follows.kind === 'nothing' ? 'transplant' : follows.establishment
  const setup = setupFor(end, { ...standCase, own: means.own, establishment })
  const method = findMethod(end.method)
  const target = targetDay(follows)
  const day = beginsOn(end, run.startDay)
  const seen = lastSeen(standCase.stand, setup.plot)
  const done = standCase.stand.end.actual !== null
  const members = Array.from({ length: run.members }, (_, member) => member)
  const endings = livesOf({
    method,
    setup,
    day,
    before: run,
    ended,
    ensemble,
    offDay: sheetOffOf(standCase, end, Number.isFinite(target) ? target : null),
  })
  const question = { run, ensemble, tools: means.tools, rules: means.rules }
  const dry = method !== null && wantsDryGround(method, means.tools)
  const blockedIn = (member: number): Blocked | null => {
    if (done || !method) return null
    if (dry && !bearsWork(ensemble, member, day, standCase.bed.soil)) return 'unworkable'
    return blockedOn(method, setup, day, member, endings[member], question)
  }
  return {
    end,
    method,
    setup,
    day,
    endings,
    blocked: members.map(blockedIn),
    troubles: () => troublesOn(ensemble, day, standCase.bed.soil, 'raked'),
    dead: Float64Array.from(endings, ({ deadDay }) => deadAsSeen(deadDay, seen, setup.target)),
  }
}
