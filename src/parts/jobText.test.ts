import { describe, expect, test } from '@jest/globals'
import { marlpitLane } from '../demo/marlpitLane'
import type { Job, JobKind } from '../core/rounds/jobs'
import { jobRoom, jobText } from './jobText'

const stand = marlpitLane().stands[0]
const KINDS: JobKind[] = [
  'sow',
  'moist',
  'emergence',
  'look',
  'window',
  'seed',
  'end',
  'sheet',
  'regrowth',
  'dry',
  'decide',
  'clear',
  'plant',
  'frost',
  'move',
  'strip',
]
const job = (kind: JobKind, count: number | null = null): Job => ({
  id: `${stand.id}:${kind}`,
  kind,
  bedId: stand.bedId,
  standId: stand.id,
  dueDay: 20600,
  untilDay: null,
  urgent: false,
  days: [20600, 20610],
  count,
})

describe('jobs in words', () => {
  test.each(KINDS)('%s says what to do, with which cover, and leads to a room', (kind) => {
    const { title, detail } = jobText(job(kind, 7), stand, 'metric')
    expect(title.toLowerCase()).toContain('rye')
    expect(detail).toMatch(/\.$/)
    expect(jobRoom(job(kind))).toMatch(/^\/(sow|end|watch|check|bed)\//)
  })
  test('the sheet is looked under at half time, then at the end', () => {
    expect(jobText(job('sheet', 1), stand, 'metric').title).toMatch(/^Lift a corner/)
    expect(jobText(job('sheet', 2), stand, 'metric').title).toMatch(/^Look under/)
  })
  test('a look says how well it is known, and when it was seen last', () => {
    const look = (share: number, days: number[]) =>
      jobText({ ...job('look'), share, days }, stand, 'metric').detail
    expect(look(0.4, [20600])).toMatch(
      /^Its amount is known to within 40\s%, last checked \d+ May\. A one-minute/,
    )
    expect(look(1.2, [])).toBe(
      'How much stands there is a guess, and nobody has checked it yet. A one-minute check sharpens its dates.',
    )
  })
  test('seed is told before it is fit to sprout, and otherwise once some may be', () => {
    const seed = (begun: boolean) => jobText({ ...job('seed'), begun }, stand, 'metric')
    expect(seed(false).title).toMatch(/is about to set seed$/)
    expect(seed(false).detail).toMatch(
      /from about 6 Jun, from 27 May at the earliest\. End or cut it before\.$/,
    )
    expect(seed(true).title).toMatch(/sets seed$/)
    expect(seed(true).detail).toMatch(/since 27 May, most is from about 6 Jun\. End or cut it now\.$/)
  })
  test('losses that only the forecast tells are looked at before anything is decided', () => {
    expect(jobText(job('decide'), stand, 'metric').title).toMatch(/^Decide on/)
    const { title, detail } = jobText({ ...job('decide'), days: [], share: 0.62 }, stand, 'metric')
    expect(title).toMatch(/^Look whether .*rye.* lives$/)
    expect(detail).toMatch(/^By the forecast 62\s% of its plants are gone.*Look before deciding\.$/)
  })
  test('regrowth says after how many days', () => {
    expect(jobText(job('regrowth', 14), stand, 'metric').detail).toMatch(/^14 days after/)
  })
})

describe('work that goes on after an ending has begun', () => {
  const animals = {
    kind: 'hens' as const,
    head: 4,
    penLengthM: 2,
    penWidthM: 1,
    daysPerStop: 2,
    rounds: 2,
    restDays: 5,
  }
  const grazed = {
    ...stand,
    end: {
      plan: null,
      actual: { date: '2026-05-01', method: 'hens' as const, passes: 1, note: '', animals },
    },
  }
  test('a move names the animals, the stop, and the look before it', () => {
    const words = jobText({ ...job('move', 3), days: [20600, 12] }, grazed, 'metric')
    expect(words.title).toMatch(/^Move the hens on cereal rye/)
    expect(words.detail).toMatch(/Stop 3 of 12\. Look before you move/)
    expect(jobRoom(job('move', 3))).toBe(`/end/${stand.id}/animals`)
  })
  test('strips lead to their plan, counts to the room they are made in', () => {
    expect(jobText(job('strip', 2), stand, 'metric').title).toMatch(/^Cut strip 2/)
    expect(jobRoom(job('strip', 2))).toBe(`/end/${stand.id}/plan`)
    expect(jobRoom(job('regrowth', 7))).toBe(`/end/${stand.id}`)
  })
  test('an end is told by its way', () => {
    const end = {
      plan: { date: '2026-05-01', method: 'crimp-tarp' as const, passes: 1, note: '' },
      actual: null,
    }
    expect(jobText(job('end'), { ...stand, end }, 'metric').detail).toMatch(
      /^By crimp, then tarp, as planned/,
    )
  })
})
