import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Bed, Stand } from '../../core/garden/schema'
import { area, longDate, metres, percent, type Units } from '../../text/format'
import { standState } from '../../text/names'
import { BedDays } from '../../parts/bedPicture/BedDays'
import type { Told } from '../../text/amounts'
import { useGarden } from '../../state/garden'
import { AnimalsHere } from './AnimalsHere'
import { BedStrip } from './BedStrip'
import { Journal } from './Journal'
import { Troubles } from './Troubles'
import { FocusCover } from './FocusCover'
import { GroundToday } from './GroundToday'
import { SheetHere } from './SheetHere'
import { SegmentsCompared } from './SegmentsCompared'
import { StandEntry } from './StandEntry'
import { useBed } from './useBed'
import { SowInto } from '../../parts/SowInto'
import { WhatStays } from './WhatStays'
import { Failed } from '../../parts/Waiting'
import { GrowingDialog } from '../../parts/growing/GrowingDialog'
import { Chip } from '../../parts/Chip'
import { AmountsSwitch } from '../../parts/AmountsSwitch'
import { useTold } from '../../state/useTold'
import { PlanChance } from '../../parts/PlanChance'
import { lastTime, nextDeed, standWithPlace } from '../../text/bed'
import { PlanLine } from '../../parts/PlanLine'
import { usePlan } from '../../state/usePlan'
import { useStand, type StandView } from '../../state/useStand'

/** One bed: its year as woven, the cover in focus, and everything that stands, stood and is planned in it. */
export function BedRoom() {
  const { bedId } = useParams()
  const { data } = useGarden()
  const bed = data.beds.find((item) => item.id === bedId)
  if (bed) return <BedYear key={bed.id} bed={bed} />
  return (
    <section className="py-4">
      <h1>Bed not found</h1>
      <p className="mt-1">
        It is not in this garden.{' '}
        <Link className="link" to="/">
          Back to the loom
        </Link>
      </p>
    </section>
  )
}

/** In one sentence what to do here, with its chance, and what the last one came to. */
function AtTheBed({ bed, covers, focus }: { bed: Bed; covers: readonly Stand[]; focus: Stand | null }) {
  const { data, today } = useGarden()
  const last = lastTime(data.stands, bed.id, focus?.id ?? null)
  return (
    <div className="mt-1 text-lg" data-testid="at-the-bed">
      {covers.map((cover) => (
        <p key={cover.id}>
          <strong>{standWithPlace(cover, data.garden.units, bed)}.</strong> {nextDeed(cover, today)}{' '}
          <PlanChance standId={cover.id} before="The plan: " short />
        </p>
      ))}
      {last && <p className="text-base">{last}</p>}
    </div>
  )
}

/** Whether a cover is known to grow. */
const growsNow = (stands: readonly Stand[]) =>
  stands.some((stand) => stand.content.kind === 'cover' && standState(stand) === 'growing')

function BedYear({ bed }: { bed: Bed }) {
  const [growing, setGrowing] = useState(false)
  const { data, today } = useGarden()
  const { units } = data.garden
  const [asked, setAsked] = useState<string | null>(null)
  const {
    stands,
    growing: covers,
    windows,
    strip,
    focus,
    forecast,
    learned,
    untilDay,
    looks,
    pending,
    failure,
  } = useBed(bed, asked)
  const told = useTold(bed, focus?.segment)
  return (
    <section className="py-3">
      <div className="flex flex-wrap items-center gap-x-4">
        <h1>Bed {bed.label}</h1>
        <AmountsSwitch units={units} />
      </div>
      <AtTheBed bed={bed} covers={covers.length > 1 ? covers : focus ? [focus] : []} focus={focus} />
      <BedFacts bed={bed} units={units} />
      <GroundToday bed={bed} units={units} grown={growsNow(stands)} />
      {!growsNow(stands) && (
        <p className="no-print mt-1">
          <button className="btn btn-sm" onClick={() => setGrowing(true)}>
            A cover grows here already
          </button>
        </p>
      )}
      <GrowingDialog bedIds={growing ? [bed.id] : null} onClose={() => setGrowing(false)} />
      <SowInto bed={bed} />
      {windows.map((window) => (
        <p key={window.freeFromDay} className="mt-1">
          Bare {longDate(window.freeFromDay)} to{' '}
          {window.nextStandId ? longDate(window.neededByDay) : 'open end'}:{' '}
          <Link className="link font-semibold" to={`/choose/${bed.id}?day=${window.freeFromDay}`}>
            Choose a cover
          </Link>
        </p>
      ))}
      <div className="mt-4 grid grid-cols-1 gap-8 md:grid-cols-[9rem_minmax(0,1fr)]">
        <div className="max-md:order-2">
          <BedStrip strip={strip} label={bed.label} />
        </div>
        <div className="min-w-0">
          {pending > 0 && !forecast && <p role="status">Growing this bed through two hundred seasons …</p>}
          <Failed what="Growing this bed" failure={failure} />
          <Failed what="What the last check changed" failure={forecast ? learned.failure : null} />
          {covers.length > 1 && (
            <Parts bed={bed} covers={covers} focus={focus} units={units} onAsk={setAsked} />
          )}
          {focus && <FocusPlan standId={focus.id} told={told} />}
          {focus && forecast && (
            <FocusCover
              stand={focus}
              forecast={forecast}
              learned={learned}
              today={today}
              untilDay={untilDay}
              looks={looks}
              units={units}
              told={told}
            />
          )}
          {stands.length === 0 && <p>Nothing has been recorded here yet.</p>}
        </div>
      </div>
      {focus && <SegmentsCompared bed={bed} stand={focus} />}
      {stands.length > 0 && <h2 className="mt-6">What stands, stood and is planned</h2>}
      <ol className="mt-2 max-w-4xl divide-y divide-base-300 border-y border-base-300">
        {stands.map((stand) => (
          <StandEntry key={stand.id} stand={stand} bed={bed} units={units} />
        ))}
      </ol>
      <Journal bed={bed} />
      <WhatStays bed={bed} />
      <SheetHere bed={bed} />
      <AnimalsHere bed={bed} />
      <Troubles bed={bed} />
    </section>
  )
}

/** The covers that grow in a bed at once, and which of them is looked at below. */
function Parts({
  bed,
  covers,
  focus,
  units,
  onAsk,
}: {
  bed: Bed
  covers: readonly Stand[]
  focus: Stand | null
  units: Units
  onAsk: (standId: string) => void
}) {
  return (
    <p className="no-print mb-2 flex flex-wrap gap-2" role="group" aria-label="Which part is shown">
      {covers.map((cover) => (
        <Chip key={cover.id} chosen={cover.id === focus?.id} onPress={() => onAsk(cover.id)}>
          {standWithPlace(cover, units, bed)}
        </Chip>
      ))}
    </p>
  )
}

/** The plan of the cover in focus, as every step of it shows it, and its bed on any day. */
function FocusPlan({ standId, told }: { standId: string; told: Told }) {
  const view = useStand(standId)
  return view && <KnownPlan key={standId} view={view} told={told} />
}

function KnownPlan({ view, told }: { view: StandView; told: Told }) {
  return (
    <>
      <PlanLine plan={usePlan(view)} />
      <BedDays view={view} told={told} />
    </>
  )
}

function BedFacts({ bed, units }: { bed: Bed; units: Units }) {
  return (
    <p className="mt-1">
      {metres(bed.lengthM, units)} × {metres(bed.widthM, units)},{' '}
      {area(segmentAreaM2(bed, { kind: 'whole' }), units)} to sow, {bed.kind}, {bed.soil}, {bed.fertility}{' '}
      fertility
      {bed.shade > 0 ? `, ${percent(bed.shade)} shade` : ''}
      {bed.fixtures.length > 0
        ? `; stays: ${bed.fixtures.map((fixture) => fixture.label).join(', ')}`
        : ''}.{' '}
      <Link className="link" to="/garden">
        Edit beds
      </Link>
    </p>
  )
}
