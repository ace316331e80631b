/** A point on a picture as shares of its width and height, 0–1. */
export type Point = { x: number; y: number }

/** Four corners of a frame laid on the ground, clockwise from the top left, and its shape. */
export type Frame = { corners: readonly [Point, Point, Point, Point]; shape: 'frame' | 'ring' }

/** The whole picture. */
export const WHOLE_PICTURE: Frame = {
  corners: [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 1, y: 1 },
    { x: 0, y: 1 },
  ],
  shape: 'frame',
}

const cross = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)

/** Whether the corners make a frame that can be laid flat: convex, and not folded to nothing. */
export function isFlat({ corners }: Frame): boolean {
  return corners.every((corner, i) => cross(corner, corners[(i + 1) % 4], corners[(i + 2) % 4]) > 1e-4)
}

/**
 * Maps the unit square onto a frame seen at a slant (projective, after Heckbert 1989), so that equal steps on the
 * ground are equal steps of u and v. u and v run 0–1 over the frame.
 */
export function ontoFrame({ corners }: Frame): (u: number, v: number) => Point {
  const [p0, p1, p2, p3] = corners
  const dx3 = p0.x - p1.x + p2.x - p3.x
  const dy3 = p0.y - p1.y + p2.y - p3.y
  const dx1 = p1.x - p2.x
  const dx2 = p3.x - p2.x
  const dy1 = p1.y - p2.y
  const dy2 = p3.y - p2.y
  const determinant = dx1 * dy2 - dx2 * dy1
  const g = determinant === 0 ? 0 : (dx3 * dy2 - dx2 * dy3) / determinant
  const h = determinant === 0 ? 0 : (dx1 * dy3 - dx3 * dy1) / determinant
  const a = p1.x - p0.x + g * p1.x
  const b = p3.x - p0.x + h * p3.x
  const d = p1.y - p0.y + g * p1.y
  const e = p3.y - p0.y + h * p3.y
  return (u, v) => {
    const w = g * u + h * v + 1
    return { x: (a * u + b * v + p0.x) / w, y: (d * u + e * v + p0.y) / w }
  }
}
