import { readFileSync } from 'node:fs'
import { judgeCases, type Verdict } from '../src/core/testing/cases/judge'
import { caseFile, caseSites } from '../src/core/testing/cases/schema'

/** The published cases that ship, and their sites. */
export const PUBLIC_CASES = { cases: 'validation/cases.json', sites: 'validation/sites.json' }
/** Those of the first table, every one of which must hold. */
export const FIRST_CASES = { ...PUBLIC_CASES, cases: 'validation/firstCases.json' }

type Read<T> = { parse: (value: unknown) => T }

function read<T>(path: string, format: Read<T>): T {
  let value: unknown
  try {
    value = JSON.parse(readFileSync(path, 'utf8'))
  } catch (error) {
    throw new Error(`${path} cannot be read as JSON. ${error instanceof Error ? error.message : ''}`, {
      cause: error,
    })
  }
  try {
    return format.parse(value)
  } catch (error) {
    throw new Error(`${path} is not such a file: ${error instanceof Error ? error.message : ''}`, {
      cause: error,
    })
  }
}

/** Judges a file of cases at a file of sites. */
export const judgeFiles = (files: { cases: string; sites: string }, members: number): Verdict[] =>
  judgeCases(read(files.cases, caseFile), read(files.sites, caseSites).sites, members)

/** The cases of both tables, and the sites of either. */
export const readCases = () => [PUBLIC_CASES, FIRST_CASES].flatMap(({ cases }) => read(cases, caseFile).cases)
export const readSites = () => read(PUBLIC_CASES.sites, caseSites).sites

/** How many lie inside their range. */
export const inside = (verdicts: readonly Verdict[]) => verdicts.filter((verdict) => verdict.inside).length

/** Prints every check, then the share inside by site. */
export function printVerdicts(verdicts: readonly Verdict[]): void {
  for (const { inside: ok, site, stand, check, expected, got } of verdicts)
    console.log(
      `${ok ? 'ok  ' : 'OUT '} ${`${site}: ${stand}, ${check}`.padEnd(92)} expected ${expected.padEnd(16)} got ${got}`,
    )
  console.log('')
  for (const site of new Set(verdicts.map((verdict) => verdict.site))) {
    const own = verdicts.filter((verdict) => verdict.site === site)
    console.log(`${site.padEnd(28)} ${inside(own)} of ${own.length}`)
  }
}
