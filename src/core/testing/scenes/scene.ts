import { randomStream, type RandomStream } from '../../foundations/random'

/**
 * Made pictures of beds by geometry: leaves, straws, boards and hands as thin patches in space over rough ground. It shares
 * nothing with what reads pictures but the stream of random numbers. Lengths are centimetres.
 */

/** Share of each part of the light that a surface gives back: red, green, blue, 0–1. */
export type Reflectance = readonly [number, number, number]
export type Material = 'soil' | 'straw' | 'leaf' | 'object'

/** A thin patch: an ellipse or a strip about a point, turned and tilted. */
export type Patch = {
  x: number
  y: number
  z: number
  length: number
  width: number
  /** Direction of its length, and how steeply it rises along it, radians. */
  turn: number
  rise: number
  strip: boolean
  material: Material
  colour: Reflectance
  /** 0 dull – 1 wet. */
  gloss: number
}

export type Foliage = 'blades' | 'leaflets' | 'rosettes' | 'pale regrowth'
export type SceneWish = {
  foliage: Foliage
  /** Plants set down on the ground. */
  plants: number
  ground: 'dark soil' | 'soil' | 'pale soil' | 'straw'
  light: 'overcast' | 'low sun' | 'noon sun'
  glossy: boolean
  objects: readonly ('board' | 'hand')[]
  seed: number
}

export const WIDTH_CM = 24
export const HEIGHT_CM = 18

const LEAF: Record<Foliage, Reflectance> = {
  blades: [0.07, 0.15, 0.035],
  leaflets: [0.055, 0.13, 0.04],
  rosettes: [0.07, 0.16, 0.045],
  'pale regrowth': [0.3, 0.4, 0.12],
}
export const GROUND: Record<SceneWish['ground'], Reflectance> = {
  'dark soil': [0.05, 0.038, 0.028],
  soil: [0.14, 0.095, 0.06],
  'pale soil': [0.34, 0.26, 0.18],
  straw: [0.14, 0.095, 0.06],
}
const STRAW: Reflectance = [0.52, 0.4, 0.2]
const WOOD: Reflectance = [0.42, 0.28, 0.16]
const SKIN: Reflectance = [0.5, 0.28, 0.2]

const varied = (colour: Reflectance, random: RandomStream, spread = 0.2): Reflectance => {
  const all = Math.exp(spread * random.normal())
  const warm = 0.06 * random.normal()
  return [colour[0] * all * (1 + warm), colour[1] * all, colour[2] * all * (1 - warm)]
}

function plantAt(x: number, y: number, { foliage, glossy }: SceneWish, random: RandomStream): Patch[] {
  const base = varied(LEAF[foliage], random)
  const gloss = glossy ? 0.5 + 0.5 * random.uniform() : 0.15
  const leaf = (own: Partial<Patch>): Patch => ({
    x,
    y,
    z: 1,
    length: 3,
    width: 1,
    turn: 6.283 * random.uniform(),
    rise: 0.4 * random.normal(),
    strip: false,
    material: 'leaf',
    colour: varied(base, random, 0.12),
    gloss,
    ...own,
  })
  const tall = 2 + 8 * random.uniform()
  const around = (count: number, of: (turn: number, i: number) => Patch[]) =>
    Array.from({ length: count }, (_, i) =>
      of(6.283 * (i / count) + 0.6 * random.normal(), i),
    ).flat()
  if (foliage === 'blades')
    return around(5, (turn, i) => {
      const length = 4 + 5 * random.uniform()
      const start = { turn, length, width: 0.45 + 0.3 * random.uniform(), strip: true }
      const reach = length * 0.5
      return [
        leaf({ ...start, x: x + reach * Math.cos(turn), y: y + reach * Math.sin(turn), z: 1 + 0.3 * tall + 0.2 * i, rise: 0.7 }),
        leaf({ ...start, x: x + 2.2 * reach * Math.cos(turn), y: y + 2.2 * reach * Math.sin(turn), z: 1.4 + 0.5 * tall, rise: -0.2 }),
      ]
    })
  if (foliage === 'leaflets' || foliage === 'pale regrowth')
    return around(foliage === 'leaflets' ? 5 : 4, (turn) => {
      const out = 1 + 2 * random.uniform()
      const z = 0.8 + tall * (0.4 + 0.6 * random.uniform()) * (foliage === 'leaflets' ? 1 : 0.4)
      return [-1.3, 0, 1.3].map((side) =>
        leaf({ x: x + out * Math.cos(turn) + 0.8 * Math.cos(turn + side), y: y + out * Math.sin(turn) + 0.8 * Math.sin(turn + side), z, length: 1.7, width: 1.1, turn: turn + side }),
      )
    })
  return around(7, (turn) => {
    const out = 1.5 + 2 * random.uniform()
    return [
      leaf({ x: x + out * Math.cos(turn), y: y + out * Math.sin(turn), z: 1 + 0.35 * tall * random.uniform(), length: 5 + 2 * random.uniform(), width: 2 + random.uniform(), turn, rise: 0.3 + 0.2 * random.normal() }),
    ]
  })
} // prettier-ignore

function strawLayer(random: RandomStream): Patch[] {
  return Array.from({ length: 260 }, () => ({
    x: WIDTH_CM * random.uniform(),
    y: HEIGHT_CM * random.uniform(),
    z: 0.2 + 1.2 * random.uniform(),
    length: 8 + 8 * random.uniform(),
    width: 0.3 + 0.25 * random.uniform(),
    turn: 6.283 * random.uniform(),
    rise: 0.05 * random.normal(),
    strip: true,
    material: 'straw' as const,
    colour: varied(STRAW, random, 0.25),
    gloss: 0.25,
  }))
}

function objectPatches(kind: 'board' | 'hand', random: RandomStream): Patch[] {
  const flat = { rise: 0, material: 'object' as const }
  if (kind === 'board')
    return [
      { ...flat, x: WIDTH_CM / 2, y: HEIGHT_CM - 2, z: 14, length: 40, width: 3 + random.uniform(), turn: 0.03 * random.normal(), strip: true, colour: varied(WOOD, random, 0.2), gloss: 0.05 },
    ] // prettier-ignore
  const y = 3 + 6 * random.uniform()
  const skin = varied(SKIN, random, 0.25)
  return [0, 1, 2, 3]
    .map((finger) => ({ ...flat, x: 6, y: y + 1.9 * finger, z: 15, length: 8, width: 1.8, turn: 0.1 * finger - 0.15, strip: false, colour: skin, gloss: 0.2 }))
    .concat([{ ...flat, x: 1.5, y: y + 3, z: 15, length: 9, width: 8.5, turn: 0, strip: false, colour: skin, gloss: 0.2 }]) // prettier-ignore
}

/** A wave of rough ground: turns per centimetre along both sides, where it begins, and its height, cm. */
export type Wave = { fx: number; fy: number; phase: number; height: number }

/** All patches of a scene, and the waves that its rough ground is the sum of. */
export function buildScene(wish: SceneWish): { patches: Patch[]; clods: Wave[] } {
  const random = randomStream(wish.seed)
  const waves = Array.from({ length: 14 }, () => ({
    fx: random.normal() * 1.6,
    fy: random.normal() * 1.6,
    phase: 6.283 * random.uniform(),
    height: 0.28 * random.uniform(),
  }))
  const plants = Array.from({ length: wish.plants }, () =>
    plantAt(WIDTH_CM * random.uniform(), HEIGHT_CM * random.uniform(), wish, random),
  ).flat()
  return {
    patches: [
      ...(wish.ground === 'straw' ? strawLayer(random) : []),
      ...plants,
      ...wish.objects.flatMap((kind) => objectPatches(kind, random)),
    ],
    clods: waves,
  }
}
