import { useEffect, useState, type ReactNode } from 'react'
import { useAnswers } from '../compute/answers'
import { firstProblem } from '../core/foundations/outcome'
import { database } from '../data/database'
import { sweepCopies } from '../data/sweepCopies'
import { sweepPictures } from '../data/pictures'
import { storageProblem } from '../data/problems'
import { late } from '../state/late'
import { persistSession } from '../state/keptSession'
import { useAppSelector, type Store } from '../state/store'
import { Opening } from './Opening'

type State = { kind: 'opening' } | { kind: 'ready' } | { kind: 'failed'; message: string }

/** Opens storage, restores the session and, on the first visit, the demo garden; says what to do when storage is shut. */
export function Startup({ store, children }: { store: Store; children: ReactNode }) {
  const answers = useAnswers()
  const [state, setState] = useState<State>({ kind: 'opening' })
  useEffect(() => {
    async function open() {
      const ahead = answers.readAhead()
      await database.open()
      await persistSession(store, database)
      await ahead
      void Promise.all([sweepPictures(database), sweepCopies(database)]).catch(() => undefined)
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
      (error: unknown) => setState({ kind: 'failed', message: firstProblem([storageProblem(error)]) }),
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
      <button className="btn btn-primary mt-5" onClick={() => location.reload()}>
        Reload
      </button>
    </main>
  )
}

function useTheme() {
  const theme = useAppSelector((store) => store.session.theme)
  useEffect(() => {
    const dark = matchMedia('(prefers-color-scheme: dark)')
    const apply = () => {
      document.documentElement.dataset.theme =
        theme === 'dark' || (theme === 'system' && dark.matches) ? 'gall' : 'wool'
    }
    apply()
    dark.addEventListener('change', apply)
    return () => dark.removeEventListener('change', apply)
  }, [theme])
}
