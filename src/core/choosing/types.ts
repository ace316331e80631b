import type { EndingOption, Target } from '../ending/weigh'
import type { Spread } from '../foundations/statistics'
import type { Bed, Covering, Garden, PurposeId, Tool } from '../garden/schema'
import type { DateSpread } from '../stand/summary'
import type { StandInput } from '../stand/types'

export type WinterWish = 'either' | 'must live' | 'must die'

/** Which weeds are to be smothered: it decides when the ground must be covered. */
export type WeedKind = 'any' | 'cool season' | 'warm season' | 'creeping'

/** What a cover must be or must not be; each one can only leave covers out. */
export type Limits = {
  winter: WinterWish
  /** Dead by this day even if the bed is needed later; null for the planting day. */
  deadByDay: number | null
  noGrasses: boolean
  /** Tallest it may grow, m; null for any height. */
  maxHeightM: number | null
  notRootKnotHost: boolean
  /** Two to three weeks without green growth before the next crop's seedlings. */
  noGreenBridge: boolean
  seedAtHandOnly: boolean
  /** Most that the seed for the bed may cost; null for any. */
  budget: number | null
  neverReseeds: boolean
}

export const NO_LIMITS: Limits = {
  winter: 'either',
  deadByDay: null,
  noGrasses: false,
  maxHeightM: null,
  notRootKnotHost: false,
  noGreenBridge: false,
  seedAtHandOnly: false,
  budget: null,
  neverReseeds: false,
}

/** The question: this ground, this window, what follows, what for. */
export type ChooseQuestion = {
  bed: Bed
  areaM2: number
  freeFromDay: number
  /** A sowing day to judge by; null to find the best one. */
  sowDay: number | null
  /** Last day on which it can be sown, such as under a crop; null for no such limit. */
  sowUntilDay: number | null
  target: Target
  /** False where nothing takes the ground after it: a path, or an open end. */
  endNeeded: boolean
  /** The crop above, for sowing under one. */
  canopyAbove: StandInput['canopyAbove']
  next: { name: string; family: string; smallSeed: boolean; nitrogenG: number; rootKnotHost: boolean } | null
  purposes: PurposeId[]
  weeds: WeedKind
  limits: Limits
  tools: Tool[]
  animals: NonNullable<Garden['animals']>
  seedAtHand: string[]
  /** Organic or untreated seed costs more. */
  organicSeed: boolean
  today: number
}

/** A species and its share of the full rate. */
export type Part = { speciesId: string; share: number }

/** A sentence with days in it: `{0}` stands for the first day of `days`. */
export type DatedText = { text: string; days: number[] }

export type PurposeResult = { id: PurposeId; amount: Spread; chanceOfGoal: number; worth: number }

/** What one answer has over another: a purpose, the chance, or the price. */
export type Difference = { of: PurposeId | 'chance' | 'cost'; ours: number; theirs: number }

export type Candidate = {
  /** Species joined by `+`; equal for equal sets of species. */
  key: string
  parts: Part[]
  sowDay: number
  covering: Covering
  /** Chance of a living cover that is dead and plantable by the planting day, and its two parts. */
  chance: number
  established: number
  endChance: number
  score: number
  /** Members it was judged with. */
  members: number
  ending: {
    method: EndingOption['method']
    passes: number
    name: string
    startDay: number
    latestSafeDay: number | null
  } | null
  purposes: PurposeResult[]
  firstFlower: DateSpread
  covered30: DateSpread
  heightM: number
  cost: Spread
  reason: DatedText
  /** What is likeliest to go wrong, and how often. */
  risk: { of: 'establishing' | 'winter' | 'ending'; chance: number }
  /** For a mix: what it has over its best single species, and what it gives up. */
  overSingle: { speciesId: string; better: Difference[]; worse: Difference[] } | null
  /** What the one ranked next has over this one, and this one over it. */
  againstNext: { key: string; better: Difference[]; worse: Difference[] } | null
  cautions: string[]
}

export type LimitName =
  | 'too little time'
  | 'winter'
  | 'cannot be ended'
  | 'harms animals'
  | 'trouble in this bed'
  | 'not wanted'
  | 'too tall'
  | 'nematodes'
  | 'reseeds'
  | 'no seed at hand'
  | 'too dear'
  | 'not eaten'

export type Rejection = { key: string; parts: Part[]; limit: LimitName; reason: DatedText }

export type ChooseAnswer = { candidates: Candidate[]; rejections: Rejection[] }

export const keyOf = (parts: readonly Part[]) =>
  parts
    .map((part) => part.speciesId)
    .sort()
    .join('+')
