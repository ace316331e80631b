import type { FieldPath, UseFormRegister } from 'react-hook-form'
import { rectangleOf } from '../../core/garden/ground'
import type { Bed } from '../../core/garden/schema'
import { standsOn } from '../../core/garden/timeline'
import { useGarden } from '../../state/garden'
import { standName } from '../../text/names'
import { unitOf, writeQuantity } from '../../text/quantity'
import { TypedChoice, TypedText } from '../form/fields'
import { BedPlan, type OnPlan } from './BedPlan'
import { rectangleTyped, type EdgeText, type GroundValue } from './groundForm'

type GroundText = EdgeText & { ground: GroundValue['ground'] }

/** The part of a form that says which ground is meant. */
type FormWith<Text extends EdgeText> = {
  register: UseFormRegister<Text>
  problem: (name: FieldPath<Text>) => string | undefined
  text: Text
  set: (part: Partial<Text>) => void
}

const GROUNDS = [
  ['whole', 'the whole bed'],
  ['first half', 'its first half'],
  ['second half', 'its second half'],
  ['part', 'a part of it'],
] as const
const PATH = [['path', 'the path beside it']] as const

/** The ground in words, as it is chosen. */
export const groundWords = (ground: GroundValue['ground']): string =>
  GROUNDS.find(([id]) => id === ground)?.[1] ?? PATH[0][1]

/** Which ground of a bed is meant; a part of it is drawn on the bed from above, or typed. */
export function GroundFields({
  bed,
  form,
  path = false,
  day,
}: {
  bed: Bed
  form: FormWith<GroundText>
  path?: boolean
  /** Day whose stands are shown on it. */
  day: number
}) {
  return (
    <>
      <TypedChoice form={form} name="ground" label="Ground" options={[...GROUNDS, ...(path ? PATH : [])]} />
      {form.text.ground === 'part' && (
        <div className="basis-full sm:col-span-full">
          <PieceFields bed={bed} form={form as unknown as FormWith<EdgeText>} day={day} />
        </div>
      )}
    </>
  )
}

/** A piece of a bed, drawn from above or typed. */
export function PieceFields({ bed, form, day }: { bed: Bed; form: FormWith<EdgeText>; day: number }) {
  const { data, expected } = useGarden()
  const { units } = data.garden
  const unit = unitOf('length', units)
  const lying = [...standing(expected.stands, bed, day), ...staying(bed)]
  const write = (m: number) => writeQuantity(m, 'length', units)
  return (
    <div className="flex flex-col gap-2">
      <BedPlan
        bed={bed}
        label={bed.label}
        units={units}
        lying={lying}
        piece={rectangleTyped(form.text, bed, units)}
        onPiece={({ fromM, toM, fromAcrossM, toAcrossM }) =>
          form.set({
            fromM: write(fromM),
            toM: write(toM),
            fromAcrossM: write(fromAcrossM),
            toAcrossM: write(toAcrossM),
          })
        }
      />
      <div className="grid grid-cols-[repeat(auto-fit,minmax(8rem,1fr))] gap-3">
        <TypedText form={form} name="fromM" label={`From, ${unit}`} placeholder="0" decimal />
        <TypedText form={form} name="toM" label={`To, ${unit}`} placeholder={write(bed.lengthM)} decimal />
        <TypedText form={form} name="fromAcrossM" label={`From, across, ${unit}`} placeholder="0" decimal />
        <TypedText
          form={form}
          name="toAcrossM"
          label={`To, across, ${unit}`}
          placeholder={write(bed.widthM)}
          decimal
        />
      </div>
    </div>
  )
}

/** What stands on a bed on a day, where it lies. */
const standing = (stands: Parameters<typeof standsOn>[0][], bed: Bed, day: number): OnPlan[] =>
  stands.flatMap((stand) => {
    const place = rectangleOf(stand.segment, bed)
    return stand.bedId === bed.id && place && standsOn(stand, day)
      ? [{ id: stand.id, label: standName(stand), place }]
      : []
  })

/** What stays in a bed and where. */
const staying = (bed: Bed): OnPlan[] =>
  bed.fixtures.flatMap(({ id, label, place }) => (place ? [{ id, label, place, stays: true }] : []))
