import { lazy, Suspense, useCallback, useMemo, useRef, useState, type RefObject } from 'react'
import { longDate, shortDate } from '../../text/format'
import { useWidth, useWindowHeight } from '../../parts/useSize'
import { useGradually } from '../../state/useGradually'
import { late } from '../../state/late'
import { useDark } from '../../state/useDark'
import { useGarden } from '../../state/garden'
import { useShared } from '../../state/useShared'
import { useAppSelector } from '../../state/store'
import { useFailures } from '../../compute/useAnswer'
import { GrowingDialog } from '../../parts/growing/GrowingDialog'
import { CropDialog } from './CropDialog'
import { layoutLoom, yOfDay, type LoomLayout } from './layout'
import { LoomHead } from './LoomHead'
import { LoomColumn, OutOfSight } from './LoomColumn'
import { SpotLine } from './SpotLine'
import { useCursor } from './useCursor'
import { useLoom, useOutlook, type Loom } from './useLoom'
import { SayGrowing, SheetLayout } from './sheetLayout'
import { useShownColumns } from './useShownColumns'
import { WeekEdge } from './WeekEdge'
import { Failed } from '../../parts/Waiting'

/** Only gardens of many beds need what tells which are in sight. */
const ColumnsInSight = lazy(() =>
  late(import('./ColumnsInSight')).then(({ ColumnsInSight }) => ({ default: ColumnsInSight })),
)

/** Room that the page leaves beside its rooms, both sides. */
const ROOM_MARGIN_PX = 32

/** Height of the line for the first use. */
const FIRST_USE_PX = 42

/** The year of all beds, woven: beds are columns, weeks are rows, time runs down. */
export function LoomRoom() {
  const { data } = useGarden()
  const [page, setPage] = useState(0)
  const loom = useLoom(page)
  const frame = useRef<HTMLDivElement>(null)
  const width = useWidth(frame, window.innerWidth - ROOM_MARGIN_PX)
  const windowHeight = useWindowHeight()
  // The line for the first use stands above; the sheet gives way to it, so that all still fits.
  const firstUse = !useAppSelector((state) => state.session.known).includes('loom')
  const height = windowHeight - (firstUse ? FIRST_USE_PX : 0)
  const layout = useMemo(() => layoutLoom(loom, width, height), [loom, width, height])
  const [adding, setAdding] = useState<{ bedId: string; day: number } | null>(null)
  const [growing, setGrowing] = useState<string[] | null>(null)
  const sayGrowing = useCallback((bedId: string) => setGrowing([bedId]), [])
  const { cursor, spot, onKeyDown, open } = useCursor(loom, (at) =>
    setAdding({ bedId: at.entry.bed.id, day: at.day }),
  )

  return (
    <section aria-label="Loom">
      <LoomHead
        loom={loom}
        name={data.garden.name}
        page={page}
        onPage={setPage}
        onAdd={() => setAdding({ bedId: data.beds[0]?.id ?? '', day: loom.today })}
        onGrowing={() => setGrowing([])}
      />
      <NotWoven loom={loom} />
      <div ref={frame} className="overflow-x-auto overflow-y-hidden">
        {width > 0 && (
          <SayGrowing value={sayGrowing}>
            <Sheet
              loom={loom}
              layout={layout}
              cursorColumn={cursor.column}
              cursorDay={cursor.day}
              frame={frame}
              onKeyDown={onKeyDown}
            />
          </SayGrowing>
        )}
      </div>
      <SpotLine
        spot={spot}
        today={loom.today}
        onOpen={open}
        onAdd={(at) => setAdding({ bedId: at.entry.bed.id, day: at.day })}
        onGrowing={(at) => setGrowing([at.entry.bed.id])}
      />
      <GrowingDialog bedIds={growing} onClose={() => setGrowing(null)} />
      <CropDialog spot={adding} onClose={() => setAdding(null)} />
    </section>
  )
}

/** What could not be computed of the sheet below. */
function NotWoven({ loom }: { loom: Loom }) {
  const failure = useFailures()
  const outlook = useOutlook(loom)
  const count = failure?.count ?? 0
  return (
    <div className="flex flex-wrap gap-x-6">
      <Failed
        className="my-1"
        what={`Weaving ${count} ${count === 1 ? 'cover' : 'covers'}`}
        failure={failure}
      />
      <Failed className="my-1" what="Frost and rain by week" failure={outlook} />
    </div>
  )
}

type SheetProps = {
  loom: Loom
  layout: LoomLayout
  cursorColumn: number
  cursorDay: number
  frame: RefObject<HTMLDivElement | null>
  onKeyDown: (event: React.KeyboardEvent) => void
}

function Sheet({ loom, layout, cursorColumn, cursorDay, frame, onKeyDown }: SheetProps) {
  const dark = useDark()
  const { many, shown, setInSight } = useShownColumns(layout)
  const columns = useShared(layout.columns)
  // Beds out of sight are asked for bit by bit, behind those that are seen.
  const asked = useGradually(columns.length)
  const { rowPx, height } = layout
  const scale = useMemo(() => ({ rowPx, height }), [rowPx, height])
  const { firstDay, lastDay, today } = loom
  const days = useMemo(() => ({ firstDay, lastDay, today }), [firstDay, lastDay, today])
  const todayY = yOfDay(layout, loom, loom.today)
  const picked = layout.columns[cursorColumn]
  const showToday = todayY >= 0 && todayY <= layout.height
  return (
    <SheetLayout value={layout}>
      {many && (
        <Suspense>
          <ColumnsInSight frame={frame} layout={layout} cursorColumn={cursorColumn} onSight={setInSight} />
        </Suspense>
      )}
      <div style={{ width: layout.width, minWidth: '100%' }}>
        <div className="relative h-9 text-sm" aria-hidden="true">
          <span className="quiet absolute bottom-0 text-xs" style={{ left: 32 }}>
            frost
          </span>
          <span className="quiet absolute bottom-0 text-xs" style={{ left: 68 }}>
            rain
          </span>
          {layout.sections.map((section) => (
            <span
              key={section.left}
              className="absolute top-0 truncate border-b border-base-300 text-center text-xs leading-4 quiet"
              style={{ left: section.left, width: section.width }}
            >
              {section.name}
            </span>
          ))}
          {layout.columns.map(({ entry, left, width }) => (
            <span
              key={entry.bed.id}
              className="absolute bottom-0 text-center font-display font-bold"
              style={{ left, width }}
            >
              {entry.bed.label}
            </span>
          ))}
        </div>
        <div
          className="loom-sheet relative"
          style={{ height: layout.height }}
          tabIndex={0}
          role="group"
          aria-label="Beds by week. Arrow keys move by bed and week, Enter opens, A adds a crop."
          onKeyDown={onKeyDown}
          data-testid="loom"
          data-help="loom"
        >
          <WeekEdge loom={loom} layout={layout} />
          {showToday && (
            <>
              <div
                className="loom-today absolute z-10"
                style={{ top: todayY - 1.5, left: 0, width: layout.width }}
                aria-hidden="true"
              />
              <span className="loom-date absolute z-30" style={{ top: todayY - 9 }}>
                {shortDate(loom.today)}
              </span>
            </>
          )}
          {columns.map((column, i) =>
            shown.has(i) ? (
              <LoomColumn key={column.entry.bed.id} column={column} scale={scale} sheet={days} dark={dark} />
            ) : i < asked ? (
              <OutOfSight key={column.entry.bed.id} entry={column.entry} sheet={days} />
            ) : (
              <span key={column.entry.bed.id} hidden data-woven={false} />
            ),
          )}
          {picked && (
            <div
              className="loom-cursor pointer-events-none absolute z-30"
              style={{
                left: picked.left - 2,
                width: picked.width + 4,
                top: yOfDay(layout, loom, cursorDay) - 1,
                height: layout.rowPx + 2,
              }}
              title={longDate(cursorDay)}
            />
          )}
        </div>
      </div>
    </SheetLayout>
  )
}
