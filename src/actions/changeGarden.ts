import { FRESH_HOME } from '../core/garden/fresh'
import type { Step } from './step'
import type { Livestock, NitrogenSource, Rules } from '../core/garden/rules'
import type { Garden } from '../core/garden/schema'
import type { Home } from '../core/garden/site'
import { newId } from '../data/ids'
import { changed } from '../data/writes'

const step = (garden: Garden, label: string, part: Partial<Garden>): Step => ({
  label,
  writes: [changed('gardens', garden, part)],
})

/** Name, units, currency, waits, tools and animals that come by. */
export const changeSettings = (garden: Garden, part: Partial<Garden>): Step =>
  step(garden, 'Changed the garden’s settings', part)

/** Where the garden lies, and its normals. */
export const changePlace = (garden: Garden, seen: Garden['site'], site: Garden['site']): Step =>
  step({ ...garden, site: seen }, 'Changed the place and its normals', {
    site,
    ...(garden.home === null && { home: FRESH_HOME }),
  })

/** Where the garden lies and what its grower says of the usual year there, with the normals that come of it. */
export const changeHome = (garden: Garden, home: Home, site: Garden['site']): Step =>
  step(garden, 'Changed the usual year', { home, site })

/** Writes down a feed: a new one, or what has become known of one. */
export function keepFeed(garden: Garden, feed: Omit<NitrogenSource, 'id'>, id: string | null): Step {
  const feeds = garden.nitrogenSources
  const kept = { ...feed, id: id ?? newId('feed') }
  return step(garden, `${id === null ? 'Added' : 'Changed'} ${feed.name}`, {
    nitrogenSources: id === null ? [...feeds, kept] : feeds.map((other) => (other.id === id ? kept : other)),
  })
}

export const removeFeed = (garden: Garden, { id, name }: NitrogenSource): Step =>
  step(garden, `Removed ${name}`, {
    nitrogenSources: garden.nitrogenSources.filter((other) => other.id !== id),
  })

export const addAnimals = (garden: Garden, animals: Omit<Livestock, 'id'>): Step =>
  step(garden, `Added ${animals.head} ${animals.kind}`, {
    livestock: [...garden.livestock, { id: newId('livestock'), ...animals }],
  })

export const removeAnimals = (garden: Garden, { id, kind }: Livestock): Step =>
  step(garden, `Removed ${kind}`, {
    livestock: garden.livestock.filter((other) => other.id !== id),
  })

/** Days from manure to the harvest. */
export function changeManureDays(garden: Garden, part: Partial<Rules['manureDays']>): Step {
  const rules = garden.rules
  return step(garden, 'Changed the interval after manure', {
    rules: { ...rules, manureDays: { ...rules.manureDays, ...part } },
  })
}
