import type { ReactNode } from 'react'
import type { FieldPath, FieldValues, UseFormRegister } from 'react-hook-form'
import { Field } from '../Field'
import { Choices } from '../SelectField'

/** The part of a form that its fields use. */
type FormOf<Input extends FieldValues> = {
  register: UseFormRegister<Input>
  problem: (name: FieldPath<Input>) => string | undefined
}
type Common<Input extends FieldValues> = {
  form: FormOf<Input>
  name: FieldPath<Input>
  label: string
  hint?: string
  className?: string
}

/** A line of text, or a quantity as typed. */
export function TypedText<Input extends FieldValues>({
  form,
  name,
  label,
  hint,
  className = 'w-full',
  decimal = false,
  placeholder,
  onTyped,
}: Common<Input> & {
  decimal?: boolean
  placeholder?: string
  /** Told after it was typed. */
  onTyped?: () => void
}) {
  return (
    <Field label={label} hint={hint} error={form.problem(name)}>
      <input
        className={`input ${className}`}
        inputMode={decimal ? 'decimal' : undefined}
        placeholder={placeholder}
        {...form.register(name, { onChange: onTyped })}
      />
    </Field>
  )
}

/** A day. */
export function TypedDay<Input extends FieldValues>({
  form,
  name,
  label,
  hint,
  className = 'w-full',
  max,
  onChoose,
}: Common<Input> & {
  max?: string
  /** Told after it was chosen. */
  onChoose?: (value: string) => void
}) {
  return (
    <Field label={label} hint={hint} error={form.problem(name)}>
      <input
        type="date"
        className={`input ${className}`}
        max={max}
        {...form.register(name, {
          onChange: (event: { target: { value: string } }) => onChoose?.(event.target.value),
        })}
      />
    </Field>
  )
}

/** A short note. */
export const TypedNote = <Input extends FieldValues>(props: Omit<Common<Input>, 'label' | 'className'>) => (
  <TypedText {...props} label="Note" className="w-64" />
)

/** One of some choices, as pairs of value and words, or as children. */
export function TypedChoice<Input extends FieldValues>({
  form,
  name,
  label,
  hint,
  className = 'w-full',
  options,
  onChoose,
  error,
  children,
}: Common<Input> & {
  /** What is wrong with the choice by another field. */
  error?: string
  options?: readonly (readonly [string, string])[]
  /** Told after it was chosen. */
  onChoose?: (value: string) => void
  children?: ReactNode
}) {
  return (
    <Field label={label} hint={hint} error={error ?? form.problem(name)}>
      <select
        className={`select ${className}`}
        {...form.register(name, {
          onChange: (event: { target: { value: string } }) => onChoose?.(event.target.value),
        })}
      >
        <Choices options={options} />
        {children}
      </select>
    </Field>
  )
}

/** A box to tick. */
export function TypedTick<Input extends FieldValues>({
  form,
  name,
  label,
}: Pick<Common<Input>, 'form' | 'name'> & { label: ReactNode }) {
  return (
    <label className="flex items-center gap-2 py-0.5">
      <input type="checkbox" className="checkbox checkbox-sm" {...form.register(name)} />
      {label}
    </label>
  )
}
