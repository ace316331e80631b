import { useState } from 'react'
import type { Species } from '../../core/plants/parameters'
import type { StageDates } from '../../core/season/standForecast'
import { stageName } from '../../core/stand/stage'
import { guideOf, STAGE_GUIDE, stageMeaning, type GuideAnswer } from '../../core/tracking/stageGuide'
import { StageDrawing } from '../../parts/drawings/StageDrawing'
import { meaningText } from './words'

/** Drawing that stands for an answer: its own stage, or the first one it leads to. */
function firstStage(kind: keyof typeof STAGE_GUIDE, { leads }: GuideAnswer): number {
  if ('bbch' in leads) return leads.bbch
  const next = STAGE_GUIDE[kind].find((question) => question.id === leads.question)!
  return firstStage(kind, next.answers[Math.floor(next.answers.length / 2)])
}

/** Finds the stage of a plant by questions with drawings, and says what it means for ending it. */
export function StageGuide({
  plant,
  wasCut,
  stages,
  value,
  onPick,
}: {
  plant: Species
  wasCut: boolean
  /** Its dated stages; empty where none are. */
  stages: StageDates
  value: string
  onPick: (bbch: number) => void
}) {
  const kind = guideOf(plant, wasCut)
  const questions = STAGE_GUIDE[kind]
  const [asked, setAsked] = useState<string[]>([questions[0].id])
  const question = questions.find(({ id }) => id === asked.at(-1)) ?? questions[0]
  const picked = value === '' ? null : Number(value)
  return (
    <section aria-label="Stage guide" className="border-l-4 border-base-300 pl-3">
      <p className="font-semibold">{question.ask}</p>
      <ul className="mt-2 flex flex-wrap gap-2">
        {question.answers.map((answer) => {
          const bbch = firstStage(kind, answer)
          const { leads } = answer
          const chosen = 'bbch' in leads && leads.bbch === picked
          return (
            <li key={answer.seen}>
              <button
                type="button"
                aria-pressed={chosen}
                className={`flex h-full w-28 flex-col items-center gap-1 border p-2 text-center text-sm leading-tight ${chosen ? 'border-2 border-base-content bg-base-200 font-semibold' : 'border-base-300 hover:bg-base-200'}`}
                onClick={() => ('bbch' in leads ? onPick(leads.bbch) : setAsked([...asked, leads.question]))}
              >
                <StageDrawing kind={kind} bbch={bbch} />
                {answer.seen}
              </button>
            </li>
          )
        })}
      </ul>
      {asked.length > 1 && (
        <button
          type="button"
          className="btn btn-ghost btn-sm mt-2"
          onClick={() => setAsked(asked.slice(0, -1))}
        >
          Back
        </button>
      )}
      {picked !== null && (
        <p className="mt-2" role="status" data-testid="stage-meaning">
          <strong>
            {stageName(picked, plant.group)} (BBCH {String(picked).padStart(2, '0')})
          </strong>
          : {meaningText(plant, picked, stageMeaning(plant, picked, stages))}
        </p>
      )}
    </section>
  )
}
