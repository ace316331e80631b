import { expect, test } from '@jest/globals'
import { tortureWorkers } from './faultyWorkers'

test('whatever workers do, questions are answered rightly or refused in words, and answered when tried again', async () => {
  const { faults, answered, refused } = await tortureWorkers(12, 4)
  expect(faults).toEqual([])
  expect(answered).toBeGreaterThan(0)
  expect(refused).toBeGreaterThan(0)
})
