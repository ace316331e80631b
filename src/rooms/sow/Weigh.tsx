import { ouncesPer1000SquareFeet, poundsPerAcre } from '../../core/foundations/units'
import type { Debris } from '../../core/seeding/debris'
import { inoculantG } from '../../core/seeding/inoculant'
import type { Recipe as RecipeValue } from '../../core/seeding/recipe'
import { groupsOf } from '../../core/plants/catalogue'
import { Swatch } from '../../parts/Swatch'
import { Why } from '../../parts/Why'
import {
  area,
  density,
  grams,
  depthText,
  fixed,
  inoculantText,
  rate,
  shortDate,
  type Units,
} from '../../text/format'

/** What to weigh for each species and pass, why so much, and what is done before it is thrown. */
export function Weigh({
  recipe,
  debris,
  units,
}: {
  recipe: RecipeValue
  debris: readonly Debris[]
  units: Units
}) {
  return (
    <>
      <h2>
        Weigh{' '}
        <span data-testid="total-grams" data-help="total-grams">
          {grams(recipe.totalGrams, units)}
        </span>{' '}
        for {area(recipe.areaM2, units)}
      </h2>
      <ul className="mt-2 divide-y divide-base-300 border-y border-base-300" aria-label="Recipe">
        {recipe.lines.map((line) => (
          <li key={line.speciesId} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
            <Swatch groups={groupsOf([line])} size={1.4} />
            <strong className="grow">{line.name}</strong>
            <span className="font-display text-[1.35rem] font-semibold">{grams(line.grams, units)}</span>
            <span className="min-w-44">{bowlsText(line.passes, units)}</span>
            <span className="quiet basis-full text-sm sm:pl-12">
              {rate(line.gramsPerM2, units)}, {depthText(line.depthCm, units)} deep; plants to come up:{' '}
              {density(line.plantsPerM2, units)}
            </span>
          </li>
        ))}
      </ul>
      {recipe.lines.map((line) => (
        <Why key={line.speciesId} label={`why ${grams(line.grams, units)} of ${line.name.toLowerCase()}?`}>
          Drilled rate {rate(line.drillGM2, units)} (extension), times {line.broadcastFactor} for broadcasting{' '}
          {line.size} seed covered like this (extension, 1.2 to 2.5), times a share of{' '}
          {Math.round(line.share * 100)} %, corrected for your seed: the rate is for seed of which{' '}
          {Math.round(line.usualQuality * 100)} % grows, of yours {Math.round(line.germination * 100)} % does;
          times {area(recipe.areaM2, units)}, rounded up to the scale. As a rate:{' '}
          {ratesText(line.gramsPerM2, units)}.
          {line.inoculantGroup ? ` Inoculant: ${line.inoculantGroup} group.` : ''}
        </Why>
      ))}
      <Before recipe={recipe} debris={debris} />
      {recipe.lines.length > 1 && (
        <p className="mt-2">
          Throw large seed first, on its own; seeds of different size sort themselves in the bag.
        </p>
      )}
      {recipe.lines.some((line) => line.inoculantGroup) && (
        <p className="mt-1">
          Inoculant:{' '}
          {recipe.lines
            .filter((line) => line.inoculantGroup)
            .map(
              (line) =>
                `${inoculantText(inoculantG(line), units)} of the ${line.inoculantGroup} group on the ${line.name.toLowerCase()}`,
            )
            .join(', ')}
          ; on damp seed, kept out of the sun, sown the same day.
        </p>
      )}
    </>
  )
}

/** What is done before the seed is thrown. */
function Before({ recipe, debris }: { recipe: RecipeValue; debris: readonly Debris[] }) {
  const small = recipe.lines.some((line) => line.size === 'tiny' || line.size === 'small')
  return (
    <details className="mt-3" open={debris.length > 0}>
      <summary className="cursor-pointer font-semibold">Before you throw it</summary>
      <ul className="list-disc pl-5">
        {debris.map(({ crop, what, notedDay }) => (
          <li key={`${crop} ${notedDay} ${what}`} className="font-semibold">
            Carry the remains of {crop.toLowerCase()} off the bed first: {what} was noted{' '}
            {shortDate(notedDay)}, and sown over they carry it on. Burn or bin what local rules say; cold
            compost does not kill it.
          </li>
        ))}
        <li>
          Where weeds are thick: make the seedbed two weeks early, let them come up, and hoe them off
          shallowly on the day.
        </li>
        <li>
          Turn a board over in the evening; with more than a few slugs under it, wait or go after them first.
        </li>
        {small && <li>For small seed the top must be fine and firm: a footprint should hardly sink in.</li>}
        {recipe.covering === 'frost-seeded' && (
          <li>Frost-seed on a still morning when the ground is frozen and thaws by day, in late winter.</li>
        )}
        {recipe.covering === 'vines put back' && (
          <li>
            Take the finished vines off, throw the seed, then spread them back no thicker than soil shows
            through.
          </li>
        )}
      </ul>
    </details>
  )
}

/** The bowls that a species is weighed into, one for each pass: `two bowls of 63 g`. */
function bowlsText(passes: readonly number[], units: Units): string {
  const [first] = passes
  if (passes.length === 1) return 'in one bowl'
  return passes.every((pass) => pass === first)
    ? `in ${COUNTS[passes.length] ?? passes.length} bowls of ${grams(first, units)}`
    : `in bowls of ${passes.map((pass) => grams(pass, units)).join(' and ')}`
}
const COUNTS: Record<number, string> = { 2: 'two', 3: 'three', 4: 'four' }

/** A rate as books print it. */
function ratesText(gM2: number, units: Units): string {
  const kgHa = gM2 * 10
  return units === 'imperial'
    ? `${Math.round(poundsPerAcre(gM2))} lb/acre, ${fixed(ouncesPer1000SquareFeet(gM2) / 16, 1)} lb/1000 ft²`
    : `${fixed(gM2, 1)} g/m², ${Math.round(kgHa)} kg/ha`
}
