import { useMemo, useRef, useState } from 'react'
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
import { useDraft } from '../../state/useDraft'
import type { StandView } from '../../state/useStand'
import type { PreparedPicture } from '../../compute/picture/picture'
import { checkOf, draftOf, emptyDraft, type CheckDraft } from './draft'

/** How a check that does not fit is to be taken. */
type Answer = 'ask' | 'as seen' | 'set aside'
/** What is kept of it: what was filled in, which check it changes, and that check as it was when the change began. */
type Kept = { draft: Partial<CheckDraft>; editing: string | null; seen?: Check }

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
  // The quick check has a draft of its own, so that what lies half filled in elsewhere is not stored with it.
  const name = `check ${place} ${stand.id}`
  const { draft: kept, keep, drop: dropDraft, offer } = useDraft<Kept>(name)
  const draft = useMemo((): CheckDraft => ({ ...emptyDraft(today), ...kept?.draft }), [kept, today])
  const [pictures, setPictures] = useState<PreparedPicture[]>([])
  const [problems, setProblems] = useState<Problem[]>([])
  const [doubts, setDoubts] = useState<Outlier[]>([])
  const [answer, setAnswer] = useState<Answer>('ask')
  /** Pressed again while it is stored, a button asks for nothing new. */
  const saving = useRef(false)
  const editing = kept?.editing ?? null
  const sownOn = latest(stand.start)?.date ?? isoDate(today)

  function change(part: Partial<CheckDraft>) {
    keep({ ...kept, draft: { ...kept?.draft, ...part }, editing })
    setProblems([])
    setDoubts([])
  }

  function edit(check: Check) {
    keep({ draft: draftOf(check, today), editing: check.id, seen: check })
    setProblems([])
    setDoubts([])
  }

  function drop() {
    dropDraft()
    setPictures([])
    setProblems([])
    setDoubts([])
  }

  const cutSince = (date: string) =>
    stand.cuts.some(({ cut }) => (cut.actual?.date ?? '') > date) || (stand.end.actual?.date ?? '') > date

  /** Stores the check; `how` answers a doubt, `withPictures` leaves out pictures that did not fit. */
  async function save(how: Answer = 'ask', withPictures = true): Promise<boolean> {
    if (saving.current) return false
    saving.current = true
    try {
      return await store(how, withPictures)
    } finally {
      saving.current = false
    }
  }

  async function store(how: Answer, withPictures: boolean): Promise<boolean> {
    setAnswer(how)
    const old = kept?.seen ?? view.standCase.checks.find((check) => check.id === editing)
    const id = editing ?? newId('check')
    const taken = withPictures ? pictures.map((picture) => ({ id: newId('picture'), picture })) : []
    const outcome = checkOf(draft, { id, gardenId: data.garden.id, standId: stand.id, sownOn, today }, [
      ...(old?.pictureIds ?? []),
      ...taken.map((entry) => entry.id),
    ])
    if (!outcome.ok) {
      setProblems(outcome.problems)
      return false
    }
    const others = view.standCase.checks.filter((check) => check.id !== id)
    // A check that the forecast has learned from cannot be held against it.
    const known = old && !old.setAside ? null : (forecast ?? null)
    const found = how === 'ask' ? outliersOf(outcome.value, known, others, cutSince) : []
    if (found.length > 0) {
      setDoubts(found)
      return false
    }
    const check = { ...outcome.value, ...(how === 'set aside' && { setAside: true }) }
    const { label, writes } = keepCheck(check, old, taken, stand, bed)
    const stored = await commit(label, writes)
    if (!stored.ok) {
      // A disk without room for the pictures may have room for the check.
      setProblems(stored.problems)
      return false
    }
    drop()
    onSaved?.()
    return true
  }

  const remove = (check: Check) => void act(removeCheck(check))
  const decide = (trouble: Trouble, decision: NonNullable<Check['decision']>) =>
    act(decideOnStand(data, stand, trouble, decision, today))

  return {
    draft,
    offer,
    change,
    edit,
    editing,
    drop,
    save,
    saveWithoutPictures: () => save(answer, false),
    remove,
    decide,
    pictures,
    addPicture: (picture: PreparedPicture) => setPictures((all) => [...all, picture]),
    removePicture: (picture: PreparedPicture) => setPictures((all) => all.filter((one) => one !== picture)),
    problemOf: (path: keyof CheckDraft) => problems.find((problem) => problem.path === path)?.message,
    otherProblem: problems.find(({ path }) => !(path in draft) && path !== 'storage')?.message ?? null,
    storageProblem: problems.find((problem) => problem.path === 'storage')?.message ?? null,
    doubts,
    forgetDoubts: () => setDoubts([]),
    sownDay: dayNumber(sownOn),
  }
}
export type Checking = ReturnType<typeof useChecking>
