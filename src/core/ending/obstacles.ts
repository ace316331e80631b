import { partSizeM } from '../garden/area'
import { USUAL_RULES, type Livestock, type Rules } from '../garden/rules'
import type { Bed, BedPart, Tool } from '../garden/schema'
import type { Species } from '../plants/parameters'
import { findWay, type Way, type WayId } from './ways'

/** Where and with what a way would be done. */
export type Place = {
  bed: Pick<Bed, 'widthM' | 'lengthM' | 'fixtures' | 'kind' | 'pathWidthM'>
  part: BedPart
  tools: readonly Pick<Tool, 'kind' | 'widthM' | 'lengthM'>[]
  livestock: readonly Livestock[]
  plants: readonly Species[]
  rules?: Rules
}

/** Chance of a frost or of heat before the planting day, for ways that wait for it. */
export type Ahead = { cold: number; heat: number }

/** Below this chance of cold or heat there is nothing to wait for. */
const NO_CHANCE = 0.05

const WHO = {
  hens: 'poultry',
  ducks: 'poultry',
  pigs: 'pigs',
  sheep: 'ruminants',
  goats: 'ruminants',
  rabbits: null,
} as const

/** Whether fire is part of a way. */
export const burns = (way: Way) => way.flame || way.acts.includes('flame')

/** Animals of the garden that a way can use. */
export function stockFor(way: Way, livestock: readonly Livestock[]): Livestock | null {
  if (!way.animals) return null
  return (
    livestock.find(({ kind }) =>
      way.animals === 'hens'
        ? kind === 'hens' || kind === 'ducks'
        : way.animals === 'pigs'
          ? kind === 'pigs'
          : kind === 'sheep' || kind === 'goats' || kind === 'rabbits',
    ) ?? null
  )
}

/** Why a way cannot be done here, with the fix, or null when it can. */
export function obstacleOf(way: Way, place: Place, ahead?: Ahead): string | null {
  return (
    missingTools(way, place) ??
    sheetTrouble(way, place) ??
    groundTrouble(way, place) ??
    plantTrouble(way, place) ??
    animalTrouble(way, place) ??
    seasonTrouble(way, ahead) ??
    (burns(way) && (place.rules ?? USUAL_RULES).fireBan
      ? 'You have set a fire ban. Take it off in the Garden room once it is lifted.'
      : null)
  )
}

function missingTools(way: Way, { tools }: Place): string | null {
  const lacking = way.tools.find((group) => !tools.some((tool) => group.includes(tool.kind)))
  return lacking ? `Needs ${lacking.join(' or ')}; none is on your list of tools.` : null
}

function sheetTrouble(way: Way, { tools, bed, part }: Place): string | null {
  if (!way.sheet) return null
  const kept = bed.fixtures.some((fixture) => fixture.kind === 'kept plant')
  if (kept) return 'Kept plants stand in this bed; a sheet would kill them.'
  if (way.sheet === 'cardboard') return null
  const kind = way.sheet === 'black' ? 'black tarp' : 'clear film'
  const size = partSizeM(bed, part)
  const sheets = tools.filter((tool) => tool.kind === kind)
  if (sheetsFor(sheets, size.widthM, size.lengthM)) return null
  const name = way.sheet === 'black' ? 'tarp' : 'film'
  const largest = [...sheets].sort(
    (a, b) => (b.widthM ?? 0) * (b.lengthM ?? 0) - (a.widthM ?? 0) * (a.lengthM ?? 0),
  )[0]
  return `No ${name} of yours covers ${size.widthM} × ${size.lengthM} m; the largest is ${largest.widthM} × ${largest.lengthM} m. End a part of the bed, or add a bigger one in the Garden room.`
}

/** How far two sheets overlap where one alone is too short, m. */
export const SHEET_OVERLAP_M = 0.4

type Size = Pick<Tool, 'widthM' | 'lengthM'>

/** The smallest sheet that covers a size, or two that do together, laid end to end with an overlap; null when none do. */
export function sheetsFor<T extends Size>(sheets: readonly T[], widthM: number, lengthM: number): T[] | null {
  const bySize = [...sheets].sort((a, b) => areaOf(a) - areaOf(b))
  const one = bySize.find((sheet) => covers(sheet, widthM, lengthM))
  if (one) return [one]
  const [across, along] = [Math.min(widthM, lengthM), Math.max(widthM, lengthM)]
  const reach = (sheet: Size) => Math.max(sheet.widthM ?? Infinity, sheet.lengthM ?? Infinity)
  const wide = bySize.filter(
    (sheet) => Math.min(sheet.widthM ?? Infinity, sheet.lengthM ?? Infinity) >= across,
  )
  for (const [i, a] of wide.entries())
    for (const b of wide.slice(i + 1)) if (reach(a) + reach(b) - SHEET_OVERLAP_M >= along) return [a, b]
  return null
}

const areaOf = (sheet: Size) => (sheet.widthM ?? 99) * (sheet.lengthM ?? 999)

/** Whether a sheet covers a size, turned either way; unknown sizes are taken to be enough. */
function covers(sheet: Size, widthM: number, lengthM: number): boolean {
  const width = sheet.widthM ?? Infinity
  const length = sheet.lengthM ?? Infinity
  return (width >= widthM && length >= lengthM) || (width >= lengthM && length >= widthM)
}

function groundTrouble(way: Way, { bed, part }: Place): string | null {
  const has = (kind: 'kept plant' | 'post' | 'drip line') =>
    bed.fixtures.some((fixture) => fixture.kind === kind)
  if (way.acts.includes('crimp') && has('post')) return 'Posts in the bed keep the board from lying flat.'
  if (burns(way) && (has('kept plant') || has('drip line')))
    return 'Kept plants or drip lines in the bed would be burnt.'
  if (way.animals && has('kept plant')) return 'Kept plants stand in this bed; animals would eat them.'
  if (way.animals && bed.kind === 'planter')
    return 'A planter is no place for animals: they fall, and predators reach them.'
  if (way.animals === 'pigs' && bed.kind === 'framed') return 'Pigs would lift the frame.'
  if (way.id === 'soil-tarp' && (bed.kind !== 'in-ground' || bed.pathWidthM < 0.2))
    return 'There is no path beside this bed to take soil from.'
  if (way.id === 'strips' && part.kind === 'strip') return 'This is a strip already.'
  if (way.acts.includes('turn') && has('drip line')) return 'Drip lines lie in the bed; lift them first.'
  return null
}

function plantTrouble(way: Way, { plants }: Place): string | null {
  if (way.id === 'biofumigate' && !plants.some((plant) => plant.biofumigant >= 2))
    return 'Only mustards and oilseed radish give off enough when they are buried.'
  if (way.id === 'bury' && plants.some((plant) => plant.endingClass === 'stalk broadleaf'))
    return 'Stalks do not rot under compost; chop and pull them.'
  if (way.waits === 'cold' && plants.every((plant) => plant.parameters.lt50HardyC < -20))
    return 'It is hardy: no usual winter kills it.'
  if (way.waits === 'heat' && plants.some((plant) => plant.season === 'warm')) return 'It likes heat.'
  return null
}

function animalTrouble(way: Way, { livestock, plants }: Place): string | null {
  if (!way.animals) return null
  const stock = stockFor(way, livestock)
  const wanted = { hens: 'hens', pigs: 'pigs', grazers: 'sheep, goats or rabbits' }[way.animals]
  if (!stock) return `Needs ${wanted}; none are on your list in the Garden room.`
  if (way.animals === 'hens' && !(stock.penLengthM && stock.penWidthM))
    return 'The pen has no size yet. Measure it and enter its length and width in the Garden room.'
  const who = WHO[stock.kind]
  const harm = plants.flatMap((plant) =>
    plant.harms
      .filter((entry) => entry.who === who && entry.level === 'avoid')
      .map((entry) => ({ plant, entry })),
  )[0]
  return harm ? `${harm.plant.name} is not for ${stock.kind}: ${harm.entry.why} Ask a vet.` : null
}

function seasonTrouble(way: Way, ahead?: Ahead): string | null {
  if (!ahead || !way.waits) return null
  if (way.waits === 'cold' && ahead.cold < NO_CHANCE) return 'No killing frost is in sight before planting.'
  if (way.waits === 'heat' && ahead.heat < NO_CHANCE)
    return 'No heat that would kill it is in sight before planting.'
  return null
}

/** A sorghum lower than this, m, or touched by frost, can poison what grazes it. */
const SORGHUM_SAFE_M = 0.6
/** Pods of vetches fill from this BBCH on; their seed is poisonous to poultry. */
const PODS_FILL = 73
/** Lush clover before its bloom bloats grazers most. */
const BLOOM = 61

/** Why a plant must not be given to the animals of a way at this stage and height, or null. */
export function harmNow(way: Way, plant: Species, bbch: number, heightM: number): string | null {
  if (way.animals === 'grazers' && plant.endingClass === 'sorghum' && heightM < SORGHUM_SAFE_M)
    return `${plant.name} below ${SORGHUM_SAFE_M} m, or after frost, can poison what grazes it. Wait, and ask a vet.`
  if (way.animals === 'hens' && plant.endingClass === 'vetch' && bbch >= PODS_FILL)
    return `The pods of ${plant.name.toLowerCase()} are filling, and their seed is poisonous to poultry. End it another way.`
  return null
}

/** What to mind about a plant for grazers at this stage: bloat comes from lush clover. */
export const bloatNow = (way: Way, plant: Species, bbch: number): string | null =>
  way.animals === 'grazers' && plant.endingClass.includes('clover') && bbch < BLOOM
    ? `${plant.name} before bloom bloats most: hay first, short spells, never wet. Ask a vet.`
    : null

/** Harms to the animals of a way that ask for care, not for leaving it. */
export function animalCautions(wayId: WayId, place: Pick<Place, 'livestock' | 'plants'>): string[] {
  const way = findWay(wayId)
  const stock = way && way.animals ? stockFor(way, place.livestock) : null
  if (!stock) return []
  return place.plants.flatMap((plant) =>
    plant.harms
      .filter((entry) => entry.who === WHO[stock.kind])
      .map((entry) => `${plant.name} and ${stock.kind}: ${entry.why} Ask a vet.`),
  )
}
