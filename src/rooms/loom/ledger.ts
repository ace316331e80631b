import { dayNumber } from '../../core/foundations/day'
import type { EndMethodId } from '../../core/garden/ending'
import type { Stand } from '../../core/garden/schema'
import { bedSpans, isSelfSown, nextCut } from '../../core/garden/timeline'
import { findMethod } from '../../core/termination/methods'
import type { Loom } from './useLoom'
import { standWords } from './labels'

/** Shortest gap that some cover still fills, weeks. */
const FILLABLE_WEEKS = 4

export type Ledger = {
  covered: number
  beds: number
  bareWeeks: number
  fillableWeeks: number
  /** Bare weeks that covers sown under what stands would fill. */
  underCrops: number
  next: { text: string; day: number } | null
}

/** Bare bed-weeks ahead, beds covered today, and the next thing that is due. */
export function ledgerOf(loom: Loom): Ledger {
  const { today } = loom
  let bareWeeks = 0
  let fillableWeeks = 0
  for (const { windows } of loom.beds)
    for (const window of windows) {
      const weeks = (window.neededByDay - Math.max(today, window.freeFromDay)) / 7
      if (weeks <= 0) continue
      bareWeeks += weeks
      if (weeks >= FILLABLE_WEEKS) fillableWeeks += weeks
    }
  const covered = loom.beds.filter(
    ({ windows }) => !windows.some((window) => window.freeFromDay <= today && window.neededByDay > today),
  ).length
  return {
    covered,
    beds: loom.beds.length,
    bareWeeks: Math.round(bareWeeks),
    fillableWeeks: Math.round(fillableWeeks),
    underCrops: loom.beds.reduce(
      (sum, { lights }) => sum + lights.reduce((weeks, light) => weeks + light.recoveredWeeks, 0),
      0,
    ),
    next: nextDue(loom),
  }
}

const VERBS = {
  chop: 'chop',
  crimp: 'crimp',
  tarp: 'tarp',
  'winter-kill': 'look at',
  harvest: 'clear',
  'crimp-tarp': 'crimp and cover',
  'crimp-flame': 'crimp and flame',
  flame: 'flame',
  'clear-sheet': 'lay film over',
  'chop-cardboard': 'chop and cover',
  bury: 'chop and bury',
  'flip-cover': 'chop and flip',
  'soil-tarp': 'mow and cover',
  turn: 'turn under',
  biofumigate: 'chop and bury',
  strips: 'chop the first strip of',
  'summer-kill': 'look at',
  hens: 'put hens on',
  pigs: 'put pigs on',
  graze: 'graze',
  pull: 'pull',
} as const satisfies Record<EndMethodId, string>

const startVerb = (stand: Stand) =>
  stand.content.kind === 'sheet'
    ? 'lay'
    : stand.content.kind === 'crop'
      ? 'plant'
      : isSelfSown(stand)
        ? 'look for self-sown'
        : 'sow'

function nextDue(loom: Loom): Ledger['next'] {
  const due = loom.beds.flatMap(({ bed, stands }) =>
    bedSpans(
      stands.map((item) => item.stand),
      bed.id,
    ).flatMap(({ stand }) => {
      const words = standWords(stand).join(' + ')
      const start = stand.start.actual
        ? []
        : stand.start.plan
          ? [
              {
                day: dayNumber(stand.start.plan.date),
                text: `${startVerb(stand)} ${words} in ${bed.label}`,
              },
            ]
          : []
      const plan = stand.end.actual ? null : stand.end.plan
      const end =
        plan && stand.start.actual && !findMethod(plan.method)?.waits
          ? [
              {
                day: dayNumber(plan.date),
                text: `${stand.content.kind === 'sheet' ? 'take off' : VERBS[plan.method]} ${words} in ${bed.label}`,
              },
            ]
          : []
      const mown = stand.end.actual ? null : nextCut(stand)
      const cut =
        mown && stand.start.actual
          ? [
              {
                day: dayNumber(mown.date),
                text: `${mown.fate === 'grazed' ? 'graze' : 'mow'} ${words} in ${bed.label}`,
              },
            ]
          : []
      return [...start, ...cut, ...end]
    }),
  )
  return due.sort((a, b) => a.day - b.day)[0] ?? null
}
