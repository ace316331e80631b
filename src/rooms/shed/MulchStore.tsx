import { bringMulch, removeMulch, sayOfMulch } from '../../actions/mulch'
import { isoDate } from '../../core/foundations/day'
import { mulchKind, mulchSprayed, type MulchLoad } from '../../core/garden/mulch'
import { HOLDING_G } from '../../core/residue/mulch'
import { holdsWeedsKgM2, mulchStore, type StoredMulch } from '../../core/residue/mulchStore'
import { Caution } from '../../parts/Caution'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { Scroll } from '../../parts/Scroll'
import { Why } from '../../parts/Why'
import { Choices } from '../../parts/SelectField'
import { useAct, useGarden } from '../../state/garden'
import { weight } from '../../text/amounts'
import { area, kilos, shortDate } from '../../text/format'
import { storedName } from '../../text/names'
import { unitOf } from '../../text/quantity'
import { LayMulch, MulchOnBeds } from './LayMulch'
import { mulchForm } from './stockForms'

const SEEDS = [
  ['not known', 'not known'],
  ['none', 'none'],
  ['some', 'some'],
] as const
const SPRAYED = mulchSprayed.options.map(
  (said) => [said, said === 'none' ? 'nothing that lasts' : said] as const,
)

/** Mulch that lies in store, brought or cut here; what was laid where, and what is left. */
export function MulchStore() {
  const { data } = useGarden()
  const store = mulchStore(data)
  const left = store.filter(({ leftKg }) => leftKg > 0.05)
  return (
    <div data-testid="mulch-store">
      {store.length === 0 && (
        <p className="quiet mt-1">
          None. Growth carried off to the store in End (Cut without ending) lies here, and what you bring in.
        </p>
      )}
      {store.length > 0 && <Ledger store={store} />}
      {left.length > 0 && <LayMulch store={left} />}
      <MulchOnBeds store={store} />
      <BringIn />
    </div>
  )
}

/** What came in, what was laid, what is left, and how much ground that holds weeds on. */
function Ledger({ store }: { store: readonly StoredMulch[] }) {
  const { data } = useGarden()
  const { garden, beds } = data
  const { units } = garden
  const act = useAct()
  const heldM2 = store.reduce((sum, { leftKg, kind }) => sum + leftKg / holdsWeedsKgM2(kind), 0)
  return (
    <>
      <Scroll label="Mulch in store">
        <table className="table table-sm mt-1 w-auto">
          <thead>
            <tr>
              <th>Mulch</th>
              <th>In</th>
              <th className="text-right">Came in, dry</th>
              <th className="text-right">Laid</th>
              <th className="text-right">Owed</th>
              <th className="text-right">Left</th>
              <th className="text-right">Holds weeds on</th>
              <th>Weedkiller in it</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {store.map((one) => (
              <tr key={one.sourceId}>
                <td>{storedName(one)}</td>
                <td>{shortDate(one.day)}</td>
                <td className="text-right">
                  {kilos(one.inKg, units)}
                  {one.stand && ` from ${beds.find(({ id }) => id === one.stand!.bedId)?.label ?? 'a bed'}`}
                </td>
                <td className="text-right">{kilos(one.laidKg, units)}</td>
                <td className="text-right">{one.owedKg > 0 ? kilos(one.owedKg, units) : '–'}</td>
                <td className="text-right font-semibold">{kilos(one.leftKg, units)}</td>
                <td className="text-right">{area(one.leftKg / holdsWeedsKgM2(one.kind), units)}</td>
                <td>{one.load ? <Said load={one.load} name={storedName(one)} /> : 'none: grown here'}</td>
                <td>
                  {one.load && (
                    <button
                      className="btn btn-ghost btn-xs"
                      aria-label={`Remove ${storedName(one)} of ${shortDate(one.day)}`}
                      onClick={single(() => act(removeMulch(garden, one.load!)))}
                    >
                      Remove
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      <div className="mt-1">
        What is left holds weeds on {area(heldM2, units)}.{' '}
        <Why>
          Counted as in Plant: three quarters of the small annual weeds are held back by{' '}
          {weight(HOLDING_G, units)} of dry mulch, wood by lying as deep as that does. Perennial weeds come
          through any of it. Forecasts follow straw, hay, leaves and what was cut here as they rot; wood lies
          for years and is not followed.
        </Why>
      </div>
      {store.map(({ load }) => load && <Warnings key={load.id} load={load} />)}
    </>
  )
}

function Said({ load, name }: { load: MulchLoad; name: string }) {
  const { garden } = useGarden().data
  const act = useAct()
  return (
    <select
      aria-label={`Weedkiller in ${name}`}
      className="select w-44"
      value={load.sprayed}
      onChange={({ target }) => act(sayOfMulch(garden, load, { sprayed: mulchSprayed.parse(target.value) }))}
    >
      <Choices options={SPRAYED} />
    </select>
  )
}

/** What a load may carry onto the beds. */
function Warnings({ load: { kind, seeds, sprayed } }: { load: MulchLoad }) {
  return (
    <>
      {sprayed === 'beans curled' && (
        <Caution>Beans curled in the {kind}: keep it off the beds, and out of the compost.</Caution>
      )}
      {sprayed === 'not known' && (
        <Caution>
          Nobody knows what was sprayed on the {kind}. Sow three beans in soil with it and three without; lay
          it only if after three weeks their leaves are alike.
        </Caution>
      )}
      {seeds !== 'none' && kind === 'hay' && (
        <Caution>
          Hay brings its seed. Lay it thick, on crops that stay long, or let it sprout and turn it first.
        </Caution>
      )}
    </>
  )
}

function BringIn() {
  const { data, today } = useGarden()
  const { garden } = data
  const { units } = garden
  const act = useAct()
  const form = useTyped({
    schema: mulchForm(today, units),
    draft: { name: 'mulch' },
    blank: { kind: 'straw', kg: '', day: isoDate(today), seeds: 'not known', sprayed: 'not known' },
  })
  return (
    <Form
      className="mt-3 flex flex-wrap items-start gap-3"
      aria-label="Bring in mulch"
      onSubmit={form.submit(({ value: { day, ...load } }) =>
        act(bringMulch(garden, { ...load, broughtOn: isoDate(day) })),
      )}
    >
      <TypedChoice
        form={form}
        name="kind"
        label="Brought in"
        className="w-36"
        options={mulchKind.options.map((kind) => [kind, kind] as const)}
      />
      <TypedText
        form={form}
        name="kg"
        label={`Dry weight, ${unitOf('weight', units)}`}
        className="w-32"
        decimal
      />
      <TypedDay form={form} name="day" label="Day" />
      <TypedChoice form={form} name="seeds" label="Weed seed in it" className="w-36" options={SEEDS} />
      <TypedChoice form={form} name="sprayed" label="Weedkiller in it" className="w-44" options={SPRAYED} />
      <button className="btn btn-sm mt-6">Bring it in</button>
    </Form>
  )
}
