import { dayNumber } from '../../core/foundations/day'
import { stageName, stagesOf } from '../../core/stand/stage'
import { Field } from '../../parts/Field'
import { longDate, percent } from '../../parts/format'
import { leadGroup, leadName } from '../../parts/names'
import type { StandView } from '../../state/useStand'
import type { useWatch } from './useWatch'

/** Entering a check, and the checks so far. */
export function CheckPanel({ view, watch }: { view: StandView; watch: ReturnType<typeof useWatch> }) {
  const { form, save, checks, remove } = watch
  const group = leadGroup(view.stand)
  const { errors } = form.formState
  const mix = view.stand.content.kind === 'cover' && view.stand.content.components.length > 1
  return (
    <div>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => void save(event)}
        noValidate
        aria-label="Check"
      >
        <Field label={mix ? `Stage of the ${leadName(view.stand)}` : 'Stage'} error={errors.stage?.message}>
          <select className="select w-full" {...form.register('stage')}>
            <option value="">not judged</option>
            {stagesOf(group).map((stage) => (
              <option key={stage.bbch} value={stage.bbch}>
                {stage.name} (BBCH {String(stage.bbch).padStart(2, '0')})
              </option>
            ))}
          </select>
        </Field>
        <div className="grid grid-cols-2 gap-3">
          <Field label="Green cover, %" error={errors.cover?.message}>
            <input className="input w-full" inputMode="numeric" {...form.register('cover')} />
          </Field>
          <Field label="Height, cm" error={errors.height?.message}>
            <input className="input w-full" inputMode="numeric" {...form.register('height')} />
          </Field>
        </div>
        <Field label="Seen on" error={errors.date?.message}>
          <input type="date" className="input w-full" {...form.register('date')} />
        </Field>
        <Field label="Note">
          <textarea className="textarea w-full" rows={2} {...form.register('note')} />
        </Field>
        <button className="btn btn-primary">Check</button>
      </form>
      {checks.length > 0 && (
        <>
          <h2 className="mt-5">Seen so far</h2>
          <ul className="mt-1 divide-y divide-base-300 border-y border-base-300 text-[0.95rem]">
            {checks.map((check) => (
              <li key={check.id} className="flex items-baseline gap-2 py-1.5">
                <span className="font-semibold whitespace-nowrap">{longDate(dayNumber(check.date))}</span>
                <span>
                  {[
                    check.stageBbch === null ? null : stageName(check.stageBbch, group),
                    check.cover === null ? null : `${percent(check.cover)} green`,
                    check.heightCm === null ? null : `${check.heightCm} cm`,
                    check.note || null,
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </span>
                <button
                  className="btn btn-ghost btn-xs ml-auto"
                  onClick={() => remove(check)}
                  aria-label={`Remove the check of ${longDate(dayNumber(check.date))}`}
                >
                  Remove
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  )
}
