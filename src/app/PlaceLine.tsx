import { Link } from 'react-router'
import { useGarden } from '../state/garden'

/** Says, while nobody has told where the garden lies, what that costs. */
export function PlaceLine() {
  const { garden } = useGarden().data
  if (garden.home !== null) return null
  return (
    <p role="status" className="no-print mx-4 mt-1 border-l-4 border-warning pl-3 text-sm">
      Kilim does not know where this garden is yet: all dates may be a month off.{' '}
      <Link className="link font-semibold" to="/weather">
        Say where
      </Link>
    </p>
  )
}
