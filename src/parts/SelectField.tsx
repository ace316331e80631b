import type { ReactNode } from 'react'
import { Field } from './Field'

type Common = { label: string; hint?: string; error?: string; className?: string }

/** Choices as pairs of value and words. */
export const Choices = ({ options = [] }: { options?: readonly (readonly [string, string])[] }) =>
  options.map(([option, words]) => (
    <option key={option} value={option}>
      {words}
    </option>
  ))

/** A labelled choice; options are given as pairs of value and words, or as children. */
export function SelectField<T extends string>({
  value,
  onChange,
  options,
  children,
  className = 'w-full',
  ...field
}: Common & {
  value: T
  onChange: (value: T) => void
  options?: readonly (readonly [T, string])[]
  children?: ReactNode
}) {
  return (
    <Field {...field}>
      <select
        className={`select ${className}`}
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
      >
        <Choices options={options} />
        {children}
      </select>
    </Field>
  )
}

/** A labelled line of text or a number as typed. */
export function TextField({
  value,
  onChange,
  className = 'w-full',
  decimal = false,
  placeholder,
  ...field
}: Common & { value: string; onChange: (value: string) => void; decimal?: boolean; placeholder?: string }) {
  return (
    <Field {...field}>
      <input
        className={`input ${className}`}
        inputMode={decimal ? 'decimal' : undefined}
        placeholder={placeholder}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </Field>
  )
}

/** A labelled box to tick. */
export function TickField({
  label,
  checked,
  onChange,
}: {
  label: ReactNode
  checked: boolean
  onChange: (checked: boolean) => void
}) {
  return (
    <label className="flex items-center gap-2 py-0.5">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  )
}
