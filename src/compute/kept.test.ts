import { afterEach, expect, test } from '@jest/globals'
import Dexie from 'dexie'
import { KeptAnswers, roughSize } from './kept'

const NAME = 'kept-test'
const open: KeptAnswers[] = []
function kept(model = 'm1') {
  const answers = new KeptAnswers(model, NAME)
  open.push(answers)
  return answers
}
afterEach(async () => {
  open.splice(0).forEach((answers) => answers.close())
  await Dexie.delete(NAME)
})

const forecast = { mass: [1, 2, 3], dates: { 61: { p50: 20000 } }, none: null }

test('an answer outlives the page, nothing included', async () => {
  const first = kept()
  await first.put('forecast a', forecast)
  await first.put('forecast b', null)
  first.close()
  const again = kept()
  expect(await Promise.all(['forecast a', 'forecast b', 'forecast c'].map((key) => again.get(key)))).toEqual([
    forecast,
    null,
    undefined,
  ])
})

test('what another model answered is not found', async () => {
  await kept('m1').put('forecast a', forecast)
  expect(await kept('m2').get('forecast a')).toBeUndefined()
})

test('the last answer under a name is found on another day, not that of another model nor one that was pruned', async () => {
  const answers = kept('m1')
  await answers.put('forecast a', forecast)
  await answers.name('stand', 'forecast a', 20_000)
  await answers.readAhead()
  expect(answers.namedInHand.get('stand')).toEqual({ value: forecast, day: 20_000 })
  expect(await answers.lastNamed('stand')).toEqual({ value: forecast, day: 20_000 })
  expect(await answers.lastNamed('another')).toBeUndefined()
  const other = kept('m2')
  await other.readAhead()
  expect(other.namedInHand.size).toBe(0)
  expect(await other.lastNamed('stand')).toBeUndefined()
  // Its first answer takes out all of the other model.
  await other.put('forecast b', forecast)
  expect(await kept('m1').lastNamed('stand')).toBeUndefined()
})

test('an entry that is not whole is not used', async () => {
  const answers = kept()
  await answers.put('forecast a', forecast)
  const db = await new Dexie(NAME).open()
  await db
    .table('answers')
    .toCollection()
    .modify({ value: { mass: [] } })
  db.close()
  expect(await answers.get('forecast a')).toBeUndefined()
})

test('the answers used longest ago leave when there is too much, and those of another model at once', async () => {
  await kept('m0').put('forecast old', forecast)
  const big = () => new Float64Array(1_000_000)
  const answers = kept()
  for (let i = 0; i < 8; i++) await answers.put(`big ${i}`, big())
  expect(await answers.get('big 0')).toBeDefined()
  for (let i = 0; i < 51; i++) await answers.put(`small ${i}`, i)
  expect(await answers.get('big 0')).toBeDefined()
  expect(await answers.get('big 1')).toBeUndefined()
  expect(await answers.get('small 50')).toBe(50)
  expect(await kept('m0').get('forecast old')).toBeUndefined()
})

test('where storage is refused the answer is simply not kept', async () => {
  const answers = kept()
  answers.close()
  await answers.put('forecast a', forecast)
  expect(await answers.get('forecast a')).toBeUndefined()
})

test('the size of plain data is told roughly', () => {
  expect(roughSize([1, 2, 3])).toBe(24)
  expect(roughSize(new Float32Array(10))).toBe(40)
  expect(roughSize({ a: 'four', b: null })).toBe(16 + 16 + 8 + 16 + 8)
})

test('what was used last is in hand once it was read ahead, and is given once', async () => {
  await kept('m0').put('forecast old', forecast)
  const first = kept()
  await first.put('forecast a', forecast)
  await first.put('forecast nothing', null)
  const again = kept()
  expect(again.inHand('forecast a')).toBeUndefined()
  await again.readAhead()
  expect(again.inHand('forecast a')).toEqual(forecast)
  expect(again.inHand('forecast a')).toBeUndefined()
  expect(again.inHand('forecast nothing')).toBeNull()
  expect(again.inHand('forecast old')).toBeUndefined()
  expect(await again.get('forecast a')).toEqual(forecast)
})

test('reading ahead stops at what a screen may show, and settles where storage is refused', async () => {
  const answers = kept()
  for (let i = 0; i < 12; i++) await answers.put(`big ${i}`, new Float64Array(100_000))
  const again = kept()
  await again.readAhead()
  const inHand = Array.from({ length: 12 }, (_, i) => again.inHand(`big ${i}`)).filter(Boolean)
  expect(inHand.length).toBe(10)
  const shut = kept()
  shut.close()
  await shut.readAhead()
  expect(shut.inHand('big 0')).toBeUndefined()
})

test('where storage is held by another page the answer is worked out, and found again once it is free', async () => {
  await kept().put('forecast a', forecast)
  const other = (await new Dexie(NAME).open()).backendDB()
  let free = false
  const store = other.transaction('answers', 'readwrite').objectStore('answers')
  const hold = () => {
    if (!free) store.count().onsuccess = () => setImmediate(hold)
  }
  hold()
  const slow = new KeptAnswers('m1', NAME, 30)
  open.push(slow)
  expect(await slow.get('forecast a')).toBeUndefined()
  // Known to be stuck, nothing waits for it again.
  expect(await slow.get('forecast a')).toBeUndefined()
  free = true
  let found: unknown
  for (let tries = 0; tries < 50 && found === undefined; tries++) {
    await new Promise((resolve) => setTimeout(resolve, 10))
    found = await slow.get('forecast a')
  }
  other.close()
  expect(found).toEqual(forecast)
})
