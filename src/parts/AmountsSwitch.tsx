import { amountsChosen } from '../state/session'
import { useAppDispatch, useAppSelector } from '../state/store'
import type { Units } from '../text/format'

/** Tells amounts for the bed, or per acre or hectare: one switch for all rooms, and remembered. */
export function AmountsSwitch({ units }: { units: Units }) {
  const amounts = useAppSelector((state) => state.session.amounts)
  const dispatch = useAppDispatch()
  const area = units === 'imperial' ? 'per acre' : 'per hectare'
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm no-print min-h-11 px-2 font-normal underline sm:min-h-8"
      onClick={() => dispatch(amountsChosen(amounts === 'bed' ? 'area' : 'bed'))}
    >
      {amounts === 'bed' ? `Amounts ${area}` : 'Amounts for this bed'}
    </button>
  )
}
