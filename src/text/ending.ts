import type { Method } from '../core/termination/methods'
import type { TerminationStart } from '../core/scenario/starts'
import { HAND_FINISH_SHARE } from '../core/termination/lastAct'
import { SAFE_CHANCE } from '../core/scenario/starts'
import { failsText } from './criteria'

/** Share that stands again from which pulling is no answer. */
const MOST_PULLED = HAND_FINISH_SHARE + 0.1

/** From this chance on a thing is called likely, below one less this unlikely. */
const LIKELY = 0.65

/** What to mind about a way begun on a day, in a sentence: how it fails, or what is left to do where it does not. */
export function methodText(method: Method, { chance, survivors, failures }: TerminationStart): string {
  const standAgain = Math.round(survivors.p50 * 100)
  const fails = failsText(failures)
  const alive = failures.find(({ id }) => id === 'dead')?.share ?? 0
  // What is left to cold and heat fails by living on, or by what comes after it, and the one is not said for the other.
  if (method.waits && (chance >= SAFE_CHANCE || !fails || failures[0].id === 'dead'))
    return waitsText(method, 1 - alive)
  if (chance < SAFE_CHANCE && fails) return `It ${fails}.`
  if (method.sheet === 'clear') return 'Cloud stops it: cover again with black if the sun fails.'
  if (method.sheet === 'cardboard') return 'It goes soft after eight to twelve weeks and may blow off before.'
  if (method.sheet) return 'A cool or dry spell under the sheet takes longer.'
  if (method.animals === 'grazers') return 'Tops are eaten, crowns grow again: another ending must follow.'
  if (method.animals) return `About ${standAgain} % may stand again; wet ground is caked and fouled.`
  if (method.id === 'turn' || method.id === 'biofumigate')
    return `About ${standAgain} % may stand again; every pass brings a flush of weeds, and seed flies for some weeks.`
  // More than can be pulled, and dead in time all the same: cold, heat or age takes them.
  if (survivors.p50 > MOST_PULLED)
    return `About ${standAgain} % may stand again, until the weather takes them.`
  return `About ${standAgain} % may stand again; pull those.`
}

function waitsText({ waits }: Method, dead: number): string {
  if (dead >= LIKELY)
    return `In a ${waits === 'cold' ? 'mild winter' : 'cool summer'} part of it may live on.`
  return dead >= 1 - LIKELY
    ? 'It may as well be alive as dead by then.'
    : 'It will most likely be alive by then.'
}
