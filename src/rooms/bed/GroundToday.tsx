import { useMemo } from 'react'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Bed } from '../../core/garden/schema'
import { beforeOn } from '../../core/season/standCase'
import { mulchDepthM } from '../../core/residue/mulch'
import { centimetres, grams, type Units } from '../../text/format'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'

/** Mulch that is worth naming, g m⁻². */
const NAMED_MULCH_G = 40

const WETNESS = [
  { from: 0.85, word: 'wet' },
  { from: 0.5, word: 'moist' },
  { from: 0.25, word: 'drying out' },
  { from: 0, word: 'dry' },
] as const

const spoken = (low: number, high: number, units: Units) =>
  grams(low, units) === grams(high, units) ? grams(low, units) : `${grams(low, units)}–${grams(high, units)}`

/** What the ground of a bed holds today, from what stood on it; nothing where that is not known. */
export function GroundToday({
  bed,
  units,
  grown,
}: {
  bed: Bed
  units: Units
  /** Whether something grows there, whose mulch is told with it. */
  grown: boolean
}) {
  const { data, spec, today } = useGarden()
  const before = useMemo(() => beforeOn(data, bed, { kind: 'whole' }, today, null), [data, bed, today])
  const { value } = useAnswer('ground', before.length > 0 ? [spec, before, bed, today] : null)
  if (!value) return null
  const areaM2 = segmentAreaM2(bed, { kind: 'whole' })
  const { mineralG, mulchG, waterShare } = value
  const wetness = WETNESS.find(({ from }) => waterShare.p50 >= from)?.word ?? 'dry'
  return (
    <div className="mt-1">
      In the ground today: {spoken(mineralG.p10 * areaM2, mineralG.p90 * areaM2, units)} of nitrogen that
      roots can take
      {!grown &&
        mulchG.p50 >= NAMED_MULCH_G &&
        `, ${centimetres(mulchDepthM(mulchG.p50), units)} of mulch on it`}
      , {wetness} to the depth of roots.{' '}
      <Why>
        Followed day by day through what stood here in the past year, its crops watered and fed as usual and
        the rain washing nitrogen out. The next cover begins on it. Crops are taken to leave about half of the
        usual nitrogen unused, and a fifth of theirs in roots and leaves.
      </Why>
    </div>
  )
}
