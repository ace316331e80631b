import { followingOf } from '../../core/portrait/following'
import { tallestM } from '../../core/portrait/scene'
import { unitsOf, type Told } from '../../text/amounts'
import { useGarden } from '../../state/garden'
import type { StandView } from '../../state/useStand'
import { DayPicture } from './DayPicture'
import { Drawn } from './Drawn'
import { PictureWhy } from './PictureWhy'
import { usePortrait } from './usePortrait'

/** A stand's bed on two of its days side by side, on a phone on one: as it is, and as its end leaves it. */
export function BedDays({ view, told }: { view: StandView; told: Told }) {
  const { expected, today } = useGarden()
  const portrait = usePortrait(view.standCase, `portrait ${view.stand.id}`)
  const following = followingOf(expected.stands.find(({ id }) => id === view.next?.stand.id) ?? null)
  return (
    <section aria-label="The bed, drawn to scale">
      <Drawn view={portrait} following={following}>
        {(of) => {
          const shared = { of, told, today, tallestM: tallestM(of.portrait, following) }
          return (
            <>
              <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-2">
                <DayPicture {...shared} opens="today" label="left" />
                <div className="max-lg:hidden">
                  <DayPicture {...shared} opens="end" label="right" />
                </div>
              </div>
              <PictureWhy units={unitsOf(told)} />
            </>
          )
        }}
      </Drawn>
    </section>
  )
}
