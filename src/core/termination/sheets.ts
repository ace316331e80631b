import { interpolate } from '../foundations/statistics'
import type { EndingClass, Species } from '../plants/parameters'
import type { SheetBed, SheetKind } from '../stand/fate'
import { sheetDose } from '../stand/sheeted'
import type { ToolKind } from '../garden/tool'
import type { WeatherEnsemble } from '../site/weather'
import type { UnderSheet } from './flattening'
import type { Method } from './method'
import { isTough } from './survival'

/** Sheets and films that are owned; cardboard is not counted by the piece. */
export const OWNED_SHEET = { black: 'black tarp', clear: 'clear film' } as const satisfies Record<
  Exclude<SheetKind, 'cardboard'>,
  ToolKind
>

/**
 * Thermal time above 0 °C under a black sheet that leaves 5 % alive, °C d, on mown or flattened growth
 * (judgement, ± 20 %).
 */
const TARP_DOSE_CD: Record<EndingClass, number> = {
  'winter cereal': 450,
  'spring cereal': 420,
  ryegrass: 500,
  sorghum: 450,
  millet: 380,
  vetch: 300,
  'crimson clover': 320,
  'annual clover': 380,
  'perennial clover': 800,
  pea: 250,
  faba: 280,
  'warm legume': 280,
  brassica: 320,
  radish: 320,
  buckwheat: 220,
  phacelia: 250,
  'stalk broadleaf': 260,
  'leaf rosette': 280,
}

/** Taproots and runners live on their store: what they want, °C d; after less they come back (judgement, ± 20 %). */
const CROWN_DOSE_CD: Readonly<Record<string, number>> = {
  alfalfa: 1300,
  'white-clover': 1100,
  'red-clover': 800,
  sweetclover: 1100,
}

/** A standing crop holds the sheet up: the dose needed rises by this factor. */
const STANDING_FACTOR = 1.4

/** Cuttings of weeks before lie over the plants and shield them: the dose needed rises by this factor (1.5 or more). */
export const SHIELDED_FACTOR = 1.5

/** Cardboard wants this much more of the dose than a black sheet, and goes soft after some weeks (extension, 56–84 d). */
const CARDBOARD_FACTOR = 1.35
const CARDBOARD_FIRM_DAYS = 70
/** Soil thrown over mown growth presses the sheet's dark onto every crown: the dose needed falls (judgement, 0.8–0.95). */
const SOIL_ON_TOP_FACTOR = 0.85

/** Dose of heat under clear film on wet soil that leaves 5 % alive, °C d above 40 °C: seedlings 25, soft covers 60, cereals 90; creeping clovers 120 (judgement). */
function clearDose(kind: EndingClass, bbch: number): number {
  const grown = kind === 'perennial clover' ? 120 : isTough(kind) ? 90 : 60
  return interpolate(
    [
      [15, 25],
      [25, grown],
    ],
    bbch,
  )
}

const LYING_FACTOR: Record<SheetBed, number> = {
  flat: 1,
  standing: STANDING_FACTOR,
  shielded: SHIELDED_FACTOR,
  soil: SOIL_ON_TOP_FACTOR,
}

/** A species to be ended; a class alone stands for any of its species. */
type Ended = Pick<Species, 'endingClass'> & Partial<Pick<Species, 'id'>>

/** Dose that leaves 5 % of a species alive under a sheet, in the unit of that sheet's days. */
export function doseNeeded(sheet: SheetKind, plant: Ended, bbch: number, lies: SheetBed): number {
  if (sheet === 'clear') return clearDose(plant.endingClass, bbch)
  const lying = LYING_FACTOR[lies]
  const full = CROWN_DOSE_CD[plant.id ?? ''] ?? TARP_DOSE_CD[plant.endingClass]
  return full * lying * (sheet === 'cardboard' ? CARDBOARD_FACTOR : 1)
}

/** How a sheet lies, by what is done before it: cuttings of weeks before shield whatever is flattened on them. */
export const sheetBed = (method: Pick<Method, 'lies'>, under: UnderSheet): SheetBed =>
  under === 'shielded' && method.lies !== 'soil' ? 'shielded' : (method.lies ?? under)

/** Longest a sheet does its work, days. */
export const firmDays = (sheet: SheetKind) => (sheet === 'cardboard' ? CARDBOARD_FIRM_DAYS : Infinity)

/** What a day of weather gives under a sheet. */
export function sheetDay(sheet: SheetKind, ensemble: WeatherEnsemble, member: number, day: number): number {
  const i = day - ensemble.startDay
  if (i < 0 || i >= ensemble.days) return NaN
  const { tMinC, tMaxC, radiationMjM2 } = ensemble.members[member]
  return sheetDose(sheet, tMinC[i], tMaxC[i], radiationMjM2[i])
}

/** Share alive under a sheet after a dose: it falls exponentially to 5 % at the dose needed. */
export const sheetSurvival = (dose: number, needed: number) => Math.exp((Math.log(0.05) * dose) / needed)
