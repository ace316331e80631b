import { expect, test } from '@jest/globals'
import normals from '../../../validation/stations.json'
import { CLIMATE_TYPES, siteFromType, warmedBy } from './climateTypes'

const { stations } = normals
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length

test('every generic climate is held against one station', () => {
  expect(stations.map(({ type }) => type).sort()).toEqual(CLIMATE_TYPES.map(({ id }) => id).sort())
})

test.each(stations)('$type is like $place', ({ type, latitude, elevationM, tMaxC, tMinC, rainMm }) => {
  const site = siteFromType(
    CLIMATE_TYPES.find(({ id }) => id === type)!,
    latitude,
    elevationM,
  )
  for (const [generic, station] of [
    [site.tMaxC, tMaxC],
    [site.tMinC, tMinC],
  ]) {
    const off = generic.map((value, month) => value - station[month])
    expect(Math.abs(mean(off))).toBeLessThanOrEqual(1.8)
    expect(Math.max(...off.map(Math.abs))).toBeLessThanOrEqual(3.6)
  }
  expect(mean(site.rainMm) / mean(rainMm)).toBeGreaterThan(0.65)
  expect(mean(site.rainMm) / mean(rainMm)).toBeLessThan(1.5)
})

test('a place poleward of its climate, or higher, is made colder by so much', () => {
  const [type] = CLIMATE_TYPES
  expect(warmedBy(type, type.latitude, type.elevationM)).toBe(0)
  expect(warmedBy(type, type.latitude + 2, type.elevationM)).toBeCloseTo(-1)
  expect(warmedBy(type, -type.latitude, type.elevationM + 100)).toBeCloseTo(-0.65)
})

test('near the equator rain makes the seasons on both sides alike; farther south they are turned', () => {
  const highland = CLIMATE_TYPES.find(({ id }) => id === 'tropical-highland')!
  expect(siteFromType(highland, -1.3, 1700).rainMm).toEqual(highland.rainMm)
  expect(siteFromType(highland, -20, 1700).rainMm).not.toEqual(highland.rainMm)
})
