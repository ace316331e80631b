import { ProblemLine } from '../../parts/ProblemLine'
import { leadGroup } from '../../text/names'
import type { StandView } from '../../state/useStand'
import { useTold } from '../../state/useTold'
import type { Checking } from './useChecking'
import { doubtText } from './words'

/** Asks about a check that does not fit, before it is taken into the forecast. */
export function Doubts({ view, checking }: { view: StandView; checking: Checking }) {
  const told = useTold(view.bed, view.stand.segment)
  if (checking.doubts.length === 0) return null
  return (
    <div role="alert" className="border-l-4 border-accent py-1 pl-3" data-testid="doubts">
      <p className="font-semibold">This does not fit. Is it the right bed and plant?</p>
      <ul className="mt-1">
        {checking.doubts.map((doubt) => (
          <li key={doubt.kind}>{doubtText(doubt, leadGroup(view.stand), told)}</li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn btn-primary" onClick={() => void checking.save('as seen')}>
          It is as I saw it
        </button>
        <button type="button" className="btn" onClick={() => void checking.save('set aside')}>
          Keep it as a note only
        </button>
        <button type="button" className="btn btn-ghost" onClick={checking.forgetDoubts}>
          Correct it
        </button>
      </div>
    </div>
  )
}

/** What could not be stored, and the way on without pictures. */
export function NotStored({ checking }: { checking: Checking }) {
  if (!checking.storageProblem) return <ProblemLine text={checking.otherProblem} />
  return (
    <div role="alert" className="border-l-4 border-error py-1 pl-3">
      <p className="font-semibold text-error">{checking.storageProblem} What you filled in is still here.</p>
      {checking.pictures.length > 0 && (
        <button type="button" className="btn mt-2" onClick={() => void checking.saveWithoutPictures()}>
          Save without the pictures
        </button>
      )}
    </div>
  )
}
