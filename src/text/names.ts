import type { Fixture } from '../core/garden/bed'
import type { StoredMulch } from '../core/residue/mulchStore'
import { findMethod, methodName } from '../core/termination/methods'
import type { GroundSheetKind, SheetAim, Stand } from '../core/garden/schema'
import type { EndDetails, Finishing } from '../core/garden/ending'
import { leadSpeciesId } from '../core/garden/lead'
import { findSpecies } from '../core/plants/catalogue'
import { findCrop } from '../core/plants/crops'
import type { PlantGroup, Species } from '../core/plants/parameters'

export const SHEET_NAMES = { black: 'Black sheet', clear: 'Clear film' } as const satisfies Record<
  GroundSheetKind,
  string
>

/** What lies under a sheet, in words that follow `on`. */
export const SHEET_AIMS = {
  'weed flush': 'a bed made ready',
  weeds: 'weeds',
  'creeping weeds': 'creeping weeds',
  'bunch grass': 'sod of bunch grass',
  'running grass': 'sod of running grass',
} as const satisfies Record<SheetAim, string>

/** What stays in a bed, as it is said of one. */
export const FIXTURES = {
  'kept plant': 'plants to keep',
  'drip line': 'drip line',
  post: 'post or trellis',
  other: 'something else',
} as const satisfies Record<Fixture['kind'], string>

/** Full name of a stand: `Cereal rye with hairy vetch`, `Tomato`. */
export function standName(stand: Stand): string {
  if (stand.content.kind === 'crop') return findCrop(stand.content.cropId)?.name ?? stand.content.cropId
  if (stand.content.kind === 'sheet')
    return `${SHEET_NAMES[stand.content.sheet]} on ${SHEET_AIMS[stand.content.aim]}`
  return compositionName(stand.content.components)
}

/** The names of what is sown together, in the order of the mix. */
export function compositionName(components: readonly { speciesId: string }[]): string {
  const names = components.map(({ speciesId }) => findSpecies(speciesId)?.name ?? speciesId)
  const [first, ...others] = names.map((name, i) => (i === 0 ? name : name.toLowerCase()))
  const last = others.pop()
  if (last === undefined) return first
  return `${first} with ${others.length > 0 ? `${others.join(', ')} and ${last}` : last}`
}

/** The plants of a cover, in the order of its mix; none for crops. */
export const plantsOf = (stand: Stand): Species[] =>
  stand.content.kind === 'cover'
    ? stand.content.components.flatMap((component) => findSpecies(component.speciesId) ?? [])
    : []

/** The species with the largest share of a cover; the one whose stages are told. */
export function leadSpecies(stand: Stand): Species | null {
  const id = leadSpeciesId(stand)
  return id === null ? null : findSpecies(id)
}

/** Plant family of the species that makes the stand; null for crops. */
export const leadFamily = (stand: Stand): string | null => leadSpecies(stand)?.family ?? null

export const leadGroup = (stand: Stand): PlantGroup => leadSpecies(stand)?.group ?? 'broadleaf'

export const leadName = (stand: Stand): string => leadSpecies(stand)?.name.toLowerCase() ?? 'cover'

/** How a stand is ended, in words that follow `by`: `crimp, then tarp`. */
export function endingWords({ method, passes }: Pick<EndDetails, 'method' | 'passes'>): string {
  const entry = findMethod(method)
  return entry ? methodName(entry, passes).toLowerCase() : method
}

/** What was done about plants that stood again. */
export const FINISHING_WORDS = {
  pull: 'Pulled by hand',
  again: 'Done once more',
  cut: 'Cut low',
  cover: 'Covered',
} as const satisfies Record<Finishing['act'], string>

/** Where a stand is in its life. */
export function standState(stand: Stand): 'planned' | 'growing' | 'ended' {
  return stand.end.actual ? 'ended' : stand.start.actual ? 'growing' : 'planned'
}

/** Mulch of the store by name: what it is, or what it was cut from here. */
export const storedName = ({ kind, stand }: Pick<StoredMulch, 'kind' | 'stand'>): string =>
  stand ? `${standName(stand).toLowerCase()}, cut here` : kind
