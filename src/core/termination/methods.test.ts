import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { findSpecies, SPECIES } from '../plants/catalogue'
import { stillStand } from '../testing/stillStand'
import { testBed, testHens, testTool } from '../testing/beds'
import type { Rules } from '../garden/rules'
import { USUAL_RULES } from '../garden/usualRules'
import { wayOf, waysFor } from '../testing/comparison'
import { stopsOf } from './stops'
import { endingOf } from '../testing/ended'
import type { EndingSetup } from './life'
import { filmHeat } from '../stand/sheeted'
import { partlyFood } from '../plants/food'
import { animalCautions, bloatNow, frostedLately, harmNow, obstacleOf } from './obstacles'
import { findMethod, METHODS, type MethodId } from './methods'

const SETUP: EndingSetup = { passes: 1, under: 'flat', target: 0.1 }
const START = 10

/** The luck of the first member: the odds of the table's share are multiplied by e^−0.65, its sheet takes 0.85 of the dose. */
const lucky = (share: number) => {
  const odds = (share / (1 - share)) * Math.exp(-0.65)
  return odds / (1 + odds)
}
const SHEET_LUCK = 0.85

const rye = (bbch: number, own: Parameters<typeof stillStand>[1] = {}) =>
  stillStand([{ speciesId: 'cereal-rye', bbch, massG: 500 }], own)
const outcome = (method: MethodId, stand: ReturnType<typeof stillStand>, setup: Partial<EndingSetup> = {}) =>
  endingOf(method, stand.run, stand.ensemble, 0, START, { ...SETUP, ...setup })

describe('each way on a known stand in steady weather of 16 °C', () => {
  test('crimp: the table’s 15 % at pollen, dead once 230 °C d have browned it', () => {
    const ended = outcome('crimp', rye(61))
    expect(ended.survival).toBeCloseTo(lucky(0.15), 6)
    expect(ended.deadDay).toBe(START + Math.ceil(230 / 16))
  })
  test('crimp before heading: four in five stand again and it never counts as dead', () => {
    const ended = outcome('crimp', rye(39))
    expect(ended.survival).toBeCloseTo(lucky(0.8), 6)
    expect(ended.deadDay).toBeNaN()
  })
  test('crimp in a frame misses 7 % more of what it kills', () => {
    const framed = outcome('crimp', rye(61), { bedKind: 'framed' }).survival
    expect(framed).toBeCloseTo(lucky(0.15 + 0.07 * 0.85), 6)
  })
  test('chop: 9 % of rye at half bloom, brown after 130 °C d; twice leaves three in ten of them, a week later', () => {
    const once = outcome('chop', rye(65))
    expect(once.survival).toBeCloseTo(lucky(0.09), 6)
    expect(once.deadDay).toBe(START + Math.ceil(130 / 16))
    const twice = outcome('chop', rye(65), { passes: 2 })
    expect(twice.survival).toBeCloseTo(lucky(0.09 * 0.3), 6)
    expect(twice.deadDay).toBe(once.deadDay + 7)
  })
  test('black tarp: 450 °C d to 5 %, log-proportionally less to 10 %, air + 4.5 °C', () => {
    const ended = outcome('tarp', rye(45))
    const dose = 450 * (Math.log(0.1) / Math.log(0.05)) * SHEET_LUCK
    expect(ended.deadDay).toBe(START + Math.ceil(dose / 20.5) - 1)
    expect(ended.sheetDays).toBe(ended.deadDay - START)
  })
  test('a sheet over standing growth takes 1.4 times the dose, over dry soil 1.2 times, under path soil 0.85', () => {
    const days = (method: MethodId, stand = rye(45), setup: Partial<EndingSetup> = {}) =>
      outcome(method, stand, setup).sheetDays
    const flat = days('tarp')
    expect(days('tarp', rye(45), { under: 'standing' }) / flat).toBeCloseTo(1.4, 0)
    expect(days('tarp', rye(45, { moist: 0.1 })) / flat).toBeCloseTo(1.2, 0)
    expect(days('soil-tarp')).toBeLessThan(flat)
  })
  test('crimp, then tarp: the sheet only has to finish what the crimp left, and the rest must brown', () => {
    const both = outcome('crimp-tarp', rye(51))
    // What stands after the crimp, 0.55 in the table, falls to 0.1 at a dose of 450 · ln(0.1/0.55)/ln(0.05).
    const dose = 450 * (Math.log(0.1 / lucky(0.55)) / Math.log(0.05)) * SHEET_LUCK
    const brown = Math.ceil(230 / 20.5)
    expect(both.deadDay).toBe(START + Math.max(Math.ceil(dose / 20.5) - 1, brown))
    expect(both.deadDay).toBeLessThan(outcome('tarp', rye(51)).deadDay + 1)
    expect(outcome('crimp-tarp', rye(75)).deadDay).toBe(START + brown)
  })
  test('chop, then cardboard: 1.35 times a tarp’s dose, and none after it has gone soft in the cold', () => {
    const needed = 450 * 1.35 * (Math.log(0.1 / lucky(0.88)) / Math.log(0.05)) * SHEET_LUCK
    expect(outcome('chop-cardboard', rye(50)).deadDay).toBe(START + Math.ceil(needed / 20.5) - 1)
    expect(outcome('chop-cardboard', rye(50, { meanC: -2 })).deadDay).toBeNaN()
  })
  test('clear film: 90 °C d above 40 for cereals in sun, nothing in cloud', () => {
    const hot = rye(45, { meanC: 32 })
    hot.ensemble.members[0].radiationMjM2.fill(24)
    const heat = filmHeat(37, 24)
    expect(heat).toBeCloseTo(37 + 0.85 * 24 - 40, 9)
    const dose = 90 * (Math.log(0.1) / Math.log(0.05)) * SHEET_LUCK
    expect(outcome('clear-sheet', hot).deadDay).toBe(START + Math.ceil(dose / heat) - 1)
    expect(outcome('clear-sheet', rye(45)).deadDay).toBeNaN()
  })
  test('burial: 10 % of a soft annual under 6 cm, of a tillering grass under 12', () => {
    const pea = stillStand([{ speciesId: 'field-pea', bbch: 45, massG: 300 }])
    for (const stand of [pea, rye(45)]) {
      expect(outcome('bury', stand).survival).toBeCloseTo(lucky(0.1), 6)
      expect(outcome('bury', stand).deadDay).toBe(START + Math.ceil(200 / 16))
    }
  })
  test('turning under: a quarter of a jointing cereal, a sixteenth after a second pass ten days later; soft covers 10 %', () => {
    expect(outcome('turn', rye(45)).survival).toBeCloseTo(lucky(0.25), 6)
    expect(outcome('turn', rye(25)).survival).toBeCloseTo(lucky(0.35), 6)
    expect(outcome('turn', rye(61)).survival).toBeCloseTo(lucky(0.1), 6)
    const twice = outcome('turn', rye(45), { passes: 2 })
    expect(twice.survival).toBeCloseTo(lucky(0.0625), 6)
    expect(twice.deadDay).toBe(START + 10 + Math.ceil(200 / 16))
    const pea = stillStand([{ speciesId: 'field-pea', bbch: 45, massG: 300 }])
    expect(outcome('turn', pea).survival).toBeCloseTo(lucky(0.1), 6)
  })
  test('a wilting flame leaves four in ten of what a crimp left', () => {
    expect(outcome('crimp-flame', rye(61)).survival).toBeCloseTo(lucky(0.15 * 0.4), 6)
  })
  test('a flame alone wilts broadleaf seedlings, hardly grasses, never a grown stand', () => {
    const pea = (bbch: number) => stillStand([{ speciesId: 'field-pea', bbch, massG: 20 }])
    expect(outcome('flame', pea(12)).survival).toBeCloseTo(lucky(0.1), 6)
    expect(outcome('flame', rye(12)).survival).toBeCloseTo(lucky(0.8), 6)
    expect(outcome('flame', pea(60)).deadDay).toBeNaN()
  })
  test('pulled, it is done the same day; flipped crowns of rye leave 15 %', () => {
    expect(outcome('pull', rye(39))).toMatchObject({ deadDay: START })
    expect(outcome('flip-cover', rye(39)).survival).toBeCloseTo(lucky(0.15), 6)
  })
  test('strips are dead when the last of them is', () => {
    const strips = outcome('strips', rye(65), { lanes: { count: 4, everyDays: 5 } })
    expect(strips.deadDay).toBe(outcome('chop', rye(65)).deadDay + 15)
  })
  test('a mix counts its species by what they were sown at of a full stand', () => {
    const mix = stillStand([
      { speciesId: 'cereal-rye', bbch: 61, massG: 300 },
      { speciesId: 'hairy-vetch', bbch: 65, massG: 100 },
    ])
    expect(outcome('crimp', mix).survival).toBeCloseTo((lucky(0.15) + lucky(0.25)) / 2, 6)
  })
  test('cold and heat end what the run says they end', () => {
    const oats = stillStand([{ speciesId: 'oats', bbch: 31, massG: 200 }])
    oats.run.species[0].alive.fill(0.02, 40)
    expect(outcome('winter-kill', oats).deadDay).toBe(40)
    expect(outcome('summer-kill', oats).deadDay).toBe(40)
  })
})

describe('never the wrong way round', () => {
  test('a later stage never raises what a crimp leaves of a cereal', () => {
    let last = 1
    for (let bbch = 20; bbch < 95; bbch += 3) {
      const { survival } = outcome('crimp', rye(bbch))
      expect(survival).toBeLessThanOrEqual(last + 1e-12)
      last = survival
    }
  })
  test('a warmer spell is never later under a sheet', () => {
    let last = Infinity
    for (const meanC of [2, 6, 10, 16, 24]) {
      const day = outcome('tarp', rye(45, { meanC })).deadDay
      expect(day).toBeLessThanOrEqual(last)
      last = day
    }
  })
})

describe('own rules and their price', () => {
  const tools = (['scythe', 'spade or fork', 'wheelbarrow', 'burner'] as const)
    .map((kind) => testTool(kind))
    .concat(testTool('crimp board', 1.2), testTool('black tarp', 2, 12))
  const judged = (methodId: MethodId, rules: Partial<Rules>, stand = rye(45, { members: 8, days: 260 })) =>
    wayOf(waysFor(stand, { from: 10, by: 73, tools, rules: { ...USUAL_RULES, ...rules } }), methodId)
  const best = (...of: Parameters<typeof judged>) =>
    Math.max(...judged(...of).starts.map(({ chance }) => chance))
  const free = (...of: Parameters<typeof judged>) =>
    Math.max(...judged(...of).starts.map(({ chanceFree }) => chanceFree))
  test('the longest time under a sheet takes it off too soon, and says what it costs', () => {
    expect(best('tarp', {})).toBe(1)
    expect(best('tarp', { longestSheetDays: 7 })).toBe(0)
    expect(free('tarp', { longestSheetDays: 7 })).toBe(1)
    expect(best('tarp', { longestSheetDays: 60 })).toBe(1)
  })
  test('a legume that must bloom first is left alone before', () => {
    const vetch = (bbch: number) =>
      stillStand([{ speciesId: 'hairy-vetch', bbch, massG: 400 }], { members: 8, days: 260 })
    expect(best('turn', { legumeFrom: 'bloom' }, vetch(45))).toBe(0)
    expect(free('turn', { legumeFrom: 'bloom' }, vetch(45))).toBe(1)
    expect(best('turn', { legumeFrom: 'bloom' }, vetch(65))).toBe(1)
    expect(best('turn', { legumeFrom: 'first pods' }, vetch(65))).toBe(0)
  })
  test('never turning leaves turning out by name; no seed set closes the ripe stand', () => {
    expect(judged('turn', { turning: 'never' }).leftOut).toMatch(/never turn/)
    expect(judged('turn', {}).leftOut).toBeNull()
    const ripe = rye(87, { members: 8, days: 260 })
    expect(best('chop', { seedSet: 'never' }, ripe)).toBe(0)
    expect(best('chop', {}, ripe)).toBe(1)
  })
  test('stems too hard for what is owned cannot be chopped', () => {
    const sunflower = stillStand([{ speciesId: 'sunflower', bbch: 80, massG: 700 }], {
      members: 8,
      days: 260,
      heightM: 2,
    })
    expect(best('chop', {}, sunflower)).toBe(0)
    expect(judged('chop', {}, sunflower).starts[0].failures).toEqual([{ id: 'stems', share: 1 }])
  })
  test('a flame is refused over dry residue', () => {
    const green = rye(66, { members: 8, days: 260 })
    expect(best('crimp-flame', {}, green)).toBe(1)
    green.run.residueG.fill(300)
    expect(best('crimp-flame', {}, green)).toBe(0)
  })
})

describe('what harms animals at a stage', () => {
  const plant = (id: string) => findSpecies(id)!
  const at = (bbch: number, heightM = 1, frosted = false) => ({ bbch, heightM, frosted })
  test('sudangrass below 45 cm, its hybrids below 60, and either after a frost; not for hens', () => {
    expect(harmNow('sheep', plant('sudangrass'), at(30, 0.44))).toMatch(
      /this low can poison .* Ask|ask a vet/,
    )
    expect(harmNow('sheep', plant('sudangrass'), at(30, 0.46))).toBeNull()
    expect(harmNow('goats', plant('sorghum-sudangrass'), at(30, 0.58))).toMatch(/ask a vet/)
    expect(harmNow('goats', plant('sorghum-sudangrass'), at(30, 0.62))).toBeNull()
    expect(harmNow('sheep', plant('sudangrass'), at(30, 1, true))).toMatch(/within 14 days of a frost/)
    expect(harmNow('hens', plant('sudangrass'), at(30, 0.3, true))).toBeNull()
    expect(harmNow('sheep', plant('pearl-millet'), at(30, 0.2, true))).toBeNull()
  })
  test('filling pods of vetches for poultry and pigs, once they fill', () => {
    for (const kind of ['hens', 'ducks', 'pigs'] as const)
      for (const vetch of ['hairy-vetch', 'common-vetch']) {
        expect(harmNow(kind, plant(vetch), at(75))).toMatch(/poisonous.*Ask a vet/)
        expect(harmNow(kind, plant(vetch), at(65))).toBeNull()
      }
  })
  test('lush clover bloats grazers before its bloom', () => {
    const [hens, grazers] = [findMethod('hens')!, findMethod('graze')!]
    expect(bloatNow(grazers, plant('red-clover'), 40)).toMatch(/bloats most/)
    expect(bloatNow(grazers, plant('red-clover'), 65)).toBeNull()
    expect(bloatNow(hens, plant('red-clover'), 40)).toBeNull()
  })
  test('grazers are told of height, frost and nitrate of a sorghum', () => {
    const sheep = [{ id: 's', kind: 'sheep' as const, head: 2, penLengthM: null, penWidthM: null }]
    const place = { bed: testBed, segment: { kind: 'whole' as const }, livestock: sheep }
    const texts = animalCautions('graze', { ...place, plants: [plant('sudangrass')] }).map(({ text }) => text)
    expect(texts.join(' ')).toMatch(/never below \{height\}, nor for 14 days after a frost/)
    expect(texts.join(' ')).toMatch(/nitrate/)
  })
  test('a frost counts for two weeks before they come and as long as they stay', () => {
    const { ensemble } = rye(30)
    const frosty = (day: number) => {
      const [member] = ensemble.members
      const tMinC = Float64Array.from(member.tMinC, (low, i) => (i === day ? -1 : Math.max(5, low)))
      return { ...ensemble, members: [{ ...member, tMinC }] }
    }
    const seen = (day: number) => frostedLately(frosty(day), 0, 40, 50)
    expect([25, 26, 45, 50, 51].map(seen)).toEqual([false, true, true, true, false])
  })
  test('hens are kept off a vetch whose pods fill before they leave, and no rule of the grower’s is blamed', () => {
    const livestock = [{ id: 'h', kind: 'hens' as const, head: 12, penLengthM: 5, penWidthM: 1.2 }]
    const on = (stand: ReturnType<typeof stillStand>) =>
      wayOf(waysFor(stand, { from: 0, by: 60, tools: [], livestock }), 'hens').starts
    const vetch = (bbch: number) =>
      stillStand([{ speciesId: 'hairy-vetch', bbch, massG: 150 }], { members: 8, days: 260 })
    const blamed = (starts: ReturnType<typeof on>) =>
      new Set(starts.flatMap(({ failures }) => failures.map(({ id }) => id)))
    expect(blamed(on(vetch(65))).has('stock')).toBe(false)
    const podded = on(vetch(75))
    expect(podded.every(({ failures }) => failures[0].id === 'stock' && failures[0].share === 1)).toBe(true)
    expect(podded.every(({ chance, chanceFree }) => chance === 0 && chanceFree === 0)).toBe(true)
    const growing = vetch(65)
    const { run } = growing
    run.species[0].bbch.forEach((_, i, all) => (all[i] = Math.floor(i / run.members) >= 40 ? 75 : 65))
    for (const { day, end, failures } of on(growing)) {
      const leaves = day + Math.ceil(stopsOf(end.animals!, 10, 1.2, 0).at(-1)!.endDay)
      expect(failures[0]?.id === 'stock').toBe(leaves >= 40)
    }
  })
})

describe('who is told what of a cover', () => {
  const of = (who: string) =>
    SPECIES.filter((entry) => entry.harms.some((harm) => harm.who === who)).map(({ id }) => id)
  const avoid = (who: string) =>
    SPECIES.filter((entry) => entry.harms.some((harm) => harm.who === who && harm.level === 'avoid')).map(
      ({ id }) => id,
    )
  test('rabbits must not have lupin, sorghum types, sweetclover, vetches or sunn hemp', () => {
    expect(avoid('rabbits').sort()).toEqual([
      'common-vetch',
      'hairy-vetch',
      'sorghum-sudangrass',
      'sudangrass',
      'sunn-hemp',
      'sweetclover',
      'white-lupin',
    ])
    const rabbits = [{ id: 'r', kind: 'rabbits' as const, head: 4, penLengthM: 2, penWidthM: 1 }]
    for (const id of avoid('rabbits'))
      expect(
        obstacleOf(findMethod('graze')!, {
          bed: testBed,
          segment: { kind: 'whole' },
          tools: [],
          livestock: rabbits,
          plants: [findSpecies(id)!],
        }),
      ).toMatchObject({ code: 'harms animals', kind: 'rabbits', plant: findSpecies(id)!.name })
    expect(of('rabbits')).toEqual(
      expect.arrayContaining(['red-clover', 'alfalfa', 'winter-rape', 'buckwheat']),
    )
  })
  test('dogs are told of vetches, lupin and sweetclover', () =>
    expect(of('dogs')).toEqual(
      expect.arrayContaining(['hairy-vetch', 'common-vetch', 'white-lupin', 'sweetclover']),
    ))
  test('ergot is told of headed rye only, to all; nitrate of oats, brassicas and sorghum types', () => {
    const rye = findSpecies('cereal-rye')!.harms
    expect(rye.every(({ why, fromBbch }) => /ergot/.test(why) && fromBbch === 55)).toBe(true)
    expect(rye.map(({ who }) => who)).toEqual(expect.arrayContaining(['ruminants', 'horses', 'pigs', 'dogs']))
    for (const id of ['oats', 'black-oat', 'winter-rape', 'oilseed-radish', 'sudangrass', 'pearl-millet'])
      expect(findSpecies(id)!.harms.some(({ who, why }) => who === 'ruminants' && /nitrate/.test(why))).toBe(
        true,
      )
    expect(findSpecies('pearl-millet')!.harms.some(({ why }) => /prussic/.test(why))).toBe(false)
  })
  test('hairy vetch names cattle and is kept from horses', () => {
    const vetch = findSpecies('hairy-vetch')!
    expect(vetch.harms.find(({ who }) => who === 'ruminants')!.why).toMatch(/Cattle/)
    expect(vetch.harms.find(({ who }) => who === 'horses')!.level).toBe('avoid')
  })
  test('cautions follow the stage: rye is not accused of ergot before it heads', () => {
    const sheep = [{ id: 's', kind: 'sheep' as const, head: 2, penLengthM: null, penWidthM: null }]
    const place = {
      bed: testBed,
      segment: { kind: 'whole' as const },
      livestock: sheep,
      plants: [findSpecies('cereal-rye')!],
    }
    expect(animalCautions('graze', place, () => 30)).toEqual([])
    expect(animalCautions('graze', place, () => 61)[0].text).toMatch(/ergot/)
  })
})

describe('what people eat of a mix', () => {
  const plants = (...ids: string[]) => ids.map((id) => findSpecies(id)!)
  test('pea with vetch is told apart and never food as a whole', () => {
    expect(partlyFood(plants('field-pea', 'hairy-vetch'))).toEqual({
      food: ['Field pea (spring type)'],
      other: ['Hairy vetch'],
      peaAndVetch: true,
    })
    expect(partlyFood(plants('field-pea', 'oats'))).toBeNull()
    expect(partlyFood(plants('hairy-vetch'))).toBeNull()
    expect(partlyFood(plants('cereal-rye', 'black-oat'))).toMatchObject({
      other: ['Black oat'],
      peaAndVetch: false,
    })
  })
})

describe('whatever the stand, the weather and the day', () => {
  const anyComponent = fc.record({
    speciesId: fc.constantFrom(...SPECIES.map((entry) => entry.id)),
    bbch: fc.integer({ min: 9, max: 95 }),
    massG: fc.integer({ min: 5, max: 1200 }),
  })
  const anyStand = fc.record({
    components: fc.uniqueArray(anyComponent, {
      minLength: 1,
      maxLength: 3,
      selector: (component) => component.speciesId,
    }),
    meanC: fc.integer({ min: -5, max: 30 }),
    heightM: fc.double({ min: 0.05, max: 2.5, noNaN: true }),
    passes: fc.constantFrom(1, 2),
  })
  const ended = (stand: ReturnType<typeof stillStand>, method: MethodId, passes: number) =>
    endingOf(method, stand.run, stand.ensemble, 0, START, {
      ...SETUP,
      passes,
      plot: { lengthM: 8, widthM: 1.2 },
      animals: testHens({ kind: method === 'pigs' ? 'pigs' : method === 'graze' ? 'sheep' : 'hens' }),
    })
  test('survival is a share, and what is dead died after it began', () =>
    fc.assert(
      fc.property(anyStand, ({ components, passes, ...weather }) => {
        const stand = stillStand(components, weather)
        for (const { id } of METHODS) {
          const { survival, deadDay } = ended(stand, id, passes)
          expect(survival).toBeGreaterThanOrEqual(0)
          expect(survival).toBeLessThanOrEqual(1)
          if (!Number.isNaN(deadDay)) expect(deadDay).toBeGreaterThanOrEqual(START)
        }
      }),
      { numRuns: 60, seed: 7 },
    ))
  test('a second pass never leaves more than the first, a warmer spell never ends a sheet later', () =>
    fc.assert(
      fc.property(anyStand, ({ components, meanC, heightM }) => {
        const stand = stillStand(components, { meanC, heightM })
        for (const id of ['chop', 'turn'] as const)
          expect(ended(stand, id, 2).survival).toBeLessThanOrEqual(ended(stand, id, 1).survival + 1e-12)
        const warmer = stillStand(components, { meanC: meanC + 4, heightM })
        for (const id of ['tarp', 'soil-tarp', 'crimp-tarp'] as const) {
          const [cold, warm] = [stand, warmer].map((each) => ended(each, id, 1).deadDay)
          if (!Number.isNaN(cold)) expect(warm).toBeLessThanOrEqual(cold)
        }
      }),
      { numRuns: 60, seed: 8 },
    ))
})
