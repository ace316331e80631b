import type { Bed, Tool } from '../garden/schema'

/** A plain bed of 10 × 1.2 m for tests. */
export const testBed: Bed = {
  id: 'b',
  gardenId: 'g',
  sectionId: 's',
  label: 'A1',
  walkOrder: 0,
  kind: 'in-ground',
  lengthM: 10,
  widthM: 1.2,
  pathWidthM: 0.4,
  soil: 'loam',
  fertility: 'medium',
  shade: 0,
  fixtures: [],
}

export const testTool = (
  kind: Tool['kind'],
  widthM: number | null = null,
  lengthM: number | null = null,
): Tool => ({
  id: kind,
  kind,
  widthM,
  lengthM,
})
