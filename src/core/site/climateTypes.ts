import type { SiteClimate } from '../garden/site'
import { clamp } from '../foundations/statistics'

/** A generic climate: round normals for a place of that kind, northern seasons, at a latitude and elevation. */
export type ClimateType = { id: string; name: string; latitude: number; elevationM: number; coastal: boolean } & Pick<SiteClimate, 'tMaxC' | 'tMinC' | 'rainMm' | 'wetDays'>

/** Ten generic climates (judgement: round values between many published station normals). */
export const CLIMATE_TYPES: readonly ClimateType[] = [
  { id: 'cool-maritime', name: 'Cool maritime: mild damp winters, cool summers', latitude: 53, elevationM: 50, coastal: true,
    tMaxC: [7, 7, 10, 13, 16, 19, 21, 21, 18, 14, 10, 7], tMinC: [2, 2, 3, 5, 7, 10, 12, 12, 10, 7, 4, 2], rainMm: [85, 65, 60, 55, 60, 65, 70, 75, 75, 95, 95, 90], wetDays: [15, 12, 12, 11, 11, 11, 11, 12, 12, 14, 15, 15] },
  { id: 'mild-maritime', name: 'Mild maritime: little frost, warm summers', latitude: 44, elevationM: 30, coastal: true,
    tMaxC: [11, 12, 14, 16, 19, 22, 24, 24, 23, 19, 14, 11], tMinC: [4, 4, 5, 7, 10, 13, 15, 15, 13, 10, 7, 5], rainMm: [95, 75, 65, 75, 65, 50, 40, 50, 75, 100, 110, 105], wetDays: [13, 11, 11, 12, 10, 8, 7, 8, 9, 12, 13, 13] },
  { id: 'temperate-inland', name: 'Temperate inland: cold winters, warm summers', latitude: 48, elevationM: 300, coastal: false,
    tMaxC: [3, 5, 10, 15, 19, 23, 25, 25, 20, 14, 8, 4], tMinC: [-3, -3, 1, 4, 9, 12, 14, 13, 10, 5, 1, -2], rainMm: [45, 40, 50, 50, 75, 80, 80, 70, 60, 55, 55, 50], wetDays: [10, 8, 10, 9, 11, 11, 10, 10, 9, 9, 10, 10] },
  { id: 'cold-continental', name: 'Cold continental: long snowy winters', latitude: 45, elevationM: 250, coastal: false,
    tMaxC: [-5, -3, 4, 13, 20, 25, 28, 27, 21, 14, 5, -3], tMinC: [-15, -13, -6, 1, 7, 13, 16, 14, 9, 3, -4, -11], rainMm: [25, 22, 40, 65, 85, 105, 95, 100, 80, 65, 42, 28], wetDays: [8, 7, 8, 10, 11, 11, 10, 10, 9, 9, 8, 8] },
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
]

/** Cooling with height, °C per m (standard atmosphere 6.5 °C per km). */
const LAPSE_C_PER_M = 0.0065
/** Cooling towards the pole within one climate, °C per degree (judgement), at most 6 °C either way. */
const POLEWARD_C_PER_DEGREE = 0.5

/** Normals of a climate type moved to a latitude and elevation; southern places get the seasons turned. */
export function siteFromType(type: ClimateType, latitude: number, elevationM: number): SiteClimate {
  const shift =
    LAPSE_C_PER_M * (type.elevationM - elevationM) + clamp(POLEWARD_C_PER_DEGREE * (type.latitude - Math.abs(latitude)), -6, 6)
  const turn = <T>(months: readonly T[]) => (latitude < 0 ? [...months.slice(6), ...months.slice(0, 6)] : [...months])
  const warmed = (months: readonly number[]) => turn(months).map((value) => Math.round((value + shift) * 10) / 10)
  return { latitude, elevationM, coastal: type.coastal, tMaxC: warmed(type.tMaxC), tMinC: warmed(type.tMinC), rainMm: turn(type.rainMm), wetDays: turn(type.wetDays) }
}
