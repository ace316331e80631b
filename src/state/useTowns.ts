import { useEffect, useState } from 'react'
import { findTowns, parseTowns, type Town } from '../core/site/towns'
import { countryNamesIn } from '../text/countries'
import { BASE } from '../data/api'

const countryName = countryNamesIn()

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
