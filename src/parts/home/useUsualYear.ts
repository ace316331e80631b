import { useQueryClient } from '@tanstack/react-query'
import { pick } from 'es-toolkit/object'
import { useMemo } from 'react'
import { useAnswers } from '../../compute/answers'
import { useAnswer } from '../../compute/useAnswer'
import type { UsualYear } from '../../core/site/usualYear'
import type { Units } from '../../text/format'
import { askedOf, blankHome, homeForm, type HomeText } from './homeForm'

const FIELDS = Object.keys(blankHome) as (keyof HomeText)[]
const NAME = 'usual year'

/** The usual year of what is typed, while that can be read; the last one until another is worked out. */
export function useUsualYear(text: HomeText, units: Units) {
  const client = useQueryClient()
  const answers = useAnswers()
  const schema = useMemo(() => homeForm(units), [units])
  const asked = useMemo(() => {
    const read = schema.safeParse(pick(text, FIELDS))
    return read.success ? askedOf(read.data) : null
  }, [schema, text])
  const answer = useAnswer('usualYear', asked && [asked.point, asked.corrections], NAME)
  /** The year itself, waited for. */
  const settled = (of: NonNullable<typeof asked>): Promise<UsualYear> =>
    client.fetchQuery(
      answers.query('usualYear', [of.point, of.corrections], undefined, 'screen'),
    ) as Promise<UsualYear>
  return { asked, answer, settled }
}
