import { describe, expect, test } from '@jest/globals'
import { creepingWeeds } from './creepingWeeds'

const bed = (...what: string[]) => ({
  id: 'b',
  troubles: what.map((text, i) => ({ id: String(i), date: '2026-05-01', family: 'any', what: text })),
})
const stands = [{ id: 's', bedId: 'b' }]
const check = (standId: string, which: string[], note = '') => ({
  standId,
  weeds: { cover: 0.2, which },
  note,
})

describe('creeping weeds named on a bed', () => {
  test.each([
    ['Field bindweed', 'bindweed'],
    ['couch grass', 'couch'],
    ['quackgrass', 'couch'],
    ['Yellow nutsedge', 'nutsedge'],
    ['ground elder', 'ground elder'],
  ])('%s is %s', (text, name) => expect(creepingWeeds(bed(text), [], [])).toEqual([name]))
  test('checks of this bed name them too, in the list or in the note', () => {
    expect(creepingWeeds(bed(), stands, [check('s', ['bindweed', 'chickweed'])])).toEqual(['bindweed'])
    expect(creepingWeeds(bed(), stands, [check('s', [], 'Couch at the far end')])).toEqual(['couch'])
    expect(creepingWeeds(bed(), stands, [check('elsewhere', ['bindweed'])])).toEqual([])
  })
  test('black bindweed is an annual; clubroot is no weed', () => {
    expect(creepingWeeds(bed('black bindweed', 'clubroot'), [], [])).toEqual([])
  })
})
