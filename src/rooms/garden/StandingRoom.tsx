import { useState } from 'react'
import { Link } from 'react-router'
import type { Bed, GardenData } from '../../core/garden/schema'
import { creepingWeeds } from '../../core/garden/creepingWeeds'
import { dayNumber } from '../../core/foundations/day'
import { latest } from '../../core/garden/timeline'
import { Chip } from '../../parts/Chip'
import { GrowingDialog, StandingDialog, WeedDialog } from '../../parts/growing/GrowingDialog'
import { useGarden } from '../../state/garden'
import { shortDate } from '../../text/format'
import { standName } from '../../text/names'

/** What is known to stand in a bed today, in a few words; empty where nothing is. */
function standsWords({ stands }: Pick<GardenData, 'stands'>, bed: Bed): string {
  return stands
    .filter(({ bedId, start, end }) => bedId === bed.id && start.actual && !end.actual)
    .map((stand) => {
      const end = stand.content.kind === 'crop' ? latest(stand.end) : null
      return `${standName(stand).toLowerCase()}${end ? ` until ${shortDate(dayNumber(end.date))}` : ''}`
    })
    .join(', ')
}

/** What stands in the beds on the day a garden is begun: many of them marked at once. */
export function StandingRoom() {
  const { data } = useGarden()
  const [marked, setMarked] = useState<readonly string[]>([])
  const [asking, setAsking] = useState<'cover' | 'crop' | 'weeds' | null>(null)
  const toggle = (id: string) =>
    setMarked(marked.includes(id) ? marked.filter((other) => other !== id) : [...marked, id])
  const close = () => setAsking(null)
  const done = () => {
    setMarked([])
    close()
  }
  const none = marked.length === 0
  return (
    <section className="mx-auto max-w-4xl py-4">
      <h1>What stands in your beds today?</h1>
      <p className="mt-1">
        Mark the beds that are alike, then say what grows there. Those left alone are bare. All of it can
        wait: until it is known, the bed counts as bare.
      </p>
      {data.garden.sections.map((section) => {
        const beds = data.beds
          .filter(({ sectionId }) => sectionId === section.id)
          .sort((a, b) => a.walkOrder - b.walkOrder)
        return (
          beds.length > 0 && (
            <fieldset key={section.id} className="mt-4">
              <legend className="text-sm font-semibold">{section.name}</legend>
              <div className="mt-1 grid grid-cols-2 gap-1.5 sm:grid-cols-4 lg:grid-cols-6">
                {beds.map((bed) => {
                  const words = [standsWords(data, bed), ...creepingWeeds(bed, [], [])]
                    .filter(Boolean)
                    .join(', ')
                  return (
                    <Chip key={bed.id} chosen={marked.includes(bed.id)} onPress={() => toggle(bed.id)}>
                      <strong className="font-display">{bed.label}</strong>
                      <span className={`block text-sm font-normal ${words ? '' : 'quiet'}`}>
                        {words || 'bare'}
                      </span>
                    </Chip>
                  )
                })}
              </div>
            </fieldset>
          )
        )
      })}
      <div className="sticky bottom-0 mt-4 flex flex-wrap gap-2 bg-base-100 py-2">
        <button className="btn btn-primary h-11" disabled={none} onClick={() => setAsking('cover')}>
          A cover grows there
        </button>
        <button className="btn h-11" disabled={none} onClick={() => setAsking('crop')}>
          A crop stands there
        </button>
        <button className="btn h-11" disabled={none} onClick={() => setAsking('weeds')}>
          Bad weeds creep there
        </button>
        <Link className="btn ml-auto h-11" to="/">
          Open the loom
        </Link>
      </div>
      <GrowingDialog bedIds={asking === 'cover' ? marked : null} onClose={close} onDone={done} />
      <WeedDialog bedIds={asking === 'weeds' ? marked : null} onClose={close} onDone={done} />
      <StandingDialog bedIds={asking === 'crop' ? marked : null} onClose={close} onDone={done} />
    </section>
  )
}
