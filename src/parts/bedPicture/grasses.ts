import { between, type Drawn } from './plant'
import { moved, onArc, type Pen, type Point } from './pen'

type Head = 'ear' | 'awns' | 'panicle' | 'spike' | 'club'

const SHOOTING = 31
const HEADED = 51
const NODDING = 65

/** A tuft of arching blades that sends up jointed stems with the head of its kind. */
export function drawGrass(plant: Drawn, head: Head): void {
  const { bbch, foot, height, leafy, random, pen } = plant
  if (bbch < SHOOTING) {
    const blades = bbch < 21 ? 2 : Math.round(4 + 3 * leafy)
    for (let i = 0; i < blades; i++) {
      const lean = between(random, -1, 1)
      const length = height * between(random, 0.8, 1.25)
      blade(pen, foot, lean * 0.9, length, Math.min(2.4, 1 + length / 60))
    }
    return
  }
  const stems = 1 + Math.round(1.4 * leafy * random.uniform())
  for (let i = 0; i < stems; i++) stem(plant, head, i)
  for (let i = 0; i < 2; i++)
    blade(pen, foot, between(random, -1.1, 1.1), height * between(random, 0.2, 0.34), 2)
}

function stem({ foot, height, bbch, leafy, random, pen }: Drawn, head: Head, index: number): void {
  const rise = height * (index === 0 ? between(random, 0.9, 1.06) : between(random, 0.7, 0.95))
  const headed = bbch >= HEADED
  const headLength = headed ? Math.min(rise * 0.16, 26) * (head === 'club' ? 1.5 : 1) : 0
  const sway = between(random, -0.1, 0.1)
  const from = { x: foot.x + between(random, -3, 3), y: foot.y }
  const top = moved(from, sway, rise - headLength)
  const over = moved(from, sway * 0.2, rise * 0.55)
  pen.arc('stroke', from, over, top)
  const leaves = Math.round(2 + 2 * leafy)
  for (let leaf = 0; leaf < leaves; leaf++) {
    const share = 0.18 + (0.62 * (leaf + 0.5 * random.uniform())) / leaves
    const side = (leaf + index) % 2 === 0 ? 1 : -1
    blade(
      pen,
      onArc(from, over, top, share),
      side * between(random, 0.5, 0.95),
      rise * between(random, 0.2, 0.32),
      1.8,
    )
  }
  if (headed)
    drawHead(
      pen,
      top,
      sway + (bbch >= NODDING ? between(random, 0.2, 0.7) * Math.sign(sway || 1) : 0),
      headLength,
      head,
      bbch,
    )
}

/** A leaf blade: up, over, and down at its tip. */
function blade(pen: Pen, from: Point, lean: number, length: number, width: number): void {
  const over = moved(from, lean * 0.35, length * 0.75)
  const tip = moved(over, lean * 1.5 + Math.sign(lean) * 0.55, length * 0.45)
  const under = moved(over, Math.PI / 2, width * 0.5)
  pen.blade(
    'face',
    moved(from, 0, 0, -width / 2),
    over,
    tip,
    { x: under.x, y: under.y + width },
    moved(from, 0, 0, width / 2),
  )
}

function drawHead(pen: Pen, from: Point, turn: number, length: number, head: Head, bbch: number): void {
  if (head === 'panicle') return panicle(pen, from, turn, length, bbch)
  if (head === 'club') return pen.lens('fruit', from, turn, length, Math.max(2.5, length * 0.22))
  const rows = head === 'spike' ? 5 : 7
  for (let row = 0; row < rows; row++) {
    const place = moved(from, turn, (length * row) / rows)
    const size = length * (head === 'spike' ? 0.2 : 0.26)
    for (const side of [-1, 1]) {
      pen.lens('fruit', place, turn + side * 0.42, size, size * 0.42)
      if (head !== 'spike')
        pen.line(
          'light',
          moved(place, turn + side * 0.3, size),
          moved(place, turn + side * 0.24, size + length * (head === 'awns' ? 0.75 : 0.36)),
        )
    }
  }
  pen.lens('fruit', moved(from, turn, length * 0.86), turn, length * 0.24, length * 0.09)
}

function panicle(pen: Pen, from: Point, turn: number, length: number, bbch: number): void {
  pen.line('stroke', from, moved(from, turn, length))
  for (let row = 0; row < 5; row++)
    for (const side of [-1, 1]) {
      const start = moved(from, turn, length * (0.1 + 0.18 * row))
      const out = moved(start, turn + side * 0.9, length * (0.42 - 0.06 * row))
      pen.line('stroke', start, out)
      pen.lens('fruit', out, Math.PI - side * 0.25, length * (bbch >= 71 ? 0.22 : 0.16), length * 0.07)
    }
}
