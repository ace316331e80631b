import { ENDS } from './ends'
import { LOOKS } from './looks'
import type { Relation } from './relation'
import { STANDS } from './stands'

/** All relations that are tried. */
export const RELATIONS: readonly Relation[] = [...ENDS, ...STANDS, ...LOOKS]
