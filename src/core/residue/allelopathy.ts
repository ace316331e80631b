/**
 * How strongly fresh residue holds back small seed sown into it: an index of 0 (not at all) to 1 (as a thick fresh
 * rye mulch), growing with the mass that died and halving with warmth as the residue browns. Rye residue loses its
 * hold in two to four weeks of spring weather (Barnes and Putnam 1986; Yenish et al. 1995; Rice et al. 2012).
 */

/** Dead matter that reaches 63 % of the full effect, g m⁻² (judgement, 150–400). */
const FELT_MASS_G = 250
/** Thermal time above 0 °C in which the index halves, °C d (judgement, 90–250). */
const HALVING_CD = 150

/** Below this index small seed comes up as usual (judgement, 0.1–0.3). */
export const HARMLESS_INDEX = 0.2

/** The index when the residue has just died; `strengthMassG` is each species' mass, g m⁻², times its strength, summed. */
export const freshIndex = (strengthMassG: number) => 1 - Math.exp(-strengthMassG / FELT_MASS_G)

/** The index after some thermal time since death, °C d above 0 °C. */
export const agedIndex = (fresh: number, sinceDeathCd: number) => fresh * 0.5 ** (sinceDeathCd / HALVING_CD)
