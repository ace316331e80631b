import { useMemo, useState } from 'react'
import { followingIn } from '../../core/portrait/following'
import { tallestM } from '../../core/portrait/scene'
import { isoDate } from '../../core/foundations/day'
import { plannedEnd } from '../../core/scenario/plan'
import { SelectField } from '../../parts/SelectField'
import { DayPicture } from '../../parts/bedPicture/DayPicture'
import { Drawn } from '../../parts/bedPicture/Drawn'
import { PictureWhy } from '../../parts/bedPicture/PictureWhy'
import { usePortrait } from '../../parts/bedPicture/usePortrait'
import { useTold } from '../../state/useTold'
import { unitsOf } from '../../text/amounts'
import { shortDate } from '../../text/format'
import { endingWords } from '../../text/names'
import type { ShownMethod } from './shown'
import type { EndView } from './useEnd'

const keyOf = ({ option }: ShownMethod) => `${option.method} ${option.passes}`

/** Two ways of ending the stand side by side, drawn on any day: the plan's own, and another of the list. */
export function TwoMethods({ end, shown }: { end: EndView; shown: ShownMethod[] }) {
  const { scenario } = end.bedPlan
  const planned = plannedEnd(scenario)
  const others = shown.filter(({ option }) => option.shown && option.method !== planned?.method)
  const [chosen, setChosen] = useState('')
  const other = others.find((method) => keyOf(method) === chosen) ?? others.at(0)
  const otherEnd = other?.option.shown?.end
  const otherDay = other?.option.shown?.day
  const otherCase = useMemo(() => {
    if (!otherEnd || otherDay === undefined) return null
    const { standCase } = scenario
    const ending = { plan: { ...otherEnd, date: isoDate(otherDay) }, actual: null }
    return { ...standCase, stand: { ...standCase.stand, end: ending } }
  }, [scenario, otherEnd, otherDay])
  const left = usePortrait(scenario.standCase, `portrait ${end.stand.id}`)
  const right = usePortrait(otherCase, `portrait other ${end.stand.id}`)
  const told = useTold(end.view.bed, end.stand.segment)
  const following = followingIn(scenario.follows)
  const tallest = Math.max(
    ...[left, right].map(({ portrait }) => (portrait ? tallestM(portrait, following) : 0)),
  )
  const shared = { told, today: end.today, tallestM: tallest }
  return (
    <section aria-label="Two ways side by side" className="my-4">
      <div className="grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-2">
        <Drawn view={left} following={following}>
          {(of) => (
            <DayPicture {...shared} of={of} opens="end" label="as planned">
              <p className="flex items-end pb-1 lg:min-h-16">
                {planned ? `As planned: ${endingWords(planned)}` : 'As it stands on, without an end'}
              </p>
            </DayPicture>
          )}
        </Drawn>
        {other && otherCase && (
          <Drawn view={right} following={following}>
            {(of) => (
              <DayPicture {...shared} of={of} opens="end" label="the other way">
                <div className="lg:min-h-16">
                  <SelectField
                    label="Beside it"
                    value={keyOf(other)}
                    onChange={setChosen}
                    options={others.map((method) => [
                      keyOf(method),
                      `${method.name}, ${shortDate(method.option.shown!.day)}`,
                    ])}
                  />
                </div>
              </DayPicture>
            )}
          </Drawn>
        )}
      </div>
      <PictureWhy units={unitsOf(told)} />
    </section>
  )
}
