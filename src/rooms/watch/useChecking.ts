import { FRESH_CHECK } from '../../core/garden/fresh'
import { useRef, useState } from 'react'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { Problem } from '../../core/foundations/outcome'
import type { Check } from '../../core/garden/check'
import { latest } from '../../core/garden/timeline'
import type { Trouble } from '../../core/tracking/decisions'
import { outliersOf, type Outlier } from '../../core/tracking/outliers'
import type { StandForecast } from '../../core/season/standForecast'
import { decideOnStand, keepCheck, removeCheck } from '../../actions/keepCheck'
import { useAct, useCommit, useGarden } from '../../state/garden'
import { newId } from '../../data/ids'
import { storageProblem } from '../../data/problems'
import { useTyped } from '../../parts/form/useTyped'
import type { StandView } from '../../state/useStand'
import type { PreparedPicture } from '../../compute/picture/picture'
import { useTakenPictures, withoutPicture, withPicture, type TakenPicture } from './useTakenPictures'
import {
  changedCheck,
  checkForm,
  checkOf,
  emptyCheck,
  textOfCheck,
  type CheckText,
  type CheckValue,
} from './form'

/** How a check that does not fit is to be taken. */
type Answer = 'ask' | 'as seen' | 'set aside'
/** Filling in a check of a stand: the draft, its pictures, what is wrong with it, and what does not fit. */
export function useChecking(
  view: StandView,
  forecast: StandForecast | undefined | null,
  place: 'watch' | 'quick',
  onSaved?: () => void,
) {
  const { data, today } = useGarden()
  const { stand, bed } = view
  const act = useAct()
  const commit = useCommit()
  const [refused, setRefused] = useState<Problem[]>([])
  const [doubts, setDoubts] = useState<Outlier[]>([])
  const [answer, setAnswer] = useState<Answer>('ask')
  /** Pressed again while it is stored, a button asks for nothing new. */
  const saving = useRef(false)
  const start = latest(stand.start)
  // Where the day is not known, it may be seen from the first that is thought of.
  const sownOn = start?.sownBetween?.from ?? start?.date ?? isoDate(today)
  const { units } = data.garden
  const looked = { sownOn, today, units }
  const form = useTyped({
    schema: checkForm(looked),
    // The quick check has a draft of its own, so that what lies half filled in elsewhere is not stored with it.
    draft: { name: `check ${place} ${stand.id}`, version: 2 },
    blank: emptyCheck(today, units),
  })
  const draft = form.text
  const pictures = useTakenPictures(draft.pictures)
  const editing = draft.editing || null

  function change(part: Partial<CheckText>) {
    form.set(part)
    setRefused([])
    setDoubts([])
  }

  async function addPicture(picture: PreparedPicture) {
    try {
      change({ pictures: await withPicture(draft.pictures, picture) })
    } catch (error) {
      setRefused([storageProblem(error)])
    }
  }

  const edit = (check: Check) => change(textOfCheck(check, looked))

  function drop() {
    form.done()
    setRefused([])
    setDoubts([])
  }

  const cutSince = (date: string) =>
    stand.cuts.some(({ cut }) => (cut.actual?.date ?? '') > date) || (stand.end.actual?.date ?? '') > date

  /** Stores the check; `how` answers a doubt, `withPictures` leaves out pictures that did not fit. */
  async function save(how: Answer = 'ask', withPictures = true): Promise<boolean> {
    if (saving.current) return false
    saving.current = true
    setAnswer(how)
    let stored = false
    try {
      await form.submit(async ({ value }) => (stored = await store(value, how, withPictures)))()
    } finally {
      saving.current = false
    }
    if (stored) onSaved?.()
    return stored
  }

  async function store(value: CheckValue, how: Answer, withPictures: boolean): Promise<boolean> {
    const old = value.seen === '' ? undefined : { ...FRESH_CHECK, ...(JSON.parse(value.seen) as Check) }
    const taken = withPictures ? pictures.map((picture) => ({ id: picture.id, picture })) : []
    const pictureIds = [...(old?.pictureIds ?? []), ...taken.map(({ id }) => id)]
    const ids = { id: newId('check'), gardenId: data.garden.id, standId: stand.id }
    const look = old ? changedCheck(value, old, looked, pictureIds) : checkOf(value, ids, pictureIds)
    const others = view.standCase.checks.filter(({ id }) => id !== look.id)
    // A check that the forecast has learned from cannot be held against it.
    const known = old && !old.setAside ? null : (forecast ?? null)
    const found = how === 'ask' ? outliersOf(look, known, others, cutSince) : []
    if (found.length > 0) {
      setDoubts(found)
      return false
    }
    const check = { ...look, setAside: how === 'set aside' }
    const { label, writes } = keepCheck(check, old, taken, stand, bed)
    const stored = await commit(label, writes)
    if (!stored.ok) {
      // A disk without room for the pictures may have room for the check.
      setRefused(stored.problems)
      return false
    }
    setRefused([])
    setDoubts([])
    return true
  }

  const remove = (check: Check) => void act(removeCheck(check))
  const decide = (trouble: Trouble, decision: NonNullable<Check['decision']>) =>
    act(decideOnStand(data, stand, trouble, decision, today))

  return {
    begun: form.begun,
    draft,
    units,
    offer: form.offer,
    change,
    edit,
    editing,
    drop,
    save,
    saveWithoutPictures: () => save(answer, false),
    remove,
    decide,
    pictures,
    addPicture,
    removePicture: ({ id }: TakenPicture) => change({ pictures: withoutPicture(draft.pictures, id) }),
    problemOf: (path: keyof CheckText) => form.problem(path),
    otherProblem: refused.find(({ path }) => path !== 'storage')?.message ?? null,
    storageProblem: refused.find(({ path }) => path === 'storage')?.message ?? null,
    doubts,
    forgetDoubts: () => setDoubts([]),
    sownDay: dayNumber(sownOn),
  }
}
export type Checking = ReturnType<typeof useChecking>
