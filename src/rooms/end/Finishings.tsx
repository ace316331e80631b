import { finishStand, takeOutFinishing } from '../../actions/countAgain'
import { FINISHING } from '../../core/termination/counted'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { Finishing, FollowUp } from '../../core/garden/ending'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { percent, shortDate } from '../../text/format'
import { FINISHING_WORDS } from '../../text/names'
import { useAct } from '../../state/garden'
import { finishingForm } from './forms'
import type { EndView } from './useEnd'

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
  const { stand, today, garden } = end
  const act = useAct()
  const form = useTyped({
    schema: finishingForm(newest.date, today, garden.units),
    draft: { name: `finishing ${stand.id}` },
    blank: { act: advised, day: isoDate(today), minutes: '' },
  })
  const finishings = stand.finishings
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
                onClick={single(() => act(takeOutFinishing(stand, work.id)))}
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
          onSubmit={form.submit(({ value }) => act(finishStand(stand, value)))}
        >
          <TypedChoice
            form={form}
            name="act"
            label="What you did about them"
            className="w-48"
            options={Object.entries(FINISHING_WORDS)}
          />
          <TypedDay form={form} name="day" label="Did it on" />
          <TypedText form={form} name="minutes" label="Minutes it took" className="w-28" decimal />
          <button className="btn mt-6">Record it</button>
        </Form>
      )}
    </section>
  )
}
