import { sortBy } from 'es-toolkit/array'
import { ChevronLeft, ChevronRight, Plus } from 'lucide-react'
import { useMemo } from 'react'
import { useStandInDay, usePending } from '../../compute/useAnswer'
import { bareSowings } from '../../core/choosing/nextSowing'
import type { GardenData } from '../../core/garden/schema'
import { findSpecies } from '../../core/plants/catalogue'
import { useGarden } from '../../state/garden'
import { useLasting } from '../../state/useSettled'
import { earlierDayText, shortDate } from '../../text/format'
import { ledgerOf } from './ledger'
import type { Loom } from './useLoom'

/** Weeks a page turn moves the sheet: one season. */
const PAGE_WEEKS = 13
const LAST_PAGE = { back: -26, forward: 0 }

/** With nothing planned, the bed in which something is worth sowing first, what, and from when on. */
function firstSowing(expected: GardenData, today: number): string {
  const [first] = sortBy(bareSowings(expected, today), [({ next }) => next?.day ?? Infinity])
  if (!first?.next) return 'nothing planned'
  const names = first.next.speciesIds.map((id) => findSpecies(id)?.shortName ?? id)
  return `worth sowing in ${first.beds[0].label}: ${names.join(', ')}, ${shortDate(first.next.day)}`
}

/** Name of the garden, its figures, and the buttons above the sheet. */
export function LoomHead({
  loom,
  name,
  page,
  onPage,
  onAdd,
  onGrowing,
}: {
  loom: Loom
  name: string
  page: number
  onPage: (page: number) => void
  onAdd: () => void
  onGrowing: () => void
}) {
  const ledger = ledgerOf(loom)
  const { expected, today } = useGarden()
  const idle = ledger.next === null
  const worth = useMemo(() => (idle ? firstSowing(expected, today) : ''), [idle, expected, today])
  return (
    <div className="flex flex-wrap items-end gap-x-8 gap-y-1 py-1.5">
      <h1 className="mr-2 max-lg:sr-only">{name}</h1>
      <Figure name="covered today" value={`${ledger.covered} of ${ledger.beds}`} />
      <Figure
        wide
        name="bare bed-weeks ahead"
        value={`${ledger.bareWeeks}, ${ledger.fillableWeeks} fillable`}
      />
      <Figure wide name="recoverable, sown under" value={`${ledger.underCrops} weeks`} />
      <Figure
        name="next"
        value={ledger.next ? `${ledger.next.text}, ${shortDate(ledger.next.day)}` : worth}
      />
      <div className="ml-auto flex items-center gap-1">
        <span className="quiet text-sm" role="status">
          <Weaving />
        </span>
        <button className="btn btn-sm" onClick={onAdd}>
          <Plus size={15} aria-hidden="true" /> Crop
        </button>
        <button className="btn btn-sm" onClick={onGrowing}>
          <Plus size={15} aria-hidden="true" /> Growing cover
        </button>
        <button
          className="btn btn-sm btn-square"
          aria-label="A season earlier"
          disabled={page <= LAST_PAGE.back}
          onClick={() => onPage(page - PAGE_WEEKS)}
        >
          <ChevronLeft size={16} aria-hidden="true" />
        </button>
        <button
          className="btn btn-sm btn-square"
          aria-label="A season later"
          disabled={page >= LAST_PAGE.forward}
          onClick={() => onPage(page + PAGE_WEEKS)}
        >
          <ChevronRight size={16} aria-hidden="true" />
        </button>
      </div>
    </div>
  )
}

function Weaving() {
  const { today } = useGarden()
  const pending = usePending()
  const of = earlierDayText(useStandInDay(), today)
  if (!useLasting(pending > 0)) return ''
  return of ? `as of ${of}, weaving today’s, ${pending} left` : `weaving, ${pending} left`
}

/** `wide`: only where there is room. */
function Figure({ name, value, wide = false }: { name: string; value: string; wide?: boolean }) {
  return (
    <div className={`leading-tight ${wide ? 'max-lg:hidden' : ''}`}>
      <div className="quiet text-xs">{name}</div>
      <div className="max-w-[23rem] truncate font-display text-[1.02rem] font-semibold" title={value}>
        {value}
      </div>
    </div>
  )
}
