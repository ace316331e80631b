import { Link } from 'react-router'
import { plantCautions } from '../../text/cautions'
import type { Species } from '../../core/plants/parameters'
import { PARAMETERS, PARAMETER_NAMES } from '../../core/plants/parameterRanges'
import { Caution } from '../../parts/Caution'
import { resistantSold, rootKnotOf } from '../../core/plants/nematodes'
import { depthText, drillRate, metres, temperature, seedSizeText } from '../../text/format'
import { single } from '../../parts/once'
import { Scroll } from '../../parts/Scroll'
import { TickField } from '../../parts/SelectField'
import { Swatch } from '../../parts/Swatch'
import { useAct, useGarden } from '../../state/garden'
import { PlantProfile } from './PlantProfile'
import { PlantYear } from './PlantYear'
import { markResistant, markSeed } from '../../actions/seedAtHand'

const ROOT_KNOT = {
  host: 'feeds root-knot nematodes',
  'poor host': 'poor host of root-knot nematodes',
  'sets back': 'sets root-knot nematodes back',
  'depends on cultivar': 'depends on the cultivar: some set root-knot nematodes back, others feed them',
} as const
const FLOWERS = ['nothing for insects', 'a little for insects', 'good for insects', 'very good for insects']
const BIOFUMIGANT = [
  'no biofumigation',
  'weak biofumigation when buried at once',
  'some biofumigation when buried at once, moist and sealed',
  'strong biofumigation when buried at once, moist and sealed',
]
const WEEDINESS = [
  'does not come back',
  'may come back a little',
  'comes back where it seeds',
  'can become a weed',
]

/** One cover: what it is, its year here, its cautions, and every number with where it comes from. */
const sourceText = (source: Species['sources'][keyof Species['sources']]) =>
  source ? `${source.class}: ${source.reference}` : 'judgement'

/** Whether the grower's seed is of a cultivar that is named as resistant. */
function Resistant({ plant }: { plant: Species }) {
  const { data } = useGarden()
  const act = useAct()
  const { garden } = data
  const named = garden.resistantSeed
  return (
    <TickField
      label="My seed is of a cultivar named as resistant to root-knot nematodes"
      checked={named.includes(plant.id)}
      onChange={(checked) => void act(markResistant(garden, plant, checked))}
    />
  )
}

export function PlantPage({ plant }: { plant: Species }) {
  const { data } = useGarden()
  const act = useAct()
  const { garden } = data
  const { units } = garden
  const p = plant.parameters
  const atHand = garden.seedAtHand.includes(plant.id)
  const toggle = () => act(markSeed(garden, plant, !atHand))
  const facts: [string, string][] = [
    ['Family', plant.family],
    ['Habit', `${plant.habit}, to ${metres(p.heightM, units)}${plant.perennial ? ', perennial' : ''}`],
    ['Roots', `${plant.rooting}, about ${Math.round(p.rootShare * 100)} % of all it grows`],
    ['Cold', `half of hardened plants die at ${temperature(p.lt50HardyC, units)} at the crown`],
    ['Seed', `${seedSizeText(p.thousandSeedG, units)}, drilled at ${drillRate(p.drillKgHa, units)}`],
    ['Sown', `${depthText(plant.depthCm, units)} deep`],
    ['Inoculant', plant.inoculantGroup ?? 'none'],
    ['Flowers', FLOWERS[Math.round(plant.flowerValue)]],
    ['Nematodes', ROOT_KNOT[rootKnotOf(plant, garden.resistantSeed)]],
    ['Biofumigation', BIOFUMIGANT[plant.biofumigant]],
    [
      'Residue',
      plant.allelopathy >= 0.7
        ? 'holds back small seed strongly while fresh'
        : plant.allelopathy > 0
          ? 'holds back small seed somewhat while fresh'
          : 'does not hold back seed',
    ],
    ['After seeding', WEEDINESS[plant.weediness]],
    [
      'For people',
      plant.edible ? `${plant.edible.part}, ${plant.edible.when}, ${plant.edible.how}` : 'not eaten',
    ],
  ]
  return (
    <section className="py-4">
      <p>
        <Link className="link" to="/reference">
          All plants
        </Link>
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <Swatch groups={[plant.group]} />
        <h1>{plant.name}</h1>
        <span className="quiet italic">{plant.scientificName}</span>
        <button className="btn btn-sm ml-auto" aria-pressed={atHand} onClick={single(toggle)}>
          {atHand ? 'Seed at hand' : 'Mark seed as at hand'}
        </button>
      </div>
      <div className="mt-3 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[22rem_minmax(0,1fr)]">
        <div>
          <PlantProfile plant={plant} />
          <dl className="mt-3 grid grid-cols-[7rem_1fr] gap-x-3 gap-y-1">
            {facts.map(([term, text]) => (
              <div key={term} className="contents">
                <dt className="quiet">{term}</dt>
                <dd>{text}</dd>
              </div>
            ))}
          </dl>
          {resistantSold(plant) && <Resistant plant={plant} />}
          <div className="mt-3">
            {plantCautions(plant).map((caution) => (
              <Caution key={caution}>{caution}</Caution>
            ))}
          </div>
        </div>
        <div className="min-w-0">
          <PlantYear plant={plant} />
        </div>
      </div>
      <details className="mt-6">
        <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">
          Numbers it grows by, and where they come from
        </summary>
        <Scroll label="Parameters">
          <table className="table table-sm mt-2 w-auto" data-testid="parameters" data-si="">
            <thead>
              <tr>
                <th>What</th>
                <th className="text-right">Value</th>
                <th>Unit</th>
                <th>Any species</th>
                <th>Source</th>
              </tr>
            </thead>
            <tbody>
              {PARAMETER_NAMES.map((name) => {
                const { meaning, unit, low, high } = PARAMETERS[name]
                return (
                  <tr key={name}>
                    <td>{meaning}</td>
                    <td className="text-right tabular-nums">{Number(p[name].toPrecision(3))}</td>
                    <td>{unit}</td>
                    <td className="whitespace-nowrap">
                      {low} to {high}
                    </td>
                    <td>{sourceText(plant.sources[name])}</td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </Scroll>
      </details>
    </section>
  )
}
