import { monthOf } from '../../core/foundations/day'
import { monthName, shortDate } from '../../text/format'
import type { Strip } from '../../parts/weave/paint'
import { StripCanvas } from '../../parts/weave/StripCanvas'
import { useDark } from '../../state/useDark'

const WIDTH = 96
const HEIGHT = 560

/** The bed's sixty weeks as on the loom, with its months. */
export function BedStrip({ strip, label }: { strip: Strip; label: string }) {
  const dark = useDark()
  const yOf = (day: number) => ((day - strip.firstDay) / strip.days) * HEIGHT
  const months = Array.from({ length: strip.days }, (_, i) => strip.firstDay + i).filter(
    (day, i) => i > 0 && monthOf(day) !== monthOf(day - 1),
  )
  const todayY = yOf(strip.today)
  return (
    <div
      className="relative"
      style={{ width: WIDTH + 44, height: HEIGHT }}
      role="img"
      aria-label={`The year of ${label} as woven, from ${shortDate(strip.firstDay)} over sixty weeks`}
    >
      {months.map((day) => (
        <span key={day} className="quiet absolute left-0 text-xs" style={{ top: yOf(day) }}>
          {Math.abs(yOf(day) - todayY) > 14 ? monthName(day) : ''}
        </span>
      ))}
      <div className="absolute top-0" style={{ left: 44 }}>
        <StripCanvas strip={strip} width={WIDTH} height={HEIGHT} dark={dark} />
      </div>
      <div className="loom-today absolute right-0 left-0" style={{ top: todayY - 1.5 }} />
    </div>
  )
}
