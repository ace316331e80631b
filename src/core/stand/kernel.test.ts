import { placeIn } from './series'
import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { dayNumber } from '../foundations/day'
import { shareOf, quantilesOf } from '../foundations/statistics'
import { findSpecies, SPECIES } from '../plants/catalogue'
import { daylightSeries, deriveWeather, emptyMember, sunSeries } from '../site/weather'
import { plainInput } from '../season/plainInput'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { runStand } from './kernel'
import { drawMemberParameters } from './memberParameters'
import type { StandEvent, StandRun } from './types'
import { dateQuantiles, firstDays, quantilesOn, stageDays, valuesOn } from './summary'

const { pennsylvania, maryland, alabama, netherlands, canterbury } = TEST_SITES
const median = (days: Float64Array) => dateQuantiles(days).quantiles!.p50
const between = (value: number, low: number, high: number) => {
  expect(value).toBeGreaterThanOrEqual(low)
  expect(value).toBeLessThanOrEqual(high)
}
/** Amounts are held exactly by `npm run validate`; with the few members here a median errs by some percent. */
const about = (value: number, low: number, high: number) => between(value, 0.96 * low, 1.04 * high)
const massOn = (run: StandRun, day: number) => quantilesOn(run, 'massG', day)!.p50

describe('against published ranges', () => {
  test('cereal rye, Pennsylvania, 25 Sep: pollen 18 May–5 Jun, 5–10 t/ha, 0.9–1.8 % N', () => {
    const { run } = growStand(pennsylvania, 'cereal-rye', '2025-09-25')
    const pollen = median(stageDays(run, 0, 61))
    between(pollen, dayNumber('2026-05-18'), dayNumber('2026-06-05'))
    const day = Math.round(pollen)
    about(massOn(run, day), 500, 1000)
    about((100 * quantilesOn(run, 'nitrogenG', day)!.p50) / massOn(run, day), 0.9, 1.8)
  })
  test('hairy vetch, Maryland, 20 Sep: half bloom 3–25 May, 3.5–6.5 t/ha or a little over, fixes nitrogen', () => {
    const { run } = growStand(maryland, 'hairy-vetch', '2025-09-20')
    const bloom = median(stageDays(run, 0, 65))
    between(bloom, dayNumber('2026-05-03'), dayNumber('2026-05-25'))
    about(massOn(run, Math.round(bloom)), 350, 750)
    expect(quantilesOn(run, 'fixedG', Math.round(bloom))!.p50).toBeGreaterThan(5)
  })
  test('crimson clover, Alabama, 20 Oct: half bloom 25 Mar–20 Apr', () => {
    between(
      median(stageDays(growStand(alabama, 'crimson-clover', '2025-10-20').run, 0, 65)),
      dayNumber('2026-03-25'),
      dayNumber('2026-04-20'),
    )
  })
  test('buckwheat, Pennsylvania, 1 Jul: flowers after 25–37 days', () => {
    const { run, sowDay } = growStand(pennsylvania, 'buckwheat', '2025-07-01', { days: 90 })
    between(median(stageDays(run, 0, 61)) - sowDay, 25, 37)
  })
  test('oilseed radish, Netherlands, 15 Aug: 2–4.5 t/ha by 10 Nov', () => {
    about(
      massOn(
        growStand(netherlands, 'oilseed-radish', '2025-08-15', { days: 100 }).run,
        dayNumber('2025-11-10'),
      ),
      200,
      450,
    )
  })
  test('cereal rye, Canterbury, 10 Apr: pollen 5 Oct–15 Nov', () => {
    between(
      median(stageDays(growStand(canterbury, 'cereal-rye', '2025-04-10').run, 0, 61)),
      dayNumber('2025-10-05'),
      dayNumber('2025-11-15'),
    )
  })
  test('oats die in a Pennsylvania winter where rye lives', () => {
    const alive = (species: string) => {
      const { run } = growStand(pennsylvania, species, '2025-08-25', { days: 200 })
      const shares = valuesOn(run, run.species[0].alive, dayNumber('2026-03-01'))
      return shareOf(run.members, (m) => shares[m] > 0.3)
    }
    expect(alive('oats')).toBeLessThan(0.15)
    expect(alive('cereal-rye')).toBeGreaterThan(0.95)
  })
})

describe('properties', () => {
  test('nothing is negative or NaN over places, dates and species', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPECIES.map((plant) => plant.id)),
        fc.constantFrom(
          pennsylvania,
          alabama,
          canterbury,
          { ...netherlands, latitude: 66 },
          { ...maryland, latitude: 0 },
        ),
        fc.integer({ min: 0, max: 364 }),
        (speciesId, site, offset) => {
          const iso = new Date(Date.UTC(2025, 0, 1 + offset)).toISOString().slice(0, 10)
          const { run } = growStand(site, speciesId, iso, { members: 4, days: 200, seed: offset })
          const series = [
            run.cover,
            run.massG,
            run.nitrogenG,
            run.residueG,
            run.heightM,
            ...run.species.flatMap((part) => [part.bbch, part.massG, part.alive]),
          ]
          for (const values of series)
            expect(values.every((value) => value >= 0 && Number.isFinite(value))).toBe(true)
        },
      ),
      { numRuns: 40 },
    )
  })
  test('mass and nitrogen close to a millionth, with cuts carried off and dropped and an ending', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPECIES.map((plant) => plant.id)),
        fc.integer({ min: 0, max: 300 }),
        fc.boolean(),
        (speciesId, offset, left) => {
          const iso = new Date(Date.UTC(2025, 2, 1 + offset)).toISOString().slice(0, 10)
          const day = dayNumber(iso)
          const events: StandEvent[] = [
            {
              day: day + 60,
              kind: 'cut',
              heightM: 0.1,
              groundShare: 0.7,
              left,
              fate: { by: 'share', share: 0.8 },
            },
            { day: day + 110, kind: 'end', topLeft: 0.3, fate: { by: 'share', share: 0.1 } },
          ]
          const { accounts } = growStand(maryland, speciesId, iso, {
            members: 3,
            days: 170,
            seed: offset,
            events,
          }).run
          for (let m = 0; m < 3; m++) {
            expect(Math.abs(accounts.massIn[m] - accounts.massOut[m])).toBeLessThan(
              1e-6 * Math.max(1, accounts.massIn[m]),
            )
            expect(Math.abs(accounts.nitrogenIn[m] - accounts.nitrogenOut[m])).toBeLessThan(
              1e-6 * Math.max(1, accounts.nitrogenIn[m]),
            )
          }
        },
      ),
      { numRuns: 30 },
    )
  })
  test('the same seed gives the same stand', () => {
    const once = () => growStand(maryland, 'phacelia', '2025-05-01', { members: 5, days: 60 }).run.massG
    expect(once()).toEqual(once())
  })
  test('more seed never lowers early cover', () => {
    for (const species of ['cereal-rye', 'red-clover', 'buckwheat']) {
      const early = (rate: number) =>
        valuesOn(...withCover(growStand(maryland, species, '2025-05-10', { members: 20, days: 50, rate })))
      const thin = early(0.5)
      const thick = early(1.5)
      thin.forEach((value, m) => expect(thick[m]).toBeGreaterThanOrEqual(value - 1e-9))
    }
  })
  test('shade slows a stand, a cut lowers it, and it grows back', () => {
    const base = { members: 20, days: 80 }
    const day = dayNumber('2025-06-20')
    const open = growStand(maryland, 'red-clover', '2025-04-10', base).run
    const shaded = growStand(maryland, 'red-clover', '2025-04-10', { ...base, shade: 0.6 }).run
    const cut = growStand(maryland, 'red-clover', '2025-04-10', {
      ...base,
      events: [
        {
          day: day - 20,
          kind: 'cut',
          heightM: 0.03,
          groundShare: 1,
          left: true,
          fate: { by: 'share', share: 0.95 },
        },
      ],
    }).run
    expect(massOn(shaded, day)).toBeLessThan(massOn(open, day))
    expect(massOn(cut, day - 19)).toBeLessThan(massOn(open, day - 19))
    expect(massOn(cut, day + 5)).toBeGreaterThan(massOn(cut, day - 19))
    expect(quantilesOn(cut, 'residueG', day - 19)!.p50).toBeGreaterThan(
      quantilesOn(open, 'residueG', day - 19)!.p50,
    )
  })
  test('an ending leaves the survivors it says, and the rest as residue', () => {
    const day = dayNumber('2025-08-10')
    const { run } = growStand(pennsylvania, 'buckwheat', '2025-07-01', {
      members: 20,
      days: 60,
      events: [{ day, kind: 'end', topLeft: 1, fate: { by: 'share', share: 0.1 } }],
    })
    const before = valuesOn(run, run.massG, day - 1)
    const after = valuesOn(run, run.massG, day)
    before.forEach((mass, m) => expect(after[m]).toBeLessThan(0.15 * mass + 1))
    expect(quantilesOn(run, 'residueG', day)!.p50).toBeGreaterThan(0.8 * massOn(run, day - 1))
  })
})

function withCover({ run, sowDay }: ReturnType<typeof growStand>): [StandRun, Float32Array, number] {
  return [run, run.cover, sowDay + 28]
}

test('cover of 30 % comes after emergence', () => {
  const { run } = growStand(maryland, 'oats', '2025-08-15', { members: 20, days: 60 })
  const up = firstDays(run, (at) => run.species[0].bbch[at] >= 9)
  const covered = firstDays(run, (at) => run.cover[at] >= 0.3)
  expect(quantilesOf(covered)!.p50).toBeGreaterThan(quantilesOf(up)!.p50)
})

test('north and south are alike half a year apart', () => {
  const days = 330
  const make = (latitude: number, sownOn: string) => {
    const sowDay = dayNumber(sownOn)
    const site = { ...maryland, latitude }
    // The same days of weather under both suns: a smooth year with a swing of 12 °C.
    const member = emptyMember(days + 40)
    for (let i = 0; i < days + 40; i++) {
      const mean = 12 + 12 * Math.cos((2 * Math.PI * (i + 20)) / 365)
      member.tMinC[i] = mean - 5
      member.tMaxC[i] = mean + 5
      member.rainMm[i] = i % 4 === 0 ? 11 : 0
    }
    deriveWeather(member, site, sunSeries(site, sowDay - 40, member.tMinC.length, 1))
    const ensemble = {
      startDay: sowDay - 40,
      days: days + 40,
      seed: 1,
      known: new Uint8Array(360),
      daylightHours: daylightSeries(site, sowDay - 40, days + 40),
      members: [member],
    }
    const plant = findSpecies('cereal-rye')!
    const input = plainInput([{ plant, seedsPerM2: 300, emergenceShare: 0.6, depthCm: 2 }], sowDay)
    const run = runStand(input, ensemble, drawMemberParameters(input.sown, 1, 1))
    return { run, after: dateQuantiles(stageDays(run, 0, 61)).quantiles!.p50 - sowDay }
  }
  const north = make(43, '2025-09-20')
  const south = make(-43, '2025-03-21')
  expect(Math.abs(north.after - south.after)).toBeLessThanOrEqual(1)
  expect(
    south.run.massG[placeIn(south.run, 0, 240)] / north.run.massG[placeIn(north.run, 0, 240)],
  ).toBeCloseTo(1, 1)
})
