import { Link, useParams } from 'react-router'
import { dayNumber } from '../../core/foundations/day'
import { DraftOffer } from '../../parts/DraftOffer'
import { findCrop } from '../../core/plants/crops'
import { TypedDay, TypedNote } from '../../parts/form/fields'
import { DayField } from '../../parts/DayField'
import { longDate, shortDate } from '../../text/format'
import { endingWords, standState } from '../../text/names'
import { Reserved } from '../../parts/Reserved'
import { CropOptions, EstablishmentOptions } from '../../parts/options'
import { PlanLine } from '../../parts/PlanLine'
import { RecordForm } from '../../parts/RecordForm'
import { SelectField } from '../../parts/SelectField'
import { StandHead } from '../../parts/StandHead'
import { WorkList } from '../../parts/WorkList'
import { nextStand } from '../../core/season/followers'
import { useGarden } from '../../state/garden'
import { useStand, type StandView } from '../../state/useStand'
import { FedBy } from './FedBy'
import { FollowedTable } from './FollowedTable'
import { Gates } from './Gates'
import { Outcome } from './Outcome'
import { Residue } from './Residue'
import { SpacingAndLanes } from './SpacingAndLanes'
import { Trays } from './Trays'
import { usePlant, type PlantView } from './usePlant'
import { Form } from '../../parts/Form'
import { NarrowFold } from '../../parts/NarrowFold'

export function PlantRoom() {
  const { standId } = useParams()
  const { data } = useGarden()
  const view = useStand(standId)
  if (view && view.stand.content.kind === 'cover') return <PlantInto key={view.stand.id} view={view} />
  const waiting = data.stands.filter(
    (stand) =>
      stand.content.kind === 'cover' &&
      standState(stand) !== 'planned' &&
      !nextStand(data, stand)?.start.actual,
  )
  return (
    <>
      <WorkList
        title="Plant"
        intro="Covers that a crop will follow, soonest first. Pick one to see when its ground is ready."
        empty="No cover waits for a crop."
        items={waiting.map((stand) => {
          const next = nextStand(data, stand)
          const plan = next?.start.plan
          const crop =
            next?.content.kind === 'crop' ? findCrop(next.content.cropId)?.name.toLowerCase() : null
          return {
            stand,
            note: plan ? `${crop ?? 'next'}, ${longDate(dayNumber(plan.date))}` : 'nothing planned after it',
            to: `/plant/${stand.id}`,
            day: plan ? dayNumber(plan.date) : Infinity,
          }
        })}
      />
      <FollowedTable />
    </>
  )
}

function PlantInto({ view }: { view: StandView }) {
  const plant = usePlant(view)
  const { plan, crop, end, garden, planted } = plant
  const shown = plan.answer ?? plan.last
  return (
    <section>
      <StandHead stand={view.stand} bed={view.bed} units={garden.units} step="plant" />
      <PlanLine plan={plan} />
      <Where plant={plant} />
      {plant.plantedCrops.map((planted, _, { length }) => (
        <Outcome key={planted.id} stand={planted} several={length > 1} />
      ))}
      {!planted && <NextCrop plant={plant} />}
      <Reserved waiting={!shown && plan.state === 'computing'}>
        {shown?.after && crop && end && (
          <>
            <Gates outcome={shown.outcome} plant={plant} />
            {shown.trays && <Trays trays={shown.trays} crop={crop} today={plant.today} />}
            <FedBy after={shown.after} crop={crop} plant={plant} />
            <Residue after={shown.after} outcome={shown.outcome} crop={crop} plant={plant} />
            <SpacingAndLanes crop={crop} plant={plant} outcome={shown.outcome} />
          </>
        )}
      </Reserved>
      {view.stand.end.actual && !planted && <RecordPlanting plant={plant} />}
      <FollowedTable />
    </section>
  )
}

/** Where the cover is: no end yet, planned, ended, planted. */
function Where({ plant: { view, end, planted } }: { plant: PlantView }) {
  return (
    <>
      {!end && (
        <p className="mb-3">
          This cover has no end yet.{' '}
          <Link className="link" to={`/end/${view.stand.id}`}>
            Plan or record it
          </Link>
          ; then its ground can be judged.
        </p>
      )}
      {end && !view.stand.end.actual && (
        <p className="mb-3">
          Not ended yet: {endingWords(end)} is planned for {longDate(dayNumber(end.date))}. The dates below
          hold if it is done then.
        </p>
      )}
      {planted && <p className="mb-3">Planted {longDate(dayNumber(planted.date))}.</p>}
    </>
  )
}

function NextCrop({ plant: { cropPlan, planCrop } }: { plant: PlantView }) {
  const crop = cropPlan && findCrop(cropPlan.cropId)
  return (
    <NarrowFold
      open={!crop}
      known={
        crop
          ? `${crop.name}, ${cropPlan.establishment === 'seed' ? 'sown' : 'transplanted'}, planned for ${shortDate(dayNumber(cropPlan.date))}.`
          : 'No crop is decided.'
      }
    >
      <Form className="flex flex-wrap items-start gap-4" aria-label="The crop that follows">
        <SelectField
          label="Crop"
          className="w-44"
          error={cropPlan ? undefined : 'Choose the crop that follows.'}
          value={cropPlan?.cropId ?? ''}
          onChange={(cropId) =>
            planCrop({ cropId, establishment: findCrop(cropId)?.establishment, plantingMethod: null })
          }
        >
          <CropOptions blank="not decided" />
        </SelectField>
        {cropPlan && (
          <>
            <SelectField
              label="It is"
              className="w-40"
              value={cropPlan.establishment}
              onChange={(establishment) => planCrop({ establishment })}
            >
              <EstablishmentOptions />
            </SelectField>
            <DayField
              label="Planting planned for"
              date={cropPlan.date}
              onDate={(date) => planCrop({ date })}
            />
          </>
        )}
      </Form>
    </NarrowFold>
  )
}

function RecordPlanting({ plant: { form, crop, record } }: { plant: PlantView }) {
  return (
    <RecordForm name="Record the planting" button="Record planting" disabled={!crop} onRecord={record}>
      <DraftOffer offer={form.offer} />
      <TypedDay form={form} name="day" label="Planted on" />
      <TypedNote form={form} name="note" />
    </RecordForm>
  )
}
