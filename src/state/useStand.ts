import { useMemo } from 'react'
import { findCrop } from '../core/plants/crops'
import { dayNumber } from '../core/foundations/day'
import type { Bed, Stand } from '../core/garden/schema'
import { latest } from '../core/garden/timeline'
import type { StandCase } from '../core/season/cases'
import { useGarden } from './garden'
import { nextStand } from '../core/season/followers'
import { standCaseOf } from '../core/season/standCase'

export type StandView = {
  stand: Stand
  bed: Bed
  /** What its forecast is computed from: overdue plans count as today. */
  standCase: StandCase
  /** What follows in the ground: the crop, when, and how it is established. */
  next: { stand: Stand; plantingDay: number; establishment: 'transplant' | 'seed'; name: string } | null
}

/** A stand with its bed and what follows it; null when the id leads nowhere. */
export function useStand(standId: string | undefined): StandView | null {
  const { data, expected } = useGarden()
  return useMemo(() => {
    const stand = data.stands.find((item) => item.id === standId)
    const awaited = expected.stands.find((item) => item.id === standId)
    const standCase = awaited && standCaseOf(expected, awaited)
    if (!stand || !standCase) return null
    const following = awaited && nextStand(expected, awaited)
    const start = following && latest(following.start)
    const next =
      following && start
        ? {
            stand: data.stands.find((item) => item.id === following.id) ?? following,
            plantingDay: dayNumber(start.date),
            establishment:
              following.content.kind === 'crop' ? following.content.establishment : ('seed' as const),
            name:
              following.content.kind === 'crop'
                ? (findCrop(following.content.cropId)?.name ?? following.content.cropId)
                : 'the next cover',
          }
        : null
    return { stand, bed: standCase.bed, standCase, next }
  }, [data, expected, standId])
}
