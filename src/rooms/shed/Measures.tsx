import { measureHands } from '../../actions/seed'
import type { SeedSize } from '../../core/plants/catalogue'
import { USUAL_HANDFUL_G, USUAL_MEASURES } from '../../core/seeding/measures'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { useAct, useGarden } from '../../state/garden'
import { grams, metres } from '../../text/format'
import { unitOf, writeQuantity } from '../../text/quantity'
import { handsForm } from './forms'

const SIZES: readonly (readonly [SeedSize, string])[] = [
  ['large', 'large: peas, beans'],
  ['medium', 'medium: cereals, vetch, buckwheat'],
  ['small', 'small: crimson clover, mustard'],
  ['tiny', 'tiny: white clover, phacelia'],
]

/** How each person throws: five handfuls into a cup, the width of a cast, ten paces. */
export function Measures() {
  const { data } = useGarden()
  const act = useAct()
  const { garden } = data
  const { units } = garden
  const sowers = garden.sowers
  const form = useTyped({
    schema: handsForm(units),
    draft: { name: 'hands' },
    blank: {
      name: '',
      size: 'medium',
      handfuls: '5',
      cupG: '',
      castWidthM: writeQuantity(USUAL_MEASURES.castWidthM, 'length', units),
      tenPacesM: writeQuantity(USUAL_MEASURES.paceM * 10, 'length', units),
    },
  })
  const save = form.submit(({ value: { cupG, handfuls, tenPacesM, ...hands } }) =>
    act(measureHands(garden, { ...hands, handfulG: cupG / handfuls, paceM: tenPacesM / 10 })),
  )
  return (
    <>
      <p className="mt-1 max-w-prose">
        Throw five handfuls into a cup as you would over the bed, and weigh it. Usual hands:{' '}
        {SIZES.map(([id]) => `${grams(USUAL_HANDFUL_G[id], units)} ${id}`).join(', ')}.
      </p>
      {sowers.length > 0 && (
        <ul className="mt-1" data-testid="sowers">
          {sowers.map((sower) => (
            <li key={sower.id}>
              <strong>{sower.name}</strong>:{' '}
              {SIZES.flatMap(([id]) =>
                sower.gramsPerHandful[id] ? [`${grams(sower.gramsPerHandful[id], units)} ${id}`] : [],
              ).join(', ')}
              ; casts {metres(sower.castWidthM, garden.units)} wide, paces of{' '}
              {metres(sower.paceM, garden.units)}
            </li>
          ))}
        </ul>
      )}
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Own measures" onSubmit={save}>
        <TypedText form={form} name="name" label="Name" className="w-40" />
        <TypedChoice form={form} name="size" label="Seed" className="w-80" options={SIZES} />
        <TypedText form={form} name="handfuls" label="Handfuls" className="w-24" decimal />
        <TypedText
          form={form}
          name="cupG"
          label={`In the cup, ${unitOf('seed', units)}`}
          className="w-28"
          decimal
        />
        <TypedText
          form={form}
          name="castWidthM"
          label={`Cast width, ${unitOf('length', units)}`}
          className="w-28"
          decimal
        />
        <TypedText
          form={form}
          name="tenPacesM"
          label={`Ten paces, ${unitOf('length', units)}`}
          className="w-28"
          decimal
        />
        <button className="btn mt-6">Keep it</button>
      </Form>
    </>
  )
}
