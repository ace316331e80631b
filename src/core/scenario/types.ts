import type { OwnResults } from '../garden/ending'
import type { OwnMinutes } from '../termination/workRates'
import type { Quantiles } from '../foundations/statistics'
import type { Livestock, Rules } from '../garden/rules'
import type { Garden, PlantingMethodId, Segment } from '../garden/schema'
import type { Tool } from '../garden/tool'
import type { Crop } from '../plants/crops'
import type { StandCase } from '../season/cases'
import type { DateQuantiles } from '../stand/summary'

/** What follows a cover on its ground: a crop on a day, a day by which the ground is wanted, or nothing that is known. */
export type Follows =
  | {
      kind: 'crop'
      crop: Crop
      establishment: 'transplant' | 'seed'
      /** How it is got into the ground through what lies there; null where that is not decided. */
      plantingMethod: PlantingMethodId | null
      /** Nitrogen that feed planned with the planting frees in the first season, g m⁻². */
      feedG: number
      day: number
      /** Whether it has been planted. */
      done: boolean
      /** The part of the bed that it is planted on; all of it where left out. */
      on?: Segment
    }
  | { kind: 'deadline'; day: number; establishment: 'transplant' | 'seed' }
  | { kind: 'nothing' }

/** What the grower owns, keeps, holds to and has counted: the same facts for every question. */
export type Means = {
  /** Tools that can be used on the bed, and those owned that cannot. */
  tools: readonly Tool[]
  keptOut: readonly Tool[]
  livestock: readonly Livestock[]
  rules: Rules
  own: OwnResults
  /** What its endings took, by way. */
  ownMinutes: OwnMinutes
  waitDays: Garden['waitDays']
  /** Covers of which the seed is of a cultivar named resistant to root-knot nematodes. */
  resistant: readonly string[]
}

/** Raw manure on a day, by animals or as feed. */
export type ManureDay = { day: number; from: 'animals' | 'feed' }

/** What is known of the ground besides the cover. */
export type GroundFacts = {
  /** Manure on this bed by anything but the cover's own ending. */
  manure: readonly ManureDay[]
  /** Root-knot nematodes were noted here. */
  nematodes: boolean
  /** Creeping weeds that were named here. */
  creeping: readonly string[]
}

/** A bed's plan for its next stretch: the cover with its sowing and its ending as planned or done, and what follows. */
export type Scenario = {
  standCase: StandCase
  follows: Follows
  means: Means
  ground: GroundFacts
  /** First day that is not past. */
  today: number
}

/**
 * Everything that must hold for a plan to succeed, in the order of the work. `ground`: the seedbed can be worked on the
 * sowing day. `unworkable`, `stems`, `stock`, `tinder` and `own-rule`: the ending can be done on its day.
 */
export const CRITERIA = [
  'ground',
  'established',
  'unworkable',
  'stems',
  'stock',
  'tinder',
  'own-rule',
  'dead',
  'manure',
  'wait',
  'bridge',
  'seed-flies',
  'residue-hold',
  'tie-up',
  'seedbed',
  'soil',
  'frost',
] as const
export type CriterionId = (typeof CRITERIA)[number]

/** Criteria that no cover and no ending changes: the crop and its day alone decide. */
export const OF_THE_DAY: readonly CriterionId[] = ['soil', 'frost']

/**
 * A criterion in each member: the first day from which it holds, or −Infinity where it simply holds and Infinity where it
 * never does.
 */
export type CriterionDays = { id: CriterionId; days: Float64Array; by?: readonly GroundTrouble[] }

/** What keeps ground from being worked: snow on it, frost in it, water. */
export type GroundTrouble = 'snow' | 'frozen' | 'wet'

/** What a criterion is about, as quantities for whoever puts it into words. */
export type CriterionDetail =
  | { id: 'dead'; limit: number; counted: { share: number; finished: boolean; tooMany: boolean } | null }
  | { id: 'wait'; days: number; fumigated: boolean; establishment: 'transplant' | 'seed' }
  | { id: 'bridge'; days: number }
  | { id: 'tie-up'; takenShare: number; fed: boolean }
  | { id: 'seedbed'; limitG: number; sheet: boolean }
  | {
      id: 'manure'
      days: number
      from: ManureDay['from']
      daysToHarvest: number
      touches: boolean
    }
  | { id: 'soil'; minC: number }
  | { id: 'frost'; limitC: number }
  | {
      id: Exclude<
        CriterionId,
        'dead' | 'wait' | 'bridge' | 'tie-up' | 'seedbed' | 'manure' | 'soil' | 'frost'
      >
    }

/** A criterion over all members: when it opens (null where most never see it), and the share in which it is open in time. */
export type CriterionOutcome = { detail: CriterionDetail; open: Quantiles | null; chance: number }

/** Why planting may go against advice though every criterion is open. */
export type Advice =
  { id: 'creeping'; weeds: readonly string[] } | { id: 'nematodes'; fed: 'surely' | 'perhaps' }

/** A criterion that fails first in a share of the members, 0–1; `by` says what of the ground it is, the most frequent first. */
export type Failure = { id: CriterionId; share: number; by?: readonly GroundTrouble[] }

/** What a plan comes to. Chances are shares of the members, 0–1. */
export type ScenarioOutcome = {
  members: number
  /**
   * `whole`: every step the plan states succeeds on its day. `established`, `dead`, `ready`: up to and with that step;
   * null where the plan states none.
   */
  chance: { whole: number; established: number; dead: number | null; ready: number | null }
  /** What fails first, by the share of members in which it does, the most frequent first; adds up to 1 − whole. */
  failures: Failure[]
  criteria: CriterionOutcome[]
  advice: Advice[]
  covered30: DateQuantiles
  dead: Quantiles | null
  ready: Quantiles | null
}
