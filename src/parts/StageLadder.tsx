import { Link } from 'react-router'
import { Scroll } from './Scroll'
import type { StandForecast } from '../core/season/standForecast'
import type { PlantGroup } from '../core/plants/parameters'
import { stageName, stagesOf } from '../core/stand/stage'
import { percent, shortDate } from '../text/format'

/** The named stage that a code belongs to: its drawing shows it. */
const drawnStage = (bbch: number, group: PlantGroup): number =>
  stagesOf(group).findLast((stage) => stage.bbch <= bbch)?.bbch ?? stagesOf(group)[0].bbch

/** The stages ahead and behind with their dates; `species` names whose they are in a mix. */
export function StageLadder({
  forecast,
  group,
  today,
  species,
}: {
  forecast: StandForecast
  group: PlantGroup
  today: number
  species: string | null
}) {
  return (
    <Scroll label="Stages">
      <table className="table table-sm mt-3 w-auto" data-testid="stages" data-help="stages">
        <thead>
          <tr>
            <th>{species ? `Stage of the ${species}` : 'Stage'}</th>
            <th>BBCH</th>
            <th>Middle date</th>
            <th>8 in 10 years between</th>
            <th>Gets there</th>
          </tr>
        </thead>
        <tbody>
          {forecast.stages
            .filter(({ date }) => date.quantiles && date.chance >= 0.1)
            .map(({ bbch, date }) => (
              <tr key={bbch} className={date.quantiles!.p50 < today ? 'quiet' : ''}>
                <td>
                  <Link
                    className="link link-hover"
                    to={`/reference#stage-${group}-${drawnStage(bbch, group)}`}
                  >
                    {stageName(bbch, group)}
                  </Link>
                </td>
                <td>{String(bbch).padStart(2, '0')}</td>
                <td className="font-semibold">{shortDate(date.quantiles!.p50)}</td>
                <td>
                  {shortDate(date.quantiles!.p10)} to {shortDate(date.quantiles!.p90)}
                </td>
                <td>{percent(date.chance)}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </Scroll>
  )
}
