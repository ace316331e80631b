import { Link } from 'react-router'
import type { Bed, Stand } from '../core/garden/schema'
import { segmentAreaM2 } from '../core/garden/area'
import { groupsOf } from '../core/plants/catalogue'
import { area, type Units } from '../text/format'
import { segmentText } from '../text/bed'
import { standName } from '../text/names'
import { AmountsSwitch } from './AmountsSwitch'
import { Swatch } from './Swatch'

const STEPS = [
  ['sow', 'Sow'],
  ['watch', 'Watch'],
  ['end', 'End'],
  ['plant', 'Plant'],
] as const

/** Heading of a stand's rooms: what it is, where, and the steps of its life. */
export function StandHead({
  stand,
  bed,
  units,
  step,
}: {
  stand: Stand
  bed: Bed
  units: Units
  step: (typeof STEPS)[number][0]
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2 sm:gap-x-5 sm:py-3">
      {stand.content.kind === 'cover' && (
        <span className="hidden sm:block">
          <Swatch groups={groupsOf(stand.content.components)} />
        </span>
      )}
      <h1>
        {standName(stand)} <span className="font-sans text-base font-normal">in</span>{' '}
        <Link className="link" to={`/bed/${bed.id}`}>
          {bed.label}
        </Link>
      </h1>
      <span className="quiet">
        {stand.segment.kind !== 'whole' && `${segmentText(stand.segment, units, bed)}, `}
        {area(segmentAreaM2(bed, stand.segment), units)}
      </span>
      <AmountsSwitch units={units} />
      <nav aria-label="Steps" className="ml-auto flex">
        {STEPS.map(([path, name]) => (
          <Link
            key={path}
            to={`/${path}/${stand.id}`}
            aria-current={path === step ? 'step' : undefined}
            className={`px-2 py-1 sm:px-3 ${path === step ? 'border-b-2 border-secondary font-semibold' : 'link link-hover'}`}
          >
            {name}
          </Link>
        ))}
      </nav>
    </div>
  )
}
