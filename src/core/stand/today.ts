import { columns, type Columns } from '../foundations/columns'

const TODAY_COLUMNS = [
  'soilC',
  'meanC',
  'waterLimit',
  'parMj',
  'mulchCover',
  'thermalCd',
  'response',
  'criticalPct',
  'shed',
  'senesced',
  'leaf',
  'green',
  'hidden',
  'drainedMm',
  'demandG',
  'takenG',
] as const

/**
 * What the steps of a day hand on to each other, member by member: soil temperature at 5 cm and mean of the air; share of
 * growth that water allows; light that reaches the canopy, MJ m⁻² of PAR; ground hidden by mulch in the morning; effective
 * °C d, share of the growth rate that warmth allows, critical nitrogen, leaf area shed and share of the shoots senesced of the species in hand; leaf, green ground and
 * hidden ground of the evening; water drained; nitrogen that all species want of the soil and take from it, g m⁻².
 */
export type Today = Columns<(typeof TODAY_COLUMNS)[number]>

export const newToday = (members: number): Today => columns(TODAY_COLUMNS, members)
