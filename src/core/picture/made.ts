import { clamp } from '../foundations/statistics'
import { randomStream, type RandomStream } from '../foundations/random'
import type { PlantGroup } from '../plants/parameters'
import type { Pixels } from './greenCover'

export type MadePicture = {
  /** Green cover wanted, 0–1. */
  cover: number
  group: PlantGroup
  seed: number
  widthPx: number
  heightPx: number
  /** What lies between the plants. */
  ground: 'soil' | 'straw'
  light: 'even' | 'hard'
  /** Pixels over which it is blurred; 0 is sharp. */
  blurPx: number
}

type Colour = readonly [number, number, number]
const SOIL: Colour = [112, 84, 62]
const STRAW: Colour = [196, 168, 104]
const LEAVES: Record<PlantGroup, Colour> = {
  grass: [86, 128, 52],
  legume: [78, 122, 62],
  broadleaf: [98, 136, 58],
}

type Canvas = {
  red: Float32Array
  green: Float32Array
  blue: Float32Array
  leaf: Uint8Array
  /** How many points of it are leaf. */
  leaves: number
  w: number
  h: number
}

function paint(canvas: Canvas, at: number, [red, green, blue]: Colour, brightness: number) {
  canvas.red[at] = red * brightness
  canvas.green[at] = green * brightness
  canvas.blue[at] = blue * brightness
}

function layGround(canvas: Canvas, ground: MadePicture['ground'], random: RandomStream) {
  const patches = Array.from({ length: 48 }, () => random.uniform() * 6.28)
  for (let at = 0; at < canvas.leaf.length; at++) {
    const x = at % canvas.w
    const y = Math.floor(at / canvas.w)
    const rough = 0.1 * Math.sin(x / 9 + patches[y % 48]) + 0.1 * Math.sin(y / 7 + patches[x % 48])
    paint(canvas, at, SOIL, 0.85 + rough + 0.16 * (random.uniform() - 0.5))
  }
  if (ground === 'soil') return
  // Straws lie this way and that, thick enough to hide most of the soil.
  for (let i = 0; i < (canvas.w * canvas.h) / 90; i++)
    strokeLeaf(canvas, random.uniform() * canvas.w, random.uniform() * canvas.h, random.uniform() * 6.28, {
      length: 0.16 * canvas.w,
      width: 1.3,
      colour: STRAW,
      brightness: 0.75 + 0.4 * random.uniform(),
      leaf: 0,
    })
}

type Stroke = { length: number; width: number; colour: Colour; brightness: number; leaf: 0 | 1 }

/** A lens-shaped leaf or straw from a point on; bounded work, whatever lies outside is cut off. */
function strokeLeaf(canvas: Canvas, x: number, y: number, angle: number, stroke: Stroke) {
  const { length, width, colour, brightness, leaf } = stroke
  const along = [Math.cos(angle), Math.sin(angle)]
  for (let s = 0; s <= length; s += 0.7) {
    const half = width * Math.sqrt(Math.max(0, 1 - (2 * (s / length) - 1) ** 2))
    for (let t = -half; t <= half; t += 0.7) {
      const px = Math.round(x + along[0] * s - along[1] * t)
      const py = Math.round(y + along[1] * s + along[0] * t)
      if (px < 0 || py < 0 || px >= canvas.w || py >= canvas.h) continue
      const at = py * canvas.w + px
      paint(canvas, at, colour, brightness * (1 - 0.12 * Math.abs(t / (width + 0.01))))
      canvas.leaves += leaf - canvas.leaf[at]
      canvas.leaf[at] = leaf
    }
  }
}

/** One plant of a group at a point: blades, leaflets in threes along a stem, or a rosette. */
function growPlant(canvas: Canvas, x: number, y: number, group: PlantGroup, random: RandomStream) {
  const scale = canvas.w / 160
  const turn = random.uniform() * 6.28
  const shade = () => 0.75 + 0.5 * random.uniform()
  // Some leaves are yellower, some bluer than the rest.
  const tint = random.uniform()
  const [red, green, blue] = LEAVES[group]
  const colour: Colour = [red + 34 * tint * tint, green + 10 * tint, blue - 8 * tint]
  const leaf = (angle: number, length: number, width: number, dx = 0, dy = 0) =>
    strokeLeaf(canvas, x + dx, y + dy, angle, {
      length: length * scale,
      width: width * scale,
      colour,
      brightness: shade(),
      leaf: 1,
    })
  if (group === 'grass') for (let i = 0; i < 5; i++) leaf(turn + i * 1.26 + random.uniform(), 17, 1.1)
  else if (group === 'legume')
    for (let i = 0; i < 4; i++) {
      const angle = turn + i * 1.57
      const dx = Math.cos(angle) * 5 * scale
      const dy = Math.sin(angle) * 5 * scale
      for (let j = -1; j <= 1; j++) leaf(angle + j * 1.1, 6, 2.1, dx, dy)
    }
  else for (let i = 0; i < 6; i++) leaf(turn + i * 1.05, 11, 2.6)
}

/** Shadows of something tall across the picture, and leaves that shine. */
function hardLight(canvas: Canvas, random: RandomStream) {
  const slant = 0.4 + random.uniform()
  const band = canvas.w * (0.16 + 0.1 * random.uniform())
  for (let at = 0; at < canvas.leaf.length; at++) {
    const x = at % canvas.w
    const y = Math.floor(at / canvas.w)
    const shaded = Math.floor((x + slant * y) / band) % 2 === 0
    const shine = canvas.leaf[at] && random.uniform() < 0.06 ? 70 : 0
    canvas.red[at] = canvas.red[at] * (shaded ? 0.3 : 1.35) + shine
    canvas.green[at] = canvas.green[at] * (shaded ? 0.32 : 1.3) + shine
    canvas.blue[at] = canvas.blue[at] * (shaded ? 0.4 : 1.2) + shine
  }
}

function blurred(values: Float32Array, w: number, h: number, radius: number): Float32Array {
  const pass = (from: Float32Array, step: number, size: number, stride: number, lines: number) => {
    const to = new Float32Array(from.length)
    for (let line = 0; line < lines; line++)
      for (let i = 0; i < size; i++) {
        let sum = 0
        let count = 0
        for (let k = Math.max(0, i - radius); k <= Math.min(size - 1, i + radius); k++) {
          sum += from[line * stride + k * step]
          count++
        }
        to[line * stride + i * step] = sum / count
      }
    return to
  }
  return pass(pass(values, 1, w, w, h), w, h, 1, w)
}

/** Plants put down at most before the picture is taken as closed. */
const MOST_PLANTS = 20_000

/**
 * A picture of ground with plants of a group on it, drawn until the cover wanted is reached; gives the pixels and the
 * cover they really have. The same wishes give the same picture.
 */
export function madePicture(wish: MadePicture): Pixels & { cover: number } {
  const { widthPx: w, heightPx: h } = wish
  const random = randomStream(wish.seed)
  const canvas: Canvas = {
    red: new Float32Array(w * h),
    green: new Float32Array(w * h),
    blue: new Float32Array(w * h),
    leaf: new Uint8Array(w * h),
    leaves: 0,
    w,
    h,
  }
  layGround(canvas, wish.ground, random)
  const coverNow = () => canvas.leaves / canvas.leaf.length
  let cover = 0
  for (let i = 0; i < MOST_PLANTS && cover < wish.cover; i++) {
    growPlant(canvas, random.uniform() * w, random.uniform() * h, wish.group, random)
    if (i % 4 === 3 || wish.cover < 0.2) cover = coverNow()
  }
  if (wish.light === 'hard') hardLight(canvas, random)
  const rgba = new Uint8ClampedArray(w * h * 4)
  ;[canvas.red, canvas.green, canvas.blue].forEach((values, channel) => {
    const out = wish.blurPx > 0 ? blurred(values, w, h, wish.blurPx) : values
    for (let at = 0; at < out.length; at++)
      rgba[at * 4 + channel] = clamp(out[at] + 5 * (random.uniform() - 0.5), 0, 255)
  })
  for (let at = 0; at < w * h; at++) rgba[at * 4 + 3] = 255
  return { widthPx: w, heightPx: h, rgba, cover: wish.cover <= 0 ? 0 : coverNow() }
}
