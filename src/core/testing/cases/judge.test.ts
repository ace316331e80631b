import { expect, test } from '@jest/globals'
import { TEST_SITES } from '../sites'
import { judgeCases } from './judge'
import { caseFile, type CaseFile } from './schema'

const sites = [{ id: 'here', ...TEST_SITES.pennsylvania }]
const judge = (cases: unknown[]) => judgeCases(caseFile.parse({ cases }) as CaseFile, sites, 20)
const rye = (check: object) => ({ site: 'here', species: 'cereal-rye', sow: '09-25', checks: [check] })

test('dates across the turn of the year, amounts and shares are held against their ranges', () => {
  const [flower] = judge([rye({ kind: 'flower', range: ['05-01', '06-30'] })])
  expect(flower).toMatchObject({ inside: true })
  expect(flower.got).toMatch(/^0[56]-\d\d$/)
  const [early] = judge([rye({ kind: 'flower', range: ['03-01', '03-21'] })])
  expect(early).toMatchObject({ inside: false, got: flower.got })
  expect(early.off).toBeGreaterThan(2)
  const [mass, headed] = judge([
    rye({ kind: 'massTHa', on: '10-05', range: [0, 0.5] }),
    rye({ kind: 'reaches', stage: 51, by: '10-20', range: [0, 0] }),
  ])
  expect(mass.inside && headed.inside).toBe(true)
  const [never] = judge([rye({ kind: 'atStage', stage: 99, range: [0, 99] })])
  expect(never).toMatchObject({ inside: false, got: 'never', off: 6 })
})

test('a mix is measured whole or by one of its species', () => {
  const mix = (check: object) => ({
    site: 'here',
    mix: [
      ['cereal-rye', 0.3],
      ['hairy-vetch', 1],
    ],
    sow: '09-10',
    checks: [check],
  })
  const [whole, part] = judge([
    mix({ kind: 'massTHa', on: '05-20', range: [0, 99] }),
    mix({ kind: 'massTHa', of: 'hairy-vetch', on: '05-20', range: [0, 99] }),
  ])
  expect(Number(part.got)).toBeGreaterThan(0.1)
  expect(Number(whole.got)).toBeGreaterThan(Number(part.got))
})

test('what is wrong with a file is said', () => {
  expect(() => judge([{ ...rye({ kind: 'flower', range: ['05-01', '06-30'] }), site: 'there' }])).toThrow(
    /no site “there”/,
  )
  expect(() => judge([{ ...rye({ kind: 'massTHa', on: '05-01', range: [0, 9] }), species: 'moss' }])).toThrow(
    /no species “moss”/,
  )
  expect(() => judge([rye({ kind: 'massTHa', on: '13-01', range: [0, 9] })])).toThrow()
  expect(() => judge([rye({ kind: 'massTHa', on: '05-01', range: [9, 0] })])).toThrow()
})
