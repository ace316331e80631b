import { between, type Drawn } from './plant'
import { moved, onArc, type Pen, type Point } from './pen'

type Habit = 'climber' | 'trefoil' | 'cone' | 'bush' | 'hand'

const TALL = 31
const BUDS = 51
const OPEN = 61
const PODS = 71

/** Legumes by how they hold themselves: climbing on what stands, low trefoils, or upright bushes. */
export function drawLegume(plant: Drawn, habit: Habit): void {
  if (habit === 'climber') climber(plant)
  else if (habit === 'bush' || habit === 'hand') upright(plant, habit)
  else trefoil(plant, habit === 'cone')
}

function climber({ foot, height, bbch, leafy, random, pen }: Drawn): void {
  const shoots = bbch < 21 ? 1 : Math.round(1.4 + 1.3 * leafy)
  for (let i = 0; i < shoots; i++) {
    const rise = height * between(random, 0.72, 1.05)
    const drift = between(random, -0.55, 0.55)
    const over = { x: foot.x + drift * rise * 0.9, y: foot.y - rise * 0.4 }
    const top = { x: foot.x + drift * rise * 0.35, y: foot.y - rise }
    pen.arc('stroke', foot, over, top)
    const pairs = Math.max(2, Math.min(9, Math.round(rise / 13)))
    for (let pair = 1; pair <= pairs; pair++) {
      const place = onArc(foot, over, top, pair / (pairs + 0.4))
      feather(pen, place, (pair % 2 ? 1 : -1) * between(random, 0.8, 1.3), 7 + 5 * leafy)
      if (bbch >= BUDS && pair > pairs * 0.45) cluster(pen, place, pair % 2 ? -0.9 : 0.9, bbch)
    }
    tendril(pen, top, drift >= 0 ? 1 : -1)
  }
}

/** A feathered leaf: leaflets in pairs along a stalk. */
function feather(pen: Pen, from: Point, turn: number, length: number): void {
  pen.line('stroke', from, moved(from, turn, length))
  for (const share of [0.35, 0.65, 0.95])
    for (const side of [-1, 1])
      pen.lens('face', moved(from, turn, length * share), turn + side * 1.05, length * 0.5, length * 0.17)
}

function tendril(pen: Pen, from: Point, side: number): void {
  pen.arc('stroke', from, moved(from, side * 0.5, 9), moved(from, side * 1.5, 7))
}

/** Flowers hanging to one side of a stalk; later pods. */
function cluster(pen: Pen, from: Point, turn: number, bbch: number): void {
  const reach = 7
  pen.line('stroke', from, moved(from, turn, reach))
  if (bbch >= PODS) {
    for (const lean of [-0.35, 0.25])
      pen.lens('fruit', moved(from, turn, reach), Math.PI + lean, bbch >= 75 ? 10 : 7, 2)
    return
  }
  const size = bbch >= OPEN ? 2.1 : 1.2
  for (let i = 0; i < 4; i++)
    pen.dot('flower', moved(moved(from, turn, reach), turn, i * 2.1 - 1, 1.4), size * (1 - i * 0.12))
}

function trefoil({ foot, height, bbch, leafy, random, pen }: Drawn, cone: boolean): void {
  const stalks = bbch < 21 ? 2 : Math.round(4 + 3 * leafy)
  for (let i = 0; i < stalks; i++) {
    const lean = between(random, -0.75, 0.75) * (bbch >= TALL ? 0.55 : 1)
    const rise = height * between(random, 0.55, 0.98)
    const top = moved(foot, lean, rise)
    pen.arc('stroke', foot, moved(foot, lean * 0.4, rise * 0.6), top)
    const size = Math.min(8, 3.2 + height / 16)
    for (const turn of [-1.25, 0, 1.25]) pen.lens('face', top, lean + turn, size, size * 0.45)
  }
  if (bbch < BUDS) return
  for (let i = 0; i < Math.round(1 + 1.5 * leafy); i++) {
    const lean = between(random, -0.3, 0.3)
    const rise = height * between(random, 0.88, 1.05)
    const top = moved(foot, lean, rise)
    pen.line('stroke', foot, top)
    head(pen, top, lean, cone, bbch)
  }
}

function head(pen: Pen, from: Point, turn: number, cone: boolean, bbch: number): void {
  const ink = bbch >= PODS + 4 ? 'fruit' : 'flower'
  if (bbch < OPEN) pen.dot('fruit', moved(from, turn, 2), 2.4)
  else if (cone) {
    pen.lens(ink, from, turn, 13, 4.4)
    for (let i = 1; i < 4; i++)
      pen.line('light', moved(from, turn, i * 3, -2.4), moved(from, turn, i * 3 + 1.2, 2.4))
  } else {
    pen.dot(ink, moved(from, turn, 2.6), 3.4)
    for (const side of [-0.8, 0, 0.8]) pen.line('light', moved(from, turn, 2), moved(from, turn + side, 5.6))
  }
}

function upright({ foot, height, bbch, leafy, random, pen }: Drawn, habit: 'bush' | 'hand'): void {
  const top = moved(foot, between(random, -0.06, 0.06), height)
  const over = moved(foot, between(random, -0.04, 0.04), height * 0.5)
  pen.arc('stroke', foot, over, top)
  const leaves = Math.max(2, Math.min(14, Math.round((height / 9) * (0.6 + 0.4 * leafy))))
  for (let i = 1; i <= leaves; i++) {
    const place = onArc(foot, over, top, 0.12 + (0.86 * i) / leaves)
    const side = i % 2 ? 1 : -1
    const out = between(random, 0.7, 1.1) * side
    const stalk = moved(place, out, 6 + 3 * leafy)
    pen.line('stroke', place, stalk)
    const fan = habit === 'hand' ? [-1.2, -0.6, 0, 0.6, 1.2] : [-0.7, 0.7]
    for (const turn of fan) pen.lens('face', stalk, out + turn, 9 + 4 * leafy, habit === 'hand' ? 2.4 : 4.2)
    if (bbch < BUDS || i < leaves * 0.4) continue
    if (bbch >= PODS) pen.lens('fruit', place, -side * 0.5, bbch >= 75 ? 13 : 8, 2.4)
    else
      for (const lean of [-0.5, 0.1])
        pen.dot('flower', moved(place, lean - side * 0.5, 4), bbch >= OPEN ? 2.4 : 1.3)
  }
}
