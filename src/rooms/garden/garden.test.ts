import { describe, expect, test } from '@jest/globals'
import { feedProblems } from './Feeds'
import { stockProblems } from './Livestock'

describe('animals and feed as filled in', () => {
  test('hens need a measured pen, sheep may be fenced without one', () => {
    const stock = { kind: 'hens' as const, head: '4', length: '', width: '1.2' }
    expect(stockProblems(stock).length).toMatch(/Measure the pen/)
    expect(stockProblems({ ...stock, kind: 'sheep' }).length).toBeUndefined()
    expect(stockProblems({ ...stock, head: 'some' }).head).toMatch(/whole number/)
    expect(stockProblems({ ...stock, length: '-1' }).length).toMatch(/such as 2.5/)
  })
  test('an analysis may be missing, not nonsense', () => {
    const feed = { name: 'Compost', nitrogen: '', share: '', weight: '' }
    expect(Object.values(feedProblems(feed)).some(Boolean)).toBe(false)
    expect(feedProblems({ ...feed, nitrogen: '40' }).nitrogen).toMatch(/0.05 to 20/)
    expect(feedProblems({ ...feed, share: '1' }).share).toMatch(/2 to 100/)
    expect(feedProblems({ ...feed, name: ' ' }).name).toMatch(/Give it a name/)
  })
})
