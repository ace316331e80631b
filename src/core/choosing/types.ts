import type { Quantiles, Range } from '../foundations/statistics'
import type { EndDetails } from '../garden/ending'
import type { Bed, Segment, Covering, Garden, PurposeId } from '../garden/schema'
import type { HarmOf } from '../plants/catalogue'
import type { PartlyFood } from '../plants/food'
import type { Failure, Follows, GroundFacts, GroundTrouble, Means, ScenarioOutcome } from '../scenario/types'
import type { EarlierUse } from '../season/cases'
import type { DateQuantiles } from '../stand/summary'
import type { SiteClimate } from '../garden/site'
import type { NextSowing } from './nextSowing'
import type { SeasonJudgement, SeasonWhy } from './season'

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
  segment: Segment
  /** What it would be sown under, if anything, and the stand that is. */
  upper: EarlierUse | null
  underStandId: string | null
  follows: Follows
  means: Means
  ground: GroundFacts
  /** What had or has this ground before, as it is followed through to the sowing. */
  before: readonly EarlierUse[]
  freeFromDay: number
  /** A sowing day to judge by; null to find the best one. */
  sowDay: number | null
  /** Last day on which it can be sown, such as under a crop; null for no such limit. */
  sowUntilDay: number | null
  /** Day until which amounts are counted where nothing follows. */
  openUntilDay: number
  purposes: PurposeId[]
  weeds: WeedKind
  limits: Limits
  /** Animals that come to the beds or eat from them. */
  animals: NonNullable<Garden['animals']>
  seedAtHand: string[]
  /** Organic or untreated seed costs more. */
  organicSeed: boolean
  /** What seed is paid in, three letters. */
  currency: string
  today: number
  /** Normals that tell when covers are usually sown here; null where that is not to be judged. */
  climate: SiteClimate | null
}

/** Day until which a cover is followed: the day the ground is wanted, or a while where nothing is planned. */
export const untilDay = ({
  follows,
  openUntilDay,
}: Pick<ChooseQuestion, 'follows' | 'openUntilDay'>): number =>
  follows.kind === 'nothing' ? openUntilDay : follows.day

/** Species that an own mix may have. */
export const MOST_COMPONENTS = 8

/** A species and its share of the full rate. */
export type MixComponent = { speciesId: string; share: number }

export type PurposeResult = { id: PurposeId; amount: Quantiles; chanceOfGoal: number; worth: number }

/** What one answer has over another: a purpose, the chance, or the price. */
export type Difference = { of: PurposeId | 'chance' | 'cost'; ours: number; theirs: number }

export type Candidate = {
  /** Species joined by `+`; equal for equal sets of species. */
  key: string
  components: MixComponent[]
  sowDay: number
  covering: Covering
  /** Chance that the plan succeeds whole, as every room tells it. */
  chance: number
  established: number
  /** What the cover and its ending are worth where the weather lets the crop be planted that day. */
  worth: number
  failures: ScenarioOutcome['failures']
  score: number
  /** How its sowing day suits it here; null where that is not judged. */
  season: SeasonJudgement | null
  /** Members it was judged with. */
  members: number
  /** The ending to plan; null where none is needed. */
  ending: { end: EndDetails; latestSafeDay: number | null } | null
  purposes: PurposeResult[]
  /** Day on which amounts are counted: when it is ended, or the last of the window. */
  countedOn: number
  /** Days of the window with the ground bare before and after, and under green or mulch. */
  ground: { bareBefore: number; bareAfter: number; held: number }
  /** What is worth sowing in the bare days before it, and in those after it; null where they are few or nothing is. */
  room: { before: NextSowing | null; after: NextSowing | null }
  firstFlower: DateQuantiles
  covered30: DateQuantiles
  heightM: number
  cost: Range
  /** For a mix: what it has over its best single species, and what it gives up. */
  overSingle: { speciesId: string; better: Difference[]; worse: Difference[] } | null
  /** What the one ranked next has over this one, and this one over it. */
  againstNext: { key: string; better: Difference[]; worse: Difference[] } | null
  cautions: CoverCaution[]
}

/** What to mind with a cover here. */
export type CoverCaution =
  | { code: 'of the plant'; text: string }
  | { code: 'harm'; harm: HarmOf }
  | { code: 'same family'; family: string }
  | { code: 'ties up'; cropId: string }
  | { code: 'which nematode' }
  | { code: 'partly food'; food: PartlyFood }

export type LimitName =
  | 'out of season'
  | 'too little time'
  | 'ground cannot be worked'
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
  | 'does nothing for it'

/** Why a cover was left out, as quantities; `of` names the species of a mix it is about. */
export type Reason = { of?: string } & (
  | { code: 'animal'; why: string; who: string }
  | { code: 'trouble'; family: string; what: string; year: number; years: number }
  | { code: 'season'; why: SeasonWhy; sowDay: number }
  | { code: 'grass' }
  | { code: 'among grain' }
  | { code: 'feeds nematodes' }
  | { code: 'cultivar' }
  | { code: 'no seed' }
  | { code: 'not eaten' }
  | { code: 'none of it'; purposes: PurposeId[] }
  | { code: 'cost'; cost: number; budget: number }
  | { code: 'covers late'; coverDay: number; byDay: number }
  | { code: 'never covers'; sowDay: number; byDay: number }
  | { code: 'covers seldom'; chance: number; byDay: number }
  | { code: 'ground'; chance: number; sowDay: number; by: readonly GroundTrouble[] }
  | { code: 'killed small'; by: 'cold' | 'heat'; day: number }
  | { code: 'killed'; day: number; chance: number }
  | { code: 'lives on'; chance: number; byDay: number }
  | { code: 'tall'; heightM: number; allowedM: number }
  | { code: 'reseeds' }
  | {
      code: 'not ended'
      chance: number
      byDay: number
      stage: 'pollen' | 'first flower'
      /** When it gets there; null where it does not before the day. */
      when: Quantiles | null
      failure: Failure | null
    }
)

/** A cover left out; `closeness` tells how near it came to fitting, 0–1. */
export type Rejection = {
  key: string
  components: MixComponent[]
  limit: LimitName
  reason: Reason
  closeness: number
}

export type ChooseAnswer = { candidates: Candidate[]; rejections: Rejection[] }

export const keyOf = (components: readonly MixComponent[]) =>
  components
    .map((component) => component.speciesId)
    .sort()
    .join('+')
