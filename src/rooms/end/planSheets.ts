import { scratchGrainKg, usualPlan } from '../../core/termination/animals'
import { daysOnStop, stopsOf } from '../../core/termination/stops'
import { penTrouble, stockFor } from '../../core/termination/obstacles'
import { obstacleText } from '../../text/obstacles'
import { USUAL_LANES } from '../../core/termination/lastAct'
import { cardboardPlan, lanePlan, sheetPlan, volumeFor } from '../../core/termination/workPlan'
import { centimetres, kilos, litres, metres, shortDate, temperature, volume } from '../../text/format'
import { inUnits } from '../../text/inUnits'

import { dayCount, daysInRounds } from './animalForm'
import type { PlanCase, PlanWords } from './planTypes'

/** Growth no taller than this lets a sheet lie on the ground, m (judgement, 0.1–0.2). */
const LIES_FLAT_M = 0.15

export function soilSteps(plan: PlanCase, words: PlanWords) {
  const soil = volumeFor(plan.areaM2, 0.025)
  words.materials.push({ what: 'Soil from the paths', amount: volume(soil.volumeM3, plan.units) })
  words.steps.push(
    'Mow or chop low, early, while the growth is soft.',
    `Throw ${centimetres(0.025, plan.units)} of soil from the paths over it.`,
  )
}

export function cardboardSteps(plan: PlanCase, words: PlanWords) {
  const boxes = cardboardPlan(plan.ground)
  words.cardboard = boxes
  words.materials.push(
    {
      what: `Flattened boxes, about ${metres(boxes.boxAlongM, plan.units)} × ${metres(boxes.boxAcrossM, plan.units)}, plain, without tape`,
      amount: String(boxes.sheets),
    },
    { what: 'Water', amount: litres(boxes.waterL, plan.units) },
    { what: 'Stones or shovels of compost', amount: String(boxes.stones) },
  )
  words.steps.push(
    `Lay ${boxes.rows} rows of ${boxes.columns}, each ${centimetres(boxes.overlapM, plan.units)} over the last; wet them through and weigh every joint.`,
    'It holds eight to twelve weeks. Lay new boxes over soft ones.',
  )
}

export function sheetSteps(plan: PlanCase, words: PlanWords) {
  const clear = plan.method.sheet === 'clear'
  const kind = clear ? 'clear film' : 'black tarp'
  const sheet = sheetPlan(
    plan.ground,
    plan.tools.filter((tool) => tool.kind === kind),
    clear ? 'clear' : 'black',
  )
  const { units } = plan
  const heat = (degreeDays: number) => Math.round(degreeDays * (units === 'imperial' ? 1.8 : 1))
  words.sheet = sheet
  words.clear = clear
  if (!sheet.sheet)
    words.problem = `No ${clear ? 'film' : 'tarp'} of yours covers this ground. One of ${metres(sheet.wantedAlongM, units)} × ${metres(sheet.wantedAcrossM, units)} would, or end the bed in two parts.`
  words.materials.push(
    {
      what: clear ? 'Clear film' : 'Black sheet, not woven',
      amount: `${metres(sheet.sheet?.alongM ?? sheet.wantedAlongM, units)} × ${metres(sheet.sheet?.acrossM ?? sheet.wantedAcrossM, units)}`,
    },
    { what: `Weights of about ${kilos(sheet.weightKg, units)}`, amount: String(sheet.weights) },
    { what: 'Water, if the soil is dry', amount: litres(sheet.waterL, units) },
  )
  if (plan.method.id === 'tarp')
    words.steps.push(
      plan.heightM <= LIES_FLAT_M
        ? 'It is low enough for the sheet to lie on the ground.'
        : 'Flatten or mow the growth first, so that the sheet lies on the ground: a standing crop takes 1.4 times as long.',
    )
  words.steps.push(
    clear
      ? `Wet the soil through with ${litres(sheet.waterL, units)}; stretch the film tight and bury its edges ${inUnits('15 cm', units)} deep.`
      : `Soil damp? If not, water with ${litres(sheet.waterL, units)}. Lay the sheet, ${centimetres(Math.max(0, sheet.overAlongM), units)} over at the ends and ${centimetres(Math.max(0, sheet.overAcrossM), units)} at the sides.`,
    ...(sheet.overlapM > 0
      ? [
          `${sheet.pieces} sheets ${sheet.lie === 'along' ? 'end to end' : 'side by side'}, ${centimetres(sheet.overlapM, units)} over each other, with weights along ${sheet.pieces > 2 ? 'every seam' : 'the seam'}.`,
        ]
      : []),
    `Weights a pace apart: ${sheet.weightsLong} along each long edge, corners with them, ${sheet.weightsShort} more on each short one.`,
  )
  if (clear && plan.film)
    words.steps.push(
      `The forecast gives ${heat(plan.film.p10)} to ${heat(plan.film.p90)} degree days above ${temperature(40, units)} in a fortnight; soft covers want ${heat(60)}, cereals ${heat(90)}. Without strong sun lay black instead.`,
    )
  if (!clear && plan.deadDay && plan.deadDay > plan.day) {
    const half = plan.day + (plan.deadDay - plan.day) / 2
    words.steps.push(
      `Half time about ${shortDate(half)}: lift a corner, water if it is dry. Dead about ${shortDate(plan.deadDay)}.`,
    )
  }
  if (plan.untilThin)
    words.steps.push(
      'Dead is not the end of it: leave it on until what lies under it is thin enough for the drip line and the seeder. It rots while the ground stays damp.',
    )
}

export function laneSteps(plan: PlanCase, words: PlanWords) {
  const { count, everyDays } = plan.lanes ?? USUAL_LANES
  words.lanes = lanePlan(plan.ground, plan.day, count, everyDays)
  words.steps.push(
    `Cut in ${count} strips, ${everyDays} days apart: ${words.lanes.map((lane) => `${lane.order} on ${shortDate(lane.day)}`).join(', ')}. The rest goes on flowering for insects, and each strip can be planted in turn.`,
  )
}

export function animalSteps(plan: PlanCase, words: PlanWords) {
  const stock = stockFor(plan.method, plan.livestock, plan)
  if (!stock) {
    words.problem = 'No animals for this are on your list. Add them with the size of their pen in the Shed.'
    return
  }
  const pen = penTrouble(plan.method, stock, plan)
  words.problem = pen && obstacleText(pen, plan.units)
  if (words.problem) return
  const own = plan.animals ?? usualPlan(stock, plan.areaM2)
  words.stops = stopsOf(own, plan.ground.lengthM, plan.ground.widthM, plan.day)
  const perRound = words.stops.length / own.rounds
  words.materials.push(
    { what: own.kind, amount: String(own.head) },
    { what: 'Stops a round', amount: String(perRound) },
    { what: 'Days on a stop', amount: daysInRounds(own) },
    { what: 'Rounds', amount: String(own.rounds) },
  )
  const last = daysOnStop(own, own.rounds - 1)
  const grain = scratchGrainKg(own, perRound)
  if (grain > 0) words.materials.push({ what: 'Grain to scatter', amount: kilos(grain, plan.units) })
  words.steps.push(
    `Set the pen on stop 1 and move it every ${dayCount(own.daysPerStop)}, in the order of the numbers${own.rounds > 1 ? `; ${own.rounds} rounds with ${dayCount(own.restDays)} of rest between` : ''}${last === own.daysPerStop ? '' : `, ${dayCount(last)} on each stop of the last`}.`,
    'Before every move look for feet, wings and eggs. Water, feed and shade first, then move slowly.',
  )
  if (own.kind === 'hens')
    words.steps.push(
      'On the last round scatter the grain on every stop, a handful a day: they scratch out what is left.',
    )
  if (own.kind === 'pigs') words.steps.push('Not on wet ground. Level it with a rake when they have gone.')
}
