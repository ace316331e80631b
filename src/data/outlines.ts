import type { Bed, Garden, GardenData } from '../core/garden/schema'
import { segmentAreaM2 } from '../core/garden/area'

/** Metres of a degree of latitude, WGS 84, at mid latitudes (within half a percent everywhere). */
const METRES_PER_DEGREE = 111_132
/** Ground between two sections, m. */
const SECTION_GAP_M = 3

/** Corners are told to a millimetre or so. */
const rounded = (degrees: number) => Math.round(degrees * 1e8) / 1e8

type Position = [longitude: number, latitude: number]
type Outline = {
  type: 'Feature'
  id: string
  properties: Record<string, string | number>
  geometry: { type: 'Polygon'; coordinates: Position[][] }
}

/** Where a bed's south-western corner lies from the garden's own corner, m east and north. */
type Placed = { bed: Bed; east: number; north: number }

/** Beds side by side in walking order, one row for each section, their long sides northward. */
function placed(sections: Garden['sections'], beds: readonly Bed[]): Placed[] {
  const all: Placed[] = []
  let north = 0
  for (const { id } of sections) {
    const row = beds.filter(({ sectionId }) => sectionId === id).sort((a, b) => a.walkOrder - b.walkOrder)
    const longest = Math.max(0, ...row.map(({ lengthM }) => lengthM))
    north -= longest
    let east = 0
    for (const bed of row) {
      all.push({ bed, east, north })
      east += bed.widthM + bed.pathWidthM
    }
    if (row.length > 0) north -= SECTION_GAP_M
  }
  return all
}

/**
 * The outlines of all beds as GeoJSON (RFC 7946), to scale, for a map program: laid side by side in walking order from the
 * garden's latitude on, at longitude 0, for Kilim knows neither where a bed lies nor how it is turned.
 */
export function outlinesOf({ garden, beds }: Pick<GardenData, 'garden' | 'beds'>): string {
  const { latitude } = garden.site
  const perDegreeEast = METRES_PER_DEGREE * Math.cos((latitude * Math.PI) / 180)
  const position = (east: number, north: number): Position => [
    rounded(east / perDegreeEast),
    rounded(latitude + north / METRES_PER_DEGREE),
  ]
  const sections = new Map(garden.sections.map(({ id, name }) => [id, name]))
  const features = placed(garden.sections, beds).map(({ bed, east, north }): Outline => {
    const [right, top] = [east + bed.widthM, north + bed.lengthM]
    // Counterclockwise, and closed, as the format asks.
    const ring = [
      position(east, north),
      position(right, north),
      position(right, top),
      position(east, top),
      position(east, north),
    ]
    return {
      type: 'Feature',
      id: bed.id,
      properties: {
        bed: bed.label,
        section: sections.get(bed.sectionId) ?? '',
        place: bed.walkOrder + 1,
        kind: bed.kind,
        length_m: bed.lengthM,
        width_m: bed.widthM,
        to_sow_m2: segmentAreaM2(bed, { kind: 'whole' }),
        soil: bed.soil,
      },
      geometry: { type: 'Polygon', coordinates: [ring] },
    }
  })
  const placing =
    'Beds to scale, side by side in walking order; longitude 0 stands for an unknown one. Move and turn them to where they lie.'
  return JSON.stringify({ type: 'FeatureCollection', name: garden.name, placing, features }, null, 1)
}
