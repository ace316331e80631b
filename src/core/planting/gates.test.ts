import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { endEvents } from '../ending/kill'
import { DEAD_SHARE } from '../ending/outcome'
import type { WayId } from '../ending/ways'
import { findCrop } from '../plants/crops'
import { drawTraits } from '../stand/traits'
import { runStand } from '../stand/kernel'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { readiness } from './gates'
import { type GateInput } from './gateDays'

function ready(
  speciesId: string,
  sown: string,
  endOn: string,
  method: WayId,
  cropId: string,
  plantOn: string,
  waitDays = 7,
  own: Partial<GateInput> = {},
) {
  const {
    run: standing,
    ensemble,
    sowDay,
  } = growStand(TEST_SITES.maryland, speciesId, sown, { members: 40, days: 360 })
  const end = { date: endOn, method, passes: 1, note: '' }
  const plot = { lengthM: 10, widthM: 1.2 }
  const events = endEvents(end, dayNumber(endOn), { clearDay: dayNumber(plantOn), ensemble, plot })
  const ended = runStand(
    {
      sown: standing.sown,
      sowDay,
      soil: 'loam',
      fertility: 'medium',
      shade: 0,
      canopyAbove: null,
      events,
    },
    ensemble,
    drawTraits(40, 3),
  )
  const crop = findCrop(cropId)!
  const establishment = own.establishment ?? crop.establishment
  return readiness({
    standing,
    ended,
    ensemble,
    end,
    setup: { passes: 1, flattened: true, target: DEAD_SHARE[establishment] },
    fertility: 'medium',
    manure: null,
    seen: null,
    nematodes: false,
    creeping: [],
    crop,
    ...own,
    establishment,
    waitDays,
    plantingDay: dayNumber(plantOn),
    today: dayNumber(endOn),
  })
}
const gate = (answer: ReturnType<typeof ready>, id: string) => answer.gates.find((entry) => entry.id === id)

describe('gates', () => {
  const vetch = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'tomato', '2026-06-12')
  test('the wait follows the grower’s own rule', () => {
    expect(gate(vetch, 'wait')!.met!.mid - gate(vetch, 'dead')!.met!.mid).toBeCloseTo(7, 0)
  })
  test('a count after the end says whether it is dead, and the gate tells it', () => {
    const seen = (share: number) =>
      ready('hairy-vetch', '2025-09-20', '2026-05-22', 'crimp', 'tomato', '2026-06-25', 7, {
        seen: { day: dayNumber('2026-06-03'), share, finished: false },
      })
    const few = gate(seen(0.03), 'dead')!
    expect(few.met!.high).toBeLessThanOrEqual(dayNumber('2026-06-03'))
    expect(few.reason).toMatch(/^Counted: 3 % stand again\./)
    const pulled = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'crimp', 'tomato', '2026-06-25', 7, {
      seen: { day: dayNumber('2026-06-12'), share: 0.01, finished: true },
    })
    expect(gate(pulled, 'dead')!.met!.low).toBe(dayNumber('2026-06-12'))
    expect(gate(pulled, 'dead')!.reason).toMatch(/taken to leave 1 %; count again/)
    const many = gate(seen(0.4), 'dead')!
    expect(many).toMatchObject({ met: null, chanceByPlanting: 0 })
    expect(many.reason).toMatch(/more than is pulled by hand/)
  })
  test('all gates are open no sooner than the last of them', () => {
    const latest = Math.max(...vetch.gates.map((entry) => entry.met?.mid ?? -Infinity))
    expect(vetch.ready!.mid).toBeGreaterThanOrEqual(latest - 1)
    for (const entry of vetch.gates)
      expect(vetch.chanceByPlanting).toBeLessThanOrEqual(entry.chanceByPlanting + 1e-9)
  })
  test('vetch feeds the crop; mature rye ties nitrogen up first', () => {
    const rye = ready('cereal-rye', '2025-09-25', '2026-05-25', 'crimp', 'tomato', '2026-06-18')
    expect(vetch.nitrogen10Weeks!.mid).toBeGreaterThan(2)
    expect(rye.nitrogen4Weeks!.mid).toBeLessThan(vetch.nitrogen4Weeks!.mid)
    expect(gate(rye, 'tie-up')!.met!.mid).toBeGreaterThan(dayNumber('2026-05-26'))
  })
  test('small seed into rye waits for the residue; transplants do not', () => {
    const seeded = ready('cereal-rye', '2025-09-25', '2026-05-25', 'crimp', 'carrot', '2026-07-10', 14)
    const held = gate(seeded, 'residue-hold')!.met!.mid - gate(seeded, 'dead')!.met!.mid
    expect(held).toBeGreaterThan(10)
    expect(held).toBeLessThan(28)
    expect(gate(seeded, 'seedbed')).toBeDefined()
    expect(gate(vetch, 'residue-hold')).toBeUndefined()
  })
  test('a tender crop waits for frost and warmth that a hardy one does not', () => {
    const hardy = ready('hairy-vetch', '2025-09-20', '2026-04-10', 'tarp', 'kale', '2026-05-10')
    const tender = ready('hairy-vetch', '2025-09-20', '2026-04-10', 'tarp', 'pepper', '2026-05-10')
    expect(gate(tender, 'soil')!.met!.mid).toBeGreaterThan(gate(hardy, 'soil')!.met!.mid)
    expect(gate(tender, 'frost')!.met!.mid).toBeGreaterThanOrEqual(gate(hardy, 'frost')!.met!.mid)
  })
  test('animals keep the harvest waiting by the rule, whatever the residue says', () => {
    const last = dayNumber('2026-05-20')
    const kept = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'lettuce', '2026-06-12', 7, {
      manure: { lastDay: last, from: 'animals', days: 120, touches: true },
    })
    const manure = gate(kept, 'manure')!
    expect(manure.kind).toBe('rule')
    expect(manure.met!.mid).toBe(last + 120 - findCrop('lettuce')!.daysToHarvest)
    expect(manure.chanceByPlanting).toBe(0)
    expect(kept.ready!.mid).toBeGreaterThanOrEqual(manure.met!.mid)
  })
  test('after turning fresh growth under, seed and transplants wait for the seed flies', () => {
    for (const crop of ['bean', 'tomato']) {
      const turned = ready('hairy-vetch', '2025-09-20', '2026-05-12', 'turn', crop, '2026-05-26', 7)
      const flies = gate(turned, 'seed-flies')!
      expect(flies.met!.mid - dayNumber('2026-05-12')).toBeGreaterThanOrEqual(21)
      expect(flies.met!.mid - dayNumber('2026-05-12')).toBeLessThanOrEqual(32)
      expect(flies.reason).toMatch(/[Cc]utworms and slugs/)
      expect(turned.chanceByPlanting).toBe(0)
      expect(turned.ready!.mid).toBeGreaterThanOrEqual(flies.met!.mid)
    }
    expect(gate(vetch, 'seed-flies')).toBeUndefined()
  })
  test('where bindweed is named the ground is never called free of it, and the date stays', () => {
    const named = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'tomato', '2026-06-12', 7, {
      creeping: ['bindweed'],
    })
    expect(gate(named, 'creeping')).toMatchObject({
      name: 'Free of bindweed',
      kind: 'advice',
      met: null,
      chanceByPlanting: 0,
      reason: expect.stringMatching(/comes back from the roots/),
    })
    expect(named.ready!.mid).toBeCloseTo(vetch.ready!.mid, 6)
  })
  test('a nematode host after a host stays shut as advice, and does not hold the date back', () => {
    const shut = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'tomato', '2026-06-12', 7, {
      nematodes: true,
    })
    expect(gate(shut, 'nematodes')).toMatchObject({ kind: 'advice', met: null, chanceByPlanting: 0 })
    expect(shut.ready!.mid).toBeCloseTo(vetch.ready!.mid, 6)
    const onion = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'onion', '2026-06-12', 7, {
      nematodes: true,
    })
    expect(gate(onion, 'nematodes')).toBeUndefined()
  })
  test('seedlings wait for two weeks without green, transplants do not', () => {
    const beans = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'bean', '2026-06-25', 3)
    expect(gate(beans, 'bridge')!.met!.mid - gate(beans, 'dead')!.met!.mid).toBeCloseTo(14, 0)
    expect(gate(vetch, 'bridge')).toBeUndefined()
  })
  test('what was buried to fumigate asks for its own wait when the grower’s is shorter', () => {
    const mustard = ready(
      'brown-mustard',
      '2025-09-01',
      '2025-10-25',
      'biofumigate',
      'tomato',
      '2026-05-20',
      3,
    )
    expect(gate(mustard, 'wait')!.reason).toMatch(/14 days/)
    expect(gate(mustard, 'wait')!.met!.mid - gate(mustard, 'dead')!.met!.mid).toBeCloseTo(14, 0)
  })
})
