import { useState } from 'react'
import { Link } from 'react-router'
import { DraftOffer } from '../../parts/DraftOffer'
import { stageName } from '../../core/stand/stage'
import { StageDrawing } from '../../parts/drawings/StageDrawing'
import { leadGroup, leadName, leadSpecies, standName } from '../../text/names'
import { useGarden } from '../../state/garden'
import type { StandView } from '../../state/useStand'
import { ByEye } from './ByEye'
import { ChangeSentence } from '../../parts/ChangeSentence'
import { Doubts, NotStored } from './Doubts'
import { likelyStages, questionsNow, type Question } from './quick'
import { PhotoFirst } from './PhotoFirst'
import { StageGuide } from './StageGuide'
import { useChecking, type Checking } from './useChecking'
import { useWatch } from './useWatch'
import { placeText } from '../../text/bed'

const BIG =
  'flex min-h-14 w-full items-center gap-3 border border-base-content/60 px-3 py-1.5 text-left text-lg leading-tight hover:bg-base-200'

type Next = { stand: StandView['stand']; label: string } | null

/** One bed in a few taps: each answer leads to the next question, then it is stored. */
export function QuickCheck({ view, next }: { view: StandView; next: Next }) {
  const { data, today } = useGarden()
  const { units } = data.garden
  const watch = useWatch(view)
  const [saved, setSaved] = useState(false)
  // While a changed forecast is computed the last one goes on asking.
  const { value, last, error } = watch.forecast
  const forecast = value === undefined ? last : value
  const checking = useChecking(view, forecast, 'quick', () => setSaved(true))
  const [answered, setAnswered] = useState(0)
  const [without, setWithout] = useState(false)
  const waiting = forecast === undefined && error === null && !without
  // What a photo has answered is not asked again.
  const questions = questionsNow(forecast ?? null, today).filter(
    (one) => one !== 'cover' || checking.draft.pictureError === '',
  )
  const question = questions[answered]
  return (
    <section className="mx-auto flex max-w-md flex-col py-2" style={{ minHeight: '80vh' }}>
      <p className="flex items-baseline justify-between">
        <strong className="font-display text-2xl">{placeText(view.bed, view.stand.segment, units)}</strong>
        <Link className="link py-2" to="/check">
          other bed
        </Link>
      </p>
      <DraftOffer offer={checking.offer} />
      <h1 className="text-lg">{standName(view.stand)}</h1>
      {saved ? (
        <Saved view={view} watch={watch} next={next} />
      ) : waiting ? (
        <>
          <p role="status" className="mt-3 text-lg">
            Growing this stand, to ask only what matters …
          </p>
          <button type="button" className={`${BIG} mt-3`} onClick={() => setWithout(true)}>
            Do not wait
          </button>
        </>
      ) : (
        <>
          {answered === 0 && question && <PhotoFirst checking={checking} />}
          {question ? (
            <Ask
              question={question}
              view={view}
              watch={watch}
              checking={checking}
              onAnswered={() => setAnswered(answered + 1)}
            />
          ) : (
            <Summary view={view} checking={checking} onBack={() => setAnswered(0)} />
          )}
          {question && answered > 0 && (
            <button type="button" className="btn mt-4 h-12" onClick={() => setAnswered(answered - 1)}>
              Back
            </button>
          )}
        </>
      )}
    </section>
  )
}

type Parts = { view: StandView; watch: ReturnType<typeof useWatch>; checking: Checking }

function Ask({
  question,
  view,
  watch,
  checking,
  onAnswered,
}: Parts & { question: Question; onAnswered: () => void }) {
  const { today } = useGarden()
  const [guided, setGuided] = useState(false)
  const group = leadGroup(view.stand)
  const forecast = watch.forecast.value ?? watch.forecast.last ?? null
  const pick = (part: Parameters<Checking['change']>[0]) => {
    checking.change(part)
    onAnswered()
  }
  if (question === 'cover')
    return (
      <>
        <h2 className="mt-3 mb-2 text-xl">How much of the ground is green?</h2>
        <ByEye
          large
          group={group}
          value=""
          onPick={(cover) => pick({ cover: String(cover), pictureError: '' })}
        />
        <div className="mt-2 grid grid-cols-2 gap-2">
          <button type="button" className={BIG} onClick={() => pick({ cover: '3' })}>
            hardly any
          </button>
          <button type="button" className={BIG} onClick={() => pick({ cover: '98' })}>
            all of it
          </button>
          <button type="button" className={`${BIG} col-span-2`} onClick={() => pick({ cover: '' })}>
            not judged
          </button>
        </div>
      </>
    )
  if (question === 'up')
    return (
      <>
        <h2 className="mt-3 mb-2 text-xl">Is it up?</h2>
        <div className="flex flex-col gap-2">
          <button type="button" className={BIG} onClick={() => pick({ stage: '0', cover: '0' })}>
            Nothing yet
          </button>
          <button type="button" className={BIG} onClick={() => pick({ stage: '9' })}>
            Seedlings show
          </button>
          <button type="button" className={BIG} onClick={() => pick({ stage: '21' })}>
            Past the first leaves
          </button>
        </div>
      </>
    )
  const plant = leadSpecies(view.stand)
  return (
    <>
      <h2 className="mt-3 mb-2 text-xl">Stage of the {leadName(view.stand)}?</h2>
      {guided && plant ? (
        <StageGuide
          plant={plant}
          wasCut={view.stand.cuts.some(({ cut }) => cut.actual)}
          stages={forecast?.stages ?? []}
          value=""
          onPick={(bbch) => pick({ stage: String(bbch) })}
        />
      ) : (
        <div className="flex flex-col gap-2">
          {likelyStages(forecast, group, today).map((stage) => (
            <button
              key={stage.bbch}
              type="button"
              className={BIG}
              onClick={() => pick({ stage: String(stage.bbch) })}
            >
              <StageDrawing kind={group} bbch={stage.bbch} size={66} />
              {stage.name}
            </button>
          ))}
          <button type="button" className={BIG} onClick={() => setGuided(true)}>
            Not sure: find it by looking
          </button>
          <button type="button" className={BIG} onClick={() => pick({ stage: '' })}>
            not judged
          </button>
        </div>
      )}
    </>
  )
}

function Summary({ view, checking, onBack }: { view: StandView; checking: Checking; onBack: () => void }) {
  const { draft } = checking
  const parts = [
    draft.stage === ''
      ? null
      : draft.stage === '0'
        ? 'not up yet'
        : stageName(Number(draft.stage), leadGroup(view.stand)),
    draft.cover === '' ? null : `${draft.cover} % green`,
  ].filter(Boolean)
  return (
    <div className="mt-4 flex flex-col gap-3">
      <p className="text-xl" data-testid="quick-summary">
        {parts.length > 0 ? parts.join(', ') : 'Nothing was judged.'}
      </p>
      <label className="font-semibold">
        Note
        <input
          className="input mt-1 h-12 w-full text-lg"
          value={draft.note}
          onChange={(event) => checking.change({ note: event.target.value })}
        />
      </label>
      <Doubts view={view} checking={checking} />
      <NotStored checking={checking} />
      {checking.problemOf('stage') && <p role="alert">{checking.problemOf('stage')}</p>}
      {checking.doubts.length === 0 && (
        <button type="button" className="btn btn-primary h-16 text-xl" onClick={() => void checking.save()}>
          Save
        </button>
      )}
      <button type="button" className="btn h-12" onClick={onBack}>
        Answer again
      </button>
      <Link className="btn h-12" to={`/watch/${view.stand.id}`}>
        More to note: picture, weeds, damage
      </Link>
    </div>
  )
}

function Saved({ view, watch, next }: { view: StandView; watch: ReturnType<typeof useWatch>; next: Next }) {
  return (
    <div className="mt-4 flex flex-col gap-3">
      <p className="text-xl font-semibold" role="status">
        Saved.
      </p>
      <ChangeSentence learned={watch.learned} stand={view.stand} />
      {next && (
        <Link className="btn btn-primary h-16 text-xl" to={`/check/${next.stand.id}`}>
          Next: {next.label}
        </Link>
      )}
      <Link className="btn h-12" to="/check">
        All beds
      </Link>
      <Link className="btn h-12" to={`/watch/${view.stand.id}`}>
        See the forecast
      </Link>
    </div>
  )
}
