import { rootKnotOf } from '../../core/plants/nematodes'
import { Link, useParams } from 'react-router'
import { findSpecies } from '../../core/plants/catalogue'
import type { Species } from '../../core/plants/parameters'
import { Field } from '../../parts/Field'
import { drillRate, metres, temperature, type Units, seedSizeText } from '../../text/format'
import { Scroll } from '../../parts/Scroll'
import { SelectField } from '../../parts/SelectField'
import { Swatch } from '../../parts/Swatch'
import { useGarden } from '../../state/garden'
import { PlantPage } from './PlantPage'
import { SmallSums } from './SmallSums'
import { MethodsReference } from './MethodsReference'
import { StagesReference } from './StagesReference'
import { Trust } from './Trust'
import { PROPERTIES, usePlants, type PlantFilter, type SortKey } from './usePlants'
import { Form } from '../../parts/Form'

/** The covers Kilim knows: a table to search, and a page for each. */
export function ReferenceRoom() {
  const { speciesId } = useParams()
  const plant = speciesId ? findSpecies(speciesId) : null
  if (plant) return <PlantPage key={plant.id} plant={plant} />
  return <PlantTable unknown={speciesId !== undefined} />
}

const COLUMNS: [SortKey | null, string][] = [
  ['name', 'Cover'],
  [null, 'Season'],
  ['hardy', 'Bears, hardened'],
  ['height', 'Height'],
  ['rate', 'Drilled rate'],
  ['seed', 'Seed size'],
  [null, 'Flowers'],
  [null, 'Roots'],
  [null, 'Notes'],
]

/** Parts of the reference, under the names that the links at its head have. */
const PARTS = [
  ['covers', 'Covers'],
  ['stages', 'Stages'],
  ['methods', 'Ways of ending'],
  ['sums', 'Small sums'],
  ['trust', 'What the model knows'],
] as const

function PlantTable({ unknown }: { unknown: boolean }) {
  const { data } = useGarden()
  const { units, resistantSeed } = data.garden
  const { plants, filter, sort, setSort, change } = usePlants(resistantSeed)
  const atHand = new Set(data.garden.seedAtHand)
  return (
    <section className="py-4">
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1>Reference</h1>
        <nav aria-label="In the reference" className="flex flex-wrap gap-x-4">
          {PARTS.map(([id, name]) => (
            <a key={id} className="link py-1.5" href={`#${id}`}>
              {name}
            </a>
          ))}
        </nav>
      </div>
      <h2 id="covers" className="mt-3 scroll-mt-4">
        Covers
      </h2>
      {unknown && <p>This plant is not known here.</p>}
      <Filters filter={filter} change={change} />
      <p className="quiet mt-2" role="status">
        {plants.length} {plants.length === 1 ? 'cover' : 'covers'}
      </p>
      <Scroll label="Covers">
        <table className="table table-sm mt-1" data-testid="plants">
          <thead>
            <tr>
              {COLUMNS.map(([key, label]) => (
                <th key={label} aria-sort={key && sort === key ? 'ascending' : undefined}>
                  {key ? (
                    <button
                      className="cursor-pointer underline-offset-2 hover:underline"
                      onClick={() => setSort(key)}
                    >
                      {label}
                      {sort === key ? ' ↓' : ''}
                    </button>
                  ) : (
                    label
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {plants.map((plant) => (
              <PlantRow
                key={plant.id}
                plant={plant}
                units={units}
                atHand={atHand.has(plant.id)}
                named={resistantSeed}
              />
            ))}
          </tbody>
        </table>
      </Scroll>
      {plants.length === 0 && <p className="mt-3">No plants match. Clear a filter.</p>}
      <div id="stages" className="scroll-mt-4">
        <StagesReference />
      </div>
      <div id="methods" className="scroll-mt-4">
        <MethodsReference units={units} />
      </div>
      <section id="sums" aria-label="Small sums" className="mt-8 scroll-mt-4">
        <h2>Small sums</h2>
        <SmallSums />
      </section>
      <div id="trust" className="scroll-mt-4">
        <Trust />
      </div>
    </section>
  )
}

const FLOWERS = ['–', 'few', 'good', 'very good']
const POWERS = ['shallow', 'some', 'strong', 'very strong']

function PlantRow({
  plant,
  units,
  atHand,
  named,
}: {
  plant: Species
  units: Units
  atHand: boolean
  named: readonly string[]
}) {
  const p = plant.parameters
  const notes = [
    atHand ? 'seed at hand' : null,
    plant.edible ? 'edible' : null,
    rootKnotOf(plant, named) === 'sets back' ? 'against root-knot' : null,
    plant.harms.some((harm) => harm.level === 'avoid') ? 'harms animals' : null,
    plant.weediness === 3 ? 'weedy' : null,
  ].filter(Boolean)
  return (
    <tr>
      <td>
        <span className="flex items-center gap-2">
          <Swatch groups={[plant.group]} size={1} />
          <Link className="link font-semibold" to={`/reference/${plant.id}`}>
            {plant.name}
          </Link>
        </span>
      </td>
      <td>{plant.season}</td>
      <td>{temperature(p.lt50HardyC, units)}</td>
      <td>{metres(p.heightM, units)}</td>
      <td>{drillRate(p.drillKgHa, units)}</td>
      <td>{seedSizeText(p.thousandSeedG, units)}</td>
      <td>{FLOWERS[Math.round(plant.flowerValue)]}</td>
      <td>
        {plant.rooting}, {POWERS[Math.round(plant.rootPower)]}
      </td>
      <td className="text-sm">{notes.join(', ')}</td>
    </tr>
  )
}

const ONLY = Object.entries(PROPERTIES).map(([id, { label }]) => [id as PlantFilter['only'], label] as const)

function Filters({ filter, change }: { filter: PlantFilter; change: (part: Partial<PlantFilter>) => void }) {
  return (
    <Form className="mt-2 flex flex-wrap items-start gap-3" role="search">
      <Field label="Search">
        <input
          type="search"
          className="input w-56"
          value={filter.text}
          placeholder="name or family"
          onChange={(event) => change({ text: event.target.value })}
        />
      </Field>
      <SelectField
        label="Kind"
        className="w-36"
        value={filter.group}
        onChange={(group) => change({ group })}
        options={[
          ['any', 'any'],
          ['grass', 'grasses'],
          ['legume', 'legumes'],
          ['broadleaf', 'broadleaves'],
        ]}
      />
      <SelectField
        label="Season"
        className="w-32"
        value={filter.season}
        onChange={(season) => change({ season })}
        options={[
          ['any', 'any'],
          ['cool', 'cool'],
          ['warm', 'warm'],
        ]}
      />
      <SelectField
        label="Only what"
        className="w-60"
        value={filter.only}
        onChange={(only) => change({ only })}
        options={[['any', 'any'], ...ONLY]}
      />
    </Form>
  )
}
