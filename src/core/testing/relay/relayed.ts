import { dayNumber } from '../../foundations/day'
import type { SiteClimate } from '../../garden/site'
import type { Covering } from '../../garden/schema'
import type { EarlierUse } from '../../season/cases'
import { standRun } from '../../bed/standRun'
import { generatedEnsemble } from '../../site/ensemble'
import type { StandRun } from '../../stand/types'
import { testCase, testCover } from '../beds'

/** A cover sown under something else, at a site, until a day. */
export type Relay = {
  site: SiteClimate
  upper: EarlierUse | null
  speciesId: string
  sownOn: string
  covering: Covering
  until: string
  members: number
}

export const upperCrop = (cropId: string, plantedOn: string, goneOn: string): EarlierUse => ({
  kind: 'crop',
  startDay: dayNumber(plantedOn),
  cropId,
  goneDay: dayNumber(goneOn),
})

/** The lower stand of a relay, with what stood above it told by the ground before it. */
export function relayed({ site, upper, speciesId, sownOn, covering, until, members }: Relay): StandRun {
  const sowDay = dayNumber(sownOn)
  const from = Math.min(sowDay, upper?.startDay ?? sowDay) - 40
  const ensemble = generatedEnsemble(site, from, dayNumber(until) + 2 - from, members, 1)
  const stand = testCover(speciesId, sownOn)
  const underStandId = upper === null ? null : upper.kind === 'cover' ? upper.standCase.stand.id : 'above'
  const sown = {
    ...stand,
    underStandId,
    start: { plan: null, actual: { ...stand.start.actual!, covering } },
  }
  const season = standRun(testCase(sown, { upper, before: upper ? [upper] : [] }), ensemble)
  if (!season) throw new Error(`${speciesId} sown on ${sownOn} cannot be run`)
  return season.run
}
