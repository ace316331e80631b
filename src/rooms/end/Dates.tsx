import { isoDate } from '../../core/foundations/day'
import { lastTargetDay } from '../../core/scenario/plan'
import { cropPlanOf, type CropPlan } from '../../actions/planStretch'
import { DayField } from '../../parts/DayField'
import { Form } from '../../parts/Form'
import { TypedDay } from '../../parts/form/fields'
import { NarrowFold } from '../../parts/NarrowFold'
import { shortDate } from '../../text/format'
import type { EndView } from './useEnd'

/** Days on both sides of a planting date that it can be dragged over. */
const DRAG_DAYS = 35
/** Days ahead a start can be dragged to where nothing says when the ground is wanted. */
const OPEN_DAYS = 60

/** The day the ground is wanted, as the plan has it, and the start asked for: typed or dragged; everything below follows. */
export function Dates({ end, withStart = false }: { end: EndView; withStart?: boolean }) {
  const { bedPlan, today, garden, follows, plantingDay, view, horizon } = end
  const crop = bedPlan.draft?.crop ?? cropPlanOf(view.next?.stand ?? null)
  const establishment = follows.kind === 'nothing' ? 'transplant' : follows.establishment
  const setDay = (date: string) => bedPlan.change(dayDraft(crop, date))
  const middle = view.next?.plantingDay ?? plantingDay
  const fixed = view.next !== null && view.next.stand.content.kind === 'cover'
  return (
    <NarrowFold known={knownText(end)} open={plantingDay === null}>
      <Form className="no-print mb-2 flex flex-wrap items-start gap-x-6 gap-y-2" aria-label="What follows">
        <div className="w-64">
          {fixed ? (
            <p>The next cover is sown here on {shortDate(view.next!.plantingDay)}.</p>
          ) : (
            <DayField
              label={
                crop && follows.kind === 'crop'
                  ? `Plant ${follows.crop.name.toLowerCase()} on`
                  : 'Ground wanted by'
              }
              date={plantingDay === null ? '' : isoDate(plantingDay)}
              optional={crop === null}
              onDate={setDay}
            />
          )}
          {middle !== null && !fixed && (
            <input
              type="range"
              className="range range-primary range-xs mt-2 w-full"
              aria-label="Drag the planting date"
              aria-valuetext={plantingDay === null ? undefined : shortDate(plantingDay)}
              min={Math.max(today + 1, middle - DRAG_DAYS)}
              max={Math.min(lastTargetDay(horizon), middle + DRAG_DAYS)}
              value={plantingDay ?? middle}
              onChange={(event) => setDay(isoDate(Number(event.target.value)))}
            />
          )}
        </div>
        <p className="quiet mt-7 max-w-64 text-sm">
          {follows.kind === 'crop'
            ? `${establishment === 'seed' ? 'Sown' : 'Transplanted'}; your wait: ${garden.waitDays[establishment]} days (set under Garden). The crop is chosen in Plant.`
            : follows.kind === 'nothing'
              ? 'No crop follows. Leave empty if you have no date in mind.'
              : 'No crop is decided: it only has to be dead by then.'}
        </p>
        {withStart && <StartDate end={end} />}
      </Form>
    </NarrowFold>
  )
}

/** What follows and when, in a line, and the start that was asked for. */
function knownText({ follows, plantingDay, startDay }: EndView): string {
  const what =
    follows.kind === 'crop'
      ? follows.crop.name
      : follows.kind === 'nothing'
        ? 'Nothing planned after it'
        : 'Ground wanted'
  const when = plantingDay === null ? '' : ` by ${shortDate(plantingDay)}`
  return `${what}${when}; ${startDay === null ? 'each way begun on its best day' : `begun ${shortDate(startDay)}`}.`
}

/** Another day for what follows, as a change of the plan. */
const dayDraft = (crop: CropPlan | null, date: string) =>
  crop
    ? { crop: { ...crop, date } }
    : { follows: date === '' ? null : { kind: 'undecided' as const, neededBy: date } }

/** The start that every way is asked for; none lets each stand at its own best. */
function StartDate({ end }: { end: EndView }) {
  const { start: form, startDay: start, today, plantingDay } = end
  return (
    <>
      <div className="w-64">
        <TypedDay form={form} name="startDate" label="Start date" />
        <input
          type="range"
          className="range range-primary range-xs mt-2 w-full"
          aria-label="Drag the start"
          aria-valuetext={start === null ? 'each way at its own best' : shortDate(start)}
          min={today}
          max={Math.max(today + 1, (plantingDay ?? today + OPEN_DAYS) - 1)}
          value={start ?? today}
          onChange={(event) => form.set({ startDate: isoDate(Number(event.target.value)) })}
        />
      </div>
      <p className="quiet mt-7 max-w-56 text-sm">
        {start === null ? (
          'Each method is shown on its best start date.'
        ) : (
          <button type="button" className="btn btn-xs" onClick={() => form.set({ startDate: '' })}>
            Each at its own best
          </button>
        )}
      </p>
    </>
  )
}
