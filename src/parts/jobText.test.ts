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
    const { title, detail } = jobText(job(kind, 7), stand)
    expect(title.toLowerCase()).toContain('rye')
    expect(detail).toMatch(/\.$/)
    expect(jobRoom(job(kind))).toMatch(/^\/(sow|end|watch|check|bed)\//)
  })
  test('the sheet is looked under at half time, then at the end', () => {
    expect(jobText(job('sheet', 1), stand).title).toMatch(/^Lift a corner/)
    expect(jobText(job('sheet', 2), stand).title).toMatch(/^Look under/)
  })
  test('regrowth says after how many days', () => {
    expect(jobText(job('regrowth', 14), stand).detail).toMatch(/^14 days after/)
  })
})
