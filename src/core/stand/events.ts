import { addResidue, moveResidue, poolMass, SURFACE_CONTACT } from '../residue/pools'
import type { Befallen, Fate, Fates } from './fate'
import { bbchOf, die, IN_GROUND, JUST_UP, type Plants, type Tally } from './plants'
import type { StandState } from './state'
import { shareAbove, takeTop } from './taking'
import type { PlantAction, StandEvent } from './types'
import type { Work } from './work'

/** An ending that leaves fewer than this also clears seed that has not come up. */
const CLEARED_SHARE = 0.005

type Matter = { massG: number; nitrogenG: number }

/** Lays mulch or droppings, g m⁻², into a layer of a member. */
function bring({ massG, nitrogenG }: Matter, layer: 'surface' | 'buried', state: StandState, m: number) {
  addResidue(state[layer], m, massG, nitrogenG)
  state.tally.broughtG[m] += massG
  state.tally.broughtNitrogenG[m] += nitrogenG
}

/** Sets right what has grown of a member's plants; what is more or less of it came up from the soil, or never did. */
function correct(plants: Plants, m: number, factor: number, tally: Tally) {
  if (plants.emergence[m] < JUST_UP) return
  tally.grownG[m] += plants.massG[m] * (factor - 1)
  tally.soilNitrogenG[m] += plants.nitrogenG[m] * (factor - 1)
  plants.massG[m] *= factor
  plants.nitrogenG[m] *= factor
  plants.lai[m] *= factor
}

/** Does to a member's stand what an event does. */
export function applyEvent(
  event: StandEvent,
  { input, ensemble, state, members }: Pick<Work, 'input' | 'ensemble' | 'state' | 'members'>,
  m: number,
): void {
  const layG = poolMass(state.surface, m)
  if (event.kind === 'mulch') {
    const { byMember } = event
    const of = members[m]
    const own = byMember && {
      massG: byMember.massG[of % byMember.massG.length],
      nitrogenG: byMember.nitrogenG[of % byMember.nitrogenG.length],
    }
    bring(own ?? event, 'surface', state, m)
    mixContact(state, m, layG, SURFACE_CONTACT)
    return
  }
  if (event.kind === 'corrected') {
    for (const plants of state.plants) correct(plants, m, event.factor, state.tally)
    return
  }
  if ('sheet' in event && event.sheet) for (const { smotherDose } of state.plants) smotherDose[m] = 0
  if (event.kind === 'sheet') return
  let massG = 0
  for (const plants of state.plants) massG += plants.massG[m]
  const laidContact = SURFACE_CONTACT * contactOf(event, input, state, m)
  state.plants.forEach((plants, component) => {
    if (event.kind === 'cut' && event.only !== undefined && event.only !== component) return
    const { plant } = input.sown[component]
    const bbch = bbchOf(plants, m, plant.parameters)
    const of = { plant, component, bbch, alive: plants.alive[m], massG, member: members[m], ensemble }
    applyToSpecies(event, of, input.fates, state, m)
  })
  mixContact(state, m, layG, laidContact)
  applyToGround(event, state, m)
}

/** How close what a cut lays down lies on the soil, against whole stems: by the first of the blades that cuts its hardest stems. */
function contactOf(
  event: PlantAction,
  { sown, fates }: Work['input'],
  { plants: all }: StandState,
  m: number,
): number {
  const fate = event.kind === 'graze' ? null : event.fate.by === 'counted' ? event.fate.else : event.fate
  const blades = fate && 'blades' in fate ? fate.blades : undefined
  if (!blades) return 1
  const hardness = Math.max(
    0,
    ...all.map((plants, c) =>
      fates.hardness(sown[c].plant, bbchOf(plants, m, sown[c].plant.parameters), plants.heightM[m]),
    ),
  )
  return blades.find(({ hardest }) => hardest >= hardness)?.contact ?? 1
}

/** What was laid on what lay there takes its part in how close all of it lies. */
function mixContact({ surface, contact }: StandState, m: number, layG: number, laidContact: number): void {
  if (contact[m] === laidContact) return
  const liesG = poolMass(surface, m)
  if (liesG > layG) contact[m] = (contact[m] * layG + laidContact * (liesG - layG)) / liesG
}

/** What a cut, an ending or grazing does to one species of a member's stand. */
function applyToSpecies(
  event: PlantAction,
  of: Befallen,
  { outlives, taken }: Fates,
  { plants: all, surface, tally }: StandState,
  m: number,
): void {
  const plants = all[of.component]
  const fate: Fate = event.kind === 'graze' ? { by: 'animals', ...event.passing } : event.fate
  const survival = outlives(fate, of)
  if (plants.emergence[m] === IN_GROUND) {
    // Seed in the ground is not touched by a blade; clearing the bed or a long sheet is the end of it.
    if (event.kind === 'end' && survival < CLEARED_SHARE) plants.germination[m] = -Infinity
  } else if (event.kind === 'end') {
    die(plants, m, 1 - survival, surface)
    takeTop(plants, m, of.plant, 1 - event.topLeft, 0, plants.heightM[m] * event.topLeft, surface, tally)
  } else if (event.kind === 'graze') {
    const share = taken(event.passing, of.massG)
    takeTop(plants, m, of.plant, share, event.eaten, plants.heightM[m] * (1 - share), surface, tally)
    die(plants, m, 1 - survival, surface)
  } else {
    const share = event.groundShare * shareAbove(event.heightM, plants.heightM[m])
    // A part that is cut leaves the height of the rest.
    const leftM = event.groundShare > 0.5 ? event.heightM : plants.heightM[m]
    takeTop(plants, m, of.plant, share, event.left ? 0 : 1, leftM, surface, tally)
    die(plants, m, share > 0 ? event.groundShare * (1 - survival) : 0, surface)
  }
}

/** What an ending or grazing does to the ground of a member's stand. */
function applyToGround(event: PlantAction, state: StandState, m: number): void {
  if (event.kind === 'cut') return
  const { surface, buried, tally } = state
  if (event.kind === 'graze') bring(event.droppings, 'buried', state, m)
  else if (event.removed) {
    const gone = moveResidue(surface, m, event.removed, null)
    tally.exportedG[m] += gone.massG
    tally.exportedNitrogenG[m] += gone.nitrogenG
  }
  if (event.buried) moveResidue(surface, m, event.buried, buried)
}
