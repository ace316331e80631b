import type { Component, Stand } from './schema'

/** The place in a mix of the species that makes it: the first of those with the largest share. */
const leadOf = (components: readonly Pick<Component, 'share'>[]): number => {
  const shares = components.map(({ share }) => share)
  return shares.indexOf(Math.max(...shares))
}

/** The same of a stand; 0 for a crop. */
export const leadComponent = ({ content }: Pick<Stand, 'content'>): number =>
  content.kind === 'cover' ? leadOf(content.components) : 0

/** The species that makes a cover; null for a crop. */
export const leadSpeciesId = ({ content }: Pick<Stand, 'content'>): string | null =>
  content.kind === 'cover' ? content.components[leadOf(content.components)].speciesId : null
