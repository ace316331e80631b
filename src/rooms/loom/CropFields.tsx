import { useMemo, useState } from 'react'
import { z } from 'zod'
import { addCrop } from '../../actions/addCrop'
import { addDays, isoDate, parseDay } from '../../core/foundations/day'
import { cropContent } from '../../core/garden/newStands'
import type { Bed } from '../../core/garden/schema'
import { CROPS, findCrop } from '../../core/plants/crops'
import { occupantsOf, type Treatment } from '../../core/season/occupied'
import { DialogButtons } from '../../parts/DialogButtons'
import { Form } from '../../parts/Form'
import { chosen, day } from '../../parts/form/codecs'
import { TypedChoice, TypedDay, TypedTick } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { GroundFields } from '../../parts/ground/GroundFields'
import { groundProblem, groundShape, segmentFrom, WHOLE_GROUND } from '../../parts/ground/groundForm'
import { Occupied } from '../../parts/Occupied'
import { CropOptions, EstablishmentOptions } from '../../parts/options'
import { useAct, useGarden } from '../../state/garden'
import type { Units } from '../../text/format'

const cropForm = (beds: readonly Bed[], units: Units) =>
  z
    .object({
      bedId: chosen('Choose a bed.'),
      ...groundShape(units),
      cropId: chosen('Choose a crop.'),
      establishment: z.enum(['transplant', 'seed']),
      from: day(),
      until: day(),
      standing: z.boolean(),
    })
    .refine(({ from, until }) => until > from, {
      path: ['until'],
      error: 'The end must be after the start. Choose a later date.',
    })
    .superRefine(({ bedId, ...ground }, context) => {
      const bed = beds.find(({ id }) => id === bedId)
      const message = bed ? groundProblem(ground, bed) : null
      if (message !== null) context.addIssue({ code: 'custom', path: ['ground'], message })
    })

/** What is asked of a crop that stands or is planned. */
export function CropFields({ spot, onClose }: { spot: { bedId: string; day: number }; onClose: () => void }) {
  const { data, today } = useGarden()
  const { units } = data.garden
  const act = useAct()
  const [firstCrop] = CROPS
  const [said, setSaid] = useState<Record<string, Treatment>>({})
  const form = useTyped({
    schema: useMemo(() => cropForm(data.beds, units), [data.beds, units]),
    blank: {
      bedId: spot.bedId,
      ...WHOLE_GROUND,
      cropId: firstCrop.id,
      establishment: firstCrop.establishment,
      from: isoDate(spot.day),
      until: isoDate(spot.day + firstCrop.daysInBed),
      standing: true,
    },
  })
  const { bedId, cropId, from, until } = form.text

  /** The day until which a crop stands follows the one it is planted on, until another was typed. */
  function followDay(date: string) {
    const days = findCrop(cropId)?.daysInBed ?? 0
    if (parseDay(date) !== null && parseDay(from) !== null && until === addDays(from, days))
      form.set({ until: addDays(date, days) })
  }
  function followCrop(cropId: string) {
    const crop = findCrop(cropId)
    if (!crop) return
    const until = parseDay(from) === null ? {} : { until: addDays(from, crop.daysInBed) }
    form.set({ establishment: crop.establishment, ...until })
  }

  const bed = data.beds.find(({ id }) => id === bedId)
  const fromDay = parseDay(from)
  const segment = bed && form.value ? segmentFrom(form.value, bed) : null

  const save = form.submit(async ({ value }) => {
    const stored = await act(
      addCrop(
        data,
        data.beds.find(({ id }) => id === value.bedId)!,
        // What lies ahead does not stand yet.
        { ...value, segment: segment ?? undefined, standing: value.standing && value.from <= today },
        said,
      ),
    )
    if (stored) onClose()
    return stored
  })

  const occupants =
    bed && fromDay !== null
      ? occupantsOf(
          data.stands,
          bed,
          {
            id: '',
            bedId: bed.id,
            segment: segment ?? { kind: 'whole' },
            content: cropContent(firstCrop.id, 'transplant'),
            underStandId: null,
            standing: form.text.standing && fromDay <= today,
          },
          fromDay,
        )
      : []
  return (
    <Form className="mt-3 grid gap-3 sm:grid-cols-2" onSubmit={save}>
      <TypedChoice
        form={form}
        name="bedId"
        label="Bed"
        options={data.beds.map(({ id, label }) => [id, label] as const)}
      />
      <TypedChoice form={form} name="cropId" label="Crop" onChoose={followCrop}>
        <CropOptions />
      </TypedChoice>
      {bed && <GroundFields bed={bed} form={form} day={fromDay ?? today} />}
      <TypedDay form={form} name="from" label="From" onChoose={followDay} />
      <TypedDay form={form} name="until" label="Until" />
      <TypedChoice form={form} name="establishment" label="Established by">
        <EstablishmentOptions />
      </TypedChoice>
      <div className="self-end pb-2">
        {fromDay !== null && fromDay <= today && (
          <TypedTick form={form} name="standing" label="It stands already" />
        )}
      </div>
      <Occupied
        occupants={occupants}
        said={said}
        onSay={(id, treatment) => setSaid({ ...said, [id]: treatment })}
      />
      <div className="sm:col-span-2">
        <DialogButtons store="Add crop" onCancel={onClose} />
      </div>
    </Form>
  )
}
