import { expect, test } from '@jest/globals'
import { loadedOnce } from './loadedOnce'
import { refusedOr } from './problems'

test('is fetched once, by whoever asks first', async () => {
  let fetched = 0
  const load = loadedOnce(() => Promise.resolve(++fetched))
  expect(await Promise.all([load(), load()])).toEqual([1, 1])
  expect(await load()).toBe(1)
})

test('where it cannot be fetched it says what to do, and the next use tries again', async () => {
  let there = false
  const load = loadedOnce(() => (there ? Promise.resolve('it') : Promise.reject(new Error('offline'))))
  const told = await load().catch(refusedOr)
  expect(told).toMatchObject([{ code: 'not loaded', message: expect.stringMatching(/nothing was changed/) }])
  there = true
  expect(await load()).toBe('it')
})
