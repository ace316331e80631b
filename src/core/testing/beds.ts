import type { AnimalPlan } from '../garden/ending'
import type { Bed, Stand, StartDetails } from '../garden/schema'
import { FRESH_BED, FRESH_STAND } from '../garden/fresh'
import type { Tool } from '../garden/tool'
import type { StandCase } from '../season/cases'

/** A plain bed of 10 × 1.2 m for tests. */
export const testBed: Bed = {
  id: 'b',
  gardenId: 'g',
  sectionId: 's',
  label: 'A1',
  walkOrder: 0,
  kind: 'in-ground',
  lengthM: 10,
  widthM: 1.2,
  pathWidthM: 0.4,
  soil: 'loam',
  fertility: 'medium',
  ...FRESH_BED,
  shade: 0,
}

export const testTool = (
  kind: Tool['kind'],
  widthM: number | null = null,
  lengthM: number | null = null,
): Tool => ({
  id: kind,
  kind,
  widthM,
  lengthM,
})

/** A sowing of one species, raked in, for tests. */
export const testSowing = (
  date: string,
  speciesId: string,
  own: Partial<StartDetails> = {},
): StartDetails => ({
  date,
  covering: 'raked',
  keptMoistDays: 0,
  sownBetween: null,
  passes: 2,
  components: [{ speciesId, share: 1, germination: 0.9, grams: null }],
  note: '',
  ...own,
})

/** A straight cover sown in the test bed, growing, with no end planned. */
export function testCover(speciesId: string, sownOn: string, own: Partial<Stand> = {}): Stand {
  const start = testSowing(sownOn, speciesId)
  return {
    id: speciesId,
    gardenId: 'g',
    bedId: testBed.id,
    segment: { kind: 'whole' },
    ...FRESH_STAND,
    content: { kind: 'cover', components: start.components, purposes: [] },
    start: { plan: null, actual: start },
    end: { plan: null, actual: null },
    ...own,
  }
}

/** A stand in the test bed as forecasts and plans are computed from, with something owned to flatten it. */
export const testCase = (stand: Stand, own: Partial<StandCase> = {}): StandCase => ({
  bed: testBed,
  stand,
  upper: null,
  checks: [],
  nextStartDay: null,
  flattens: true,
  ...own,
})

/** Four hens in a pen of 2 × 1.2 m, two days a stop, two rounds with a week between. */
export const testHens = (own: Partial<AnimalPlan> = {}): AnimalPlan => ({
  kind: 'hens',
  head: 4,
  penLengthM: 2,
  penWidthM: 1.2,
  daysPerStop: 2,
  rounds: 2,
  restDays: 7,
  ...own,
})
