import type { Write } from '../data/writes'

/** What a deed comes to: what the button that undoes it will say, and what is written. */
export type Step = { label: string; writes: readonly Write[] }
