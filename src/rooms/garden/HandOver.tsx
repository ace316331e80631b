import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { BASE } from '../../data/api'
import { notedExport } from '../../data/backup'
import { database } from '../../data/database'
import { firstProblem, type Outcome } from '../../core/foundations/outcome'
import { useOnce } from '../../parts/once'
import { SelectField } from '../../parts/SelectField'
import { zipped } from '../../state/exporting'
import { useGarden } from '../../state/garden'
import { late } from '../../state/late'
import { timeText } from '../../text/format'
import type { Handed } from '../../data/handover/exchange'

/** How often it is looked whether a garden was fetched, ms. */
const LOOK_AGAIN_MS = 2500

/** Ciphers and codes are fetched when a garden is first handed over. */
const exchange = () => late(import('../../data/handover/exchange'))

type Left = { handed: Handed; addresses: string[] }

async function leave(gardenId: string, withPictures: boolean): Promise<Outcome<Left>> {
  const { addresses, handOver } = await exchange()
  const reached = await addresses(location)
  if (!reached.ok) return reached
  const handed = await handOver((await zipped(gardenId, withPictures)).archive)
  return handed.ok ? { ok: true, value: { handed: handed.value, addresses: reached.value } } : handed
}

/** Hands the garden to another device of the same network through the server, which cannot read it. */
export function HandOver({ withPictures }: { withPictures: boolean }) {
  const { data } = useGarden()
  const [left, setLeft] = useState<Left | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const { run, busy } = useOnce(async () => {
    const found = await leave(data.garden.id, withPictures).catch((error: unknown) => {
      const reason = error instanceof Error ? error.message : 'unknown reason'
      return { ok: false as const, problems: [{ path: '', code: '', message: reason }] }
    })
    setProblem(found.ok ? null : firstProblem(found.problems))
    setLeft(found.ok ? found.value : null)
  })
  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-sm" disabled={busy} onClick={() => run()}>
          Hand over to another device
        </button>
        <Link className="link" to="/receive">
          Take over from another device
        </Link>
      </div>
      {problem && (
        <p role="alert" className="mt-2 max-w-2xl border-l-4 border-error pl-3">
          {problem}
        </p>
      )}
      {left && <LeftThere key={left.handed.until} {...left} onEnd={() => setLeft(null)} />}
    </div>
  )
}

const bringIntoView = (part: HTMLElement | null) => part?.scrollIntoView?.({ block: 'nearest' })

/** What the other device needs while a garden waits for it, and what became of it. */
function LeftThere({ handed, addresses, onEnd }: Left & { onEnd: () => void }) {
  const { data } = useGarden()
  const [address, setAddress] = useState(addresses[0])
  const { data: code } = useQuery({
    queryKey: ['handed over: code', handed.until, address],
    queryFn: async () => {
      const [{ codeOf }, { encode }] = await Promise.all([
        late(import('../../data/handover/sealing')),
        late(import('uqr')),
      ])
      const link = `${address}${BASE}receive`
      return {
        link,
        typed: codeOf(handed.typed),
        squares: encode(`${link}#${codeOf(handed.camera)}`, { border: 4 }).data,
      }
    },
    staleTime: Infinity,
  })
  const { data: state = 'waiting' } = useQuery({
    queryKey: ['handed over: state', handed.until],
    queryFn: async () => {
      // Where the server is away for good, the time it would have waited is over all the same.
      const now = await (
        await exchange()
      )
        .stateOf(handed)
        .catch(() => (Date.now() > handed.until ? ('gone' as const) : ('waiting' as const)))
      if (now === 'fetched') await notedExport(database, data.garden.id)
      return now
    },
    refetchInterval: ({ state: { data: seen } }) =>
      seen === undefined || seen === 'waiting' ? LOOK_AGAIN_MS : false,
  })
  const stop = () => {
    void exchange().then(({ withdraw }) => withdraw(handed))
    onEnd()
  }
  if (state !== 'waiting')
    return (
      <p role="status" className="mt-2 max-w-2xl border-l-4 border-success pl-3">
        {state === 'fetched'
          ? `${data.garden.name} was fetched. What either device changes from now on comes together when it is handed over again.`
          : `${data.garden.name} was not fetched in time. Hand it over again.`}
      </p>
    )
  if (!code) return null
  return (
    <section
      ref={bringIntoView}
      aria-label="Handing over"
      className="mt-3 max-w-2xl border-l-4 border-primary pl-3"
    >
      <p>
        Point the camera of the other device at this, in the same network. The garden waits until{' '}
        {timeText(handed.until)}, sealed: the server cannot read it.
      </p>
      <div className="mt-2 flex flex-wrap items-start gap-4">
        <Squares of={code.squares} />
        <div className="min-w-60 flex-1">
          {addresses.length > 1 && (
            <SelectField label="This machine is reached at" value={address} onChange={setAddress}>
              {addresses.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </SelectField>
          )}
          <p className="mt-1">
            Without a camera open <strong className="break-all">{code.link}</strong> there, and type
          </p>
          <p className="mt-1 font-mono text-lg tracking-wide" data-testid="typed-code">
            {code.typed}
          </p>
          <button className="btn btn-sm mt-2" onClick={stop}>
            Stop
          </button>
        </div>
      </div>
    </section>
  )
}

/** A square code for cameras; dark on light in both themes, as cameras want it. */
function Squares({ of }: { of: readonly (readonly boolean[])[] }) {
  const path = of.flatMap((row, y) => row.map((dark, x) => (dark ? `M${x} ${y}h1v1h-1z` : ''))).join('')
  return (
    <svg
      role="img"
      aria-label="Code for the camera of the other device"
      viewBox={`0 0 ${of.length} ${of.length}`}
      className="w-52 max-w-full bg-white"
      shapeRendering="crispEdges"
    >
      <path d={path} fill="#000" />
    </svg>
  )
}
