import { dayNumber } from '../../core/foundations/day'
import type { Check } from '../../core/garden/check'
import { checkText } from '../../parts/checkText'
import { longDate } from '../../text/format'
import { leadGroup } from '../../text/names'
import type { StandView } from '../../state/useStand'
import { useTold } from '../../state/useTold'
import type { Checking } from './useChecking'

/** The checks of a stand, the newest first, to change or remove. */
export function SeenSoFar({
  view,
  checks,
  checking,
}: {
  view: StandView
  checks: readonly Check[]
  checking: Checking
}) {
  const told = useTold(view.bed, view.stand.segment)
  if (checks.length === 0) return null
  return (
    <>
      <h2 className="mt-5">Seen so far</h2>
      <ul className="mt-1 divide-y divide-base-300 border-y border-base-300 text-[0.95rem]">
        {checks.map((check) => {
          const day = longDate(dayNumber(check.date))
          return (
            <li key={check.id} className="flex flex-wrap items-baseline gap-2 py-1.5">
              <span className="font-semibold whitespace-nowrap">{day}</span>
              <span className="flex-1">{checkText(check, leadGroup(view.stand), told)}</span>
              <span className="whitespace-nowrap">
                <button
                  className="btn btn-ghost btn-xs"
                  onClick={() => checking.edit(check)}
                  aria-label={`Change the check of ${day}`}
                >
                  Change
                </button>
                <button
                  className="btn btn-ghost btn-xs"
                  onClick={() => checking.remove(check)}
                  aria-label={`Remove the check of ${day}`}
                >
                  Remove
                </button>
              </span>
            </li>
          )
        })}
      </ul>
    </>
  )
}
