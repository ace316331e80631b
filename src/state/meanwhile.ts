import { firstProblem, type Outcome, type Problem } from '../core/foundations/outcome'
import { fieldOf, placeWords, valueWords } from '../text/differences'
import type { Units } from '../text/format'
import { notice } from './notices'

/** Shows what was changed meanwhile beside what one was about to store, which can be stored all the same. */
export function sayMeanwhile(
  problems: readonly Problem[],
  units: Units,
  store: () => Promise<Outcome<number | null>>,
  takeBack: (step: number) => unknown,
): void {
  const told = problems.flatMap(({ path, meanwhile }) => {
    if (!meanwhile) return []
    const [now, own, seen] = [meanwhile.now, meanwhile.own, meanwhile.seen].map((value) =>
      valueWords(value, units, fieldOf(path)),
    )
    return [`${placeWords(path)} is ${now} now; you put ${own} over ${seen}`]
  })
  notice.error(`Changed in the meantime, nothing was stored: ${told.join('. ')}.`, {
    duration: Infinity,
    action: {
      label: 'Put mine',
      onClick: () =>
        void store().then((outcome) => {
          if (!outcome.ok) return notice.error(firstProblem(outcome.problems))
          const step = outcome.value
          notice.success('Stored as you put it.', {
            ...(step !== null && { action: { label: 'Undo', onClick: () => takeBack(step) } }),
          })
        }),
    },
  })
}
