import { Link } from 'react-router'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { sharesGround } from '../../core/garden/ground'
import { latest } from '../../core/garden/timeline'
import { laidDepthM, mulchOnBeds } from '../../core/residue/mulchStore'
import { segmentAreaM2 } from '../../core/garden/area'
import { openFrom, withMulchAsPlanned } from '../../core/season/owedMulch'
import { useGarden } from '../../state/garden'
import { centimetres, kilos, longDate } from '../../text/format'
import type { EndView } from './useEnd'

const WHOLE = { kind: 'whole' } as const

/** The last act of an ending: mulch from the store once the growth is down and no sheet lies on it, owed to the bed and laid from Rounds. */
export function MulchAfter({ end: { stand, view, today } }: { end: EndView }) {
  const { data } = useGarden()
  const { units } = data.garden
  const { bed } = view
  const known = latest(stand.end)
  const opens = openFrom(data, stand)
  if (!known || opens === null || known.method === 'harvest') return null
  const ended = dayNumber(known.date)
  const fromDay = Math.max(today, opens)
  const after = mulchOnBeds(withMulchAsPlanned(data)).filter(
    ({ bedId, date, segment }) =>
      bedId === bed.id && dayNumber(date) >= ended && sharesGround(segment ?? WHOLE, stand.segment, bed),
  )
  return (
    <div className="mt-3" data-testid="mulch-after">
      {after.map(({ id, date, kg, kind, owed, segment }) => (
        <p key={id}>
          {owed ? 'Then' : 'Laid'} {longDate(dayNumber(date))}: {kilos(kg, units)} of {kind},{' '}
          {centimetres(laidDepthM(kind, kg, segmentAreaM2(bed, segment ?? WHOLE)), units)} deep
          {owed ? ', owed from the store' : ''}.
        </p>
      ))}
      <Link
        className="link no-print"
        to={`/shed?bed=${bed.id}&day=${isoDate(fromDay)}&after=${stand.id}#mulch`}
      >
        {after.length > 0 ? 'More mulch after it' : 'Mulch after it, from the store'}
      </Link>
    </div>
  )
}
