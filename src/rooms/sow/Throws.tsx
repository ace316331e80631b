import { sandFor, type Measures, type Portion } from '../../core/seeding/measures'
import { grams, metres, smallVolume, type Units } from '../../text/format'
import { Scroll } from '../../parts/Scroll'
import { CastDiagram } from './CastDiagram'
import type { Throwing } from './throwing'

/** What is thrown at once, on the bed to scale: under each stretch what lies in the hand for it and how far it is walked. */
export function Throws({
  throwing,
  first,
  size,
  measures,
  units,
}: {
  throwing: Throwing
  first: boolean
  size: { lengthM: number; widthM: number }
  measures: Measures
  units: Units
}) {
  const { portions, passGrams, names } = throwing
  const stretches = portions.filter((portion) => portion.pass === 0)
  const sand = sandFor(
    passGrams.reduce((sum, value) => sum + value, 0),
    throwing.size,
  )
  return (
    <figure className="mt-2 max-w-3xl">
      <figcaption className="font-semibold">
        {names.join(' and ')}
        {first ? ', first' : ''}
      </figcaption>
      <Scroll label={`Portions of ${names.join(' and ')}`}>
        <div style={{ minWidth: `${stretches.length * 7.5}rem` }}>
          <CastDiagram size={size} throwing={throwing} measures={measures} units={units} />
          <ol className="flex" data-testid={`portions-${throwing.size}`}>
            {stretches.map(({ stretch, fromM, toM }) => (
              <li
                key={stretch}
                className="min-w-0 grow basis-0 border-l border-base-300 px-2 first:border-l-0 first:pl-0"
              >
                <span className="quiet text-sm">
                  {metres(fromM, units)} to {metres(toM, units)}
                </span>
                {portions
                  .filter((portion) => portion.stretch === stretch)
                  .map((portion) => (
                    <PortionLine key={portion.pass} portion={portion} units={units} />
                  ))}
              </li>
            ))}
          </ol>
        </div>
      </Scroll>
      {sand && (
        <p className="mt-1 text-sm">
          Bulk it with {sand.parts} parts of dry sand, about {smallVolume(sand.litres, units)} in all.
        </p>
      )}
    </figure>
  )
}

const PortionLine = ({ portion, units }: { portion: Portion; units: Units }) => (
  <span className="block leading-snug">
    <strong>{grams(portion.grams, units)}</strong> {portion.pass % 2 === 0 ? 'along' : 'across'}
    <span className="block text-sm">
      {handfulsText(portion.handfuls)} over {portion.paces} {portion.paces === 1 ? 'pace' : 'paces'}
    </span>
  </span>
)

function handfulsText(handfuls: number): string {
  if (handfuls < 0.4) return 'a pinch at a time'
  const rounded = Math.round(handfuls * 2) / 2
  return `${rounded === 0.5 ? 'half a' : rounded} ${rounded <= 1 ? 'handful' : 'handfuls'}`
}
