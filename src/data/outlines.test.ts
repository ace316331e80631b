import { expect, test } from '@jest/globals'
import { area } from '@turf/area'
import { booleanValid } from '@turf/boolean-valid'
import { marlpitLane } from '../demo/marlpitLane'
import { outlinesOf } from './outlines'

type Feature = {
  properties: { bed: string; length_m: number; width_m: number }
  geometry: { type: 'Polygon'; coordinates: [number, number][][] }
  type: 'Feature'
}
const demo = marlpitLane()
const { features } = JSON.parse(outlinesOf(demo)) as { features: Feature[] }

test('every bed is a sound outline to another reader, of the size it has', () => {
  expect(features.map(({ properties }) => properties.bed).sort()).toEqual(
    demo.beds.map(({ label }) => label).sort(),
  )
  for (const feature of features) {
    expect(booleanValid(feature)).toBe(true)
    const { length_m, width_m } = feature.properties
    expect(area(feature) / (length_m * width_m)).toBeCloseTo(1, 1)
  }
})

test('no two beds lie on one another, and rings turn as the format asks', () => {
  const boxes = features.map(({ geometry: { coordinates } }) => {
    const [ring] = coordinates
    const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)]
    const turn = ring.slice(1).reduce((sum, [x, y], i) => sum + (x - ring[i][0]) * (y + ring[i][1]), 0)
    expect(turn).toBeLessThan(0)
    expect(ring.at(-1)).toEqual(ring[0])
    return { west: Math.min(...xs), east: Math.max(...xs), south: Math.min(...ys), north: Math.max(...ys) }
  })
  boxes.forEach((a, i) =>
    boxes.slice(i + 1).forEach((b) => {
      const apart = a.east <= b.west || b.east <= a.west || a.north <= b.south || b.north <= a.south
      expect(apart).toBe(true)
    }),
  )
})

test('on the southern side, and in a garden without beds', () => {
  const south = { ...demo.garden, site: { ...demo.garden.site, latitude: -41 } }
  const all = JSON.parse(outlinesOf({ garden: south, beds: demo.beds })) as { features: Feature[] }
  expect(all.features.every(({ geometry }) => geometry.coordinates[0][0][1] < -40.9)).toBe(true)
  expect(JSON.parse(outlinesOf({ garden: south, beds: [] }))).toMatchObject({ features: [] })
})
