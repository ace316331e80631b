import results from '../../../validation/results.json'
import { percent } from '../../text/format'

const { published, leftOut, coverage } = results
type Covered = keyof typeof coverage

const inTen = (share: number) => `${Math.round(10 * share)} of 10`
const narrowed = (of: Covered) => percent(1 - coverage[of].widthAfter / coverage[of].widthBefore)
const held = (of: Covered) =>
  `Held ${inTen(coverage[of].before)} times, ${inTen(coverage[of].after)} after three looks, which narrow it by ${narrowed(of)}.`

const ROWS: [answer: string, trust: string][] = [
  ['Stages and days of flower', held('flower')],
  ['How much grows', held('mass')],
  [
    'Nitrogen in a cover',
    `${held('nitrogen')} What the next crop gets of it is rougher: by a half either way.`,
  ],
  ['Ground covered', held('cover')],
  [
    'Living through winter',
    'Good where a cover is far from its limit. Near it a degree decides, and ground, snow and seed lot differ by more: read 40 to 60 % as “may go either way”.',
  ],
  [
    'Ending',
    'Crimping of cereals and vetch, turning and burying rest on published trials; the rest is judgement, to be taken as odds of half to double. Counting your own survivors is worth more than any table.',
  ],
  [
    'Seed and the way it is thrown',
    'Arithmetic, exact for what you tell it. Rates are those of extension guides; how much comes up differs by a third either way.',
  ],
  [
    'Weeds, pests and harm to animals',
    'Rules of thumb and warnings. They say what to look out for, not what will happen.',
  ],
]

/** How far each kind of answer can be trusted, with what it was held against. */
export function Trust() {
  return (
    <section
      className="mt-8 max-w-4xl"
      aria-label="How far to trust it"
      data-testid="trust"
      data-help="trust"
    >
      <h2>How far to trust it</h2>
      <p className="mt-1">
        The growth behind these pages was compared with {published.checks} published figures from{' '}
        {published.sites} places: {published.inside} lie in their range. At places it had not been fitted to,{' '}
        {leftOut.inside} of {leftOut.checks} do. A range of 8 in 10 should hold eight times of ten: below
        stands how often it did in made-up seasons whose place, ground and plants all differ from what the
        model was told.
      </p>
      <dl className="mt-3 grid gap-x-6 gap-y-2 sm:grid-cols-[14rem_1fr]">
        {ROWS.map(([answer, trust]) => (
          <div key={answer} className="contents">
            <dt className="font-semibold">{answer}</dt>
            <dd>{trust}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}
