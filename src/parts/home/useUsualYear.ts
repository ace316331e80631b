import { useQueryClient } from '@tanstack/react-query'
import { pick } from 'es-toolkit/object'
import { useMemo } from 'react'
import { useAnswers } from '../../compute/answers'
import { useAnswer } from '../../compute/useAnswer'
import type { Point } from '../../core/site/neighbours'
import type { UsualYear } from '../../core/site/usualYear'
import type { Units } from '../../text/format'
import { askedOf, blankHome, homeForm, type HomeText } from './homeForm'

const FIELDS = Object.keys(blankHome) as (keyof HomeText)[]
const NAME = 'usual year'

const isAt = ({ table }: UsualYear, { latitude, longitude }: Point) =>
  table.latitude === latitude && table.longitude === longitude

/** The usual year of what is typed, while that can be read; the last one of that point until another is worked out. */
export function useUsualYear(text: HomeText, units: Units) {
  const client = useQueryClient()
  const answers = useAnswers()
  const schema = useMemo(() => homeForm(units), [units])
  const asked = useMemo(() => {
    const read = schema.safeParse(pick(text, FIELDS))
    return read.success ? askedOf(read.data) : null
  }, [schema, text])
  const answer = useAnswer('usualYear', asked && [asked.point, asked.corrections], NAME)
  const { value, last } = answer
  const year = value ?? (last && (asked === null || isAt(last, asked.point)) ? last : undefined)
  /** The year itself, waited for; null where it failed, which the answer says. */
  const settled = (of: NonNullable<typeof asked>): Promise<UsualYear | null> =>
    client
      .fetchQuery(answers.query('usualYear', [of.point, of.corrections], undefined, 'screen'))
      .then((found) => found as UsualYear)
      .catch(() => null)
  return { asked, year, answer, settled }
}
