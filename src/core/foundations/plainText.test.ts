import { expect, test } from '@jest/globals'
import { plainText } from './plainText'

test('marks, capitals and signs between words do not matter to a search', () => {
  expect(plainText('  Saint-Étienne-du-Bois ')).toBe('saint etienne du bois')
  expect(plainText('Gießen (Lahn)')).toBe('giessen lahn')
  expect(plainText('L4, north')).toBe('l4 north')
  expect(plainText('–')).toBe('')
})
