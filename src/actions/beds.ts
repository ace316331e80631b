import type { Fixture } from '../core/garden/bed'
import { FRESH_BED } from '../core/garden/fresh'
import type { Step } from './step'
import type { Bed, Garden, GardenData } from '../core/garden/schema'
import { newId } from '../data/ids'
import { added, changed } from '../data/writes'

/** Usual width of the path beside a bed, m. */
const USUAL_PATH_M = 0.45
/** Name of the one fixture that stands for all plants that are kept. */
const KEPT_ID = 'kept'

/** A run of like beds: how many, m long and wide, in a section of that name, labelled with a word and a number. */
export type BedGroup = Pick<Bed, 'kind' | 'soil' | 'lengthM' | 'widthM'> & {
  section: string
  prefix: string
  count: number
}

/** Beds of one group, with labels that are not taken yet. */
export function bedsOfGroup(
  { prefix, count, kind, soil, lengthM, widthM }: BedGroup,
  place: Pick<Bed, 'gardenId' | 'sectionId'>,
  firstOrder: number,
  taken: ReadonlySet<string>,
): Bed[] {
  const beds: Bed[] = []
  for (let number = 1; beds.length < count; number++) {
    const label = `${prefix}${number}`
    if (taken.has(label)) continue
    beds.push({
      id: newId('bed'),
      ...place,
      label,
      walkOrder: firstOrder + beds.length,
      kind,
      lengthM,
      widthM,
      pathWidthM: USUAL_PATH_M,
      soil,
      fertility: 'medium',
      ...FRESH_BED,
      shade: 0,
    })
  }
  return beds
}

/** Adds a run of like beds, into a section of that name or a new one. */
export function addBeds({ garden, beds: known }: Pick<GardenData, 'garden' | 'beds'>, group: BedGroup): Step {
  const found = garden.sections.find(({ name }) => name === group.section)
  const section = found ?? { id: newId('section'), name: group.section }
  const order = 1 + Math.max(-1, ...known.map(({ walkOrder }) => walkOrder))
  const beds = bedsOfGroup(
    group,
    { gardenId: garden.id, sectionId: section.id },
    order,
    new Set(known.map(({ label }) => label)),
  )
  return {
    label: `Added ${beds.length} ${beds.length === 1 ? 'bed' : 'beds'}`,
    writes: [
      ...(found ? [] : [changed('gardens', garden, { sections: [...garden.sections, section] })]),
      ...beds.map((bed) => added('beds', bed)),
    ],
  }
}

const isLooseKept = ({ kind, place }: Fixture) => kind === 'kept plant' && place === null

/** Ground that kept plants take whose place in the bed is not told, m². */
export const keptM2Of = ({ fixtures }: Pick<Bed, 'fixtures'>): number =>
  fixtures.filter(isLooseKept).reduce((sum, { areaM2 }) => sum + areaM2, 0)

/** Changes some properties of a bed; `keptM2` puts all kept plants whose place is not told into one figure, m². */
export function changeBed(bed: Bed, { keptM2, ...part }: Partial<Bed> & { keptM2?: number }): Step {
  const first = bed.fixtures.find(isLooseKept)
  const kept: Fixture[] = keptM2
    ? [
        {
          id: first?.id ?? KEPT_ID,
          kind: 'kept plant',
          label: first?.label ?? 'Kept plants',
          areaM2: keptM2,
          place: null,
        },
      ]
    : []
  const fixtures = [...kept, ...bed.fixtures.filter((one) => !isLooseKept(one))]
  return {
    label: `Changed bed ${bed.label}`,
    writes: [changed('beds', bed, { ...part, ...(keptM2 !== undefined && { fixtures }) })],
  }
}

/** Something stays in a bed from now on. */
export const addFixture = (bed: Bed, fixture: Omit<Fixture, 'id'>): Step => ({
  label: `${fixture.label} stays in ${bed.label}`,
  writes: [changed('beds', bed, { fixtures: [...bed.fixtures, { ...fixture, id: newId('fixture') }] })],
})

export const removeFixture = (bed: Bed, { id, label }: Fixture): Step => ({
  label: `${label} is out of ${bed.label}`,
  writes: [changed('beds', bed, { fixtures: bed.fixtures.filter((one) => one.id !== id) })],
})

export const removeBed = (bed: Bed): Step => ({
  label: `Removed bed ${bed.label}`,
  writes: [{ table: 'beds', remove: bed.id }],
})

/** Sections for the names of some runs of beds, and the beds in them, walked in the order given. */
export function bedsInSections(
  gardenId: string,
  groups: readonly BedGroup[],
): { sections: Garden['sections']; beds: Bed[] } {
  const sections = [...new Set(groups.map(({ section }) => section))].map((name) => ({
    id: newId('section'),
    name,
  }))
  const beds: Bed[] = []
  for (const group of groups) {
    const sectionId = sections.find(({ name }) => name === group.section)!.id
    const taken = new Set(beds.map(({ label }) => label))
    beds.push(...bedsOfGroup(group, { gardenId, sectionId }, beds.length, taken))
  }
  return { sections, beds }
}
