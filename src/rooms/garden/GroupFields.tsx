import type { FieldErrors, UseFormRegister } from 'react-hook-form'
import { bedKind, soilTexture } from '../../core/garden/schema'
import { Field } from '../../parts/Field'
import { lengthUnit, type BedGroupInput, type Units } from './forms'

type Groups = { groups: BedGroupInput[] }

/** A run of like beds, typed in one line. */
export function GroupFields<T extends Groups>({
  index,
  register,
  errors,
  units,
}: {
  index: number
  register: UseFormRegister<T>
  errors: FieldErrors<Groups>
  units: Units
}) {
  const field = register as unknown as UseFormRegister<Groups>
  const problems = errors.groups?.[index]
  return (
    <div className="flex flex-wrap items-start gap-3">
      <Field label="Section" error={problems?.section?.message}>
        <input className="input w-40" {...field(`groups.${index}.section`)} />
      </Field>
      <Field label="Beds" error={problems?.count?.message}>
        <input className="input w-20" inputMode="numeric" {...field(`groups.${index}.count`)} />
      </Field>
      <Field label="Label" error={problems?.prefix?.message}>
        <input className="input w-20" {...field(`groups.${index}.prefix`)} />
      </Field>
      <Field label={`Length, ${lengthUnit(units)}`} error={problems?.length?.message}>
        <input className="input w-24" inputMode="decimal" {...field(`groups.${index}.length`)} />
      </Field>
      <Field label={`Width, ${lengthUnit(units)}`} error={problems?.width?.message}>
        <input className="input w-24" inputMode="decimal" {...field(`groups.${index}.width`)} />
      </Field>
      <Field label="Kind">
        <select className="select w-32" {...field(`groups.${index}.kind`)}>
          {bedKind.options.map((kind) => (
            <option key={kind}>{kind}</option>
          ))}
        </select>
      </Field>
      <Field label="Soil">
        <select className="select w-32" {...field(`groups.${index}.soil`)}>
          {soilTexture.options.map((soil) => (
            <option key={soil}>{soil}</option>
          ))}
        </select>
      </Field>
    </div>
  )
}
