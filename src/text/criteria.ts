import type { Advice, CriterionDetail, CriterionId, Failure, GroundTrouble } from '../core/scenario/types'
import { dryMatter, unitsOf, type Told } from './amounts'
import { inHundred, centimetres, temperature } from './format'

/** A criterion by its name, as a gate before planting. */
export const CRITERION_NAMES: Record<CriterionId, string> = {
  ground: 'Ground fit to sow',
  established: 'Cover established',
  unworkable: 'Ground fit for the work',
  stems: 'Soft enough to cut',
  stock: 'Safe for the animals',
  tinder: 'Nothing to catch fire',
  'own-rule': 'Allowed by your rules',
  dead: 'Dead',
  wait: 'Wait over',
  bridge: 'No green for pests to cross',
  'seed-flies': 'Seed flies past',
  'residue-hold': 'Residue no longer holds back seed',
  'tie-up': 'Nitrogen tie-up over',
  seedbed: 'Residue thin enough',
  manure: 'Interval from manure to harvest',
  soil: 'Soil warm enough',
  frost: 'Frost past',
}

/** How a plan fails by a criterion, to stand after "fails when". */
const FAILS_WHEN: Record<CriterionId, string> = {
  ground: 'the ground cannot be worked on the sowing day',
  established: 'the cover comes up late or thin',
  unworkable: 'the ground cannot be worked all week',
  stems: 'its stems are too hard for your tools',
  stock: 'it would poison the animals that day',
  tinder: 'dry matter would catch fire',
  'own-rule': 'your own rules forbid it that day',
  dead: 'it is not dead in time',
  wait: 'your wait is not over',
  bridge: 'green growth reaches the seedlings',
  'seed-flies': 'seed flies are still about',
  'residue-hold': 'fresh residue holds back the seed',
  'tie-up': 'residue ties nitrogen up',
  seedbed: 'too much residue still lies there',
  manure: 'the harvest comes too soon after manure',
  soil: 'the soil is too cold',
  frost: 'frost comes after planting',
}

const TROUBLES: Record<GroundTrouble, string> = {
  snow: 'snow covers the ground',
  frozen: 'the ground is frozen',
  wet: 'the ground is too wet',
}
/** What keeps the ground from being worked, as a clause. */
export const groundWords = (by: readonly GroundTrouble[]): string =>
  by.length === 0 ? 'the ground cannot be worked' : by.map((trouble) => TROUBLES[trouble]).join(' or ')

/** How a plan fails by a failure, to stand after "fails when"; of the ground by what it is. */
export function failsWhen({ id, by = [] }: Pick<Failure, 'id' | 'by'>): string {
  if (by.length === 0) return FAILS_WHEN[id]
  return id === 'unworkable' ? `${groundWords(by)} all week` : `${groundWords(by)} on the sowing day`
}

/**
 * Seasons of a hundred that each failure costs, whole numbers that add up with those of the chance to a hundred; what
 * costs none is left out.
 */
export function seasonsLost(failures: readonly Failure[]): (Omit<Failure, 'share'> & { seasons: number })[] {
  let sum = 0
  let told = 0
  return failures.flatMap(({ share, ...failure }) => {
    sum += share
    const seasons = 100 - inHundred(1 - sum) - told
    told += seasons
    return seasons > 0 ? [{ ...failure, seasons }] : []
  })
}

/** A single season in a hundred is not worth a word. */
export const TOLD_FROM = 2

/** What a plan fails by, the most frequent first: `fails when it is not dead in time (12 in 100)`; empty where hardly ever. */
export function failsText(failures: readonly Failure[], most = 2): string {
  const told = seasonsLost(failures)
    .filter(({ seasons }) => seasons >= TOLD_FROM)
    .slice(0, most)
  if (told.length === 0) return ''
  return `fails when ${told.map(({ seasons, ...failure }) => `${failsWhen(failure)} (${seasons} in 100)`).join(', or ')}`
}

/** Why a criterion is there, and what opens it sooner. */
export function criterionReason(
  detail: CriterionDetail,
  crop: string | null,
  told: Told,
): { why: string; sooner: string | null } {
  const units = unitsOf(told)
  const say = (why: string, sooner: string | null = null) => ({ why, sooner })
  switch (detail.id) {
    case 'dead':
      return say(deadReason(detail), 'Begin the end earlier, or take a surer way.')
    case 'wait':
      return detail.fumigated
        ? say(`${detail.days} days: what was buried to fumigate harms seedlings until it has gone.`)
        : say(
            `Your own rule: ${detail.days} days between dead and ${detail.establishment === 'seed' ? 'sowing' : 'planting'}.`,
            'Begin the end earlier, or shorten the wait under Garden.',
          )
    case 'bridge':
      return say(
        `${detail.days} days without green growth starve most of what would eat the seedlings: slugs, cutworms, seed flies.`,
        'Transplants need not wait for it.',
      )
    case 'tie-up':
      return say(
        `In the crop’s first four weeks residue takes less than ${Math.round(100 * detail.takenShare)} % of what the soil frees, or the soil has enough${detail.fed ? ' with what you feed' : ''}.`,
        detail.fed ? null : 'Feed at planting, a row of compost, or an earlier end.',
      )
    case 'seedbed':
      return say(
        `Residue below ${dryMatter(detail.limitG, told)}, or raked aside in the rows.`,
        detail.sheet
          ? 'Lay the sheet earlier: what lies under it goes on rotting. Or rake rows free.'
          : 'Rake rows free, or sow into a row of compost.',
      )
    case 'manure':
      return say(
        `${detail.days} days from the last ${detail.from === 'animals' ? 'animals' : 'raw or unknown manure'} to the first harvest, about ${detail.daysToHarvest} days after planting${detail.touches ? '; the part eaten touches soil or splash' : ''}. Local rules decide.`,
        'Plant later, or a crop that takes longer.',
      )
    case 'soil':
      return say(
        `${crop ?? 'The crop'} wants ${temperature(detail.minC, units)} at ${centimetres(0.05, units)} for three days.`,
        'Plant later, or warm the bed under a sheet.',
      )
    case 'frost':
      return say(
        `No night at or below ${temperature(detail.limitC, units)} in the three weeks after planting.`,
        'Plant later, or keep a cover for the nights.',
      )
    default:
      return say(REASONS[detail.id])
  }
}

const REASONS: Record<
  Exclude<CriterionId, 'dead' | 'wait' | 'bridge' | 'tie-up' | 'seedbed' | 'manure' | 'soil' | 'frost'>,
  string
> = {
  ground: 'Frozen, snow-covered or waterlogged ground cannot be raked.',
  established: 'Three tenths of the ground green before the work begins.',
  unworkable:
    'Frozen ground cannot be turned; wheels and turning press wet soil for years: wait for a drier week, or work by hand from the path.',
  stems: 'Stems harden with age: an earlier day, or a stronger tool.',
  stock: 'Some plants poison at a stage, when low, or after frost.',
  tinder: 'Dry matter under the growth would burn.',
  'own-rule': 'Your rules for ending are set under End.',
  'seed-flies':
    'They come to freshly buried green growth, and their maggots hollow out seeds and young stems: three to four weeks. Cutworms and slugs live in it too; look for them at dusk before planting.',
  'residue-hold':
    'Fresh residue of this kind slows small seeds; its hold halves in about ten mild days as it browns. Transplants and large seeds need not wait for it.',
}

function deadReason({ limit, counted }: Extract<CriterionDetail, { id: 'dead' }>): string {
  const rule = `At most ${limit * 100} % of the plants alive, after pulling stragglers by hand.`
  if (!counted) return rule
  const share = `${Math.round(counted.share * 100)} %`
  const seen = counted.finished
    ? `Worked on since it was counted, which is taken to leave ${share}; count again`
    : `Counted: ${share} stand again`
  return counted.tooMany
    ? `${seen}, more than is pulled by hand. Cut again, or cover it. ${rule}`
    : `${seen}. ${rule}`
}

/** What ends a cover leaves the roots of these weeds alive. */
export const CREEPING_REASON =
  'Nothing that ends a cover ends it: it comes back from the roots left in the ground, and turning spreads them. Fork out every piece, or starve it for a season or more.'

/** Advice that planting may go against: its name and its reason. */
export function adviceText(advice: Advice, crop: string): { name: string; why: string } {
  if (advice.id === 'creeping') return { name: `Free of ${advice.weeds.join(' and ')}`, why: CREEPING_REASON }
  return {
    name: 'No host for nematodes',
    why: `Root-knot nematodes were noted here, this cover ${advice.fed === 'surely' ? 'fed them' : 'may have fed them, by its cultivar'}, and ${crop.toLowerCase()} is a host too. Plant what is no host, or put one between.`,
  }
}
