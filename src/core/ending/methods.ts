import type { ToolKind } from '../garden/schema'
import type { EndMethodId } from '../garden/ending'
import type { InstantAct } from './survival'
import type { SheetBed, SheetKind } from './sheets'

export type MethodId = Exclude<EndMethodId, 'harvest'>

/**
 * A way of ending a stand: acts that take effect at once, then perhaps a sheet; or animals; or waiting for cold or
 * heat. Shares are of the shoot mass; minutes are judgement, ± a half.
 */
export type Method = {
  id: MethodId
  name: string
  /** How it is named when it is done twice; null where once is all. */
  twice: string | null
  acts: readonly InstantAct[]
  flame: boolean
  sheet: SheetKind | null
  /** How the sheet lies; black sheets depend on what there is to flatten with when this is null. */
  lies: SheetBed | null
  waits: 'cold' | 'heat' | null
  animals: 'hens' | 'pigs' | 'grazers' | null
  /** One tool of each group is needed. */
  tools: readonly (readonly ToolKind[])[]
  minutesPerM2: number
  buried: number
  removed: number
  /** How much the soil is moved, 0 none – 3 turned over. */
  disturbance: 0 | 1 | 2 | 3
  /** Days that its own effect on seedlings lasts after the stand is dead. */
  settleDays: number
  needs: readonly string[]
  cautions: readonly string[]
}

const CUT = ['hand shears', 'scythe', 'mower', 'trimmer'] as const
const BLADES =
  'Blades: gloves, and cut away from the body. With a trimmer or mower keep the guard on and others away; stones fly.'
const HEAVY = 'Wet sheets and weights are heavy: lift with two.'
const FIRE =
  'Fire: never over dry residue or mulch, in wind or under a ban; ask for the permit your place wants and stay until it is cold.'
const STOCK = 'Look for animals before anything moves. Water, shade and a fence against predators, every day.'
const DUST = 'Compost dust: wear a mask when it is dry.'

const plain = {
  twice: null,
  acts: [],
  flame: false,
  sheet: null,
  lies: null,
  waits: null,
  animals: null,
  tools: [],
  buried: 0,
  removed: 0,
  disturbance: 0,
  settleDays: 0,
  needs: [],
  cautions: [],
} as const satisfies Partial<Method>

export const METHODS: readonly Method[] = [
  {
    ...plain,
    id: 'chop',
    name: 'Chop and drop',
    twice: 'Chop and drop, twice',
    acts: ['chop'],
    tools: [CUT],
    minutesPerM2: 0.9,
    needs: ['a sharp low cut', 'stragglers pulled by hand'],
    cautions: [BLADES],
  },
  {
    ...plain,
    id: 'crimp',
    name: 'Crimp',
    acts: ['crimp'],
    tools: [['crimp board']],
    minutesPerM2: 0.5,
    needs: ['even steps under 30 cm', 'stragglers along the edges finished by hand'],
  },
  {
    ...plain,
    id: 'tarp',
    name: 'Black tarp',
    sheet: 'black',
    tools: [['black tarp']],
    minutesPerM2: 0.6,
    needs: ['weights all round', 'damp soil underneath'],
    cautions: [HEAVY],
  },
  {
    ...plain,
    id: 'winter-kill',
    name: 'Winter-kill',
    waits: 'cold',
    minutesPerM2: 0,
    needs: ['a cold enough winter'],
  },
  {
    ...plain,
    id: 'crimp-tarp',
    name: 'Crimp, then tarp',
    acts: ['crimp'],
    sheet: 'black',
    lies: 'flat',
    tools: [['crimp board'], ['black tarp']],
    minutesPerM2: 1.1,
    needs: ['even steps under 30 cm', 'the sheet the same day', 'weights all round'],
    cautions: [HEAVY],
  },
  {
    ...plain,
    id: 'crimp-flame',
    name: 'Crimp, then a wilting flame',
    acts: ['crimp'],
    flame: true,
    tools: [['crimp board'], ['burner']],
    minutesPerM2: 0.9,
    needs: ['green growth on damp ground', 'a quick pass that wilts and never burns', 'water at hand'],
    cautions: [FIRE],
  },
  {
    ...plain,
    id: 'flame',
    name: 'Wilting flame over seedlings',
    acts: ['flame'],
    tools: [['burner']],
    minutesPerM2: 0.4,
    needs: [
      'plants with no more than a few leaves',
      'a quick pass that wilts and never burns',
      'water at hand',
    ],
    cautions: [FIRE],
  },
  {
    ...plain,
    id: 'clear-sheet',
    name: 'Clear film in strong sun',
    sheet: 'clear',
    lies: 'flat',
    tools: [['clear film'], CUT],
    minutesPerM2: 1.2,
    needs: ['growth mown first', 'soil wetted through', 'edges buried', 'days of strong sun'],
    cautions: [
      'Under clear film it gets hot enough to burn: keep hands, hoses and small animals out.',
      BLADES,
    ],
  },
  {
    ...plain,
    id: 'chop-cardboard',
    name: 'Chop, then cardboard',
    acts: ['chop'],
    sheet: 'cardboard',
    lies: 'flat',
    tools: [CUT],
    minutesPerM2: 2.2,
    needs: ['plain cardboard overlapped by 15 cm', 'water', 'stones or compost to hold it'],
    cautions: [BLADES],
  },
  {
    ...plain,
    id: 'bury',
    name: 'Chop and bury under compost',
    acts: ['bury'],
    tools: [CUT, ['wheelbarrow']],
    minutesPerM2: 3.5,
    buried: 1,
    disturbance: 1,
    needs: ['growth cut fine', 'a full covering, deeper over tillering grasses'],
    cautions: [BLADES, DUST],
  },
  {
    ...plain,
    id: 'flip-cover',
    name: 'Chop, flip the crowns, cover',
    acts: ['flip'],
    tools: [CUT, ['spade or fork']],
    minutesPerM2: 5,
    buried: 0.5,
    disturbance: 2,
    needs: ['crowns cut under and laid roots up', 'mulch or compost over them'],
    cautions: [BLADES],
  },
  {
    ...plain,
    id: 'soil-tarp',
    name: 'Mow early, throw path soil over, tarp',
    sheet: 'black',
    lies: 'soil',
    tools: [CUT, ['spade or fork'], ['black tarp']],
    minutesPerM2: 2.8,
    buried: 0.5,
    disturbance: 1,
    needs: ['2–3 cm of soil from the paths', 'damp soil', 'weights all round'],
    cautions: [HEAVY, BLADES],
  },
  {
    ...plain,
    id: 'turn',
    name: 'Turn under',
    twice: 'Turn under, twice',
    acts: ['turn'],
    tools: [['spade or fork', 'tiller']],
    minutesPerM2: 4,
    buried: 0.95,
    disturbance: 3,
    needs: ['growth chopped first', 'moist, not wet soil'],
    cautions: ['With a tiller: guards on, sturdy shoes, others away; stones fly.'],
  },
  {
    ...plain,
    id: 'biofumigate',
    name: 'Chop fine, bury at once, seal',
    acts: ['turn'],
    tools: [
      ['mower', 'trimmer', 'hand shears', 'scythe'],
      ['spade or fork', 'tiller'],
    ],
    minutesPerM2: 5,
    buried: 1,
    disturbance: 3,
    settleDays: 14,
    needs: [
      'chopped as fine as possible',
      'buried within the half hour',
      'moist soil, rolled or sheeted shut',
    ],
    cautions: [BLADES, 'The vapours sting: work upwind.'],
  },
  {
    ...plain,
    id: 'strips',
    name: 'Chop strip by strip',
    acts: ['chop'],
    tools: [CUT],
    minutesPerM2: 1.1,
    needs: ['strips ended a week apart', 'a sharp low cut'],
    cautions: [BLADES],
  },
  {
    ...plain,
    id: 'summer-kill',
    name: 'Summer-kill',
    waits: 'heat',
    minutesPerM2: 0,
    needs: ['heat that the plant does not bear'],
  },
  {
    ...plain,
    id: 'hens',
    name: 'Hens in a moved pen',
    animals: 'hens',
    minutesPerM2: 0.2,
    disturbance: 1,
    needs: ['a pen you have measured', 'feed and water', 'someone who moves it'],
    cautions: [STOCK, 'Birds and their manure: wash hands, and keep the interval to harvest.'],
  },
  {
    ...plain,
    id: 'pigs',
    name: 'Pigs for a few days',
    animals: 'pigs',
    minutesPerM2: 0.1,
    buried: 0.5,
    disturbance: 3,
    needs: ['a fence', 'ground that is not wet', 'levelling afterwards'],
    cautions: [STOCK, 'Raw manure: keep the interval to harvest.'],
  },
  {
    ...plain,
    id: 'graze',
    name: 'Grazed down',
    animals: 'grazers',
    minutesPerM2: 0.1,
    needs: ['a fence', 'an ending afterwards: tops grow again'],
    cautions: [STOCK, 'Poisoning and bloat: never hungry onto lush clover; ask a vet.'],
  },
  {
    ...plain,
    id: 'pull',
    name: 'Pull and compost',
    acts: ['pull'],
    tools: [['wheelbarrow', 'spade or fork']],
    minutesPerM2: 1.8,
    removed: 0.95,
    disturbance: 1,
    needs: ['compost brought back: the fertility leaves with it'],
  },
]

const byId = new Map<EndMethodId, Method>(METHODS.map((way) => [way.id, way]))

/** A way by its id; null for harvest, which ends crops. */
export const findMethod = (methodId: EndMethodId): Method | null => byId.get(methodId) ?? null

/** Share of the growth that stays on top as mulch, 0–1; of what animals leave, where they are part of it. */
export const leftOnTop = (way: Method) => (1 - way.buried) * (1 - way.removed)

/** Name of a way as it is done. */
export const methodName = (way: Method, passes: number) => (passes > 1 && way.twice) || way.name
