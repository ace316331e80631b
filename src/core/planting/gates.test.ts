import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { endEvent } from '../ending/kill'
import { findCrop } from '../plants/crops'
import { drawTraits } from '../stand/traits'
import { runStand } from '../stand/kernel'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { readiness } from './gates'

function ready(
  speciesId: string,
  sown: string,
  endOn: string,
  method: 'chop' | 'crimp' | 'tarp',
  cropId: string,
  plantOn: string,
  waitDays = 7,
) {
  const {
    run: standing,
    ensemble,
    sowDay,
  } = growStand(TEST_SITES.maryland, speciesId, sown, { members: 40, days: 360 })
  const end = { date: endOn, method, passes: 1, note: '' }
  const event = endEvent(end, dayNumber(endOn), dayNumber(plantOn), ensemble)!
  const ended = runStand(
    {
      sown: standing.sown,
      sowDay,
      soil: 'loam',
      fertility: 'medium',
      shade: 0,
      canopyAbove: null,
      events: [event],
    },
    ensemble,
    drawTraits(40, 3),
  )
  const crop = findCrop(cropId)!
  return readiness({
    standing,
    ended,
    ensemble,
    end,
    flattened: true,
    crop,
    establishment: crop.establishment,
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
})
