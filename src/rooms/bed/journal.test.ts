import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../../core/foundations/day'
import type { Check } from '../../core/garden/check'
import { marlpitLane } from '../../demo/marlpitLane'
import { journalOf, searched } from './journal'

const { beds, stands, checks } = marlpitLane()
const bed = {
  ...beds[0],
  troubles: [{ id: 't', date: '2025-07-02', family: 'Brassicaceae', what: 'clubroot' }],
}
const cover = stands.find((stand) => stand.bedId === bed.id && stand.content.kind === 'cover')!
const pictured: Check = {
  ...checks[0],
  id: 'pictured',
  standId: cover.id,
  date: '2026-04-10',
  weeds: { cover: 0.1, which: ['cleavers'] },
  pictureIds: ['p1'],
}
const picture = (id: string) => ({
  id,
  gardenId: bed.gardenId,
  bedId: bed.id,
  standId: null,
  date: '2026-04-10',
  widthPx: 4,
  heightPx: 3,
  bytes: 9,
  caption: id === 'p2' ? 'The far end' : '',
})
const entries = journalOf(bed, stands, [...checks, pictured], [picture('p1'), picture('p2')], 'metric')

describe('the journal of a bed', () => {
  test('tells all that happened there, the newest first, and nothing of other beds', () => {
    expect(entries.map(({ day }) => day)).toEqual([...entries.map(({ day }) => day)].sort((a, b) => b - a))
    expect(entries.some(({ what }) => /^Sowed /.test(what))).toBe(true)
    expect(entries.some(({ what }) => /clubroot/.test(what))).toBe(true)
    const own = new Set(stands.filter((stand) => stand.bedId === bed.id).map(({ id }) => id))
    for (const { to } of entries) if (to) expect(own.has(to.replace('/watch/', ''))).toBe(true)
  })
  test('a picture of a check stands with the check, another by itself', () => {
    expect(entries.filter(({ pictureIds }) => pictureIds.includes('p1'))).toHaveLength(1)
    expect(entries.find(({ id }) => id === 'p2')).toMatchObject({ what: 'Picture', words: 'The far end' })
  })
  test('plans are not told as done', () => {
    const planned = { ...cover, start: { ...cover.start, actual: null } }
    const told = journalOf(bed, [planned], [], [], 'metric')
    expect(told.map(({ what }) => what)).toEqual(['Trouble: clubroot'])
  })
  test('who ended it and how long it took, what stood again, and what the crop came to', () => {
    const l4 = beds.find((entry) => entry.label === 'L4')!
    const told = journalOf(l4, stands, [], [], 'metric')
    const words = (what: RegExp) => told.filter((entry) => what.test(entry.what)).map((entry) => entry.words)
    expect(words(/^Ended hairy vetch by chop and drop/)[0]).toMatch(/by Ada.*30 minutes/)
    expect(words(/^Counted what of hairy vetch/)).toEqual(
      expect.arrayContaining([expect.stringMatching(/5 of 38 plants on 1\sm²/)]),
    )
    expect(words(/^How spinach did/)[0]).toMatch(/19\skg.*as usual.*first hoeing/)
  })
  test('a sheet that came off is told with the days it lay', () => {
    const actual = {
      date: '2026-05-01',
      method: 'tarp' as const,
      passes: 1,
      note: '',
      liftedOn: '2026-06-05',
    }
    const told = journalOf(bed, [{ ...cover, end: { plan: null, actual } }], [], [], 'metric')
    expect(told.find(({ what }) => /^Took the sheet off/.test(what))).toMatchObject({
      day: dayNumber('2026-06-05'),
      words: 'after 35 days',
    })
  })
  test('a search finds every word, in any case, and dates', () => {
    expect(searched(entries, 'Cleavers 10').map(({ id }) => id)).toEqual([`${cover.id}:pictured`])
    expect(searched(entries, 'apr 2026').length).toBeGreaterThan(0)
    expect(searched(entries, 'dandelion')).toEqual([])
    expect(searched(entries, '  ')).toHaveLength(entries.length)
  })
})
