import { dayNumber } from '../foundations/day'
import type { Check, Sample } from '../garden/check'

/** One look at a stand in core terms: day number, BBCH, cover 0–1, height m, mass g m⁻²; null where not judged. */
export type Observation = {
  day: number
  bbch: number | null
  /** Component of the mix whose stage it is; null for the leading one. */
  component: number | null
  cover: number | null
  /** One standard deviation of the cover, 0–1. */
  coverError: number
  heightM: number | null
  massG: number | null
  /** Error of the mass as a share, one standard deviation. */
  massError: number
  /** Plants per m² with their standard error; `component` null counts all. */
  plants: { perM2: number; error: number; component: number | null } | null
  /** Share of the emerged plants still alive, by component (null for all), and whether cold or heat took the rest. */
  alive: { share: number; component: number | null; byWeather: boolean }[]
}

export const EMPTY_OBSERVATION: Omit<Observation, 'day'> = {
  bbch: null,
  component: null,
  cover: null,
  coverError: 0.1,
  heightM: null,
  massG: null,
  massError: 0.2,
  plants: null,
  alive: [],
}

/** Errors of looks by eye, one standard deviation (judgement; stage 2–6, cover 0.06–0.15, height 0.1–0.3 of itself). */
export const OBSERVATION_ERROR = { bbch: 3.5, cover: 0.08, heightShare: 0.2, heightM: 0.05 } as const

/** A bed differs from place to place by this much of its cover, one standard deviation, beside a picture's own error. */
const PLACE_ERROR = 0.05
/** Fresh growth holds this much dry matter where it was not dried (judgement, 0.12–0.28). */
const DRY_SHARE = 0.18
/** Error of one small sample's mass, as a share (judgement, 0.15–0.3), and where the dry share is only taken as usual. */
const SAMPLE_ERROR = { dried: 0.2, fresh: 0.35 } as const
/** Rings of one bed differ by more than chance: share of the mean (judgement, 0.15–0.35). */
const RING_SPREAD = 0.25

/** Dry matter of a sample, g m⁻², and its error as a share of it. */
export function sampleMass({ areaM2, freshG, dryG }: Sample): { massG: number; error: number } {
  return dryG === null
    ? { massG: (freshG * DRY_SHARE) / areaM2, error: SAMPLE_ERROR.fresh }
    : { massG: dryG / areaM2, error: SAMPLE_ERROR.dried }
}

/** Mean plants per m² of counted rings and the error of that mean, one standard deviation. */
export function ringMean(counts: readonly number[], ringM: number): { perM2: number; error: number } {
  const areaM2 = Math.PI * (ringM / 2) ** 2
  const mean = counts.reduce((sum, count) => sum + count, 0) / counts.length
  const chance = Math.sqrt(Math.max(1, mean) / counts.length)
  const between = (RING_SPREAD * mean) / Math.sqrt(counts.length)
  return { perM2: mean / areaM2, error: Math.hypot(chance, between) / areaM2 }
}

/** A stand's checks as looks, oldest first; those set aside are left out. `speciesIds` in order of the components. */
export function observationsOf(
  standId: string,
  checks: readonly Check[],
  speciesIds: readonly string[],
): Observation[] {
  const componentOf = (speciesId: string | null | undefined) => {
    const index = speciesId ? speciesIds.indexOf(speciesId) : -1
    return index < 0 ? null : index
  }
  return checks
    .filter((check) => check.standId === standId && !check.setAside)
    .sort((a, b) => a.date.localeCompare(b.date))
    .map((check): Observation => {
      const mass = check.sample && sampleMass(check.sample)
      const { plants, coverBy } = check
      return {
        day: dayNumber(check.date),
        bbch: check.stageBbch,
        component: componentOf(check.stageOf),
        // Weeds are green too: what is seen less the weeds is the stand's.
        cover: check.cover === null ? null : Math.max(0, check.cover - (check.weeds?.cover ?? 0)),
        coverError: coverErrorOf(coverBy),
        heightM: check.heightCm === null ? null : check.heightCm / 100,
        massG: mass?.massG ?? null,
        massError: mass?.error ?? SAMPLE_ERROR.dried,
        plants: plants
          ? {
              ...gapped(ringMean(plants.counts, plants.ringM), plants.gapShare),
              component: componentOf(plants.speciesId),
            }
          : null,
        alive: check.damage.map(({ kind, lost, speciesId }) => ({
          share: 1 - lost,
          component: componentOf(speciesId),
          byWeather: kind === 'frost' || kind === 'heat',
        })),
      }
    })
}

function coverErrorOf(by: Check['coverBy']): number {
  if (by?.kind === 'picture') return Math.hypot(by.error, PLACE_ERROR)
  return by?.kind === 'glance' ? by.error : OBSERVATION_ERROR.cover
}

/** Rings are laid where plants stand; gaps lower the mean of the bed. */
const gapped = ({ perM2, error }: { perM2: number; error: number }, gapShare: number) => ({
  perM2: perM2 * (1 - gapShare),
  error,
})
