import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { acceptSelfSown } from '../../actions/selfSown'
import { useAnswer } from '../../compute/useAnswer'
import { dayNumber } from '../../core/foundations/day'
import type { SeedDay } from '../../core/scenario/letSeed'
import { Caution } from '../../parts/Caution'
import { Fold } from '../../parts/Fold'
import { useOnce } from '../../parts/once'
import { Scroll } from '../../parts/Scroll'
import { SelectField } from '../../parts/SelectField'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useAct } from '../../state/garden'
import { useSettled } from '../../state/useSettled'
import { densityNumber, longDate, percent, perGround, shortDate } from '../../text/format'
import { plantsOf, standName } from '../../text/names'
import type { EndView } from './useEnd'

/** Share that lies dormant from which a species is warned of, and least seeds per m² that make a stand (judgement). */
const LASTS_SHARE = 0.2
const STAND_PER_M2 = 40

/** Leave it or cut it: what it sows by itself by day, and the stand that comes of it. */
export function LetSeed({ end }: { end: EndView }) {
  return (
    <Fold title="Let it seed: leave it or cut it" testid="let-seed">
      {() => <Seeding end={end} />}
    </Fold>
  )
}

function Seeding({ end }: { end: EndView }) {
  const { spec, stand, rules } = end
  const settled = useSettled(end.standing)
  const answer = useAnswer(
    'letSeed',
    useMemo((): Parameters<typeof useAnswer<'letSeed'>>[1] => [spec, settled], [spec, settled]),
    `let seed ${stand.id}`,
  )
  const days = answer.value ?? answer.last
  const lasting = plantsOf(stand).filter(({ parameters }) => parameters.dormantShare >= LASTS_SHARE)
  return (
    <div>
      <Waiting
        what="Following its seed"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      {days?.length === 0 && <p>It sets no seed before the ground is wanted.</p>}
      {rules.seedSet === 'never' && (
        <Caution>By your own rules a cover may not set seed. Cut it before it does.</Caution>
      )}
      {lasting.map(({ id, name, parameters }) => (
        <Caution key={id}>
          About {percent(parameters.dormantShare)} of the seed of {name.toLowerCase()} lies dormant and comes
          up for years. Let it seed only where that is wanted.
        </Caution>
      ))}
      {days && days.length > 0 && <SeedDays end={end} days={days} />}
    </div>
  )
}

const seedsOn = ({ seeds }: SeedDay, which: 'p10' | 'p50' | 'p90') =>
  seeds.reduce((sum, { viablePerM2 }) => sum + viablePerM2[which], 0)
const upOn = ({ seeds }: SeedDay) =>
  seeds.reduce((sum, { sproutsPerM2 }) => sum + (sproutsPerM2?.p50 ?? 0), 0)

function SeedDays({ end, days }: { end: EndView; days: SeedDay[] }) {
  const act = useAct()
  const navigate = useNavigate()
  const { units } = end.garden
  const enough = days.filter((seedDay) => upOn(seedDay) >= STAND_PER_M2)
  const [chosen, setChosen] = useState('')
  const pick = enough.find(({ day }) => String(day) === chosen) ?? enough[0]
  const some = days.findIndex((seedDay) => seedsOn(seedDay, 'p90') >= 1)
  const none = days.at(some < 0 ? -1 : some - 1)
  const { next } = end.view
  const taken = next?.stand.start.plan ? dayNumber(next.stand.start.plan.date) : null
  const { run: accept } = useOnce(async () => {
    if (!pick) return
    const step = acceptSelfSown(end.stand, end.view.bed, pick)
    if (await act(step)) void navigate(`/watch/${step.standId}`)
  })
  return (
    <>
      <p>
        {some !== 0 && none
          ? `Cut it by ${longDate(none.day)} and no seed is fit to sprout.`
          : 'Some seed is fit to sprout already.'}{' '}
        {pick
          ? `Left until ${longDate(pick.day)} it sows a stand of its own.`
          : 'It does not sow enough for a stand by then.'}{' '}
        <Why>
          Seed fills from milk ripeness to hard dough and falls after it; half is taken by birds and mice
          (judgement, 30 to 80 %). What is not dormant sprouts in the first warm wet ten days.
        </Why>
      </p>
      <Scroll label="Seed by day">
        <table className="table table-sm mt-2 w-auto">
          <thead>
            <tr>
              <th>Ended on</th>
              <th className="text-right">Seed fit to sprout, {perGround(units)}</th>
              <th className="text-right">Seedlings, {perGround(units)}</th>
              <th>Up about</th>
            </tr>
          </thead>
          <tbody>
            {days.map((seedDay) => {
              const up = seedDay.up?.quantiles
              return (
                <tr key={seedDay.day}>
                  <td>{shortDate(seedDay.day)}</td>
                  <td className="text-right">
                    {seedsOn(seedDay, 'p90') < 1 ? (
                      'none'
                    ) : (
                      <>
                        {densityNumber(seedsOn(seedDay, 'p50'), units)}{' '}
                        <span className="quiet">
                          ({densityNumber(seedsOn(seedDay, 'p10'), units)} to{' '}
                          {densityNumber(seedsOn(seedDay, 'p90'), units)})
                        </span>
                      </>
                    )}
                  </td>
                  <td className="text-right">{densityNumber(upOn(seedDay), units)}</td>
                  <td>{up ? shortDate(up.p50) : '–'}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </Scroll>
      {pick && taken !== null && (
        <p className="mt-2">
          {standName(next!.stand)} is planned here for {longDate(taken)}: its seedlings would be weeds in it.
          Move that first if you want them.
        </p>
      )}
      {pick && taken === null && (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <SelectField
            label="Leave it until"
            className="w-44"
            value={String(pick.day)}
            onChange={setChosen}
            options={enough.map(({ day }) => [String(day), shortDate(day)] as const)}
          />
          <button className="btn btn-primary" onClick={accept}>
            Take its seedlings as the next stand
          </button>
        </div>
      )}
    </>
  )
}
