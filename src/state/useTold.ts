import { useMemo } from 'react'
import { segmentAreaM2 } from '../core/garden/area'
import type { Bed, Segment } from '../core/garden/schema'
import type { Told } from '../text/amounts'
import { useGarden } from './garden'
import { useAppSelector } from './store'

const WHOLE: Segment = { kind: 'whole' }

/** How amounts of a bed, or of a part of it, are told: for it, or per acre or hectare, as was chosen last. */
export function useTold(bed: Bed, segment: Segment = WHOLE): Told {
  const { units } = useGarden().data.garden
  const amounts = useAppSelector((state) => state.session.amounts)
  const areaM2 = segmentAreaM2(bed, segment)
  return useMemo(() => (amounts === 'area' ? units : { units, areaM2 }), [amounts, units, areaM2])
}
