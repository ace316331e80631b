import { drawBroadleaf } from './broadleaves'
import type { PlantForm } from './forms'
import { drawGrass } from './grasses'
import { drawLegume } from './legumes'
import type { Drawn } from './plant'

const DRAW: Record<PlantForm, (plant: Drawn) => void> = {
  ear: (plant) => drawGrass(plant, 'ear'),
  'long-awned ear': (plant) => drawGrass(plant, 'awns'),
  'open panicle': (plant) => drawGrass(plant, 'panicle'),
  'slim spike': (plant) => drawGrass(plant, 'spike'),
  club: (plant) => drawGrass(plant, 'club'),
  climber: (plant) => drawLegume(plant, 'climber'),
  trefoil: (plant) => drawLegume(plant, 'trefoil'),
  'trefoil cone': (plant) => drawLegume(plant, 'cone'),
  bush: (plant) => drawLegume(plant, 'bush'),
  hand: (plant) => drawLegume(plant, 'hand'),
  crucifer: (plant) => drawBroadleaf(plant, 'crucifer'),
  arrow: (plant) => drawBroadleaf(plant, 'arrow'),
  fern: (plant) => drawBroadleaf(plant, 'fern'),
  sun: (plant) => drawBroadleaf(plant, 'sun'),
  wisp: (plant) => drawBroadleaf(plant, 'wisp'),
  rosette: (plant) => drawBroadleaf(plant, 'rosette'),
}

export const drawPlant = (form: PlantForm, plant: Drawn): void => DRAW[form](plant)
