import { expect, test } from '@jest/globals'
import { standRun } from '../bed/standRun'
import { plantsOf, scenarioFor } from '../choosing/composition'
import { coveringFor } from '../choosing/covering'
import { dayNumber } from '../foundations/day'
import { questionWeather, testQuestion } from '../testing/questions'
import { TEST_SITES } from '../testing/sites'
import { coveredDays } from './sowing'

const question = testQuestion('2026-11-27', '2027-07-28', { follows: { kind: 'nothing' } })
const weather = questionWeather(question, TEST_SITES.maryland, 20)

/** A cover sown on a day of that winter or spring: its run, and the share of members in which it counts as established. */
function sown(speciesId: string, day: string) {
  const components = [{ speciesId, share: 1 }]
  const covering = coveringFor(plantsOf(components), false)
  const { run } = standRun(scenarioFor(components, dayNumber(day), covering, question).standCase, weather)!
  return { run, established: coveredDays(run).filter((on) => !Number.isNaN(on)).length / run.members }
}

test('seed of the warm season lost in cold ground leaves no cover, however wide the few plants grow', () => {
  const winter = sown('sorghum-sudangrass', '2027-01-22')
  const green = Math.max(...winter.run.cover)
  expect(green).toBeGreaterThan(0.3)
  expect(winter.established).toBeLessThan(0.1)
  expect(sown('sorghum-sudangrass', '2027-05-20').established).toBeGreaterThan(0.9)
})

test('clover of the frost, and rye sown late, are not thin', () => {
  expect(sown('red-clover', '2027-01-22').established).toBeGreaterThan(0.9)
  expect(sown('cereal-rye', '2026-12-11').established).toBeGreaterThan(0.9)
})

test('in a mild winter too, seed of the warm season is chilled until the soil is warm', () => {
  const south = questionWeather(question, TEST_SITES.alabama, 20)
  const share = (day: string) => {
    const components = [{ speciesId: 'sorghum-sudangrass', share: 1 }]
    const covering = coveringFor(plantsOf(components), false)
    const { run } = standRun(scenarioFor(components, dayNumber(day), covering, question).standCase, south)!
    const { seedsPerM2, emergenceShare } = run.sown[0]
    return (
      run.species[0].plantsPerM2.reduce((sum, up) => sum + up, 0) / run.members / seedsPerM2 / emergenceShare
    )
  }
  expect(share('2027-01-22')).toBeLessThan(0.3)
  expect(share('2027-05-01')).toBeGreaterThan(0.8)
})
