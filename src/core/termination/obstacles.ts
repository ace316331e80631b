import { ROUNDING_M, segmentSizeM } from '../garden/area'
import { fixturesIn } from '../garden/ground'
import type { Livestock, LivestockKind, Rules } from '../garden/rules'
import { CREATURE_OF, USUAL_RULES } from '../garden/usualRules'
import type { Bed, Segment } from '../garden/schema'
import type { Tool, ToolKind } from '../garden/tool'
import { AFTER_FROST_DAYS, PRUSSIC_ACID } from '../plants/harms'
import type { Harm, Species } from '../plants/parameters'
import type { WeatherEnsemble } from '../site/weather'
import { canEnter } from './entering'
import { findMethod, type Method, type MethodId } from './methods'
import { sheetsFor } from './sheetsFor'

/** Where and with what a way would be done. */
export type Place = {
  bed: Pick<Bed, 'widthM' | 'lengthM' | 'fixtures' | 'kind' | 'pathWidthM'>
  segment: Segment
  tools: readonly Pick<Tool, 'kind' | 'widthM' | 'lengthM'>[]
  /** Tools that are owned but cannot go into this bed. */
  keptOut?: readonly Pick<Tool, 'kind'>[]
  livestock: readonly Livestock[]
  plants: readonly Species[]
  rules?: Rules
}

/** Chance of a frost, of heat, and that all of the stand has ripened before the planting day, for ways that wait for it. */
export type Ahead = { cold: number; heat: number; ripe: number }

/** Below this chance of cold or heat there is nothing to wait for. */
const NO_CHANCE = 0.05

/** Whether fire is part of a way. */
export const burns = (method: Method) => method.flame || method.acts.includes('flame')

/** Kinds of animals that a way is done with. */
const KINDS: Record<NonNullable<Method['animals']>, readonly LivestockKind[]> = {
  hens: ['hens', 'ducks'],
  pigs: ['pigs'],
  grazers: ['sheep', 'goats', 'rabbits'],
}

/** Whether a pen can stand inside the frame of a bed; anywhere else it may stand over the edge. */
function penFits(
  { penLengthM, penWidthM }: Livestock,
  { bed, segment }: Pick<Place, 'bed' | 'segment'>,
): boolean {
  if (bed.kind !== 'framed' || !penLengthM || !penWidthM) return true
  const plot = segmentSizeM(bed, segment)
  const inside = (along: number, across: number) =>
    along <= plot.lengthM + ROUNDING_M && across <= plot.widthM + ROUNDING_M
  return inside(penLengthM, penWidthM) || inside(penWidthM, penLengthM)
}

/** Animals of the garden that a way can use; of several those whose pen fits the bed. */
export function stockFor(
  method: Method,
  livestock: readonly Livestock[],
  place?: Pick<Place, 'bed' | 'segment'>,
): Livestock | null {
  if (!method.animals) return null
  const stock = livestock.filter(({ kind }) => KINDS[method.animals!].includes(kind))
  return (place && stock.find((entry) => penFits(entry, place))) ?? stock[0] ?? null
}

/** Why a way cannot be done here, whatever the day; sizes in m. */
export type Obstacle =
  | { code: 'tools'; oneOf: readonly ToolKind[] }
  | {
      code: 'cannot enter'
      oneOf: readonly ToolKind[]
      keptOut: readonly ToolKind[]
      by: 'slope' | 'posts' | 'frame' | 'planter'
    }
  | { code: 'sheet too small'; sheet: 'tarp' | 'film'; wanted: Sized; largest: Sized }
  | { code: 'kept plants'; would: 'be covered' | 'be flattened' | 'be burnt' | 'be eaten' }
  | { code: 'posts' }
  | { code: 'drip lines' }
  | { code: 'animals in a planter' }
  | { code: 'pigs in a frame' }
  | { code: 'no soil from the path'; because: 'framed' | 'planter' | 'no path' }
  | { code: 'a strip already' }
  | { code: 'not biofumigant' }
  | { code: 'stalks under compost' }
  | { code: 'hardy' }
  | { code: 'likes heat' }
  | { code: 'pen without size' }
  | { code: 'pen too large' }
  | { code: 'no animals'; wanted: NonNullable<Method['animals']> }
  | { code: 'harms animals'; plant: string; kind: LivestockKind; why: string }
  | { code: 'no frost ahead' }
  | { code: 'no heat ahead' }
  | { code: 'fire ban' }
export type Sized = { widthM: number | null; lengthM: number | null }

/** Why a way cannot be done here, or null when it can. */
export function obstacleOf(method: Method, place: Place, ahead?: Ahead): Obstacle | null {
  return (
    missingTools(method, place) ??
    sheetTrouble(method, place) ??
    groundTrouble(method, place) ??
    plantTrouble(method, place, ahead) ??
    animalTrouble(method, place) ??
    seasonTrouble(method, ahead) ??
    (burns(method) && (place.rules ?? USUAL_RULES).fireBan ? { code: 'fire ban' } : null)
  )
}

function missingTools(method: Method, { tools, keptOut = [], bed, segment }: Place): Obstacle | null {
  const lacking = method.tools.find((group) => !tools.some((tool) => group.includes(tool.kind)))
  if (!lacking) return null
  const owned = keptOut.flatMap(({ kind }) => (lacking.includes(kind) ? [kind] : []))
  if (owned.length === 0) return { code: 'tools', oneOf: lacking }
  const level = { ...bed, slopePct: 0 }
  const steep = owned.every((kind) => canEnter({ kind, widthM: null }, level, segment))
  const by = steep
    ? 'slope'
    : bed.kind === 'in-ground'
      ? 'posts'
      : bed.kind === 'framed'
        ? 'frame'
        : 'planter'
  return { code: 'cannot enter', oneOf: lacking, keptOut: [...new Set(owned)], by }
}

function sheetTrouble(method: Method, { tools, bed, segment }: Place): Obstacle | null {
  if (!method.sheet) return null
  const kept = fixturesIn(bed, segment).some((fixture) => fixture.kind === 'kept plant')
  if (kept) return { code: 'kept plants', would: 'be covered' }
  if (method.sheet === 'cardboard') return null
  const kind = method.sheet === 'black' ? 'black tarp' : 'clear film'
  const size = segmentSizeM(bed, segment)
  const sheets = tools.filter((tool) => tool.kind === kind)
  if (sheetsFor(sheets, size.widthM, size.lengthM)) return null
  const name = method.sheet === 'black' ? 'tarp' : 'film'
  const largest = [...sheets].sort(
    (a, b) => (b.widthM ?? 0) * (b.lengthM ?? 0) - (a.widthM ?? 0) * (a.lengthM ?? 0),
  )[0]
  return { code: 'sheet too small', sheet: name, wanted: size, largest }
}

function groundTrouble(method: Method, { bed, segment }: Place): Obstacle | null {
  const has = (kind: 'kept plant' | 'post' | 'drip line') =>
    fixturesIn(bed, segment).some((fixture) => fixture.kind === kind)
  if (method.acts.includes('crimp') && has('post')) return { code: 'posts' }
  if (method.acts.includes('crimp') && has('kept plant'))
    return { code: 'kept plants', would: 'be flattened' }
  if (burns(method) && (has('kept plant') || has('drip line')))
    return { code: 'kept plants', would: 'be burnt' }
  if (method.animals && has('kept plant')) return { code: 'kept plants', would: 'be eaten' }
  if (method.animals && bed.kind === 'planter') return { code: 'animals in a planter' }
  if (method.animals === 'pigs' && bed.kind === 'framed') return { code: 'pigs in a frame' }
  if (method.id === 'soil-tarp' && bed.kind !== 'in-ground')
    return { code: 'no soil from the path', because: bed.kind }
  if (method.id === 'soil-tarp' && bed.pathWidthM < 0.2)
    return { code: 'no soil from the path', because: 'no path' }
  if (method.id === 'strips' && segment.kind === 'strip') return { code: 'a strip already' }
  if (method.acts.includes('turn') && has('drip line')) return { code: 'drip lines' }
  return null
}

function plantTrouble(method: Method, { plants }: Place, ahead?: Ahead): Obstacle | null {
  if (method.id === 'biofumigate' && !plants.some((plant) => plant.biofumigant >= 2))
    return { code: 'not biofumigant' }
  if (method.id === 'bury' && plants.some((plant) => plant.endingClass === 'stalk broadleaf'))
    return { code: 'stalks under compost' }
  if (method.waits === 'cold' && plants.every((plant) => plant.parameters.lt50HardyC < -20))
    return { code: 'hardy' }
  const ripens = ahead !== undefined && ahead.ripe >= NO_CHANCE
  if (method.waits === 'heat' && !ripens && plants.some((plant) => plant.season === 'warm'))
    return { code: 'likes heat' }
  return null
}

/** What is wrong with the pen of the animals of a way, or null. */
export function penTrouble(
  method: Method,
  stock: Livestock,
  place: Pick<Place, 'bed' | 'segment'>,
): Obstacle | null {
  if (method.animals === 'hens' && !(stock.penLengthM && stock.penWidthM)) return { code: 'pen without size' }
  return penFits(stock, place) ? null : { code: 'pen too large' }
}

function animalTrouble(method: Method, place: Place): Obstacle | null {
  const { livestock, plants } = place
  if (!method.animals) return null
  const stock = stockFor(method, livestock, place)
  if (!stock) return { code: 'no animals', wanted: method.animals }
  const pen = penTrouble(method, stock, place)
  if (pen) return pen
  const who = CREATURE_OF[stock.kind]
  const harm = plants.flatMap((plant) =>
    plant.harms
      .filter((entry) => entry.who === who && entry.level === 'avoid' && !staged(entry))
      .map((entry) => ({ plant, entry })),
  )[0]
  return harm
    ? { code: 'harms animals', plant: harm.plant.name, kind: stock.kind, why: harm.entry.why }
    : null
}

function seasonTrouble(method: Method, ahead?: Ahead): Obstacle | null {
  if (!ahead || !method.waits) return null
  if (method.waits === 'cold' && ahead.cold < NO_CHANCE) return { code: 'no frost ahead' }
  if (method.waits === 'heat' && Math.max(ahead.heat, ahead.ripe) < NO_CHANCE)
    return { code: 'no heat ahead' }
  return null
}

/** Whether a harm belongs to some stages only, and whether a stage is one of them. */
const staged = ({ fromBbch }: Harm) => fromBbch !== undefined
const atStage = ({ fromBbch = 0 }: Harm, bbch: number) => bbch >= fromBbch

/** Lush clover before its bloom bloats grazers most. */
const BLOOM = 61

/** Whether a night at or below freezing came between two days, or so shortly before that frosted sorghum is dangerous. */
export function frostedLately(
  { startDay, days, members }: WeatherEnsemble,
  member: number,
  fromDay: number,
  untilDay: number,
): boolean {
  const { tMinC } = members[member]
  const last = Math.min(untilDay - startDay, days - 1)
  for (let i = Math.max(0, fromDay - AFTER_FROST_DAYS - startDay); i <= last; i++)
    if (tMinC[i] <= 0) return true
  return false
}

/** A plant as it stands: stage, height in m, and whether a frost came in the last two weeks; null where not known. */
export type Standing = { bbch: number; heightM: number; frosted: boolean | null }

/** Why a plant must not be given to animals of a kind as it stands, or null. */
export function harmNow(
  kind: LivestockKind | null,
  plant: Pick<Species, 'id' | 'name' | 'harms'>,
  { bbch, heightM, frosted }: Standing,
): string | null {
  if (!kind) return null
  const prussic = CREATURE_OF[kind] === 'ruminants' ? PRUSSIC_ACID[plant.id] : undefined
  if (prussic && (heightM < prussic.fromM || frosted))
    return `${plant.name} ${frosted ? `within ${AFTER_FROST_DAYS} days of a frost` : 'this low'} can poison what grazes it. Wait, and ask a vet.`
  const harm = plant.harms.find(
    (entry) =>
      entry.who === CREATURE_OF[kind] && entry.level === 'avoid' && staged(entry) && atStage(entry, bbch),
  )
  return harm
    ? `${plant.name} is not for ${kind} at this stage: ${harm.why} End it another way. Ask a vet.`
    : null
}

/** What to mind about a plant for grazers at this stage: bloat comes from lush clover. */
export const bloatNow = (method: Method, plant: Species, bbch: number): string | null =>
  method.animals === 'grazers' && plant.endingClass.includes('clover') && bbch < BLOOM
    ? `${plant.name} before bloom bloats most: hay first, short spells, never wet. Ask a vet.`
    : null

/**
 * Harms to the animals of a way that ask for care: all that may come, or with stages only those of the stage each plant
 * has reached; `{height}` stands for the least height of a grass, m.
 */
export function animalCautions(
  methodId: MethodId,
  place: Pick<Place, 'livestock' | 'plants' | 'bed' | 'segment'>,
  bbchOf: (plant: number) => number | null = () => null,
): { text: string; heightM: number | null }[] {
  const method = findMethod(methodId)
  const stock = method && method.animals ? stockFor(method, place.livestock, place) : null
  if (!stock) return []
  const who = CREATURE_OF[stock.kind]
  return place.plants.flatMap((plant, i) => {
    const bbch = bbchOf(i)
    const prussic = who === 'ruminants' ? PRUSSIC_ACID[plant.id] : undefined
    return [
      ...plant.harms
        .filter((entry) => entry.who === who && (bbch === null || atStage(entry, bbch)))
        .map(({ why }) => ({ text: `${plant.name} and ${stock.kind}: ${why} Ask a vet.`, heightM: null })),
      ...(prussic
        ? [
            {
              text: `${plant.name}: never below {height}, nor for ${AFTER_FROST_DAYS} days after a frost. Ask a vet.`,
              heightM: prussic.fromM,
            },
          ]
        : []),
    ]
  })
}
