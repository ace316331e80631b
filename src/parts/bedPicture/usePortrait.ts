import { useMemo } from 'react'
import type { StandCase } from '../../core/season/cases'
import { asItStands } from '../../core/season/standCase'
import type { WeatherSpec } from '../../core/season/weatherSpec'
import { useAnswer } from '../../compute/useAnswer'
import { useGarden } from '../../state/garden'
import { useSettled } from '../../state/useSettled'

/**
 * How a stand looks on every day, what is to be done today and is not yet from tomorrow on; while a change to it is worked out, the last one stands. `name` keeps them apart, `under`
 * is another weather than the garden's own.
 */
export function usePortrait(standCase: StandCase | null, name: string, under?: WeatherSpec) {
  const garden = useGarden()
  const spec = under ?? garden.spec
  const settled = useSettled(
    useMemo(() => standCase && asItStands(standCase, spec.today), [standCase, spec.today]),
  )
  const args = useMemo(
    (): Parameters<typeof useAnswer<'portrait'>>[1] => (settled ? [spec, settled] : null),
    [spec, settled],
  )
  const answer = useAnswer('portrait', args, name)
  const portrait = answer.value ?? answer.last ?? null
  return { answer, portrait, stand: settled?.stand ?? null }
}

export type PortraitView = ReturnType<typeof usePortrait>
