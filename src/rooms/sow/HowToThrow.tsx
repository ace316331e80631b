import { segmentAreaM2, segmentSizeM } from '../../core/garden/area'
import type { Recipe } from '../../core/seeding/recipe'
import { decimal, grams, metres, volume, type Units } from '../../text/format'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'
import type { StandView } from '../../state/useStand'
import { DropOver, OrDropOver } from './DropOver'
import { Throws } from './Throws'
import { measuresOf, sowerOf, throwingsOf, type HowThrown } from './throwing'
import type { Sow } from './useSow'
import { Failed } from '../../parts/Waiting'

/** Straw of a thin nurse mulch, kg m⁻², and weight of a small bale, kg; depth of a compost cover, m, and a bag of it, m³. */
const STRAW_KG_M2 = { low: 0.1, high: 0.25 }
const BALE_KG = 12
const COMPOST_M = 0.006
const BAG_M3 = 0.04
/** How handfuls differ in ordinary hands (judgement, 0.3–0.6). */
const UNEVENNESS = 0.45

/** From grams to handfuls and paces, on the bed drawn to scale, and what more passes are worth. */
export function HowToThrow({
  view,
  recipe,
  sow,
  units,
}: {
  view: StandView
  recipe: Recipe
  sow: Sow
  units: Units
}) {
  const { thrown: form } = sow
  const { data } = useGarden()
  const { bed, stand } = view
  const size = segmentSizeM(bed, stand.segment)
  const measures = measuresOf(sowerOf(data.garden, form))
  const throwings = throwingsOf(recipe, form, size, measures)
  const seeds = recipe.lines.reduce((sum, line) => sum + line.seedsPerM2, 0)
  const pattern = useAnswer('castPattern', [
    size.widthM,
    Math.round(seeds),
    { castWidthM: measures.castWidthM, unevenness: UNEVENNESS },
  ])
  return (
    <section aria-label="How to throw it" className="mt-5">
      <h2>Throw it</h2>
      {throwings.map((throwing, i) => (
        <Throws
          key={throwing.size}
          throwing={throwing}
          first={i === 0 && throwings.length > 1}
          size={size}
          measures={measures}
          units={units}
        />
      ))}
      <Failed what="How even the throws fall" failure={pattern} />
      {pattern.value && (
        <div className="mt-2" data-testid="bare-patches">
          Ground left bare or nearly so, over a hand’s width:{' '}
          {pattern.value
            .map(
              (entry) =>
                `${fewPercent(entry.bareShare)} in ${entry.passes} ${entry.passes === 1 ? 'pass' : 'passes'}`,
            )
            .join(', ')}
          .{' '}
          <Why>
            Casts {metres(measures.castWidthM, units)} wide with handfuls that differ by{' '}
            {Math.round(UNEVENNESS * 100)} % (judgement, 30 to 60), thrown over this width in a simulation; a
            hand-wide square counts as bare with less than a third of its seed.
          </Why>
        </div>
      )}
      {form.covering === 'crop dropped over' ? (
        <DropOver view={view} recipe={recipe} sow={sow} units={units} />
      ) : (
        !sow.recorded && <OrDropOver view={view} />
      )}
      <Covering form={form} areaM2={segmentAreaM2(bed, stand.segment)} units={units} />
    </section>
  )
}

/** A small share with one decimal, `0.6 %`. */
const fewPercent = (share: number) => `${decimal(share * 100, share < 0.095 ? 1 : 0)}\u00a0%`

function Covering({ form, areaM2, units }: { form: HowThrown; areaM2: number; units: Units }) {
  if (form.covering === 'thin straw') {
    const low = STRAW_KG_M2.low * areaM2
    const high = STRAW_KG_M2.high * areaM2
    return (
      <p className="mt-2">
        Straw: {grams(low * 1000, units)} to {grams(high * 1000, units)}, {decimal(high / BALE_KG)} small
        bales at most; soil must still show through.
      </p>
    )
  }
  if (form.covering === 'compost') {
    const wantedM3 = COMPOST_M * areaM2
    return (
      <p className="mt-2">
        Compost, a finger’s thickness at most: about {volume(wantedM3, units)}, {Math.ceil(wantedM3 / BAG_M3)}{' '}
        bags of {volume(BAG_M3, units)}.
      </p>
    )
  }
  return null
}
