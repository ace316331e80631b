import type { TrayDates } from '../../core/scenario/trays'
import type { Crop } from '../../core/plants/crops'
import { Why } from '../../parts/Why'
import { inHundred, longDate, shortDate } from '../../text/format'

const seasons = (share: number) => `${inHundred(share)} seasons of 100`

/** When the trays of the crop are sown, how long its plants can wait, and what a slip of the ending costs. */
export function Trays({ trays, crop, today }: { trays: TrayDates; crop: Crop; today: number }) {
  const { sowDay, lastDay, weeks, inTime, slipped } = trays
  const late = sowDay < today
  const cost = slipped === null ? 0 : Math.round((inTime - slipped) * 100)
  return (
    <section className="mt-6" aria-label="Trays" data-testid="trays">
      <h2>Trays of {crop.name.toLowerCase()}</h2>
      <div>
        {late
          ? `They were to be sown ${longDate(sowDay)}, ${weeks} weeks before planting: buy plants, or plant later.`
          : `Sow them ${longDate(sowDay)}, ${weeks} weeks before planting.`}{' '}
        The plants can wait until {shortDate(lastDay)}; the bed is ready for them by then in {seasons(inTime)}
        .{' '}
        {slipped !== null &&
          (cost >= 1
            ? `If the end slips by a week, in ${seasons(slipped)}: ${cost} fewer.`
            : 'A week’s slip of the end costs nothing.')}{' '}
        <Why>
          Weeks in the tray and days of waiting are extension figures for middling plugs, ± a week and ± a
          third. Plants held longer are pot-bound and yield less. The seasons are counted as for the plan,
          with the planting held to the last day.
        </Why>
      </div>
    </section>
  )
}
