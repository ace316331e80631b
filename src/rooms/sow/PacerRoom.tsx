import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { segmentSizeM } from '../../core/garden/area'
import { afterRunningOut, type AfterRunningOut, type Portion } from '../../core/seeding/measures'
import { grams, percent } from '../../text/format'
import { standName } from '../../text/names'
import { SelectField } from '../../parts/SelectField'
import { useGarden } from '../../state/garden'
import { useStand, type StandView } from '../../state/useStand'
import { measuresOf, sowerOf, throwingsOf, type Throwing } from './throwing'
import { usePacer } from './usePacer'
import { useSow } from './useSow'

/** The pacer, for a phone in one hand: it calls each cast so that a portion ends where its stretch ends. */
export function PacerRoom() {
  const { standId } = useParams()
  const view = useStand(standId)
  if (view && view.stand.content.kind === 'cover') return <Pacer view={view} />
  return (
    <section className="py-4">
      <h1>Pacer</h1>
      <p>
        This sowing is not in this garden.{' '}
        <Link className="link" to="/sow">
          Back to the sowings
        </Link>
      </p>
    </section>
  )
}

function Pacer({ view }: { view: StandView }) {
  const { data } = useGarden()
  const { thrown: form, recipe } = useSow(view)
  const size = segmentSizeM(view.bed, view.stand.segment)
  const [chosen, setChosen] = useState(0)
  if (!recipe.ok)
    return (
      <section className="py-4">
        <h1>Pacer</h1>
        <p role="alert">{recipe.problems[0].message}</p>
      </section>
    )
  const throwings = throwingsOf(recipe.value, form, size, measuresOf(sowerOf(data.garden, form)))
  return (
    <section className="mx-auto max-w-md py-2">
      <p className="flex justify-between">
        <Link className="link" to={`/sow/${view.stand.id}`}>
          Back to the recipe
        </Link>
        <span className="quiet">{view.bed.label}</span>
      </p>
      <h1 className="mt-1">{standName(view.stand)}</h1>
      {throwings.length > 1 && (
        <SelectField
          label="Throwing"
          value={String(chosen)}
          onChange={(index) => setChosen(Number(index))}
          options={throwings.map((throwing, i) => [String(i), throwing.names.join(' and ')] as const)}
        />
      )}
      <Calls
        key={chosen}
        throwing={throwings[Math.min(chosen, throwings.length - 1)]}
        scaleStepG={form.scaleStepG}
      />
    </section>
  )
}

const PACES: readonly (readonly [string, string])[] = [
  ['0.8', 'quick, 0.8 s a cast'],
  ['1.2', 'steady, 1.2 s a cast'],
  ['1.8', 'slow, 1.8 s a cast'],
]

function Calls({ throwing, scaleStepG }: { throwing: Throwing; scaleStepG: number }) {
  const { data } = useGarden()
  const { units } = data.garden
  const [pace, setPace] = useState('1.2')
  const [portions, setPortions] = useState<Portion[]>(throwing.portions)
  const [out, setOut] = useState<AfterRunningOut | null>(null)
  const [asking, setAsking] = useState(false)
  const [howFar, setHowFar] = useState(50)
  const pacer = usePacer(portions, Number(pace))
  const { cue } = pacer
  const index = cue
    ? portions.findIndex((portion) => portion.pass === cue.pass && portion.stretch === cue.stretch)
    : 0
  const portion = portions[Math.max(0, index)]
  const passes = new Set(portions.map((entry) => entry.pass)).size
  const stretches = portions.filter((entry) => entry.pass === portion.pass)
  const casts = cue ? (cue.kind === 'cast' ? cue.cast + 1 : portion.paces) : 0

  function ranOutHere() {
    pacer.pause()
    setHowFar(Math.round((100 * casts) / portion.paces))
    setAsking(true)
  }
  function share() {
    const after = afterRunningOut(portions, Math.max(0, index), howFar / 100, scaleStepG)
    setOut(after)
    setPortions(
      after.portions.map((entry, i) =>
        i === 0 ? { ...entry, paces: Math.max(1, Math.round(entry.paces * (1 - howFar / 100))) } : entry,
      ),
    )
    setAsking(false)
    pacer.restart()
  }

  return (
    <div className="mt-2" data-testid="pacer" data-late-ms={Math.round(pacer.worstMs)}>
      <p className="text-center font-display text-[1.3rem]" aria-live="polite">
        {pacer.done
          ? 'All thrown.'
          : cue?.kind === 'pass'
            ? 'Take the next pass in hand, and turn.'
            : cue?.kind === 'stretch'
              ? 'Next stretch: take its portion.'
              : `Pass ${portion.pass + 1} of ${passes + (portions[0].pass ?? 0)}, ${portion.pass % 2 === 0 ? 'along' : 'across'}; stretch ${stretches.indexOf(portion) + 1} of ${stretches.length}`}
      </p>
      <p className="my-3 text-center font-display text-[5.5rem] leading-none tabular-nums" data-testid="cast">
        {casts}
        <span className="quiet text-[2rem]"> / {portion.paces}</span>
      </p>
      <p className="text-center text-[1.2rem]">
        This stretch: <strong>{grams(portion.grams, units)}</strong>
      </p>
      <progress
        className="progress progress-primary mt-3 w-full"
        value={casts}
        max={portion.paces}
        aria-label="Casts of this stretch"
      />
      <button
        className="btn btn-primary mt-4 h-20 w-full text-[1.4rem]"
        onClick={pacer.done ? pacer.restart : pacer.running ? pacer.pause : pacer.start}
      >
        {pacer.done ? 'Again from the start' : pacer.running ? 'Pause' : cue ? 'Go on' : 'Start'}
      </button>
      <button className="btn mt-3 h-14 w-full" onClick={ranOutHere} disabled={!cue || pacer.done}>
        I ran out here
      </button>
      {asking && (
        <div className="mt-3 border-l-4 border-secondary pl-3" role="group" aria-label="Where it ran out">
          <label htmlFor="how-far">How far into this stretch did it last? {howFar} %</label>
          <input
            id="how-far"
            type="range"
            className="range mt-1 w-full"
            min={0}
            max={100}
            step={5}
            value={howFar}
            onChange={(event) => setHowFar(Number(event.target.value))}
          />
          <button className="btn btn-primary mt-2" onClick={share}>
            Share out what is left
          </button>
        </div>
      )}
      {out && (
        <p className="mt-3" role="status" data-testid="ran-out">
          This stretch lies {percent(out.overShare)} too thick as far as it went.{' '}
          {out.portions.some((entry) => entry.grams > 0)
            ? 'What is still in the bag is shared over the rest; go on with the new portions.'
            : 'No seed is left for the rest.'}{' '}
          For the full rate weigh {grams(out.missingG, units)} more.
        </p>
      )}
      <div className="mt-4">
        <SelectField label="Pace" value={pace} onChange={setPace} options={PACES} />
      </div>
      <p className="quiet mt-2 text-sm">
        One cast a pace, called by sound{'vibrate' in navigator ? ' and vibration' : ''}
        {window.isSecureContext && 'wakeLock' in navigator
          ? '; the screen stays awake'
          : '; keep the screen awake yourself, this browser cannot'}
        .
      </p>
    </div>
  )
}
