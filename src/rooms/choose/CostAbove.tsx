import type { LightWindow } from '../../core/choosing/lightWindows'
import type { Candidate } from '../../core/choosing/types'
import { findSpecies } from '../../core/plants/catalogue'
import { yieldLost } from '../../core/planting/undersowing'
import { Why } from '../../parts/Why'
import { percent, shortDate } from '../../text/format'

/** What a cover sown under a crop may cost that crop, beside the bare weeks it fills. */
export function CostAbove({ candidate, light }: { candidate: Candidate; light: LightWindow }) {
  const { crop, lastWeedingDay, recoveredWeeks } = light
  if (!crop || lastWeedingDay === null) return <UnderCover recoveredWeeks={recoveredWeeks} />
  const plants = candidate.components.flatMap(({ speciesId }) => findSpecies(speciesId) ?? [])
  const daysAfter = candidate.sowDay - lastWeedingDay
  const { low, high } = yieldLost(plants, daysAfter)
  const name = crop.name.toLowerCase()
  const cost =
    high < 0.005
      ? `Costs the ${name} nothing that shows`
      : low < 0.005
        ? `May cost the ${name} up to ${percent(high)} of its harvest`
        : `Costs the ${name} ${percent(low)} to ${percent(high)} of its harvest`
  return (
    <div data-testid="cost-above">
      {cost}, for {recoveredWeeks} bare weeks filled.{' '}
      <Why>
        The last weeding of {name} is about {shortDate(lastWeedingDay)} by what is set above. What comes up
        after the weed-free time costs a twentieth at most (Knezevic et al. 2002); each day earlier adds 0.2
        to 1.2 points, half as much under low clovers and more under tall covers (judgement, after trials in
        corn and pumpkins: Curran et al. 2018, Vanek et al. 2005). The light and water the crop takes from the
        cover are computed; this is not.
      </Why>
    </div>
  )
}

/** A cover above is there to be ended: what is sown under it costs it nothing that counts. */
function UnderCover({ recoveredWeeks }: { recoveredWeeks: number }) {
  return (
    <div data-testid="under-cover">
      Fills {recoveredWeeks} bare weeks after it.{' '}
      <Why>
        What stands above takes its light, water and nitrogen first, by the middle of its own forecast, and
        falls over the seed when it is cut. What it loses to the seedlings below is not counted.
      </Why>
    </div>
  )
}
