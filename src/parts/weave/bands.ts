import { findMethod } from '../../core/termination/methods'
import { dayNumber } from '../../core/foundations/day'
import type { Quantiles } from '../../core/foundations/statistics'
import type { Stand } from '../../core/garden/schema'
import { latest, spanOf } from '../../core/garden/timeline'
import { groupsOf } from '../../core/plants/catalogue'
import { residueCover } from '../../core/residue/pools'
import { bandOn, type StandForecast } from '../../core/season/standForecast'
import type { Band } from './cloth'
import { WHOLE_CLOTH, type Across } from './standsOnCloth'

/** A planned harvest comes some days early or late (judgement). */
const HARVEST_SPREAD_DAYS = { early: 4, late: 9 }

const sharp = (day: number): Quantiles => ({ p10: day, p50: day, p90: day })

/** What a stand looks like on the cloth. `nextStart` is when the ground is taken over, or the loom's end. */
export function bandsOfStand(
  stand: Stand,
  forecast: StandForecast | null | undefined,
  nextStart: number,
  today: number,
  across: Across = WHOLE_CLOTH,
): Band[] {
  const span = spanOf(stand)
  if (!span) return []
  const base = {
    standId: stand.id,
    startDay: span.startDay,
    groups: [] as Band['groups'],
    across,
    cover: () => 0,
    residue: () => 0,
  }
  if (stand.content.kind === 'sheet')
    return [{ ...base, kind: 'sheet', end: sharp(Math.min(span.endDay ?? nextStart, nextStart)) }]
  if (stand.content.kind === 'crop') {
    const end = span.endDay ?? nextStart
    const planned = !span.ended && end >= today
    const spread = planned
      ? { p10: end - HARVEST_SPREAD_DAYS.early, p50: end, p90: end + HARVEST_SPREAD_DAYS.late }
      : sharp(end)
    return [
      {
        ...base,
        kind: 'crop',
        end: {
          p10: Math.min(spread.p10, nextStart),
          p50: Math.min(spread.p50, nextStart),
          p90: Math.min(spread.p90, nextStart),
        },
      },
    ]
  }
  return coverBands(stand, forecast, span, nextStart, today, base)
}

function coverBands(
  stand: Stand,
  forecast: StandForecast | null | undefined,
  span: { endDay: number | null; ended: boolean },
  nextStart: number,
  today: number,
  base: Omit<Band, 'kind' | 'end'>,
): Band[] {
  const groups = groupsOf(stand.content.kind === 'cover' ? stand.content.components : [])
  const shape = {
    ...base,
    kind: 'cover' as const,
    groups: groups.length > 0 ? groups : (['grass'] as Band['groups']),
    cover: (day: number) => (forecast && bandOn(forecast.cover, day)?.p50) ?? 0,
    residue: (day: number) => residueCover((forecast && bandOn(forecast.residueG, day)?.p50) ?? 0),
  }
  const end = latest(stand.end)
  if (!end || findMethod(end.method)?.waits || span.endDay === null)
    return [{ ...shape, end: sharp(nextStart) }]

  const endDay = dayNumber(end.date)
  const dead = forecast?.ended ?? null
  const residue: Band = { ...shape, startDay: endDay, end: sharp(nextStart) }
  const until = (spread: Quantiles): Quantiles => ({
    p10: Math.min(spread.p10, nextStart),
    p50: Math.min(spread.p50, nextStart),
    p90: Math.min(spread.p90, nextStart),
  })
  if (findMethod(end.method)?.sheet) {
    const sheet: Band = {
      ...shape,
      kind: 'sheet',
      startDay: endDay,
      end: end.liftedOn ? until(sharp(dayNumber(end.liftedOn))) : dead ? until(dead) : sharp(nextStart),
    }
    return [residue, { ...shape, end: sharp(endDay) }, sheet]
  }
  if (end.animals) {
    const grazed: Band = {
      ...shape,
      kind: 'animals',
      startDay: endDay,
      end: dead ? until(dead) : sharp(nextStart),
    }
    return [residue, { ...shape, end: sharp(endDay) }, grazed]
  }
  // Green hangs on, thread by thread, until the stand has browned.
  const standing = shape.cover(endDay - 1)
  const frayed =
    endDay >= today && dead
      ? until({ p10: endDay, p50: (endDay + dead.p50) / 2, p90: dead.p90 })
      : sharp(endDay)
  return [residue, { ...shape, cover: (day) => (day < endDay ? shape.cover(day) : standing), end: frayed }]
}
