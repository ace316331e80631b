import { obstacleText, RULE_TEXT } from '../../text/obstacles'
import { Link } from 'react-router'
import { SAFE_CHANCE } from '../../core/scenario/starts'
import { HAND_FINISH_SHARE } from '../../core/termination/lastAct'
import { findMethod } from '../../core/termination/methods'
import { Reserved } from '../../parts/Reserved'
import { Caution } from '../../parts/Caution'
import { methodText } from '../../text/ending'
import { degrees, longDate, percent, temperature } from '../../text/format'
import { Scroll } from '../../parts/Scroll'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useStanding } from './planCase'
import { RecordEnd } from './RecordEnd'
import { RulesForm } from './RulesForm'
import type { EndView } from './useEnd'
import { bySafetyThenWork, shownOf, worthPlanning, type ShownMethod } from './shown'
import { TwoMethods } from './TwoMethods'
import { Fold } from '../../parts/Fold'
import { InTurns, PlannedTurns } from './InTurns'
import { LetSeed } from './LetSeed'
import { MethodRow } from './MethodRow'
import { UntilThin } from './UntilThin'
import { Dates } from './Dates'
import { BroughtIn } from '../../parts/BroughtIn'
import { CreepingCaution } from '../../parts/CreepingCaution'

/** Ways that bring compost onto the bed. */
const BRINGS_IN: readonly string[] = ['bury', 'flip-cover', 'chop-cardboard']

/** All ways of ending this stand, side by side for one planting date. */
export function Methods({ end }: { end: EndView }) {
  const { answer, comparison, garden, stand, today, plantingDay } = end
  if (stand.end.actual)
    return (
      <p>
        This cover is ended.{' '}
        <Link className="link" to={`/end/${stand.id}/after`}>
          Count what stands again
        </Link>{' '}
        or undo the record to compare the ways anew.
      </p>
    )
  return (
    <>
      {garden.tools.length === 0 && (
        <p role="alert" className="mb-3">
          No tools are on your list, so only what needs none is open to you.{' '}
          <Link className="link" to="/garden">
            Tick what you own in the Shed
          </Link>
          .
        </p>
      )}
      <Dates end={end} withStart />
      <PlannedTurns end={end} />
      <UntilThin end={end} />
      <Reserved waiting={answer.running}>
        <Waiting
          what="Ending this stand by every way on every day"
          running={answer.running}
          progress={answer.progress}
          error={answer.error}
          onCancel={answer.cancel}
          onRetry={answer.retry}
        />
        {comparison && comparison.options.length > 0 && (
          <Table
            end={end}
            shown={comparison.options.map(shownOf)}
            title={plantingDay === null ? 'Ended any time' : `Planting ${longDate(plantingDay)}`}
          />
        )}
      </Reserved>
      <InTurns end={end} />
      <LetSeed end={end} />
      <RulesForm end={end} />
      {stand.start.actual && <RecordEnd end={end} />}
      {!stand.start.actual && (
        <p className="quiet mt-4">
          It is not sown yet: an end can be planned, not recorded. Today is {longDate(today)}.
        </p>
      )}
    </>
  )
}

function Table({ end, shown, title }: { end: EndView; shown: ShownMethod[]; title: string }) {
  const { standing } = useStanding(end)
  const free = shown.filter(({ option }) => option.obstacle === null)
  const open = free
    .filter((method) => method.option.leftOut === null && worthPlanning(method))
    .sort(bySafetyThenWork)
  const late = free.filter((method) => method.option.leftOut === null && !worthPlanning(method))
  const ruledOut = free.filter(({ option }) => option.leftOut !== null)
  const shut = shown.filter(({ option }) => option.obstacle !== null)
  return (
    <div data-testid="endings" data-help="endings">
      <CreepingCaution weeds={end.creeping} />
      <Scroll label="Ways of ending">
        <table className="table table-sm max-md:block" aria-label={title}>
          <thead className="max-md:hidden">
            <tr>
              <th>Way</th>
              <th>Begin</th>
              <th>In time, by start day</th>
              <th>Dead by · regrowth</th>
              <th>Work, soil</th>
              <th>Mulch at planting</th>
              <th className="whitespace-normal">Nitrogen, 4 and 10 wk</th>
            </tr>
          </thead>
          <tbody className="max-md:block">
            {open.map((shown) => (
              <MethodRow key={shown.name} method={shown} end={end} standing={standing} />
            ))}
          </tbody>
        </table>
      </Scroll>
      <Fold title="Two ways side by side, drawn" testid="two-methods">
        {() => <TwoMethods end={end} shown={[...open, ...late]} />}
      </Fold>
      <Left
        title="Not in time"
        methods={late}
        text={({ method, start }) =>
          !start
            ? 'No day is left for it.'
            : start.chanceFree > start.chance + 0.1
              ? `${methodText(method, start)} Without your rules ${percent(start.chanceFree)} in time.`
              : methodText(method, start)
        }
      />
      <Left title="Your own rules leave out" methods={ruledOut} text={(method) => ruleText(method)} />
      <Left
        title="Not possible here"
        methods={shut}
        text={({ option }) => obstacleText(option.obstacle!, end.garden.units)}
      />
      <div className="mt-3 flex flex-col gap-1">
        {open.some(({ option }) => BRINGS_IN.includes(option.method)) && <BroughtIn what="compost" />}
        {[
          ...new Set(open.slice(0, 6).flatMap(({ option }) => findMethod(option.method)?.cautions ?? [])),
        ].map((caution) => (
          <Caution key={caution}>{caution}</Caution>
        ))}
        <p className="quiet text-sm">
          Safe ways first, the least work on top; then the others by their chance.
        </p>
        <Why>
          The stand is run to each start day in two hundred seasons; the chance is that of the whole plan with
          this way in it. Survival after a cut, crimp, burial or turning comes from a table by plant and
          stage; under a sheet it falls with thermal time (the air, {degrees(4.5, end.garden.units)}); under
          clear film with heat above {temperature(40, end.garden.units)}. Your own counts move the tables. Up
          to {percent(HAND_FINISH_SHARE)} standing again are taken to be pulled by hand. Dead is at most 10 %
          alive before transplants, 5 % before sowing; your waiting time is added. Safe means at least{' '}
          {percent(SAFE_CHANCE)}. Mulch, nitrogen and weeks come from running the residue on with each way;
          weeks count while half of the weeds are held.
        </Why>
      </div>
    </div>
  )
}

const ruleText = ({ option, start }: ShownMethod) =>
  `${option.leftOut ? RULE_TEXT[option.leftOut] : ''} Without that rule: ${percent(start?.chance ?? 0)} in time.`

function Left({
  title,
  methods,
  text,
}: {
  title: string
  methods: ShownMethod[]
  text: (method: ShownMethod) => string
}) {
  if (methods.length === 0) return null
  return (
    <details className="mt-3" open={methods.length <= 4}>
      <summary className="cursor-pointer font-semibold">
        {title}: {methods.length}
      </summary>
      <ul className="mt-1 grid gap-x-8 gap-y-1 lg:grid-cols-2">
        {methods.map((method) => (
          <li key={method.name} className="text-sm">
            <strong>{method.name}</strong>: {text(method)}
          </li>
        ))}
      </ul>
    </details>
  )
}
