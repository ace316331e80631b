import { zodResolver } from '@hookform/resolvers/zod'
import { useEffect, useMemo } from 'react'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { isoDay } from '../../core/garden/fields'
import type { Check } from '../../core/garden/check'
import { latest } from '../../core/garden/timeline'
import { nextStageChange } from '../../core/tracking/change'
import { standName } from '../../parts/names'
import { newId } from '../../state/ids'
import { useCommit, useGarden } from '../../state/garden'
import { useEngine } from '../../state/useEngine'
import type { StandView } from '../../state/useStand'

/** A check as filled in: stage as BBCH text, cover in %, height in cm; empty when not judged. */
const percentText = z
  .string()
  .refine(
    (text) => text.trim() === '' || (Number(text) >= 0 && Number(text) <= 100),
    'Cover must be between 0 and 100 %.',
  )
const heightText = z
  .string()
  .refine(
    (text) => text.trim() === '' || (Number(text) >= 0 && Number(text) <= 400),
    'Height must be between 0 and 400 cm.',
  )

function checkForm(sownOn: string, todayIso: string) {
  return z
    .object({
      date: isoDay
        .refine((date) => date >= sownOn, {
          error: `The stand was sown on ${sownOn}. Choose that day or a later one.`,
        })
        .refine((date) => date <= todayIso, {
          error: 'A check cannot lie in the future. Choose today or an earlier date.',
        }),
      stage: z.string(),
      cover: percentText,
      height: heightText,
      note: z.string().max(4000),
    })
    .refine(
      (value) =>
        value.stage !== '' ||
        value.cover.trim() !== '' ||
        value.height.trim() !== '' ||
        value.note.trim() !== '',
      {
        path: ['stage'],
        error: 'The check is empty. Choose a stage, give the cover, or write a note.',
      },
    )
}
export type CheckForm = { date: string; stage: string; cover: string; height: string; note: string }

const numberOrNull = (text: string) => (text.trim() === '' ? null : Number(text))

/** Data and actions of the Watch room for one growing stand. */
export function useWatch(view: StandView) {
  const { data, today, spec } = useGarden()
  const commit = useCommit()
  const { stand, standCase } = view
  const sownOn = latest(stand.start)?.date ?? isoDate(today)
  const schema = useMemo(() => checkForm(sownOn, isoDate(today)), [sownOn, today])
  const form = useForm<CheckForm>({
    resolver: zodResolver(schema),
    defaultValues: { date: isoDate(today), stage: '', cover: '', height: '', note: '' },
    values: undefined,
  })

  // The day moves on while the page stays open; a date the grower has not touched moves with it.
  const { resetField } = form
  const dateTouched = form.formState.dirtyFields.date === true
  useEffect(() => {
    if (!dateTouched) resetField('date', { defaultValue: isoDate(today) })
  }, [today, dateTouched, resetField])

  const checks = useMemo(
    () => [...standCase.checks].sort((a, b) => b.date.localeCompare(a.date)),
    [standCase.checks],
  )
  const newest =
    checks.find((check) => check.stageBbch !== null || check.cover !== null || check.heightCm !== null) ??
    null
  const forecast = useEngine('forecast', [spec, standCase])
  const withoutNewest = useMemo((): Parameters<typeof useEngine<'forecast'>>[1] => {
    if (!newest) return null
    return [spec, { ...standCase, checks: standCase.checks.filter((check) => check.id !== newest.id) }]
  }, [newest, spec, standCase])
  const before = useEngine('forecast', withoutNewest)
  const change =
    forecast.value && before.value && newest
      ? nextStageChange(before.value.stages, forecast.value.stages, dayNumber(newest.date))
      : null

  const save = form.handleSubmit(async (value) => {
    const check: Check = {
      id: newId('check'),
      gardenId: data.garden.id,
      standId: stand.id,
      date: value.date,
      stageBbch: numberOrNull(value.stage),
      cover: value.cover.trim() === '' ? null : Number(value.cover) / 100,
      heightCm: numberOrNull(value.height),
      note: value.note,
    }
    const stored = await commit(`Checked ${standName(stand).toLowerCase()}`, [
      { table: 'checks', put: check },
    ])
    if (stored.ok) form.reset({ date: isoDate(today), stage: '', cover: '', height: '', note: '' })
  })

  const remove = (check: Check) => void commit('Removed a check', [{ table: 'checks', remove: check.id }])

  return { form, save, remove, checks, newest, forecast, before, change }
}
