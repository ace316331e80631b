import { useTold } from '../../state/useTold'
import { useMemo, useState, type ReactNode } from 'react'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { cutOutcomeOn, type CutOutcome } from '../../core/scenario/regrowth'
import { Chance } from '../../parts/Chance'
import { dryMatter, nitrogen } from '../../text/amounts'
import { centimetres, density, longDate, minutes, shortDate } from '../../text/format'
import { inUnits } from '../../text/inUnits'
import { plantsOf } from '../../text/names'
import { SelectField } from '../../parts/SelectField'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useAnswer } from '../../compute/useAnswer'
import { Dates } from './Dates'
import { Tracks } from './Tracks'
import { useSettled } from '../../state/useSettled'
import type { EndView } from './useEnd'
import { single } from '../../parts/once'

const WORK = {
  chop: { name: 'Cut once', method: 'chop', passes: 1 },
  'chop twice': { name: 'Cut twice, a week apart', method: 'chop', passes: 2 },
  crimp: { name: 'Crimp', method: 'crimp', passes: 1 },
} as const
type Work = keyof typeof WORK

const HEIGHTS = [
  ['0', 'at the ground'],
  ['0.05', '5 cm left'],
  ['0.1', '10 cm left'],
  ['0.2', '20 cm left'],
] as const

type Height = (typeof HEIGHTS)[number][0]

/** What is planned, where it is a cut or a crimp. */
function plannedWork({ stand }: EndView): Work {
  const plan = stand.end.plan
  if (plan?.method === 'crimp') return 'crimp'
  return plan?.method === 'chop' && plan.passes > 1 ? 'chop twice' : 'chop'
}

/** Drag the cutting date: what stands again, the work, mulch, nitrogen and the chance to plant move together. */
export function GrowsBack({ end }: { end: EndView }) {
  const { standing, bedPlan, spec, today, stand } = end
  const [height, setHeight] = useState<Height>('0')
  const [work, setWork] = useState<Work>(() => plannedWork(end))
  const settled = useSettled(standing)
  const right = bedPlan.problems.every(
    ({ code }) => code !== 'beyond the forecast' && code !== 'planting is past',
  )
  const args = useMemo(
    (): Parameters<typeof useAnswer<'regrowth'>>[1] =>
      right
        ? [
            spec,
            {
              scenario: settled,
              method: WORK[work].method,
              passes: WORK[work].passes,
              heightM: work === 'crimp' ? 0 : Number(height),
            },
          ]
        : null,
    [right, spec, settled, height, work],
  )
  const answer = useAnswer('regrowth', args, `regrowth ${stand.id}`)
  const points = answer.value ?? answer.last
  const [chosen, setChosen] = useState<number | null>(null)
  return (
    <>
      <Dates end={end} />
      <Waiting
        what="Cutting this stand on one date after another"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      {points && points.length > 0 && (
        <Drag
          end={end}
          points={points}
          day={Math.min(
            points[points.length - 1].day,
            Math.max(points[0].day, chosen ?? plannedDay(end) ?? points[0].day),
          )}
          onDay={setChosen}
          work={work}
          heightM={Number(height)}
          choices={
            <>
              <SelectField
                label="By"
                className="w-56"
                value={work}
                onChange={setWork}
                options={Object.entries(WORK).map(([key, { name }]) => [key as Work, name] as const)}
              />
              {work !== 'crimp' && (
                <SelectField
                  label="Stubble"
                  className="w-40"
                  value={height}
                  onChange={setHeight}
                  options={HEIGHTS.map(([key, name]) => [key, inUnits(name, end.garden.units)] as const)}
                />
              )}
            </>
          }
        />
      )}
      {points && points.length === 0 && (
        <p>
          There is no day left between today and planting. Choose a planting date after {shortDate(today + 1)}
          .
        </p>
      )}
    </>
  )
}

const plannedDay = ({ stand }: EndView) => (stand.end.plan ? dayNumber(stand.end.plan.date) : null)

function Drag({
  end,
  points,
  day,
  onDay,
  work,
  heightM,
  choices,
}: {
  end: EndView
  points: readonly CutOutcome[]
  day: number
  onDay: (day: number) => void
  work: Work
  /** Stubble left, m. */
  heightM: number
  choices: ReactNode
}) {
  const { units } = end.garden
  const told = useTold(end.view.bed, end.stand.segment)
  const { method, passes } = WORK[work]
  const crimped = method === 'crimp'
  const plants = plantsOf(end.stand)
  const now = cutOutcomeOn(points, day)
  const tool = now.tool
  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[1fr_22rem]" data-testid="grows-back">
      <div className="min-w-0">
        <div className="mb-2 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
          <h2>
            {crimped ? 'Crimped' : 'Cut'} on {longDate(day)}
          </h2>
          <div className="no-print flex flex-wrap gap-4">{choices}</div>
        </div>
        <Tracks points={points} day={day} onDay={onDay} told={told} plants={plants} />
        <p className="text-sm">
          Dots: stems expected to stand again three weeks after, with their range, on each date that was run;
          the red line is the date you hold.
        </p>
      </div>
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2 self-start" data-testid="grows-back-numbers">
        <dt>Stems again</dt>
        <dd>
          <strong>{density(now.stems.p50, units)}</strong> ({density(now.stems.p10, units)} to{' '}
          {density(now.stems.p90, units)})
        </dd>
        <dt>To finish by hand</dt>
        <dd>
          <strong>{minutes(now.finishMinutes)}</strong>
        </dd>
        <dt>Mulch at planting</dt>
        <dd>
          <strong>{dryMatter(now.mulchG, told)}</strong>
        </dd>
        <dt>Nitrogen, ten weeks</dt>
        <dd>
          <strong>
            {now.nitrogenG < 0
              ? `holds back ${nitrogen(-now.nitrogenG, told)}`
              : `frees ${nitrogen(now.nitrogenG, told)}`}
          </strong>
        </dd>
        <dt>Planted in time</dt>
        <dd>
          <Chance share={now.chance} />
        </dd>
        <dt>Stand that day</dt>
        <dd>
          {centimetres(now.heightM, units)} high, stems {hardnessWords(now.hardness)};{' '}
          {tool
            ? `${tool} does it, ${minutes(now.cutMinutes)}`
            : crimped
              ? 'no crimp board is on your list'
              : 'too hard for your cutting tools'}
        </dd>
        <dd className="col-span-2 mt-1">
          <button
            className="btn btn-primary"
            disabled={!tool}
            onClick={single(
              () =>
                void end.plan({
                  date: isoDate(day),
                  method,
                  passes,
                  note: '',
                  ...(method === 'chop' && heightM > 0 && { stubbleCm: Math.round(heightM * 100) }),
                }),
            )}
          >
            Plan this {crimped ? 'crimp' : 'cut'}
          </button>{' '}
          <Why>
            Every date is run through forty seasons with the work in it: plants die by the table for their
            stage and stubble, a second pass leaves 3 in 10 of the survivors, the rest grow on. Stems are
            plants alive after three weeks times the stems a plant puts up (grasses 3, legumes 1.6, others
            1.2; judgement). Hard stems come with heading, ripening and height.
          </Why>
        </dd>
        {end.stand.end.actual && (
          <dd className="col-span-2">What was counted afterwards stands beside this in Afterwards.</dd>
        )}
      </dl>
      <p className="quiet text-sm lg:col-span-2">
        Planned so far: {end.stand.end.plan ? longDate(plannedDay(end)!) : 'nothing'}.
      </p>
    </div>
  )
}

const hardnessWords = (hardness: number) =>
  hardness < 0.2 ? 'soft' : hardness < 0.4 ? 'firm' : hardness < 0.6 ? 'hard' : 'woody'
