import { Link } from 'react-router'
import { dayNumber } from '../../core/foundations/day'
import type { Bed, Stand } from '../../core/garden/schema'
import {
  endedApartDays,
  fewestAgain,
  segmentsAlike,
  type ComparedSegment,
} from '../../core/planting/segmentsCompared'
import { PlanChance } from '../../parts/PlanChance'
import { Scroll } from '../../parts/Scroll'
import { Why } from '../../parts/Why'
import { segmentAreaM2 } from '../../core/garden/area'
import { useGarden } from '../../state/garden'
import { weight } from '../../text/amounts'
import { segmentText } from '../../text/bed'
import { area, chanceText, decimal, longDate, percent, type Units } from '../../text/format'
import { endingWords } from '../../text/names'

/** From this chance on one part is called better. */
const SURE = 0.8

/** The parts of a bed that were sown alike and are ended apart, side by side, and how sure a difference is. */
export function SegmentsCompared({ bed, stand }: { bed: Bed; stand: Stand }) {
  const { data } = useGarden()
  const { units } = data.garden
  const parts = segmentsAlike(bed, data.stands, stand)
  if (parts.length < 2) return null
  return (
    <section className="mt-6" aria-label="Its parts side by side" data-testid="parts-compared">
      <h2>Its parts side by side</h2>
      <Scroll label="Parts of this bed">
        <table className="table table-sm mt-1 w-auto">
          <thead>
            <tr>
              <th>Part</th>
              <th>Ended</th>
              <th>The plan</th>
              <th className="text-right">Stood again</th>
              <th className="text-right">Work</th>
              <th className="text-right">Harvest after it</th>
            </tr>
          </thead>
          <tbody>
            {parts.map((part) => (
              <SegmentRow key={part.stand.id} part={part} bed={bed} units={units} />
            ))}
          </tbody>
        </table>
      </Scroll>
      <Verdict bed={bed} parts={parts} units={units} />
    </section>
  )
}

function SegmentRow({ part, bed, units }: { part: ComparedSegment; bed: Bed; units: Units }) {
  const { stand, end, done, stoodAgain, minutes, yieldKgM2 } = part
  return (
    <tr>
      <th scope="row" className="text-left">
        <Link className="link" to={`/end/${stand.id}`}>
          {segmentText(stand.segment, units, bed)}
        </Link>
        <span className="quiet font-normal">, {area(segmentAreaM2(bed, stand.segment), units)}</span>
      </th>
      <td>
        {end
          ? `${endingWords(end)}, ${done ? '' : 'planned '}${longDate(dayNumber(end.date))}`
          : 'not planned'}
      </td>
      <td>
        <PlanChance standId={stand.id} before="" short />
      </td>
      <td className="text-right">{stoodAgain === null ? '–' : percent(stoodAgain)}</td>
      <td className="text-right">{minutes === null ? '–' : `${decimal(minutes)}\u00a0min`}</td>
      <td className="text-right">{yieldKgM2 === null ? '–' : weight(yieldKgM2 * 1000, units)}</td>
    </tr>
  )
}

/** Which part did better by the counts, how sure that is, and what one year can tell. */
function Verdict({ parts, bed, units }: { parts: ComparedSegment[]; bed: Bed; units: Units }) {
  const fewest = fewestAgain(parts)
  const part = parts.find(({ stand }) => stand.id === fewest?.standId)
  if (!fewest || !part) {
    const done = parts.filter(({ done }) => done).length
    return (
      <p className="mt-1">
        {done < 2
          ? 'Once two parts are ended and counted, they are compared here.'
          : 'Count on either part in End what stands again, best on the same day and the same ground.'}
      </p>
    )
  }
  const apart = endedApartDays(parts)
  const name = `${segmentText(part.stand.segment, units, bed)} (${part.end ? endingWords(part.end) : 'not ended'})`
  return (
    <div className="mt-1 max-w-3xl">
      {fewest.chance >= SURE
        ? `Fewer stood again on the ${name}. That this is no accident: ${chanceText(fewest.chance)}.`
        : `No difference to rely on yet. That the ${name} did better: ${chanceText(fewest.chance)}.`}{' '}
      {apart > 0 && `The parts were ended ${apart} days apart, and stage tells too. `}
      One bed in one year: try it on another before you believe it.{' '}
      <Why>
        Each count is taken as a draw of plants that live or die by one chance, none of which was known before
        (a flat prior). Plants of one part share its luck, so a part never counts for more than twenty plants
        (judgement, 10 to 40).
      </Why>
    </div>
  )
}
