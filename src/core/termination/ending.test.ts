import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { quantilesOf } from '../foundations/statistics'
import type { Rectangle } from '../garden/bed'
import type { Segment } from '../garden/schema'
import { growStand } from '../testing/stands'
import { testBed as bed, testTool as tool } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { steadyWeather as steady } from '../testing/steady'
import { findSpecies, SPECIES } from '../plants/catalogue'
import type { EndingClass } from '../plants/parameters'
import { SAFE_CHANCE } from '../scenario/starts'
import { wayOf, waysFor } from '../testing/comparison'
import { USUAL_RULES } from '../garden/usualRules'
import { obstacleText } from '../../text/obstacles'
import { obstacleOf, stockFor, type Place } from './obstacles'
import { endingOf } from '../testing/ended'
import { DEAD_SHARE } from './lastAct'
import { doseBetween } from './doses'
import { doseNeeded, sheetSurvival } from './sheets'
import { endFor } from './start'
import { chopSurvival, crimpSurvival } from './survival'
import { findMethod, type MethodId } from './methods'

const tarpSurvival = (kind: EndingClass, dose: number, flat: boolean) =>
  sheetSurvival(dose, doseNeeded('black', { endingClass: kind }, 45, flat ? 'flat' : 'standing'))

const ALL_TOOLS = [tool('scythe'), tool('crimp board', 1.2), tool('black tarp', 2, 12)]

describe('a way as it is usually done here', () => {
  const livestock = [{ id: 'h', kind: 'hens' as const, head: 4, penLengthM: 2, penWidthM: 1.2 }]
  const usual = (id: MethodId) =>
    endFor({ method: findMethod(id)!, passes: 1 }, dayNumber('2026-05-01'), {
      bed,
      segment: { kind: 'whole' },
      livestock,
    })
  test('animals for animals, strips for strips, nothing for the rest', () => {
    expect(usual('hens').animals).toMatchObject({ kind: 'hens', head: 4 })
    expect(usual('strips').lanes).toEqual({ count: 3, everyDays: 7 })
    for (const id of ['pigs', 'chop'] as const)
      expect(usual(id)).toEqual({ date: '2026-05-01', method: id, passes: 1, note: '' })
  })
})

describe('survival tables', () => {
  test('cereals: a later stage never raises crimp survival', () => {
    let last = 1
    for (let bbch = 0; bbch <= 99; bbch++) {
      const now = crimpSurvival('winter cereal', bbch)
      expect(now).toBeLessThanOrEqual(last)
      last = now
    }
    expect([39, 51, 61, 69, 75].map((bbch) => crimpSurvival('winter cereal', bbch))).toEqual(
      [0.8, 0.55, 0.15, 0.08, 0.04].map((share) => expect.closeTo(share, 9)),
    )
  })
  test('a low cut kills bolting buckwheat and leaves tillering rye', () => {
    expect(chopSurvival('buckwheat', 61)).toBeLessThan(0.05)
    expect(chopSurvival('winter cereal', 39)).toBeGreaterThan(0.8)
  })
  test('longer or warmer under a sheet never raises survival', () => {
    for (let dose = 0; dose < 900; dose += 50)
      expect(tarpSurvival('ryegrass', dose + 50, true)).toBeLessThan(tarpSurvival('ryegrass', dose, true))
    expect(tarpSurvival('winter cereal', 450, true)).toBeCloseTo(0.05, 6)
    expect(tarpSurvival('winter cereal', 450, false)).toBeGreaterThan(0.1)
  })
  test.each([
    [24, 15, 17],
    [16, 20, 24],
    [10, 28, 35],
    [4, 45, 65],
  ])('mown rye at %i °C reaches 5 %% under a sheet in %i–%i days', (meanC, low, high) => {
    const ensemble = steady(meanC)
    let days = 0
    while (tarpSurvival('winter cereal', doseBetween(ensemble, 'black', 0, 0, days), true) > 0.05) days++
    expect(days).toBeGreaterThanOrEqual(low)
    expect(days).toBeLessThanOrEqual(high)
  })
})

describe('obstacles', () => {
  const place = (own: Partial<Place> = {}): Place => ({
    bed,
    segment: { kind: 'whole' },
    tools: ALL_TOOLS,
    livestock: [],
    plants: [findSpecies('cereal-rye')!],
    ...own,
  })
  const obstacle = (method: Parameters<typeof findMethod>[0], own: Partial<Place> = {}) => {
    const found = obstacleOf(findMethod(method)!, place(own))
    return found && obstacleText(found, 'metric')
  }
  test('a missing tool and a small tarp are named, with the fix', () => {
    expect(obstacle('chop', { tools: [] })).toMatch(/none is on your list of tools/)
    expect(obstacle('tarp', { tools: [tool('black tarp', 2, 6)] })).toMatch(
      /No tarp of yours covers 1.2\sm × 10\sm; the largest is 2\sm × 6\sm. End a part/,
    )
    expect(
      obstacle('tarp', { segment: { kind: 'half', which: 'first' }, tools: [tool('black tarp', 2, 6)] }),
    ).toBeNull()
    expect(obstacle('crimp')).toBeNull()
    expect(findMethod('harvest')).toBeNull()
  })
  test('kept plants, posts and drip lines forbid what would harm them', () => {
    const kept = (kind: 'kept plant' | 'post' | 'drip line') => ({
      bed: { ...bed, fixtures: [{ id: 'f', kind, label: 'x', areaM2: 1, place: null }] },
      tools: [...ALL_TOOLS, tool('burner'), tool('spade or fork')],
      livestock: [{ id: 'h', kind: 'hens' as const, head: 4, penLengthM: 2, penWidthM: 1 }],
    })
    expect(obstacle('tarp', kept('kept plant'))).toMatch(/Kept plants/)
    expect(obstacle('hens', kept('kept plant'))).toMatch(/eat them/)
    expect(obstacle('crimp', kept('post'))).toMatch(/Posts/)
    expect(obstacle('crimp', kept('kept plant'))).toMatch(/flatten them/)
    expect(obstacle('crimp-flame', kept('drip line'))).toMatch(/burnt/)
    expect(obstacle('turn', kept('drip line'))).toMatch(/Drip lines/)
  })
  test('what has its place forbids it on the parts it stands in alone; what has none, on all', () => {
    const at = (place: Rectangle | null, segment: Segment) => ({
      bed: { ...bed, fixtures: [{ id: 'f', kind: 'kept plant' as const, label: 'x', areaM2: 0.2, place }] },
      segment,
    })
    const corner = { fromM: 0, toM: 1, fromAcrossM: 0, toAcrossM: 0.5 }
    const [first, second] = (['first', 'second'] as const).map((which): Segment => ({ kind: 'half', which }))
    const beside: Segment = { kind: 'rectangle', fromM: 0, toM: 5, fromAcrossM: 0.5, toAcrossM: 1.2 }
    expect(obstacle('tarp', at(corner, first))).toMatch(/Part the bed beside them/)
    expect(obstacle('tarp', at(corner, second))).toBeNull()
    expect(obstacle('tarp', at(corner, beside))).toBeNull()
    expect(obstacle('tarp', at(null, second))).toMatch(/Kept plants/)
  })
  test('hens need a pen with a size; planters and pigs do not go together; poison refuses', () => {
    const hens = { id: 'h', kind: 'hens' as const, head: 4, penLengthM: null, penWidthM: null }
    expect(obstacle('hens')).toMatch(/Needs hens/)
    expect(obstacle('hens', { livestock: [hens] })).toMatch(/no size yet. Measure it/)
    const pigs = { id: 'p', kind: 'pigs' as const, head: 2, penLengthM: null, penWidthM: null }
    expect(obstacle('pigs', { livestock: [pigs], bed: { ...bed, kind: 'planter' } })).toMatch(
      /no place for animals/,
    )
    expect(obstacle('pigs', { livestock: [pigs], bed: { ...bed, kind: 'framed' } })).toMatch(/lift the frame/)
  })
  test('hens are not offered a pen larger than the frame; a smaller one of two is taken', () => {
    const framed = { bed: { ...bed, kind: 'framed' as const } }
    const pen = (id: string, penLengthM: number, penWidthM: number) => ({
      id,
      kind: 'hens' as const,
      head: 4,
      penLengthM,
      penWidthM,
    })
    const large = pen('large', 2.4, 1.5)
    const small = pen('small', 1.2, 1.8)
    expect(obstacle('hens', { ...framed, livestock: [large] })).toMatch(/pen is larger than this frame/)
    expect(obstacle('hens', { livestock: [large] })).toBeNull()
    expect(obstacle('hens', { ...framed, livestock: [small] })).toBeNull()
    expect(obstacle('hens', { ...framed, livestock: [large, small] })).toBeNull()
    expect(stockFor(findMethod('hens')!, [large, small], { ...framed, segment: { kind: 'whole' } })?.id).toBe(
      'small',
    )
    const half = { kind: 'strip' as const, fromM: 0, toM: 1 }
    expect(obstacle('hens', { ...framed, segment: half, livestock: [small] })).toMatch(
      /larger than this frame/,
    )
  })
  test('what poisons an animal is refused by name, and ends at a vet', () => {
    const stock = (kind: 'pigs' | 'hens') => [{ id: kind, kind, head: 3, penLengthM: 2, penWidthM: 1.2 }]
    const avoided = SPECIES.flatMap((plant) =>
      plant.harms
        .filter(({ level, fromBbch }) => level === 'avoid' && fromBbch === undefined)
        .map(({ who }) => ({ plant, who })),
    )
    expect(avoided.length).toBeGreaterThan(0)
    for (const { plant, who } of avoided) {
      if (who !== 'pigs' && who !== 'poultry') continue
      const way = who === 'pigs' ? 'pigs' : 'hens'
      const said = obstacle(way, { plants: [plant], livestock: stock(way) })
      expect(said).toContain(`${plant.name} is not for ${way}`)
      expect(said).toMatch(/Ask a vet\.$/)
    }
  })
  test('stalks are not buried, a strip is not cut in strips, two sheets may cover together what none does alone', () => {
    const tools = [...ALL_TOOLS, tool('wheelbarrow')]
    expect(obstacle('bury', { tools, plants: [findSpecies('sunflower')!] })).toMatch(/Stalks do not rot/)
    const strip = { kind: 'strip' as const, fromM: 0, toM: 4 }
    expect(obstacle('strips', { segment: strip })).toMatch(/strip already/)
    const short = tool('black tarp', 2, 6)
    expect(obstacle('tarp', { tools: [short, { ...short }] })).toBeNull()
    expect(obstacle('tarp', { tools: [short, tool('black tarp', 2, 4)] })).toMatch(/No tarp of yours covers/)
  })
  test('biofumigation wants a mustard, path soil a path, flame no fire ban', () => {
    const tools = [...ALL_TOOLS, tool('spade or fork'), tool('burner')]
    expect(obstacle('biofumigate', { tools })).toMatch(/Only mustards/)
    expect(obstacle('biofumigate', { tools, plants: [findSpecies('brown-mustard')!] })).toBeNull()
    expect(obstacle('soil-tarp', { tools, bed: { ...bed, pathWidthM: 0 } })).toMatch(/no path/)
    expect(obstacle('soil-tarp', { tools, bed: { ...bed, kind: 'framed' } })).toMatch(
      /^A frame stands between/,
    )
    expect(obstacle('crimp-flame', { tools })).toBeNull()
    expect(obstacle('crimp-flame', { tools, rules: { ...USUAL_RULES, fireBan: true } })).toMatch(/fire ban/)
  })
  test('cold and heat are only waited for where they come and kill', () => {
    const ahead = { cold: 0, heat: 0, ripe: 0 }
    expect(obstacleOf(findMethod('winter-kill')!, place({ plants: [findSpecies('oats')!] }), ahead)).toEqual({
      code: 'no frost ahead',
    })
    expect(obstacle('winter-kill')).toMatch(/hardy/)
    expect(obstacle('summer-kill', { plants: [findSpecies('buckwheat')!] })).toMatch(/likes heat/)
  })
})

describe('comparison for rye that is to be dead by 23 June', () => {
  const grown = growStand(TEST_SITES.pennsylvania, 'cereal-rye', '2025-09-25', { members: 40 })
  const from = dayNumber('2026-04-20')
  const by = dayNumber('2026-06-23')
  const options = waysFor(grown, { from, by, tools: ALL_TOOLS, bed })
  test('crimping is hopeless before heading and safe after pollen', () => {
    const crimp = wayOf(options, 'crimp')
    expect(
      crimp.starts.filter(({ day }) => day < dayNumber('2026-05-03')).every(({ chance }) => chance < 0.05),
    ).toBe(true)
    expect(crimp.latestSafeDay).toBeGreaterThan(dayNumber('2026-05-20'))
    expect(crimp.latestSafeDay).toBeLessThan(by - 3)
  })
  test('a tarp works from the first day on; winter-kill does not end hardy rye', () => {
    expect(wayOf(options, 'tarp').starts[0].chance).toBeGreaterThan(0.9)
    expect(wayOf(options, 'winter-kill').obstacle).toEqual({ code: 'hardy' })
  })
  test('two chops leave fewer than one, and take longer', () => {
    const on = (passes: number) => wayOf(options, 'chop', passes).starts.at(-6)!
    expect(on(2).survivors.p50).toBeLessThan(on(1).survivors.p50)
    expect(on(2).dead!.p50).toBeGreaterThan(on(1).dead!.p50)
  })
  test('an earlier day never raises a chance', () => {
    const earlier = waysFor(grown, {
      from,
      by: by - 14,
      tools: ALL_TOOLS,
      bed,
      ask: { startDay: by - 40 },
    })
    const later = waysFor(grown, {
      from,
      by,
      tools: ALL_TOOLS,
      bed,
      ask: { startDay: by - 40 },
    })
    earlier.forEach(({ starts }, i) => {
      const at = (list: typeof starts) => list.find(({ day }) => day === by - 40)?.chance ?? 0
      expect(at(starts)).toBeLessThanOrEqual(at(later[i].starts) + 1e-9)
    })
  })
  test('what is safe reaches the wanted chance; a start asked for is answered on its very day', () => {
    for (const { latestSafeDay, starts } of options)
      if (latestSafeDay !== null)
        expect(starts.find(({ day }) => day === latestSafeDay)!.chance).toBeGreaterThanOrEqual(SAFE_CHANCE)
    const asked = dayNumber('2026-05-28')
    for (const { shown, obstacle, method } of waysFor(grown, {
      from,
      by,
      tools: ALL_TOOLS,
      bed,
      ask: { startDay: asked },
    }))
      if (!obstacle && !findMethod(method)!.waits) expect(shown!.day).toBe(asked)
  })
})

test('winter-kill ends oats before spring', () => {
  const { run, ensemble } = growStand(TEST_SITES.pennsylvania, 'oats', '2025-08-20', {
    members: 30,
    days: 240,
  })
  const days = Array.from(
    { length: 30 },
    (_, m) =>
      endingOf('winter-kill', run, ensemble, m, run.startDay, {
        passes: 1,
        under: 'flat',
        target: DEAD_SHARE.transplant,
      }).deadDay,
  )
  const spread = quantilesOf(days)!
  expect(spread.p50).toBeGreaterThan(dayNumber('2025-11-01'))
  expect(spread.p50).toBeLessThan(dayNumber('2026-03-01'))
})
