import type { Offer } from '../state/useDraft'
import { begunText } from '../text/format'

/** Offers to go on with what was begun in a tab that is closed by now. */
export function DraftOffer({ offer }: { offer: Offer | null }) {
  if (!offer) return null
  return (
    <p
      role="status"
      className="my-2 flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 border-info pl-3 text-sm"
    >
      Begun {begunText(offer.at)} in a tab that is closed, and not stored.
      <button type="button" className="btn btn-xs" onClick={offer.take}>
        Continue with it
      </button>
      <button type="button" className="btn btn-ghost btn-xs" onClick={offer.leave}>
        Discard it
      </button>
    </p>
  )
}
