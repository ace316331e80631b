import type { Recipe } from './recipe'

/** A rate as a packet or tag states it, g m⁻², low and high; the same where it states one. */
export type TagRate = { lowGM2: number; highGM2: number }

/** Why a recipe weighs more or less than the tag. */
export type TagReason =
  | { why: 'broadcast'; factor: number }
  | { why: 'share'; share: number }
  | { why: 'germination'; germination: number; usual: number }
  | { why: 'source'; drillGM2: number }

export type TagAgainst = {
  tagLowG: number
  tagHighG: number
  recipeG: number
  /** The recipe over the nearer end of the tag; 1 within it. */
  ratio: number
  reasons: TagReason[]
}

/** Within this the two are told to agree. */
const AGREE = 0.1

/**
 * A recipe beside the rate of a tag, on its own ground, with what makes the difference. What a tag states is taken to be
 * for drilling a straight stand, unless it is said to be for broadcasting.
 */
export function againstTag(recipe: Recipe, tag: TagRate, broadcast: boolean): TagAgainst {
  const gM2 = recipe.totalGrams / recipe.areaM2
  const ratio = gM2 < tag.lowGM2 ? gM2 / tag.lowGM2 : gM2 > tag.highGM2 ? gM2 / tag.highGM2 : 1
  return {
    tagLowG: tag.lowGM2 * recipe.areaM2,
    tagHighG: tag.highGM2 * recipe.areaM2,
    recipeG: recipe.totalGrams,
    ratio,
    reasons: Math.abs(ratio - 1) <= AGREE ? [] : reasonsOf(recipe, tag, broadcast),
  }
}

function reasonsOf({ lines }: Recipe, { lowGM2, highGM2 }: TagRate, broadcast: boolean): TagReason[] {
  const reasons: TagReason[] = []
  const [line] = lines
  if (!broadcast && lines.some(({ broadcastFactor }) => broadcastFactor > 1))
    reasons.push({
      why: 'broadcast',
      factor: Math.max(...lines.map(({ broadcastFactor }) => broadcastFactor)),
    })
  if (lines.length === 1 && line.share < 1) reasons.push({ why: 'share', share: line.share })
  if (lines.length === 1 && Math.abs(line.germination - line.usualQuality) > 0.03)
    reasons.push({ why: 'germination', germination: line.germination, usual: line.usualQuality })
  // What is left between the tag and the published rate once broadcasting is taken out of it.
  const drill = lines.reduce((sum, { drillGM2, share }) => sum + drillGM2 * share, 0)
  const [low, high] = broadcast
    ? [lowGM2 / line.broadcastFactor, highGM2 / line.broadcastFactor]
    : [lowGM2, highGM2]
  if (drill < low * (1 - AGREE) || drill > high * (1 + AGREE))
    reasons.push({ why: 'source', drillGM2: drill })
  return reasons
}
