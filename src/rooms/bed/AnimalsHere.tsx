import { animalsOn, takeOutAnimals } from '../../actions/animalsOn'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { Livestock } from '../../core/garden/rules'
import type { Bed, Stand } from '../../core/garden/schema'
import { standsOn } from '../../core/garden/timeline'
import { CREATURE_OF } from '../../core/garden/usualRules'
import { clearDays, tooSoonAfter } from '../../core/planting/animalStay'
import { cropHarms } from '../../core/plants/cropHarms'
import { findCrop } from '../../core/plants/crops'
import { Caution } from '../../parts/Caution'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { useAct, useGarden } from '../../state/garden'
import { longDate } from '../../text/format'
import { standName } from '../../text/names'
import { staysForm } from './forms'

const KINDS: readonly Livestock['kind'][] = ['hens', 'ducks', 'pigs', 'sheep', 'goats', 'rabbits']

/** The crops that stand in a bed on a day, or were cleared in the weeks before: what animals would find there. */
const SPENT_DAYS = 28
const cropsFound = (stands: readonly Stand[], bed: Bed, day: number) =>
  stands.flatMap((stand) => {
    if (stand.bedId !== bed.id || stand.content.kind !== 'crop') return []
    const cleared = stand.end.actual && dayNumber(stand.end.actual.date)
    const found = standsOn(stand, day) || (cleared !== null && cleared <= day && cleared > day - SPENT_DAYS)
    const crop = found ? findCrop(stand.content.cropId) : null
    return crop ? [crop] : []
  })

/** Animals on spent crops or weeds: what harms them there, and the one clock their manure starts. */
export function AnimalsHere({ bed }: { bed: Bed }) {
  const { expected, today } = useGarden()
  const { garden, stands } = expected
  const act = useAct()
  const known = garden.livestock.at(0)
  const form = useTyped({
    schema: staysForm(bed, today),
    draft: { name: `animals ${bed.id}` },
    live: true,
    blank: {
      kind: known?.kind ?? 'hens',
      head: String(known?.head ?? ''),
      from: isoDate(today),
      until: isoDate(today),
    },
  })
  const { value, text } = form
  const stays = bed.spreads.filter(({ animals }) => animals)
  const kind = KINDS.find((one) => one === text.kind) ?? 'hens'
  const crops = value ? cropsFound(stands, bed, value.from) : []
  const harms = crops.flatMap((crop) =>
    cropHarms(crop, CREATURE_OF[kind]).map((harm) => ({ ...harm, name: crop.name })),
  )
  const barred = harms.some(({ level }) => level === 'avoid')
  return (
    <details className="mt-6" data-testid="animals-here">
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">
        Animals on spent crops or weeds{' '}
        {stays.length > 0 && <span className="quiet font-sans text-sm">{stays.length}</span>}
      </summary>
      <ul className="mt-1">
        {stays.map((stay) => (
          <li key={stay.id}>
            <span className="mr-3">
              {stay.what}, {longDate(dayNumber(stay.animals!.from))} to {longDate(dayNumber(stay.date))}
            </span>
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Remove ${stay.what}`}
              onClick={single(() => act(takeOutAnimals(bed, stay.id)))}
            >
              Remove
            </button>
            <Clock bed={bed} lastDay={dayNumber(stay.date)} />
          </li>
        ))}
      </ul>
      <Form
        className="mt-2 flex flex-wrap items-start gap-3"
        aria-label="Animals on this bed"
        onSubmit={form.submit(({ value: stay }) => act(animalsOn(bed, stay, crops)))}
      >
        <TypedChoice
          form={form}
          name="kind"
          label="Animals"
          className="w-36"
          options={KINDS.map((one) => [one, one] as const)}
        />
        <TypedText form={form} name="head" label="How many" className="w-24" decimal />
        <TypedDay form={form} name="from" label="From" />
        <TypedDay form={form} name="until" label="Until" />
        <button className="btn mt-6" disabled={barred}>
          Record their stay
        </button>
      </Form>
      {harms.map(({ name, why }) => (
        <Caution key={name + why}>
          {name} and {kind}: {why} Ask a vet.
        </Caution>
      ))}
      {value && !barred && <Clock bed={bed} lastDay={value.until} />}
    </details>
  )
}

/** From when on a harvest keeps the interval after animals, and what is planned sooner. */
function Clock({ bed, lastDay }: { bed: Bed; lastDay: number }) {
  const { garden, stands } = useGarden().expected
  const { touching, clear } = clearDays(lastDay, garden.rules)
  const soon = tooSoonAfter(bed, stands, lastDay, garden.rules)
  return (
    <>
      <p className="quiet text-sm">
        Their manure lies until {longDate(lastDay)}: no harvest of what touches soil or its splash before{' '}
        {longDate(touching)}, of other crops before {longDate(clear)}. Local rules decide.
      </p>
      {soon.map(({ stand, readyDay, clearDay }) => (
        <Caution key={stand.id}>
          {standName(stand)} would be ready about {longDate(readyDay)}, before {longDate(clearDay)}: plant it{' '}
          {clearDay - readyDay} days later, harvest later, or take the animals off sooner.
        </Caution>
      ))}
    </>
  )
}
