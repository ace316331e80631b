import type { Stand } from '../core/garden/schema'
import type { Job, JobKind } from '../core/rounds/jobs'
import { centimetres, kilos, percent, shortDate, type Units } from '../text/format'
import { endingWords, leadGroup, standName } from '../text/names'

const lower = (stand: Stand) => standName(stand).toLowerCase()

/** From this spread on, as half the range over the middle, a percentage says less than a word. */
const HARDLY_KNOWN = 0.75

/** A job in a grower's words: what to do, and what it turns on. */
export function jobText(
  { kind, days, count, share = 0, begun, cutId, mulch }: Job,
  stand: Stand,
  units: Units,
  /** The cover that is cut down over a sowing. */
  over: Stand | null = null,
): { title: string; detail: string } {
  const name = lower(stand)
  switch (kind) {
    case 'sow':
      if (over)
        return {
          title: `Sow ${name} and drop ${lower(over)} over it`,
          detail: 'Throw the seed first, cut the same day, before rain; the mulch over it is in Sow.',
        }
      return { title: `Sow ${name}`, detail: 'As planned; the recipe is in Sow.' }
    case 'self-sown':
      return {
        title: `See whether ${name} has sown itself`,
        detail: `${days.length > 1 ? `Its seedlings are up about ${shortDate(days[0])} to ${shortDate(days[1])}. ` : ''}Taken as come up once it is ticked; sow it by hand where it is thin.`,
      }
    case 'plant':
      return { title: `Plant ${name}`, detail: 'As planned; look at the gates first where a cover stood.' }
    case 'cut': {
      const cut = stand.cuts.find(({ id }) => id === cutId)?.cut.plan
      const height = cut ? ` to ${centimetres(cut.heightCm / 100, units)}` : ''
      if (cut?.fate === 'grazed')
        return { title: `Graze ${name} down${height}`, detail: 'As planned; it grows on.' }
      return {
        title: `Mow ${name}${height}`,
        detail:
          cut?.fate !== 'carried off'
            ? 'The cuttings stay; it grows on.'
            : cut.toBedId === stand.bedId
              ? 'The cuttings go onto the bed beside it.'
              : 'Dry it, and carry it off.',
      }
    }
    case 'end':
      return {
        title: `End ${name}`,
        detail: stand.end.plan
          ? `By ${endingWords(stand.end.plan)}, as planned; the work plan is in End.`
          : 'As planned.',
      }
    case 'tray':
      return {
        title: `Sow trays of ${name}`,
        detail: `To be planted ${shortDate(days[0])}; they come up where it is warm.`,
      }
    case 'clear':
      return { title: `Clear ${name}`, detail: 'As planned.' }
    case 'moist':
      return { title: `Keep ${name} moist`, detail: `A fine rose on the top until ${shortDate(days[0])}.` }
    case 'emergence':
      return {
        title: `Look for seedlings of ${name}`,
        detail: `Due ${shortDate(days[0])} to ${shortDate(days[1])}; count a ring where it looks thin.`,
      }
    case 'window':
      return {
        title: `Look at the stage of ${name}`,
        detail: `${leadGroup(stand) === 'grass' ? 'Pollen' : 'First flower'} about ${shortDate(days[0])} to ${shortDate(days[1])}: from then on it can be ended.`,
      }
    case 'seed':
      return begun
        ? {
            title: `${standName(stand)} sets seed`,
            detail: `Some may be fit to sprout since ${shortDate(days[0])}, most is from about ${shortDate(days[1])}. End or cut it now.`,
          }
        : {
            title: `${standName(stand)} is about to set seed`,
            detail: `Seed fit to sprout from about ${shortDate(days[1])}, from ${shortDate(days[0])} at the earliest. End or cut it before.`,
          }
    case 'lay':
      return {
        title: `Lay the ${name}`,
        detail: `Wet the ground first, weigh it down all round; off ${shortDate(days[0])}.`,
      }
    case 'half time':
      return {
        title: `Lift a corner of the ${name}`,
        detail: `Half time; water if the soil is dry. Off ${shortDate(days[0])}.`,
      }
    case 'lift':
      return { title: `Take the ${name} off`, detail: 'Look what lives under it; leave the soil as it is.' }
    case 'mulch':
      return {
        title: `Lay ${kilos(mulch?.kg ?? 0, units)} of ${mulch?.kind === 'grown here' ? 'mulch grown here' : mulch?.kind}`,
        detail: 'From the store; a hand clear of stems.',
      }
    case 'sheet':
      return count === 1
        ? {
            title: `Lift a corner of the sheet over ${name}`,
            detail: `Half time; water if the soil is dry. Dead about ${shortDate(days[0])}.`,
          }
        : {
            title: `Look under the sheet over ${name}`,
            detail: stand.end.actual?.untilThin
              ? 'It should be dead by now. Leave the sheet on until what lies under it is thin enough.'
              : 'It should be dead by now. When the sheet comes off, note the day in End.',
          }
    case 'regrowth':
      return {
        title: `Count what of ${name} stands again`,
        detail: `${count} days after ${stand.end.actual?.liftedOn ? 'the sheet came off' : 'the work was done'}; pull, cut or cover it.`,
      }
    case 'look':
      return {
        title: `Look at ${name}`,
        detail: `${share < HARDLY_KNOWN ? `Its amount is known to within ${percent(share)}` : 'How much stands there is a guess'}, ${days.length > 0 ? `last checked ${shortDate(days[0])}` : 'and nobody has checked it yet'}. A one-minute check sharpens its dates.`,
      }
    case 'dry':
      return {
        title: `Water ${name}`,
        detail: `The top of the soil is too dry for its seed; it should be up by ${shortDate(days[0])}.`,
      }
    case 'decide':
      return days.length > 0
        ? {
            title: `Decide on ${name}`,
            detail: `Thin, hurt or weedy as of ${shortDate(days[0])}: sow again, leave it, or end it early.`,
          }
        : {
            title: `Look whether ${name} lives`,
            detail: `By the forecast ${percent(share)} of its plants are gone, and nobody has seen it. Look before deciding.`,
          }
    case 'move':
      return {
        title: `Move the ${stand.end.actual?.animals?.kind ?? 'animals'} on ${name}`,
        detail: `Stop ${count} of ${days[1]}. Look before you move: no foot or wing under the pen. Water and shade first.`,
      }
    case 'strip':
      return {
        title: `Cut strip ${count} of ${name}`,
        detail: 'Strip by strip, as planned; the rest still flowers.',
      }
    case 'frost':
      return { title: `Frost is likely: ${name}`, detail: 'Cover it, or harvest before.' }
  }
}

const AT_THE_BED: readonly JobKind[] = ['plant', 'lay', 'half time', 'lift', 'tray', 'clear', 'frost']

/** Where the work of a job is done. */
export function jobRoom({ kind, standId, bedId }: Job): string {
  if (kind === 'sow') return `/sow/${standId}`
  if (kind === 'end' || kind === 'regrowth' || kind === 'sheet') return `/end/${standId}`
  if (kind === 'strip') return `/end/${standId}/plan`
  if (kind === 'move') return `/end/${standId}/animals`
  if (AT_THE_BED.includes(kind)) return `/bed/${bedId}`
  if (kind === 'emergence' || kind === 'look' || kind === 'window') return `/check/${standId}`
  return kind === 'mulch' ? '/shed#mulch' : `/watch/${standId}`
}
