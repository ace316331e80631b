import { CHOICES } from './choices'
import { CLIMATES } from './climates'
import { ENDS } from './ends'
import { GROWTH } from './growth'
import { LOOKS } from './looks'
import { LOOKS_TWICE } from './looksTwice'
import type { Relation } from './relation'
import { STANDS } from './stands'
import { WORKS } from './works'

/** All relations that are tried. */
export const RELATIONS: readonly Relation[] = [
  ...ENDS,
  ...WORKS,
  ...STANDS,
  ...GROWTH,
  ...LOOKS,
  ...LOOKS_TWICE,
  ...CHOICES,
  ...CLIMATES,
]
