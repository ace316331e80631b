import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import { withDropOver } from '../../actions/dropOver'
import { recordSowing } from '../../actions/recordSowing'
import { isoDate, parseDay } from '../../core/foundations/day'
import type { Outcome } from '../../core/foundations/outcome'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Component } from '../../core/garden/schema'
import { debrisBefore } from '../../core/seeding/debris'
import { coverAbove } from '../../core/seeding/dropOver'
import { plannedStep, sowingRecipe, type Recipe } from '../../core/seeding/recipe'
import { useTyped } from '../../parts/form/useTyped'
import { useAct, useGarden } from '../../state/garden'
import { useLots } from '../../state/seed'
import type { StandView } from '../../state/useStand'
import { readQuantity } from '../../text/quantity'
import { sowForm, sowText } from './form'
import type { HowThrown } from './throwing'

/** Data and actions of the Sow room for one stand. */
export function useSow(view: StandView) {
  const lots = useLots()
  const { data, today } = useGarden()
  const navigate = useNavigate()
  const act = useAct()
  const { stand, bed } = view
  const { units } = data.garden
  const shown = sowText(stand, today, units, plannedStep(stand, bed, units === 'imperial'))
  const form = useTyped({
    schema: useMemo(() => sowForm(today, units), [today, units]),
    // Only what was filled in is kept: the rest follows the stand.
    draft: { name: `sow ${stand.id}`, version: 2 },
    live: true,
    blank: shown,
  })
  const { text } = form
  const share = (typed: string | undefined) => readQuantity(typed ?? '', 'share', units)
  const components = (stand.content.kind === 'cover' ? stand.content.components : []).map((component) => ({
    ...component,
    germination: share(text.germination[component.speciesId]),
    share: share(text.share[component.speciesId]),
  }))
  const thrown: HowThrown = {
    ...text,
    passes: Number(text.passes),
    scaleStepG: Number(text.scaleStepG),
  }
  const recipe: Outcome<Recipe> = sowingRecipe({
    areaM2: segmentAreaM2(bed, stand.segment),
    covering: text.covering,
    passes: thrown.passes,
    scaleStepG: thrown.scaleStepG,
    components,
  })

  /** What was weighed; shown rounded, it stays as it was recorded where nobody typed another. */
  const gramsOf = (speciesId: string, typed: Record<string, number | null>): number | null => {
    const before = stand.start.actual?.components.find((component) => component.speciesId === speciesId)
    const same = before && text.grams[speciesId] === shown.grams[speciesId]
    return same ? before.grams : typed[speciesId]
  }

  const record = form.submit(async ({ value }) => {
    if (!recipe.ok) return false
    const weighed = components.map((component, i): Component => ({
      ...component,
      grams: gramsOf(component.speciesId, value.grams) ?? recipe.value.lines[i].grams,
    }))
    const date = isoDate(value.date)
    const actual = {
      date,
      covering: value.covering,
      passes: thrown.passes,
      components: weighed,
      keptMoistDays: value.keptMoist ?? 0,
      sownBetween: stand.start.actual?.date === date ? stand.start.actual.sownBetween : null,
      note: value.note,
    }
    const stock = value.fromStock && !stand.start.actual ? lots : []
    const above =
      value.covering === 'crop dropped over' ? coverAbove(data.stands, bed, stand, value.date) : null
    const over = above?.start.actual && !above.end.actual ? above : null
    const sowing = recordSowing(stand, actual, stock)
    const stored = await act(over ? withDropOver(data, sowing, stand, over, value.date, null) : sowing)
    if (stored) void navigate(`/watch/${stand.id}`)
    return stored
  })

  return {
    form,
    thrown,
    recipe,
    debris: debrisBefore(bed, data.stands, parseDay(text.date) ?? today),
    record,
    lots,
    units,
    recorded: stand.start.actual !== null,
  }
}

export type Sow = ReturnType<typeof useSow>
