/** The six places of the app, by what one is doing, with the addresses that belong to each. */
export const PLACES = [
  { path: '/', name: 'Loom', holds: /^\/$/ },
  { path: '/rounds', name: 'Rounds', holds: /^\/rounds/ },
  { path: '/beds', name: 'Beds', holds: /^\/(beds?|choose|sow|check|watch|end|plant)(\/|$)/ },
  { path: '/shed', name: 'Shed', holds: /^\/shed/ },
  { path: '/reference', name: 'Reference', holds: /^\/(reference|start-page)/ },
  { path: '/garden', name: 'Garden', holds: /^\/(garden|weather|standing)/ },
] as const

export type PlaceName = (typeof PLACES)[number]['name']

/** The place that an address belongs to; null where none is known. */
export const placeOf = (address: string): PlaceName | null =>
  PLACES.find(({ holds }) => holds.test(address))?.name ?? null
