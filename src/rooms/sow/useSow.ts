import { useNavigate } from 'react-router'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import type { Outcome } from '../../core/foundations/outcome'
import { debrisBefore } from '../../core/seeding/debris'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Component, Covering, StartDetails } from '../../core/garden/schema'
import type { SeedLot } from '../../core/garden/seed'
import { drawDown } from '../../core/seeding/lots'
import { sowingRecipe, type Recipe } from '../../core/seeding/recipe'
import { useCommit, useGarden } from '../../state/garden'
import { useLots } from '../../state/seed'
import { useDraft } from '../../state/useDraft'
import type { StandView } from '../../state/useStand'
import { shortDate } from '../../text/format'
import { standName } from '../../text/names'
import { typedNumber } from '../../parts/typed'
import { changed } from '../../data/writes'

/** The sowing as filled in: percentages and grams as typed. */
export type SowForm = {
  date: string
  covering: Covering
  passes: number
  scaleStepG: number
  germination: Record<string, string>
  share: Record<string, string>
  grams: Record<string, string>
  /** Days watered after sowing, as typed; drafts of older versions lack it. */
  keptMoist?: string
  note: string
  /** Stretches a pass is cut into, and who throws; unset for the usual. */
  stretches?: string
  sowerId?: string
  /** Whether the grams are taken from the seed at hand. */
  fromStock?: boolean
}

function startingForm({ stand }: StandView, today: number): SowForm {
  if (stand.content.kind !== 'cover') throw new Error('Only covers are sown here.')
  const known = stand.start.actual ?? stand.start.plan
  const components = stand.start.actual?.components.length
    ? stand.start.actual.components
    : stand.content.components
  const each = (of: (component: Component) => string) =>
    Object.fromEntries(components.map((component) => [component.speciesId, of(component)]))
  return {
    date: stand.start.actual?.date ?? isoDate(today),
    covering: known?.covering ?? 'raked',
    passes: known?.passes ?? 2,
    scaleStepG: 1,
    germination: each((component) => String(Math.round(component.germination * 100))),
    share: each((component) => String(Math.round(component.share * 100))),
    grams: stand.start.actual
      ? each((component) => (component.grams === null ? '' : String(component.grams)))
      : {},
    keptMoist: String(known?.keptMoistDays ?? ''),
    note: stand.start.actual?.note ?? '',
  }
}

/** Why the sowing cannot be recorded as filled in, by field. */
export function sowProblems(form: SowForm, today: number): Record<string, string> {
  const problems: Record<string, string> = {}
  const day = parseDay(form.date)
  if (day === null) problems.date = 'Enter a date that exists, such as 2026-04-18.'
  else if (day > today)
    problems.date = 'A sowing is recorded once it is done. Choose today or an earlier date.'
  for (const [speciesId, text] of Object.entries(form.grams))
    if (text.trim() !== '' && !(typedNumber(text) > 0 && typedNumber(text) <= 1_000_000))
      problems[`grams ${speciesId}`] = 'Grams must be a number above 0, such as 250.'
  const moist = typedNumber(form.keptMoist)
  if ((form.keptMoist ?? '').trim() !== '' && !(moist >= 0 && moist <= 60))
    problems.keptMoist = 'Days kept moist must be between 0 and 60.'
  return problems
}

/** Lots with all that is sown taken out of them, the oldest first. */
function drawAll(lots: readonly SeedLot[], sown: readonly Component[]): SeedLot[] {
  const left = new Map(lots.map((lot) => [lot.id, lot]))
  for (const component of sown)
    for (const lot of drawDown([...left.values()], component.speciesId, component.grams ?? 0).lots)
      left.set(lot.id, lot)
  return [...left.values()].filter((lot) => !lots.includes(lot))
}

/** Data and actions of the Sow room for one stand. */
export function useSow(view: StandView) {
  const lots = useLots()
  const { data, today } = useGarden()
  const navigate = useNavigate()
  const commit = useCommit()
  const { stand, bed } = view
  const draftName = `sow ${stand.id}`
  const { draft, keep, drop, offer } = useDraft<Partial<SowForm>>(draftName)
  // Only what was filled in is kept: the rest follows the stand.
  const form: SowForm = { ...startingForm(view, today), ...draft }
  const change = (part: Partial<SowForm>) => keep({ ...draft, ...part })

  const components = (stand.content.kind === 'cover' ? stand.content.components : []).map((component) => ({
    ...component,
    germination: typedNumber(form.germination[component.speciesId]) / 100,
    share: typedNumber(form.share[component.speciesId]) / 100,
  }))
  const recipe: Outcome<Recipe> = sowingRecipe({
    areaM2: segmentAreaM2(bed, stand.segment),
    covering: form.covering,
    passes: form.passes,
    scaleStepG: form.scaleStepG,
    components,
  })
  const problems = sowProblems(form, today)

  async function record() {
    if (!recipe.ok || Object.keys(problems).length > 0) return
    const weighed = components.map((component, i): Component => ({
      ...component,
      grams: Number.isFinite(typedNumber(form.grams[component.speciesId]))
        ? typedNumber(form.grams[component.speciesId])
        : recipe.value.lines[i].grams,
    }))
    const actual: StartDetails = {
      date: form.date,
      covering: form.covering,
      passes: form.passes,
      components: weighed,
      ...(typedNumber(form.keptMoist) > 0 ? { keptMoistDays: Math.round(typedNumber(form.keptMoist)) } : {}),
      note: form.note,
    }
    const shift = stand.start.plan ? dayNumber(form.date) - dayNumber(stand.start.plan.date) : 0
    const endPlan =
      stand.end.plan && stand.end.plan.date <= form.date
        ? { ...stand.end.plan, date: isoDate(dayNumber(stand.end.plan.date) + Math.max(shift, 1)) }
        : stand.end.plan
    const drawn = form.fromStock === false || stand.start.actual ? [] : drawAll(lots, weighed)
    // An end that was planned before this sowing moves with it, and the message says so.
    const moved =
      endPlan && endPlan.date !== stand.end.plan?.date
        ? `; its end moves to ${shortDate(dayNumber(endPlan.date))}`
        : ''
    const stored = await commit(`Recorded the sowing of ${standName(stand).toLowerCase()}${moved}`, [
      changed('stands', stand, {
        start: { ...stand.start, actual },
        end: { ...stand.end, plan: endPlan },
      }),
      ...drawn.map((lot) =>
        changed(
          'lots',
          lots.find(({ id }) => id === lot.id)!,
          lot,
        ),
      ),
    ])
    if (!stored.ok) return
    drop()
    void navigate(`/watch/${stand.id}`)
  }

  const debris = debrisBefore(bed, data.stands, parseDay(form.date) ?? today)
  return {
    form,
    offer,
    change,
    recipe,
    problems,
    debris,
    record,
    lots,
    recorded: stand.start.actual !== null,
  }
}

export type Sow = ReturnType<typeof useSow>
