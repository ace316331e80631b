import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import { isoDate } from '../../core/foundations/day'
import type { Bed } from '../../core/garden/schema'
import { bareWindows, windowAt } from '../../core/garden/windows'
import { lightWindows, windowInto } from '../../core/choosing/lightWindows'
import { standsCutOver } from '../../core/seeding/dropOver'
import type { OwnPlan } from '../../core/choosing/own'
import type { ChooseQuestion } from '../../core/choosing/types'
import type { WeatherSpec } from '../../core/season/weatherSpec'
import { useOnce } from '../../parts/once'
import { useAct, useGarden } from '../../state/garden'
import { useLoadedLots } from '../../state/seed'
import { useAnswer } from '../../compute/useAnswer'
import { useTyped } from '../../parts/form/useTyped'
import { planCover, type CoverChoice } from '../../actions/planCover'
import { cropPlanOf } from '../../actions/planStretch'
import { groundText, segmentFrom } from '../../parts/ground/groundForm'
import { chooseForm, plannedCrop, questionOf, startingForm } from './question'

/** How far back a bare window is followed to its start. */
const LOOK_BACK_DAYS = 400

/** Data and actions of the Choose room for one bed; `underId` names the crop to sow under, if any. */
export function useChoose(bed: Bed, day: number, underId: string | null) {
  const { data, expected, today, spec } = useGarden()
  const navigate = useNavigate()
  const act = useAct()
  const lots = useLoadedLots()
  // What is marked as at hand, and what bags are written down in the Shed; null while that loads.
  const handText = useMemo(
    () =>
      lots &&
      [
        ...new Set([
          ...data.garden.seedAtHand,
          ...lots
            .filter((lot) => lot.leftGrams > 0)
            .flatMap((lot) => lot.contents.map((component) => component.speciesId)),
        ]),
      ]
        .sort()
        .join(' '),
    [data.garden.seedAtHand, lots],
  )
  const horizon = spec.startDay + spec.days
  const window = useMemo(
    () => windowAt(bareWindows(bed, expected.stands, today - LOOK_BACK_DAYS, horizon), day),
    [bed, expected.stands, today, horizon, day],
  )
  const known = useMemo(
    () =>
      lightWindows(bed, expected.stands, today, horizon, expected.garden.rules).find(
        ({ above }) => above.id === underId,
      ) ?? null,
    [bed, expected.stands, expected.garden.rules, today, horizon, underId],
  )
  // Into a cover that is cut over the seed, where nothing was to be sown under it.
  const into = useMemo(
    () =>
      known || underId === null ? null : windowInto(bed, expected.stands, underId, Math.max(day, today)),
    [known, bed, expected.stands, underId, day, today],
  )
  const light = known ?? into
  const upperId = light?.above.id ?? null
  const nextId = light
    ? expected.stands.find(
        (stand) => stand.bedId === bed.id && stand.start.plan?.date === isoDate(light.neededByDay),
      )?.id
    : window?.nextStandId
  const next = data.stands.find((stand) => stand.id === nextId)
  const draftName = `choose ${bed.id} ${underId ?? window?.freeFromDay ?? day}`
  const { units } = data.garden
  const form = useTyped({
    schema: useMemo(() => chooseForm(bed, today, horizon, units), [bed, today, horizon, units]),
    draft: { name: draftName, version: 3 },
    live: true,
    blank: startingForm(
      window,
      light,
      next,
      today,
      light ? groundText(light.above.segment, bed, units) : undefined,
    ),
  })
  const { value, done } = form
  const sowUntilDay = light?.sowUntilDay ?? null
  // Day on which what it is sown into is cut over the seed; null where it is not.
  const cutDay = into && value ? (value.sowOn ?? Math.max(value.freeFrom, today)) : null

  const args = useMemo((): [WeatherSpec, ChooseQuestion] | null => {
    if (!value || handText === undefined) return null
    const seedAtHand = handText.split(' ').filter(Boolean)
    const stands = cutDay === null ? expected.stands : standsCutOver(expected.stands, upperId, cutDay)
    const find = (id: string | null | undefined) => stands.find((stand) => stand.id === id)
    const asked = {
      bed,
      data: { ...expected, stands },
      upper: find(upperId) ?? null,
      next: find(nextId),
      sowUntilDay: cutDay ?? sowUntilDay,
    }
    return [spec, questionOf(value, { ...asked, seedAtHand, today })]
  }, [value, today, spec, bed, expected, handText, upperId, nextId, sowUntilDay, cutDay])
  const answer = useAnswer('choose', args)

  // The crop told here is planned with the cover; one planned already takes over what was told.
  const choice = useMemo((): CoverChoice | null => {
    if (!value) return null
    const named = plannedCrop(value)
    const planned = cropPlanOf(data.stands.find((stand) => stand.id === nextId) ?? null)
    // How it is planted and fed stays as it was planned for the same crop.
    const kept = planned?.cropId === named?.cropId ? planned : null
    return {
      bed,
      segment: segmentFrom(value, bed) ?? { kind: 'whole' },
      purposes: value.purposes,
      underStandId: upperId,
      dropsOver: into !== null,
      crop: named && { ...named, ...(kept && { plantingMethod: kept.plantingMethod, feed: kept.feed }) },
      follows:
        value.neededBy === null || nextId ? null : { kind: 'undecided', neededBy: isoDate(value.neededBy) },
    }
  }, [value, bed, upperId, into, nextId, data.stands])

  const { run: choose } = useOnce(async (candidate: OwnPlan) => {
    if (!choice) return
    const step = planCover(data, candidate, choice, next)
    if (!(await act(step))) return
    done()
    void navigate(`/sow/${step.standId}`)
  })

  return { window, light, into, cutDay, next, form, answer, choose, choice, args }
}
