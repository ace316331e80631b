import { useTold } from '../../state/useTold'
import type { AnimalPlan } from '../../core/garden/ending'
import { daysOnStop } from '../../core/termination/stops'
import type { MethodId } from '../../core/termination/methods'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { manureDaysFor } from '../../core/planting/manure'
import type { MovingAnswer } from '../../core/scenario/moving'
import { Chance } from '../../parts/Chance'
import { dryMatter, nitrogen } from '../../text/amounts'
import { area, dateRangeText, grams, kilos, longDate, money, percent, shortDate } from '../../text/format'
import { stockingDoubtText } from '../../text/cautions'
import { Scroll } from '../../parts/Scroll'
import { Why } from '../../parts/Why'
import { dayCount } from './animalForm'
import { PenDrawing } from './PenDrawing'
import type { EndView } from './useEnd'
import { single } from '../../parts/once'

/** Where the animals stand when, round by round, what they find and need, and when it is done. */
export function AnimalPlanView({
  end,
  answer,
  plan,
  plot,
  method,
  startDay,
}: {
  end: EndView
  answer: MovingAnswer
  plan: AnimalPlan
  plot: { lengthM: number; widthM: number }
  method: MethodId
  startDay: number
}) {
  const { garden, today, stand } = end
  const { units } = garden
  const told = useTold(end.view.bed, stand.segment)
  const perRound = answer.stops.length / plan.rounds
  const last = daysOnStop(plan, plan.rounds - 1)
  const price = garden.livestock.find(({ kind }) => kind === plan.kind)?.feedPricePerKg
  const running = stand.end.actual?.animals ? answer.stops.findIndex((stop) => stop.endDay > today) : -1
  return (
    <div className="mt-3 grid gap-x-8 gap-y-4 lg:grid-cols-[1fr_22rem]">
      <div className="min-w-0">
        <PenDrawing
          ground={plot}
          units={units}
          stops={answer.stops.slice(0, perRound)}
          here={running < 0 ? null : running % perRound}
        />
        <Scroll label="Rounds of the animals">
          <table className="table table-sm mt-2" aria-label="Rounds">
            <thead>
              <tr>
                <th>Round</th>
                <th>From</th>
                <th>To</th>
                <th>Moves on</th>
                <th>Standing as it begins</th>
                <th>Eaten</th>
              </tr>
            </thead>
            <tbody>
              {answer.rounds.map((round, i) => (
                <tr key={i}>
                  <td>{i + 1}</td>
                  <td className="whitespace-nowrap">{shortDate(round.startDay)}</td>
                  <td className="whitespace-nowrap">{shortDate(round.endDay)}</td>
                  <td className="min-w-44 text-sm">
                    {answer.stops
                      .filter((stop) => stop.round === i)
                      .slice(1)
                      .map((stop) => shortDate(Math.floor(stop.startDay)))
                      .join(', ')}
                  </td>
                  <td>
                    {dryMatter(round.standing.p50, told)}{' '}
                    <span className="quiet text-sm">
                      ({dryMatter(round.standing.p10, told)} to {dryMatter(round.standing.p90, told)})
                    </span>
                  </td>
                  <td>{kilos(round.eatenKg, units)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scroll>
        {answer.doubts.map((doubt) => (
          <p key={doubt.code} role="status" className="mt-2 font-semibold">
            {stockingDoubtText(doubt, units)}
          </p>
        ))}
      </div>
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2 self-start" data-testid="animal-numbers">
        <dt>Animals</dt>
        <dd>
          {plan.head} {plan.kind}, {perRound} stops of {dayCount(plan.daysPerStop)} a round
          {last !== plan.daysPerStop && `, ${dayCount(last)} on the last`}
        </dd>
        <dt>Done and withered</dt>
        <dd>
          <strong>
            {answer.finish ? dateRangeText(answer.finish) : 'not by this plan: add a round or longer stops'}
          </strong>
        </dd>
        <dt>Planted in time</dt>
        <dd>
          <Chance share={answer.chance} />
          {answer.manureWait > 0 && end.follows.kind === 'crop' && (
            <p className="text-sm font-semibold" role="status">
              The harvest of {end.follows.crop.name.toLowerCase()} comes {dayCount(answer.manureWait)} too
              soon after the animals: {manureDaysFor(end.follows.crop, end.rules)} days are asked for.
            </p>
          )}
        </dd>
        <dt>Stand again</dt>
        <dd>{answer.survivors ? percent(answer.survivors.p50) : '–'}</dd>
        <dt>Found on the bed</dt>
        <dd data-testid="feed-saved">
          {kilos(answer.eatenKg, units)} dry
          {price === undefined
            ? '; what their feed costs is in the Shed'
            : `, so much less to buy: about ${money(answer.eatenKg * price, garden.currency)}`}
        </dd>
        <dt>Feed to bring</dt>
        <dd>
          <strong>{kilos(answer.feedKg, units)}</strong>
          {answer.grainKg > 0 && `, ${kilos(answer.grainKg, units)} of it grain to scatter on the last round`}
        </dd>
        <dt>Droppings bring</dt>
        <dd>{nitrogen(answer.droppingsG, told)} nitrogen</dd>
        <dd className="col-span-2 mt-1">
          {!stand.end.actual && (
            <button
              className="btn btn-primary"
              onClick={single(
                () =>
                  void end.plan({
                    date: isoDate(startDay),
                    method,
                    passes: 1,
                    note: '',
                    animals: plan,
                  }),
              )}
            >
              {stand.end.plan?.method === method && dayNumber(stand.end.plan.date) === startDay
                ? 'Plan it again'
                : `Plan from ${longDate(startDay)}`}
            </button>
          )}{' '}
          <Why>
            Stops are the ground divided by the pen, in lanes. Hens eat {grams(100, units)} to{' '}
            {grams(130, units)} a day, a quarter of it green; one of them for a day on {area(1, units)}{' '}
            uproots about 30 % of soft plants and 11 % of grasses, more on the last round with grain to
            scratch for. Growth between the rounds is simulated. Judgement, ± a third.
          </Why>
        </dd>
      </dl>
    </div>
  )
}
