import { Link } from 'react-router'
import { useAnswer } from '../compute/useAnswer'
import { useGarden } from '../state/garden'
import { chanceText, rain } from '../text/format'

/** Least chance of frost that is worth a word, 0–1. */
const TOLD_FROST = 0.05

/** The week ahead in a line; it opens Weather. */
export function WeatherLine() {
  const { spec, today, data } = useGarden()
  const week = useAnswer('outlook', [spec, today, 1], undefined, 'rest').value?.[0]
  const words = week
    ? [
        week.frostChance >= TOLD_FROST ? `frost ${chanceText(week.frostChance)}` : 'no frost',
        `${rain(week.rainMm.p50, data.garden.units)} of rain`,
      ].join(', ')
    : ''
  return (
    <Link className="link text-sm whitespace-nowrap" to="/weather">
      {words ? `This week: ${words}` : 'Weather'}
    </Link>
  )
}
