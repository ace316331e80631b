import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { newId } from '../../data/ids'
import { useCommit, useGarden } from '../../state/garden'
import { bedGroup, bedsOfGroup } from './forms'
import { GroupFields } from './GroupFields'
import { Form } from '../../parts/Form'
import { added, changed } from '../../data/writes'

const addForm = z.object({ groups: z.array(bedGroup).length(1) })
type Input = z.input<typeof addForm>
const blank: Input = {
  groups: [{ section: '', prefix: '', count: '1', length: '', width: '', kind: 'in-ground', soil: 'loam' }],
}

/** Adds a run of like beds to the garden, into a section of that name or a new one. */
export function AddBeds() {
  const { data } = useGarden()
  const commit = useCommit()
  const { register, handleSubmit, formState, reset } = useForm<Input, unknown, z.output<typeof addForm>>({
    resolver: zodResolver(addForm),
    defaultValues: blank,
  })
  const save = handleSubmit(async ({ groups: [group] }) => {
    const { garden } = data
    const known = garden.sections.find((section) => section.name === group.section)
    const section = known ?? { id: newId('section'), name: group.section }
    const order = 1 + Math.max(-1, ...data.beds.map((bed) => bed.walkOrder))
    const beds = bedsOfGroup(
      group,
      garden.units,
      garden.id,
      section.id,
      order,
      new Set(data.beds.map((bed) => bed.label)),
    )
    const writes = beds.map((bed) => added('beds', bed))
    if (!known) writes.unshift(changed('gardens', garden, { sections: [...garden.sections, section] }))
    const stored = await commit(`Added ${beds.length} ${beds.length === 1 ? 'bed' : 'beds'}`, writes)
    if (stored.ok) reset(blank)
  })
  return (
    <Form className="mt-3 flex flex-wrap items-end gap-3" onSubmit={save} aria-label="Add beds">
      <GroupFields index={0} register={register} errors={formState.errors} units={data.garden.units} />
      <button className="btn btn-sm mb-1">Add beds</button>
    </Form>
  )
}
