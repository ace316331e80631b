import { useMemo, useState } from 'react'
import type { OwnAnswer } from '../../core/choosing/own'
import type { ChooseQuestion, MixComponent, Rejection } from '../../core/choosing/types'
import type { WeatherSpec } from '../../core/season/weatherSpec'
import { useAnswer } from '../../compute/useAnswer'
import { useSettled } from '../../state/useSettled'

/** The cover left out that came nearest to fitting. */
const nearest = (rejections: readonly Rejection[]) =>
  rejections.reduce<Rejection | null>((a, b) => (a && a.closeness >= b.closeness ? a : b), null)

/**
 * The grower's own mix in the same window, grown as it is put together, before and while the covers are ranked. Where
 * nothing fits, it begins with what came nearest.
 */
export function useOwnMix(
  args: [WeatherSpec, ChooseQuestion] | null,
  nothingFits: readonly Rejection[] | null,
) {
  const [chosen, setComponents] = useState<MixComponent[] | null>(null)
  const near = nothingFits && nearest(nothingFits)
  const components = useMemo(() => chosen ?? near?.components ?? [], [chosen, near])
  const settled = useSettled(components)
  const job = useMemo(
    () =>
      args && settled.length > 0
        ? ([...args, settled] as [WeatherSpec, ChooseQuestion, MixComponent[]])
        : null,
    [args, settled],
  )
  const answer = useAnswer('ownMix', job, 'own mix')
  const current = settled === components ? answer.value : undefined
  return {
    components,
    setComponents,
    near: chosen === null ? near : null,
    answer,
    /** What is known of the mix as it stands; null while it is grown anew. */
    current: components.length > 0 ? (current ?? null) : null,
    /** The last answer while a changed mix is grown. */
    shown: components.length > 0 ? ((current ?? answer.last ?? null) as OwnAnswer | null) : null,
  }
}
