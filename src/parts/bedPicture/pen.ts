/** Inks that plants are drawn with: stems and leaf strokes, leaf faces, flowers, and heads and pods. */
export const INKS = ['stroke', 'face', 'flower', 'fruit', 'light'] as const
export type Ink = (typeof INKS)[number]

/** Gathers outlines by ink, so that a whole stand is a handful of paths. */
export class Pen {
  private readonly paths = Object.fromEntries(INKS.map((ink) => [ink, [] as string[]])) as Record<
    Ink,
    string[]
  >

  private origin: Point = { x: 0, y: 0 }
  private scale = 1

  /** What is drawn from here on has this point for its own zero, and so many px for each of its units. */
  place(origin: Point, scale: number): void {
    this.origin = origin
    this.scale = scale
  }
  path(ink: Ink): string {
    return this.paths[ink].join('')
  }
  private add(ink: Ink, path: string): void {
    this.paths[ink].push(path)
  }
  private at({ x, y }: Point): string {
    return `${(this.origin.x + this.scale * x).toFixed(1)} ${(this.origin.y + this.scale * y).toFixed(1)}`
  }

  line(ink: Ink, ...points: readonly Point[]): void {
    const [first, ...rest] = points
    this.add(ink, `M${this.at(first)}${rest.map((point) => `L${this.at(point)}`).join('')}`)
  }
  /** An arc from a point over another to a third. */
  arc(ink: Ink, from: Point, over: Point, to: Point): void {
    this.add(ink, `M${this.at(from)}Q${this.at(over)} ${this.at(to)}`)
  }
  dot(ink: Ink, middle: Point, radius: number): void {
    const r = (radius * this.scale).toFixed(1)
    const [left, right] = [-radius, radius].map((aside) => this.at({ x: middle.x + aside, y: middle.y }))
    this.add(ink, `M${left}A${r} ${r} 0 1 0 ${right}A${r} ${r} 0 1 0 ${left}Z`)
  }
  /** A blade from two points at its foot, over another, to its tip. */
  blade(ink: Ink, left: Point, over: Point, tip: Point, under: Point, right: Point): void {
    this.add(ink, `M${this.at(left)}Q${this.at(over)} ${this.at(tip)}Q${this.at(under)} ${this.at(right)}Z`)
  }
  /** A lens from a point, `turn` in radians from straight up. */
  lens(ink: Ink, from: Point, turn: number, length: number, width: number): void {
    const along = (share: number, across: number) =>
      this.at(moved(from, turn, length * share, width * across))
    this.add(ink, `M${this.at(from)}Q${along(0.45, 1)} ${along(1, 0)}Q${along(0.45, -1)} ${this.at(from)}Z`)
  }
}

export type Point = { x: number; y: number }

/** A point `ahead` of another in a direction, `turn` in radians from straight up, and `aside` to its right. */
export const moved = ({ x, y }: Point, turn: number, ahead: number, aside = 0): Point => ({
  x: x + Math.sin(turn) * ahead + Math.cos(turn) * aside,
  y: y - Math.cos(turn) * ahead + Math.sin(turn) * aside,
})

/** A point on the arc from one point over a second to a third. */
export function onArc(from: Point, over: Point, to: Point, share: number): Point {
  const rest = 1 - share
  const blend = (name: 'x' | 'y') =>
    rest * rest * from[name] + 2 * rest * share * over[name] + share * share * to[name]
  return { x: blend('x'), y: blend('y') }
}
