import { useState } from 'react'
import { FINISHING } from '../../core/termination/counted'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { Finishing, FollowUp } from '../../core/garden/ending'
import { DateField } from '../../parts/DateField'
import { percent, shortDate } from '../../text/format'
import { FINISHING_WORDS, standName } from '../../parts/names'
import { SelectField, TextField } from '../../parts/SelectField'
import { typedNumber } from '../../parts/typed'
import { useCommit } from '../../state/garden'
import { newId } from '../../data/ids'
import { finishingProblems } from './countProblems'
import type { EndView } from './useEnd'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'
import { single } from '../../parts/once'

const leavesText = (act: Finishing['act']) => {
  const { leaves, range } = FINISHING[act]
  return `about ${percent(leaves)} (${percent(range[0])} to ${percent(range[1])})`
}

/** What was done about plants that stood again: what is recorded, and one more. */
export function Finishings({
  end,
  newest,
  advised,
}: {
  end: EndView
  newest: FollowUp
  advised: Finishing['act']
}) {
  const { stand, today } = end
  const commit = useCommit()
  const [act, setAct] = useState<Finishing['act'] | null>(null)
  const [date, setDate] = useState('')
  const [minutes, setMinutes] = useState('')
  const [asked, setAsked] = useState(false)
  const finishings = stand.finishings ?? []
  const filled = { date: date || isoDate(today), minutes }
  const problems = finishingProblems(filled, newest.date, today)
  const shown = asked ? problems : {}
  const name = standName(stand).toLowerCase()
  const put = (label: string, works: Finishing[]) =>
    commit(label, [changed('stands', stand, { finishings: works })])

  async function keep() {
    setAsked(true)
    if (Object.keys(problems).length > 0) return
    const work: Finishing = { id: newId('work'), date: filled.date, act: act ?? advised }
    const spent = minutes.trim() === '' ? {} : { minutes: typedNumber(minutes) }
    const stored = await put(`Recorded what was done about ${name} that stood again`, [
      ...finishings,
      { ...work, ...spent },
    ])
    if (!stored.ok) return
    setAsked(false)
    setMinutes('')
  }
  const open = finishings.filter((work) => work.date >= newest.date)
  return (
    <section aria-label="What was done about it">
      {finishings.length > 0 && (
        <ul className="my-2" data-testid="finishings">
          {finishings.map((work) => (
            <li key={work.id}>
              {FINISHING_WORDS[work.act]} on {shortDate(dayNumber(work.date))}
              {work.minutes === undefined ? '' : `, ${work.minutes} minutes`}.{' '}
              {open.includes(work)
                ? `Until you count, it is taken to leave ${leavesText(work.act)} of them, by judgement.`
                : ''}{' '}
              <button
                className="btn btn-ghost btn-xs"
                onClick={single(() =>
                  put(
                    `Took out what was done about ${name}`,
                    finishings.filter((other) => other !== work),
                  ),
                )}
              >
                Take out
              </button>
            </li>
          ))}
        </ul>
      )}
      {newest.standing > 0 && open.length === 0 && (
        <Form
          className="no-print my-3 flex flex-wrap items-start gap-3"
          aria-label="What was done about it"
          onSubmit={keep}
        >
          <SelectField
            label="What you did about them"
            className="w-48"
            value={act ?? advised}
            onChange={(chosen) => setAct(chosen)}
            options={Object.entries(FINISHING_WORDS) as [Finishing['act'], string][]}
          />
          <DateField label="Did it on" error={shown.date} value={filled.date} onChange={setDate} />
          <TextField
            label="Minutes it took"
            className="w-28"
            decimal
            error={shown.minutes}
            value={minutes}
            onChange={setMinutes}
          />
          <button className="btn mt-6">Record it</button>
        </Form>
      )}
    </section>
  )
}
