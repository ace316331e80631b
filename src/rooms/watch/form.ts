import { FRESH_CHECK } from '../../core/garden/fresh'
import { isEqual as equal } from 'es-toolkit/predicate'
import { z } from 'zod'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { check, damageKind, type Check } from '../../core/garden/check'
import { day, note, quantity, quantityOrNone } from '../../parts/form/codecs'
import { textOf } from '../../parts/form/typedText'
import type { Units } from '../../text/format'
import { writeQuantity } from '../../text/quantity'

/** Width of the ring, cm, and side of the square cut, cm, unless another is given. */
const USUAL_RING_CM = 30
const USUAL_SIDE_CM = 50

/** What a check is filled in under: when its stand was sown, the day, the garden's units. */
export type Looked = { sownOn: string; today: number; units: Units }

const COUNTS = 'Plants in each ring: whole numbers with spaces between, such as 12 9 14.'
const counted = z.codec(z.string(), z.array(z.number().int()), {
  decode: (text, context) => {
    const counts = text
      .split(/[\s,;]+/)
      .filter(Boolean)
      .map(Number)
    if (counts.every((count) => Number.isInteger(count) && count >= 0 && count <= 20_000)) return counts
    context.issues.push({ code: 'custom', message: COUNTS, input: text })
    return z.NEVER
  },
  encode: (counts) => counts.join(' '),
})
const names = z.codec(z.string(), z.array(z.string()), {
  decode: (text) => text.split(',').flatMap((name) => name.trim() || []),
  encode: (which) => which.join(', '),
})

/** One look at a stand; empty what was not looked at. Cm, g and shares of one inside. */
export function checkForm({ sownOn, today, units }: Looked) {
  const share = (name: string) => quantityOrNone('share', units, { name, low: 0, high: 1 })
  const grams = (name: string) => quantityOrNone('seed', units, { name, above: 0, high: 200_000 })
  return z
    .object({
      date: day((seen) => {
        if (seen < dayNumber(sownOn))
          return `The stand was sown on ${sownOn}. Choose that day or a later one.`
        return seen > today ? 'A check cannot lie in the future. Choose today or an earlier date.' : null
      }),
      stage: quantityOrNone('number', units, { name: 'Stage', of: check.shape.stageBbch }),
      stageOf: z.string(),
      cover: share('Cover'),
      /** Error of a cover read from a picture; none when judged by eye. */
      pictureError: quantityOrNone('share', units, { name: 'Error of the cover', low: 0, high: 0.5 }),
      height: quantityOrNone('height', units, { name: 'Height', of: check.shape.heightCm }),
      counts: counted,
      ringCm: quantity('height', units, { name: 'Ring width', low: 5, high: 300 }),
      gaps: share('Gaps'),
      weedCover: share('Weed cover'),
      weedsWhich: names,
      damage: z.union([damageKind, z.literal('')]),
      damageLost: share('Plants lost'),
      damageWhat: z.string().trim().max(80, 'What it was: use 80 characters or fewer.'),
      damageOf: z.string(),
      sampleCm: quantity('height', units, { name: 'Side of the ground cut', low: 10, high: 500 }),
      fresh: grams('Fresh weight'),
      dry: grams('Dry weight'),
      note: note(4000),
      /** The check that is changed, and that check as it was when the change began, as JSON; empty for a new one. */
      editing: z.string(),
      seen: z.string(),
      /** Pictures taken with it, as JSON; their bytes lie in the store. */
      pictures: z.string(),
    })
    .refine(({ fresh, dry }) => dry === null || fresh !== null, {
      path: ['fresh'],
      error: 'Fresh weight: enter it, too; a dry weight alone says nothing.',
    })
    .refine(({ fresh, dry }) => dry === null || fresh === null || dry <= fresh, {
      path: ['dry'],
      error: 'The dry weight is above the fresh weight. Exchange the two, or weigh again.',
    })
    .refine(({ counts }) => counts.length <= 60, { path: ['counts'], error: 'Rings: at most 60.' })
    .refine(({ weedsWhich }) => weedsWhich.length <= 12, {
      path: ['weedsWhich'],
      error: 'Weeds: at most 12; name the worst.',
    })
    .refine((look) => hasPictures(look) || holdsAnything(look), {
      path: ['stage'],
      error: 'The check is empty. Choose a stage, give the cover, or write a note.',
    })
}
type CheckSchema = ReturnType<typeof checkForm>
export type CheckText = z.input<CheckSchema>
export type CheckValue = z.output<CheckSchema>

/** Taken now, or with the check that is changed. */
const hasPictures = ({ pictures, seen }: { pictures: string; seen: string }) =>
  pictures !== '' || seen.includes('"pictureIds"')

type Looks = Record<'stage' | 'cover' | 'height' | 'weedCover' | 'fresh', number | null> & {
  counts: number[]
  weedsWhich: string[]
  damage: string
  note: string
}
const holdsAnything = ({ counts, weedsWhich, damage, note, ...look }: Looks) =>
  [look.stage, look.cover, look.height, look.weedCover, look.fresh].some((value) => value !== null) ||
  counts.length > 0 ||
  weedsWhich.length > 0 ||
  damage !== '' ||
  note.trim() !== ''

/** Nothing looked at yet. */
export const emptyCheck = (today: number, units: Units): CheckText => ({
  date: isoDate(today),
  stage: '',
  stageOf: '',
  cover: '',
  pictureError: '',
  height: '',
  counts: '',
  ringCm: writeQuantity(USUAL_RING_CM, 'height', units),
  gaps: '',
  weedCover: '',
  weedsWhich: '',
  damage: '',
  damageLost: '',
  damageWhat: '',
  damageOf: '',
  sampleCm: writeQuantity(USUAL_SIDE_CM, 'height', units),
  fresh: '',
  dry: '',
  note: '',
  editing: '',
  seen: '',
  pictures: '',
})

/** A stored check as it was filled in, for changing it. */
export function textOfCheck(check: Check, looked: Looked): CheckText {
  const hurt = check.damage[0]
  return textOf(checkForm(looked), {
    date: dayNumber(check.date),
    stage: check.stageBbch,
    stageOf: check.stageOf ?? '',
    cover: check.cover,
    pictureError: check.coverBy?.kind === 'picture' ? check.coverBy.error : null,
    height: check.heightCm,
    counts: check.plants?.counts ?? [],
    ringCm: (check.plants?.ringM ?? USUAL_RING_CM / 100) * 100,
    gaps: check.plants?.gapShare ?? null,
    weedCover: check.weeds?.cover ?? null,
    weedsWhich: check.weeds?.which ?? [],
    damage: hurt?.kind ?? '',
    damageLost: hurt?.lost ?? null,
    damageWhat: hurt?.what ?? '',
    damageOf: hurt?.speciesId ?? '',
    sampleCm: check.sample ? Math.sqrt(check.sample.areaM2) * 100 : USUAL_SIDE_CM,
    fresh: check.sample?.freshG ?? null,
    dry: check.sample?.dryG ?? null,
    note: check.note,
    editing: check.id,
    seen: JSON.stringify(check),
    pictures: '',
  })
}

/**
 * A check that was changed: what its fields show rounded stays as it was where nobody typed another.
 */
export function changedCheck(
  look: CheckValue,
  old: Check,
  looked: Looked,
  pictureIds: readonly string[],
): Check {
  const { id, gardenId, standId } = old
  const of = (value: CheckValue) => checkOf(value, { id, gardenId, standId }, pictureIds)
  const schema = checkForm({ ...looked, today: Math.max(looked.today, dayNumber(old.date)) })
  const shown = schema.safeParse(textOfCheck(old, looked))
  const [before, after] = [shown.success ? of(shown.data) : null, of(look)]
  if (!before) return after
  const kept = Object.entries(after).map(([name, value]) => {
    const field = name as keyof Check
    return [name, equal(value, before[field]) && field in old ? old[field] : value]
  })
  return Object.fromEntries(kept) as Check
}

/** The check as it is stored. */
export function checkOf(
  look: CheckValue,
  ids: Pick<Check, 'id' | 'gardenId' | 'standId'>,
  pictureIds: readonly string[] = [],
): Check {
  const { stage, stageOf, cover, pictureError, counts, weedCover, weedsWhich, fresh } = look
  const side = look.sampleCm / 100
  return {
    ...FRESH_CHECK,
    ...ids,
    date: isoDate(look.date),
    stageBbch: stage,
    ...(stage !== null && stageOf !== '' && { stageOf }),
    cover,
    ...(cover !== null && {
      coverBy: pictureError === null ? { kind: 'eye' } : { kind: 'picture', error: pictureError },
    }),
    heightCm: look.height,
    ...(counts.length > 0 && {
      plants: { speciesId: null, ringM: look.ringCm / 100, counts, gapShare: look.gaps ?? 0 },
    }),
    ...((weedCover !== null || weedsWhich.length > 0) && {
      weeds: { cover: weedCover ?? 0, which: weedsWhich },
    }),
    ...(look.damage !== '' && {
      damage: [
        {
          kind: look.damage,
          lost: look.damageLost ?? 0,
          what: look.damageWhat,
          speciesId: look.damageOf || null,
        },
      ],
    }),
    ...(fresh !== null && { sample: { areaM2: side * side, freshG: fresh, dryG: look.dry } }),
    pictureIds: [...pictureIds],
    note: look.note,
  }
}
