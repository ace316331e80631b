import type { Bed, EndMethodId, ToolKind } from '../garden/schema'

/** What a way of ending a stand is, needs and costs. Harvest ends crops, not covers. */
export type EndMethod = {
  id: Exclude<EndMethodId, 'harvest'>
  name: string
  /** Any one of these tools will do; empty when none is needed. */
  tools: ToolKind[]
  /** Minutes of work per m² (judgement; ± a half). */
  minutesPerM2: number
  /** Share of the shoot mass that stays as mulch on the bed. */
  mulchKept: number
  cautions: string[]
}

export const END_METHODS: readonly EndMethod[] = [
  {
    id: 'chop',
    name: 'Chop and drop',
    tools: ['hand shears', 'scythe', 'mower', 'trimmer'],
    minutesPerM2: 0.9,
    mulchKept: 1,
    cautions: [
      'Blades: gloves, and cut away from the body. With a trimmer or mower keep the guard on and others away; stones fly.',
    ],
  },
  {
    id: 'crimp',
    name: 'Crimp',
    tools: ['crimp board'],
    minutesPerM2: 0.5,
    mulchKept: 1,
    cautions: [],
  },
  {
    id: 'tarp',
    name: 'Black tarp',
    tools: ['black tarp'],
    minutesPerM2: 0.6,
    mulchKept: 0.9,
    cautions: ['Wet tarps and weights are heavy: lift with two.'],
  },
  {
    id: 'winter-kill',
    name: 'Winter-kill',
    tools: [],
    minutesPerM2: 0,
    mulchKept: 1,
    cautions: [],
  },
]

export const findMethod = (methodId: EndMethodId): EndMethod | null =>
  END_METHODS.find((method) => method.id === methodId) ?? null

type OwnedTool = { kind: ToolKind; widthM: number | null; lengthM: number | null }

/** Why a method cannot be done in this bed with these tools, or null when it can. */
export function methodObstacle(
  method: EndMethod,
  bed: Pick<Bed, 'widthM' | 'lengthM' | 'fixtures' | 'kind'>,
  owned: readonly OwnedTool[],
): string | null {
  if (method.tools.length > 0 && !owned.some((tool) => method.tools.includes(tool.kind)))
    return `Needs ${method.tools.join(' or ')}; none is on your list of tools.`
  if (method.id === 'tarp') {
    const sheets = owned.filter((tool) => tool.kind === 'black tarp')
    const big = sheets.some((sheet) => covers(sheet, bed.widthM, bed.lengthM))
    if (!big) return `No tarp of yours covers ${bed.widthM} × ${bed.lengthM} m.`
    if (bed.fixtures.some((fixture) => fixture.kind === 'kept plant'))
      return 'Kept plants stand in this bed; a sheet would kill them.'
  }
  if (method.id === 'crimp' && bed.fixtures.some((fixture) => fixture.kind === 'post'))
    return 'Posts in the bed keep the board from lying flat.'
  return null
}

function covers(sheet: OwnedTool, widthM: number, lengthM: number): boolean {
  const width = sheet.widthM ?? Infinity
  const length = sheet.lengthM ?? Infinity
  return (width >= widthM && length >= lengthM) || (width >= lengthM && length >= widthM)
}
