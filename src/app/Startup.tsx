import { useEffect, useState, type ReactNode } from 'react'
import { useAnswers } from '../compute/answers'
import { firstProblem } from '../core/foundations/outcome'
import { database } from '../data/database'
import { sweepCopies } from '../data/sweepCopies'
import { sweepDone } from '../data/once'
import { sweepPictures } from '../data/pictures'
import { finishPressed, type Finished } from '../data/pressed'
import { keepTwice, openStorage, rescued } from '../data/opening'
import { refusedOr } from '../data/problems'
import { SecondStore } from '../data/secondStore'
import { download } from '../state/download'
import { takeBack } from '../state/garden'
import { late } from '../state/late'
import { notice } from '../state/notices'
import { persistSession } from '../state/keptSession'
import { useAppSelector, type Store } from '../state/store'
import { thisTab } from '../state/tab'
import { Opening } from './Opening'

/** Made before anything is written, so that all of it is kept twice. */
const kept = new SecondStore(database)

function sayPutBack(gardens: number) {
  if (gardens > 0)
    notice.info(
      `This browser had lost what Kilim stored in it. ${gardens === 1 ? 'The garden was' : `All ${gardens} gardens were`} put back from the second store. Export a file now and then all the same.`,
      { duration: Infinity },
    )
}

/** What was pressed in the moment a page was left is done by now, or it is said why not. */
function sayFinished({ what, step, problem }: Finished) {
  if (problem !== null)
    notice.error(`“${what}” was pressed as the page was left, and was not done. ${problem}`, {
      duration: Infinity,
    })
  else
    notice.success(`Done after the page was left: ${what}`, {
      ...(step !== null && { action: { label: 'Undo', onClick: () => void takeBack(step) } }),
    })
}

type State = { kind: 'opening' } | { kind: 'ready' } | { kind: 'failed'; message: string }

/** Opens storage, restores the session and, on the first visit, the demo garden; says what to do when storage is shut. */
export function Startup({ store, children }: { store: Store; children: ReactNode }) {
  const answers = useAnswers()
  const [state, setState] = useState<State>({ kind: 'opening' })
  useEffect(() => {
    async function open() {
      const [ahead, tab] = [answers.readAhead(), thisTab()]
      await openStorage(database)
      sayPutBack(await keepTwice(database, kept))
      ;(await finishPressed(database)).forEach(sayFinished)
      await persistSession(store, database, await tab)
      await ahead
      void Promise.all([sweepPictures(database), sweepCopies(database), sweepDone(database)]).catch(
        () => undefined,
      )
      if (store.getState().session.gardenId) return
      const { openDemo } = await late(import('./openDemo'))
      await openDemo('marlpit-lane', store)
    }
    database.on('blocked', () =>
      setState({
        kind: 'failed',
        message:
          'Another tab holds an older version of Kilim’s storage. Close the other Kilim tabs, then reload.',
      }),
    )
    open().then(
      () => setState({ kind: 'ready' }),
      (error: unknown) => setState({ kind: 'failed', message: firstProblem(refusedOr(error)) }),
    )
  }, [store, answers])
  useTheme()

  if (state.kind === 'ready') return children
  if (state.kind === 'opening') return <Opening />
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1>Kilim cannot open its storage</h1>
      <p className="mt-3" role="alert">
        {state.message}
      </p>
      <div className="mt-5 flex flex-wrap items-center gap-3">
        <button className="btn btn-primary" onClick={() => location.reload()}>
          Reload
        </button>
        <Rescue />
      </div>
    </main>
  )
}

/** Saves what is stored as it lies there, where the app itself cannot open it. */
function Rescue() {
  const [problem, setProblem] = useState('')
  async function save() {
    try {
      const text = await rescued(database.name)
      setProblem(text === null ? 'There is nothing stored.' : '')
      if (text !== null) download('kilim-rescue.json', 'application/json', text)
    } catch {
      setProblem('It cannot be read either.')
    }
  }
  return (
    <>
      <button className="btn" onClick={() => void save()}>
        Save what is stored
      </button>
      {problem && <span role="status">{problem}</span>}
    </>
  )
}

function useTheme() {
  const theme = useAppSelector((store) => store.session.theme)
  useEffect(() => {
    const dark = matchMedia('(prefers-color-scheme: dark)')
    const apply = () => {
      document.documentElement.dataset.theme =
        theme === 'outdoors'
          ? 'noon'
          : theme === 'dark' || (theme === 'system' && dark.matches)
            ? 'gall'
            : 'wool'
    }
    apply()
    dark.addEventListener('change', apply)
    return () => dark.removeEventListener('change', apply)
  }, [theme])
}
