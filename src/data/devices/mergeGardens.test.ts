import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Bed, Garden, Stand } from '../../core/garden/schema'
import type { Check } from '../../core/garden/check'
import { referenceProblems } from '../../core/garden/consistency'
import { emptyYear } from '../../core/garden/weatherDays'
import type { WeatherYear } from '../../core/garden/weatherYear'
import { marlpitLane } from '../../demo/marlpitLane'
import type { StoredRecord, TableName } from '../database'
import { recordsOf } from '../gardenRecords'
import { recordProblems } from '../recordProblems'
import { historyAfter } from './history'
import { mergeGardens } from './mergeGardens'
import type { Replica } from './replica'
import { nameOf, NO_HISTORY, type Stamp } from './stamps'

const sound = (table: TableName, record: StoredRecord) => recordProblems(table, record).length === 0
const demo = marlpitLane()
const small = {
  garden: demo.garden,
  beds: demo.beds.slice(0, 3),
  stands: demo.stands.filter(({ bedId }) => demo.beds.slice(0, 3).some(({ id }) => id === bedId)),
  checks: demo.checks.slice(0, 0),
}
const gardenId = demo.garden.id

/** A garden on a device, to which steps are done as the database does them. */
class Device {
  replica: Replica
  readonly name: string
  constructor(name: string, replica: Replica) {
    this.name = name
    this.replica = replica
  }
  static first(): Replica {
    const device = new Device('origin', { records: new Map(), histories: new Map(), seen: {} })
    device.step(recordsOf(small).map(({ table, record }) => [table, record.id, record]))
    return device.replica
  }
  get count() {
    return Math.max(0, ...Object.values(this.replica.seen))
  }
  step(writes: [TableName, string, StoredRecord | null][]) {
    const stamp: Stamp = [this.count + 1, this.name]
    const records = new Map(this.replica.records)
    const histories = new Map(this.replica.histories)
    for (const [table, id, after] of writes) {
      const name = nameOf(table, id)
      const before = records.get(name) ?? null
      histories.set(name, historyAfter(histories.get(name) ?? NO_HISTORY, { before, after }, stamp))
      if (after) records.set(name, after)
      else records.delete(name)
    }
    this.replica = { records, histories, seen: { ...this.replica.seen, [this.name]: stamp[0] } }
  }
  all<T extends StoredRecord>(table: TableName): T[] {
    return [...this.replica.records].flatMap(([name, record]) =>
      name.startsWith(`${table} `) ? [record as T] : [],
    )
  }
  get garden() {
    return this.all<Garden>('gardens')[0]
  }
}

const from = (name: string, replica: Replica) => new Device(name, replica)
const recordsIn = ({ records }: Replica) =>
  Object.fromEntries([...records].sort(([a], [b]) => (a < b ? -1 : 1)))
const historiesIn = ({ histories }: Replica) =>
  Object.fromEntries([...histories].sort(([a], [b]) => (a < b ? -1 : 1)))

/** What growers write, by a number that picks among what is there; each tells the device what to write. */
const WRITINGS: ((device: Device, pick: number) => [TableName, string, StoredRecord | null][])[] = [
  (device, pick) => {
    const bed = device.all<Bed>('beds')[pick % 3]
    return bed ? [['beds', bed.id, { ...bed, lengthM: 2 + (pick % 7) }]] : []
  },
  (device, pick) => {
    const bed = device.all<Bed>('beds')[pick % 3]
    return bed ? [['beds', bed.id, { ...bed, shade: (pick % 8) / 10 }]] : []
  },
  (device, pick) => {
    const bed = device.all<Bed>('beds')[pick % 3]
    if (!bed) return []
    const stands = device.all<Stand>('stands').filter(({ bedId }) => bedId === bed.id)
    const checks = device
      .all<Check>('checks')
      .filter(({ standId }) => stands.some(({ id }) => id === standId))
    return [
      ['beds', bed.id, null],
      ...stands.map(({ id }): [TableName, string, null] => ['stands', id, null]),
      ...checks.map(({ id }): [TableName, string, null] => ['checks', id, null]),
    ]
  },
  (device, pick) => {
    const stand = device.all<Stand>('stands')[pick % 5]
    return stand ? [['stands', stand.id, { ...stand, note: `seen ${pick % 4}` }]] : []
  },
  (device, pick) => {
    const stand = device.all<Stand>('stands')[pick % 5]
    if (!stand?.start.actual) return []
    const actual = {
      date: '2027-01-01',
      method: pick % 2 ? ('chop' as const) : ('crimp' as const),
      passes: 1,
      note: '',
    }
    return [['stands', stand.id, { ...stand, end: { ...stand.end, actual } }]]
  },
  (device, pick) => {
    const stand = device.all<Stand>('stands')[pick % 5]
    if (stand?.content.kind !== 'cover') return []
    const components = stand.content.components.map((one) => ({
      ...one,
      speciesId: pick % 2 ? 'cereal-rye' : 'hairy-vetch',
    }))
    if (new Set(components.map(({ speciesId }) => speciesId)).size < components.length) return []
    const start = {
      plan: stand.start.plan && { ...stand.start.plan, components: [] },
      actual: stand.start.actual && { ...stand.start.actual, components },
    }
    return [['stands', stand.id, { ...stand, content: { ...stand.content, components }, start }]]
  },
  (device, pick) => {
    const stand = device.all<Stand>('stands')[pick % 5]
    if (!stand) return []
    const id = `check-${device.name}-${device.count}`
    const check: Check = {
      ...demo.checks[0],
      id,
      gardenId,
      standId: stand.id,
      note: `look ${pick}`,
      pictureIds: [],
    }
    return [['checks', id, check]]
  },
  (device, pick) => {
    const { garden } = device
    const tools =
      pick % 2
        ? garden.tools.slice(1)
        : [...garden.tools, { ...demo.garden.tools[0], id: `tool-${device.name}-${pick % 3}` }]
    const unique = tools.filter(({ id }, i) => tools.findIndex((other) => other.id === id) === i)
    return [['gardens', garden.id, { ...garden, tools: unique }]]
  },
  (device, pick) => {
    const { garden } = device
    const id = `section-${device.name}-${pick % 2}`
    const bed = device.all<Bed>('beds')[pick % 3]
    if (!bed) return []
    const sections = garden.sections.some((section) => section.id === id)
      ? garden.sections
      : [...garden.sections, { id, name: `New ${pick % 2}` }]
    return [
      ['gardens', garden.id, { ...garden, sections }],
      ['beds', bed.id, { ...bed, sectionId: id }],
    ]
  },
  (device) => {
    const { garden } = device
    const used = new Set(device.all<Bed>('beds').map(({ sectionId }) => sectionId))
    return [['gardens', garden.id, { ...garden, sections: garden.sections.filter(({ id }) => used.has(id)) }]]
  },
  (device, pick) => {
    const id = `${gardenId}:2026`
    const year = (device.replica.records.get(nameOf('weather', id)) ??
      emptyYear(gardenId, 2026)) as WeatherYear
    const next = structuredClone(year)
    next.tMaxC[pick % 20] = 20 + (pick % 5)
    next.source[pick % 20] = pick % 3 ? 'hand' : 'station'
    return [['weather', id, next]]
  },
]

const history = fc.array(fc.record({ writing: fc.nat(WRITINGS.length - 1), pick: fc.nat(60) }), {
  maxLength: 14,
})
type Written = { writing: number; pick: number }[]
function live(device: Device, steps: Written) {
  for (const { writing, pick } of steps) {
    const writes = WRITINGS[writing](device, pick)
    if (writes.length > 0 && writes.every(([table, , record]) => !record || sound(table, record)))
      device.step(writes)
  }
}
const dataOf = ({ records }: Replica) => {
  const of = <T extends StoredRecord>(table: TableName) =>
    [...records].flatMap(([name, record]) => (name.startsWith(`${table} `) ? [record as T] : []))
  return {
    garden: of<Garden>('gardens')[0],
    beds: of<Bed>('beds'),
    stands: of<Stand>('stands'),
    checks: of<Check>('checks'),
  }
}

describe('two histories from one garden', () => {
  const ancestor = Device.first()
  /** A shared past, then what each device wrote by itself. */
  function apart(...[before, one, other]: Written[]): [Device, Device] {
    const shared = from('origin', ancestor)
    live(shared, before)
    const devices: [Device, Device] = [from('phone', shared.replica), from('table', shared.replica)]
    live(devices[0], one)
    live(devices[1], other)
    return devices
  }
  const both = fc.record({ before: history, one: history, other: history, later: history })

  test('brought together either way round they are the same garden, every reference holds, no check is lost', () =>
    fc.assert(
      fc.property(both, ({ before, one, other }) => {
        const [phone, table] = apart(before, one, other)
        const there = mergeGardens(phone.replica, table.replica, sound)
        const back = mergeGardens(table.replica, phone.replica, sound)
        expect(recordsIn(there)).toEqual(recordsIn(back))
        expect(historiesIn(there)).toEqual(historiesIn(back))
        expect(there.conflicts).toEqual(back.conflicts)
        const data = dataOf(there)
        expect(referenceProblems(data)).toEqual([])
        for (const [name, record] of there.records)
          expect([name, sound(name.split(' ')[0] as TableName, record)]).toEqual([name, true])
        // A check is gone only where one of the two took it out after having seen it.
        for (const device of [phone, table])
          for (const check of device.all<Check>('checks')) {
            const name = nameOf('checks', check.id)
            const takenOut = [phone, table].some((side) => side.replica.histories.get(name)?.gone)
            if (!takenOut) expect(there.records.has(name)).toBe(true)
          }
      }),
      { numRuns: Number(process.env.RUNS ?? 120) },
    ))

  test('merged again with either it stays as it is, and goes on from there with both', () =>
    fc.assert(
      fc.property(both, ({ before, one, other, later }) => {
        const [phone, table] = apart(before, one, other)
        const merged = mergeGardens(phone.replica, table.replica, sound)
        for (const old of [phone.replica, table.replica, merged]) {
          const again = mergeGardens(merged, old, sound)
          expect(recordsIn(again)).toEqual(recordsIn(merged))
          expect(historiesIn(again)).toEqual(historiesIn(merged))
          expect(again.conflicts).toEqual([])
        }
        // What one does after the merge is simply taken by the other.
        const next = from('phone', merged)
        live(next, later)
        const taken = mergeGardens(merged, next.replica, sound)
        expect(recordsIn(taken)).toEqual(recordsIn(next.replica))
        expect(taken.conflicts).toEqual([])
      }),
      { numRuns: Number(process.env.RUNS ?? 80) },
    ))
})

describe('what becomes of one place', () => {
  const ancestor = Device.first()
  const devices = () => [from('phone', ancestor), from('table', ancestor)] as const
  const bedOf = (device: Device, i = 0) => device.all<Bed>('beds')[i]

  test('changed on one side it is taken, whichever counted further', () => {
    const [phone, table] = devices()
    for (let i = 0; i < 5; i++) table.step([['beds', bedOf(table).id, { ...bedOf(table), shade: i / 10 }]])
    phone.step([['beds', bedOf(phone).id, { ...bedOf(phone), lengthM: 7 }]])
    const merged = mergeGardens(phone.replica, table.replica, sound)
    expect(merged.records.get(nameOf('beds', bedOf(phone).id))).toMatchObject({ lengthM: 7, shade: 0.4 })
    expect(merged.conflicts).toEqual([])
  })
  test('changed on both, the one that counted further stands and the other is told', () => {
    const [phone, table] = devices()
    table.step([['beds', bedOf(table).id, { ...bedOf(table), shade: 0.1 }]])
    phone.step([['beds', bedOf(phone).id, { ...bedOf(phone), lengthM: 7 }]])
    phone.step([['beds', bedOf(phone).id, { ...bedOf(phone), shade: 0.6 }]])
    const merged = mergeGardens(table.replica, phone.replica, sound)
    expect(merged.records.get(nameOf('beds', bedOf(phone).id))).toMatchObject({ lengthM: 7, shade: 0.6 })
    expect(merged.conflicts).toEqual([
      { table: 'beds', id: bedOf(phone).id, place: 'shade', taken: 0.6, other: 0.1 },
    ])
  })
  test('a bed taken out here and sown in there comes back, and is told', () => {
    const [phone, table] = devices()
    const bed = bedOf(table)
    table.step([
      ['beds', bed.id, null],
      ...table
        .all<Stand>('stands')
        .filter(({ bedId }) => bedId === bed.id)
        .map(({ id }): [TableName, string, null] => ['stands', id, null]),
    ])
    const old = phone.all<Stand>('stands').find(({ bedId }) => bedId === bed.id)!
    phone.step([['stands', 'new', { ...old, id: 'new' }]])
    const merged = mergeGardens(phone.replica, table.replica, sound)
    expect(merged.records.get(nameOf('beds', bed.id))).toEqual(bed)
    expect(merged.records.has(nameOf('stands', 'new'))).toBe(true)
    expect(merged.records.has(nameOf('stands', old.id))).toBe(false)
    expect(merged.conflicts).toEqual([{ table: 'beds', id: bed.id, place: '', taken: bed, other: null }])
  })
  test('two endings of one stand: one stands whole, never half of each', () => {
    const [phone, table] = devices()
    const stand = phone.all<Stand>('stands').find(({ start, end }) => start.actual && !end.actual)!
    const ended = (method: 'chop' | 'crimp', date: string): StoredRecord => ({
      ...stand,
      end: { ...stand.end, actual: { date, method, passes: 1, note: '' } },
    })
    phone.step([['stands', stand.id, ended('chop', '2027-05-01')]])
    table.step([['stands', stand.id, ended('crimp', '2027-05-09')]])
    const merged = mergeGardens(phone.replica, table.replica, sound)
    const actual = (merged.records.get(nameOf('stands', stand.id)) as Stand).end.actual
    expect(actual).toMatchObject({ method: 'crimp', date: '2027-05-09' })
    expect(merged.conflicts).toMatchObject([{ place: 'end/actual', other: { method: 'chop' } }])
  })
  test('days of weather that one typed are kept beside those the other heard', () => {
    const [phone, table] = devices()
    const id = `${gardenId}:2026`
    const year = (slot: number, source: 'hand' | 'station', tMaxC: number) => {
      const made = emptyYear(gardenId, 2026)
      made.tMaxC[slot] = tMaxC
      made.source[slot] = source
      return made
    }
    const typed = year(3, 'hand', 12)
    const heard = year(3, 'station', 15)
    heard.tMaxC[4] = 16
    heard.source[4] = 'station'
    phone.step([['weather', id, typed]])
    table.step([['weather', id, heard]])
    const merged = mergeGardens(phone.replica, table.replica, sound).records.get(
      nameOf('weather', id),
    ) as WeatherYear
    expect([merged.tMaxC[3], merged.tMaxC[4]]).toEqual([12, 16])
  })
})
