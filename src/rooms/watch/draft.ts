import { isoDate, parseDay } from '../../core/foundations/day'
import { failure, success, type Outcome, type Problem } from '../../core/foundations/outcome'
import { check as checkSchema, type Check, type DamageKind } from '../../core/garden/check'
import { problemsFromZod } from '../../data/problems'
import { typedCounts, typedNumber, typedOrNull } from '../../parts/typed'

/** A check as filled in: numbers as typed, in %, cm, g and rings; empty where not looked at. */
export type CheckDraft = {
  date: string
  stage: string
  stageOf: string
  cover: string
  /** Error of a cover read from a picture, %; empty when judged by eye. */
  pictureError: string
  height: string
  counts: string
  ringCm: string
  gaps: string
  weedCover: string
  weedsWhich: string
  damage: DamageKind | ''
  damageLost: string
  damageWhat: string
  damageOf: string
  sampleCm: string
  fresh: string
  dry: string
  note: string
}

export const emptyDraft = (today: number): CheckDraft => ({
  date: isoDate(today),
  stage: '',
  stageOf: '',
  cover: '',
  pictureError: '',
  height: '',
  counts: '',
  ringCm: '30',
  gaps: '',
  weedCover: '',
  weedsWhich: '',
  damage: '',
  damageLost: '',
  damageWhat: '',
  damageOf: '',
  sampleCm: '50',
  fresh: '',
  dry: '',
  note: '',
})

const text = (value: number | null | undefined, scale = 1) =>
  value === null || value === undefined ? '' : String(Math.round(value * scale * 100) / 100)

/** A stored check as it was filled in, for changing it. */
export function draftOf(check: Check, today: number): CheckDraft {
  const hurt = check.damage?.[0]
  const side = check.sample ? Math.sqrt(check.sample.areaM2) * 100 : 50
  return {
    ...emptyDraft(today),
    date: check.date,
    stage: text(check.stageBbch),
    stageOf: check.stageOf ?? '',
    cover: text(check.cover, 100),
    pictureError: check.coverBy?.kind === 'picture' ? text(check.coverBy.error, 100) : '',
    height: text(check.heightCm),
    counts: check.plants?.counts.join(' ') ?? '',
    ringCm: text(check.plants?.ringM ?? 0.3, 100),
    gaps: text(check.plants?.gapShare, 100),
    weedCover: text(check.weeds?.cover, 100),
    weedsWhich: check.weeds?.which.join(', ') ?? '',
    damage: hurt?.kind ?? '',
    damageLost: text(hurt?.lost, 100),
    damageWhat: hurt?.what ?? '',
    damageOf: hurt?.speciesId ?? '',
    sampleCm: text(side),
    fresh: text(check.sample?.freshG),
    dry: text(check.sample?.dryG),
    note: check.note,
  }
}

type Limits = { id: string; gardenId: string; standId: string; sownOn: string; today: number }

/** A share typed as %; adds a problem when it is not one. */
function shareOf(typed: string, path: string, name: string, problems: Problem[]): number | null {
  const value = typedOrNull(typed)
  if (value === null) return null
  if (!(value >= 0 && value <= 100))
    problems.push({ path, code: 'share', message: `${name} must be between 0 and 100 %.` })
  return value / 100
}

/** A number above zero; adds a problem when it is not one. */
function amountOf(typed: string, path: string, name: string, problems: Problem[]): number {
  const value = typedNumber(typed)
  if (!(value > 0)) problems.push({ path, code: 'amount', message: `${name}: enter a number above 0.` })
  return value
}

function plantsOf(draft: CheckDraft, problems: Problem[]): Check['plants'] {
  if (draft.counts.trim() === '') return undefined
  const counts = typedCounts(draft.counts)
  if (counts.some((count) => !Number.isInteger(count) || count < 0))
    problems.push({
      path: 'counts',
      code: 'counts',
      message: 'Plants in each ring: whole numbers with spaces between, such as 12 9 14.',
    })
  const ringM = amountOf(draft.ringCm, 'ringCm', 'Ring width', problems) / 100
  return { speciesId: null, ringM, counts, gapShare: shareOf(draft.gaps, 'gaps', 'Gaps', problems) ?? 0 }
}

function sampleOf(draft: CheckDraft, problems: Problem[]): Check['sample'] {
  if (draft.fresh.trim() === '' && draft.dry.trim() === '') return undefined
  const side = amountOf(draft.sampleCm, 'sampleCm', 'Side of the ground cut', problems) / 100
  const freshG = amountOf(draft.fresh, 'fresh', 'Fresh weight', problems)
  const dryG = draft.dry.trim() === '' ? null : amountOf(draft.dry, 'dry', 'Dry weight', problems)
  return { areaM2: side * side, freshG, dryG }
}

function damageOf(draft: CheckDraft, problems: Problem[]): Check['damage'] {
  if (draft.damage === '') return undefined
  return [
    {
      kind: draft.damage,
      lost: shareOf(draft.damageLost, 'damageLost', 'Plants lost', problems) ?? 0,
      what: draft.damageWhat.trim(),
      speciesId: draft.damageOf || null,
    },
  ]
}

/** Which field a problem of the stored check belongs to. */
const FIELD: Record<string, keyof CheckDraft> = {
  'weeds.which': 'weedsWhich',
  'damage.0.what': 'damageWhat',
  'plants.counts': 'counts',
  'plants.ringM': 'ringCm',
  stageBbch: 'stage',
  heightCm: 'height',
  'sample.dryG': 'dry',
  'sample.freshG': 'fresh',
  'sample.areaM2': 'sampleCm',
}

/** The field of a path; entries of a list belong to the list. */
const fieldOf = (path: string) => FIELD[path] ?? FIELD[path.replace(/\.\d+$/, '')] ?? path

/** The check of a draft, or what is wrong with it by field. `pictureIds` are pictures taken with it. */
export function checkOf(
  draft: CheckDraft,
  limits: Limits,
  pictureIds: readonly string[] = [],
): Outcome<Check> {
  const problems: Problem[] = []
  if (parseDay(draft.date) === null)
    problems.push({ path: 'date', code: 'date', message: 'Enter a date as year-month-day.' })
  else if (draft.date < limits.sownOn)
    problems.push({
      path: 'date',
      code: 'before-sowing',
      message: `The stand was sown on ${limits.sownOn}. Choose that day or a later one.`,
    })
  else if (draft.date > isoDate(limits.today))
    problems.push({
      path: 'date',
      code: 'future',
      message: 'A check cannot lie in the future. Choose today or an earlier date.',
    })
  const cover = shareOf(draft.cover, 'cover', 'Cover', problems)
  const weedCover = shareOf(draft.weedCover, 'weedCover', 'Weed cover', problems)
  const which = draft.weedsWhich.split(',').flatMap((name) => name.trim() || [])
  const plants = plantsOf(draft, problems)
  const sample = sampleOf(draft, problems)
  const damage = damageOf(draft, problems)
  const heightCm = typedOrNull(draft.height)
  if (problems.length > 0) return failure(...problems)
  const parsed = checkSchema.safeParse({
    id: limits.id,
    gardenId: limits.gardenId,
    standId: limits.standId,
    date: draft.date,
    stageBbch: typedOrNull(draft.stage),
    ...(draft.stage !== '' && draft.stageOf !== '' && { stageOf: draft.stageOf }),
    cover,
    ...(cover !== null && {
      coverBy:
        draft.pictureError === ''
          ? { kind: 'eye' }
          : { kind: 'picture', error: typedNumber(draft.pictureError) / 100 },
    }),
    heightCm,
    ...(plants && { plants }),
    ...((weedCover !== null || which.length > 0) && { weeds: { cover: weedCover ?? 0, which } }),
    ...(damage && { damage }),
    ...(sample && { sample }),
    ...(pictureIds.length > 0 && { pictureIds: [...pictureIds] }),
    note: draft.note,
  })
  if (parsed.success) return success(parsed.data)
  return failure(
    ...problemsFromZod(parsed.error).map((problem) => ({
      ...problem,
      path: fieldOf(problem.path),
    })),
  )
}
