import { useEffect, useState } from 'react'
import { findTowns, parseTowns, type Town } from '../core/site/towns'
import { BASE } from '../data/api'

const countries = new Intl.DisplayNames(undefined, { type: 'region' })
/** A country as the browser's language names it; its code where it has no name for it. */
export const countryName = (code: string): string => {
  try {
    return countries.of(code) ?? code
  } catch {
    return code
  }
}

/** A town with what tells it apart from others of its name. */
export const townName = ({ name, region, country }: Town) =>
  [name, ...(region && region !== name ? [region] : []), countryName(country)].join(', ')

type List = Town[] | 'loading' | 'failed'

/** The list of towns, fetched when the field is first entered, and those that fit what was typed. */
export function useTowns(asked: boolean, typed: string) {
  const [list, setList] = useState<List>('loading')
  useEffect(() => {
    if (!asked) return
    const stop = new AbortController()
    fetch(`${BASE}towns.txt`, { signal: stop.signal })
      .then((response) => (response.ok ? response.text() : Promise.reject(new Error(response.statusText))))
      .then((text) => setList(parseTowns(text)))
      .catch(() => stop.signal.aborted || setList('failed'))
    return () => stop.abort()
  }, [asked])
  return {
    state: typeof list === 'string' ? list : ('ready' as const),
    found: typeof list === 'string' ? [] : findTowns(list, typed, countryName),
  }
}
