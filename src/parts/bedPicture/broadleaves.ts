import { between, type Drawn } from './plant'
import { moved, onArc, type Pen, type Point } from './pen'

type Kind = 'crucifer' | 'arrow' | 'fern' | 'sun' | 'wisp' | 'rosette'

const TALL = 31
const BUDS = 51
const OPEN = 61
const SEED = 71

/** Broadleaved covers: a rosette on the ground, or stems with the leaves and flowers of their kind. */
export function drawBroadleaf(plant: Drawn, kind: Kind): void {
  const low = plant.bbch < TALL
  if (kind === 'rosette' || (low && kind === 'crucifer')) rosette(plant, kind === 'crucifer')
  else if (low && plant.height < 6) seedling(plant)
  else stems(plant, kind)
  if (kind === 'rosette' && plant.bbch >= BUDS) stems({ ...plant, leafy: 0.4 }, 'wisp')
}

function seedling({ foot, height, pen }: Drawn): void {
  const top = moved(foot, 0, height * 0.6)
  pen.line('stroke', foot, top)
  for (const turn of [-1.2, 1.2]) pen.lens('face', top, turn, Math.max(4, height), 2.2)
}

function rosette({ foot, height, leafy, random, pen }: Drawn, lobed: boolean): void {
  const leaves = Math.round(4 + 3 * leafy)
  for (let i = 0; i < leaves; i++) {
    const lean = -1.15 + (2.3 * i) / Math.max(1, leaves - 1) + between(random, -0.12, 0.12)
    const length = height * between(random, 0.85, 1.1) * (1 - 0.12 * Math.abs(lean))
    const mid = moved(foot, lean * 0.7, length * 0.5)
    pen.arc('stroke', foot, moved(foot, lean * 0.45, length * 0.35), mid)
    pen.lens('face', mid, lean, length * 0.6, length * 0.17)
    if (lobed)
      for (const side of [-1, 1])
        pen.lens('face', moved(mid, lean, -length * 0.08), lean + side * 1.2, length * 0.17, length * 0.08)
  }
}

function stems(plant: Drawn, kind: Kind): void {
  const { foot, height, bbch, leafy, random, pen } = plant
  const top = moved(foot, between(random, -0.1, 0.1), height)
  const over = moved(foot, between(random, -0.05, 0.05), height * 0.5)
  pen.arc('stroke', foot, over, top)
  const leaves = Math.max(
    2,
    Math.min(
      kind === 'wisp' ? 12 : 8,
      Math.round((height / (kind === 'sun' ? 22 : 13)) * (0.55 + 0.45 * leafy)),
    ),
  )
  for (let i = 1; i <= leaves; i++) {
    const share = 0.1 + (0.8 * i) / leaves
    const size = (kind === 'sun' ? 30 : 13) * (1.15 - 0.7 * share) * (0.6 + 0.5 * leafy)
    leafOf(kind, pen, onArc(foot, over, top, share), (i % 2 ? 1 : -1) * between(random, 0.7, 1.15), size)
  }
  if (bbch < BUDS) return
  flower(kind, pen, top, 0, bbch)
  if (kind === 'sun') return
  for (let i = 0; i < Math.round(1 + 2 * leafy); i++) {
    const side = i % 2 ? 1 : -1
    const from = onArc(foot, over, top, between(random, 0.55, 0.8))
    const end = moved(from, side * between(random, 0.35, 0.7), height * between(random, 0.16, 0.3))
    pen.line('stroke', from, end)
    flower(kind, pen, end, side * 0.4, bbch)
  }
}

function leafOf(kind: Kind, pen: Pen, from: Point, turn: number, size: number): void {
  if (kind === 'wisp') return pen.lens('face', from, turn * 0.7, size * 0.7, 1.2)
  if (kind === 'fern') {
    pen.line('stroke', from, moved(from, turn, size))
    for (let i = 1; i <= 4; i++)
      for (const side of [-1, 1])
        pen.lens(
          'face',
          moved(from, turn, (size * i) / 4.2),
          turn + side * 0.9,
          size * (0.42 - 0.06 * i),
          1.3,
        )
    return
  }
  const stalk = moved(from, turn, size * 0.3)
  pen.line('stroke', from, stalk)
  if (kind === 'arrow') {
    for (const side of [-1, 1]) pen.lens('face', stalk, turn + side * 2.3, size * 0.42, size * 0.2)
    return pen.lens('face', stalk, turn, size * 0.75, size * 0.4)
  }
  pen.lens('face', stalk, turn, size, size * (kind === 'sun' ? 0.4 : 0.26))
  if (kind === 'crucifer')
    for (const side of [-1, 1]) pen.lens('face', stalk, turn + side * 1.2, size * 0.3, size * 0.14)
}

function flower(kind: Kind, pen: Pen, from: Point, turn: number, bbch: number): void {
  const open = bbch >= OPEN
  if (kind === 'sun') {
    if (open && bbch < SEED) for (let i = 0; i < 12; i++) pen.lens('flower', from, (i * Math.PI) / 6, 11, 2.4)
    return pen.dot('fruit', from, open ? 5 : 3.2)
  }
  if (bbch >= SEED) {
    for (let i = 0; i < 4; i++)
      pen.lens(
        'fruit',
        moved(from, turn, -3.4 * i),
        turn + (i % 2 ? 1 : -1) * 0.6,
        kind === 'crucifer' ? 8 : 4.4,
        kind === 'crucifer' ? 1.3 : 2,
      )
    return
  }
  if (kind === 'fern') {
    pen.arc('stroke', from, moved(from, turn + 0.2, 8), moved(from, turn + 1.4, 8))
    for (let i = 0; i < 4; i++) pen.dot('flower', moved(from, turn + 0.3 + 0.3 * i, 6.5), open ? 2 : 1.2)
    return
  }
  const spots = open ? [0, 1, 2, 3, 4] : [0, 1, 2]
  for (const i of spots) pen.dot('flower', moved(from, turn + (i - 2) * 0.55, 3.6), open ? 1.9 : 1.1)
}
