import type { Species, SpeciesParameters } from '../plants/parameters'

/**
 * Days shorter than this, h, send plants that live on for years back to their crowns: old stems are given up, and the
 * next year’s shoots begin there (fall dormancy; judgement, 10.5–11.5).
 */
const REST_H = 11
/** New shoots, after a deep cut or a winter, begin at this share of the way to stem elongation (judgement, 0.3–0.8). */
const SHOOTS_BEGIN = 0.6
/** Of the plants that hot days would kill, those that die where crowns live on under withered shoots (judgement, 0.1–0.4). */
const CROWN_HEAT_DEATHS = 0.2

/**
 * Leaf area, m² m⁻², from which the crowns and runners of a full stand put out leaves from their store, where less is left; and
 * the warmth of leaf growth, °C d, from which they have one (judgement, 0.1–0.4 and 400–900).
 */
const CROWN_LAI = 0.3
export const STORE_CD = 600
/** Share of its seed at the drilled rate that makes a full stand (judgement, 0.4–0.7). */
const FULL_STAND = 0.6

/** The same of one plant per m²; 0 where plants do not live on. */
export const crownLai = (plant: Lasting): number => {
  const { drillKgHa, thousandSeedG } = plant.parameters
  return livesOn(plant) ? CROWN_LAI / ((FULL_STAND * 100 * drillKgHa) / thousandSeedG) : 0
}
/** Least share of new growth that becomes leaf in plants that live on: those that creep make leaf and stalk all summer (judgement). */
const LEAST_LEAF = { creeping: 0.5, upright: 0.3 }
export const leastLeafShare = (plant: Pick<Species, 'perennial' | 'habit'>): number =>
  plant.perennial ? LEAST_LEAF[plant.habit === 'spreading' ? 'creeping' : 'upright'] : 0

/** On resting days colder than this, °C, old stems fall by a share a day (judgement, 3–7 and 0.01–0.02). */
export const RESTS_BELOW_C = 5
export const OLD_STEMS_LOST = 0.015
/** Share of its nitrogen that a senesced shoot does not give back to those that follow it, or to the crown (judgement, 0.3–0.5). */
export const SENESCED_GIVES = 0.35

type Lasting = Pick<Species, 'perennial' | 'parameters' | 'yearlyLoss'>

/** Whether plants flower in more than one year; a biennial dies once its seed is ripe. */
export const livesOn = ({ perennial, parameters }: Lasting): boolean =>
  perennial && parameters.vernalFloor > 0

/** Annuals that tiller anew from their crowns after a deep cut at any time, as plants that live on do. */
const TILLERS_ANEW: readonly Species['endingClass'][] = ['ryegrass', 'sorghum']

/**
 * Whether plants of a thermal age put up new shoots after a deep cut, that begin anew: those that live on, and grasses before
 * they head. All others go on in their course: what has flowered ripens.
 */
export const shootsAnew = (
  {
    perennial,
    endingClass,
    group,
    parameters,
  }: Pick<Species, 'perennial' | 'endingClass' | 'group' | 'parameters'>,
  ageCd: number,
): boolean =>
  perennial || TILLERS_ANEW.includes(endingClass) || (group === 'grass' && ageCd < parameters.t51Cd)

/** Thermal age at which new shoots begin, °C d. */
export const shootsBeginCd = ({ t31Cd }: Pick<SpeciesParameters, 't31Cd'>): number => SHOOTS_BEGIN * t31Cd

/** Thermal age that a day of so much light lets plants keep, °C d: in short days those that live on begin anew. */
export const oldestAgeCd = (plant: Lasting, daylightH: number): number =>
  livesOn(plant) && daylightH < REST_H ? shootsBeginCd(plant.parameters) : Infinity

/** Share of the deaths of hot days that befalls a plant. */
export const heatDeaths = ({ perennial }: Lasting): number => (perennial ? CROWN_HEAT_DEATHS : 1)

/** Whether plants of a thermal age have a crown and a root that frost does not lift. */
export const isRooted = (plant: Lasting, ageCd: number): boolean =>
  livesOn(plant) && ageCd >= shootsBeginCd(plant.parameters)

/** Plants that do not live on and are kept from seeding by the mower thin by this share a year after their first (judgement, 0.6–0.95). */
const SECOND_YEAR_LOSS = 0.8

/** Share of its plants that age and rot alone leave a stand so many days after its sowing. */
export function keptByAge(
  { perennial, yearlyLoss }: Pick<Species, 'perennial' | 'yearlyLoss'>,
  days: number,
): number {
  const years = Math.max(0, days) / 365
  return perennial ? (1 - yearlyLoss) ** years : (1 - SECOND_YEAR_LOSS) ** Math.max(0, years - 1)
}

/** Share of its plants that a stand loses to age and rot on a day after its sowing. */
export const dailyLoss = (plant: Lasting, days: number): number =>
  1 - keptByAge(plant, days + 1) / keptByAge(plant, days)
