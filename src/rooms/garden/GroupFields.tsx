import type { FieldPath, UseFormRegister } from 'react-hook-form'
import { bedKind, soilTexture } from '../../core/garden/schema'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import type { Units } from '../../text/format'
import { unitOf } from '../../text/quantity'
import type { BedGroupInput } from './forms'

type Groups = { groups: BedGroupInput[] }
const same = <T extends string>(options: readonly T[]) => options.map((option) => [option, option] as const)

/** A usual width of a bed as it is typed: what one reaches across. */
const USUAL_WIDTH = { metric: '0.75', imperial: '2.5' } as const

/** A run of beds before anything is said of it. */
export const blankGroup = (section: string, prefix: string, units: Units): BedGroupInput => ({
  section,
  prefix,
  count: '1',
  lengthM: '',
  widthM: USUAL_WIDTH[units],
  kind: 'in-ground',
  soil: 'loam',
})

/** A run of like beds, typed in one line. */
export function GroupFields<T extends Groups>({
  index,
  form: whole,
  units,
}: {
  index: number
  form: { register: UseFormRegister<T>; problem: (name: FieldPath<T>) => string | undefined }
  units: Units
}) {
  // Every form with runs of beds has these fields, whatever else is in it.
  const form = whole as unknown as {
    register: UseFormRegister<Groups>
    problem: (name: FieldPath<Groups>) => string | undefined
  }
  const at = <F extends keyof BedGroupInput>(field: F) => `groups.${index}.${field}` as const
  const unit = unitOf('length', units)
  return (
    <div className="flex flex-wrap items-start gap-3">
      <TypedText form={form} name={at('count')} label="How many" className="h-11 w-20" decimal />
      <TypedText form={form} name={at('lengthM')} label={`Length, ${unit}`} className="h-11 w-24" decimal />
      <TypedText form={form} name={at('widthM')} label={`Width, ${unit}`} className="h-11 w-24" decimal />
      <TypedText form={form} name={at('prefix')} label="Named" hint="and numbered" className="h-11 w-20" />
      <TypedText form={form} name={at('section')} label="Section" className="h-11 w-36" />
      <TypedChoice
        form={form}
        name={at('kind')}
        label="Kind"
        className="h-11 w-32"
        options={same(bedKind.options)}
      />
      <TypedChoice
        form={form}
        name={at('soil')}
        label="Soil"
        className="h-11 w-32"
        options={same(soilTexture.options)}
      />
    </div>
  )
}
