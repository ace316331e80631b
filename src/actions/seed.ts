import type { Step } from './step'
import { isoDate } from '../core/foundations/day'
import type { SeedLot, SeedPack, Sower } from '../core/garden/seed'
import type { Garden } from '../core/garden/schema'
import { findSpecies } from '../core/plants/catalogue'
import { newId } from '../data/ids'
import { added, changed } from '../data/writes'
import { grams } from '../text/format'

const nameOf = (speciesId: string) => findSpecies(speciesId)?.name ?? speciesId
const tenth = (value: number) => Math.round(value * 10) / 10

/** What is told of a bag: grams, shares of one; null where the label or a test says nothing. */
export type Bag = Pick<SeedLot, 'label' | 'year' | 'price' | 'treated' | 'labelGermination'> & {
  speciesId: string
  grams: number
  purity: number | null
  tested: number | null
  sprouted: number | null
  inoculantExpires: number | null
}

/** Writes down a bag or packet of straight seed, with an own germination test of today. */
export function addLot(garden: Garden, bag: Bag, today: number): Step {
  const { speciesId, grams: bought, purity, tested, sprouted, inoculantExpires, ...told } = bag
  const lot: SeedLot = {
    id: newId('lot'),
    gardenId: garden.id,
    ...told,
    label: told.label.trim() || nameOf(speciesId),
    contents: [{ speciesId, weightShare: 1 }],
    boughtGrams: tenth(bought),
    leftGrams: tenth(bought),
    purity: purity ?? 1,
    test: tested === null || sprouted === null ? null : { date: isoDate(today), seeds: tested, sprouted },
    inoculantExpires: inoculantExpires === null ? null : isoDate(inoculantExpires),
  }
  return { label: `Added ${lot.label} ${lot.year}`, writes: [added('lots', lot)] }
}

export const removeLot = (lot: SeedLot): Step => ({
  label: `Removed the lot ${lot.label}`,
  writes: [{ table: 'lots', remove: lot.id }],
})

/** Lists a pack of straight seed that can be bought, g and its price. */
export function listPack(
  garden: Garden,
  { speciesId, grams: weight, price }: { speciesId: string; grams: number; price: number },
): Step {
  const pack: SeedPack = {
    id: newId('pack'),
    label: `${nameOf(speciesId)} ${grams(tenth(weight), garden.units)}`,
    grams: tenth(weight),
    price,
    available: null,
    contents: [{ speciesId, weightShare: 1 }],
  }
  return {
    label: `Listed ${pack.label}`,
    writes: [changed('gardens', garden, { packs: [...garden.packs, pack] })],
  }
}

export const removePack = (garden: Garden, { id, label }: SeedPack): Step => ({
  label: `Removed ${label}`,
  writes: [changed('gardens', garden, { packs: garden.packs.filter((other) => other.id !== id) })],
})

/** What was measured of a person's hands: g in a handful of seed of a size, m of a cast and of a pace. */
export type Hands = Pick<Sower, 'name' | 'castWidthM' | 'paceM'> & {
  size: keyof Sower['gramsPerHandful']
  handfulG: number
}

/** Keeps how a person throws; other sizes of seed stay as they were measured. */
export function measureHands(garden: Garden, { size, handfulG, ...own }: Hands): Step {
  const sowers = garden.sowers
  const old = sowers.find(({ name }) => name === own.name)
  const next: Sower = {
    id: old?.id ?? newId('sower'),
    ...own,
    gramsPerHandful: { ...old?.gramsPerHandful, [size]: tenth(handfulG) },
  }
  return {
    label: `Measured ${next.name}’s hands`,
    writes: [changed('gardens', garden, { sowers: [...sowers.filter(({ id }) => id !== next.id), next] })],
  }
}
