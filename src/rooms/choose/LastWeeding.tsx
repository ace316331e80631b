import { useState } from 'react'
import { changeLastWeeding } from '../../actions/changeRules'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { rules as rulesShape } from '../../core/garden/rules'
import { lastWeedingDays } from '../../core/choosing/lightWindows'
import type { Crop } from '../../core/plants/crops'
import { ChangeFold } from '../../parts/ChangeFold'
import { DayField } from '../../parts/DayField'
import { useAct, useGarden } from '../../state/garden'
import { longDate } from '../../text/format'

/** A crop's last weeding here, by its usual days or the grower's own, and a day to say otherwise. */
export function LastWeeding({ crop, plantedDay }: { crop: Crop; plantedDay: number }) {
  const { garden } = useGarden().data
  const act = useAct()
  const [problem, setProblem] = useState<string>()
  const days = lastWeedingDays(crop, garden.rules)
  if (days === null) return null
  const own = garden.rules.lastWeeding[crop.id] !== undefined
  const name = crop.name.toLowerCase()
  const store = (date: string) => {
    const after = dayNumber(date) - plantedDay
    const lastWeeding = { ...garden.rules.lastWeeding, [crop.id]: after }
    const read = rulesShape.shape.lastWeeding.safeParse(lastWeeding)
    setProblem(
      read.success ? undefined : 'The last weeding comes 5 to 400 days after planting. Choose such a day.',
    )
    if (read.success) void act(changeLastWeeding(garden, lastWeeding))
  }
  const forget = () => {
    const others = Object.entries(garden.rules.lastWeeding).filter(([id]) => id !== crop.id)
    void act(changeLastWeeding(garden, Object.fromEntries(others)))
  }
  return (
    <ChangeFold
      known={`Last weeding of ${name} ${longDate(plantedDay + days)}, ${days} days after planting${own ? ', your own' : ', as usual'}.`}
      open={false}
    >
      <div className="flex flex-wrap items-end gap-3" data-testid="last-weeding">
        <DayField
          label={`Last weeding of ${name}`}
          date={isoDate(plantedDay + days)}
          error={problem}
          onDate={store}
        />
        {own && (
          <button type="button" className="btn btn-sm mb-1" onClick={forget}>
            As usual, {crop.lastWeedingDays ?? 0} days
          </button>
        )}
      </div>
    </ChangeFold>
  )
}
