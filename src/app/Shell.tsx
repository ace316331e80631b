import { CloudSun, Keyboard, Menu, Redo2, Search, SunMoon, Undo2 } from 'lucide-react'
import { lazy, Suspense, useEffect, useRef, useState, type ReactNode } from 'react'
import { Link, Outlet, useLocation, useMatch, useNavigationType } from 'react-router'
import { GardenProvider, useGarden, useUndo } from '../state/garden'
import { late } from '../state/late'
import { themeChosen } from '../state/session'
import { useAppDispatch, useAppSelector } from '../state/store'
import { Dialog } from '../parts/Dialog'
import { Notices } from '../parts/Notices'
import { BackupLine } from './BackupLine'
import { DemoClock } from './DemoClock'
import { NoGarden } from './NoGarden'
import { Opening } from './Opening'
import { PlaceLine } from './PlaceLine'
import { placeOf, PLACES, type PlaceName } from './places'
import { FirstUse } from './FirstUse'
import { usePointed } from './pointed'
import { Shortcuts } from './Shortcuts'
import { TouchToAsk } from './TouchToAsk'
import { WeatherLine } from './WeatherLine'

const Palette = lazy(() => late(import('./Palette')).then(({ Palette }) => ({ default: Palette })))

/** Said of what was touched and has no explanation. */
const NOTHING_WRITTEN =
  'There is no explanation of this yet. Tables, pictures and chances have an explanation.'

/** What is opened over the room. */
type Over = 'help' | 'palette' | 'more' | 'touch' | null

/** A room that is gone to opens at its top; going back, the browser knows where one was. */
function useTopOfRoom() {
  const { pathname, hash } = useLocation()
  const how = useNavigationType()
  // Only another room counts, not what is asked in it.
  const before = useRef(pathname)
  useEffect(() => {
    if (before.current === pathname) return
    before.current = pathname
    if (how === 'PUSH' && hash === '') document.documentElement.scrollTop = 0
  }, [pathname, hash, how])
}

export function Shell() {
  // The pacer and the check of a bed have the whole screen to themselves.
  const pacing = useMatch('/sow/:standId/pacer') !== null
  const checking = useMatch('/check/:standId') !== null
  const alone = pacing || checking
  const place = placeOf(useLocation().pathname)
  useTopOfRoom()
  const [over, setOver] = useState<Over>(null)
  const pointed = usePointed()
  const [thing, setThing] = useState<string | null>(null)
  useKeys((next) => {
    if (next === 'help') setThing(pointed())
    setOver(next)
  })
  return (
    <>
      <GardenProvider fallback={(state) => (state === 'loading' ? <Opening /> : <NoGarden />)}>
        <a
          href="#room"
          className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-base-100 focus:p-2"
        >
          Skip to the room
        </a>
        {!alone && (
          <Header
            place={place}
            onOver={(next) => {
              setThing(null)
              setOver(next)
            }}
          />
        )}
        <div className="selvedge mx-4 mt-1" aria-hidden="true" />
        {!alone && <PlaceLine />}
        {!alone && <BackupLine />}
        <main id="room" className={`px-4 pb-3 ${alone ? '' : 'mb-16 lg:mb-0'}`}>
          {!alone && <FirstUse />}
          <Outlet />
        </main>
        {!alone && <ThumbBar place={place} onMore={() => setOver('more')} />}
        <More open={over === 'more'} onOver={setOver} />
        {over === 'touch' && (
          <TouchToAsk
            onAsk={(asked) => {
              setThing(asked ?? NOTHING_WRITTEN)
              setOver('help')
            }}
          />
        )}
        <Suspense>{over === 'palette' && <Palette onClose={() => setOver(null)} />}</Suspense>
        <Shortcuts open={over === 'help'} thing={thing} onClose={() => setOver(null)} />
      </GardenProvider>
      <Notices />
    </>
  )
}

/** Keys that work in every room: undo, what to look for, the list of keys. */
function useKeys(onOver: (over: Over) => void) {
  const undo = useUndo()
  const latest = useRef(onOver)
  useEffect(() => {
    latest.current = onOver
  })
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      const modified = event.ctrlKey || event.metaKey
      if (modified && event.key.toLowerCase() === 'k') {
        event.preventDefault()
        return latest.current('palette')
      }
      if ((event.target as HTMLElement).closest('input, textarea, select, [contenteditable]')) return
      if (modified && event.key.toLowerCase() === 'z') {
        event.preventDefault()
        void undo(event.shiftKey ? 'redo' : 'undo')
      } else if (event.key === '?') latest.current('help')
      else if (event.key === '/') {
        event.preventDefault()
        latest.current('palette')
      }
    }
    document.addEventListener('keydown', onKey)
    return () => document.removeEventListener('keydown', onKey)
  }, [undo])
}

/** One line: the places on a desk; on a phone only where one is, and undo. */
function Header({ place, onOver }: { place: PlaceName | null; onOver: (over: Over) => void }) {
  const { name } = useGarden().data.garden
  const undo = useUndo()
  return (
    <header className="no-print flex items-center gap-x-4 px-4 pt-1.5 lg:pt-2">
      <Link to="/" className="font-display text-xl font-bold tracking-tight" aria-label="Kilim, to the loom">
        Kilim
      </Link>
      <span className="quiet truncate lg:hidden">{name}</span>
      <nav aria-label="Places" className="hidden gap-x-1 lg:flex">
        {PLACES.map(({ path, name: placeName }) => (
          <Link
            key={path}
            to={path}
            aria-current={place === placeName ? 'page' : undefined}
            className={`px-2 py-1 ${place === placeName ? 'border-b-2 border-secondary font-semibold' : 'hover:underline'}`}
          >
            {placeName}
          </Link>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-2">
        <span className="hidden items-center gap-x-4 lg:flex">
          <span className="hidden xl:inline">
            <WeatherLine />
          </span>
          <DemoClock />
        </span>
        <div className="flex gap-1">
          <IconButton
            label="Look for a bed, a cover, or what to do"
            keys="/"
            onPress={() => onOver('palette')}
          >
            <Search size={17} aria-hidden="true" />
          </IconButton>
          <IconButton label="Undo" keys="Ctrl+Z" onPress={() => void undo('undo')}>
            <Undo2 size={17} aria-hidden="true" />
          </IconButton>
          <span className="hidden gap-1 lg:flex">
            <IconButton label="Redo" keys="Ctrl+Shift+Z" onPress={() => void undo('redo')}>
              <Redo2 size={17} aria-hidden="true" />
            </IconButton>
            <ThemeButton />
            <IconButton label="Keyboard shortcuts" keys="?" onPress={() => onOver('help')}>
              <Keyboard size={17} aria-hidden="true" />
            </IconButton>
          </span>
        </div>
      </div>
    </header>
  )
}

function IconButton({
  label,
  keys,
  onPress,
  children,
}: {
  label: string
  keys?: string
  onPress: () => void
  children: ReactNode
}) {
  return (
    <button
      className="btn btn-ghost btn-square h-11 min-h-11 w-11 lg:h-8 lg:min-h-8 lg:w-8"
      aria-label={label}
      title={keys ? `${label} (${keys})` : label}
      onClick={onPress}
    >
      {children}
    </button>
  )
}

const NEXT_THEME = { system: 'light', light: 'dark', dark: 'outdoors', outdoors: 'system' } as const

function ThemeButton() {
  const theme = useAppSelector((state) => state.session.theme)
  const dispatch = useAppDispatch()
  return (
    <IconButton label={`Theme: ${theme}. Change`} onPress={() => dispatch(themeChosen(NEXT_THEME[theme]))}>
      <SunMoon size={17} aria-hidden="true" />
    </IconButton>
  )
}

/** On a phone, at the thumb: what one walks with. */
const AT_THUMB = [
  ['/rounds', 'Rounds', 'Rounds'],
  ['/', 'Loom', 'Loom'],
  ['/check', 'Check', null],
  ['/beds', 'Beds', 'Beds'],
] as const

function ThumbBar({ place, onMore }: { place: PlaceName | null; onMore: () => void }) {
  const { pathname } = useLocation()
  const checks = pathname.startsWith('/check')
  const here = (path: string, of: PlaceName | null) =>
    of === null ? checks : !checks && place === of && path !== '/check'
  return (
    <nav
      aria-label="At the thumb"
      className="no-print fixed inset-x-0 bottom-0 z-40 flex border-t border-base-300 bg-base-100 lg:hidden"
    >
      {AT_THUMB.map(([path, name, of]) => (
        <Link
          key={path}
          to={path}
          aria-current={here(path, of) ? 'page' : undefined}
          className={`flex h-14 flex-1 items-center justify-center ${here(path, of) ? 'border-t-3 border-secondary font-semibold' : ''}`}
        >
          {name}
        </Link>
      ))}
      <button className="flex h-14 flex-1 items-center justify-center gap-1" onClick={onMore}>
        <Menu size={16} aria-hidden="true" /> More
      </button>
    </nav>
  )
}

/** What has no place at the thumb. */
function More({ open, onOver }: { open: boolean; onOver: (over: Over) => void }) {
  const undo = useUndo()
  const close = () => onOver(null)
  return (
    <Dialog open={open} onClose={close} title="More">
      <ul className="mt-2 grid grid-cols-2 gap-2">
        {[...PLACES.slice(3), { path: '/weather', name: 'Weather' }].map(({ path, name }) => (
          <li key={path}>
            <Link className="btn h-12 w-full" to={path} onClick={close}>
              {name === 'Weather' && <CloudSun size={17} aria-hidden="true" />}
              {name}
            </Link>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <DemoClock />
        <ThemeButton />
        <IconButton label="Redo" onPress={() => void undo('redo')}>
          <Redo2 size={17} aria-hidden="true" />
        </IconButton>
        <button className="btn h-12" onClick={() => onOver('touch')}>
          What is this?
        </button>
      </div>
    </Dialog>
  )
}
