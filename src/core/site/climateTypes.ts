import { USUAL_CLIMATE } from '../garden/fresh'
import type { SiteClimate } from '../garden/site'
import { clamp } from '../foundations/statistics'

/** A generic climate: round normals for a place of that kind, northern seasons, at a latitude and elevation. */
export type ClimateType = { id: string; name: string; latitude: number; elevationM: number; coastal: boolean } & Pick<SiteClimate, 'tMaxC' | 'tMinC' | 'rainMm' | 'wetDays'>

/**
 * Generic climates (judgement: round values between published station normals; each is held against one typical station in
 * `validation/stations.json`).
 */
export const CLIMATE_TYPES: readonly ClimateType[] = [
  { id: 'cool-maritime', name: 'Cool maritime: mild damp winters, cool summers', latitude: 53, elevationM: 50, coastal: true,
    tMaxC: [7, 7, 10, 13, 16, 19, 21, 21, 18, 14, 10, 7], tMinC: [2, 2, 3, 5, 7, 10, 12, 12, 10, 7, 4, 2], rainMm: [85, 65, 60, 55, 60, 65, 70, 75, 75, 95, 95, 90], wetDays: [15, 12, 12, 11, 11, 11, 11, 12, 12, 14, 15, 15] },
  { id: 'mild-maritime', name: 'Mild maritime: little frost, warm summers', latitude: 44, elevationM: 30, coastal: true,
    tMaxC: [11, 12, 14, 16, 19, 22, 24, 24, 23, 19, 14, 11], tMinC: [4, 4, 5, 7, 10, 13, 15, 15, 13, 10, 7, 5], rainMm: [95, 75, 65, 75, 65, 50, 40, 50, 75, 100, 110, 105], wetDays: [13, 11, 11, 12, 10, 8, 7, 8, 9, 12, 13, 13] },
  { id: 'temperate-inland', name: 'Temperate inland: cold winters, warm summers', latitude: 48, elevationM: 300, coastal: false,
    tMaxC: [3, 5, 10, 15, 19, 23, 25, 25, 20, 14, 8, 4], tMinC: [-3, -3, 1, 4, 9, 12, 14, 13, 10, 5, 1, -2], rainMm: [45, 40, 50, 50, 75, 80, 80, 70, 60, 55, 55, 50], wetDays: [10, 8, 10, 9, 11, 11, 10, 10, 9, 9, 10, 10] },
  { id: 'cold-continental', name: 'Cold continental: long snowy winters', latitude: 45, elevationM: 250, coastal: false,
    tMaxC: [-5, -3, 4, 13, 20, 25, 28, 27, 21, 14, 5, -3], tMinC: [-14, -12, -5, 2, 9, 14, 17, 16, 11, 4, -3, -10], rainMm: [25, 22, 40, 65, 85, 105, 95, 100, 80, 65, 42, 28], wetDays: [8, 7, 8, 10, 11, 11, 10, 10, 9, 9, 8, 8] },
  { id: 'humid-continental', name: 'Humid continental: cold winters, hot humid summers', latitude: 40, elevationM: 200, coastal: false,
    tMaxC: [2, 5, 11, 17, 23, 28, 30, 29, 25, 18, 11, 5], tMinC: [-6, -5, 0, 5, 11, 16, 19, 18, 14, 7, 2, -3], rainMm: [75, 68, 90, 95, 105, 105, 105, 95, 90, 80, 85, 80], wetDays: [11, 9, 11, 11, 12, 11, 10, 9, 9, 9, 10, 11] },
  { id: 'humid-subtropical', name: 'Humid subtropical: mild winters, long hot summers', latitude: 33, elevationM: 150, coastal: false,
    tMaxC: [13, 15, 20, 24, 28, 32, 33, 33, 30, 25, 19, 14], tMinC: [1, 3, 6, 10, 15, 20, 22, 21, 18, 11, 6, 2], rainMm: [120, 125, 130, 105, 100, 115, 130, 110, 95, 85, 110, 120], wetDays: [10, 9, 9, 8, 9, 10, 11, 10, 8, 7, 8, 10] },
  { id: 'mediterranean', name: 'Mediterranean: wet winters, dry summers', latitude: 38, elevationM: 100, coastal: true,
    tMaxC: [14, 15, 18, 20, 25, 30, 33, 33, 29, 24, 18, 15], tMinC: [5, 6, 7, 9, 12, 16, 19, 19, 16, 13, 9, 6], rainMm: [75, 70, 55, 45, 25, 8, 3, 6, 28, 65, 85, 90], wetDays: [9, 9, 8, 7, 4, 2, 1, 1, 3, 7, 9, 10] },
  { id: 'dry-steppe', name: 'Dry steppe: cold winters, dry hot summers', latitude: 43, elevationM: 900, coastal: false,
    tMaxC: [2, 5, 11, 16, 21, 27, 32, 31, 25, 17, 8, 3], tMinC: [-8, -6, -2, 2, 6, 11, 14, 13, 8, 2, -3, -7], rainMm: [25, 22, 30, 38, 50, 35, 18, 18, 22, 24, 26, 25], wetDays: [6, 5, 7, 7, 8, 6, 4, 3, 4, 5, 6, 6] },
  { id: 'boreal', name: 'Boreal: short bright summers, long winters', latitude: 61, elevationM: 120, coastal: false,
    tMaxC: [-5, -5, 0, 7, 15, 19, 22, 20, 14, 7, 1, -3], tMinC: [-12, -12, -8, -2, 4, 9, 12, 10, 6, 1, -4, -9], rainMm: [45, 35, 36, 34, 42, 62, 75, 78, 62, 65, 60, 52], wetDays: [11, 9, 8, 8, 8, 9, 10, 10, 10, 11, 12, 12] },
  { id: 'tropical-highland', name: 'Tropical highland: even and mild, wet and dry seasons', latitude: 5, elevationM: 1700, coastal: false,
    tMaxC: [25, 26, 26, 25, 24, 23, 22, 23, 25, 25, 24, 24], tMinC: [12, 12, 13, 14, 14, 12, 11, 11, 12, 13, 13, 12], rainMm: [50, 50, 90, 180, 150, 45, 25, 30, 35, 70, 130, 90], wetDays: [5, 5, 8, 15, 12, 5, 4, 4, 4, 8, 13, 8] },
  { id: 'warm-tropics-wet-dry', name: 'Warm lowland tropics: one wet and one dry season', latitude: 14, elevationM: 20, coastal: true,
    tMaxC: [32, 33, 34, 35, 34, 33, 33, 32, 32, 32, 32, 31], tMinC: [21, 23, 25, 26, 26, 25, 25, 25, 25, 24, 23, 21], rainMm: [12, 20, 40, 85, 220, 170, 175, 210, 310, 250, 55, 10], wetDays: [1, 2, 3, 6, 14, 14, 15, 17, 19, 15, 5, 1] },
  { id: 'warm-tropics-wet', name: 'Warm lowland tropics: rain all year', latitude: 2, elevationM: 20, coastal: true,
    tMaxC: [31, 32, 32, 32, 32, 32, 31, 31, 31, 32, 31, 30], tMinC: [24, 24, 24, 25, 25, 25, 25, 25, 24, 24, 24, 24], rainMm: [220, 120, 160, 165, 165, 140, 150, 150, 140, 170, 240, 300], wetDays: [13, 8, 12, 14, 14, 12, 13, 13, 12, 14, 18, 18] },
  { id: 'subtropical-dry-winter', name: 'Subtropical uplands: dry sunny winters, summer rain', latitude: 26, elevationM: 1300, coastal: false,
    tMaxC: [20, 23, 26, 27, 28, 28, 28, 28, 27, 25, 22, 20], tMinC: [4, 7, 11, 14, 16, 17, 18, 17, 15, 12, 8, 4], rainMm: [4, 6, 20, 65, 95, 110, 130, 85, 80, 45, 14, 6], wetDays: [0.5, 1, 2, 7, 10, 11, 11, 8, 8, 5, 2, 1] },
  { id: 'subtropical-wet-winter', name: 'Subtropical coast: wet mild winters, hot dry summers', latitude: 32, elevationM: 20, coastal: true,
    tMaxC: [18, 19, 20, 23, 26, 29, 31, 31, 29, 25, 22, 19], tMinC: [8, 8, 9, 11, 14, 16, 18, 18, 17, 14, 11, 9], rainMm: [145, 120, 85, 42, 26, 11, 15, 15, 21, 38, 90, 130], wetDays: [15, 14, 11, 7, 4, 2, 1, 1, 2, 5, 9, 13] },
  { id: 'summer-dry-valley', name: 'Hot inland valley: foggy wet winters, no rain in summer', latitude: 38, elevationM: 20, coastal: false,
    tMaxC: [13, 16, 19, 22, 27, 31, 34, 34, 31, 26, 18, 13], tMinC: [4, 5, 7, 8, 11, 14, 16, 15, 14, 10, 6, 4], rainMm: [90, 85, 65, 30, 16, 5, 0, 1, 4, 22, 45, 80], wetDays: [9, 8, 8, 5, 3, 1, 0.2, 0.2, 1, 3, 6, 9] },
  { id: 'cool-oceanic-hills', name: 'Cool oceanic hills: wet all year, short cool summers', latitude: 55, elevationM: 240, coastal: true,
    tMaxC: [5, 5, 7, 10, 14, 16, 18, 17, 15, 11, 8, 5], tMinC: [0, 0, 1, 2, 5, 8, 10, 10, 8, 5, 2, 0], rainMm: [170, 130, 120, 90, 90, 95, 105, 120, 120, 160, 160, 175], wetDays: [18, 15, 15, 14, 13, 13, 14, 15, 15, 17, 18, 18] },
  { id: 'high-cold-desert', name: 'High cold desert: cold nights at any season, little rain', latitude: 41, elevationM: 1550, coastal: false,
    tMaxC: [3, 6, 11, 15, 21, 27, 33, 32, 26, 18, 9, 3], tMinC: [-10, -7, -4, -2, 2, 6, 9, 8, 3, -3, -7, -10], rainMm: [26, 22, 25, 24, 28, 18, 8, 9, 12, 18, 22, 28], wetDays: [6, 6, 6, 6, 6, 4, 2, 2, 3, 4, 6, 7] },
  { id: 'cool-summer-dry', name: 'Cool and summer-dry: wet mild winters, dry bright summers', latitude: 45, elevationM: 60, coastal: true,
    tMaxC: [8, 10, 13, 16, 20, 23, 28, 28, 25, 18, 11, 8], tMinC: [1, 1, 3, 4, 7, 9, 11, 11, 9, 6, 3, 2], rainMm: [150, 115, 105, 75, 55, 35, 10, 12, 35, 90, 155, 165], wetDays: [17, 14, 16, 14, 10, 7, 2, 3, 5, 12, 17, 18] },
  { id: 'hot-desert', name: 'Hot desert: mild winters, very hot summers, gardens watered', latitude: 33, elevationM: 340, coastal: false,
    tMaxC: [20, 22, 25, 30, 35, 40, 41, 41, 38, 31, 25, 19], tMinC: [7, 8, 11, 15, 20, 25, 28, 28, 25, 18, 11, 7], rainMm: [22, 22, 22, 6, 3, 1, 24, 25, 15, 14, 15, 21], wetDays: [3, 3, 3, 1, 1, 0.4, 3, 3, 2, 2, 2, 3] },
  { id: 'humid-gulf', name: 'Hot humid lowland: short mild winters, long wet summers', latitude: 30, elevationM: 5, coastal: true,
    tMaxC: [17, 19, 22, 26, 29, 32, 33, 33, 31, 27, 22, 18], tMinC: [7, 9, 12, 16, 20, 23, 24, 24, 22, 17, 12, 8], rainMm: [130, 105, 110, 120, 140, 170, 160, 160, 130, 100, 100, 115], wetDays: [8, 7, 7, 6, 7, 10, 12, 11, 8, 6, 6, 8] },
  { id: 'warm-inland', name: 'Warm inland plain: foggy cold winters, hot summers', latitude: 45, elevationM: 60, coastal: false,
    tMaxC: [6, 9, 14, 18, 24, 28, 31, 30, 25, 18, 11, 7], tMinC: [-1, 0, 4, 8, 13, 17, 19, 19, 15, 10, 5, 0], rainMm: [40, 42, 52, 68, 65, 52, 40, 52, 62, 72, 76, 52], wetDays: [6, 6, 6, 8, 8, 6, 4, 5, 6, 7, 8, 7] },
  { id: 'monsoon-east', name: 'East-coast monsoon: dry cold winters, wet hot summers', latitude: 36, elevationM: 20, coastal: true,
    tMaxC: [10, 11, 14, 19, 23, 26, 30, 31, 27, 22, 17, 12], tMinC: [1, 2, 5, 10, 15, 19, 23, 24, 21, 15, 9, 4], rainMm: [58, 57, 115, 130, 140, 170, 160, 160, 220, 225, 95, 58], wetDays: [4, 5, 9, 9, 10, 12, 11, 9, 12, 10, 7, 5] },
]

/** Cooling with height, °C per m (standard atmosphere 6.5 °C per km). */
const LAPSE_C_PER_M = 0.0065
/** Cooling towards the pole within one climate, °C per degree (judgement), at most 6 °C either way. */
const POLEWARD_C_PER_DEGREE = 0.5

/** South of this the seasons are turned; nearer the equator rain makes them, on both sides alike. */
const SEASONS_TURN_AT = -8

/** Months of a northern year as they come at a latitude: southern places get the seasons turned. */
export const turned = <T>(months: readonly T[], latitude: number): T[] =>
  latitude < SEASONS_TURN_AT ? [...months.slice(6), ...months.slice(0, 6)] : [...months]

/** Degrees by which a type's normals are raised for a latitude and elevation. */
export const warmedBy = (type: ClimateType, latitude: number, elevationM: number): number =>
  LAPSE_C_PER_M * (type.elevationM - elevationM) +
  clamp(POLEWARD_C_PER_DEGREE * (type.latitude - Math.abs(latitude)), -6, 6)

/** Normals of a climate type moved to a latitude and elevation; southern places get the seasons turned. */
export function siteFromType(type: ClimateType, latitude: number, elevationM: number): SiteClimate {
  const shift = warmedBy(type, latitude, elevationM)
  const turn = <T>(months: readonly T[]) => turned(months, latitude)
  const warmed = (months: readonly number[]) => turn(months).map((value) => Math.round((value + shift) * 10) / 10)
  return { ...USUAL_CLIMATE, latitude, elevationM, coastal: type.coastal, tMaxC: warmed(type.tMaxC), tMinC: warmed(type.tMinC), rainMm: turn(type.rainMm), wetDays: turn(type.wetDays) }
}
