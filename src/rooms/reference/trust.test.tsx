import { expect, test } from '@jest/globals'
import { screen, within } from '@testing-library/react'
import results from '../../../validation/results.json'
import { openRoom, SLOW } from '../../app/testing/openRoom'

test('how far to trust each answer is told in figures that were measured', async () => {
  await openRoom('/reference')
  const trust = await screen.findByTestId('trust', {}, SLOW)
  const { published, leftOut } = results
  expect(trust.textContent).toContain(`${published.checks} published figures`)
  expect(trust.textContent).toContain(`${leftOut.inside} of ${leftOut.checks}`)
  const answers = within(trust).getAllByRole('term')
  expect(answers).toHaveLength(within(trust).getAllByRole('definition').length)
  expect(answers.map(({ textContent }) => textContent)).toContain('Living through winter')
  expect(trust.textContent).not.toMatch(/NaN|undefined/)
})
