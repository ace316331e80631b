import { Caution } from '../../parts/Caution'
import { BroughtIn } from '../../parts/BroughtIn'
import type { Units } from '../../text/format'
import type { PlanView } from '../../state/usePlan'
import type { StandView } from '../../state/useStand'
import { HowToThrow } from './HowToThrow'
import { RecordSowing } from './RecordSowing'
import { RingCheck } from './RingCheck'
import { RecipeBasis } from './RecipeBasis'
import { ThrownBy } from './ThrownBy'
import { DraftOffer } from '../../parts/DraftOffer'
import type { Sow } from './useSow'
import { Weigh } from './Weigh'
import { TagRate } from './TagRate'
import { WhenToSow } from './WhenToSow'

/** The recipe: what to weigh, in how many passes, and recording it once done. */
export function Recipe({
  view,
  sow,
  units,
  plan,
}: {
  view: StandView
  sow: Sow
  units: Units
  plan: PlanView
}) {
  const { recipe, thrown: form, debris } = sow
  return (
    <div className="grid grid-cols-1 gap-x-10 lg:grid-cols-[minmax(0,1fr)_20rem] lg:grid-rows-[auto_1fr]">
      <div>
        <DraftOffer offer={sow.form.offer} />
        {recipe.ok ? (
          <Weigh recipe={recipe.value} debris={debris} units={units} />
        ) : (
          <ul role="alert" className="font-semibold text-error">
            {recipe.problems.map((problem) => (
              <li key={problem.path + problem.code}>{problem.message}</li>
            ))}
          </ul>
        )}
        <RecipeBasis view={view} sow={sow} recipe={recipe.ok ? recipe.value : null} />
        {recipe.ok && <HowToThrow view={view} recipe={recipe.value} sow={sow} units={units} />}
      </div>
      <aside className="mt-5 lg:row-span-2 lg:mt-0">
        <ThrownBy view={view} sow={sow} />
        <RecordSowing sow={sow} view={view} recipe={recipe.ok ? recipe.value : null} units={units} />
        {recipe.ok &&
          form.covering === 'surface' &&
          recipe.value.lines.some((line) => line.size === 'large') && (
            <Caution>Large seed left on the surface mostly fails. Rake it in.</Caution>
          )}
        {form.covering === 'thin straw' && <BroughtIn what="straw or hay" />}
        {form.covering === 'compost' && <BroughtIn what="compost" />}
        <Caution>
          Treated seed is never eaten, fed or handled bare. Wear a mask against inoculant dust.
        </Caution>
        <div className="no-print mt-3">
          <button className="btn btn-sm" onClick={() => window.print()}>
            Print this recipe
          </button>
        </div>
      </aside>
      <div>
        {recipe.ok && <TagRate recipe={recipe.value} standId={view.stand.id} units={units} />}
        {recipe.ok && <RingCheck recipe={recipe.value} units={units} />}
        {view.stand.start.actual === null && <WhenToSow view={view} units={units} plan={plan} />}
      </div>
    </div>
  )
}
