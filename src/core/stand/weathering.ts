import { exponential } from '../foundations/exponential'
import { atMost } from '../foundations/limit'
import type { Species } from '../plants/parameters'
import { addResidue, type ResiduePools } from '../residue/pools'
import type { WeatherBlock } from './block'
import { crownTemperature, nextLt50, nightSurvival } from './hardiness'
import {
  dailyLoss,
  heatDeaths,
  isRooted,
  livesOn,
  oldestAgeCd,
  OLD_STEMS_LOST,
  RESTS_BELOW_C,
  SENESCED_GIVES,
} from './perennial'
import { physics } from './physics'
import { die, type Plants } from './plants'
import type { Today } from './today'

/** Crown this much above LT50 is never harmed, °C. */
const SAFE_ABOVE_LT50_C = 5
/** Annuals that have ripened die off by this share a day (judgement). */
const RIPE_LOSS = 0.06

/** A night that freezes the top of the ground and a day that thaws it, °C; snow that keeps it from both, mm of water (judgement). */
const FREEZES_C = -2
const THAWS_C = 2
const SNOW_STOPS_MM = 5
/** Growth that holds against heaving two times in three, g m⁻² (judgement, 10–40). */
const ROOTED_G = 20

/** Share of a legume of this mass, g m⁻², that a day of freezing and thawing lifts out of the ground. */
export const heavedShare = (tMinC: number, tMaxC: number, snowMm: number, massG: number): number =>
  tMinC < FREEZES_C && tMaxC > THAWS_C && snowMm < SNOW_STOPS_MM
    ? physics.heavedShare * exponential(-massG / ROOTED_G)
    : 0

/**
 * What cold, heat and age do in a day to the first `n` listed members. The worst night decides: nights that are no worse
 * than one already lived through kill nobody more.
 */
export function coldAndHeatDay(
  plants: Plants,
  plant: Species,
  list: Int32Array,
  n: number,
  { tMinC, tMaxC, snowMm }: WeatherBlock,
  at: number,
  { soilC, meanC }: Today,
  /** Hours of light, days since the stand was sown, and °C that a sheet warms the soil by day: at night it holds nothing back. */
  { daylightH, age, sheetedC }: { daylightH: number; age: number; sheetedC: number },
  ownHardinessC: Float64Array,
  residue: ResiduePools,
): void {
  const p = plant.parameters
  const { lt50C, ageCd, worstNight, massG } = plants
  const legume = plant.group === 'legume'
  const hotDayLossPerC = heatDeaths(plant) * physics.hotDayLossPerC
  const ripeCd = livesOn(plant) ? Infinity : p.t61Cd + p.t89Cd
  const aged = dailyLoss(plant, age)
  const restsAtCd = oldestAgeCd(plant, daylightH)
  for (let k = 0; k < n; k++) {
    const m = list[k]
    const tMin = tMinC[at + m]
    const crown = crownTemperature(tMin, soilC[m] - sheetedC, snowMm[at + m], p)
    const next = nextLt50(lt50C[m], crown, ageCd[m], p)
    lt50C[m] = next
    const lt50 = next + ownHardinessC[m]
    if (crown < lt50 + SAFE_ABOVE_LT50_C) {
      const survival = nightSurvival(crown, lt50)
      if (survival < worstNight[m]) {
        die(plants, m, 1 - survival / worstNight[m], residue)
        worstNight[m] = survival
      }
    }
    if (legume && tMin < FREEZES_C && !isRooted(plant, ageCd[m])) {
      const heaved = heavedShare(tMin, tMaxC[at + m], snowMm[at + m], massG[m])
      if (heaved > 0) die(plants, m, heaved, residue)
    }
    if (tMin < -3) burnLeaves(plants, m, tMin - (lt50 - 3), residue)
    const heat = tMaxC[at + m] - p.heatC
    if (heat > 0) die(plants, m, atMost(0.5, 0.03 * heat), residue)
    const hot = meanC[m] - p.growOptHighC
    if (hot > 0) die(plants, m, hotDayLossPerC * hot, residue)
    if (ageCd[m] === restsAtCd && meanC[m] < RESTS_BELOW_C) giveUpStems(plants, m, residue)
    if (aged > 0) die(plants, m, aged, residue)
    if (ageCd[m] >= ripeCd) die(plants, m, RIPE_LOSS, residue)
  }
}

/** Old stems of resting plants fall; most of their nitrogen goes back into the crown. */
function giveUpStems({ lai, massG, nitrogenG }: Plants, m: number, residue: ResiduePools): void {
  const nitrogenShare = OLD_STEMS_LOST * SENESCED_GIVES
  addResidue(residue, m, massG[m] * OLD_STEMS_LOST, nitrogenG[m] * nitrogenShare)
  lai[m] *= 1 - OLD_STEMS_LOST
  massG[m] *= 1 - OLD_STEMS_LOST
  nitrogenG[m] *= 1 - nitrogenShare
}

/** Frost takes leaf within 6 °C of what kills leaves, by its margin above that, °C. */
function burnLeaves(
  { lai, massG, nitrogenG }: Plants,
  m: number,
  marginC: number,
  residue: ResiduePools,
): void {
  if (marginC >= 6) return
  const lost = atMost(0.08, 0.015 * (6 - marginC))
  addResidue(residue, m, massG[m] * lost * 0.5, nitrogenG[m] * lost * 0.5)
  lai[m] *= 1 - lost
  massG[m] *= 1 - lost * 0.5
  nitrogenG[m] *= 1 - lost * 0.5
}
