import type { PlantGroup, Species } from '../plants/parameters'
import { SEED_FIT } from '../stand/stage'
import { chopSurvival, crimpSurvival } from '../termination/survival'
import type { StageDates } from '../season/standForecast'

/** A plant group as the guide asks about it; perennials that were cut grow back from the crown. */
export type GuideKind = PlantGroup | 'regrowth'

/** One thing that may be seen, what it is called, and the drawing that shows it. */
export type GuideAnswer = { seen: string; leads: { bbch: number } | { question: string } }
export type GuideQuestion = { id: string; ask: string; answers: GuideAnswer[] }

const stage = (seen: string, bbch: number): GuideAnswer => ({ seen, leads: { bbch } })
const ask = (seen: string, question: string): GuideAnswer => ({ seen, leads: { question } })

/** Questions by group; the first is where to begin. BBCH codes after Meier (2018). */
export const STAGE_GUIDE: Record<GuideKind, readonly GuideQuestion[]> = {
  grass: [
    {
      id: 'top',
      ask: 'Take a main stem. What is at its top?',
      answers: [
        ask('Leaves only', 'leaves'),
        ask('A swelling in the sheath, or a head', 'head'),
        ask('A head that has shed its pollen', 'kernel'),
      ],
    },
    {
      id: 'leaves',
      ask: 'Feel the stem down to the ground.',
      answers: [
        stage('One shoot, few leaves', 9),
        stage('Side shoots, no joint to feel', 21),
        stage('A joint above the ground', 31),
        stage('The last, broad leaf is out', 39),
      ],
    },
    {
      id: 'head',
      ask: 'Look at the head.',
      answers: [
        stage('Felt in the swollen sheath', 45),
        stage('Coming out, no anthers', 51),
        stage('First yellow anthers hang out', 61),
        stage('Anthers on most heads, dust flies', 65),
        stage('Anthers dry and pale', 69),
      ],
    },
    {
      id: 'kernel',
      ask: 'Take a kernel from the middle of the head and squeeze it.',
      answers: [
        stage('Clear water', 71),
        stage('White milk', 75),
        stage('Soft dough, keeps a thumb’s print', 85),
        stage('Hard, a nail hardly marks it', 89),
      ],
    },
  ],
  legume: [
    {
      id: 'top',
      ask: 'Look at the upper half of the stems.',
      answers: [ask('Leaves only', 'leaves'), ask('Buds or flowers', 'flowers'), ask('Pods', 'pods')],
    },
    {
      id: 'leaves',
      ask: 'How far are the stems?',
      answers: [
        stage('Just up, first leaves', 9),
        stage('Side shoots at the base', 21),
        stage('Stems lengthening', 31),
      ],
    },
    {
      id: 'flowers',
      ask: 'How many stems have an open flower?',
      answers: [
        stage('None, buds only', 51),
        stage('The first few', 61),
        stage('About half', 65),
        stage('Most, the lowest wither', 69),
      ],
    },
    {
      id: 'pods',
      ask: 'Take one of the lowest pods and open it.',
      answers: [
        stage('Small and flat', 71),
        stage('Seed felt in the green pod', 75),
        stage('Pod yellow, seed firm', 85),
        stage('Pod brown and dry', 89),
      ],
    },
  ],
  broadleaf: [
    {
      id: 'top',
      ask: 'Look at the top of the plants.',
      answers: [ask('Leaves only', 'leaves'), ask('Buds or flowers', 'flowers'), ask('Pods or seed', 'seed')],
    },
    {
      id: 'leaves',
      ask: 'Is there a stem?',
      answers: [
        stage('Just up, seed leaves', 9),
        stage('Leaves from the ground', 21),
        stage('A stem with leaves', 31),
      ],
    },
    {
      id: 'flowers',
      ask: 'How many plants have an open flower?',
      answers: [
        stage('None, buds only', 51),
        stage('The first few', 61),
        stage('About half', 65),
        stage('Most, petals fall', 69),
      ],
    },
    {
      id: 'seed',
      ask: 'Open a pod, or rub a seed head.',
      answers: [
        stage('Just set, empty inside', 71),
        stage('Green seed', 75),
        stage('Seed turning brown', 85),
        stage('Seed hard and dark', 89),
      ],
    },
  ],
  regrowth: [
    {
      id: 'top',
      ask: 'What has come since the cut?',
      answers: [
        stage('New leaves from the crown', 21),
        stage('New stems', 31),
        stage('Buds again', 51),
        stage('First flowers again', 61),
        stage('About half in bloom', 65),
      ],
    },
  ],
}

/** Which guide fits a species: perennials that were cut are asked about their regrowth. */
export const guideOf = (plant: Species, wasCut: boolean): GuideKind =>
  wasCut && plant.perennial ? 'regrowth' : plant.group

/** The code that an ending of this kind waits for, by group: pollen, half bloom, first flower. */
export const ENDS_AT: Record<PlantGroup, number> = { grass: 61, legume: 65, broadleaf: 61 }

/** What a stage means for ending it. Days are null where the stage to wait for is past or not dated. */
export type StageMeaning = {
  /** Days until the stage from which a cut or crimp holds. */
  daysToEnd: number | null
  /** Days until seed is fit to sprout; null where the stand is ended before, or it is past. */
  daysToSeed: number | null
  /** Share left alive by a cut and by a crimp at the ground now, 0–1. */
  chopLeaves: number
  crimpLeaves: number
}

/** Day that the middle of a forecast reaches a code, straight between the dated stages; null outside them. */
function middleDay(stages: StageDates, bbch: number): number | null {
  const dated = stages.flatMap(({ bbch: code, date }) =>
    date.quantiles ? [{ code, day: date.quantiles.p50 }] : [],
  )
  const after = dated.findIndex(({ code }) => code >= bbch)
  if (after < 0) return null
  const to = dated[after]
  const from = dated[after - 1]
  if (to.code === bbch || !from) return to.day
  return from.day + ((to.day - from.day) * (bbch - from.code)) / (to.code - from.code)
}

/** What it means to stand at a stage: how long the dated stages take from there, and what a cut now leaves alive. */
export function stageMeaning(plant: Species, bbch: number, stages: StageDates): StageMeaning {
  const between = (to: number) => {
    const from = middleDay(stages, bbch)
    const until = middleDay(stages, to)
    return bbch >= to || from === null || until === null ? null : Math.max(0, Math.round(until - from))
  }
  return {
    daysToEnd: between(ENDS_AT[plant.group]),
    daysToSeed: between(SEED_FIT),
    chopLeaves: chopSurvival(plant.endingClass, bbch),
    crimpLeaves: crimpSurvival(plant.endingClass, bbch),
  }
}
