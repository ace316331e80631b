import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { quantilesOf } from '../foundations/statistics'
import type { EndDetails } from '../garden/ending'
import type { Bed, Stand } from '../garden/schema'
import { findCrop } from '../plants/crops'
import { poolMass, poolNitrogen } from '../residue/pools'
import { usesBefore } from '../season/earlier'
import type { Brought, EarlierUse } from '../season/cases'
import { generatedEnsemble } from '../site/ensemble'
import { heldBy } from '../soil/ground'
import { startingNitrogen } from '../soil/nitrogen'
import { quantilesOn } from '../stand/summary'
import { testBed, testCase, testCover } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { cropRemains } from './cropCourse'
import { groundSummary } from './groundSummary'
import { standRun } from './standRun'
import { groundOn, PAST_MEMBERS, throughBed } from './through'

const first = dayNumber('2023-07-01')
const last = dayNumber('2026-10-20')
const ensemble = generatedEnsemble(TEST_SITES.maryland, first, last + 300 - first, 12, 5)

const crimped = (date: string): EndDetails => ({ method: 'crimp', date, passes: 2, note: '' }) as EndDetails
const coverUse = (speciesId: string, sownOn: string, own: Partial<Stand> = {}): EarlierUse => ({
  kind: 'cover',
  startDay: dayNumber(sownOn),
  standCase: testCase(testCover(speciesId, sownOn, own)),
})
const cropUse = (cropId: string, plantedOn: string, goneOn: string | null): EarlierUse => ({
  kind: 'crop',
  startDay: dayNumber(plantedOn),
  cropId,
  goneDay: goneOn === null ? null : dayNumber(goneOn),
})

const THREE_YEARS = [
  coverUse('cereal-rye', '2023-09-20', { end: { plan: null, actual: crimped('2024-05-20') } }),
  cropUse('tomato', '2024-06-05', '2024-09-10'),
  coverUse('oats', '2024-09-14'),
  cropUse('cabbage', '2025-04-20', '2025-08-01'),
  coverUse('hairy-vetch', '2025-09-05', { end: { plan: null, actual: crimped('2026-05-22') } }),
  cropUse('leek', '2026-06-05', null),
]

type Period = ReturnType<typeof throughBed>[number]

/** Sums of a member's tally and what has gone from the ground, in the words of the account. */
const flows = ({ tally, surface, buried, water }: Period['state'], m: number) => ({
  mass: tally.grownG[m] + tally.broughtG[m] - tally.exportedG[m] - surface.decayedG[m] - buried.decayedG[m],
  nitrogen:
    tally.soilNitrogenG[m] +
    tally.fixedG[m] +
    tally.seedNitrogenG[m] +
    tally.broughtNitrogenG[m] -
    tally.exportedNitrogenG[m] -
    tally.leachedG[m] -
    tally.cropNitrogenG[m] -
    surface.microbialNitrogenG[m] -
    buried.microbialNitrogenG[m],
  water: water.gainedMm[m] - water.evaporatedMm[m] - water.transpiredMm[m] - water.drainedMm[m],
})

describe('three years of covers and crops', () => {
  const periods = throughBed(THREE_YEARS, testBed, ensemble, last, Infinity)

  test('follow each other without a gap, bare times between', () => {
    expect(
      periods.map(({ of }) => (of === null ? 'bare' : of.kind === 'crop' ? of.cropId : 'cover')),
    ).toEqual(['cover', 'tomato', 'bare', 'cover', 'cabbage', 'bare', 'cover', 'leek'])
    periods.slice(1).forEach(({ fromDay }, i) => expect(fromDay).toBe(periods[i].untilDay))
    expect(periods.at(-1)!.untilDay).toBe(last)
  })

  test('mass, nitrogen and water close over all of them to a millionth', () => {
    for (let member = 0; member < 12; member++) {
      const { start } = periods[0].state
      const sum = {
        mass: start.massG[member],
        nitrogen: start.nitrogenG[member],
        water: start.waterMm[member],
      }
      let passed = 0
      for (const { of, state, fromDay, untilDay } of periods) {
        const flow = flows(state, member)
        const crop = of?.kind === 'crop' ? findCrop(of.cropId) : null
        const gone = of?.kind === 'crop' && of.goneDay !== null
        const remains = crop && gone ? cropRemains(crop, untilDay - fromDay) : { massG: 0, nitrogenG: 0 }
        sum.mass += flow.mass + remains.massG
        sum.nitrogen += flow.nitrogen + remains.nitrogenG
        sum.water += flow.water
        passed += state.tally.grownG[member] + state.tally.soilNitrogenG[member]
      }
      const held = heldBy(periods.at(-1)!.ground, member)
      expect(passed).toBeGreaterThan(500)
      expect(held.massG).toBeCloseTo(sum.mass, 4)
      expect(held.nitrogenG).toBeCloseTo(sum.nitrogen, 5)
      expect(held.waterMm).toBeCloseTo(sum.water, 4)
    }
  })

  test('nitrogen is washed out in winter and fixed by the vetch alone', () => {
    const mean = (of: 'leachedG' | 'fixedG') =>
      periods.map(({ state }) => state.tally[of].reduce((sum, grams) => sum + grams, 0) / state.members)
    const leached = mean('leachedG')
    expect(leached.every((grams) => grams >= 0)).toBe(true)
    expect(leached.reduce((sum, grams) => sum + grams, 0)).toBeGreaterThan(1)
    expect(mean('fixedG').map((grams) => grams > 3)).toEqual([
      false,
      false,
      false,
      false,
      false,
      false,
      true,
      false,
    ])
  })
})

describe('what stood before', () => {
  const sowOn = '2025-09-10'
  const rye = (before: EarlierUse[], bed: Bed = testBed) => {
    const { run } = standRun(testCase(testCover('cereal-rye', sowOn), { bed, before }), ensemble)!
    return { run, massG: quantilesOn(run, 'massG', dayNumber('2026-05-10'))!.p50 }
  }
  const day = dayNumber(sowOn)
  const mineral = (before: EarlierUse[], bed: Bed = testBed) =>
    quantilesOf(groundOn(before, bed, ensemble, day)!.mineralG)!.p50
  const cabbage = [cropUse('cabbage', '2025-05-20', '2025-08-25')]
  const bareSummer = [cropUse('spring-onion', '2025-03-01', '2025-05-01')]

  test('ground that lay bare all summer has more nitrogen than after cabbage, and grows more rye', () => {
    expect(mineral(bareSummer)).toBeGreaterThan(1.3 * mineral(cabbage))
    expect(rye(bareSummer).massG).toBeGreaterThan(1.03 * rye(cabbage).massG)
  })
  test('a wet autumn takes more nitrogen from sand than from clay', () => {
    const autumn = [cropUse('spring-onion', '2024-07-01', '2024-09-01')]
    const december = (soil: Bed['soil']) =>
      quantilesOf(groundOn(autumn, { ...testBed, soil }, ensemble, dayNumber('2024-12-15'))!.mineralG)!.p50
    expect(december('sand')).toBeLessThan(0.8 * december('clay'))
  })
  test('a second cover begins on the residue and the nitrogen of the first', () => {
    const buckwheat = [
      coverUse('buckwheat', '2025-06-01', { end: { plan: null, actual: crimped('2025-08-10') } }),
    ]
    const ground = groundOn(buckwheat, testBed, ensemble, day)!
    expect(heldBy(ground, 0).massG).toBeGreaterThan(50)
    expect(poolNitrogen(ground.surface, 0)).toBeGreaterThan(0)
    expect(rye(buckwheat).run.residueG[0]).toBeGreaterThan(50)
    expect(rye([]).run.residueG[0]).toBe(0)
    expect(rye(buckwheat).massG).not.toBeCloseTo(rye([]).massG, 1)
  })
  test('where nothing is known the two answers begin it', () => {
    expect(groundOn([], testBed, ensemble, day)).toBeNull()
    expect(startingNitrogen('medium', null)).toBe(4.5)
    const grass = rye([], { ...testBed, stoodBefore: 'grass' })
    const cover = rye([], { ...testBed, stoodBefore: 'cover' })
    expect(grass.massG).toBeGreaterThan(cover.massG)
  })
  test('the answers count while the records are young, not once they reach further back than is followed', () => {
    const grass: Bed = { ...testBed, stoodBefore: 'grass' }
    const old = cropUse('leek', '2023-08-01', '2024-01-10')
    expect(mineral(cabbage, grass)).toBeGreaterThan(mineral(cabbage))
    expect(mineral([old, ...cabbage], grass)).toBeCloseTo(mineral(cabbage), 10)
    expect(rye([old], grass).massG).toBeCloseTo(rye([]).massG, 6)
  })
  test('a crop that goes on standing has left nothing on the ground, one that is cleared has', () => {
    const residue = (goneOn: string | null) =>
      heldBy(groundOn([cropUse('cabbage', '2025-05-20', goneOn)], testBed, ensemble, day)!, 0).massG
    expect(residue(null)).toBe(0)
    expect(residue('2025-11-01')).toBe(0)
    expect(residue('2025-09-01')).toBeGreaterThan(50)
  })
  test('what grows today is no mulch in the summary of its ground', () => {
    const growing = [coverUse('cereal-rye', '2025-09-20')]
    const may = dayNumber('2026-05-01')
    const summary = groundSummary(growing, testBed, ensemble, may)!
    const { surface, mineralG } = throughBed(growing, testBed, ensemble, may).at(-1)!.ground
    const standing = quantilesOf(mineralG.map((_, m) => poolMass(surface, m)))!
    expect(summary.mulchG.p50).toBeLessThan(0.4 * standing.p50)
    expect(summary.waterShare.p10).toBeGreaterThanOrEqual(0)
    expect(groundSummary([], testBed, ensemble, may)).toBeNull()
  })
  test('under a black sheet nothing is washed out and rain does not come; mulch lies where no cover stands', () => {
    const bare = (sheet: 'black' | null, brought: Brought = []): EarlierUse => ({
      kind: 'bare',
      startDay: dayNumber('2025-03-01'),
      goneDay: sheet && dayNumber('2025-05-01'),
      sheet,
      brought,
    })
    const may = dayNumber('2025-05-01')
    const state = (use: EarlierUse) => throughBed([use], testBed, ensemble, may).at(-1)!.state
    const leached = (use: EarlierUse) => state(use).tally.leachedG.reduce((sum, grams) => sum + grams, 0)
    expect(leached(bare('black'))).toBeLessThan(0.3 * leached(bare(null)))
    expect(state(bare('black')).mineralG[0]).toBeGreaterThan(state(bare(null)).mineralG[0])
    // What had a crop, or nothing, keeps the mulch that was laid there.
    const hay = { day: dayNumber('2025-04-01'), massG: 600, nitrogenG: 11 }
    const lies = (use: EarlierUse) => heldBy(groundOn([use], testBed, ensemble, may)!, 0).massG
    expect(lies(bare(null, [hay]))).toBeGreaterThan(300)
    expect(lies(bare(null))).toBe(0)
    const crop: EarlierUse = {
      ...cropUse('cabbage', '2025-03-20', null),
      kind: 'crop',
      cropId: 'cabbage',
      goneDay: null,
      brought: [hay],
    }
    expect(lies(crop)).toBeGreaterThan(300)
    const gone = { ...crop, goneDay: dayNumber('2025-03-25') }
    expect(lies(gone)).toBeGreaterThan(300)
  })
  test('what began before the weather does, or ended long ago, is not followed', () => {
    expect(groundOn([cropUse('leek', '2023-01-01', '2023-06-01')], testBed, ensemble, day)).toBeNull()
    expect(groundOn([cropUse('leek', '2023-08-01', '2024-01-10')], testBed, ensemble, day)).toBeNull()
  })
  test('the ground is followed in forty members at most, which the stand takes in turn', () => {
    const many = generatedEnsemble(TEST_SITES.maryland, dayNumber('2025-04-01'), 500, 90, 5)
    const ground = groundOn(cabbage, testBed, many, day)!
    expect(ground.members).toBe(PAST_MEMBERS)
    const { run } = standRun(testCase(testCover('cereal-rye', sowOn), { before: cabbage }), many)!
    const start = (member: number) => run.residueNitrogenG[member]
    expect(start(41)).toBeCloseTo(start(1), 1)
  })
  test('the ground is worked out once for the same members, whatever ensemble they stand in', () => {
    const many = generatedEnsemble(TEST_SITES.maryland, dayNumber('2025-04-01'), 500, 90, 5)
    const ground = groundOn(cabbage, testBed, many, day)
    const stoodIn = (other: typeof many) => groundOn(cabbage, testBed, other, day)
    expect(stoodIn({ ...many, days: many.days - 60 })).toBe(ground)
    expect(stoodIn({ ...many, members: many.members.slice(0, PAST_MEMBERS) })).toBe(ground)
    expect(stoodIn({ ...many, members: many.members.toReversed() })).not.toBe(ground)
    expect(stoodIn({ ...many, members: many.members.slice(0, 12) })!.members).toBe(12)
  })
})

describe('which stands had a ground', () => {
  const half = (which: 'first' | 'second') => ({ kind: 'half', which }) as const
  const ids = (segment: Stand['segment'], stands: Stand[]) =>
    usesBefore(stands, testBed, segment, dayNumber('2025-09-01'), 'own').map(({ stand }) => stand.id)
  const oats = testCover('oats', '2025-03-01', { id: 'oats' })

  test('halves, strips and the path keep to themselves', () => {
    const one = testCover('oats', '2025-03-01', { id: 'one', segment: half('first') })
    const two = testCover('oats', '2025-03-05', { id: 'two', segment: half('second') })
    const path = testCover('oats', '2025-03-07', { id: 'path', segment: { kind: 'path' } })
    const all = [path, two, one]
    expect(ids(half('first'), all)).toEqual(['one'])
    expect(ids({ kind: 'strip', fromM: 6, toM: 8 }, all)).toEqual(['two'])
    expect(ids({ kind: 'path' }, all)).toEqual(['path'])
    expect(ids({ kind: 'whole' }, all)).toEqual(['one', 'two'])
  })
  test('what was followed by something else a year before is not carried along', () => {
    const years = ['2022', '2023', '2024', '2025'].map((year) =>
      testCover('oats', `${year}-04-01`, { id: year }),
    )
    // The first stays, to tell how far back the records reach.
    expect(ids({ kind: 'whole' }, years)).toEqual(['2022', '2024', '2025'])
  })
  test('what begins later, its own stand and other beds are left out; of two that begin together the larger counts', () => {
    const later = testCover('oats', '2025-09-01', { id: 'later' })
    const own = testCover('oats', '2025-04-01', { id: 'own' })
    const elsewhere = testCover('oats', '2025-04-01', { id: 'elsewhere', bedId: 'other' })
    const strip = testCover('oats', '2025-03-01', {
      id: 'strip',
      segment: { kind: 'strip', fromM: 0, toM: 1 },
    })
    expect(ids({ kind: 'whole' }, [later, own, elsewhere, oats, strip])).toEqual(['oats'])
  })
})
