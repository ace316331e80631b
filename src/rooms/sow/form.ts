import { z } from 'zod'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { component, covering, type Component, type Stand } from '../../core/garden/schema'
import { day, notAhead, note, quantity, quantityOrNone } from '../../parts/form/codecs'
import type { Units } from '../../text/format'
import { writeQuantity } from '../../text/quantity'

/** A sowing as it is asked for and as it was done. */
export const sowForm = (today: number, units: Units) =>
  z.object({
    date: day(notAhead(today, 'A sowing')),
    covering,
    passes: z.enum(['1', '2', '3', '4']),
    scaleStepG: z.string().refine((text) => Number(text) > 0, 'Choose what the scale shows.'),
    germination: z.record(
      z.string(),
      quantity('share', units, { name: 'Germination', of: component.shape.germination }),
    ),
    share: z.record(
      z.string(),
      quantity('share', units, { name: 'The share of the full rate', of: component.shape.share }),
    ),
    grams: z.record(
      z.string(),
      quantityOrNone('seed', units, { name: 'The weight sown', above: 0, high: 1_000_000 }),
    ),
    keptMoist: quantityOrNone('days', units, { name: 'Days kept moist', low: 0, high: 60, whole: true }),
    note: note(),
    /** Stretches a pass is cut into, and who throws; empty for the usual. */
    stretches: z.string(),
    sowerId: z.string(),
    /** Whether the seed is taken from what is at hand. */
    fromStock: z.boolean(),
  })
export type SowText = z.input<ReturnType<typeof sowForm>>

/** What is known of a sowing before anything is filled in. */
export function sowText(
  { start, content }: Stand,
  today: number,
  units: Units,
  /** What the scale shows, g. */
  step: number,
): SowText {
  if (content.kind !== 'cover') throw new Error('Only covers are sown here.')
  const { actual } = start
  const known = actual ?? start.plan
  const components = actual?.components.length ? actual.components : content.components
  const each = (of: (component: Component) => string) =>
    Object.fromEntries(components.map((component) => [component.speciesId, of(component)]))
  return {
    date: isoDate(actual ? dayNumber(actual.date) : today),
    covering: known?.covering ?? 'raked',
    passes: String(known?.passes ?? 2) as SowText['passes'],
    scaleStepG: String(step),
    germination: each(({ germination }) => writeQuantity(germination, 'share', units)),
    share: each(({ share }) => writeQuantity(share, 'share', units)),
    grams: each(({ grams }) => (actual ? writeQuantity(grams, 'seed', units) : '')),
    keptMoist: known?.keptMoistDays ? String(known.keptMoistDays) : '',
    note: actual?.note ?? '',
    stretches: '',
    sowerId: '',
    fromStock: true,
  }
}
