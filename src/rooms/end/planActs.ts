import type { Method } from '../../core/termination/methods'
import { FALLS, woodiness } from '../../core/termination/woodiness'
import { cuttingTool, toolMinutes, workedGround } from '../../core/termination/workRates'
import {
  boardOf,
  boardPlan,
  edgeKgPerM,
  longestBoard,
  underBoard,
  walkedOn,
} from '../../core/termination/board'
import { BARROW_M3, coverPlan, cutHeight, sheetPlan } from '../../core/termination/workPlan'
import { actsSurvival } from '../../core/termination/acts'
import { stageName } from '../../core/stand/stage'
import { crimpSurvival } from '../../core/termination/survival'
import {
  centimetres,
  litres,
  metres,
  minutes,
  percent,
  perLength,
  shortDate,
  volume,
} from '../../text/format'
import { inUnits } from '../../text/inUnits'

import type { PlanCase, PlanWords } from './planTypes'

/** What to look for before a cut or a crimp: the stage each plant should have reached, and what outlives the work at it. */
export function lookStep({ method, plants, passes, bed, own, tools, ground }: PlanCase, words: PlanWords) {
  const board = boardOf(tools)
  const expected = plants.map(({ plant, bbch }) => {
    const left = actsSurvival(method, plant, bbch, passes, {
      bedKind: bed.kind,
      own,
      edgeKgPerM: board && edgeKgPerM(board, ground.widthM),
    })
    return `${plant.name.toLowerCase()}, ${stageName(bbch, plant.group)} (${percent(left)} would outlive it)`
  })
  words.steps.push(`Look first. Expected that day: ${expected.join('; ')}. Where it is behind, wait.`)
}

export function cutSteps(plan: PlanCase, words: PlanWords) {
  const plants = plan.plants.map(({ plant }) => plant)
  const hardness = Math.max(
    0,
    ...plan.plants.map(({ plant, bbch }) => woodiness(plant.endingClass, bbch, plan.heightM)),
  )
  const tool = cuttingTool(plan.tools, hardness, workedGround(plan.bed, plan.segment))
  if (!tool)
    words.problem =
      plan.tools.length === 0
        ? 'No tools are on your list. Tick what you own in the Shed.'
        : 'Its stems are too hard for the tools on your list; use loppers or pull it, or end it earlier.'
  else words.materials.push({ what: `Sharp ${tool}`, amount: '1' }, { what: 'Gloves', amount: '1 pair' })
  words.cuts = plants.map((plant) => ({
    name: plant.name,
    heightM: Math.min(plan.heightM, plant.parameters.heightM),
    cutM: cutHeight(plant.endingClass).endM,
  }))
  for (const plant of plants) {
    const { endM, why } = cutHeight(plant.endingClass)
    words.steps.push(
      `${plant.name}: cut at ${endM === 0 ? 'the ground' : centimetres(endM, plan.units)}; ${why}.`,
    )
  }
  if (plan.method.acts.includes('chop')) words.steps.push(FALLEN[tool ? FALLS[tool] : 'in pieces'])
  if (plan.passes > 1)
    words.steps.push(`Cut again about ${shortDate(plan.day + 7)}, as low, before new leaves feed the crowns.`)
}

/** What to do about the pieces that a cut leaves. */
const FALLEN: Record<(typeof FALLS)[keyof typeof FALLS], string> = {
  short:
    'It falls in short pieces that rot within weeks. For a mulch that lasts, use a blade that lays it down whole.',
  'in pieces':
    'Cut the fall into hand-long pieces where it should rot fast; leave it long where mulch should last.',
  whole: 'It falls whole and lasts as mulch. Where it should rot fast, go over it once more or use a mower.',
}

/** A roller needs no steps on a board. */
function rollerSteps(plan: PlanCase, words: PlanWords) {
  const ground = workedGround(plan.bed, plan.segment)
  words.materials.push({ what: 'Roller crimper', amount: '1' })
  words.steps.push(
    `Roll it in the direction it was sown, or with the lean of the crop, about ${minutes(toolMinutes('roller crimper', ground, plan.tools))} with getting ready; stems dented every hand, not cut. The ground should bear the roller without a track.`,
    'Where wheels or hollows kept the roller off, step those places down by foot.',
  )
}

export function crimpSteps(plan: PlanCase, words: PlanWords) {
  if (!boardOf(plan.tools)) return rollerSteps(plan, words)
  const owned = plan.tools.some((tool) => tool.kind === 'crimp board')
  const board = boardPlan(plan.ground, longestBoard(plan.tools), plan.bed.kind)
  const { units } = plan
  words.board = board
  words.materials.push(
    { what: 'Crimp board with one blunt edge', amount: metres(board.boardM, units) },
    { what: 'Steps', amount: String(board.steps) },
  )
  if (!owned) words.problem = 'No crimp board is on your list. Add it with its length in the Shed.'
  else if (board.tooLong)
    words.problem = `The board (${metres(board.boardM, units)}) does not fit between the sides. Cut one of ${metres(board.bestM, units)}.`
  words.steps.push(
    `Push the growth over in the direction you walk, then step on the board every ${centimetres(board.stepM, units)}: ${board.steps} steps in ${board.runs === 1 ? 'one run' : `${board.runs} runs`}, the whole weight on the edge each time.`,
    `That brings about ${perLength(board.kgPerM, units)} of edge${board.tooLight ? '; that is little, so jump, or take a shorter board' : ''}. Stems should be dented, not cut.`,
    `What lives on: ${pressureWords(plan, board.kgPerM)}`,
  )
  if (plan.bed.kind !== 'in-ground')
    words.steps.push('A board misses 5 to 10 % along the sides of a frame: finish them with shears.')
}

/** What a heavy roller, this board and feet alone leave alive, plant by plant. */
function pressureWords({ plants }: PlanCase, kgPerM: number): string {
  const each = plants.map(({ plant, bbch }) => {
    const rolled = crimpSurvival(plant.endingClass, bbch)
    return `${plant.name.toLowerCase()} ${percent(rolled)} under a heavy roller, ${percent(underBoard(rolled, kgPerM))} under this board, ${percent(walkedOn(rolled))} only walked on`
  })
  return `${each.join('; ')}. Judgement; your own counts go before it.`
}

export const flameSteps = (method: Method, words: PlanWords) => {
  words.materials.push({ what: 'Burner, full', amount: '1' }, { what: 'Water at hand', amount: '2 cans' })
  words.steps.push(
    `${method.flame ? 'Within a day, while' : 'While'} the growth is green and the ground damp, in still air, pass the flame at walking pace: leaves turn dull and a pressed thumb leaves a mark. Nothing may catch fire.`,
  )
}

export function coverSteps(plan: PlanCase, words: PlanWords) {
  const cover = coverPlan(
    plan.areaM2,
    plan.plants.map(({ plant }) => plant.endingClass),
  )
  words.cover = cover
  words.materials.push(
    { what: 'Compost', amount: volume(cover.volumeM3, plan.units) },
    { what: `Barrows of ${volume(BARROW_M3, plan.units)}`, amount: String(cover.barrows) },
  )
  words.steps.push(
    `Spread ${centimetres(cover.depthM, plan.units)} of compost over all of it; it settles by a third. Check it with a stick in five places.`,
  )
  if (plan.bed.kind !== 'in-ground')
    words.steps.push(
      `Look first whether the frame has ${centimetres(cover.depthM * 1.3, plan.units)} of room below its rim; if not, take soil out or lay cardboard beneath and half the depth.`,
    )
}

export function turnSteps(plan: PlanCase, words: PlanWords) {
  const fine = plan.method.id === 'biofumigate'
  words.materials.push({
    what: plan.tools.some((tool) => tool.kind === 'tiller') ? 'Tiller' : 'Spade or fork',
    amount: '1',
  })
  words.steps.push(
    fine
      ? 'Chop as fine as you can and bury within the half hour: what kills escapes into the air.'
      : `Chop first; wait a day or two until it is limp, then turn it ${inUnits('10–15 cm', plan.units)} deep, when soil crumbles.`,
  )
  if (fine) {
    const sheet = sheetPlan(
      plan.ground,
      plan.tools.filter((tool) => tool.kind === 'black tarp'),
      'black',
    )
    words.materials.push({ what: 'Water', amount: litres(sheet.waterL, plan.units) })
    words.steps.push(
      `Water with about ${litres(sheet.waterL, plan.units)}, then tread or sheet it shut for ten days.`,
    )
  }
  if (plan.passes > 1)
    words.steps.push(
      `Turn again about ${shortDate(plan.day + 10)}: it takes the regrowth and the first weeds.`,
    )
  else words.steps.push('A flush of weeds follows in ten days; hoe it shallow.')
}

export function pullSteps(words: PlanWords) {
  words.materials.push({ what: 'Barrow', amount: '1' }, { what: 'Fork', amount: '1' })
  words.steps.push(
    'Lift the crowns with the fork, shake off the soil, barrow everything to the compost.',
    'Bring compost back: the Plant room says how much replaces what leaves.',
  )
}
