import { atLeast, atMost } from '../foundations/limit'
import { columns, pickColumns, type Columns } from '../foundations/columns'
import { exponential } from '../foundations/exponential'

/** Decay of residue on the surface in three pools, after the CERES-N family (Godwin and Jones 1991; Seligman and van Keulen 1981). */

/** First-order loss per day at the best temperature and moisture; the fast pool goes four times as fast as cellulose (judgement). */
const LOSS_PER_DAY = { cellulose: 0.05, lignin: 0.0095 } as const
/** Contact with soil of residue on the surface, against buried (judgement, 0.5–1). */
export const SURFACE_CONTACT = 0.76
/** Contact of residue chopped and mixed into the soil. */
export const BURIED_CONTACT = 1
const CARBON_SHARE = 0.42
const MICROBE_EFFICIENCY = 0.35
const MICROBE_CN = 9
/** Nitrogen that microbes want for each gram they break down. */
const MICROBES_WANT = (CARBON_SHARE * MICROBE_EFFICIENCY) / MICROBE_CN

/**
 * One residue layer, g m⁻²: mass of the fast, the cellulose and the lignin pool; their nitrogen; net mineral nitrogen
 * since the start; what microbes hold; mass gone.
 */
export type ResiduePools = Columns<
  | 'fastG'
  | 'celluloseG'
  | 'ligninG'
  | 'fastNitrogenG'
  | 'celluloseNitrogenG'
  | 'ligninNitrogenG'
  | 'netReleasedG'
  | 'microbialNitrogenG'
  | 'decayedG'
>
/** What lies there, mass and nitrogen. */
const CONTENTS = [
  'fastG',
  'celluloseG',
  'ligninG',
  'fastNitrogenG',
  'celluloseNitrogenG',
  'ligninNitrogenG',
] as const
const ACCOUNTS = ['netReleasedG', 'microbialNitrogenG', 'decayedG'] as const

export const emptyPools = (members: number): ResiduePools => columns([...CONTENTS, ...ACCOUNTS], members)

/** A layer with its accounts begun anew, for members that are drawn from others. */
export function takenOverPools(from: ResiduePools, members: readonly number[]): ResiduePools {
  const pools = pickColumns(from, members)
  for (const name of ACCOUNTS) pools[name].fill(0)
  return pools
}

export const poolNitrogen = (pools: ResiduePools, m: number) =>
  pools.fastNitrogenG[m] + pools.celluloseNitrogenG[m] + pools.ligninNitrogenG[m]

export const poolMass = (pools: ResiduePools, m: number) =>
  pools.fastG[m] + pools.celluloseG[m] + pools.ligninG[m]

/** Share of the fast pool by nitrogen content, %: soft leafy matter is mostly fast, straw mostly cellulose. */
const fastShare = (nitrogenPct: number) => atMost(0.5, 0.1 + 0.08 * nitrogenPct)
const ligninShare = (nitrogenPct: number) => atMost(0.2, atLeast(0.06, 0.19 - 0.035 * nitrogenPct))

/** Nitrogen per mass of the fast and the lignin pool, cellulose being 1 (judgement). */
const FAST_RICHNESS = 1.6
const LIGNIN_RICHNESS = 0.5

/** Adds dead matter, g m⁻², with its nitrogen, to a member's layer; the fast pool is richer than the rest. */
export function addResidue(pools: ResiduePools, m: number, massG: number, nitrogenG: number): void {
  if (massG <= 0) return
  const percent = (100 * nitrogenG) / massG
  const fast = fastShare(percent)
  const lignin = ligninShare(percent)
  const cellulose = 1 - fast - lignin
  const unit = nitrogenG / (FAST_RICHNESS * fast + cellulose + LIGNIN_RICHNESS * lignin)
  pools.fastG[m] += massG * fast
  pools.celluloseG[m] += massG * cellulose
  pools.ligninG[m] += massG * lignin
  pools.fastNitrogenG[m] += unit * FAST_RICHNESS * fast
  pools.celluloseNitrogenG[m] += unit * cellulose
  pools.ligninNitrogenG[m] += unit * LIGNIN_RICHNESS * lignin
}

/** One over the temperature that residue rots best at, 28 °C. */
const PER_BEST = 1 / 28

/** Temperature factor, 0–1.3: none at freezing, 1 at 28 °C. */
const warmth = (soilC: number) =>
  soilC <= 0 ? 0 : atMost(1.3, soilC * PER_BEST * (0.9 + 0.1 * atMost(1, soilC * PER_BEST)))

/** Carbon to nitrogen of residue that does not rot at all: no poorer one is told apart. */
const POOREST = 4000

/** Mass below which a layer is taken to be gone, g m⁻². */
const TRACE_G = 0.01

/**
 * One day's decay in the members from `begin` up to `end`. `wetness` 0–1 is the moisture of the residue, `mineral` the
 * nitrogen within reach of the microbes, g m⁻²: it is given what is freed and loses what they take. `contact` is that with
 * the soil, 1 where it is mixed in.
 */
export function decayDay(
  pools: ResiduePools,
  soilC: Float64Array,
  wetness: Float64Array,
  mineral: Float64Array,
  contact: Float64Array,
  begin: number,
  end: number,
): void {
  const { fastG, celluloseG, ligninG, fastNitrogenG, celluloseNitrogenG, ligninNitrogenG } = pools
  const { netReleasedG, microbialNitrogenG, decayedG } = pools
  for (let m = begin; m < end; m++) {
    const fast = fastG[m]
    const cellulose = celluloseG[m]
    const lignin = ligninG[m]
    const mass = fast + cellulose + lignin
    const warm = soilC[m]
    if (mass < TRACE_G || warm <= 0) continue
    const nitrogen = fastNitrogenG[m] + celluloseNitrogenG[m] + ligninNitrogenG[m]
    const carbonRatio = atMost(POOREST, (CARBON_SHARE * mass) / atLeast(1e-6, nitrogen))
    const cnFactor = carbonRatio <= 25 ? 1 : exponential(-0.693 * (carbonRatio * 0.04 - 1))
    const rate = warmth(warm) * (0.15 + 0.7 * wetness[m]) * cnFactor * contact[m]
    const celluloseKept = exponential(-LOSS_PER_DAY.cellulose * rate)
    const halfFastKept = celluloseKept * celluloseKept
    const fastKept = halfFastKept * halfFastKept
    const ligninKept = exponential(-LOSS_PER_DAY.lignin * rate)
    fastG[m] = fast * fastKept
    celluloseG[m] = cellulose * celluloseKept
    ligninG[m] = lignin * ligninKept
    fastNitrogenG[m] *= fastKept
    celluloseNitrogenG[m] *= celluloseKept
    ligninNitrogenG[m] *= ligninKept
    const massLost = mass - fastG[m] - celluloseG[m] - ligninG[m]
    const nitrogenLost = nitrogen - fastNitrogenG[m] - celluloseNitrogenG[m] - ligninNitrogenG[m]
    const wanted = massLost * MICROBES_WANT
    const taken = atMost(wanted, nitrogenLost + mineral[m])
    decayedG[m] += massLost
    microbialNitrogenG[m] += taken
    netReleasedG[m] += nitrogenLost - taken
    mineral[m] += nitrogenLost - taken
  }
}

/** Moves a share of what lies in a member's layer to another, or out of the bed when `to` is null; returns its mass and nitrogen. */
export function moveResidue(
  from: ResiduePools,
  m: number,
  share: number,
  to: ResiduePools | null,
): { massG: number; nitrogenG: number } {
  const moved = { massG: poolMass(from, m) * share, nitrogenG: poolNitrogen(from, m) * share }
  for (const name of CONTENTS) {
    const amount = from[name][m] * share
    from[name][m] -= amount
    if (to) to[name][m] += amount
  }
  return moved
}

/** Residue from which on no ground is seen, g m⁻². */
const OPAQUE_G = 8000

/** Ground hidden by residue, 0–1 (Gregory 1982, with 0.0045 m² g⁻¹ for mixed stems and leaves). */
export const residueCover = (massG: number) => (massG < OPAQUE_G ? 1 - exponential(-0.0045 * massG) : 1)

/** Share of weed emergence held back by a mulch, 0–1: 1 − exp(−0.19·t ha⁻¹) (after Teasdale and Mohler 2000). */
export const weedSuppression = (massG: number) => 1 - Math.exp(-0.0019 * massG)
