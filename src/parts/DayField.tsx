import { useState } from 'react'
import { parseDay } from '../core/foundations/day'
import { DateField } from './DateField'

/** A day that is taken over as soon as it exists; until then what was typed stays, with the fix beside it. */
export function DayField({
  label,
  date,
  error,
  optional = false,
  onDate,
}: {
  label: string
  date: string
  error?: string
  /** Whether it may be emptied. */
  optional?: boolean
  onDate: (date: string) => void
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const wrong = typed !== null
  return (
    <DateField
      label={label}
      error={wrong ? 'Enter a date that exists, such as 2026-06-18.' : error}
      value={typed ?? date}
      onChange={(next) => {
        const good = parseDay(next) !== null || (optional && next === '')
        setTyped(good ? null : next)
        if (good) onDate(next)
      }}
    />
  )
}
