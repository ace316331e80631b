import { seedFromText, randomStream, type RandomStream } from '../../core/foundations/random'
import { findSpecies } from '../../core/plants/catalogue'
import type { PlantGroup } from '../../core/plants/parameters'
import type { PlantsShown, Scene } from '../../core/portrait/scene'
import { drawPlant } from './drawPlant'
import { formOf } from './forms'
import { INKS, Pen, type Ink, type Point } from './pen'
import type { Scale } from './scale'

/** Plants far back, in the middle and in front, which is the nearest. */
const LAYERS = 3
/**
 * Depth of the slice of the bed whose plants are drawn, m: of plants that stand far apart a deeper one, as they are seen one
 * behind the other.
 */
const SLICE_M = 0.1
const DEEPEST_SLICE_M = 0.7
const WANTED = 16
const PX_PER_PLANT = 8
const UNITS_PER_M = 150
const LEAST_UNIT_PX = 0.55
const FOOT: Point = { x: 0, y: 0 }
/** Every plant keeps its place and its shape from day to day: all that could be drawn have their seed. */
const SEEDS = 997

export type Outlines = { layer: number; group: PlantGroup; nth: number; paths: Record<Ink, string> }[]

/** How many plants of a species a picture shows: those that stand in the slice, as far as they can be told apart. */
export function plantsDrawn({ perM2, alive }: PlantsShown, { left, right, pxPerM }: Scale): number {
  const wide = right - left
  const full = (alive > 0 ? perM2 / alive : 0) * (wide / pxPerM)
  const sliceM = Math.min(DEEPEST_SLICE_M, Math.max(SLICE_M, WANTED / Math.max(1, full)))
  // Where they stand too close to be told apart, the share that lives still shows.
  const drawn = alive * Math.min(wide / PX_PER_PLANT, full * sliceM)
  return drawn > 0.2 ? Math.max(1, Math.round(drawn)) : 0
}

/** Steps by the golden section leave no gaps, however many plants there are. */
const GOLDEN = 0.618034
const JITTER = 0.03

function placeOf(from: number, i: number, random: RandomStream, { left, right }: Scale): number {
  const share = (from / SEEDS + i * GOLDEN + JITTER * (random.uniform() - 0.5)) % 1
  return left + 3 + Math.abs(share) * (right - left - 6)
}

/** Outlines of all plants of a scene, by layer and species; the same plant stands in the same place on every day. */
export function standOutlines(scene: Scene, scale: Scale, seed: string): Outlines {
  const leafy = 0.45 + 0.8 * scene.cover.p50
  const before: Record<PlantGroup, number> = { grass: 0, legume: 0, broadleaf: 0 }
  return scene.plants.flatMap((shown) => {
    const species = findSpecies(shown.speciesId)
    if (!species) return []
    const pens = Array.from({ length: LAYERS }, () => new Pen())
    const form = formOf(species)
    const from = seedFromText(`${seed} ${shown.speciesId}`) % SEEDS
    for (let i = 0; i < plantsDrawn(shown, scale); i++) {
      const random = randomStream(from + i * SEEDS)
      const x = placeOf(from, i, random, scale)
      const layer = Math.floor(random.uniform() * LAYERS)
      const own = 0.88 + 0.24 * random.uniform()
      // Plants are drawn in units of two thirds of a centimetre, at least so large that they can be seen.
      const unit = Math.max(LEAST_UNIT_PX, scale.pxPerM / UNITS_PER_M)
      const height = Math.max(3, (shown.heightM.p50 * own * scale.pxPerM) / unit)
      const pen = pens[layer]
      pen.place({ x, y: scale.groundY + layer - 1 }, unit)
      drawPlant(form, { foot: FOOT, height, bbch: shown.bbch, leafy, random, pen })
    }
    const nth = before[species.group]++
    return pens.map((pen, layer) => ({
      layer,
      group: species.group,
      nth,
      paths: Object.fromEntries(INKS.map((ink) => [ink, pen.path(ink)])) as Record<Ink, string>,
    }))
  })
}

/** Roots of a scene's plants, as strokes: a fan, a stake with side roots, or branches. */
export function rootOutlines(scene: Scene, scale: Scale, seed: string): { fine: string; stout: string } {
  const pen = new Pen()
  for (const shown of scene.plants) {
    const species = findSpecies(shown.speciesId)
    if (!species) continue
    const from = seedFromText(`${seed} ${shown.speciesId}`) % SEEDS
    for (let i = 0; i < plantsDrawn(shown, scale); i++) {
      const x = placeOf(from, i, randomStream(from + i * SEEDS), scale)
      const random = randomStream(from + i * SEEDS + 7)
      const deepest = shown.rootM * scale.pxPerM * (0.45 + 0.55 * random.uniform())
      const foot = { x, y: scale.groundY }
      if (species.rooting === 'tap') stake(pen, foot, deepest, random)
      else fan(pen, foot, deepest, species.rooting === 'fibrous' ? 3 : 2, random)
    }
  }
  return { fine: pen.path('stroke'), stout: pen.path('fruit') }
}

/** Strands that part under the plant and wander down, most of them not far. */
function fan(pen: Pen, foot: Point, deepest: number, strands: number, random: RandomStream): void {
  for (let s = 0; s < strands; s++) {
    const reach = deepest * (s === 0 ? 1 : 0.25 + 0.5 * random.uniform())
    const aside = (random.uniform() - 0.5) * Math.min(34, 8 + reach * 0.5)
    const wander = (random.uniform() - 0.5) * 14
    const mid = { x: foot.x + aside * 0.7 + wander, y: foot.y + reach * 0.5 }
    pen.arc('stroke', foot, { x: foot.x + aside, y: foot.y + reach * 0.18 }, mid)
    pen.arc(
      'stroke',
      mid,
      { x: mid.x - wander, y: foot.y + reach * 0.75 },
      { x: mid.x + wander * 0.6, y: foot.y + reach },
    )
  }
}

/** One stout root with fine ones to its sides. */
function stake(pen: Pen, foot: Point, deepest: number, random: RandomStream): void {
  const tip = { x: foot.x + (random.uniform() - 0.5) * 8, y: foot.y + deepest }
  pen.arc('fruit', foot, { x: foot.x + 2, y: foot.y + deepest / 2 }, tip)
  for (let s = 0; s < 4; s++) {
    const start = { x: foot.x, y: foot.y + deepest * (0.12 + 0.2 * s) }
    const aside = (s % 2 ? 1 : -1) * (6 + 12 * random.uniform())
    pen.arc(
      'stroke',
      start,
      { x: start.x + aside * 0.7, y: start.y + 2 },
      { x: start.x + aside, y: start.y + 8 + 8 * random.uniform() },
    )
  }
}
