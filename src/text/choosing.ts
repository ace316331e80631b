import type { NextSowing } from '../core/choosing/nextSowing'
import type { Candidate, Reason } from '../core/choosing/types'
import { findPurpose } from '../core/choosing/purposes'
import { findMethod, methodName } from '../core/termination/methods'
import { dayNumber } from '../core/foundations/day'
import { findSpecies } from '../core/plants/catalogue'
import { SAFE_CHANCE } from '../core/scenario/starts'
import type { Follows } from '../core/scenario/types'
import { failsText, failsWhen, groundWords } from './criteria'
import { eitherText, seasonWhyText } from './season'
import { inHundred, metres, money, shortDate, type Units } from './format'

const ofYears = (share: number) => `${inHundred(share)} of 100 years`

/** Why a cover was left out, in a sentence. */
export function reasonText(reason: Reason, units: Units, currency: string): string {
  const text = bareReason(reason, units, currency)
  const plant = reason.of ? findSpecies(reason.of)?.name : undefined
  return plant ? `${plant}: ${text}` : text
}

function bareReason(reason: Reason, units: Units, currency: string): string {
  switch (reason.code) {
    case 'animal':
      return `${reason.why} You keep ${reason.who}.`
    case 'trouble':
      return `${reason.family}, as what had ${reason.what} here in ${reason.year}; ${reason.years} years apart is the usual rule.`
    case 'season':
      return `Not sown ${shortDate(reason.sowDay)}: ${seasonWhyText(reason.why)}.`
    case 'grass':
      return 'A grass, and you asked for none.'
    case 'among grain':
      return 'What it ripens would be threshed with the grain above it and cannot be parted from it.'
    case 'feeds nematodes':
      return 'Root-knot nematodes feed and multiply on it.'
    case 'cultivar':
      return 'It depends on the cultivar: some set root-knot nematodes back, others feed them. Buy one that is named as resistant and say so on its page in Plants.'
    case 'no seed':
      return 'No seed of it is marked as at hand.'
    case 'not eaten':
      return 'Not eaten by people.'
    case 'none of it':
      return `It does nothing in these days for ${reason.purposes.map((id) => `“${findPurpose(id).name.toLowerCase()}”`).join(' or ')}.`
    case 'cost':
      return `Seed for this ground costs about ${money(reason.cost, currency)}; you allow ${money(reason.budget, currency)}.`
    case 'covers late':
      return `It covers 30 % of the ground only about ${shortDate(reason.coverDay)}; the bed is needed ${shortDate(reason.byDay)}.`
    case 'never covers':
      return `Sown ${shortDate(reason.sowDay)}, it does not cover 30 % of the ground before ${shortDate(reason.byDay)}.`
    case 'covers seldom':
      return `It covers 30 % of the ground in time for ${shortDate(reason.byDay)} in only ${ofYears(reason.chance)}.`
    case 'ground':
      return `On ${shortDate(reason.sowDay)} ${groundWords(reason.by)} in all but ${ofYears(reason.chance)}.`
    case 'killed small':
      return `${reason.by === 'cold' ? 'Cold' : 'Heat'} kills it about ${shortDate(reason.day)}, while it is still small.`
    case 'killed':
      return `Winter kills it about ${shortDate(reason.day)} in ${ofYears(reason.chance)}; you want it alive.`
    case 'lives on':
      return `It lives through the winter in ${ofYears(reason.chance)}; you want it dead by ${shortDate(reason.byDay)}.`
    case 'tall':
      return `It grows to about ${metres(reason.heightM, units)} before it is ended; you allow ${metres(reason.allowedM, units)}.`
    case 'reseeds':
      return 'It would ripen and drop seed before it can be ended; you want none.'
    case 'not ended':
      return notEndedText(reason)
  }
}

function notEndedText({
  chance,
  byDay,
  stage,
  when,
  failure,
}: Extract<Reason, { code: 'not ended' }>): string {
  const best = `At best ${inHundred(chance)} in 100.`
  const fails = failure ? `By every way you have, ${failsWhen(failure)}` : 'No way of yours ends it in time'
  const reaches = when
    ? `${stage} ${shortDate(when.p50)} ± ${Math.round((when.p90 - when.p10) / 2)} days, ground wanted ${shortDate(byDay)}`
    : `it does not reach ${stage} before ${shortDate(byDay)}`
  return `${fails}: ${reaches}. ${best}`
}

/** How a cover is ended, in a sentence; `follows` tells whether the ground is wanted after it. */
export function endingText({
  ending,
  chance,
  follows = 'nothing',
}: Pick<Candidate, 'ending' | 'chance'> & { follows?: Follows['kind'] }): string {
  if (!ending)
    return follows === 'nothing'
      ? 'No crop planned after it; it can stay.'
      : 'No way of yours can end it here.'
  const method = findMethod(ending.end.method)
  if (!method) return ''
  const name = methodName(method, ending.end.passes).toLowerCase()
  if (method.waits)
    return `Ended by ${method.waits === 'cold' ? 'the winter' : 'the summer’s heat'}, no work of yours.`
  const sure = chance >= SAFE_CHANCE ? '' : ', which is not sure'
  const latest =
    ending.latestSafeDay !== null && ending.latestSafeDay > dayNumber(ending.end.date)
      ? `, at the latest ${shortDate(ending.latestSafeDay)}`
      : ''
  return `Ended by ${name}, begun ${shortDate(dayNumber(ending.end.date))}${latest}${sure}.`
}

/** Fewer bare days than this are not worth a word. */
const WORTH_SAYING_DAYS = 7

/** For how many days of the window a cover holds the ground, and how long it lies bare before and after. */
export function heldText({ ground, room }: Pick<Candidate, 'ground' | 'room'>): string {
  const { bareBefore: before, bareAfter: after, held } = ground
  const all = before + after + held
  if (all === 0) return ''
  const bare = [
    before >= WORTH_SAYING_DAYS ? `${before} before it covers` : '',
    after >= WORTH_SAYING_DAYS ? `${after} after` : '',
  ].filter((part) => part !== '')
  return [
    `Holds the ground ${held} of ${all} days${bare.length > 0 ? `; bare ${bare.join(' and ')}` : ''}.`,
    ...(room.before ? [`Room before it for ${sownText(room.before)}.`] : []),
    ...(room.after ? [`Room after it for ${sownText(room.after)}.`] : []),
  ].join(' ')
}

const sownText = (next: NextSowing) => `${eitherText(next.speciesIds)}, sown about ${shortDate(next.day)}`

/** What would make it fail, in one sentence. */
export function riskText({ failures }: Pick<Candidate, 'failures'>): string {
  const text = failsText(failures)
  return text === '' ? 'No drawbacks found.' : `It ${text}.`
}
