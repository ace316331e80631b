import { zodResolver } from '@hookform/resolvers/zod'
import { isEqual as equal } from 'es-toolkit/predicate'
import { mapValues } from 'es-toolkit/object'
import { pick } from 'es-toolkit/object'
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import {
  useForm,
  useWatch,
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  type Path,
  type PathValue,
  type Resolver,
  type UseFormSetValue,
} from 'react-hook-form'
import type { z } from 'zod'
import { useUnits } from '../../state/garden'
import { useDraft } from '../../state/useDraft'
import type { Units } from '../../text/format'
import { converted } from './converted'
import { fitting, readBy, textOf } from './typedText'

export type Filled<S extends z.ZodObject, R> = {
  value: z.output<S>
  /** The record as it was when the first field was changed, to be written against. */
  seen: R
  /** Only the fields that were changed. */
  part: Partial<z.output<S>>
}

type Options<S extends z.ZodObject> = {
  schema: S
  /** Name of what is begun, and version of the form, raised when a field comes to mean something else. */
  draft?: { name: string; version?: number }
  live?: boolean
  /** Units of the fields where no garden is open; else the garden's. */
  units?: Units
}

const NO_DRAFT = 'no draft'
/** A draft holds numbers as typed: in other units it is another. */
const draftName = (name: string | undefined, units: Units) =>
  name === undefined ? NO_DRAFT : units === 'imperial' ? `${name}, imperial` : name

/**
 * A form over a Zod schema of codecs: text in the fields, values in the units of the core outside. It follows its record
 * until something is typed, writes only what was typed, says what is wrong beside the field once it was sent off (or at
 * once, `live`), and keeps what was begun as a draft where it has a name for it.
 */
export function useTyped<S extends z.ZodObject>(form: Options<S> & { blank: z.input<S> }): Typed<S, undefined>
export function useTyped<S extends z.ZodObject, R>(
  form: Options<S> & { record: R; valueOf: (record: R) => z.output<S> },
): Typed<S, R>
export function useTyped<S extends z.ZodObject, R>(
  form: Options<S> & { blank?: z.input<S>; record?: R; valueOf?: (record: R) => z.output<S> },
): Typed<S, R> {
  return useForms<S, R>(form)
}

function useForms<S extends z.ZodObject, R>({
  schema,
  draft: kept,
  live = false,
  units: own,
  record,
  valueOf,
  blank,
}: Options<S> & { blank?: z.input<S>; record?: R; valueOf?: (record: R) => z.output<S> }) {
  type Input = z.input<S> & FieldValues
  const base = useStable(blank ?? textOf(schema, valueOf!(record as R))) as Input
  const form = useForm<Input, unknown, z.output<S>>({
    resolver: zodResolver(schema) as unknown as Resolver<Input, unknown, z.output<S>>,
    defaultValues: base as DefaultValues<Input>,
  })
  const { control, formState, register, handleSubmit, setValue, reset, getValues } = form
  const { isSubmitted } = formState
  const text = useWatch({ control }) as Input
  const read = useMemo(() => readBy(schema, text), [schema, text])
  const [held, setHeld] = useState<{ record: R } | null>(null)
  const seen = held ? held.record : (record as R)

  // What the fields held before anything was typed; it follows the record, field by field.
  const start = formState.defaultValues as Input
  // In other units what was typed is told in those, and its draft is of those.
  const open = useUnits()
  const units = own ?? open ?? 'metric'
  const { draft, keep, drop, offer } = useDraft<Partial<Input>>(draftName(kept?.name, units), kept?.version)
  const followed = useRef({ base, schema, units, drop })
  // Before the page is shown: between taking up and showing, a key would find no field.
  useLayoutEffect(() => {
    const before = followed.current
    followed.current = { base, schema, units, drop }
    if (base === before.base && units === before.units) return
    const typed = pick(getValues(), typedIn(getValues(), start)) as Partial<Input>
    reset(base, { keepIsSubmitted: true })
    if (units === before.units) return setAll(setValue, typed)
    before.drop()
    const field = (of: S, name: string) => of.shape[name] as z.ZodType
    const again = mapValues(typed as Record<string, unknown>, (text, name) =>
      converted(field(before.schema, name), field(schema, name), text),
    )
    setAll(setValue, again as Partial<Input>)
  }, [base, schema, units, drop, start, getValues, reset, setValue])

  const dirty = typedIn(text, start)
  const begun = dirty.length > 0
  if (begun && !held) setHeld({ record: record as R })
  if (!begun && held) setHeld(null)

  // Drafts that come from outside are taken up: one found at the start, or one that another tab left. Those kept here are not.
  const known = useRef(new WeakSet<object>())
  const lastKept = useRef<object>({})
  const isKept = kept !== undefined
  useEffect(() => {
    if (!isKept || draft === undefined || known.current.has(draft)) return
    known.current.add(draft)
    setAll(setValue, fitting(base, draft))
  }, [isKept, draft, base, setValue])
  const begunText = useStable(pick(text, dirty) as Partial<Input>)
  useEffect(() => {
    if (!isKept || equal(begunText, lastKept.current)) return
    // The store takes what it is given for its own; the fields go on with theirs.
    const own = structuredClone(begunText)
    known.current.add(own)
    lastKept.current = own
    if (Object.keys(own).length > 0) keep(own)
    else drop()
  }, [isKept, begunText, keep, drop])

  const done = useCallback(() => {
    lastKept.current = {}
    if (isKept) drop()
    // The record follows; until it has come, what was stored stands there.
    reset((blank ?? getValues()) as Input)
  }, [isKept, drop, reset, blank, getValues])

  /** Sends the form off: `work` stores it and gives whether it did. */
  const submit = (work: (filled: Filled<S, R>) => Promise<boolean>) =>
    handleSubmit(async (value) => {
      const part = pick(value as Record<string, unknown>, dirty) as Partial<z.output<S>>
      if (await work({ value, seen, part })) done()
    })

  const shown = live || isSubmitted
  return {
    text: text as z.input<S>,
    /** The values, while nothing is wrong. */
    value: read.value,
    problems: read.problems,
    problem: (name: FieldPath<Input>): string | undefined => (shown ? read.problems[name] : undefined),
    /** All that is wrong in lists of fields. */
    problemsIn: (...lists: string[]): string[] =>
      shown
        ? Object.entries(read.problems).flatMap(([path, message]) =>
            lists.includes(path.split('.')[0]) ? [message] : [],
          )
        : [],
    register,
    control,
    set: (part: Partial<z.input<S>>) => setAll(setValue, part as Partial<Input>),
    submit,
    done,
    begun,
    offer: kept ? offer : null,
  }
}

export type Typed<S extends z.ZodObject, R = unknown> = ReturnType<typeof useForms<S, R>>

/** Fields that hold something else than at the start. */
const typedIn = (text: Record<string, unknown>, start: Record<string, unknown>): string[] =>
  Object.keys(start).filter((name) => !equal(text[name], start[name]))

function setAll<Input extends FieldValues>(setValue: UseFormSetValue<Input>, part: Partial<Input>) {
  for (const [name, value] of Object.entries(part))
    setValue(name as Path<Input>, value as PathValue<Input, Path<Input>>, { shouldDirty: true })
}

/** The same value as long as it is equal. */
function useStable<T>(value: T): T {
  const [stable, setStable] = useState(value)
  if (equal(stable, value)) return stable
  setStable(value)
  return value
}
