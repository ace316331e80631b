import type { RefObject } from 'react'
import type { OwnAnswer, OwnPlan } from '../../core/choosing/own'
import { MOST_COMPONENTS, type ChooseQuestion, type MixComponent } from '../../core/choosing/types'
import { SAFE_CHANCE } from '../../core/scenario/starts'
import { findSpecies, SPECIES } from '../../core/plants/catalogue'
import { Chance } from '../../parts/Chance'
import { Grade } from '../../parts/Grade'
import { endingText, reasonText } from '../../text/choosing'
import type { Told } from '../../text/amounts'
import { inHundred, shortDate, type Units, money } from '../../text/format'
import { Amounts } from './Answer'
import type { useOwnMix } from './useOwnMix'
import { mixText } from './words'

/** The grower's own mix: species and shares, grown in the same window as the shares are moved; planned whatever the rank thinks. */
export function OwnMix({
  heading,
  own,
  question,
  units,
  told,
  currency,
  onChoose,
}: {
  /** Where focus goes when a mix is taken over to be adjusted. */
  heading: RefObject<HTMLHeadingElement | null>
  own: ReturnType<typeof useOwnMix>
  question: ChooseQuestion | null
  units: Units
  told: Told
  currency: string
  onChoose: (plan: OwnPlan) => void
}) {
  const { components, setComponents, near, answer, current, shown } = own
  return (
    <section aria-label="Own mix" className="mt-6 border-t border-base-300 pt-3">
      <h2 ref={heading} tabIndex={-1}>
        {near ? 'What came nearest' : 'Your own mix'}
      </h2>
      <div className="mt-2 grid gap-x-8 gap-y-2 md:grid-cols-[24rem_minmax(0,1fr)]">
        <Shares components={components} onComponents={setComponents} />
        <div aria-live="polite" data-testid="own-mix">
          {components.length === 0 && (
            <p className="quiet">
              Add a species, or press Adjust beside one that is listed. It need not fit.
            </p>
          )}
          {answer.error && (
            <p role="alert">
              It could not be grown: {answer.error}{' '}
              <button className="btn btn-xs" onClick={answer.retry}>
                Try again
              </button>
            </p>
          )}
          {components.length > 0 && !answer.error && !current && <p role="status">Growing it …</p>}
          {shown && question && (
            <div className={current ? '' : 'opacity-60'}>
              <Verdict
                answer={shown}
                question={question}
                units={units}
                told={told}
                currency={currency}
                ready={current !== null}
                onChoose={onChoose}
              />
            </div>
          )}
        </div>
      </div>
    </section>
  )
}

/** The species of a mix with their shares of the full rate. */
function Shares({
  components,
  onComponents,
}: {
  components: MixComponent[]
  onComponents: (components: MixComponent[]) => void
}) {
  const free = SPECIES.filter((plant) => !components.some((component) => component.speciesId === plant.id))
  const total = components.reduce((sum, component) => sum + component.share, 0)
  return (
    <div>
      {components.map((component, i) => {
        const name = mixText([component])
        const share = (value: number) =>
          onComponents(components.map((other, k) => (k === i ? { ...other, share: value } : other)))
        return (
          <div
            key={component.speciesId}
            className="grid grid-cols-[9rem_1fr_3.5rem_auto] items-center gap-2 py-1"
          >
            <label htmlFor={`share-${component.speciesId}`}>{name}</label>
            <input
              id={`share-${component.speciesId}`}
              type="range"
              className="range range-xs"
              min={5}
              max={120}
              step={5}
              value={Math.round(component.share * 100)}
              onChange={(event) => share(Number(event.target.value) / 100)}
            />
            <span className="text-right tabular-nums">{Math.round(component.share * 100)}&nbsp;%</span>
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Take ${name} out`}
              onClick={() => onComponents(components.filter((_, k) => k !== i))}
            >
              ×
            </button>
          </div>
        )
      })}
      {components.length < MOST_COMPONENTS && (
        <select
          className="select select-sm mt-1 w-56"
          aria-label="Add a species"
          value=""
          onChange={(event) =>
            onComponents([
              ...components,
              { speciesId: event.target.value, share: components.length === 0 ? 1 : 0.4 },
            ])
          }
        >
          <option value="">add a species</option>
          {free.map((plant) => (
            <option key={plant.id} value={plant.id}>
              {plant.name}
            </option>
          ))}
        </select>
      )}
      {components.length > 1 && (
        <p className="quiet mt-1 text-sm">
          Together {Math.round(total * 100)} % of full rates; 100 to 150 % is usual.
        </p>
      )}
    </div>
  )
}

/** What becomes of the mix: as a cover that fits, or graded all the same. */
function Verdict({
  answer,
  question,
  units,
  told,
  currency,
  ready,
  onChoose,
}: {
  answer: OwnAnswer
  question: ChooseQuestion
  units: Units
  told: Told
  currency: string
  ready: boolean
  onChoose: (plan: OwnPlan) => void
}) {
  const { judged, plan, outcome, repair, smothered } = answer
  const fits = 'chance' in judged
  return (
    <>
      <p>
        <Chance share={outcome.chance.whole} />{' '}
        <span className="quiet">
          {!plan.ending && 'to come up in time; '}
          sow {shortDate(plan.sowDay)}
          {fits && `; seed about ${money(judged.cost.mid, currency)}`}
        </span>
      </p>
      {fits ? (
        <Amounts candidate={judged} told={told} />
      ) : (
        <p>
          <strong>Advised against.</strong> {reasonText(judged.reason, units, currency)}
        </p>
      )}
      <p>
        {endingText({ ending: plan.ending, chance: outcome.chance.whole, follows: question.follows.kind })}
      </p>
      <Grade
        scenario={question}
        outcome={outcome}
        repair={outcome.chance.whole < SAFE_CHANCE ? repair : undefined}
      />
      {smothered.map(({ speciesId, chance }) => (
        <p key={speciesId}>
          {findSpecies(speciesId)?.name} will most likely be smothered by the others: {inHundred(chance)}{' '}
          seasons of 100. Raise its share, or lower the tallest.
        </p>
      ))}
      <button className="btn btn-primary btn-sm mt-1" disabled={!ready} onClick={() => onChoose(plan)}>
        {fits ? 'Choose this mix' : 'Plan it anyway'}
      </button>
    </>
  )
}
