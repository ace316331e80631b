import { Scroll } from '../../parts/Scroll'
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import type { z } from 'zod'
import { bedKind, fertility, soilTexture, stoodBefore, type Bed } from '../../core/garden/schema'
import { Dialog } from '../../parts/Dialog'
import { Field } from '../../parts/Field'
import { metres, percent } from '../../text/format'
import { useCommit, useGarden } from '../../state/garden'
import { bedForm, bedFromForm, bedInputOf, lengthUnit, type BedInput } from './forms'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'
import { single } from '../../parts/once'

/** What stood in a bed before its records begin, as growers say it. */
const STOOD_BEFORE: Record<NonNullable<Bed['stoodBefore']>, string> = {
  bare: 'nothing, bare for weeks',
  vegetables: 'vegetables',
  cover: 'a cover crop',
  grass: 'grass or lawn',
}

/** All beds in walking order; one opens to be edited. */
export function BedTable() {
  const { data } = useGarden()
  const [editing, setEditing] = useState<Bed | null>(null)
  const { units } = data.garden
  const sectionName = (id: string) => data.garden.sections.find((section) => section.id === id)?.name ?? ''
  return (
    <>
      <Scroll label="Beds">
        <table className="table table-sm mt-1">
          <thead>
            <tr>
              <th>Walk</th>
              <th>Bed</th>
              <th>Section</th>
              <th>Kind</th>
              <th>Size</th>
              <th>Path</th>
              <th>Soil</th>
              <th>Fertility</th>
              <th>Shade</th>
              <th>
                <span className="sr-only">Edit</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data.beds.map((bed) => (
              <tr key={bed.id}>
                <td>{bed.walkOrder + 1}</td>
                <td className="font-display font-bold">{bed.label}</td>
                <td>{sectionName(bed.sectionId)}</td>
                <td>{bed.kind}</td>
                <td className="whitespace-nowrap">
                  {metres(bed.lengthM, units)} × {metres(bed.widthM, units)}
                </td>
                <td>{metres(bed.pathWidthM, units)}</td>
                <td>{bed.soil}</td>
                <td>{bed.fertility}</td>
                <td>{percent(bed.shade)}</td>
                <td>
                  <button
                    className="btn btn-xs"
                    onClick={() => setEditing(bed)}
                    aria-label={`Edit ${bed.label}`}
                  >
                    Edit
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      <Dialog
        open={editing !== null}
        onClose={() => setEditing(null)}
        title={editing ? `Bed ${editing.label}` : 'Bed'}
      >
        {editing && <BedFields bed={editing} onClose={() => setEditing(null)} />}
      </Dialog>
    </>
  )
}

function BedFields({ bed, onClose }: { bed: Bed; onClose: () => void }) {
  const { data } = useGarden()
  const commit = useCommit()
  const { units, sections } = data.garden
  const { register, handleSubmit, formState } = useForm<BedInput, unknown, z.output<typeof bedForm>>({
    resolver: zodResolver(bedForm),
    defaultValues: bedInputOf(bed, units),
  })
  const { errors } = formState
  const unit = lengthUnit(units)
  const used = data.stands.some((stand) => stand.bedId === bed.id)
  const save = handleSubmit(async (value) => {
    const stored = await commit(`Changed bed ${bed.label}`, [
      changed('beds', bed, bedFromForm(bed, value, units)),
    ])
    if (stored.ok) onClose()
  })
  async function remove() {
    const stored = await commit(`Removed bed ${bed.label}`, [{ table: 'beds', remove: bed.id }])
    if (stored.ok) onClose()
  }
  return (
    <Form className="mt-3 grid gap-3 sm:grid-cols-3" onSubmit={save}>
      <Field label="Label" error={errors.label?.message}>
        <input className="input w-full" {...register('label')} />
      </Field>
      <Field label="Section">
        <select className="select w-full" {...register('sectionId')}>
          {sections.map((section) => (
            <option key={section.id} value={section.id}>
              {section.name}
            </option>
          ))}
        </select>
      </Field>
      <Field label="Place in the walk" error={errors.walkOrder?.message}>
        <input className="input w-full" inputMode="numeric" {...register('walkOrder')} />
      </Field>
      <Field label={`Length, ${unit}`} error={errors.length?.message}>
        <input className="input w-full" inputMode="decimal" {...register('length')} />
      </Field>
      <Field label={`Width, ${unit}`} error={errors.width?.message}>
        <input className="input w-full" inputMode="decimal" {...register('width')} />
      </Field>
      <Field label={`Path width, ${unit}`} error={errors.pathWidth?.message}>
        <input className="input w-full" inputMode="decimal" {...register('pathWidth')} />
      </Field>
      <Field label="Kind">
        <select className="select w-full" {...register('kind')}>
          {bedKind.options.map((kind) => (
            <option key={kind}>{kind}</option>
          ))}
        </select>
      </Field>
      <Field label="Soil">
        <select className="select w-full" {...register('soil')}>
          {soilTexture.options.map((soil) => (
            <option key={soil}>{soil}</option>
          ))}
        </select>
      </Field>
      <Field label="Fertility">
        <select className="select w-full" {...register('fertility')}>
          {fertility.options.map((level) => (
            <option key={level}>{level}</option>
          ))}
        </select>
      </Field>
      <Field label="Stood here before records">
        <select className="select w-full" {...register('stoodBefore')}>
          <option value="">not known</option>
          {stoodBefore.options.map((what) => (
            <option key={what} value={what}>
              {STOOD_BEFORE[what]}
            </option>
          ))}
        </select>
      </Field>
      <Field label="Shade, %" error={errors.shade?.message}>
        <input className="input w-full" inputMode="numeric" {...register('shade')} />
      </Field>
      <Field label={`Kept plants, ${units === 'imperial' ? 'ft²' : 'm²'}`} error={errors.keptArea?.message}>
        <input className="input w-full" inputMode="decimal" {...register('keptArea')} />
      </Field>
      <div className="flex items-end justify-end gap-2 sm:col-span-3">
        <button
          type="button"
          className="btn btn-ghost"
          disabled={used}
          title={used ? 'Stands are recorded in this bed; remove them first.' : undefined}
          onClick={single(remove)}
        >
          Remove bed
        </button>
        <button className="btn btn-primary">Save bed</button>
      </div>
    </Form>
  )
}
