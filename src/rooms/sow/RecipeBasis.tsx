import { decimal, percent } from '../../text/format'
import { stepText } from '../../text/amounts'
import type { Recipe } from '../../core/seeding/recipe'
import { ChangeFold } from '../../parts/ChangeFold'
import type { StandView } from '../../state/useStand'
import { coveringWords, SowFields } from './SowFields'
import type { Sow } from './useSow'

/** What the recipe was computed with, and the fields that change it. */
export function RecipeBasis({ view, sow, recipe }: { view: StandView; sow: Sow; recipe: Recipe | null }) {
  return (
    <ChangeFold
      known={recipe ? knownText(recipe, sow) : 'The recipe wants another look.'}
      open={recipe === null}
    >
      <div className="max-w-xl">
        <SowFields view={view} sow={sow} />
      </div>
    </ChangeFold>
  )
}

/** `Seed of which 88 % grows, raked, in 2 passes, weighed in 1 g steps.` */
function knownText({ lines }: Recipe, { thrown, units }: Sow): string {
  /** One share where all have it, else each with its plant. */
  const each = (of: (line: Recipe['lines'][number]) => number) => {
    const told = lines.map((line) => percent(of(line)))
    return new Set(told).size === 1
      ? told[0]
      : lines.map(({ name }, i) => `${told[i]} (${name.toLowerCase()})`).join(' and ')
  }
  const shares = lines.some(({ share }) => Math.abs(share - 1) > 0.005)
    ? `, ${each(({ share }) => share)} of the full rate`
    : ''
  const passes = `${decimal(thrown.passes)} ${thrown.passes === 1 ? 'pass' : 'passes'}`
  return `Seed of which ${each(({ germination }) => germination)} grows${shares}, ${coveringWords(thrown.covering)}, in ${passes}, weighed in ${stepText(thrown.scaleStepG, units)} steps.`
}
