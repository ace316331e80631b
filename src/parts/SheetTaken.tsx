import { useMemo } from 'react'
import type { Stand } from '../core/garden/schema'
import { sheetClashes, sheetUses, type SheetUse } from '../core/scenario/sheetUse'
import { useGarden } from '../state/garden'
import { placeText } from '../text/bed'
import { clashText } from '../text/sheets'

/** What a plan wants of the sheets that are owned and lie elsewhere then: of the cover, and of the crop that follows it. */
export function SheetTaken({ cover, next }: { cover: Stand; next: Stand | null }) {
  const { expected, today } = useGarden()
  // As it is being tried, not as it is stored.
  const clashes = useMemo(() => {
    const stands = expected.stands.map((stand) => (stand.id === cover.id ? cover : stand))
    return sheetClashes(sheetUses({ ...expected, stands }, today))
  }, [expected, cover, today])
  const placeOf = ({ stand }: SheetUse) =>
    placeText(
      expected.beds.find(({ id }) => id === stand.bedId)!,
      stand.segment,
      expected.garden.units,
    )
  return clashes
    .filter(({ use, with: others }) => others.length > 0 && [cover.id, next?.id].includes(use.stand.id))
    .map((clash) => (
      <p key={clash.use.stand.id} role="note" className="mt-1 font-semibold" data-testid="sheet-taken">
        {clashText(clash, placeOf, false)}
      </p>
    ))
}
