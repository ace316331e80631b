import { dayNumber } from '../../core/foundations/day'
import type { PlantGroup, Species } from '../../core/plants/parameters'
import { SEED_FIT, stageName } from '../../core/stand/stage'
import type { Trouble } from '../../core/tracking/decisions'
import type { Outlier } from '../../core/tracking/outliers'
import { ENDS_AT, type StageMeaning } from '../../core/tracking/stageGuide'
import { dryMatter, unitsOf, type Told } from '../../text/amounts'
import { centimetres, longDate, percent, shortDate } from '../../text/format'

/** How much a share left alive is, in words. */
function leftWords(share: number): string {
  if (share > 0.6) return 'leaves most of it standing'
  if (share > 0.3) return 'leaves a third or more standing'
  if (share > 0.12) return `leaves about ${percent(share)}; a second pass would be needed`
  return `leaves about ${percent(share)}`
}

/** What a stage means for ending the plant, in two sentences at most. */
export function meaningText(plant: Species, bbch: number, meaning: StageMeaning): string {
  const goal = { grass: 'pollen', legume: 'half bloom', broadleaf: 'first flower' }[plant.group]
  const days = meaning.daysToEnd
  const wait =
    bbch >= ENDS_AT[plant.group]
      ? bbch >= SEED_FIT
        ? 'seed may be fit to sprout: end it now'
        : meaning.daysToSeed === null
          ? 'ready to end'
          : `ready to end; about ${meaning.daysToSeed} days until seed sprouts`
      : days === null
        ? `${goal} is still to come`
        : `about ${days} ${days === 1 ? 'day' : 'days'} to ${goal}`
  const crimp = leftWords(meaning.crimpLeaves)
  const chop = leftWords(meaning.chopLeaves)
  return crimp === chop
    ? `${wait}. Crimping or chopping now ${crimp}.`
    : `${wait}. Crimping now ${crimp}; chopping at the ground ${chop}.`
}

/** What of a check does not fit, as a sentence that says both sides. */
export function doubtText(doubt: Outlier, group: PlantGroup, told: Told): string {
  const height = (metres: number) => centimetres(metres, unitsOf(told))
  switch (doubt.kind) {
    case 'cover':
      return `You saw ${percent(doubt.seen)} green; the forecast had ${percent(doubt.low)} to ${percent(doubt.high)}.`
    case 'height':
      return `You saw ${height(doubt.seen)}; the forecast had ${height(doubt.low)} to ${height(doubt.high)}.`
    case 'mass':
      return `The sample comes to ${dryMatter(doubt.seen, told)}; the forecast had ${dryMatter(doubt.low, told)} to ${dryMatter(doubt.high, told)}.`
    case 'stage':
      return `You saw “${stageName(doubt.seen, group)}”; the forecast had “${stageName(doubt.low, group)}” to “${stageName(doubt.high, group)}”.`
    case 'stage back':
      return `On ${longDate(dayNumber(doubt.on))} it was at “${stageName(doubt.before, group)}” already; stages do not go back without a cut.`
    case 'cover fell':
      return `On ${longDate(dayNumber(doubt.on))} ${percent(doubt.before)} was green. Was it cut, grazed or hurt since?`
  }
}

/** What is wrong with a stand, as a sentence. */
export function troubleText({ kind, share, day, checkId }: Trouble): string {
  if (kind === 'thin')
    return `Thin: on ${shortDate(day)} only ${percent(share)} of the plants expected were there.`
  if (kind === 'losses' && checkId === null)
    return `Losses: by the forecast ${percent(share)} of the plants are gone. Look before deciding.`
  if (kind === 'losses') return `Losses: on ${shortDate(day)} ${percent(share)} of the plants were gone.`
  return `Weedy: on ${shortDate(day)} weeds covered ${percent(share)} of the ground.`
}
