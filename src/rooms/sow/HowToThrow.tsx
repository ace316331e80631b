import { Link } from 'react-router'
import { segmentAreaM2, segmentSizeM } from '../../core/garden/area'
import { sandFor } from '../../core/seeding/measures'
import type { Recipe } from '../../core/seeding/recipe'
import { decimal, grams, metres, smallVolume, volume, type Units } from '../../text/format'
import { Scroll } from '../../parts/Scroll'
import { TypedText } from '../../parts/form/fields'
import { SelectField } from '../../parts/SelectField'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'
import type { StandView } from '../../state/useStand'
import { CastDiagram } from './CastDiagram'
import { measuresOf, sowerOf, throwingsOf, usualStretches, type Throwing, type HowThrown } from './throwing'
import type { Sow } from './useSow'
import { Failed } from '../../parts/Waiting'

/** Straw of a thin nurse mulch, kg m⁻², and weight of a small bale, kg; depth of a compost cover, m, and a bag of it, m³. */
const STRAW_KG_M2 = { low: 0.1, high: 0.25 }
const BALE_KG = 12
const COMPOST_M = 0.006
const BAG_M3 = 0.04
/** How handfuls differ in ordinary hands (judgement, 0.3–0.6). */
const UNEVENNESS = 0.45

/** From grams to handfuls and paces: portions by stretch, the casts drawn to scale, and what more passes are worth. */
export function HowToThrow({
  view,
  recipe,
  sow: { form: typed, thrown: form },
  units,
}: {
  view: StandView
  recipe: Recipe
  sow: Sow
  units: Units
}) {
  const { data } = useGarden()
  const { bed, stand } = view
  const size = segmentSizeM(bed, stand.segment)
  const sower = sowerOf(data.garden, form)
  const measures = measuresOf(sower)
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
      <div className="mt-2 flex flex-wrap items-start gap-3">
        <TypedText
          form={typed}
          name="stretches"
          label="Stretches"
          className="w-24"
          placeholder={String(usualStretches(size.lengthM))}
        />
        {data.garden.sowers.length > 0 && (
          <SelectField
            label="Thrown by"
            className="w-48"
            value={sower?.id ?? ''}
            onChange={(sowerId) => typed.set({ sowerId })}
            options={data.garden.sowers.map((entry) => [entry.id, entry.name] as const)}
          />
        )}
        <p className="mt-7">
          <Link className="btn btn-primary btn-sm" to={`/sow/${stand.id}/pacer`}>
            Start the pacer
          </Link>
        </p>
      </div>
      {throwings.map((throwing, i) => (
        <PortionTable
          key={throwing.size}
          throwing={throwing}
          first={i === 0 && throwings.length > 1}
          units={units}
        />
      ))}
      <p className="quiet text-sm">
        {sower ? `${sower.name}’s own handfuls and paces.` : 'Usual hands, which differ by a third. '}
        {!sower && (
          <Link className="link" to="/shed#measures">
            Measure your own
          </Link>
        )}
      </p>
      {throwings[0] && (
        <CastDiagram size={size} throwing={throwings[0]} castWidthM={measures.castWidthM} units={units} />
      )}
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
      <Covering form={form} areaM2={segmentAreaM2(bed, stand.segment)} units={units} />
    </section>
  )
}

/** A small share with one decimal, `0.6 %`. */
const fewPercent = (share: number) => `${decimal(share * 100, share < 0.095 ? 1 : 0)}\u00a0%`

function PortionTable({ throwing, first, units }: { throwing: Throwing; first: boolean; units: Units }) {
  const { portions, passGrams, names, size } = throwing
  const stretches = portions.filter((portion) => portion.pass === 0)
  const sand = sandFor(
    passGrams.reduce((sum, value) => sum + value, 0),
    size,
  )
  return (
    <div className="mt-2">
      <p className="font-semibold">
        {names.join(' and ')}
        {first ? ', first' : ''}
      </p>
      <Scroll label={`Portions of ${names.join(' and ')}`}>
        <table className="table table-sm w-auto" data-testid={`portions-${size}`}>
          <thead>
            <tr>
              <th>Stretch</th>
              {passGrams.map((_, pass) => (
                <th key={pass}>
                  Pass {pass + 1}, {pass % 2 === 0 ? 'along' : 'across'}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {stretches.map(({ stretch, fromM, toM }) => (
              <tr key={stretch}>
                <td>
                  {metres(fromM, units)} to {metres(toM, units)}
                </td>
                {passGrams.map((_, pass) => {
                  const portion = portions.find((entry) => entry.pass === pass && entry.stretch === stretch)!
                  return (
                    <td key={pass}>
                      {grams(portion.grams, units)}, {handfulsText(portion.handfuls)} over {portion.paces}{' '}
                      paces
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      {sand && (
        <p className="text-sm">
          Bulk it with {sand.parts} parts of dry sand, about {smallVolume(sand.litres, units)} in all.
        </p>
      )}
    </div>
  )
}

function handfulsText(handfuls: number): string {
  if (handfuls < 0.4) return 'a pinch at a time'
  const rounded = Math.round(handfuls * 2) / 2
  return `${rounded === 0.5 ? 'half a' : rounded} ${rounded <= 1 ? 'handful' : 'handfuls'}`
}

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
  if (form.covering === 'crop dropped over')
    return <p className="mt-2">Sow first, then cut the standing crop down over the seed the same day.</p>
  return null
}
