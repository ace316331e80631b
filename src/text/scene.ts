import { findSpecies } from '../core/plants/catalogue'
import { findCrop } from '../core/plants/crops'
import type { Quantiles } from '../core/foundations/statistics'
import type { PlantsShown, Scene } from '../core/portrait/scene'
import { stageName } from '../core/stand/stage'
import { dryMatter, unitsOf, type Told } from './amounts'
import { centimetres, percent, temperature, type Units } from './format'

/** Mulch thinner than this is not named, m. */
const NAMED_MULCH_M = 0.004
const NAMED_SNOW_M = 0.01
const NAMED_MASS_G = 2

const nameOf = (speciesId: string) => findSpecies(speciesId)?.name ?? speciesId
const SHEETS = { black: 'black sheet', clear: 'clear film', cardboard: 'cardboard' } as const

/** A length with its range, unless both ends read alike. */
export function spread({ p10, p50, p90 }: Quantiles, units: Units): string {
  const [low, middle, high] = [p10, p50, p90].map((value) => centimetres(value, units))
  return low === high ? middle : `${middle} (${low} to ${high})`
}

/** How many of the plants of a species stand after the end; the shares are told where the ways are compared. */
const againWord = (share: number) =>
  share < 0.08 ? 'a few plants' : share < 0.3 ? 'some plants' : 'many plants'

/** How wet ground is, in a word. */
const wetWord = (share: number) => (share < 0.3 ? 'dry' : share < 0.65 ? 'moist' : 'wet')

/** The line under a bed's picture: what matters on that day. */
export function sceneLine(scene: Scene, told: Told): string {
  const units = unitsOf(told)
  const after = scene.mulchAgeDays !== null
  const standing = Math.max(0, ...scene.plants.map(({ alive }) => alive))
  return [
    !after && scene.cover.p50 > 0.01 ? `${percent(scene.cover.p50)} of the ground green` : null,
    !after && scene.massG.p50 > NAMED_MASS_G ? `${dryMatter(scene.massG.p50, told)} of dry growth` : null,
    scene.sheet ? `under ${SHEETS[scene.sheet]}` : null,
    scene.mulchM.p50 > NAMED_MULCH_M ? `mulch ${spread(scene.mulchM, units)}` : null,
    after && standing > 0 ? `${againWord(standing)} may stand again` : null,
    scene.crop ? `${findCrop(scene.crop.cropId)?.name ?? 'crop'} stands` : null,
    scene.snowM > NAMED_SNOW_M ? `snow ${centimetres(scene.snowM, units)}` : null,
    `soil ${temperature(scene.soilC.p50, units)}`,
  ]
    .filter((part) => part !== null)
    .join(' · ')
}

const plantWords = (plants: PlantsShown, units: Units): string => {
  const species = findSpecies(plants.speciesId)
  const stage = species ? stageName(plants.bbch, species.group) : ''
  return `${nameOf(plants.speciesId)} ${spread(plants.heightM, units)} high, ${stage}, roots to ${centimetres(plants.rootM, units)}`
}

/** All that a bed's picture shows, in words, for those who do not see it. */
export function sceneWords(scene: Scene, told: Told): string {
  const units = unitsOf(told)
  const plants = scene.plants.map((shown) => plantWords(shown, units))
  const parts = [
    ...(plants.length > 0 ? plants : ['nothing of the cover stands']),
    sceneLine(scene, told),
    `top of the soil ${wetWord(scene.wetTop)}, below ${wetWord(scene.wetBelow)}`,
  ]
  return `${parts.join('; ')}.`
}
