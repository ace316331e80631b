import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { findSpecies } from '../plants/catalogue'
import { generatedEnsemble } from '../site/ensemble'
import { firstMembers } from '../site/weather'
import { plainInput } from '../season/plainInput'
import { raked } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { resumeStand, runSaving, runStand } from './kernel'
import { drawMemberParameters } from './memberParameters'
import { firstMembersOf, placeIn } from './series'
import type { StandEvent, StandInput } from './types'

const sowDay = dayNumber('2025-09-10')
const ensemble = generatedEnsemble(TEST_SITES.maryland, sowDay - 40, 340, 8, 5)
const chopOn = (day: number): StandEvent => ({
  day,
  kind: 'end',
  topLeft: 0.06,
  fate: { by: 'share', share: 0.1 },
})
const input: StandInput = {
  ...plainInput(
    [...raked(findSpecies('cereal-rye')!, 0.6), ...raked(findSpecies('hairy-vetch')!, 0.5)],
    sowDay,
  ),
  canopyAbove: { fromDay: sowDay, shares: new Float64Array(30).fill(0.4), frostC: -3 },
  watering: { keptMoistDays: 10, mm: new Map([[sowDay + 200, 12]]) },
  events: [chopOn(sowDay + 60)],
}
const memberParameters = drawMemberParameters(input.sown, 8, 9)

describe('a run taken up again from a saved day', () => {
  const days = [sowDay, sowDay + 5, sowDay + 60, sowDay + 150, sowDay + 201]
  const { run, saved } = runSaving(input, ensemble, memberParameters, days)

  test('its first members alone are the run of the first members', () => {
    const own = drawMemberParameters(input.sown, 3, 9)
    const some = runStand(input, firstMembers(ensemble, 3), own)
    const cut = firstMembersOf(run, 3)
    expect(cut.members).toBe(3)
    for (let d = 0; d < run.days; d += 7)
      for (let m = 0; m < 3; m++) {
        expect(cut.massG[placeIn(cut, m, d)]).toBe(run.massG[placeIn(run, m, d)])
        expect(cut.species[1].bbch[placeIn(cut, m, d)]).toBe(run.species[1].bbch[placeIn(run, m, d)])
      }
    expect(cut.species[0].plantsPerM2).toEqual(run.species[0].plantsPerM2.slice(0, 3))
    expect(Object.keys(cut).sort()).toEqual(Object.keys(some).sort())
    expect(cut.massG.length).toBe(some.massG.length)
    expect(firstMembersOf(run, 8)).toBe(run)
  })
  test('saving changes nothing', () => {
    expect(run).toEqual(runStand(input, ensemble, memberParameters))
  })

  test.each(days)('goes on from day %i exactly as the whole run', (day) => {
    const on = resumeStand(input, ensemble, memberParameters, saved.get(day)!, day)
    const skip = day - sowDay
    expect(on.startDay).toBe(day)
    expect(on.days).toBe(run.days - skip)
    for (const name of ['massG', 'residueG', 'releasedG', 'soilWaterMm', 'cover', 'heightM'] as const)
      expect([...on[name]]).toEqual([...run[name].subarray(skip * run.members)])
    expect(on.accounts).toEqual(run.accounts)
  })

  test('another ending from the saved day equals a run that has it from sowing on, and leaves the state alone', () => {
    const day = sowDay + 201
    const other = { ...input, events: [...input.events, chopOn(day)] }
    const whole = runStand(other, ensemble, memberParameters)
    for (let again = 0; again < 2; again++) {
      const on = resumeStand(other, ensemble, memberParameters, saved.get(day)!, day, 40)
      expect(on.days).toBe(40)
      expect([...on.residueG.subarray(0, 40 * on.members)]).toEqual([
        ...whole.residueG.subarray(201 * on.members, 241 * on.members),
      ])
    }
  })
})
