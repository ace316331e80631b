import { clearing, cropContent, cropStand, planting } from '../../core/garden/newStands'
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import { z } from 'zod'
import { addDays, isoDate, parseDay } from '../../core/foundations/day'
import { isoDay } from '../../core/garden/fields'
import { CROPS, findCrop } from '../../core/plants/crops'
import { Field } from '../../parts/Field'
import { Form } from '../../parts/Form'
import { CropOptions, EstablishmentOptions } from '../../parts/options'
import { newId } from '../../data/ids'
import { useCommit, useGarden } from '../../state/garden'
import { addStand } from '../../actions/addStand'
import { Occupied } from '../../parts/Occupied'
import { occupantsOf, type Treatment } from '../../core/season/occupied'

const form = z
  .object({
    bedId: z.string().min(1, 'Choose a bed.'),
    cropId: z.string().min(1, 'Choose a crop.'),
    establishment: z.enum(['transplant', 'seed']),
    from: isoDay,
    until: isoDay,
    standing: z.boolean(),
  })
  .refine((value) => value.until > value.from, {
    path: ['until'],
    error: 'Until must lie after from. Choose a later date.',
  })
/** The form on a day: what stands already was planted by then. */
const formOn = (today: string) =>
  form.refine((value) => !value.standing || value.from <= today, {
    path: ['from'],
    error: 'This lies ahead: choose an earlier day, or untick that it stands already.',
  })
type CropForm = z.infer<typeof form>

/** What is asked of a crop that stands or is planned. */
export function CropFields({ spot, onClose }: { spot: { bedId: string; day: number }; onClose: () => void }) {
  const { data, today } = useGarden()
  const commit = useCommit()
  const firstCrop = CROPS[0]
  const [said, setSaid] = useState<Record<string, Treatment>>({})
  const { register, handleSubmit, setValue, getValues, formState, control } = useForm<CropForm>({
    resolver: zodResolver(formOn(isoDate(today))),
    defaultValues: {
      bedId: spot.bedId,
      cropId: firstCrop.id,
      establishment: firstCrop.establishment,
      from: isoDate(spot.day),
      until: isoDate(spot.day + firstCrop.daysInBed),
      standing: spot.day <= today,
    },
  })

  function followCrop(cropId: string) {
    const crop = findCrop(cropId)
    const { from } = getValues()
    if (!crop) return
    setValue('establishment', crop.establishment)
    if (isoDay.safeParse(from).success) setValue('until', addDays(from, crop.daysInBed))
  }

  async function save(value: CropForm) {
    const crop = findCrop(value.cropId)!
    const start = planting(value.from)
    const stand = cropStand(
      { id: newId('stand'), gardenId: data.garden.id, bedId: value.bedId },
      cropContent(crop.id, value.establishment),
      { plan: start, actual: value.standing ? start : null },
      crop.daysInBed,
    )
    const bed = data.beds.find(({ id }) => id === value.bedId)!
    const fresh = { ...stand, end: { plan: clearing(value.until), actual: null } }
    const stored = await commit(`Added ${crop.name.toLowerCase()}`, addStand(data, bed, fresh, said))
    if (stored.ok) onClose()
  }

  const { errors } = formState
  const [bedId, from] = useWatch({ control, name: ['bedId', 'from'] })
  const bed = data.beds.find(({ id }) => id === bedId)
  const day = parseDay(from)
  const occupants =
    bed && day !== null
      ? occupantsOf(
          data.stands,
          bed,
          {
            id: '',
            bedId: bed.id,
            segment: { kind: 'whole' },
            content: cropContent(firstCrop.id, 'transplant'),
            underStandId: null,
          },
          day,
        )
      : []
  return (
    <Form className="mt-3 grid gap-3 sm:grid-cols-2" onSubmit={handleSubmit(save)}>
      <Field label="Bed" error={errors.bedId?.message}>
        <select className="select w-full" {...register('bedId')}>
          {data.beds.map((bed) => (
            <option key={bed.id} value={bed.id}>
              {bed.label}
            </option>
          ))}
        </select>
      </Field>
      <Field label="Crop" error={errors.cropId?.message}>
        <select
          className="select w-full"
          {...register('cropId', {
            onChange: (event: { target: { value: string } }) => followCrop(event.target.value),
          })}
        >
          <CropOptions />
        </select>
      </Field>
      <Field label="From" error={errors.from?.message}>
        <input type="date" className="input w-full" {...register('from')} />
      </Field>
      <Field label="Until" error={errors.until?.message}>
        <input type="date" className="input w-full" {...register('until')} />
      </Field>
      <Field label="Established by">
        <select className="select w-full" {...register('establishment')}>
          <EstablishmentOptions />
        </select>
      </Field>
      <label className="flex items-center gap-2 self-end pb-2">
        <input type="checkbox" className="checkbox checkbox-sm" {...register('standing')} />
        It stands already
      </label>
      <Occupied
        occupants={occupants}
        said={said}
        onSay={(id, treatment) => setSaid({ ...said, [id]: treatment })}
      />
      <div className="sm:col-span-2 flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          Cancel
        </button>
        <button className="btn btn-primary">Add crop</button>
      </div>
    </Form>
  )
}
