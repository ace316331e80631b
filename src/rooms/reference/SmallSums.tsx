import { GRAMS_PER_POUND } from '../../core/foundations/units'
import { readQuantity, unitOf, writeQuantity } from '../../text/quantity'
import { useState } from 'react'
import type { SeedPack } from '../../core/garden/seed'
import { findSpecies, SPECIES } from '../../core/plants/catalogue'
import { BROADCAST_FACTOR } from '../../core/plants/establishment'
import { seedSize } from '../../core/plants/catalogue'
import { blendFromCounts, packetSowsM2, spreaderRate } from '../../core/seeding/shopping'
import { area, money, percent, rate, density, type Units } from '../../text/format'
import { SelectField, TextField } from '../../parts/SelectField'
import { useGarden } from '../../state/garden'
import { typedNumber } from '../../parts/typed'

const CHOICES = [...SPECIES]
  .sort((a, b) => a.name.localeCompare(b.name))
  .map((plant) => [plant.id, plant.name] as const)

/** Small sums about seed: what a packet sows, what is in a blend, what a spreader throws. */
export function SmallSums() {
  return (
    <div className="mt-2 grid grid-cols-1 gap-x-10 gap-y-4 md:grid-cols-2">
      <Packet />
      <Spreader />
      <Blend />
    </div>
  )
}

function Packet() {
  const { data } = useGarden()
  const { units } = data.garden
  const [speciesId, setSpeciesId] = useState('phacelia')
  const [weight, setWeight] = useState('')
  const plant = findSpecies(speciesId)
  const perM2 = plant ? (plant.parameters.drillKgHa / 10) * BROADCAST_FACTOR.raked[seedSize(plant)] : 0
  const sows = packetSowsM2(readQuantity(weight, 'seed', units), perM2 / 0.85)
  return (
    <fieldset>
      <legend className="font-semibold">What does a packet sow?</legend>
      <div className="mt-1 flex flex-wrap items-start gap-3">
        <SelectField
          label="Packet of"
          className="w-48"
          value={speciesId}
          onChange={setSpeciesId}
          options={CHOICES}
        />
        <TextField
          label={`Weight, ${unitOf('seed', units)}`}
          decimal
          className="w-24"
          value={weight}
          onChange={setWeight}
        />
      </div>
      {weight.trim() !== '' && (
        <p data-testid="packet">
          {sows > 0
            ? `Broadcast and raked in, about ${area(sows, data.garden.units)} at ${rate(perM2 / 0.85, data.garden.units)}.`
            : 'Weight: enter a number above 0.'}
        </p>
      )}
    </fieldset>
  )
}

function Spreader() {
  const { data } = useGarden()
  const { units } = data.garden
  const [lost, setLost] = useState('')
  const [strip, setStrip] = useState(writeQuantity(20, 'length', units))
  const [swath, setSwath] = useState(writeQuantity(3, 'length', units))
  const found = spreaderRate(
    readQuantity(lost, 'seed', units),
    readQuantity(strip, 'length', units),
    readQuantity(swath, 'length', units),
  )
  return (
    <fieldset>
      <legend className="font-semibold">What does my hand-cranked spreader throw?</legend>
      <div className="mt-1 flex flex-wrap items-start gap-3">
        <TextField
          label={`Lost over the strip, ${unitOf('seed', units)}`}
          decimal
          className="w-36"
          value={lost}
          onChange={setLost}
        />
        <TextField
          label={`Strip, ${unitOf('length', units)}`}
          decimal
          className="w-24"
          value={strip}
          onChange={setStrip}
        />
        <TextField
          label={`Width thrown, ${unitOf('length', units)}`}
          decimal
          className="w-32"
          value={swath}
          onChange={setSwath}
        />
      </div>
      {lost.trim() !== '' && (
        <p data-testid="spreader">
          {found > 0
            ? `${rate(found, data.garden.units)} at this opening and pace.`
            : 'Lost, strip and width: enter numbers above 0. Weigh it before and after.'}
        </p>
      )}
    </fieldset>
  )
}

/** Cheapest straight seed of a species on the list, price per kilogram; null when none is listed. */
function straightPrice(packs: readonly SeedPack[], speciesId: string): number | null {
  const prices = packs
    .filter((pack) => pack.contents.length === 1 && pack.contents[0].speciesId === speciesId)
    .map((pack) => pack.price / (pack.grams / 1000))
  return prices.length > 0 ? Math.min(...prices) : null
}

/** Seeds per m² of one kind in a blend, with the range that the counts leave. */
function seedsText(
  { speciesId, weightShare }: ReturnType<typeof blendFromCounts>[number],
  gramsPerM2: number,
  units: Units,
): string {
  const plant = findSpecies(speciesId)!
  const seeds = (share: number) =>
    density(((share * gramsPerM2) / plant.parameters.thousandSeedG) * 1000, units)
  return `${seeds(weightShare.mid)} (${seeds(weightShare.low)} to ${seeds(weightShare.high)}) of ${plant.name.toLowerCase()}`
}

function Blend() {
  const { data } = useGarden()
  const { currency, units } = data.garden
  const packs = data.garden.packs
  const [rows, setRows] = useState<{ speciesId: string; seeds: string }[]>([
    { speciesId: 'cereal-rye', seeds: '' },
    { speciesId: 'hairy-vetch', seeds: '' },
  ])
  const [price, setPrice] = useState('')
  const [sownAt, setSownAt] = useState('')
  const sownG = readQuantity(sownAt, 'seedRate', units)
  const perKg = units === 'imperial' ? GRAMS_PER_POUND / 1000 : 1
  const counted = rows.filter((row) => typedNumber(row.seeds) > 0)
  const blend = blendFromCounts(
    counted.map((row) => ({
      speciesId: row.speciesId,
      seeds: Math.round(typedNumber(row.seeds)),
      thousandSeedG: findSpecies(row.speciesId)!.parameters.thousandSeedG,
    })),
  )
  const own = blend.map((part) => ({ ...part, perKg: straightPrice(packs, part.speciesId) }))
  const ownPrice = own.every((part) => part.perKg !== null)
    ? own.reduce((sum, part) => sum + part.weightShare.mid * part.perKg!, 0)
    : null
  const wrong = rows.some((row) => row.seeds.trim() !== '' && !(typedNumber(row.seeds) > 0))
  return (
    <fieldset className="md:col-span-2">
      <legend className="font-semibold">What is in this blend, and is it cheaper than my own?</legend>
      <p className="quiet text-sm">Sort a pinch of a hundred seeds or more, and count each kind.</p>
      {rows.map((row, i) => (
        <div key={i} className="mt-1 flex flex-wrap items-start gap-3">
          <SelectField
            label={`Kind ${i + 1}`}
            className="w-48"
            value={row.speciesId}
            onChange={(speciesId) =>
              setRows(rows.map((other, k) => (k === i ? { ...other, speciesId } : other)))
            }
            options={CHOICES}
          />
          <TextField
            label="Seeds counted"
            className="w-28"
            value={row.seeds}
            onChange={(seeds) => setRows(rows.map((other, k) => (k === i ? { ...other, seeds } : other)))}
          />
        </div>
      ))}
      <div className="mt-1 flex flex-wrap items-start gap-3">
        <button
          type="button"
          className="btn btn-sm mt-6"
          onClick={() => setRows([...rows, { speciesId: 'crimson-clover', seeds: '' }])}
        >
          One more kind
        </button>
        <TextField
          label={`Sown at, ${unitOf('seedRate', units)}`}
          decimal
          className="w-28"
          value={sownAt}
          onChange={setSownAt}
        />
        <TextField
          label={`Price of the blend per ${units === 'imperial' ? 'lb' : 'kg'}, ${currency}`}
          decimal
          className="w-48"
          value={price}
          onChange={setPrice}
        />
      </div>
      {wrong && (
        <p role="alert" className="font-semibold text-error">
          Seeds counted: whole numbers above 0.
        </p>
      )}
      {blend.length > 1 && (
        <p data-testid="blend">
          By weight{' '}
          {blend
            .map(
              ({ speciesId, weightShare }) =>
                `${findSpecies(speciesId)?.name.toLowerCase()} ${percent(weightShare.mid)} (${percent(weightShare.low)} to ${percent(weightShare.high)})`,
            )
            .join(', ')}
          .{' '}
          {sownG > 0 &&
            `Sown at ${rate(sownG, units)}: ${blend.map((part) => seedsText(part, sownG, units)).join(', ')}. `}
          {typedNumber(price) > 0 &&
            (ownPrice === null
              ? `List packs of ${own
                  .filter((part) => part.perKg === null)
                  .map((part) => findSpecies(part.speciesId)?.name.toLowerCase())
                  .join(' and ')} to compare.`
              : `The same from straight seed costs ${money(ownPrice * perKg, currency)} a ${units === 'imperial' ? 'pound' : 'kilogram'}, the blend ${money(typedNumber(price), currency)}.`)}
        </p>
      )}
    </fieldset>
  )
}
