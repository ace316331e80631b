import { dayNumber } from '../../core/foundations/day'
import type { Check, Picture } from '../../core/garden/check'
import type { EndDetails } from '../../core/garden/ending'
import type { Bed, Step, Stand } from '../../core/garden/schema'
import { checkText } from '../../parts/checkText'
import { toldOn, unitsOf, type Told } from '../../text/amounts'
import { area, centimetres, grams, kilos, longDate, rain } from '../../text/format'
import { standWithPlace } from '../../text/bed'
import { endingWords, FINISHING_WORDS, leadGroup } from '../../text/names'

/** Something that happened in a bed: its day, what, the words about it, and pictures taken then. */
export type Entry = {
  id: string
  day: number
  what: string
  words: string
  to: string | null
  pictureIds: string[]
}

const lateness = (step: Step<{ date: string }>) => {
  const days = step.plan && step.actual ? dayNumber(step.actual.date) - dayNumber(step.plan.date) : 0
  return days === 0 ? '' : `${Math.abs(days)} days ${days > 0 ? 'after' : 'before'} the plan`
}
const joined = (...parts: (string | null | undefined | false)[]) => parts.filter(Boolean).join('. ')

const FATE = { dropped: 'dropped', 'carried off': 'carried off', eaten: 'eaten', grazed: 'grazed' } as const

const BEGAN = { cover: 'Sowed', crop: 'Planted', sheet: 'Laid' } as const

function standEntries(stand: Stand, bed: Bed, checks: readonly Check[], told: Told): Entry[] {
  const units = unitsOf(told)
  const name = standWithPlace(stand, units, bed)
  const cover = stand.content.kind === 'cover'
  const to = cover ? `/watch/${stand.id}` : null
  const entry = (id: string, date: string, what: string, words = '', pictureIds: string[] = []): Entry => ({
    id: `${stand.id}:${id}`,
    day: dayNumber(date),
    what,
    words,
    to,
    pictureIds,
  })
  const { start, end } = stand
  const weighed = start.actual?.components.flatMap((component) =>
    component.grams === null ? [] : grams(component.grams, units),
  )
  return [
    ...(start.actual
      ? [
          entry(
            'start',
            start.actual.date,
            `${BEGAN[stand.content.kind]} ${name.toLowerCase()}`,
            joined(weighed?.join(' + '), start.actual.covering, lateness(start), start.actual.note),
          ),
        ]
      : []),
    ...stand.waterings.map((watering) =>
      entry(watering.id, watering.date, `Watered ${name.toLowerCase()}`, rain(watering.mm, units)),
    ),
    ...checks.map((check) =>
      entry(
        check.id,
        check.date,
        `Looked at ${name.toLowerCase()}`,
        checkText(check, leadGroup(stand), toldOn(told, bed, stand.segment)),
        check.pictureIds,
      ),
    ),
    ...stand.cuts.flatMap(({ id, cut }) =>
      cut.actual
        ? [
            entry(
              id,
              cut.actual.date,
              `Cut ${name.toLowerCase()}`,
              joined(
                `to ${centimetres(cut.actual.heightCm / 100, units)}, ${FATE[cut.actual.fate]}`,
                cut.actual.note,
              ),
            ),
          ]
        : [],
    ),
    ...(end.actual
      ? [
          entry(
            'end',
            end.actual.date,
            end.actual.method === 'harvest'
              ? `${stand.content.kind === 'sheet' ? 'Took off' : 'Cleared'} ${name.toLowerCase()}`
              : `Ended ${name.toLowerCase()} by ${endingWords(end.actual)}`,
            joined(lateness(end), doneBy(end.actual), end.actual.note),
          ),
        ]
      : []),
    ...(end.actual?.liftedOn
      ? [
          entry(
            'lifted',
            end.actual.liftedOn,
            `Took the sheet off ${name.toLowerCase()}`,
            `after ${dayNumber(end.actual.liftedOn) - dayNumber(end.actual.date)} days`,
          ),
        ]
      : []),
    ...stand.followUps.map((count) =>
      entry(
        count.id,
        count.date,
        `Counted what of ${name.toLowerCase()} stands again`,
        joined(
          `${count.standing} of ${Math.round(count.before)} plants on ${area(count.groundM2, units)}`,
          count.note,
        ),
      ),
    ),
    ...stand.finishings.map((work) =>
      entry(
        work.id,
        work.date,
        `${FINISHING_WORDS[work.act]}: what of ${name.toLowerCase()} stood again`,
        work.minutes === undefined ? '' : `${work.minutes} minutes`,
      ),
    ),
    ...(stand.outcome
      ? [
          entry(
            'outcome',
            stand.outcome.date,
            `How ${name.toLowerCase()} did`,
            joined(
              stand.outcome.yieldKg === null ? '' : kilos(stand.outcome.yieldKg, units),
              stand.outcome.verdict ?? '',
              stand.outcome.note,
            ),
          ),
        ]
      : []),
    ...(stand.note.trim() !== '' && start.actual ? [entry('note', start.actual.date, name, stand.note)] : []),
  ]
}

/** Who did it, how long it took and what it used up. */
const doneBy = ({ by, minutes, materials, hurt }: EndDetails): string =>
  joined(
    by ? `by ${by}` : '',
    minutes === undefined ? '' : `${minutes} minutes`,
    materials ?? '',
    hurt ? `${hurt} hurt or lost` : '',
  )

/** Everything that happened in a bed, the newest first. */
export function journalOf(
  bed: Bed,
  stands: readonly Stand[],
  checks: readonly Check[],
  pictures: readonly Picture[],
  told: Told,
): Entry[] {
  const own = stands.filter((stand) => stand.bedId === bed.id)
  const byStand = new Map(own.map((stand): [string, Check[]] => [stand.id, []]))
  for (const check of checks) byStand.get(check.standId)?.push(check)
  const shown = new Set(own.flatMap((stand) => byStand.get(stand.id)!.flatMap((check) => check.pictureIds)))
  return [
    ...own.flatMap((stand) => standEntries(stand, bed, byStand.get(stand.id) ?? [], told)),
    ...bed.troubles.map((trouble): Entry => ({
      id: trouble.id,
      day: dayNumber(trouble.date),
      what: `Trouble: ${trouble.what}`,
      words: `on ${trouble.family}; Choose keeps the family away`,
      to: null,
      pictureIds: [],
    })),
    ...pictures
      .filter((picture) => !shown.has(picture.id))
      .map((picture): Entry => ({
        id: picture.id,
        day: dayNumber(picture.date),
        what: 'Picture',
        words: picture.caption,
        to: null,
        pictureIds: [picture.id],
      })),
  ].sort((a, b) => b.day - a.day)
}

/** Entries in which every word of a search is found, in what, words or date. */
export function searched(entries: readonly Entry[], search: string): Entry[] {
  const wanted = search.toLowerCase().split(/\s+/).filter(Boolean)
  if (wanted.length === 0) return [...entries]
  return entries.filter(({ what, words, day }) => {
    const text = `${what} ${words} ${longDate(day)}`.toLowerCase()
    return wanted.every((word) => text.includes(word))
  })
}
