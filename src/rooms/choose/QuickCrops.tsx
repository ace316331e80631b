import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import { SHORT_GAP_DAYS, type QuickCrop } from '../../core/choosing/quickCrops'
import { untilDay, type ChooseQuestion } from '../../core/choosing/types'
import { planQuickCrop } from '../../actions/addCrop'
import { findCrop } from '../../core/plants/crops'
import type { WeatherSpec } from '../../core/season/weatherSpec'
import { Chance } from '../../parts/Chance'
import { useOnce } from '../../parts/once'
import { useAct } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'
import { dateRangeText, shortDate } from '../../text/format'

/** In a short gap: food crops that are eaten before the ground is wanted, as rivals to a cover. */
export function QuickCrops({ args }: { args: [WeatherSpec, ChooseQuestion] }) {
  const [spec, question] = args
  const sowDay = Math.max(question.freeFromDay, question.today, question.sowDay ?? 0)
  const wanted = question.follows.kind === 'nothing' ? null : untilDay(question)
  const short =
    wanted !== null &&
    wanted - sowDay <= SHORT_GAP_DAYS &&
    question.upper === null &&
    question.segment.kind !== 'path'
  const job = useMemo(
    (): [WeatherSpec, number, number] | null => (short ? [spec, sowDay, wanted] : null),
    [short, spec, sowDay, wanted],
  )
  const { value } = useAnswer('quickCrops', job)
  const act = useAct()
  const navigate = useNavigate()
  const { run: plan } = useOnce(async ({ cropId, harvest }: QuickCrop) => {
    const { bed, segment } = question
    const days = Math.min(Math.ceil(harvest.p90), (wanted ?? Infinity) - 1) - sowDay
    if (await act(planQuickCrop(bed, segment, { cropId, sowDay, days }))) void navigate(`/bed/${bed.id}`)
  })
  if (!value || value.length === 0) return null
  return (
    <section
      aria-label="Quick crops"
      className="mt-6 border-t border-base-300 pt-3"
      data-testid="quick-crops"
    >
      <h2>Or something to eat</h2>
      <p className="quiet">Sown {shortDate(sowDay)} and harvested before the ground is wanted.</p>
      <ul className="mt-1 divide-y divide-base-300">
        {value.map((crop) => {
          const name = findCrop(crop.cropId)?.name ?? crop.cropId
          return (
            <li key={crop.cropId} className="flex flex-wrap items-center gap-x-5 gap-y-1 py-1.5">
              <strong className="w-40">{name}</strong>
              <span className="w-56">ready {dateRangeText(crop.harvest)}</span>
              <Chance share={crop.chance} />
              <button
                className="btn btn-sm ml-auto"
                aria-label={`Plan ${name}`}
                onClick={() => void plan(crop)}
              >
                Plan it
              </button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
