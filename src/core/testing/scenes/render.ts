import { decode, encode } from 'jpeg-js'
import { randomStream } from '../../foundations/random'
import {
  buildScene,
  GROUND,
  HEIGHT_CM,
  WIDTH_CM,
  type Patch,
  type Reflectance,
  type SceneWish,
  type Wave,
} from './scene'

/** A made photograph with the truth of its geometry. */
export type Photograph = {
  widthPx: number
  heightPx: number
  rgba: Uint8ClampedArray
  /** Share of what is neither board nor hand that is leaf, seen from above, 0–1. */
  cover: number
}

const PX_PER_CM = 14
const W = WIDTH_CM * PX_PER_CM
const H = HEIGHT_CM * PX_PER_CM

/** What is seen at each pixel: height, the patch (−1 ground), and which way the surface faces. */
type Surface = { z: Float32Array; patch: Int32Array; nx: Float32Array; ny: Float32Array }

function drawPatch(surface: Surface, patch: Patch, id: number) {
  const { x, y, z, length, width, turn, rise, strip } = patch
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  const slope = Math.tan(Math.max(-1.1, Math.min(1.1, rise)))
  const reach = (length / 2) * Math.cos(rise)
  const radius = Math.hypot(reach, width / 2)
  const from = (of: number, limit: number) => Math.max(0, Math.min(limit - 1, Math.floor(of * PX_PER_CM)))
  const [lastRow, firstColumn, lastColumn] = [from(y + radius, H), from(x - radius, W), from(x + radius, W)]
  for (let row = from(y - radius, H); row <= lastRow; row++)
    for (let column = firstColumn; column <= lastColumn; column++) {
      const dx = (column + 0.5) / PX_PER_CM - x
      const dy = (row + 0.5) / PX_PER_CM - y
      const along = dx * cos + dy * sin
      const across = -dx * sin + dy * cos
      const inside = strip
        ? Math.abs(along) <= reach && Math.abs(across) <= (width / 2) * (1 - 0.3 * Math.abs(along / reach))
        : (along / reach) ** 2 + (across / (width / 2)) ** 2 <= 1
      const at = row * W + column
      const height = z + slope * along
      if (!inside || height <= surface.z[at]) continue
      surface.z[at] = height
      surface.patch[at] = id
      // A leaf is folded a little along its middle.
      const fold = patch.material === 'leaf' ? 0.35 * Math.sign(across) : 0
      surface.nx[at] = -slope * cos - fold * sin
      surface.ny[at] = -slope * sin + fold * cos
    }
}

/** Heights of the ground at crossings of columns `xs` and rows `ys`, cm: of a sum of waves, each the sine of two angles. */
function groundAt(waves: readonly Wave[], xs: readonly number[], ys: readonly number[]): Float64Array {
  const heights = new Float64Array(xs.length * ys.length)
  for (const { fx, fy, phase, height } of waves) {
    const [sinX, cosX] = [xs.map((x) => Math.sin(fx * x)), xs.map((x) => Math.cos(fx * x))]
    ys.forEach((y, row) => {
      const [sin, cos] = [height * Math.sin(fy * y + phase), height * Math.cos(fy * y + phase)]
      for (let column = 0, at = row * xs.length; column < xs.length; column++, at++)
        heights[at] += sinX[column] * cos + cosX[column] * sin
    })
  }
  return heights
}

/** How far apart the ground is looked at for its slope, cm. */
const NEAR_CM = 0.1

function surfaceOf({ patches, clods }: ReturnType<typeof buildScene>): Surface {
  const surface: Surface = {
    z: new Float32Array(W * H),
    patch: new Int32Array(W * H).fill(-1),
    nx: new Float32Array(W * H),
    ny: new Float32Array(W * H),
  }
  const along = (count: number, by = 0) => Array.from({ length: count }, (_, i) => i / PX_PER_CM + by)
  const [xs, ys] = [along(W), along(H)]
  const [left, right] = [-NEAR_CM, NEAR_CM].map((by) => groundAt(clods, along(W, by), ys))
  const [above, below] = [-NEAR_CM, NEAR_CM].map((by) => groundAt(clods, xs, along(H, by)))
  surface.z.set(groundAt(clods, xs, ys))
  for (let at = 0; at < W * H; at++) {
    surface.nx[at] = (left[at] - right[at]) / (2 * NEAR_CM)
    surface.ny[at] = (above[at] - below[at]) / (2 * NEAR_CM)
  }
  patches.forEach((patch, id) => drawPatch(surface, patch, id))
  return surface
}

const LIGHTS = {
  overcast: { sun: 0, sky: 1, elevation: 1 },
  'low sun': { sun: 1, sky: 0.13, elevation: 0.6 },
  'noon sun': { sun: 1, sky: 0.08, elevation: 1.05 },
} as const
const SUN: Reflectance = [1, 0.93, 0.82]
const SKY: Reflectance = [0.66, 0.85, 1.12]
/** What a sunlit leaf lets through to what lies under it. */
const THROUGH: Reflectance = [0.03, 0.08, 0.012]

/** Length of a ray towards the sun, pixels. */
const RAY_PX = 160

/** What stands between a point and the sun: −2 nothing, −1 the ground, else a patch. A ray passes under what lies above it. */
function shadedBy(
  { z, patch }: Surface,
  highest: number,
  at: number,
  [sunX, sunY, rise]: readonly [number, number, number],
): number {
  const x0 = at % W
  const y0 = Math.floor(at / W)
  let before = 0
  let inside = -2
  // Once it is above all there is, a ray meets nothing any more.
  const steps = Math.min(RAY_PX, Math.ceil(((highest - z[at] - 0.05) * PX_PER_CM) / rise) + 2)
  for (let step = 1; step < steps; step++) {
    const x = Math.round(x0 + sunX * step)
    const y = Math.round(y0 + sunY * step)
    if (x < 0 || y < 0 || x >= W || y >= H) return -2
    const on = y * W + x
    const above = z[at] + 0.05 + (rise * step) / PX_PER_CM - z[on]
    if (patch[on] === patch[at] && patch[on] >= 0) continue
    if (patch[on] === -1 ? above < 0 : inside === patch[on] && before * above < 0) return patch[on]
    inside = patch[on]
    before = above
  }
  return -2
}

/** How open the sky is over each point, 0–1, by how much higher its surroundings stand. */
function openness({ z }: Surface): Float32Array {
  const mean = boxMean(z, 2 * PX_PER_CM)
  return z.map((height, at) => Math.exp(-0.55 * Math.max(0, mean[at] - height)))
}

function boxMean(values: Float32Array, radius: number): Float32Array {
  const pass = (from: Float32Array, stride: number, count: number, lines: number, lineStride: number) => {
    const to = new Float32Array(from.length)
    for (let line = 0; line < lines; line++) {
      let sum = 0
      let n = 0
      const add = (value: number, count: number) => {
        sum += value
        n += count
      }
      const read = (i: number) => from[line * lineStride + i * stride]
      for (let i = 0; i < Math.min(count, radius); i++) add(read(i), 1)
      for (let i = 0; i < count; i++) {
        if (i + radius < count) add(read(i + radius), 1)
        if (i - radius - 1 >= 0) add(-read(i - radius - 1), -1)
        to[line * lineStride + i * stride] = sum / n
      }
    }
    return to
  }
  return pass(pass(values, 1, W, H, W), W, H, W, 1)
}

/** Renders a scene as a camera would see it from above: sun with shadows, sky, gloss, noise, and compression. */
export function photograph(wish: SceneWish): Photograph {
  const scene = buildScene(wish)
  const surface = surfaceOf(scene)
  const random = randomStream(wish.seed ^ 0x5ce)
  const light = LIGHTS[wish.light]
  const azimuth = 6.283 * random.uniform()
  const sun = [Math.cos(azimuth), Math.sin(azimuth), Math.tan(light.elevation)] as const
  const [sunX, sunY] = sun
  const highest = surface.z.reduce((most, height) => Math.max(most, height), -Infinity)
  const open = openness(surface)
  const linear = [new Float32Array(W * H), new Float32Array(W * H), new Float32Array(W * H)]
  let leaf = 0
  let counted = 0
  for (let at = 0; at < W * H; at++) {
    const patch = scene.patches[surface.patch[at]] as Patch | undefined
    const colour = patch?.colour ?? GROUND[wish.ground]
    if (patch?.material !== 'object') counted++
    if (patch?.material === 'leaf') leaf++
    const grain = patch ? 1 : Math.exp(0.18 * random.normal())
    const norm = Math.hypot(surface.nx[at], surface.ny[at], 1)
    const facing =
      (surface.nx[at] * sunX + surface.ny[at] * sunY) * Math.cos(light.elevation) + Math.sin(light.elevation)
    const shade = light.sun > 0 ? shadedBy(surface, highest, at, sun) : -1
    const lit = shade === -2
    const underLeaf = shade >= 0 && scene.patches[shade].material === 'leaf'
    const direct = lit ? (light.sun * Math.abs(facing)) / norm : 0
    // Half way between the sun and the camera above.
    const half = Math.max(0, (facing / norm + 1 / norm) / Math.sqrt(2 + 2 * Math.sin(light.elevation)))
    const shine = lit ? (patch?.gloss ?? 0) * 0.35 * half ** 40 : 0
    for (let c = 0; c < 3; c++) {
      const sky = light.sky * SKY[c] * open[at]
      const leaked = underLeaf ? THROUGH[c] : 0
      linear[c][at] = colour[c] * grain * (direct * SUN[c] + sky + leaked) + shine * SUN[c]
    }
  }
  return { ...developed(linear, random), cover: leaf / Math.max(1, counted) }
}

/** Exposure, white balance, noise, tone, and compression of a camera. */
function developed(
  linear: readonly Float32Array[],
  random: ReturnType<typeof randomStream>,
): Omit<Photograph, 'cover'> {
  const sorted = Float32Array.from(linear[1]).sort()
  const exposure = 0.75 / Math.max(1e-4, sorted[Math.floor(0.97 * sorted.length)])
  const balance = [1 + 0.05 * random.normal(), 1, 1 + 0.05 * random.normal()]
  const rgba = new Uint8ClampedArray(4 * W * H).fill(255)
  linear.forEach((values, c) => {
    const soft = boxMean(values, 1)
    for (let at = 0; at < W * H; at++) {
      const signal = 0.6 * values[at] + 0.4 * soft[at]
      const exposed = Math.max(0, signal * exposure * balance[c])
      const noisy = exposed + (0.012 * Math.sqrt(exposed) + 0.003) * random.normal()
      const tone = noisy <= 0.0031 ? 12.92 * noisy : 1.055 * Math.max(0, noisy) ** (1 / 2.4) - 0.055
      rgba[4 * at + c] = 255 * tone
    }
  })
  const packed = encode(
    { data: rgba as unknown as Buffer, width: W, height: H },
    72 + Math.round(18 * random.uniform()),
  )
  const { data } = decode(packed.data, { useTArray: true })
  return { widthPx: W, heightPx: H, rgba: new Uint8ClampedArray(data) }
}
