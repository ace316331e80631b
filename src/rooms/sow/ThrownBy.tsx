import { Link } from 'react-router'
import { segmentSizeM } from '../../core/garden/area'
import { TypedText } from '../../parts/form/fields'
import { SelectField } from '../../parts/SelectField'
import { useGarden } from '../../state/garden'
import type { StandView } from '../../state/useStand'
import { sowerOf, usualStretches } from './throwing'
import type { Sow } from './useSow'

/** Whose hands throw and in how many stretches, and the pacer that counts along. */
export function ThrownBy({ view, sow: { form, thrown } }: { view: StandView; sow: Sow }) {
  const { data } = useGarden()
  const { sowers } = data.garden
  const sower = sowerOf(data.garden, thrown)
  const { lengthM } = segmentSizeM(view.bed, view.stand.segment)
  return (
    <section aria-label="Who throws" className="no-print">
      <div className="flex flex-wrap items-start gap-3">
        {sowers.length > 0 && (
          <SelectField
            label="Thrown by"
            className="w-40"
            value={sower?.id ?? ''}
            onChange={(sowerId) => form.set({ sowerId })}
            options={sowers.map((entry) => [entry.id, entry.name] as const)}
          />
        )}
        <TypedText
          form={form}
          name="stretches"
          label="Stretches"
          className="w-24"
          placeholder={String(usualStretches(lengthM))}
        />
      </div>
      <p className="quiet mt-1 text-sm">
        {sower ? `${sower.name}’s own handfuls and paces. ` : 'Usual hands, which differ by a third. '}
        {!sower && (
          <Link className="link" to="/shed#measures">
            Measure your own
          </Link>
        )}
      </p>
      <p className="mt-2">
        <Link className="btn btn-sm" to={`/sow/${view.stand.id}/pacer`}>
          Start the pacer
        </Link>
      </p>
    </section>
  )
}
