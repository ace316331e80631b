import type { SeasonRun } from '../season/run'
import { workMinutes } from '../termination/start'
import { workedGround } from '../termination/workRates'
import type { Termination } from './termination'
import type { Scenario } from './types'

/** Minutes that an ending takes on its ground, as every room tells them. */
export const minutesOf = (
  { standCase: { bed, stand }, means }: Scenario,
  season: SeasonRun,
  { end, setup, endings }: Termination,
): number =>
  workMinutes(
    end,
    setup,
    endings.map(({ survival }) => survival),
    workedGround(bed, stand.segment),
    { run: season.run, tools: means.tools, ownMinutes: means.ownMinutes },
  )
