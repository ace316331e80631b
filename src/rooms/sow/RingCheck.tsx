import { decimal, type Units } from '../../text/format'
import { readQuantity, unitOf, writeQuantity } from '../../text/quantity'
import { useState } from 'react'
import { ringAreaM2, ringVerdict } from '../../core/seeding/ringCheck'
import type { Recipe } from '../../core/seeding/recipe'
import { TextField } from '../../parts/SelectField'
import { Why } from '../../parts/Why'
import { typedCounts, typedNumber } from '../../parts/typed'
import { Scroll } from '../../parts/Scroll'

/** Width of a usual ring, cm. */
const USUAL_RING_CM = 30

/** A ring on the ground: what should lie in it, what does, and what that means for the rest of the batch. */
export function RingCheck({ recipe, units }: { recipe: Recipe; units: Units }) {
  const [diameter, setDiameter] = useState(writeQuantity(USUAL_RING_CM, 'height', units))
  const [passesDone, setPassesDone] = useState('1')
  const [done, setDone] = useState('30')
  const [counts, setCounts] = useState<Record<string, string>>({})
  const passes = recipe.passTotals.length
  const area = ringAreaM2(readQuantity(diameter, 'height', units) / 100)
  const share = typedNumber(done) / 100
  const thrown = typedNumber(passesDone) / passes
  const problem = !(area > 0)
    ? `Ring: give its width, such as ${writeQuantity(USUAL_RING_CM, 'height', units)} ${unitOf('height', units)}.`
    : !(thrown > 0 && thrown <= 1)
      ? `Passes thrown where you count: a number from 1 to ${passes}.`
      : !(share >= 0 && share < 1)
        ? 'Bed done: a share from 0 to 99 %.'
        : null
  return (
    <details className="no-print mt-5">
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">Check with a ring</summary>
      <div className="mt-2 flex flex-wrap items-start gap-3">
        <TextField
          label={`Ring across, ${unitOf('height', units)}`}
          decimal
          className="w-28"
          value={diameter}
          onChange={setDiameter}
        />
        <TextField label="Passes thrown there" className="w-32" value={passesDone} onChange={setPassesDone} />
        <TextField label="Bed done so far, %" decimal className="w-32" value={done} onChange={setDone} />
      </div>
      {problem ? (
        <p role="alert" className="mt-1 font-semibold text-error">
          {problem}
        </p>
      ) : (
        <Scroll label="Counts by ring">
          <table className="table table-sm mt-2 w-auto" data-testid="ring">
            <thead>
              <tr>
                <th>Species</th>
                <th>Should lie there</th>
                <th>Counted, a number for each ring</th>
                <th>So</th>
              </tr>
            </thead>
            <tbody>
              {recipe.lines.map((line) => {
                const expected = line.seedsPerM2 * area * thrown
                const typed = counts[line.speciesId] ?? ''
                const verdict =
                  typed.trim() === ''
                    ? null
                    : ringVerdict(
                        { speciesId: line.speciesId, expected, counts: typedCounts(typed) },
                        share * thrown,
                      )
                return (
                  <tr key={line.speciesId}>
                    <td>{line.name}</td>
                    <td>{expected < 10 ? decimal(expected) : Math.round(expected)}</td>
                    <td>
                      <input
                        className="input input-sm w-40"
                        aria-label={`${line.name}, counted`}
                        inputMode="numeric"
                        value={typed}
                        onChange={(event) => setCounts({ ...counts, [line.speciesId]: event.target.value })}
                      />
                    </td>
                    <td>
                      {verdict === null
                        ? ''
                        : verdict.ok
                          ? verdictText(verdict.value)
                          : verdict.problems[0].message}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </Scroll>
      )}
      <Why>
        Seeds expected: those weighed times the ring’s ground and the passes thrown there. The range is the
        wider of chance alone and of the rings among themselves (90 %). The correction makes the whole bed get
        what was weighed.
      </Why>
    </details>
  )
}

function verdictText({
  ratio,
  correction,
}: Extract<ReturnType<typeof ringVerdict>, { ok: true }>['value']): string {
  const times = (value: number) => decimal(value)
  const lies = `${times(ratio.mid)} times the rate (${times(ratio.low)} to ${times(ratio.high)})`
  return correction === null
    ? `${lies}: as it should be.`
    : `${lies}: throw the rest at ${times(correction)} of the rate.`
}
