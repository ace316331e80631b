import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { splitStand } from '../actions/splitStand'
import { firstProblem } from '../core/foundations/outcome'
import { segmentAreaM2 } from '../core/garden/area'
import type { Rectangle } from '../core/garden/bed'
import { rectangleOf } from '../core/garden/ground'
import { splitSegment } from '../core/garden/splitSegment'
import type { Bed, Stand } from '../core/garden/schema'
import { useAct, useGarden } from '../state/garden'
import { area } from '../text/format'
import { segmentText } from '../text/bed'
import { writeQuantity } from '../text/quantity'
import { useTyped } from './form/useTyped'
import { Fold } from './Fold'
import { rectangleForm, rectangleTyped } from './ground/groundForm'
import { PieceFields } from './ground/GroundFields'
import { ProblemLine } from './ProblemLine'
import { single } from './once'

/** Parts what grows in a bed, so that its parts can be ended by different ways or on different days. */
export function SplitStand({ stand, bed }: { stand: Stand; bed: Bed }) {
  const ground = rectangleOf(stand.segment, bed)
  if (!ground || stand.end.actual || stand.content.kind !== 'cover') return null
  return (
    <Fold title="Treat its parts apart" testid="part-bed">
      {() => <Parting stand={stand} bed={bed} ground={ground} />}
    </Fold>
  )
}

function Parting({ stand, bed, ground }: { stand: Stand; bed: Bed; ground: Rectangle }) {
  const { data, today } = useGarden()
  const { units } = data.garden
  const act = useAct()
  const navigate = useNavigate()
  const [problem, setProblem] = useState<string | null>(null)
  const write = (m: number) => writeQuantity(m, 'length', units)
  const form = useTyped({
    schema: useMemo(() => rectangleForm(units), [units]),
    live: true,
    blank: {
      fromM: write(ground.fromM),
      toM: write((ground.fromM + ground.toM) / 2),
      fromAcrossM: write(ground.fromAcrossM),
      toAcrossM: write(ground.toAcrossM),
    },
  })
  const piece = rectangleTyped(form.text, bed, units)
  const parted = piece && splitSegment(bed, stand.segment, piece)
  async function part() {
    if (!piece) return
    const step = splitStand(data, stand, bed, piece)
    if (!step.ok) return setProblem(firstProblem(step.problems))
    if (await act(step.value)) void navigate(`/bed/${bed.id}`)
  }
  return (
    <div className="max-w-3xl">
      <p className="mb-2">
        One half crimped and the other cut, strips on different days, a corner left to flower: draw a piece,
        and it and what is left get their own plans and counts, and are compared. Seed, cuttings and looks so
        far go with each.
      </p>
      <PieceFields bed={bed} form={form} day={today} />
      {parted?.ok && (
        <p className="mt-1">
          {parted.value
            .map((part) => `${segmentText(part, units, bed)}, ${area(segmentAreaM2(bed, part), units)}`)
            .join('; ')}
          .
        </p>
      )}
      {parted && !parted.ok && <ProblemLine text={firstProblem(parted.problems)} />}
      {!piece && form.value && <ProblemLine text="The piece must lie on the bed and end after it starts." />}
      <ProblemLine text={problem} />
      <button className="btn mt-2" disabled={!parted?.ok} onClick={single(part)}>
        Part it
      </button>
    </div>
  )
}
