import type { EndingOption, Target } from '../ending/compare'
import type { Spread } from '../foundations/statistics'
import type { Bed, PurposeId, Tool } from '../garden/schema'
import type { DateSpread } from '../stand/summary'

export type WinterWish = 'either' | 'must live' | 'must die'

/** The question: this bed, this window, what follows, what for. */
export type ChooseQuestion = {
  bed: Bed
  areaM2: number
  freeFromDay: number
  target: Target
  /** Family of the next crop, for a caution; null when none is planned. */
  nextFamily: string | null
  purposes: PurposeId[]
  winter: WinterWish
  tools: Tool[]
  today: number
}

/** A sentence with days in it: `{0}` stands for the first day of `days`. */
export type DatedText = { text: string; days: number[] }

export type Candidate = {
  speciesId: string
  sowDay: number
  /** Chance of a living cover that is dead and plantable by the planting day. */
  chance: number
  score: number
  ending: {
    method: EndingOption['method']
    passes: number
    name: string
    startDay: number
    latestSafeDay: number | null
  }
  purposes: { id: PurposeId; amount: Spread; chanceOfGoal: number }[]
  firstFlower: DateSpread
  covered30: DateSpread
  reason: DatedText
  cautions: string[]
}

export type Rejection = {
  speciesId: string
  limit: 'too little time' | 'winter' | 'cannot be ended'
  reason: DatedText
}

export type ChooseAnswer = { candidates: Candidate[]; rejections: Rejection[] }
