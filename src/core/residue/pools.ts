/** Decay of residue on the surface in three pools, after the CERES-N family (Godwin and Jones 1991; Seligman and van Keulen 1981). */

/** First-order loss per day at the best temperature and moisture: fast, cellulose, lignin (judgement). */
const LOSS_PER_DAY = [0.2, 0.05, 0.0095] as const
/** Contact with soil of residue on the surface, against buried (judgement, 0.5–1). */
const SURFACE_CONTACT = 0.8
/** Contact of residue chopped and mixed into the soil. */
export const BURIED_CONTACT = 1
const CARBON_SHARE = 0.42
const MICROBE_EFFICIENCY = 0.35
const MICROBE_CN = 9

/**
 * State of one residue layer, g m⁻²: fast, cellulose, lignin mass; their nitrogen; net mineral nitrogen since the
 * start; what microbes hold; mass gone.
 */
export type ResiduePools = {
  mass: [number, number, number]
  nitrogen: [number, number, number]
  netReleasedG: number
  microbialNitrogenG: number
  decayedG: number
}

export const emptyPools = (): ResiduePools => ({
  mass: [0, 0, 0],
  nitrogen: [0, 0, 0],
  netReleasedG: 0,
  microbialNitrogenG: 0,
  decayedG: 0,
})

export const poolNitrogen = (pools: ResiduePools) => pools.nitrogen[0] + pools.nitrogen[1] + pools.nitrogen[2]

export const poolMass = (pools: ResiduePools) => pools.mass[0] + pools.mass[1] + pools.mass[2]

/** Share of the fast pool by nitrogen content, %: soft leafy matter is mostly fast, straw mostly cellulose. */
const fastShare = (nitrogenPct: number) => Math.min(0.5, 0.1 + 0.08 * nitrogenPct)
const ligninShare = (nitrogenPct: number) => Math.min(0.2, Math.max(0.06, 0.19 - 0.035 * nitrogenPct))

/** Nitrogen per mass of the fast and the lignin pool, cellulose being 1 (judgement). */
const FAST_RICHNESS = 1.6
const LIGNIN_RICHNESS = 0.5

/** Adds dead matter, g m⁻², with its nitrogen; the fast pool is richer than the rest. */
export function addResidue(pools: ResiduePools, massG: number, nitrogenG: number): void {
  if (massG <= 0) return
  const percent = (100 * nitrogenG) / massG
  const fast = fastShare(percent)
  const lignin = ligninShare(percent)
  const cellulose = 1 - fast - lignin
  const unit = nitrogenG / (FAST_RICHNESS * fast + cellulose + LIGNIN_RICHNESS * lignin)
  pools.mass[0] += massG * fast
  pools.mass[1] += massG * cellulose
  pools.mass[2] += massG * lignin
  pools.nitrogen[0] += unit * FAST_RICHNESS * fast
  pools.nitrogen[1] += unit * cellulose
  pools.nitrogen[2] += unit * LIGNIN_RICHNESS * lignin
}

/** Temperature factor, 0–1.3: none at freezing, 1 at 28 °C. */
const warmth = (soilC: number) =>
  soilC <= 0 ? 0 : Math.min(1.3, (soilC / 28) * (0.9 + 0.1 * Math.min(1, soilC / 28)))

/**
 * One day's decay. `wetness` 0–1 is the moisture of the residue, `soilNitrogenG` the mineral nitrogen within reach of
 * the microbes. Returns the net mineral nitrogen given to the soil, negative when it is taken up.
 */
export function decayDay(
  pools: ResiduePools,
  soilC: number,
  wetness: number,
  soilNitrogenG: number,
  contact: number = SURFACE_CONTACT,
): number {
  const mass = poolMass(pools)
  if (mass < 0.01) return 0
  const nitrogen = poolNitrogen(pools)
  const carbonRatio = (CARBON_SHARE * mass) / Math.max(1e-6, nitrogen)
  const cnFactor = carbonRatio <= 25 ? 1 : Math.exp((-0.693 * (carbonRatio - 25)) / 25)
  const rate = warmth(soilC) * (0.15 + 0.7 * wetness) * cnFactor * contact
  if (rate <= 0) return 0
  let massLost = 0
  let nitrogenLost = 0
  for (let i = 0; i < 3; i++) {
    const share = 1 - Math.exp(-LOSS_PER_DAY[i] * rate)
    massLost += pools.mass[i] * share
    nitrogenLost += pools.nitrogen[i] * share
    pools.mass[i] *= 1 - share
    pools.nitrogen[i] *= 1 - share
  }
  const wanted = (massLost * CARBON_SHARE * MICROBE_EFFICIENCY) / MICROBE_CN
  const taken = Math.min(wanted, nitrogenLost + soilNitrogenG)
  pools.decayedG += massLost
  pools.microbialNitrogenG += taken
  pools.netReleasedG += nitrogenLost - taken
  return nitrogenLost - taken
}

/** Moves a share of what lies in one layer to another, or out of the bed when `to` is null; returns its mass and nitrogen. */
export function moveResidue(
  from: ResiduePools,
  share: number,
  to: ResiduePools | null,
): { massG: number; nitrogenG: number } {
  let massG = 0
  let nitrogenG = 0
  for (let i = 0; i < 3; i++) {
    const mass = from.mass[i] * share
    const nitrogen = from.nitrogen[i] * share
    from.mass[i] -= mass
    from.nitrogen[i] -= nitrogen
    massG += mass
    nitrogenG += nitrogen
    if (to) {
      to.mass[i] += mass
      to.nitrogen[i] += nitrogen
    }
  }
  return { massG, nitrogenG }
}

/** Ground hidden by residue, 0–1 (Gregory 1982, with 0.0045 m² g⁻¹ for mixed stems and leaves). */
export const residueCover = (massG: number) => 1 - Math.exp(-0.0045 * massG)

/** Share of weed emergence held back by a mulch, 0–1: 1 − exp(−0.19·t ha⁻¹) (after Teasdale and Mohler 2000). */
export const weedSuppression = (massG: number) => 1 - Math.exp(-0.0019 * massG)
