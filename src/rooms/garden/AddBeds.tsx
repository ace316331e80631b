import { addBeds } from '../../actions/beds'
import { Form } from '../../parts/Form'
import { useTyped } from '../../parts/form/useTyped'
import { useAct, useGarden } from '../../state/garden'
import { addForm } from './forms'
import { blankGroup, GroupFields } from './GroupFields'

/** Adds a run of like beds to the garden, into a section of that name or a new one. */
export function AddBeds() {
  const { data } = useGarden()
  const { units } = data.garden
  const act = useAct()
  const form = useTyped({
    schema: addForm(units),
    draft: { name: 'add beds' },
    blank: { groups: [blankGroup('', '', units)] },
  })
  return (
    <Form
      className="mt-3 flex flex-wrap items-end gap-3"
      aria-label="Add beds"
      onSubmit={form.submit(({ value }) => act(addBeds(data, value.groups[0])))}
    >
      <GroupFields index={0} form={form} units={units} />
      <button className="btn btn-sm mb-1">Add beds</button>
    </Form>
  )
}
