import { unitOf, writeQuantity } from '../../text/quantity'
import { useTold } from '../../state/useTold'
import { useState } from 'react'
import { segmentAreaM2 } from '../../core/garden/area'
import { creepingWeeds } from '../../core/garden/creepingWeeds'
import { removal } from '../../core/planting/feeding'
import { mulchDepthM } from '../../core/residue/mulch'
import type { Aftermath } from '../../core/scenario/after'
import type { ScenarioOutcome } from '../../core/scenario/types'
import type { Crop } from '../../core/plants/crops'
import { weedSuppression } from '../../core/residue/pools'
import { Caution } from '../../parts/Caution'
import { dryMatter } from '../../text/amounts'
import { centimetres, kilos, percent, rangeText, decimal } from '../../text/format'
import { SelectField } from '../../parts/SelectField'
import { useGarden } from '../../state/garden'
import { Why } from '../../parts/Why'
import type { PlantView } from './usePlant'
import { HoldLonger } from './HoldLonger'
import { Through } from './Through'

const DEPTHS = ['0.03', '0.05', '0.08', '0.1'] as const

/** The mulch on planting day: its depth, what to add, how to plant through it, and what leaves if it is taken off. */
export function Residue({
  after,
  outcome,
  crop,
  plant,
}: {
  after: Aftermath
  outcome: ScenarioOutcome
  crop: Crop
  plant: PlantView
}) {
  const { garden, view } = plant
  const { data } = useGarden()
  const { units } = garden
  const told = useTold(view.bed, plant.ground)
  const areaM2 = segmentAreaM2(view.bed, plant.ground)
  const mulchG = after.mulchG.p50
  const creeping = creepingWeeds(view.bed, data.stands, data.checks)
  const broughtG = (view.standCase.brought ?? []).reduce((sum, load) => sum + load.massG, 0)
  return (
    <section className="mt-6" aria-label="Mulch" data-testid="mulch">
      <h2>Mulch, and planting through it</h2>
      <p>
        On planting day about <strong>{dryMatter(mulchG, told)}</strong> ({dryMatter(after.mulchG.p10, told)}{' '}
        to {dryMatter(after.mulchG.p90, told)}), {centimetres(mulchDepthM(mulchG), units)} deep, holding back{' '}
        {percent(weedSuppression(mulchG))} of the weeds of seed at first
        {after.holdsWeeks.p90 >= 0.5
          ? `, enough to spare hoeing for ${rangeText(after.holdsWeeks.p10, after.holdsWeeks.p90)} weeks`
          : ', too thin to spare hoeing'}
        .{creeping.length > 0 && ` Through any mulch comes: ${creeping.join(', ')}.`}{' '}
        {broughtG > 0 &&
          `${kilos((broughtG * areaM2) / 1000, units)} of it were brought here from other beds.`}
      </p>
      <HoldLonger after={after} areaM2={areaM2} units={units} />
      <Through after={after} outcome={outcome} crop={crop} plant={plant} />
      <Remove after={after} plant={plant} mulchG={mulchG} areaM2={areaM2} />
    </section>
  )
}

function Remove({
  after,
  plant,
  mulchG,
  areaM2,
}: {
  after: Aftermath
  plant: PlantView
  mulchG: number
  areaM2: number
}) {
  const { garden, sourceId } = plant
  const { units } = garden
  const [depth, setDepth] = useState<(typeof DEPTHS)[number]>('0.05')
  const sources = garden.nitrogenSources
  const source = sources.find((entry) => entry.id === sourceId) ?? sources[0] ?? null
  const off = removal(mulchG, after.residueNitrogenG, areaM2, Number(depth), source)
  return (
    <details className="mt-3" data-testid="removal">
      <summary className="cursor-pointer font-semibold">Take the residue off instead</summary>
      <div className="mt-2 flex flex-wrap items-start gap-6">
        <SelectField
          label="Mulch another bed"
          className="w-28"
          value={depth}
          onChange={setDepth}
          options={DEPTHS.map((metres) => [metres, centimetres(Number(metres), units)] as const)}
        />
        <div className="max-w-prose">
          {kilos(off.massKg, units)} dry would leave, with <strong>{kilos(off.nitrogenKg, units)}</strong> of
          nitrogen and {kilos(off.carbonKg, units)} of carbon. To bring the nitrogen back takes{' '}
          <strong>{kilos(off.compostKg, units)}</strong> of{' '}
          {source ? source.name.toLowerCase() : 'usual compost'}. It mulches{' '}
          <strong>{decimal(off.bedsMulched)}</strong> beds of this size at that depth.{' '}
          <Why>
            Residue of the planting day with the nitrogen still in it, buried shares included; 42 % carbon;
            settled mulch weighs {writeQuantity(18, 'bulk', units)} {unitOf('bulk', units)} (
            {writeQuantity(12, 'bulk', units)} to {writeQuantity(30, 'bulk', units)}). Compost by its
            analysis, all of its nitrogen counted.
          </Why>
        </div>
      </div>
      <Caution>Mulch and compost dust: wear a mask when they are dry.</Caution>
    </details>
  )
}
