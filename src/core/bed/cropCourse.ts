import type { Bed } from '../garden/schema'
import { cropNeed } from '../planting/feeding'
import type { Crop } from '../plants/crops'
import { grownAfterDays, grownShare } from '../plants/shade'
import { STARTING_NITROGEN_G } from '../soil/nitrogen'
import type { GroundCrop } from '../stand/types'

/** Share of the usual mineral nitrogen that fed vegetables leave unused (judgement, 0.3–1). */
const LEFT_UNUSED = 0.55
/** Ground that a grown crop covers, by the light it takes (judgement: 0.8 of light taken is closed ground). */
const COVER_PER_SHADE = 1.2
/** Share of a crop's nitrogen that its remains hold (judgement, 0.1–0.4). */
const REMAINS_SHARE = 0.2
/** Nitrogen in what is left of vegetables, share of dry matter (judgement, 0.015–0.035). */
const REMAINS_NITROGEN = 0.025

/** A crop as its ground feels it, from planting until it is gone. What it lacks is taken to have been fed to it. */
export function cropCourse(
  crop: Crop,
  fertility: Bed['fertility'],
  plantedDay: number,
  goneDay: number,
): GroundCrop {
  return {
    plantedDay,
    goneDay,
    wantedG: Float64Array.from({ length: crop.daysToHarvest + 1 }, (_, day) => cropNeed(crop, day)),
    cover: Float64Array.from(
      { length: Math.ceil(grownAfterDays(crop)) + 1 },
      (_, day) => grownShare(crop, day) * Math.min(1, COVER_PER_SHADE * crop.shade),
    ),
    leavesG: crop.watered ? LEFT_UNUSED * STARTING_NITROGEN_G[fertility] : 0,
    watered: crop.watered,
  }
}

/** Roots and leaves that stay when a crop is cleared after some days, g m⁻². */
export function cropRemains(crop: Crop, days: number): { massG: number; nitrogenG: number } {
  const nitrogenG = REMAINS_SHARE * cropNeed(crop, days)
  return { massG: nitrogenG / REMAINS_NITROGEN, nitrogenG }
}
