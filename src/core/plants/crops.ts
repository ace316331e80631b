import type { Crop } from './cropSchema'

export type { Crop } from './cropSchema'

type Row = [
  id: string, name: string, shortName: string, est: 't' | 's' | 'S', nitrogenG: number, soilMinC: number, frostLimitC: number, daysToHarvest: number, daysInBed: number,
  rowCm: number, plantCm: number, touches: 0 | 1 | 'staked', lastWeedingDays: number | null, shade: number, light: string, heightM: number, host: 0 | 1,
]

/** Established by transplants (t), by seed (s), or by small seed (S); light returns by harvest (h), thinning (t) or frost (f). */
const families: Record<string, Row[]> = {
  Solanaceae: [
    ['tomato', 'Tomato', 'tomato', 't', 18, 13, 1, 70, 130, 90, 50, 'staked', 45, 0.6, 'f20', 1.6, 1],
    ['pepper', 'Pepper', 'pepper', 't', 15, 15, 2, 75, 130, 60, 45, 'staked', 45, 0.5, 'f15', 0.7, 1],
    ['aubergine', 'Aubergine', 'aubergine', 't', 16, 16, 2, 75, 125, 75, 50, 'staked', 45, 0.55, 'f15', 0.8, 1],
    ['potato', 'Potato', 'potato', 't', 16, 8, -1, 85, 110, 75, 30, 1, null, 0.7, 'h21', 0.6, 1],
    ['tomatillo', 'Tomatillo', 'tomatillo', 't', 14, 14, 1, 75, 120, 90, 70, 1, 40, 0.6, 'f20', 1.1, 1],
  ],
  Cucurbitaceae: [
    ['squash', 'Squash', 'squash', 't', 14, 15, 1, 90, 110, 150, 90, 1, 28, 0.7, 'f20', 0.5, 1],
    ['pumpkin', 'Pumpkin', 'pumpkin', 't', 14, 15, 1, 100, 120, 180, 100, 1, 28, 0.7, 'f20', 0.5, 1],
    ['cucumber', 'Cucumber', 'cucumber', 't', 15, 16, 2, 50, 90, 120, 40, 1, 28, 0.5, 'h14', 0.5, 1],
    ['courgette', 'Courgette', 'courgette', 't', 15, 15, 1, 45, 95, 120, 70, 1, 30, 0.6, 'f14', 0.7, 1],
    ['melon', 'Melon', 'melon', 't', 12, 17, 3, 80, 105, 150, 60, 1, 28, 0.55, 'h10', 0.4, 1],
  ],
  Brassicaceae: [
    ['cabbage', 'Cabbage', 'cabbage', 't', 25, 7, -4, 80, 110, 60, 45, 1, 40, 0.6, 'h0', 0.45, 1],
    ['broccoli', 'Broccoli', 'broccoli', 't', 24, 7, -3, 65, 85, 60, 45, 1, 35, 0.6, 'h7', 0.6, 1],
    ['cauliflower', 'Cauliflower', 'cauliflow', 't', 25, 8, -2, 75, 90, 60, 50, 1, 35, 0.6, 'h0', 0.55, 1],
    ['kale', 'Kale', 'kale', 't', 18, 6, -8, 55, 150, 60, 45, 1, 40, 0.5, 't40', 0.8, 1],
    ['brussels-sprouts', 'Brussels sprouts', 'sprouts', 't', 26, 7, -8, 120, 180, 75, 60, 1, 50, 0.55, 't45', 0.9, 1],
    ['kohlrabi', 'Kohlrabi', 'kohlrabi', 't', 15, 7, -3, 50, 60, 30, 25, 1, null, 0.5, 'h0', 0.35, 1],
    ['radish-salad', 'Salad radish', 'radish', 'S', 5, 6, -3, 28, 32, 12, 3, 1, null, 0.4, 'h0', 0.2, 0],
    ['turnip-table', 'Table turnip', 'turnip', 'S', 10, 6, -4, 50, 65, 25, 8, 1, null, 0.5, 'h0', 0.4, 1],
    ['cress', 'Garden cress', 'cress', 'S', 3, 5, -2, 21, 25, 8, 1, 1, null, 0.4, 'h0', 0.15, 1],
    ['turnip-greens', 'Turnip greens', 'greens', 'S', 6, 6, -4, 30, 38, 20, 4, 1, null, 0.4, 'h0', 0.3, 1],
    ['salad-rocket', 'Rocket', 'rocket', 'S', 8, 5, -5, 30, 45, 15, 3, 1, null, 0.4, 'h0', 0.25, 0],
    ['pak-choi', 'Pak choi', 'pak choi', 't', 13, 8, -2, 40, 50, 30, 25, 1, null, 0.5, 'h0', 0.35, 1],
  ],
  Amaryllidaceae: [
    ['leek', 'Leek', 'leek', 't', 18, 7, -10, 110, 150, 40, 12, 1, 70, 0.3, 'h10', 0.6, 0],
    ['onion', 'Onion', 'onion', 't', 13, 6, -4, 95, 120, 30, 10, 1, 80, 0.3, 'h21', 0.5, 0],
    ['garlic', 'Garlic', 'garlic', 't', 13, 3, -18, 240, 270, 25, 12, 1, 200, 0.3, 'h28', 0.6, 0],
    ['shallot', 'Shallot', 'shallot', 't', 11, 4, -8, 95, 115, 30, 15, 1, 70, 0.25, 'h21', 0.4, 0],
    ['chives', 'Chives', 'chives', 't', 9, 6, -20, 80, 1100, 25, 20, 1, 50, 0.35, 't60', 0.3, 0],
    ['spring-onion', 'Spring onion', 'sp. onion', 'S', 9, 6, -6, 60, 75, 15, 2, 1, null, 0.3, 'h0', 0.4, 0],
  ],
  Asteraceae: [
    ['baby-leaf', 'Baby leaf salad', 'baby leaf', 'S', 5, 5, -3, 28, 35, 12, 2, 1, null, 0.4, 'h0', 0.15, 1],
    ['lettuce', 'Lettuce', 'lettuce', 't', 9, 6, -3, 40, 50, 30, 25, 1, null, 0.5, 'h0', 0.25, 1],
    ['endive', 'Endive', 'endive', 't', 10, 7, -5, 60, 75, 35, 30, 1, null, 0.5, 'h0', 0.3, 1],
    ['radicchio', 'Radicchio', 'radicchio', 't', 10, 7, -6, 70, 90, 35, 30, 1, null, 0.5, 'h0', 0.3, 1],
    ['sunflower-crop', 'Sunflower', 'sunflower', 's', 11, 8, -2, 100, 115, 70, 25, 0, 30, 0.55, 'h20', 1.8, 1],
    ['zinnia', 'Zinnia', 'zinnia', 't', 8, 15, 2, 60, 120, 30, 25, 0, 30, 0.5, 'f10', 0.8, 0],
    ['cosmos', 'Cosmos', 'cosmos', 't', 7, 12, 1, 65, 120, 40, 30, 0, 30, 0.45, 'f10', 1.1, 0],
    ['calendula', 'Calendula', 'calendula', 'S', 8, 6, -4, 55, 100, 30, 25, 0, 30, 0.45, 't20', 0.4, 1],
    ['cornflower', 'Cornflower', 'cornflow.', 'S', 7, 6, -8, 70, 110, 30, 15, 0, 30, 0.4, 'h14', 0.8, 0],
    ['dahlia', 'Dahlia', 'dahlia', 't', 12, 12, 1, 85, 140, 60, 45, 0, 40, 0.6, 'f10', 1.1, 1],
    ['china-aster', 'China aster', 'aster', 't', 9, 10, -1, 90, 120, 30, 25, 0, 35, 0.45, 'f10', 0.6, 1],
    ['coneflower', 'Coneflower', 'coneflow.', 't', 6, 8, -20, 365, 1500, 45, 40, 0, 50, 0.45, 't60', 0.9, 0],
    ['artichoke', 'Globe artichoke', 'artichoke', 't', 20, 9, -4, 110, 730, 120, 90, 0, 60, 0.5, 't60', 1.4, 0],
  ],
  Apiaceae: [
    ['celery', 'Celery', 'celery', 't', 20, 10, -1, 90, 110, 40, 25, 1, null, 0.5, 'h0', 0.5, 1],
    ['celeriac', 'Celeriac', 'celeriac', 't', 18, 9, -3, 120, 150, 45, 35, 1, 60, 0.5, 'h10', 0.5, 1],
    ['carrot', 'Carrot', 'carrot', 'S', 11, 7, -4, 75, 110, 25, 3, 1, 60, 0.4, 'h0', 0.35, 1],
    ['parsnip', 'Parsnip', 'parsnip', 'S', 12, 7, -10, 130, 180, 35, 8, 1, 70, 0.5, 't40', 0.6, 1],
    ['fennel', 'Florence fennel', 'fennel', 't', 13, 9, -3, 70, 85, 35, 25, 1, null, 0.4, 'h0', 0.6, 1],
    ['parsley', 'Parsley', 'parsley', 'S', 11, 8, -6, 75, 150, 25, 8, 1, 60, 0.4, 't30', 0.35, 1],
  ],
  Amaranthaceae: [
    ['beet', 'Beetroot', 'beet', 's', 16, 8, -3, 65, 90, 30, 8, 1, 45, 0.5, 'h0', 0.4, 1],
    ['chard', 'Chard', 'chard', 's', 15, 8, -4, 55, 140, 40, 25, 1, 40, 0.5, 't30', 0.5, 1],
    ['spinach', 'Spinach', 'spinach', 's', 12, 5, -6, 40, 55, 25, 6, 1, null, 0.5, 'h0', 0.3, 1],
  ],
  Fabaceae: [
    ['bean', 'Bean', 'bean', 's', 8, 12, 1, 55, 75, 45, 8, 1, 30, 0.55, 'h7', 0.5, 1],
    ['pole-bean', 'Pole bean', 'pole bean', 's', 10, 12, 1, 65, 110, 100, 15, 0, 35, 0.5, 'f14', 2.2, 1],
    ['pea-garden', 'Garden pea', 'peas', 's', 6, 6, -4, 65, 85, 50, 5, 'staked', null, 0.5, 'h7', 1.2, 1],
    ['dry-bean', 'Dry bean', 'dry bean', 's', 9, 12, 1, 95, 100, 60, 8, 1, 30, 0.55, 'h14', 0.5, 1],
    ['sweet-pea', 'Sweet pea', 'sweet pea', 't', 8, 6, -5, 75, 120, 120, 15, 0, 40, 0.45, 'h14', 1.8, 1],
    ['broad-bean', 'Broad bean', 'br. bean', 's', 8, 4, -7, 90, 115, 60, 15, 0, 50, 0.5, 'h14', 1.1, 1],
  ],
  Poaceae: [
    ['sweetcorn', 'Sweet corn', 'corn', 's', 18, 12, 0, 80, 95, 75, 22, 0, 30, 0.6, 'h14', 2, 1],
    ['field-corn', 'Field corn', 'fld corn', 's', 20, 10, 0, 125, 150, 75, 18, 0, 35, 0.8, 'h14', 2.4, 1],
    ['winter-wheat-grain', 'Winter wheat for grain', 'wheat', 's', 16, 4, -20, 285, 290, 15, 3, 0, 150, 0.7, 'h21', 0.9, 1],
    ['winter-rye-grain', 'Winter rye for grain', 'rye grain', 's', 13, 3, -26, 285, 290, 15, 3, 0, 150, 0.75, 'h21', 1.5, 1],
    ['winter-barley-grain', 'Winter barley for grain', 'w. barley', 's', 14, 4, -14, 265, 270, 15, 3, 0, 145, 0.7, 'h21', 0.85, 1],
    ['spring-wheat-grain', 'Spring wheat for grain', 's. wheat', 's', 14, 4, -8, 110, 115, 15, 3, 0, 30, 0.65, 'h21', 0.85, 1],
    ['oats-grain', 'Oats for grain', 'oats', 's', 11, 4, -6, 100, 105, 15, 4, 0, 30, 0.65, 'h21', 1, 1],
    ['barley-grain', 'Spring barley for grain', 'barley', 's', 11, 4, -6, 95, 100, 15, 3, 0, 28, 0.65, 'h21', 0.8, 1],
  ],
  Convolvulaceae: [['sweet-potato', 'Sweet potato', 'sw.potato', 't', 12, 18, 3, 110, 130, 90, 35, 1, 30, 0.75, 'h0', 0.4, 1]],
  Malvaceae: [['okra', 'Okra', 'okra', 's', 12, 17, 3, 55, 110, 80, 40, 0, 35, 0.5, 'f14', 1.6, 1]],
  Lamiaceae: [
    ['basil', 'Basil', 'basil', 't', 10, 14, 3, 40, 100, 35, 25, 1, null, 0.5, 'f0', 0.5, 1],
    ['lavender', 'Lavender', 'lavender', 't', 5, 8, -14, 365, 2500, 90, 45, 0, 60, 0.4, 't60', 0.6, 0],
    ['thyme', 'Thyme', 'thyme', 't', 5, 7, -15, 90, 1100, 30, 25, 1, 50, 0.4, 't60', 0.25, 0],
    ['sage', 'Sage', 'sage', 't', 6, 8, -12, 90, 1400, 50, 45, 0, 50, 0.5, 't60', 0.6, 0],
    ['mint', 'Mint', 'mint', 't', 10, 7, -20, 80, 1100, 40, 30, 1, 45, 0.6, 't60', 0.5, 0],
  ],
  Plantaginaceae: [['snapdragon', 'Snapdragon', 'snapdrag.', 't', 8, 8, -4, 80, 130, 25, 20, 0, 35, 0.4, 'f14', 0.7, 1]],
  Plumbaginaceae: [['statice', 'Statice', 'statice', 't', 8, 10, -2, 90, 130, 30, 30, 0, 35, 0.4, 'f14', 0.6, 0]],
  Ranunculaceae: [
    ['larkspur', 'Larkspur', 'larkspur', 'S', 8, 5, -10, 95, 120, 30, 15, 0, 35, 0.4, 'h14', 1, 0],
    ['nigella', 'Love-in-a-mist', 'nigella', 'S', 6, 6, -8, 75, 95, 25, 12, 0, 30, 0.35, 'h7', 0.5, 0],
  ],
  Caryophyllaceae: [['sweet-william', 'Sweet William', 'sw. will.', 't', 8, 6, -18, 240, 270, 30, 25, 0, 60, 0.4, 'h14', 0.5, 0]],
  Iridaceae: [['gladiolus', 'Gladiolus', 'gladiolus', 't', 8, 9, 0, 85, 110, 30, 12, 0, 35, 0.35, 'h14', 1, 1]],
  Polygonaceae: [['rhubarb', 'Rhubarb', 'rhubarb', 't', 14, 6, -22, 365, 2500, 100, 90, 1, 60, 0.7, 't60', 0.7, 0]],
  Rosaceae: [
    ['strawberry', 'Strawberry', 'strawb.', 't', 12, 7, -12, 300, 1100, 75, 30, 1, 60, 0.5, 't60', 0.3, 1],
    ['raspberry', 'Raspberry', 'raspberry', 't', 10, 5, -20, 400, 3600, 200, 45, 0, 60, 0.5, 't60', 1.6, 0],
  ],
  Grossulariaceae: [
    ['currant', 'Currant', 'currant', 't', 10, 5, -22, 700, 3600, 180, 120, 0, 60, 0.5, 't60', 1.4, 0],
    ['gooseberry', 'Gooseberry', 'gooseb.', 't', 10, 5, -22, 700, 3600, 150, 120, 0, 60, 0.5, 't60', 1.2, 0],
  ],
  Ericaceae: [['blueberry', 'Blueberry', 'blueberry', 't', 6, 5, -22, 700, 3600, 180, 120, 0, 60, 0.4, 't60', 1.5, 0]],
  Asparagaceae: [['asparagus', 'Asparagus', 'asparagus', 't', 14, 8, -20, 700, 3600, 120, 40, 1, 80, 0.5, 't30', 1.5, 0]],
}

const LIGHT = { h: 'harvest', t: 'thinning', f: 'frost' } as const

/** Families whose seed is small when it is sown in place, and their exceptions. */
const SMALL_SEEDED = new Set(['Solanaceae', 'Brassicaceae', 'Amaryllidaceae', 'Asteraceae', 'Apiaceae', 'Lamiaceae'])
const LARGE_SEEDED = new Set(['potato', 'garlic', 'shallot', 'artichoke'])

/** Quick crops are weeded for the last time, and a cover thrown under them, about so many days before their harvest (judgement, 5–14). */
const QUICK_BEFORE_HARVEST_DAYS = 10
/** Digging them buries what was sown under them. */
const DUG = new Set(['potato'])

/** Sown or planted in autumn: they stay small until spring. */
const OVERWINTERING = new Set(['garlic', 'winter-wheat-grain', 'winter-rye-grain', 'winter-barley-grain', 'sweet-william'])
/** Whether a crop is a small grain kept to be threshed. */
export const isGrain = (cropId: string): boolean => cropId.endsWith('-grain')
/** Fields of grain are not watered, nor are shrubs and herbs of dry places. */
const RAINFED = new Set(['lavender', 'thyme', 'sage', 'dry-bean', 'sunflower-crop'])

/** Cash crops, as data. */
export const CROPS: readonly Crop[] = Object.entries(families).flatMap(([family, rows]) =>
  rows.map(([id, name, shortName, est, nitrogenG, soilMinC, frostLimitC, daysToHarvest, daysInBed, rowCm, plantCm, touches, lastWeedingDays, shade, light, heightM, host]) => ({
    id, name, shortName, family, nitrogenG, soilMinC, frostLimitC, daysToHarvest, daysInBed, rowCm, plantCm, shade, heightM,
    lastWeedingDays: lastWeedingDays ?? (DUG.has(id) ? null : Math.max(10, daysToHarvest - QUICK_BEFORE_HARVEST_DAYS)),
    establishment: est === 't' ? 'transplant' as const : 'seed' as const,
    smallSeed: est === 'S' || (SMALL_SEEDED.has(family) && !LARGE_SEEDED.has(id)),
    touchesSoil: touches !== 0,
    clearWhenStaked: touches === 'staked',
    lightReturns: { by: LIGHT[light[0] as keyof typeof LIGHT], daysBeforeClearing: Number(light.slice(1)) },
    rootKnotHost: host === 1,
    overwinters: OVERWINTERING.has(id),
    watered: !isGrain(id) && id !== 'field-corn' && !RAINFED.has(id),
  })),
)

const byId = new Map(CROPS.map((entry) => [entry.id, entry]))

export function findCrop(cropId: string): Crop | null {
  return byId.get(cropId) ?? null
}
