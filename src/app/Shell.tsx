import { Keyboard, Redo2, SunMoon, Undo2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link, NavLink, Outlet, useMatch } from 'react-router'
import { GardenProvider, useUndo } from '../state/garden'
import { themeChosen } from '../state/session'
import { useAppDispatch, useAppSelector } from '../state/store'
import { BackupLine } from './BackupLine'
import { DemoClock } from './DemoClock'
import { NoGarden } from './NoGarden'
import { Opening } from './Opening'
import { Notices } from '../parts/Notices'
import { Shortcuts } from './Shortcuts'

const ROOMS = [
  ['/', 'Loom'],
  ['/rounds', 'Rounds'],
  ['/choose', 'Choose'],
  ['/sow', 'Sow'],
  ['/check', 'Check'],
  ['/watch', 'Watch'],
  ['/end', 'End'],
  ['/plant', 'Plant'],
  ['/seed', 'Seed'],
  ['/plants', 'Plants'],
  ['/weather', 'Weather'],
  ['/garden', 'Garden'],
] as const

export function Shell() {
  // The pacer and the check of a bed have the whole screen to themselves.
  const pacing = useMatch('/sow/:standId/pacer') !== null
  const checking = useMatch('/check/:standId') !== null
  const alone = pacing || checking
  return (
    <>
      <GardenProvider fallback={(state) => (state === 'loading' ? <Opening /> : <NoGarden />)}>
        <a
          href="#room"
          className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-base-100 focus:p-2"
        >
          Skip to the room
        </a>
        <header
          className={`no-print ${alone ? 'hidden' : 'flex'} flex-wrap items-center gap-x-4 gap-y-1 px-4 pt-2`}
        >
          <Link
            to="/"
            className="font-display text-xl font-bold tracking-tight"
            aria-label="Kilim, to the loom"
          >
            Kilim
          </Link>
          <nav aria-label="Rooms" className="flex max-w-full gap-x-1 overflow-x-auto">
            {ROOMS.map(([path, name]) => (
              <NavLink
                key={path}
                to={path}
                end={path === '/'}
                className={({ isActive }) =>
                  `px-1.5 py-1 text-[0.92rem] ${isActive ? 'border-b-2 border-secondary font-semibold' : 'hover:underline'}`
                }
              >
                {name}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex flex-wrap items-center gap-2">
            <DemoClock />
            <Tools />
          </div>
        </header>
        <div className="selvedge mx-4 mt-1" aria-hidden="true" />
        {!alone && <BackupLine />}
        <main id="room" className="px-4 pb-3">
          <Outlet />
        </main>
      </GardenProvider>
      <Notices />
    </>
  )
}

const NEXT_THEME = { system: 'light', light: 'dark', dark: 'system' } as const

function Tools() {
  const theme = useAppSelector((state) => state.session.theme)
  const dispatch = useAppDispatch()
  const undo = useUndo()
  const [helpOpen, setHelpOpen] = useState(false)

  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      const target = event.target as HTMLElement
      if (target.closest('input, textarea, select, [contenteditable]')) return
      const modified = event.ctrlKey || event.metaKey
      if (modified && event.key.toLowerCase() === 'z') {
        event.preventDefault()
        void undo(event.shiftKey ? 'redo' : 'undo')
      } else if (event.key === '?') setHelpOpen(true)
    }
    document.addEventListener('keydown', onKey)
    return () => document.removeEventListener('keydown', onKey)
  }, [undo])

  return (
    <div className="flex gap-1">
      <button
        className="btn btn-ghost btn-sm btn-square"
        aria-label="Undo"
        title="Undo (Ctrl+Z)"
        onClick={() => void undo('undo')}
      >
        <Undo2 size={17} aria-hidden="true" />
      </button>
      <button
        className="btn btn-ghost btn-sm btn-square"
        aria-label="Redo"
        title="Redo (Ctrl+Shift+Z)"
        onClick={() => void undo('redo')}
      >
        <Redo2 size={17} aria-hidden="true" />
      </button>
      <button
        className="btn btn-ghost btn-sm btn-square"
        aria-label={`Theme: ${theme}. Change`}
        title={`Theme: ${theme}`}
        onClick={() => dispatch(themeChosen(NEXT_THEME[theme]))}
      >
        <SunMoon size={17} aria-hidden="true" />
      </button>
      <button
        className="btn btn-ghost btn-sm btn-square"
        aria-label="Keyboard shortcuts"
        title="Shortcuts (?)"
        onClick={() => setHelpOpen(true)}
      >
        <Keyboard size={17} aria-hidden="true" />
      </button>
      <Shortcuts open={helpOpen} onClose={() => setHelpOpen(false)} />
    </div>
  )
}
