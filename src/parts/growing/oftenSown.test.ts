import { expect, test } from '@jest/globals'
import { testCover } from '../../core/testing/beds'
import { marlpitLane } from '../../demo/marlpitLane'
import { oftenSown } from './oftenSown'

const { garden } = marlpitLane()

test('a garden that has sown nothing is offered what most know, its own seed first', () => {
  const fresh = oftenSown({ garden: { ...garden, seedAtHand: ['sunflower', 'buckwheat'] }, stands: [] })
  expect(fresh.slice(0, 3)).toEqual(['sunflower', 'buckwheat', 'cereal-rye'])
  expect(new Set(fresh).size).toBe(fresh.length)
})

test('what a garden sows most comes first; a species that is no longer known is left out', () => {
  const stands = ['phacelia', 'oats', 'gone', 'oats', 'oats', 'phacelia'].map((speciesId) =>
    testCover(speciesId, '2026-04-01'),
  )
  const own = oftenSown({ garden: { ...garden, seedAtHand: [] }, stands })
  expect(own.slice(0, 3)).toEqual(['oats', 'phacelia', 'cereal-rye'])
  expect(own).not.toContain('gone')
})
