/**
 * Mulch that spares hoeing, g m⁻²: it holds three quarters of the small-seeded annual weeds by 1 − exp(−0.0019 g) (after
 * Teasdale and Mohler 2000; 600–1000 by weeds and weather).
 */
export const HOLDING_G = 730

/** Weight of a cubic metre of settled straw, hay or cover, kg dry matter (judgement, 12–30). */
export const MULCH_KG_PER_M3 = 18

/** Depth of such a mulch, m, from its dry matter, g m⁻². */
export const mulchDepthM = (massG: number) => massG / 1000 / MULCH_KG_PER_M3
