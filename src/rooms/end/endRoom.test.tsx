/** @jest-environment ./scripts/jest-page.mjs */
import { expect, test } from '@jest/globals'
import { screen } from '@testing-library/react'
import { openRoom } from '../../app/testing/openRoom'

test('the list opens', async () => {
  await openRoom('/end/marlpit-lane-stand-10')
  await screen.findByTestId('endings', {}, { timeout: 60_000 })
  expect(screen.getByTestId('endings').textContent).toBe('x')
}, 90_000)
