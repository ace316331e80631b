import Papa from 'papaparse'
import { observedDays } from '../core/garden/weatherDays'
import { isoDate } from '../core/foundations/day'
import type { EndDetails } from '../core/garden/ending'
import type { Segment, Stand } from '../core/garden/schema'
import { findCrop } from '../core/plants/crops'
import { findSpecies } from '../core/plants/catalogue'
import { findMethod } from '../core/termination/methods'
import type { GardenData } from '../core/garden/schema'
import type { GardenFileData } from './gardenFile'

/** A value of a table: nothing where it is not known. */
type Cell = string | number | boolean | null | undefined
type Row = Record<string, Cell>

export type Table = { name: string; rows: Row[] }

const speciesName = (id: string) => findSpecies(id)?.name ?? id
const namesOf = ({ content }: Stand) =>
  content.kind === 'crop'
    ? (findCrop(content.cropId)?.name ?? content.cropId)
    : content.kind === 'sheet'
      ? `${content.sheet} sheet on ${content.aim}`
      : content.components.map(({ speciesId }) => speciesName(speciesId)).join(' + ')

function groundOf(segment: Segment): string {
  if (segment.kind === 'half') return `${segment.which} half`
  const { kind } = segment
  if (kind === 'strip') return `${segment.fromM}–${segment.toM} m`
  if (kind === 'rectangle')
    return `${segment.fromM}–${segment.toM} m, ${segment.fromAcrossM}–${segment.toAcrossM} m across`
  return kind
}

const ended = (end: EndDetails | null) => ({
  date: end?.date,
  way: end && (findMethod(end.method)?.name ?? end.method),
})

/**
 * A garden as plain tables for a spreadsheet: one row for each bed, cover or crop, check, bag of seed, day of weather and
 * result. Units stand in the names of the columns; they are those of the garden file.
 */
export function tablesOf(data: GardenData & Partial<Pick<GardenFileData, 'lots' | 'weather'>>): Table[] {
  const labels = new Map(data.beds.map(({ id, label }) => [id, label]))
  const sections = new Map(data.garden.sections.map(({ id, name }) => [id, name]))
  const stands = new Map(data.stands.map((stand) => [stand.id, stand]))
  const about = (standId: string): Row => {
    const stand = stands.get(standId)
    return { bed: stand && labels.get(stand.bedId), what: stand && namesOf(stand) }
  }
  return [
    {
      name: 'beds',
      rows: data.beds.map((bed) => ({
        bed: bed.label,
        section: sections.get(bed.sectionId),
        place: bed.walkOrder + 1,
        kind: bed.kind,
        length_m: bed.lengthM,
        width_m: bed.widthM,
        path_m: bed.pathWidthM,
        soil: bed.soil,
        fertility: bed.fertility,
        shade_share: bed.shade,
        slope_pct: bed.slopePct,
        stood_before: bed.stoodBefore,
      })),
    },
    {
      name: 'covers-and-crops',
      rows: data.stands.map((stand) => ({
        bed: labels.get(stand.bedId),
        ground: groundOf(stand.segment),
        kind: stand.content.kind,
        what: namesOf(stand),
        seed_g: stand.start.actual?.components.map(({ grams }) => grams ?? '').join(' + '),
        start_planned: stand.start.plan?.date,
        start_done: stand.start.actual?.date,
        covering: (stand.start.actual ?? stand.start.plan)?.covering,
        end_planned: ended(stand.end.plan).date,
        end_planned_way: ended(stand.end.plan).way,
        end_done: ended(stand.end.actual).date,
        end_done_way: ended(stand.end.actual).way,
        end_minutes: stand.end.actual?.minutes,
        note: stand.note,
      })),
    },
    {
      name: 'checks',
      rows: data.checks.map((check) => ({
        ...about(check.standId),
        date: check.date,
        stage_bbch: check.stageBbch,
        cover_share: check.cover,
        height_cm: check.heightCm,
        weeds_share: check.weeds?.cover,
        dry_g: check.sample?.dryG,
        sample_m2: check.sample?.areaM2,
        note: check.note,
      })),
    },
    {
      name: 'seed',
      rows: (data.lots ?? []).map((lot) => ({
        seed: lot.label,
        species: lot.contents.map(({ speciesId }) => speciesName(speciesId)).join(' + '),
        year: lot.year,
        bought_g: lot.boughtGrams,
        left_g: lot.leftGrams,
        price: lot.price,
        currency: data.garden.currency,
        purity_share: lot.purity,
        germination_label_share: lot.labelGermination,
        germination_test_share: lot.test && lot.test.sprouted / lot.test.seeds,
        treated: lot.treated,
      })),
    },
    {
      name: 'weather',
      rows: observedDays(data.weather ?? []).map(({ day, source, tMinC, tMaxC, rainMm }) => ({
        date: isoDate(day),
        low_c: tMinC,
        high_c: tMaxC,
        rain_mm: rainMm,
        source,
      })),
    },
    {
      name: 'results',
      rows: data.stands.flatMap((stand) => resultsOf(stand).map((row) => ({ ...about(stand.id), ...row }))),
    },
  ]
}

/** What came of a stand: counts after its end, work on what stood again, and what a crop yielded. */
function resultsOf(stand: Stand): Row[] {
  return [
    ...stand.followUps.map((count) => ({
      date: count.date,
      result: 'count after the end',
      species: count.speciesId && speciesName(count.speciesId),
      standing: count.standing,
      before: count.before,
      ground_m2: count.groundM2,
      note: count.note,
    })),
    ...stand.finishings.map(({ date, act, minutes }) => ({
      date,
      result: `finished: ${act}`,
      minutes,
    })),
    ...(stand.outcome
      ? [
          {
            date: stand.outcome.date,
            result: 'yield',
            yield_kg: stand.outcome.yieldKg,
            verdict: stand.outcome.verdict,
            note: stand.outcome.note,
          },
        ]
      : []),
  ]
}

/** A table as CSV with its heads; text that a spreadsheet would take for a formula is kept as text. */
export function csvOf({ rows }: Table): string {
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))]
  return Papa.unparse(
    { fields: columns, data: rows.map((row) => columns.map((column) => row[column] ?? '')) },
    {
      escapeFormulae: true,
      newline: '\r\n',
    },
  )
}
