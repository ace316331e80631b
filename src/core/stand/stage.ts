import type { SpeciesParameters, PlantGroup } from '../plants/parameters'

/** BBCH from which a cover has set seed fit to sprout. */
export const SEED_FIT = 85

/** BBCH code (0–99) by thermal age from emergence, °C d; straight between the named stages. */
export function bbchAt(ageCd: number, p: SpeciesParameters): number {
  if (ageCd < p.t31Cd) {
    const tillering = 0.45 * p.t31Cd
    return ageCd < tillering
      ? 9 + (12 * ageCd) / tillering
      : 21 + (10 * (ageCd - tillering)) / (p.t31Cd - tillering)
  }
  if (ageCd < p.t51Cd) return 31 + (20 * (ageCd - p.t31Cd)) / (p.t51Cd - p.t31Cd)
  if (ageCd < p.t61Cd) return 51 + (10 * (ageCd - p.t51Cd)) / (p.t61Cd - p.t51Cd)
  const after = ageCd - p.t61Cd
  if (after < p.t65Cd) return 61 + (4 * after) / p.t65Cd
  const podStart = Math.max(p.t71Cd, p.t65Cd + 1)
  if (after < podStart) return 65 + (6 * (after - p.t65Cd)) / (podStart - p.t65Cd)
  if (after < p.t75Cd) return 71 + (4 * (after - podStart)) / (p.t75Cd - podStart)
  if (after < p.t85Cd) return 75 + (10 * (after - p.t75Cd)) / (p.t85Cd - p.t75Cd)
  if (after < p.t89Cd) return 85 + (4 * (after - p.t85Cd)) / (p.t89Cd - p.t85Cd)
  return 89
}

/**
 * Warmth from coming up until side shoots begin (four leaves; judgement, 200–350), and from then on until there are as many as there
 * will be (400–900), °C d above the base of development.
 */
const SIDE_SHOOTS_CD = 280
const ALL_SHOOTS_CD = 700

/** BBCH of leaves and side shoots alone. */
const leafyBbch = (leafCd: number): number =>
  leafCd < SIDE_SHOOTS_CD
    ? 9 + (12 * leafCd) / SIDE_SHOOTS_CD
    : 21 + 8 * Math.min(1, (leafCd - SIDE_SHOOTS_CD) / ALL_SHOOTS_CD)

/** BBCH code by thermal age and by the warmth since coming up: leaves and side shoots wait for neither cold nor long days. */
export const bbchBy = (ageCd: number, leafCd: number, p: SpeciesParameters): number =>
  Math.max(bbchAt(ageCd, p), leafyBbch(leafCd))

type StageName = { bbch: number; name: string }

const WORDS: Record<PlantGroup, StageName[]> = {
  grass: [
    { bbch: 9, name: 'just up' },
    { bbch: 21, name: 'tillering' },
    { bbch: 31, name: 'stems lengthening' },
    { bbch: 39, name: 'flag leaf out' },
    { bbch: 45, name: 'boot' },
    { bbch: 51, name: 'heads coming out' },
    { bbch: 61, name: 'pollen starts' },
    { bbch: 65, name: 'full pollen' },
    { bbch: 71, name: 'kernels watery' },
    { bbch: 75, name: 'milk' },
    { bbch: 85, name: 'soft dough' },
    { bbch: 89, name: 'ripe seed' },
  ],
  legume: [
    { bbch: 9, name: 'just up' },
    { bbch: 21, name: 'side shoots' },
    { bbch: 31, name: 'stems lengthening' },
    { bbch: 51, name: 'buds' },
    { bbch: 61, name: 'first flower' },
    { bbch: 65, name: 'half bloom' },
    { bbch: 71, name: 'first pods' },
    { bbch: 75, name: 'seed felt in the pod' },
    { bbch: 85, name: 'pods ripening' },
    { bbch: 89, name: 'ripe seed' },
  ],
  broadleaf: [
    { bbch: 9, name: 'just up' },
    { bbch: 21, name: 'leafy rosette' },
    { bbch: 31, name: 'stems lengthening' },
    { bbch: 51, name: 'buds' },
    { bbch: 61, name: 'first flower' },
    { bbch: 65, name: 'half bloom' },
    { bbch: 71, name: 'first pods or seed' },
    { bbch: 75, name: 'green seed' },
    { bbch: 85, name: 'seed ripening' },
    { bbch: 89, name: 'ripe seed' },
  ],
}

/** Stages of a plant group in order, for choosing one by eye. */
export const stagesOf = (group: PlantGroup): readonly StageName[] => WORDS[group]

/** Words for a BBCH code: the last named stage reached; `not up` below 9. */
export function stageName(bbch: number, group: PlantGroup): string {
  let name = 'not up'
  for (const stage of WORDS[group]) if (bbch >= stage.bbch - 1e-6) name = stage.name
  return name
}
