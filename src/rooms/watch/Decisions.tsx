import { useState } from 'react'
import { useNavigate } from 'react-router'
import { isoDate } from '../../core/foundations/day'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Component, Stand } from '../../core/garden/schema'
import { findSpecies } from '../../core/plants/catalogue'
import type { StandForecast } from '../../core/season/standForecast'
import { plantsExpected, sownSpecies } from '../../core/season/input'
import { resowGrams } from '../../core/seeding/resow'
import { troublesOf, type Trouble } from '../../core/tracking/decisions'
import { density, grams, percent } from '../../text/format'
import { ProblemLine } from '../../parts/ProblemLine'
import { TextField } from '../../parts/SelectField'
import { typedNumber } from '../../parts/typed'
import { useCommit, useGarden } from '../../state/garden'
import { newId } from '../../data/ids'
import type { StandView } from '../../state/useStand'
import type { Checking } from './useChecking'
import { troubleText } from './words'
import { Form } from '../../parts/Form'
import { added } from '../../data/writes'
import { single } from '../../parts/once'

/** Thin, hurt or weedy: what can be done, until the grower has decided. */
export function Decisions({
  view,
  checking,
  forecast,
}: {
  view: StandView
  checking: Checking
  forecast: StandForecast
}) {
  const { today } = useGarden()
  const { stand, bed } = view
  const expected = plantsExpected(sownSpecies(stand, bed))
  const troubles = troublesOf(stand, bed, view.standCase.checks, forecast, today)
  if (troubles.length === 0) return null
  return (
    <section aria-label="To decide" className="mb-5 border-l-4 border-secondary pl-3" data-testid="decisions">
      <h2>To decide</h2>
      {troubles.map((trouble) => (
        <Decide key={trouble.kind} trouble={trouble} view={view} checking={checking} expected={expected} />
      ))}
    </section>
  )
}

/** A mix at a part of its rate, so that its recipe weighs out only what is missing. */
const thinner = (components: readonly Component[], share: number): Component[] =>
  components.map((component) => ({ ...component, share: Math.max(0.01, component.share * share) }))

function Decide({
  trouble,
  view,
  checking,
  expected,
}: {
  trouble: Trouble
  view: StandView
  checking: Checking
  expected: number
}) {
  const { data, today } = useGarden()
  const commit = useCommit()
  const navigate = useNavigate()
  const { stand, bed } = view
  const [from, setFrom] = useState('0')
  const [to, setTo] = useState(String(bed.lengthM))
  const [problem, setProblem] = useState<string | null>(null)
  const [resowing, setResowing] = useState(false)
  const components = stand.start.actual?.components ?? []
  const areaM2 = segmentAreaM2(bed, stand.segment)
  const missing = trouble.kind === 'weeds' ? 0.5 : trouble.kind === 'thin' ? 1 - trouble.share : trouble.share
  const length = typedNumber(to) - typedNumber(from)
  const stretch = Math.min(1, Math.max(0, length / bed.lengthM))
  const needs = components.map((component) => {
    const perM2 = (component.grams ?? 0) / Math.max(0.01, areaM2)
    return { component, grams: resowGrams(perM2, areaM2, stretch, 1 - missing) }
  })

  async function sowAgain() {
    if (!(length > 0) || typedNumber(from) < 0 || typedNumber(to) > bed.lengthM + 0.001)
      return setProblem(
        `Stretch: from and to must lie between 0 and ${bed.lengthM} m, the first below the second.`,
      )
    const again: Stand = {
      id: newId('stand'),
      gardenId: stand.gardenId,
      bedId: bed.id,
      segment:
        stretch > 0.98
          ? { kind: 'whole' }
          : { kind: 'strip', fromM: typedNumber(from), toM: typedNumber(to) },
      content:
        stand.content.kind === 'cover'
          ? { ...stand.content, components: thinner(stand.content.components, missing) }
          : stand.content,
      underStandId: stand.id,
      follows: null,
      start: {
        plan: {
          date: isoDate(today),
          covering: stand.start.actual?.covering ?? 'raked',
          passes: 1,
          components: needs.map(({ component, grams: weight }) => ({
            ...component,
            grams: Math.round(weight * 10) / 10,
          })),
          note: 'Sown again where it was thin.',
        },
        actual: null,
      },
      cuts: [],
      end: { plan: stand.end.plan, actual: null },
      note: '',
    }
    const stored = await commit('Planned sowing again', [
      added('stands', again),
      checking.decided(trouble, 'resow'),
    ])
    if (stored.ok) void navigate(`/sow/${again.id}`)
    else setProblem(stored.problems[0].message)
  }

  return (
    <div className="mt-1">
      <p>
        {troubleText(trouble)}
        {trouble.kind === 'thin' ? ` ${density(expected, data.garden.units)} should stand.` : ''}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn" aria-expanded={resowing} onClick={() => setResowing(!resowing)}>
          Sow a part again
        </button>
        <button type="button" className="btn" onClick={single(() => checking.decide(trouble, 'accept'))}>
          Leave it
        </button>
        <button
          type="button"
          className="btn"
          onClick={single(() =>
            checking.decide(trouble, 'end early').then(() => navigate(`/end/${stand.id}`)),
          )}
        >
          End it early
        </button>
      </div>
      {resowing && (
        <Form className="mt-2" aria-label="Sow a part again" onSubmit={sowAgain}>
          <div className="flex flex-wrap items-start gap-3">
            <TextField
              label="From, m along the bed"
              decimal
              className="w-28"
              value={from}
              onChange={setFrom}
            />
            <TextField label="To, m" decimal className="w-28" value={to} onChange={setTo} />
          </div>
          <p className="mt-1">
            About{' '}
            {needs
              .map(
                ({ component, grams: weight }) =>
                  `${grams(weight, data.garden.units)} of ${findSpecies(component.speciesId)?.name.toLowerCase()}`,
              )
              .join(' and ')}
            , {percent(missing)} of the rate on that stretch.
          </p>
          <ProblemLine text={problem} />
          <button className="btn btn-primary mt-2">Plan it for today</button>
        </Form>
      )}
    </div>
  )
}
