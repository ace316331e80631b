import { FRESH_GARDEN, USUAL_CLIMATE, FRESH_HOME } from '../core/garden/fresh'
import type { GardenData } from '../core/garden/schema'
import { demoBeds, demoStands, type DemoBed } from './builder'

const ID = 'harrier-point'

const home = (label: string, section: string, extra: Partial<DemoBed> = {}): DemoBed => ({ label, section, kind: 'framed', lengthM: 3, widthM: 1.2, pathWidthM: 0.5, ...extra })

const rows: DemoBed[] = [
  home('Top', 'Upper terrace'),
  home('Fig', 'Upper terrace', { shade: 0.2 }),
  home('Shed', 'Upper terrace', { lengthM: 4 }),
  home('Gate', 'Lower terrace', { kind: 'in-ground', lengthM: 5, widthM: 1 }),
  home('Rain', 'Lower terrace', { kind: 'in-ground', lengthM: 5, widthM: 1 }),
  home('Tub', 'Lower terrace', { kind: 'planter', lengthM: 1.6, widthM: 0.9, soil: 'sandy loam' }),
]

/** Harrier Point: six made-up home beds at 41.3° S, mild and windy, on 28 September. */
export function harrierPoint(): GardenData {
  const { beds, sections } = demoBeds(ID, rows)
  return {
    garden: {
      ...FRESH_GARDEN,
      id: ID,
      name: 'Harrier Point',
      site: {
        ...USUAL_CLIMATE,
        latitude: -41.3, elevationM: 60, coastal: true,
        tMaxC: [20, 21, 19, 17, 14, 12, 11, 12, 13, 15, 17, 19], tMinC: [13, 14, 12, 11, 9, 7, 6, 6, 7, 9, 10, 12],
        rainMm: [75, 75, 85, 100, 115, 140, 135, 125, 100, 110, 95, 85], wetDays: [7, 7, 8, 9, 11, 13, 13, 12, 11, 11, 9, 9],
      },
      home: { ...FRESH_HOME, longitude: 174.9, seaKm: 6 },
      sections,
      tools: [
        { id: 'shears', kind: 'hand shears', widthM: null, lengthM: null },
        { id: 'board', kind: 'crimp board', widthM: 0.6, lengthM: null },
        { id: 'tarp', kind: 'black tarp', widthM: 2, lengthM: 5.5 },
      ],
      units: 'metric',
      currency: 'NZD',
      waitDays: { transplant: 0, seed: 10 },
      demo: { stationSeed: 4113, stationFrom: '2025-08-01', opensOn: '2026-09-28' },
    },
    beds,
    stands: demoStands(ID, [
      { bed: 'Top', cover: { 'cereal-rye': 0.5, 'hairy-vetch': 0.6 }, sown: '!2026-04-12', grams: [31, 11], purposes: ['mass', 'feed'], end: ['2026-11-14', 'crimp'] },
      { bed: 'Top', crop: 'tomato', from: '2026-12-02', until: '2027-03-28' },
      { bed: 'Fig', crop: 'leek', from: '!2026-02-06', until: '!2026-09-05' },
      { bed: 'Fig', crop: 'bean', from: '2026-12-12', until: '2027-02-26' },
      { bed: 'Shed', cover: { 'faba-bean': 1 }, sown: '!2026-05-20', grams: [120], purposes: ['feed'], end: ['2026-10-15', 'chop'], recorded: { passes: 2 } },
      { bed: 'Shed', crop: 'sweetcorn', from: '2026-11-20', until: '2027-02-18' },
      { bed: 'Gate', crop: 'garlic', from: '!2026-05-08', until: '2026-12-20' },
      { bed: 'Gate', cover: { buckwheat: 1 }, sown: '2026-12-23', purposes: ['quick', 'insects'], end: ['2027-02-03', 'chop'] },
      { bed: 'Rain', cover: { 'crimson-clover': 1 }, sown: '!2026-03-30', grams: [14], purposes: ['feed', 'insects'], end: ['2026-11-01', 'chop'] },
      { bed: 'Rain', crop: 'courgette', from: '2026-12-02', until: '2027-03-14' },
      { bed: 'Tub', crop: 'lettuce', from: '!2026-09-01', until: '2026-11-02' },
      { bed: 'Tub', crop: 'pepper', from: '2026-11-20', until: '2027-03-30' },
    ]),
    checks: [],
  }
}
