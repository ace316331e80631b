import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { shareOf } from '../foundations/statistics'
import { TEST_SITES } from '../testing/sites'
import { testCounting } from '../testing/questions'
import { growStand } from '../testing/stands'
import { findPurpose, lessIsBetter, PURPOSES } from './purposes'

/** Covers a grower would think of, sown in spring for the summer, and in early autumn until late spring. */
const SUMMER = ['buckwheat', 'oats', 'field-pea', 'phacelia', 'sorghum-sudangrass', 'pearl-millet', 'cowpea', 'sunn-hemp', 'oilseed-radish', 'white-mustard'] // prettier-ignore
const WINTER = ['cereal-rye', 'triticale', 'hairy-vetch', 'crimson-clover', 'winter-pea', 'annual-ryegrass', 'winter-rape', 'oilseed-radish', 'faba-bean'] // prettier-ignore

const PLACES = {
  maryland: [
    { sown: '2025-05-20', days: 85, covers: SUMMER },
    { sown: '2025-09-10', days: 255, covers: WINTER },
  ],
  netherlands: [
    { sown: '2025-05-10', days: 90, covers: SUMMER },
    { sown: '2025-08-25', days: 280, covers: WINTER },
  ],
  alabama: [
    { sown: '2025-05-10', days: 85, covers: SUMMER },
    { sown: '2025-10-05', days: 205, covers: WINTER },
  ],
} as const

const MEMBERS = 16

describe.each(Object.keys(PLACES) as (keyof typeof PLACES)[])('goals of purposes in %s', (place) => {
  const grown = PLACES[place].flatMap(({ sown, days, covers }) =>
    covers.map((id) => ({
      id,
      days,
      ...growStand(TEST_SITES[place], id, sown, { members: MEMBERS, days: days + 30 }),
    })),
  )
  test.each(PURPOSES.map(({ id }) => id))('%s: the best cover reaches it in most years', (id) => {
    const purpose = findPurpose(id)
    const reached = grown.map(({ run, ensemble, days, sowDay, id: cover }) => ({
      cover,
      sowDay,
      share: shareOf(MEMBERS, (member) => {
        const amount = purpose.amount(testCounting({ run, ensemble }, member, sowDay + days))
        return lessIsBetter(id) ? amount <= purpose.goal : amount >= purpose.goal
      }),
    }))
    const best = reached.reduce((top, one) => (one.share > top.share ? one : top))
    expect(best.sowDay).toBeGreaterThan(dayNumber('2025-01-01'))
    expect(best.share).toBeGreaterThan(0.5)
  })
})
