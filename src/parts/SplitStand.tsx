import { useState } from 'react'
import { useNavigate } from 'react-router'
import { splitStand } from '../actions/splitStand'
import { firstProblem } from '../core/foundations/outcome'
import { segmentAreaM2 } from '../core/garden/area'
import { stretchOf } from '../core/garden/ground'
import { splitSegment } from '../core/garden/splitSegment'
import type { Bed, Stand } from '../core/garden/schema'
import { useAct, useGarden } from '../state/garden'
import { area } from '../text/format'
import { segmentText } from '../text/bed'
import { Fold } from './Fold'
import { ProblemLine } from './ProblemLine'
import { single } from './once'

/** Places along a bed that the handle stops at. */
const STOPS = 24

/** Parts what grows in a bed, so that its parts can be ended by different ways or on different days. */
export function SplitStand({ stand, bed }: { stand: Stand; bed: Bed }) {
  const stretch = stretchOf(stand.segment, bed.lengthM)
  if (!stretch || stand.end.actual || stand.content.kind !== 'cover') return null
  return (
    <Fold title="Treat its parts apart" testid="part-bed">
      {() => <Parting stand={stand} bed={bed} stretch={stretch} />}
    </Fold>
  )
}

function Parting({
  stand,
  bed,
  stretch: [fromM, toM],
}: {
  stand: Stand
  bed: Bed
  stretch: [number, number]
}) {
  const { data } = useGarden()
  const { units } = data.garden
  const act = useAct()
  const navigate = useNavigate()
  const [share, setShare] = useState(0.5)
  const [problem, setProblem] = useState<string | null>(null)
  // To the decimetre, so that a part has a length that can be paced out; its middle stays its middle.
  const atM = share === 0.5 ? (fromM + toM) / 2 : Math.round((fromM + share * (toM - fromM)) * 10) / 10
  const parted = splitSegment(bed, stand.segment, atM)
  async function part() {
    const step = splitStand(data, stand, bed, atM)
    if (!step.ok) return setProblem(firstProblem(step.problems))
    if (await act(step.value)) void navigate(`/bed/${bed.id}`)
  }
  return (
    <div className="max-w-2xl">
      <p>
        One half crimped and the other cut, or strips on different days: either part gets its own plan, its
        own counts, and the two are held against each other. Seed, cuttings and looks so far go with both.
      </p>
      <div className="mt-2 flex h-14 border border-base-content" aria-hidden="true">
        <span className="bg-base-300" style={{ width: `${share * 100}%` }} />
        <span className="grow border-l-2 border-base-content bg-base-200" />
      </div>
      <label className="mt-1 block text-sm font-semibold">
        Where it is parted
        <input
          type="range"
          className="range range-primary range-sm mt-1 block w-full"
          min={1}
          max={STOPS - 1}
          value={Math.round(share * STOPS)}
          aria-valuetext={
            parted.ok ? parted.value.map((part) => segmentText(part, units)).join(' and ') : undefined
          }
          onChange={(event) => setShare(Number(event.target.value) / STOPS)}
        />
      </label>
      {parted.ok ? (
        <p className="mt-1">
          {parted.value
            .map((part) => `${segmentText(part, units)}, ${area(segmentAreaM2(bed, part), units)}`)
            .join('; ')}
          .
        </p>
      ) : (
        <ProblemLine text={firstProblem(parted.problems)} />
      )}
      <ProblemLine text={problem} />
      <button className="btn mt-2" disabled={!parted.ok} onClick={single(part)}>
        Part it
      </button>
    </div>
  )
}
