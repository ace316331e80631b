import type { Bed, Component, Covering, GardenData, PurposeId, Stand } from '../core/garden/schema'
import type { EndDetails, EndMethodId, FollowUp } from '../core/garden/ending'
import { FRESH_BED, FRESH_STAND } from '../core/garden/fresh'
import { cropContent, cropStand } from '../core/garden/newStands'
import { findCrop } from '../core/plants/crops'

/** A demo garden is written as short rows; this turns them into records with stable ids. */
export type DemoBed = { label: string; section: string; kind: Bed['kind']; lengthM: number; widthM: number; soil?: Bed['soil']; fertility?: Bed['fertility']; stoodBefore?: Bed['stoodBefore']; shade?: number; pathWidthM?: number; fixtures?: Bed['fixtures'] }

/** A date with `!` in front is done, without it planned. */
type When = string

export type DemoCover = { bed: string; cover: Record<string, number>; sown: When; covering?: Covering; end?: [When, EndMethodId]; purposes?: PurposeId[]; grams?: number[]; under?: string; note?: string; recorded?: Partial<EndDetails>; counts?: [date: string, standing: number, before: number][] }
export type DemoCrop = { bed: string; crop: string; from: When; until: When; outcome?: Stand['outcome'] }

const isDone = (when: When) => when.startsWith('!')
const dateOf = (when: When) => when.replace('!', '')

function step<T extends { date: string }>(when: When, details: Omit<T, 'date'>): { plan: T | null; actual: T | null } {
  const value = { date: dateOf(when), ...details } as T
  return { plan: value, actual: isDone(when) ? value : null }
}

/** Rows of one bed get ids by their order, so that they never change between visits. */
export function demoBeds(gardenId: string, rows: DemoBed[]): { beds: Bed[]; sections: GardenData['garden']['sections'] } {
  const names = [...new Set(rows.map((row) => row.section))]
  const sections = names.map((name, i) => ({ id: `${gardenId}-section-${i + 1}`, name }))
  const beds = rows.map((row, walkOrder): Bed => ({
    id: `${gardenId}-${row.label}`,
    gardenId,
    sectionId: sections[names.indexOf(row.section)].id,
    label: row.label,
    walkOrder,
    kind: row.kind,
    lengthM: row.lengthM,
    widthM: row.widthM,
    pathWidthM: row.pathWidthM ?? 0.45,
    soil: row.soil ?? 'loam',
    fertility: row.fertility ?? 'medium',
    ...FRESH_BED,
    stoodBefore: row.stoodBefore ?? null,
    shade: row.shade ?? 0,
    fixtures: row.fixtures ?? [],
  }))
  return { beds, sections }
}

export function demoStands(gardenId: string, rows: (DemoCover | DemoCrop)[]): Stand[] {
  return rows.map((row, index): Stand => {
    const base = { id: `${gardenId}-stand-${String(index + 1).padStart(2, '0')}`, gardenId, bedId: `${gardenId}-${row.bed}`, segment: { kind: 'whole' as const } }
    if ('crop' in row) {
      const crop = findCrop(row.crop)!
      const stand = cropStand(base, cropContent(crop.id, crop.establishment), step(row.from, { covering: null, passes: null, keptMoistDays: 0, sownBetween: null, components: [], note: '' }), crop.daysInBed)
      return {
        ...stand,
        end: step(row.until, { method: 'harvest' as const, passes: 1, note: '' }),
        ...(row.outcome && { outcome: row.outcome }),
      }
    }
    const components = Object.entries(row.cover).map(([speciesId, share], i): Component => ({ speciesId, share, germination: 0.88, grams: row.grams?.[i] ?? null }))
    return {
      ...FRESH_STAND,
      ...base,
      underStandId: row.under ?? null,
      content: { kind: 'cover', components: components.map((component) => ({ ...component, grams: null })), purposes: row.purposes ?? ['mass'] },
      start: step(row.sown, { covering: row.covering ?? 'raked', passes: 2, keptMoistDays: 0, sownBetween: null, components: isDone(row.sown) ? components : [], note: '' }),
      end: row.end ? step(row.end[0], { method: row.end[1], passes: 1, note: row.note ?? '', ...row.recorded }) : { plan: null, actual: null },
      ...(row.counts && { followUps: row.counts.map(([date, standing, before], i): FollowUp => ({ id: `${base.id}-count-${i + 1}`, date, standing, before, groundM2: 1, note: '' })) }),
    }
  })
}
