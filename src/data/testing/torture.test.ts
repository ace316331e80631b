import { expect, test } from '@jest/globals'
import { tortureImports } from './imports'
import { tortureQuota } from './quota'
import { tortureTabs } from './twoTabs'

/** A sample of `npm run torture`, which takes the same by the thousand. */
const SEED = 1

test('spoilt files over two stored gardens: refused in words, or taken in and back without a trace', async () => {
  const { faults, refused, taken } = await tortureImports(150, SEED)
  expect(faults).toEqual([])
  expect(refused).toBeGreaterThan(30)
  expect(taken).toBeGreaterThan(10)
}, 600_000)

test('two tabs write, undo and redo over one another: what was answered with yes stands, or was seen by what replaced it', async () => {
  const { faults, kept, refused, undone } = await tortureTabs(25, SEED)
  expect(faults).toEqual([])
  expect(kept).toBeGreaterThan(50)
  expect(refused).toBeGreaterThan(10)
  expect(undone).toBeGreaterThan(5)
}, 600_000)

test.each(['full', 'broken'] as const)(
  'a storage that is %s at any write: all of a deed or nothing, and it is said',
  async (how) => {
    const { faults, failed, deeds } = await tortureQuota(how)
    expect(faults).toEqual([])
    expect(failed).toBeGreaterThan(50)
    expect(Object.values(deeds).every((writes) => writes > 2)).toBe(true)
  },
  600_000,
)
