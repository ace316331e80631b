import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { mesh } from 'topojson-client'
import { kmBetween } from '../src/core/site/places'

type Point = { latitude: number; longitude: number }

/** Farther than this from the sea nothing is looked for, km. */
const FAR_KM = 300
/** Points of a coast lie at least so near to one another, degrees. */
const STEP = 0.1
/** Nearer the poles the map closes itself with lines that are no coast, degrees. */
const NO_COAST_BEYOND = 84

/** Distance to the nearest coast, km, at most `FAR_KM`, from the coasts of the world (Natural Earth, public domain, 1 : 50 million). */
export function kmToSea(): (at: Point) => number {
  const file = createRequire(import.meta.url).resolve('world-atlas/land-50m.json')
  const map = JSON.parse(readFileSync(file, 'utf8'))
  const cells = new Map<string, Point[]>()
  const cell = (latitude: number, longitude: number) => `${Math.floor(latitude)} ${Math.floor(longitude)}`
  const add = (longitude: number, latitude: number) => {
    if (Math.abs(latitude) > NO_COAST_BEYOND || Math.abs(longitude) > 179.9) return
    const key = cell(latitude, longitude)
    const points = cells.get(key)
    if (points) points.push({ latitude, longitude })
    else cells.set(key, [{ latitude, longitude }])
  }
  for (const line of mesh(map, map.objects.land).coordinates)
    for (let i = 1; i < line.length; i++) {
      const [[x0, y0], [x1, y1]] = [line[i - 1], line[i]]
      // A line that leaves the map on one side and comes back on the other.
      if (Math.abs(x1 - x0) > 180) continue
      const steps = Math.max(1, Math.ceil(Math.max(Math.abs(x1 - x0), Math.abs(y1 - y0)) / STEP))
      for (let k = 0; k < steps; k++) add(x0 + ((x1 - x0) * k) / steps, y0 + ((y1 - y0) * k) / steps)
    }
  return (at) => {
    const high = FAR_KM / 111
    const wide = high / Math.max(0.2, Math.cos((at.latitude * Math.PI) / 180))
    let nearest = FAR_KM
    for (let y = Math.floor(at.latitude - high); y <= at.latitude + high; y++)
      for (let x = Math.floor(at.longitude - wide); x <= at.longitude + wide; x++)
        for (const point of cells.get(`${y} ${((((x + 180) % 360) + 360) % 360) - 180}`) ?? [])
          nearest = Math.min(nearest, kmBetween(point, at))
    return nearest
  }
}
