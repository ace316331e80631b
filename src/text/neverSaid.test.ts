import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from '@jest/globals'

/** Phrases that no grower would say; none stands in the interface. */
const NEVER: readonly RegExp[] = [
  /\bNo such\b/,
  /Nothing is like that/,
  /\bTo the \w+ come\b/,
  /no day is asked/,
  /speaks against/,
  /\breckon/i,
  /\bIt lies there\b/,
  /is not woven/,
  /Take a filter off/,
  /\bOf these\b/,
  /next to none/,
  /\d \w*signs\b|most \S+ signs\b/,
  /as far as is known/,
  /by what was seen/,
  /told otherwise/,
  /held? (it|them|this) against|held against each other/,
  /is asked for here|of a full rate is asked/,
]

const FOLDERS = ['app', 'parts', 'rooms', 'text']
const sources = FOLDERS.flatMap((folder) =>
  readdirSync(join('src', folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.|testing\//.test(name))
    .map((name) => join('src', folder, name)),
)
/** The source without its comments and the names of what it imports. */
const shown = (source: string) =>
  source
    .replace(/\/\*[\s\S]*?\*\//g, '')
    .replace(/(^|\s)\/\/.*$/gm, '')
    .replace(/^import .*$/gm, '')

test('what is shown is said as a grower would', () => {
  expect(sources.length).toBeGreaterThan(200)
  const found = sources.flatMap((path) => {
    const text = shown(readFileSync(path, 'utf8'))
    return NEVER.flatMap((phrase) => {
      const match = phrase.exec(text)
      return match ? [`${path}: ${text.slice(Math.max(0, match.index - 30), match.index + 40)}`] : []
    })
  })
  expect(found).toEqual([])
})
