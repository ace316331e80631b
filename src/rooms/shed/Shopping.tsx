import { listPack, removePack } from '../../actions/seed'
import type { SeedLot, SeedPack } from '../../core/garden/seed'
import { findSpecies, SPECIES } from '../../core/plants/catalogue'
import { cheapestPacks } from '../../core/seeding/shopping'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { Scroll } from '../../parts/Scroll'
import { useAct, useGarden } from '../../state/garden'
import { grams, money } from '../../text/format'
import { unitOf } from '../../text/quantity'
import { packForm } from './forms'
import { seedNeeds } from './needs'

const nameOf = (speciesId: string) => findSpecies(speciesId)?.name ?? speciesId

/** What all planned sowings need beyond the stock, and the cheapest packs that cover it. */
export function Shopping({ lots }: { lots: readonly SeedLot[] }) {
  const { data } = useGarden()
  const { units, currency } = data.garden
  const packs = data.garden.packs
  const needs = seedNeeds(data, lots)
  const short = Object.fromEntries(
    needs.filter((need) => need.shortG > 0).map((need) => [need.speciesId, need.shortG]),
  )
  const offered = new Set(packs.flatMap((pack) => pack.contents.map((component) => component.speciesId)))
  const covered = Object.fromEntries(Object.entries(short).filter(([speciesId]) => offered.has(speciesId)))
  const basket = Object.keys(covered).length > 0 ? cheapestPacks(covered, packs) : null
  const withoutOffer = Object.keys(short).filter((speciesId) => !offered.has(speciesId))
  return (
    <>
      {needs.length === 0 ? (
        <p className="mt-1">No sowing is planned.</p>
      ) : (
        <Scroll label="Seed needed">
          <table className="table table-sm mt-1 w-auto" data-testid="needs">
            <thead>
              <tr>
                <th>Species</th>
                <th className="text-right">Needed</th>
                <th className="text-right">At hand</th>
                <th className="text-right">To buy</th>
                <th>Beds</th>
              </tr>
            </thead>
            <tbody>
              {needs.map((need) => (
                <tr key={need.speciesId}>
                  <td>
                    {nameOf(need.speciesId)}
                    <span aria-hidden="true" className="mt-0.5 block h-1.5 w-28 border border-secondary">
                      <span
                        className="block h-full bg-secondary"
                        style={{ width: `${Math.round(100 * Math.min(1, need.atHandG / need.wantedG))}%` }}
                      />
                    </span>
                  </td>
                  <td className="text-right">{grams(need.wantedG, units)}</td>
                  <td className="text-right">{grams(need.atHandG, units)}</td>
                  <td className="text-right font-semibold">
                    {need.shortG > 0 ? grams(need.shortG, units) : '–'}
                  </td>
                  <td>{need.beds.join(', ')}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scroll>
      )}
      {basket && (
        <p className="mt-2" data-testid="basket">
          Cheapest:{' '}
          {basket.packs
            .map(({ id, count }) => `${count} × ${packs.find((pack) => pack.id === id)?.label}`)
            .join(', ')}
          , together <strong>{money(basket.cost, currency)}</strong>.
        </p>
      )}
      {Object.keys(covered).length > 0 && !basket && (
        <p className="mt-2">The packs below cannot cover it; there are too few of them.</p>
      )}
      {withoutOffer.length > 0 && (
        <p className="quiet mt-1 text-sm">
          No pack is listed of {withoutOffer.map((id) => nameOf(id).toLowerCase()).join(', ')}.
        </p>
      )}
      <Packs packs={packs} />
    </>
  )
}

function Packs({ packs }: { packs: SeedPack[] }) {
  const { data } = useGarden()
  const act = useAct()
  const { garden } = data
  const { units } = garden
  const form = useTyped({
    schema: packForm(units),
    draft: { name: 'pack' },
    blank: { speciesId: '', grams: '', price: '' },
  })
  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-semibold">
        Packs that can be bought{' '}
        {packs.length > 0 && <span className="quiet font-normal">{packs.length}</span>}
      </summary>
      <ul className="mt-1">
        {packs.map((pack) => (
          <li key={pack.id} className="flex items-center gap-3">
            {pack.label}, {money(pack.price, garden.currency)}
            <span className="quiet text-sm">
              {money(pack.price / (pack.grams / 1000), garden.currency)} a kilogram
            </span>
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Remove ${pack.label}`}
              onClick={single(() => act(removePack(garden, pack)))}
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
      <Form
        className="mt-2 flex flex-wrap items-start gap-3"
        aria-label="Pack"
        onSubmit={form.submit(({ value }) => act(listPack(garden, value)))}
      >
        <TypedChoice
          form={form}
          name="speciesId"
          label="Seed of"
          className="w-52"
          options={[['', 'choose'], ...SPECIES.map((plant) => [plant.id, plant.name] as const)]}
        />
        <TypedText
          form={form}
          name="grams"
          label={`Weight, ${unitOf('seed', units)}`}
          className="w-28"
          decimal
        />
        <TypedText form={form} name="price" label={`Price, ${garden.currency}`} className="w-28" decimal />
        <button className="btn mt-6">List it</button>
      </Form>
    </details>
  )
}
