import { useState } from 'react'
import { stretchOf } from '../../core/garden/ground'
import { useNavigate } from 'react-router'
import { z } from 'zod'
import { missingShare, resowNeeds, sowPartAgain } from '../../actions/keepCheck'
import { findSpecies } from '../../core/plants/catalogue'
import { plantsExpected, sownSpecies } from '../../core/season/input'
import type { StandForecast } from '../../core/season/standForecast'
import { troublesOf, type Trouble } from '../../core/tracking/decisions'
import { Form } from '../../parts/Form'
import { quantity } from '../../parts/form/codecs'
import { TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { useAct, useGarden } from '../../state/garden'
import type { StandView } from '../../state/useStand'
import { density, grams, percent, type Units } from '../../text/format'
import { unitOf, writeQuantity } from '../../text/quantity'
import type { Checking } from './useChecking'
import { troubleText } from './words'

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

/** A stretch along the bed, inside the one that the stand takes. */
const stretchForm = ([low, high]: [number, number], units: Units) => {
  const place = (name: string) => quantity('length', units, { name, low, high })
  return z.object({ fromM: place('From'), toM: place('To') }).refine(({ fromM, toM }) => toM > fromM, {
    path: ['toM'],
    error: 'The end must be beyond the start. Choose a longer stretch.',
  })
}

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
  const act = useAct()
  const navigate = useNavigate()
  const { stand, bed } = view
  const { units } = data.garden
  const [resowing, setResowing] = useState(false)
  const own = stretchOf(stand.segment, bed) ?? [0, bed.lengthM]
  const form = useTyped({
    schema: stretchForm(own, units),
    draft: { name: `sow again ${stand.id}` },
    blank: { fromM: writeQuantity(own[0], 'length', units), toM: writeQuantity(own[1], 'length', units) },
  })
  const missing = missingShare(trouble)
  const stretch = form.value ? Math.min(1, (form.value.toM - form.value.fromM) / (own[1] - own[0])) : 0
  const needs = resowNeeds(stand, bed, stretch, missing)
  const sowAgain = form.submit(async ({ value }) => {
    const step = sowPartAgain(data, stand, bed, trouble, value, today)
    const stored = await act(step)
    if (stored) void navigate(`/sow/${step.standId}`)
    return stored
  })

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
            <TypedText
              form={form}
              name="fromM"
              label={`From, ${unitOf('length', units)} along the bed`}
              className="w-28"
              decimal
            />
            <TypedText
              form={form}
              name="toM"
              label={`To, ${unitOf('length', units)}`}
              className="w-28"
              decimal
            />
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
          <button className="btn btn-primary mt-2">Plan it for today</button>
        </Form>
      )}
    </div>
  )
}
