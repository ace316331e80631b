import type { HomeForm } from '../../parts/home/HomeFields'
import { HomeSection } from '../../parts/home/HomeSection'
import type { useUsualYear } from '../../parts/home/useUsualYear'
import type { Units } from '../../text/format'
import type { StartForm } from './forms'
import { usualIn } from './localeDefaults'

/** Where a new garden lies and what its usual year is; or later. */
export function StartPlace({
  form,
  units,
  usual,
}: {
  form: StartForm
  units: Units
  usual: ReturnType<typeof useUsualYear>
}) {
  if (form.text.place === 'later')
    return (
      <section aria-label="Place" className="flex flex-col gap-2">
        <h2>Where?</h2>
        <p>
          Later. Until then Kilim assumes cold winters and warm summers at 45° north: dates may be a month
          off.{' '}
          <button type="button" className="btn btn-sm" onClick={() => form.set({ place: 'told' })}>
            Say it now
          </button>
        </p>
      </section>
    )
  return (
    <section aria-label="Place" className="flex flex-col gap-3">
      <h2>Where?</h2>
      <HomeSection
        // The fields of a home are among those of the start.
        form={form as unknown as HomeForm}
        units={units}
        usual={usual}
        onTown={({ country }) => form.set(usualIn(country))}
      />
      <p className="quiet text-sm">
        All of this can be changed under Weather.{' '}
        <button type="button" className="link" onClick={() => form.set({ place: 'later' })}>
          Skip for now
        </button>
      </p>
    </section>
  )
}
