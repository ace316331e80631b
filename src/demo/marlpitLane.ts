import { FRESH_CHECK, FRESH_GARDEN, USUAL_CLIMATE, FRESH_HOME } from '../core/garden/fresh'
import type { GardenData } from '../core/garden/schema'
import type { SeedLot, SeedPack } from '../core/garden/seed'
import { demoBeds, demoStands, type DemoBed } from './builder'

const ID = 'marlpit-lane'

const field = (label: string): DemoBed => ({ label, section: 'Long field', kind: 'in-ground', lengthM: 18, widthM: 0.8 })
const slope = (label: string): DemoBed => ({ label, section: 'Pear slope', kind: 'in-ground', lengthM: 15, widthM: 0.8, soil: 'clay loam' })
const yard = (label: string): DemoBed => ({ label, section: 'Yard', kind: 'framed', lengthM: 8, widthM: 1.2, fertility: 'high' })
const planter = (label: string): DemoBed => ({ label, section: 'Planters', kind: 'planter', lengthM: 2.4, widthM: 1.2, soil: 'sandy loam', fertility: 'high', pathWidthM: 0.6 })

const rows: DemoBed[] = [
  field('L1'), field('L2'), field('L3'), field('L4'), field('L5'),
  slope('P1'), slope('P2'), slope('P3'), slope('P4'),
  yard('Y1'), { ...yard('Y2'), fixtures: [{ id: 'rhubarb', kind: 'kept plant', label: 'Rhubarb', areaM2: 1.2, place: { fromM: 0, toM: 1, fromAcrossM: 0, toAcrossM: 1.2 } }] }, yard('Y3'),
  planter('T1'), planter('T2'),
]

const pack = (speciesId: string, label: string, grams: number, price: number): SeedPack => ({ id: `marlpit-lane-pack-${label}`, label, grams, price, available: null, contents: [{ speciesId, weightShare: 1 }] })

const lot = (speciesId: string, label: string, year: number, boughtGrams: number, leftGrams: number, labelGermination: number | null, test: [number, number] | null): SeedLot => ({
  id: `marlpit-lane-lot-${speciesId}`, gardenId: ID, label, year, boughtGrams, leftGrams, labelGermination, price: null, purity: 1, treated: false, inoculantExpires: null,
  contents: [{ speciesId, weightShare: 1 }],
  test: test && { date: '2026-02-14', seeds: test[0], sprouted: test[1] },
})

/** Marlpit Lane: a made-up 14-bed market garden, 47.2° N, inland, cold winters, on 20 April. */
export function marlpitLane(): GardenData & { lots: SeedLot[] } {
  const { beds, sections } = demoBeds(ID, rows)
  return {
    garden: {
      ...FRESH_GARDEN,
      id: ID,
      name: 'Marlpit Lane',
      site: {
        ...USUAL_CLIMATE,
        latitude: 47.2, elevationM: 320, coastal: false,
        tMaxC: [1, 4, 10, 15, 20, 23, 26, 25, 20, 14, 7, 2], tMinC: [-5, -4, 0, 4, 8, 12, 14, 13, 9, 5, 0, -4],
        rainMm: [45, 42, 52, 58, 82, 90, 88, 80, 62, 52, 55, 50], wetDays: [9, 8, 9, 10, 12, 12, 11, 10, 9, 8, 9, 10],
      },
      home: { ...FRESH_HOME, longitude: 8.4, seaKm: 260 },
      sections,
      tools: [
        { id: 'shears', kind: 'hand shears', widthM: null, lengthM: null },
        { id: 'scythe', kind: 'scythe', widthM: null, lengthM: null },
        { id: 'board', kind: 'crimp board', widthM: 0.85, lengthM: null },
        { id: 'tarp-long', kind: 'black tarp', widthM: 1.6, lengthM: 20 },
        { id: 'tarp-yard', kind: 'black tarp', widthM: 2, lengthM: 9 },
        { id: 'rake', kind: 'rake', widthM: 0.6, lengthM: null },
        { id: 'fork', kind: 'spade or fork', widthM: null, lengthM: null },
        { id: 'barrow', kind: 'wheelbarrow', widthM: null, lengthM: null },
      ],
      units: 'metric',
      animals: ['poultry'],
      livestock: [{ id: 'marlpit-lane-hens', kind: 'hens', head: 4, penLengthM: 2, penWidthM: 1.2 }],
      nitrogenSources: [
        { id: 'marlpit-lane-compost', name: 'Own compost', nitrogenPct: 1.1, carbonPct: 14, firstSeason: 0.14, kgPerM3: 640, manure: 'composted', sprayed: 'none' },
        { id: 'marlpit-lane-leaf', name: 'Leaf compost', nitrogenPct: null, carbonPct: null, firstSeason: null, kgPerM3: null },
      ],
      sowers: [
        { id: 'ada', name: 'Ada', gramsPerHandful: { medium: 34, small: 28 }, castWidthM: 1.6, paceM: 0.68 },
        { id: 'tom', name: 'Tom', gramsPerHandful: { medium: 47 }, castWidthM: 1.9, paceM: 0.78 },
      ],
      packs: [
        pack('buckwheat', 'Buckwheat, half kilo', 500, 3.2),
        pack('buckwheat', 'Buckwheat, five kilos', 5000, 19),
        pack('sorghum-sudangrass', 'Sorghum-sudangrass, kilo', 1000, 6.4),
        pack('phacelia', 'Phacelia, 100 g', 100, 2.4),
        pack('winter-pea', 'Winter pea, kilo', 1000, 3.9),
      ],
      currency: 'EUR',
      waitDays: { transplant: 0, seed: 10 },
      demo: { stationSeed: 4719, stationFrom: '2025-03-01', opensOn: '2026-04-20' },
    },
    beds,
    lots: [
      lot('cereal-rye', 'Cereal rye', 2025, 5000, 3200, 0.92, null),
      lot('crimson-clover', 'Crimson clover', 2024, 1000, 640, null, [50, 41]),
      lot('buckwheat', 'Buckwheat', 2025, 1000, 120, 0.9, null),
    ],
    stands: demoStands(ID, [
      { bed: 'L1', cover: { 'cereal-rye': 0.5, 'hairy-vetch': 0.7 }, sown: '!2025-09-10', grams: [125, 45], purposes: ['mass', 'feed'], end: ['2026-06-12', 'crimp'] },
      { bed: 'L1', crop: 'pumpkin', from: '2026-06-26', until: '2026-10-06' },
      { bed: 'L1', cover: { 'cereal-rye': 1 }, sown: '2026-10-08', purposes: ['hold'] },
      { bed: 'L2', cover: { 'hairy-vetch': 1 }, sown: '!2025-08-28', grams: [62], purposes: ['feed'], end: ['2026-06-08', 'chop'] },
      { bed: 'L2', crop: 'tomato', from: '2026-06-20', until: '2026-10-02' },
      { bed: 'L3', cover: { oats: 0.6, 'oilseed-radish': 0.5 }, sown: '!2025-08-18', grams: [145, 18], purposes: ['loosen', 'mulch'], end: ['!2026-02-12', 'winter-kill'] },
      { bed: 'L3', crop: 'onion', from: '!2026-04-08', until: '2026-08-08' },
      { bed: 'L3', cover: { buckwheat: 1 }, sown: '2026-08-11', purposes: ['quick'], end: ['2026-09-24', 'chop'] },
      { bed: 'L3', crop: 'garlic', from: '2026-10-12', until: '2027-07-10' },
      { bed: 'L4', cover: { 'cereal-rye': 1 }, sown: '!2025-09-30', grams: [250], purposes: ['mass', 'smother'], end: ['2026-05-06', 'tarp'] },
      { bed: 'L4', crop: 'leek', from: '2026-06-18', until: '2026-11-20' },
      { bed: 'L5', crop: 'kale', from: '!2025-07-20', until: '!2026-02-24', outcome: { date: '2026-02-24', yieldKg: 41, verdict: 'better', note: 'Dark leaves until frost.' } },
      { bed: 'L5', crop: 'pea-garden', from: '!2026-04-02', until: '2026-07-04' },
      { bed: 'L5', cover: { 'sorghum-sudangrass': 1 }, sown: '2026-07-08', purposes: ['mass'] },
      { bed: 'P1', cover: { triticale: 0.6, 'winter-pea': 0.5 }, sown: '!2025-09-18', grams: [150, 80], purposes: ['mass', 'feed'], end: ['2026-05-22', 'crimp'], note: 'Crimped before pollen on purpose, to show ourselves that it stands again.' },
      { bed: 'P1', crop: 'cabbage', from: '2026-07-01', until: '2026-10-20' },
      { bed: 'P2', cover: { 'red-clover': 1 }, sown: '!2025-07-18', grams: [19], purposes: ['feed', 'insects'], end: ['2026-06-22', 'tarp'] },
      { bed: 'P2', crop: 'broccoli', from: '2026-08-06', until: '2026-10-28' },
      { bed: 'P3', crop: 'leek', from: '!2025-06-05', until: '!2025-11-24' },
      { bed: 'P3', crop: 'cabbage', from: '2026-06-26', until: '2026-10-16' },
      { bed: 'P4', cover: { 'winter-rape': 1 }, sown: '!2025-08-22', grams: [13], purposes: ['hold', 'insects'], end: ['2026-05-16', 'turn'] },
      { bed: 'P4', crop: 'bean', from: '2026-06-24', until: '2026-08-24' },
      { bed: 'P4', cover: { 'cereal-rye': 0.6, 'crimson-clover': 0.6 }, sown: '2026-08-28', purposes: ['mass', 'feed'] },
      { bed: 'Y1', cover: { 'annual-ryegrass': 0.5, 'crimson-clover': 0.8 }, sown: '!2025-08-30', grams: [18, 18], purposes: ['hold', 'feed'], end: ['2026-05-14', 'tarp'] },
      { bed: 'Y1', crop: 'sweetcorn', from: '2026-07-01', until: '2026-09-26' },
      { bed: 'Y2', crop: 'carrot', from: '!2025-05-02', until: '!2025-10-28' },
      { bed: 'Y2', cover: { 'faba-bean': 1 }, sown: '!2026-03-18', grams: [200], purposes: ['feed'], end: ['2026-06-18', 'chop'] },
      { bed: 'Y2', crop: 'celery', from: '2026-07-01', until: '2026-10-08' },
      { bed: 'Y3', crop: 'lettuce', from: '!2026-04-06', until: '2026-05-28' },
      { bed: 'Y3', cover: { buckwheat: 0.7, phacelia: 0.5 }, sown: '2026-06-01', purposes: ['insects', 'quick'], end: ['2026-07-20', 'chop'] },
      { bed: 'Y3', crop: 'kale', from: '2026-08-03', until: '2027-02-20' },
      { bed: 'T1', crop: 'spinach', from: '!2026-03-24', until: '2026-05-24' },
      { bed: 'T1', crop: 'cucumber', from: '2026-06-02', until: '2026-09-14' },
      { bed: 'T1', cover: { 'cereal-rye': 0.6, 'winter-pea': 0.6 }, sown: '2026-09-16', purposes: ['mulch', 'feed'] },
      { bed: 'T2', cover: { 'field-pea': 0.6, oats: 0.5 }, sown: '!2026-03-22', grams: [32, 22], purposes: ['feed', 'mulch'], end: ['2026-06-24', 'chop'] },
      { bed: 'T2', crop: 'courgette', from: '2026-07-06', until: '2026-09-24' },
      { bed: 'L5', cover: { oats: 0.6, 'field-pea': 0.5 }, sown: '!2025-05-04', grams: [140, 95], purposes: ['feed'], end: ['!2025-07-09', 'chop'], recorded: { bbch: 65, by: 'Tom', minutes: 25 }, counts: [['2025-07-17', 4, 60], ['2025-07-31', 6, 60]] },
      { bed: 'L4', cover: { 'hairy-vetch': 1 }, sown: '!2025-05-08', grams: [60], purposes: ['feed'], end: ['!2025-08-05', 'chop'], recorded: { bbch: 66, by: 'Ada', minutes: 30 }, counts: [['2025-08-13', 2, 38], ['2025-08-26', 5, 38]] },
      { bed: 'L4', crop: 'spinach', from: '!2025-08-18', until: '!2025-09-28', outcome: { date: '2025-09-28', yieldKg: 19, verdict: 'as usual', note: 'A few vetch plants pulled at the first hoeing.' } },
    ]),
    checks: [
      { ...FRESH_CHECK, id: 'marlpit-lane-check-1', gardenId: ID, standId: 'marlpit-lane-stand-01', date: '2026-04-06', stageBbch: 31, stageOf: 'cereal-rye', cover: 0.85, heightCm: 35, note: 'Rye tall, vetch climbing into it.' },
      { ...FRESH_CHECK, id: 'marlpit-lane-check-2', gardenId: ID, standId: 'marlpit-lane-stand-10', date: '2026-04-13', stageBbch: 31, cover: 0.8, heightCm: 30, note: '' },
    ],
  }
}
