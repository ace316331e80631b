import { useMemo } from 'react'
import type { Bed, Segment } from '../core/garden/schema'
import { toldOn, type Told } from '../text/amounts'
import { useGarden } from './garden'
import { useAppSelector } from './store'

const WHOLE: Segment = { kind: 'whole' }

/** How amounts of a bed, or of a part of it, are told: for it, or per acre or hectare, as was chosen last. */
export function useTold(bed: Bed, segment: Segment = WHOLE): Told {
  const { units } = useGarden().data.garden
  const amounts = useAppSelector((state) => state.session.amounts)
  return useMemo(
    () => (amounts === 'area' ? units : toldOn({ units, areaM2: 0 }, bed, segment)),
    [amounts, units, bed, segment],
  )
}
