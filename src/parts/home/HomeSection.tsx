import { useState } from 'react'
import { doubtsOf } from '../../core/site/doubts'
import type { Town } from '../../core/site/towns'
import { roundHeight, type Units } from '../../text/format'
import { unitOf, writeQuantity } from '../../text/quantity'
import { TypedText } from '../form/fields'
import { Waiting } from '../Waiting'
import { HomeFields, type HomeForm } from './HomeFields'
import { HomeYear } from './HomeYear'
import { TownField } from './TownField'
import { townName } from '../../state/useTowns'
import type { useUsualYear } from './useUsualYear'

/** Where a garden lies, the usual year that follows of it, and what its grower corrects. */
export function HomeSection({
  form,
  units,
  usual: { asked, year: known, answer },
  onTown,
}: {
  form: HomeForm
  units: Units
  usual: ReturnType<typeof useUsualYear>
  /** Told once a town was picked. */
  onTown?: (town: Town) => void
}) {
  const told = form.text.latitude !== '' && form.text.longitude !== ''
  const year = told ? known : undefined
  const write = (value: number) => writeQuantity(value, 'degrees', units)
  const place = (latitude: number, longitude: number, more: Partial<HomeForm['text']>) =>
    form.set({
      town: '',
      country: '',
      seaKm: '',
      elevationM: '',
      latitude: write(latitude),
      longitude: write(longitude),
      ...more,
    })
  const pick = (town: Town) => {
    place(town.latitude, town.longitude, {
      town: townName(town),
      country: town.country,
      seaKm: String(town.seaKm),
      elevationM: String(roundHeight(town.elevationM, units)),
    })
    onTown?.(town)
  }
  /** What was known of the town does not hold for another point. */
  const typed = () =>
    form.set({ seaKm: '', ...(form.text.town !== '' && { town: '', country: '', elevationM: '' }) })
  return (
    <>
      <div className="flex flex-wrap items-start gap-3">
        <TownField picked={form.text.town} onPick={pick} />
        <TypedText
          form={form}
          name="latitude"
          onTyped={typed}
          label="or its latitude"
          hint="south is negative"
          className="h-11 w-28"
        />
        <TypedText
          form={form}
          name="longitude"
          onTyped={typed}
          label="and longitude"
          hint="west is negative"
          className="h-11 w-28"
        />
        <TypedText
          form={form}
          name="elevationM"
          label={`Above the sea, ${unitOf('length', units)}`}
          hint={form.text.elevationM === '' ? 'empty: as places around' : 'correct it on a hill'}
          className="h-11 w-32"
          decimal
        />
        <Here onFound={(latitude, longitude) => place(latitude, longitude, {})} />
      </div>
      {told && (
        <section aria-label="Usual year" className="flex flex-col gap-3">
          <h3>Your usual year: does this look like home?</h3>
          {year && (
            <HomeYear year={year} doubts={doubtsOf(year, asked?.corrections.known ?? {})} units={units} />
          )}
          <Waiting
            what="Working out the usual year"
            running={answer.running}
            progress={answer.progress}
            error={answer.error}
            onCancel={answer.cancel}
            onRetry={answer.retry}
          />
        </section>
      )}
      {told && <HomeFields form={form} year={year} units={units} />}
    </>
  )
}

/** The browser's own knowledge of where it is, asked for only here and kept with the garden. */
function Here({ onFound }: { onFound: (latitude: number, longitude: number) => void }) {
  const [said, setSaid] = useState('')
  if (!('geolocation' in navigator)) return null
  const tenth = (value: number) => Math.round(value * 10) / 10
  const ask = () => {
    setSaid('Asking the browser …')
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setSaid('')
        onFound(tenth(coords.latitude), tenth(coords.longitude))
      },
      () => setSaid('The browser gave no location. Name a town, or type latitude and longitude.'),
      { timeout: 10_000 },
    )
  }
  return (
    <div className="sm:mt-6">
      <button type="button" className="btn h-11" onClick={ask}>
        Use my location
      </button>
      {said && (
        <p role="status" className="quiet mt-1 max-w-64 text-sm">
          {said}
        </p>
      )}
    </div>
  )
}
