import { useEffect, useState, type ReactNode } from 'react'
import { database } from '../data/database'
import type { Finished } from '../data/pressed'
import { rescued } from '../data/opening'
import { download } from '../state/download'
import { takeBack } from '../state/garden'
import { notice } from '../state/notices'
import { useAppSelector } from '../state/store'
import type { Opened } from './opening'

function sayPutBack(gardens: number) {
  if (gardens > 0)
    notice.info(
      `This browser had lost what Kilim stored in it. ${gardens === 1 ? 'The garden was' : `All ${gardens} gardens were`} put back from the second store. Export a file now and then all the same.`,
      { duration: Infinity },
    )
}

/** How long it is said what was done: it comes unasked, and before the room is whole. */
const READ_WITHIN_MS = 30_000

/** What was pressed in the moment a page was left is done by now, or it is said why not. */
function sayFinished({ what, step, problem }: Finished) {
  if (problem !== null)
    notice.error(`“${what}” was pressed as the page was left, and was not done. ${problem}`, {
      duration: Infinity,
    })
  else
    notice.success(`Done after the page was left: ${what}`, {
      duration: READ_WITHIN_MS,
      ...(step !== null && { action: { label: 'Undo', onClick: () => void takeBack(step) } }),
    })
}

/** The page once storage is open, with what is to be said of that; or what to do where it is shut. */
export function Startup({ opened, children }: { opened: Opened; children: ReactNode }) {
  useEffect(() => {
    if (opened.kind === 'failed') return
    sayPutBack(opened.gardensPutBack)
    opened.finished.forEach(sayFinished)
  }, [opened])
  useTheme()

  if (opened.kind === 'ready') return children
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1>Kilim cannot open its storage</h1>
      <p className="mt-3" role="alert">
        {opened.message}
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
