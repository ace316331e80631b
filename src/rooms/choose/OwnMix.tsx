import { useEffect, useMemo, useState, type RefObject } from 'react'
import type { Candidate, ChooseQuestion, Part } from '../../core/choosing/types'
import { SPECIES } from '../../core/plants/catalogue'
import type { WeatherSpec } from '../../core/season/weatherSpec'
import { Chance } from '../../parts/Chance'
import { endingText, reasonText, riskText } from '../../text/choosing'
import { shortDate, type Units, money } from '../../text/format'
import { useEngine } from '../../state/useEngine'
import { Amounts } from './Answer'
import { partsText } from './words'

const MOST_PARTS = 5
/** Stillness after the last move before a mix is grown, ms. */
const SETTLED_MS = 350

/** The grower's own mix: species and shares, grown in the same window as the shares are moved. */
export function OwnMix({
  heading,
  parts,
  onParts,
  args,
  units,
  currency,
  onChoose,
}: {
  /** Where focus goes when a mix is taken over to be adjusted. */
  heading: RefObject<HTMLHeadingElement | null>
  parts: Part[]
  onParts: (parts: Part[]) => void
  args: [WeatherSpec, ChooseQuestion] | null
  units: Units
  currency: string
  onChoose: (candidate: Candidate) => void
}) {
  const [settled, setSettled] = useState(parts)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(parts), SETTLED_MS)
    return () => clearTimeout(timer)
  }, [parts])
  const job = useMemo(
    () => (args && settled.length > 0 ? ([...args, settled] as [WeatherSpec, ChooseQuestion, Part[]]) : null),
    [args, settled],
  )
  const answer = useEngine('ownMix', job)
  const [kept, setKept] = useState(answer.value)
  if (answer.value && answer.value !== kept) setKept(answer.value)
  const free = SPECIES.filter((plant) => !parts.some((part) => part.speciesId === plant.id))
  const total = parts.reduce((sum, part) => sum + part.share, 0)
  return (
    <section aria-label="Own mix" className="mt-6 border-t border-base-300 pt-3">
      <h2 ref={heading} tabIndex={-1}>
        Your own mix
      </h2>
      <div className="mt-2 grid gap-x-8 gap-y-2 md:grid-cols-[24rem_minmax(0,1fr)]">
        <div>
          {parts.map((part, i) => {
            const name = partsText([part])
            return (
              <div
                key={part.speciesId}
                className="grid grid-cols-[9rem_1fr_3.5rem_auto] items-center gap-2 py-1"
              >
                <label htmlFor={`share-${part.speciesId}`}>{name}</label>
                <input
                  id={`share-${part.speciesId}`}
                  type="range"
                  className="range range-xs"
                  min={5}
                  max={120}
                  step={5}
                  value={Math.round(part.share * 100)}
                  onChange={(event) =>
                    onParts(
                      parts.map((other, k) =>
                        k === i ? { ...other, share: Number(event.target.value) / 100 } : other,
                      ),
                    )
                  }
                />
                <span className="text-right tabular-nums">{Math.round(part.share * 100)}&nbsp;%</span>
                <button
                  className="btn btn-ghost btn-xs"
                  aria-label={`Take ${name} out`}
                  onClick={() => onParts(parts.filter((_, k) => k !== i))}
                >
                  ×
                </button>
              </div>
            )
          })}
          {parts.length < MOST_PARTS && (
            <select
              className="select select-sm mt-1 w-56"
              aria-label="Add a species"
              value=""
              onChange={(event) =>
                onParts([...parts, { speciesId: event.target.value, share: parts.length === 0 ? 1 : 0.4 }])
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
          {parts.length > 1 && (
            <p className="quiet mt-1 text-sm">
              Together {Math.round(total * 100)} % of full rates; 100 to 150 % is usual.
            </p>
          )}
        </div>
        <div aria-live="polite" data-testid="own-mix">
          {parts.length === 0 && (
            <p className="quiet">Add a species, or press Adjust beside one that fits.</p>
          )}
          {answer.error && <p role="alert">It could not be grown: {answer.error}</p>}
          {parts.length > 0 && kept && (
            <div className={answer.running ? 'opacity-60' : ''}>
              {'chance' in kept ? (
                <>
                  <p>
                    <Chance share={kept.chance} />{' '}
                    <span className="quiet">
                      sow {shortDate(kept.sowDay)}; seed about {money(kept.cost.mid, currency)}
                    </span>
                  </p>
                  <Amounts candidate={kept} units={units} />
                  <p>
                    {endingText(kept)} {riskText(kept)}
                  </p>
                  <button
                    className="btn btn-primary btn-sm mt-1"
                    disabled={answer.running}
                    onClick={() => onChoose(kept)}
                  >
                    Choose this mix
                  </button>
                </>
              ) : (
                <p>
                  <strong>Does not fit.</strong> {reasonText(kept.reason, units, currency)}
                </p>
              )}
            </div>
          )}
        </div>
      </div>
    </section>
  )
}
