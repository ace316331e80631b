/** Sun and day, after FAO Irrigation and Drainage Paper 56 (Allen et al. 1998), chapter 3. Latitude within ±66°. */

const SOLAR_CONSTANT_MJ_M2_MIN = 0.082

/** Inverse relative distance earth–sun, about 0.967 to 1.033 (FAO-56 eq 23). */
function inverseRelativeDistance(dayOfYear: number): number {
  return 1 + 0.033 * Math.cos(((2 * Math.PI) / 365) * dayOfYear)
}

/** Solar declination in radians (FAO-56 eq 24). Day 246 → 0.120. */
export function solarDeclination(dayOfYear: number): number {
  return 0.409 * Math.sin(((2 * Math.PI) / 365) * dayOfYear - 1.39)
}

/** Sunset hour angle in radians (FAO-56 eq 25); within ±66° the sun rises and sets each day. */
function sunsetHourAngle(latitudeDeg: number, dayOfYear: number): number {
  const phi = (latitudeDeg * Math.PI) / 180
  const x = -Math.tan(phi) * Math.tan(solarDeclination(dayOfYear))
  return Math.acos(Math.min(1, Math.max(-1, x)))
}

/**
 * Extraterrestrial radiation, MJ m⁻² d⁻¹ (FAO-56 eq 21). 20° S on day 246 → 32.2.
 * `distanceFactor` replaces the earth–sun distance term; 1 makes both hemispheres symmetric.
 */
export function extraterrestrialRadiation(
  latitudeDeg: number,
  dayOfYear: number,
  distanceFactor?: number,
): number {
  const phi = (latitudeDeg * Math.PI) / 180
  const delta = solarDeclination(dayOfYear)
  const omega = sunsetHourAngle(latitudeDeg, dayOfYear)
  const distance = distanceFactor ?? inverseRelativeDistance(dayOfYear)
  const geometry = omega * Math.sin(phi) * Math.sin(delta) + Math.cos(phi) * Math.cos(delta) * Math.sin(omega)
  return Math.max(0, ((24 * 60) / Math.PI) * SOLAR_CONSTANT_MJ_M2_MIN * distance * geometry)
}

/** Daylight hours, 0–24 (FAO-56 eq 34). 20° S on day 246 → 11.7. */
export function daylightHours(latitudeDeg: number, dayOfYear: number): number {
  return (24 / Math.PI) * sunsetHourAngle(latitudeDeg, dayOfYear)
}

/**
 * Radiation from the day's temperature range, MJ m⁻² d⁻¹ (Hargreaves, FAO-56 eq 50), held below clear-sky
 * radiation (eq 37). `coastal` chooses the coefficient 0.19 instead of 0.16.
 */
export function radiationFromRange(
  raMjM2: number,
  tMinC: number,
  tMaxC: number,
  elevationM: number,
  coastal: boolean,
): number {
  const estimate = (coastal ? 0.19 : 0.16) * Math.sqrt(Math.max(0, tMaxC - tMinC)) * raMjM2
  return Math.min(estimate, (0.75 + 2e-5 * elevationM) * raMjM2)
}

const MM_PER_MJ = 0.408

/** Reference evapotranspiration, mm d⁻¹ (Hargreaves, FAO-56 eq 52); never negative. */
export function hargreavesEt0(raMjM2: number, tMinC: number, tMaxC: number): number {
  const mean = (tMinC + tMaxC) / 2
  return Math.max(0, 0.0023 * (mean + 17.8) * Math.sqrt(Math.max(0, tMaxC - tMinC)) * raMjM2 * MM_PER_MJ)
}
