import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { findSpecies, SPECIES } from '../plants/catalogue'
import {
  dailyThermalTime,
  developmentPace,
  effectiveTemperature,
  growthResponse,
  photoFactor,
  vernalFactor,
  vernalisingDay,
} from './development'
import { crownTemperature, nextLt50, nightSurvival } from './hardiness'
import { soilRelease } from '../soil/nitrogen'
import { criticalNitrogenPct, plateauMassG } from './nitrogen'
import { bbchAt, stageName, stagesOf } from './stage'
import { drawMemberParameters, MEMBER_SD } from './memberParameters'

const rye = findSpecies('cereal-rye')!.parameters
const sorghum = findSpecies('sorghum-sudangrass')!.parameters
const oats = findSpecies('oats')!.parameters

describe('thermal time', () => {
  test('rises from the base, is level at the best temperatures, and stops at the maximum', () => {
    expect([-5, 0, 10, 22, 25, 28, 33, 38, 45].map((t) => effectiveTemperature(t, 0, 22, 28, 38))).toEqual([
      0, 0, 10, 22, 22, 22, 11, 0, 0,
    ])
  })
  test('a day swinging about the base still counts; its mean alone would not', () => {
    expect(dailyThermalTime(-8, 8, rye)).toBeGreaterThan(0)
    expect(dailyThermalTime(-1, 1, rye)).toBeLessThan(dailyThermalTime(-8, 8, rye))
  })
  test('a hot day is worth less than a warm one to a cool-season plant', () => {
    expect(dailyThermalTime(26, 42, rye)).toBeLessThan(dailyThermalTime(18, 28, rye))
    expect(growthResponse(26, 42, rye)).toBeLessThan(growthResponse(14, 24, rye))
    expect(growthResponse(14, 24, rye)).toBeLessThanOrEqual(1)
  })
})

describe('what slows development', () => {
  test('cold days vernalise between −4 and 16 °C, best from 1 to 8', () => {
    expect([-10, 4, 20].map(vernalisingDay)).toEqual([0, 1, 0])
    expect(vernalisingDay(12)).toBeLessThan(vernalisingDay(8))
  })
  test('winter rye waits for cold, oats do not', () => {
    expect(vernalFactor(0, rye)).toBeCloseTo(rye.vernalFloor)
    expect(vernalFactor(rye.vernalDays, rye)).toBe(1)
    expect(vernalFactor(0, oats)).toBe(1)
  })
  test('long days hasten rye, short days sorghum', () => {
    expect(photoFactor(16, rye)).toBeGreaterThan(photoFactor(10, rye))
    expect(photoFactor(12.5, sorghum)).toBeGreaterThan(photoFactor(15.5, sorghum))
    expect(photoFactor(3, rye)).toBeCloseTo(rye.photoFloor)
  })
  test('vernalisation acts to BBCH 31, daylength fully to 51, by half to 61, then neither', () => {
    const at = (ageCd: number, vernal: number, hours: number) =>
      10 * developmentPace(ageCd, vernal, photoFactor(hours, rye), rye)
    expect(at(10, 0, 16)).toBeLessThan(at(10, 60, 16))
    expect(at(rye.t31Cd + 1, 0, 16)).toBe(at(rye.t31Cd + 1, 60, 16))
    expect(at(rye.t51Cd + 1, 0, 8)).toBeGreaterThan(at(rye.t31Cd + 1, 0, 8))
    expect(at(rye.t61Cd + 1, 0, 8)).toBe(10)
  })
})

describe('stages', () => {
  test.each(SPECIES.map((plant) => [plant.id, plant.parameters] as const))(
    '%s: BBCH never goes back and passes its named points',
    (_id, p) => {
      let last = 0
      for (let age = 0; age < p.t61Cd + p.t89Cd + 50; age += 7) {
        const code = bbchAt(age, p)
        expect(code).toBeGreaterThanOrEqual(last)
        last = code
      }
      expect(bbchAt(0, p)).toBe(9)
      expect(bbchAt(p.t31Cd, p)).toBeCloseTo(31)
      expect(bbchAt(p.t51Cd, p)).toBeCloseTo(51)
      expect(bbchAt(p.t61Cd, p)).toBeCloseTo(61)
      expect(bbchAt(p.t61Cd + p.t65Cd, p)).toBeCloseTo(65)
      expect(last).toBe(89)
    },
  )
  test('words follow the plant group', () => {
    expect(stageName(65, 'grass')).toBe('full pollen')
    expect(stageName(65, 'legume')).toBe('half bloom')
    expect(stageName(0, 'broadleaf')).toBe('not up')
    expect(stagesOf('grass').map((stage) => stage.bbch)).toEqual(
      [...stagesOf('grass').map((stage) => stage.bbch)].sort((a, b) => a - b),
    )
  })
})

describe('hardiness', () => {
  const settle = (crownC: number, days: number, ageCd = 0, start = rye.lt50TenderC) => {
    let lt50 = start
    for (let day = 0; day < days; day++) lt50 = nextLt50(lt50, crownC, ageCd, rye)
    return lt50
  }
  test('weeks near freezing harden rye far, and a warm spell softens it again', () => {
    const hard = settle(1, 60)
    expect(hard).toBeLessThan(-20)
    expect(settle(16, 20, 0, hard)).toBeGreaterThan(-10)
  })
  test('lengthening stems cost hardiness', () => {
    expect(settle(1, 60, rye.t61Cd)).toBeGreaterThan(settle(1, 60, 0) + 15)
  })
  test('a colder night never raises survival, hardening held', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: -30, max: 0, noNaN: true }),
        (crown, colder, lt50) => {
          expect(nightSurvival(crown - colder, lt50)).toBeLessThanOrEqual(nightSurvival(crown, lt50))
        },
      ),
    )
    expect(nightSurvival(-12, -12)).toBeCloseTo(0.5)
  })
  test('snow shelters the crown', () => {
    expect(crownTemperature(-20, -1, 40, rye)).toBeGreaterThan(crownTemperature(-20, -1, 0, rye) + 3)
  })
})

describe('nitrogen', () => {
  const critical = (massG: number) => criticalNitrogenPct(massG, plateauMassG(rye), rye)
  test('wheat-like cereals: 5.35 % at 1 t/ha capped by the plateau, 1.94 % at 10 t/ha (Justes et al. 1994)', () => {
    expect(critical(1000)).toBeCloseTo(1.94, 2)
    expect(critical(50)).toBe(rye.nitrogenPlateau)
    expect(critical(0)).toBe(rye.nitrogenPlateau)
  })
  test('release from soil doubles over 10 °C and stops in frost', () => {
    expect(soilRelease(30, 0.055) / soilRelease(20, 0.055)).toBeCloseTo(2)
    expect(soilRelease(-1, 0.055)).toBe(0)
  })
})

test('memberParameters centre on the species’ own values and repeat by seed', () => {
  const of = (ids: readonly string[], members: number, seed: number) =>
    drawMemberParameters(
      ids.map((id) => ({ plant: findSpecies(id)! })),
      members,
      seed,
    ).species
  const [clover, berseem, rye] = of(['crimson-clover', 'berseem-clover', 'cereal-rye'], 2000, 3).map((own) =>
    own.growth.map(Math.log),
  )
  const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length
  const together = (a: Float64Array, b: Float64Array) =>
    mean(a.map((value, i) => value * b[i])) / Math.sqrt(mean(a.map((v) => v * v)) * mean(b.map((v) => v * v)))
  expect(mean(berseem)).toBeCloseTo(0, 1)
  expect(Math.sqrt(mean(berseem.map((value) => value * value)))).toBeCloseTo(MEMBER_SD.growth, 1)
  // Kin err together; all that stand in one bed do a little.
  expect(together(clover, berseem)).toBeCloseTo(0.65, 1)
  expect(together(clover, rye)).toBeCloseTo(0.3, 1)
  expect(of(['oats'], 50, 3)).toEqual(of(['cereal-rye', 'oats'], 50, 3).slice(1))
  expect(of(['oats'], 50, 4)).not.toEqual(of(['oats'], 50, 3))
})
