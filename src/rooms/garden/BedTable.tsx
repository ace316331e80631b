import { useState } from 'react'
import { changeBed, removeBed } from '../../actions/beds'
import { segmentAreaM2 } from '../../core/garden/area'
import { bedKind, fertility, soilTexture, stoodBefore, type Bed } from '../../core/garden/schema'
import { Dialog } from '../../parts/Dialog'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { Scroll } from '../../parts/Scroll'
import { useAct, useGarden } from '../../state/garden'
import { area, metres, percent } from '../../text/format'
import { unitOf } from '../../text/quantity'
import { bedForm, bedPart, bedValue } from './forms'

/** What stood in a bed before its records begin, as growers say it. */
const STOOD_BEFORE: Record<NonNullable<Bed['stoodBefore']>, string> = {
  bare: 'nothing, bare for weeks',
  vegetables: 'vegetables',
  cover: 'a cover crop',
  grass: 'grass or lawn',
}

/** All beds in walking order; one opens to be edited. */
export function BedTable() {
  const { data } = useGarden()
  const [editing, setEditing] = useState<Bed | null>(null)
  const { units } = data.garden
  const longestM = Math.max(1, ...data.beds.map(({ lengthM }) => lengthM))
  const sectionName = (id: string) => data.garden.sections.find((section) => section.id === id)?.name ?? ''
  return (
    <>
      <Scroll label="Beds">
        <table className="table table-sm mt-1">
          <thead>
            <tr>
              <th>Walk</th>
              <th>Bed</th>
              <th>Section</th>
              <th>Kind</th>
              <th>Size</th>
              <th>Path</th>
              <th>Soil</th>
              <th>Fertility</th>
              <th>Shade</th>
              <th>
                <span className="sr-only">Edit</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data.beds.map((bed) => (
              <tr key={bed.id}>
                <td>{bed.walkOrder + 1}</td>
                <td className="font-display font-bold">{bed.label}</td>
                <td>{sectionName(bed.sectionId)}</td>
                <td>{bed.kind}</td>
                <td className="whitespace-nowrap">
                  {metres(bed.lengthM, units)} × {metres(bed.widthM, units)}
                  <BedShape bed={bed} longestM={longestM} />
                </td>
                <td>{metres(bed.pathWidthM, units)}</td>
                <td>{bed.soil}</td>
                <td>{bed.fertility}</td>
                <td>{percent(bed.shade)}</td>
                <td>
                  <button
                    className="btn btn-xs"
                    onClick={() => setEditing(bed)}
                    aria-label={`Edit ${bed.label}`}
                  >
                    Edit
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
          {data.beds.length > 1 && (
            <tfoot className="text-base text-base-content">
              <tr data-testid="garden-total">
                <td />
                <th scope="row" colSpan={3} className="text-left">
                  {data.beds.length} beds
                </th>
                <td colSpan={6}>
                  {area(
                    data.beds.reduce((sum, bed) => sum + segmentAreaM2(bed, { kind: 'whole' }), 0),
                    units,
                  )}{' '}
                  to grow on
                </td>
              </tr>
            </tfoot>
          )}
        </table>
      </Scroll>
      <Dialog
        open={editing !== null}
        onClose={() => setEditing(null)}
        title={editing ? `Bed ${editing.label}` : 'Bed'}
      >
        {editing && <BedFields bed={editing} onClose={() => setEditing(null)} />}
      </Dialog>
    </>
  )
}

/** Longest bed drawn, px, and the least that can be seen. */
const DRAWN_PX = 150
const LEAST_PX = 3

/** A bed’s shape, all beds to one scale. */
function BedShape({ bed, longestM }: { bed: Bed; longestM: number }) {
  const px = (metresLong: number) => Math.max(LEAST_PX, (metresLong / longestM) * DRAWN_PX)
  return (
    <span
      aria-hidden="true"
      className={`mt-0.5 block border border-base-content bg-base-300 ${bed.kind === 'in-ground' ? 'border-dashed' : ''}`}
      style={{ width: px(bed.lengthM), height: px(bed.widthM) }}
    />
  )
}

const same = <T extends string>(options: readonly T[]) => options.map((option) => [option, option] as const)

function BedFields({ bed, onClose }: { bed: Bed; onClose: () => void }) {
  const { data } = useGarden()
  const act = useAct()
  const { units, sections } = data.garden
  const record = data.beds.find(({ id }) => id === bed.id) ?? bed
  const form = useTyped({ schema: bedForm(units), record, valueOf: bedValue })
  const unit = unitOf('length', units)
  const used = data.stands.some((stand) => stand.bedId === bed.id)
  const save = form.submit(async ({ seen, part }) => {
    const stored = await act(changeBed(seen, bedPart(part)))
    if (stored) onClose()
    return stored
  })
  async function remove() {
    if (await act(removeBed(record))) onClose()
  }
  return (
    <Form className="mt-3 grid gap-3 sm:grid-cols-3" onSubmit={save}>
      <TypedText form={form} name="label" label="Label" />
      <TypedChoice
        form={form}
        name="sectionId"
        label="Section"
        options={sections.map((section) => [section.id, section.name] as const)}
      />
      <TypedText form={form} name="walkOrder" label="Place in the walk" decimal />
      <TypedText form={form} name="lengthM" label={`Length, ${unit}`} decimal />
      <TypedText form={form} name="widthM" label={`Width, ${unit}`} decimal />
      <TypedText form={form} name="pathWidthM" label={`Path width, ${unit}`} decimal />
      <TypedChoice form={form} name="kind" label="Kind" options={same(bedKind.options)} />
      <TypedChoice form={form} name="soil" label="Soil" options={same(soilTexture.options)} />
      <TypedChoice form={form} name="fertility" label="Fertility" options={same(fertility.options)} />
      <TypedChoice
        form={form}
        name="stoodBefore"
        label="Stood here before records"
        options={[
          ['', 'not known'],
          ...stoodBefore.options.map((what) => [what, STOOD_BEFORE[what]] as const),
        ]}
      />
      <TypedText form={form} name="shade" label="Shade, %" decimal />
      <TypedText form={form} name="slopePct" label="Slope, m of fall in 100 m" decimal />
      <TypedText
        form={form}
        name="keptM2"
        label={`Kept plants without a place, ${unitOf('area', units)}`}
        decimal
      />
      <div className="flex items-end justify-end gap-2 sm:col-span-3">
        <button
          type="button"
          className="btn btn-ghost"
          disabled={used}
          title={used ? 'Stands are recorded in this bed; remove them first.' : undefined}
          onClick={single(remove)}
        >
          Remove bed
        </button>
        <button className="btn btn-primary">Save bed</button>
      </div>
    </Form>
  )
}
