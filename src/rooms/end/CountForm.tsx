import { useState } from 'react'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { FollowUp } from '../../core/garden/ending'
import { findSpecies } from '../../core/plants/catalogue'
import { DateField, NoteField } from '../../parts/DateField'
import { standName } from '../../parts/names'
import { SelectField, TextField } from '../../parts/SelectField'
import { newId } from '../../data/ids'
import { useCommit } from '../../state/garden'
import { countProblems } from './countProblems'
import { stagesOn } from './form'
import type { EndView } from './useEnd'
import { typedNumber } from '../../parts/typed'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'

/** Ground looked at for a count unless another is given, m². */
const USUAL_GROUND_M2 = 1

/** A count of what stands again, out of what stood there. */
export function CountForm({ end }: { end: EndView }) {
  const { stand, today, forecast } = end
  const commit = useCommit()
  const components = stand.content.kind === 'cover' ? stand.content.components : []
  const [fields, setFields] = useState({
    date: '',
    standing: '',
    ground: String(USUAL_GROUND_M2),
    before: '',
  })
  const [speciesId, setSpeciesId] = useState('')
  const [note, setNote] = useState('')
  const [asked, setAsked] = useState(false)
  const change = (part: Partial<typeof fields>) => setFields({ ...fields, ...part })
  const perM2 = forecast?.plantsPerM2.p50 ?? null
  const expected =
    fields.before === '' && perM2 !== null
      ? String(Math.max(1, Math.round(perM2 * (typedNumber(fields.ground) || 0))))
      : fields.before
  const filled = { ...fields, date: fields.date || isoDate(today), before: expected }
  const ended = dayNumber(stand.end.actual!.date)
  const problems = countProblems(filled, ended, today)
  const shown = asked ? problems : {}
  async function keep() {
    setAsked(true)
    if (Object.keys(problems).length > 0) return
    const count: FollowUp = {
      id: newId('count'),
      date: filled.date,
      standing: typedNumber(filled.standing),
      groundM2: typedNumber(filled.ground),
      before: typedNumber(filled.before),
      speciesId: speciesId || undefined,
      note,
    }
    // Recorded before the forecast was there, the end lacks the stage that places its counts.
    const { actual } = stand.end
    const staged =
      actual && actual.bbch === undefined && forecast
        ? { ...actual, ...stagesOn(stand, forecast, ended) }
        : actual
    const stored = await commit(`Counted what of ${standName(stand).toLowerCase()} stands again`, [
      changed('stands', stand, {
        end: { ...stand.end, actual: staged },
        followUps: [...(stand.followUps ?? []), count],
      }),
    ])
    if (!stored.ok) return
    setFields({ ...fields, standing: '' })
    setNote('')
    setAsked(false)
  }
  return (
    <Form
      className="no-print my-4 flex flex-wrap items-start gap-3"
      aria-label="Count what stands again"
      onSubmit={keep}
    >
      <DateField
        label="Counted on"
        error={shown.date}
        value={filled.date}
        onChange={(date) => change({ date })}
      />
      <TextField
        label="Plants standing again"
        className="w-32"
        decimal
        error={shown.standing}
        value={fields.standing}
        onChange={(standing) => change({ standing })}
      />
      <TextField
        label="On how much ground, m²"
        className="w-32"
        decimal
        error={shown.ground}
        value={fields.ground}
        onChange={(ground) => change({ ground })}
      />
      <TextField
        label="Stood there before"
        className="w-32"
        decimal
        error={shown.before}
        hint={fields.before === '' ? 'by the forecast' : undefined}
        value={expected}
        onChange={(before) => change({ before })}
      />
      {components.length > 1 && (
        <SelectField
          label="Which plant"
          className="w-40"
          value={speciesId}
          onChange={setSpeciesId}
          options={[
            ['', 'all'],
            ...components.map(
              (component) => [component.speciesId, findSpecies(component.speciesId)?.name ?? ''] as const,
            ),
          ]}
        />
      )}
      <NoteField value={note} onChange={setNote} />
      <button className="btn btn-primary mt-6">Record the count</button>
    </Form>
  )
}
