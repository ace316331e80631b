import { config } from 'zod'

/** What a checker calls a kind of value, in words. */
const KINDS: Record<string, string> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no (true or false)',
  array: 'a list',
  object: 'a record',
  record: 'a record',
  tuple: 'a list',
  date: 'a date',
  null: 'empty (null)',
}
const SIZES: Record<string, string> = {
  string: 'characters',
  array: 'entries',
  map: 'entries',
  set: 'entries',
}

type Bound = { origin: string; bound: unknown; word: 'at least' | 'at most' }

const sized = ({ origin, bound, word }: Bound) =>
  origin in SIZES
    ? `It may have ${word} ${String(bound)} ${SIZES[origin]}.`
    : `It must be ${word} ${String(bound)}.`

/** What is wrong with a value, where its field has no words of its own. */
config({
  localeError: (issue) => {
    switch (issue.code) {
      case 'invalid_type':
        return issue.input === undefined
          ? 'It is missing here.'
          : `It must be ${KINDS[issue.expected] ?? 'of another kind'}.`
      case 'invalid_value':
        return `It must be ${issue.values.length > 1 ? 'one of ' : ''}${issue.values.map(String).join(', ')}.`
      case 'too_small':
        return sized({ origin: issue.origin, bound: issue.minimum, word: 'at least' })
      case 'too_big':
        return sized({ origin: issue.origin, bound: issue.maximum, word: 'at most' })
      case 'unrecognized_keys':
        return `It holds what no Kilim writes: ${issue.keys.join(', ')}.`
      case 'invalid_key':
        return 'It holds a name that may not be there.'
      case 'invalid_union':
        return 'It is none of what may stand here.'
      default:
        return 'It does not have the form it should.'
    }
  },
})
