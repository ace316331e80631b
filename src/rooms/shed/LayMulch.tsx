import { useSearchParams } from 'react-router'
import { layMulch, mulchDone, takeOutMulch } from '../../actions/mulch'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import { having } from '../../core/foundations/grouped'
import { segmentAreaM2 } from '../../core/garden/area'
import { holdsWeedsKgM2, laidDepthM, type StoredMulch } from '../../core/residue/mulchStore'
import { mulchAsPlanned, openFrom } from '../../core/season/owedMulch'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { GroundFields } from '../../parts/ground/GroundFields'
import { segmentFrom, segmentTyped, WHOLE_GROUND } from '../../parts/ground/groundForm'
import { single } from '../../parts/once'
import { useAct, useGarden } from '../../state/garden'
import { placeText } from '../../text/bed'
import { centimetres, kilos, shortDate } from '../../text/format'
import { storedName } from '../../text/names'
import { unitOf, writeQuantity } from '../../text/quantity'
import { laidForm } from './stockForms'

const WHOLE = { kind: 'whole' } as const

/** Lays mulch from store on a bed: how deep it lies there, and whether it holds weeds. */
export function LayMulch({ store }: { store: readonly StoredMulch[] }) {
  const { data, today } = useGarden()
  const { garden, beds } = data
  const { units } = garden
  const act = useAct()
  const leftKg = (sourceId: string) => having(store, 'sourceId', sourceId).at(0)?.leftKg ?? 0
  // A room that asks for mulch on a bed says which, and from when on.
  const [params] = useSearchParams()
  const asked = having(beds, 'id', params.get('bed') ?? '').at(0)
  const askedDay = parseDay(params.get('day') ?? '')
  const after = having(data.stands, 'id', params.get('after') ?? '').at(0)
  const openDay = after ? openFrom(data, after) : null
  const day = isoDate(askedDay ?? today)
  const form = useTyped({
    schema: laidForm(today, units, beds, leftKg),
    draft: { name: `mulch laid${asked ? ` ${asked.id} ${day}` : ''}`, version: 2 },
    blank: { sourceId: store[0].sourceId, bedId: asked?.id ?? '', kg: '', day, ...WHOLE_GROUND },
  })
  const { value, text } = form
  const bed = beds.find(({ id }) => id === text.bedId)
  const source = having(store, 'sourceId', text.sourceId).at(0)
  const part = (bed && segmentTyped(text, bed, units)) ?? WHOLE
  const areaM2 = bed ? segmentAreaM2(bed, part) : 0
  const wanted = source ? areaM2 * holdsWeedsKgM2(source.kind) : 0
  const barred = source?.load?.sprayed === 'beans curled'
  return (
    <Form
      className="mt-3 flex flex-wrap items-start gap-3"
      aria-label="Lay mulch"
      onSubmit={form.submit(({ value: laid }) => {
        const on = beds.find(({ id }) => id === laid.bedId)!
        const segment = segmentFrom(laid, on)!
        const follows = after?.bedId === on.id && openDay !== null ? { standId: after.id, openDay } : null
        return act(layMulch(garden, on, { ...laid, segment, after: follows }, today))
      })}
    >
      <TypedChoice
        form={form}
        name="sourceId"
        label="Lay"
        className="w-56"
        options={store.map(
          (one) => [one.sourceId, `${storedName(one)}, ${kilos(one.leftKg, units)}`] as const,
        )}
      />
      <TypedChoice
        form={form}
        name="bedId"
        label="On bed"
        className="w-28"
        options={[['', 'choose'], ...beds.map(({ id, label }) => [id, label] as const)]}
      />
      <TypedText
        form={form}
        name="kg"
        label={`Dry weight, ${unitOf('weight', units)}`}
        className="w-32"
        decimal
      />
      <TypedDay form={form} name="day" label="Day" />
      {bed && <GroundFields bed={bed} form={form} day={value?.day ?? today} />}
      <button className="btn mt-6" disabled={barred}>
        {value && value.day > today ? 'Schedule' : 'Record as laid'}
      </button>
      {bed && source && (
        <p className="basis-full" data-testid="mulch-depth">
          {value && `${centimetres(laidDepthM(source.kind, value.kg, areaM2), units)} deep. `}
          {placeText(bed, part, units)} wants about {kilos(wanted, units)} to hold weeds
          {source.leftKg < wanted ? `; ${kilos(wanted - source.leftKg, units)} are missing.` : '.'}{' '}
          <button
            type="button"
            className="link"
            onClick={() => form.set({ kg: writeQuantity(Math.min(wanted, source.leftKg), 'weight', units) })}
          >
            Take that
          </button>
        </p>
      )}
    </Form>
  )
}

/** What was laid on beds or is owed to them, the latest first. */
export function MulchOnBeds({ store }: { store: readonly StoredMulch[] }) {
  const { data, today } = useGarden()
  const { garden, beds } = data
  const act = useAct()
  if (garden.mulchLaid.length === 0) return null
  return (
    <ul className="mt-2" aria-label="Mulch laid">
      {mulchAsPlanned(data)
        .sort((a, b) => (a.date < b.date ? 1 : -1))
        .map((laid) => {
          const source = having(store, 'sourceId', laid.sourceId).at(0)
          const bed = beds.find(({ id }) => id === laid.bedId)
          const label = bed ? placeText(bed, laid.segment ?? WHOLE, garden.units) : 'a bed that is gone'
          const what = `${kilos(laid.kg, garden.units)} of ${source ? storedName(source) : 'mulch'} on ${label}`
          return (
            <li key={laid.id}>
              {laid.owed ? `Owed by ${shortDate(dayNumber(laid.date))}` : shortDate(dayNumber(laid.date))}:{' '}
              {what}
              {laid.owed && (
                <button
                  className="btn btn-xs ml-2"
                  aria-label={`Laid today: ${what}`}
                  onClick={single(() => act(mulchDone(garden, laid.id, today)))}
                >
                  Laid today
                </button>
              )}
              <button
                className="btn btn-ghost btn-xs ml-2"
                aria-label={`Take out ${what}`}
                onClick={single(() => act(takeOutMulch(garden, laid.id)))}
              >
                Take out
              </button>
            </li>
          )
        })}
    </ul>
  )
}
