import type { Stand } from '../garden/schema'

/** The species that makes the stand: the largest share of the mix. */
export function leadComponent(stand: Stand): number {
  if (stand.content.kind !== 'cover') return 0
  const shares = stand.content.components.map((component) => component.share)
  return shares.indexOf(Math.max(...shares))
}
