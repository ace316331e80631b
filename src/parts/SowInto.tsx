import { Link } from 'react-router'
import { canBeDropped } from '../core/choosing/lightWindows'
import type { Bed } from '../core/garden/schema'
import { having } from '../core/foundations/grouped'
import { useGarden } from '../state/garden'
import { standWithPlace } from '../text/bed'

/** Ways to sow into the covers that grow in a bed today, each cut over the seed. */
export function SowInto({ bed }: { bed: Bed }) {
  const { data, today } = useGarden()
  const covers = having(data.stands, 'bedId', bed.id).filter((stand) => canBeDropped(stand, data.stands))
  return covers.map((cover) => (
    <p key={cover.id} className="no-print mt-1">
      <Link className="link" to={`/choose/${bed.id}?day=${today}&under=${cover.id}`}>
        Sow into {standWithPlace(cover, data.garden.units, bed).toLowerCase()}, and cut it over the seed
      </Link>
    </p>
  ))
}
