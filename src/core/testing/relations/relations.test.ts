import { describe, expect, test } from '@jest/globals'
import { RELATIONS } from './all'
import { tried } from './relation'

/** Cases of each here; `npm run relations` tries many more. */
const CASES = 10
const SLOW_CASES = 2

describe('what holds whatever the model is', () => {
  test.each(RELATIONS.map((relation) => [relation.id, relation.says, relation] as const))(
    '%s: %s',
    (_id, _says, relation) => {
      const wanted = relation.slow ? SLOW_CASES : CASES
      const { cases, violations, smallest } = tried(relation, wanted, 1)
      expect(smallest).toBeNull()
      expect(violations).toBe(0)
      expect(cases).toBe(wanted)
    },
  )
})
