import { z } from 'zod'

/** Largest sealed garden that is handed over through the server, bytes. */
export const LARGEST_BUNDLE = 64_000_000
/** Minutes for which it waits to be fetched. */
export const HANDED_OVER_MINUTES = 10

/** Where this server is reached from other devices of the same network; none where it listens to its own machine only. */
export const hereAnswer = z.object({ addresses: z.array(z.url()) })

/** Until when what was left waits, ms since 1970. */
export const leftAnswer = z.object({ until: z.number() })

/** What became of what was left: it waits, it was fetched, or its time is over. */
export const stateAnswer = z.object({ state: z.enum(['waiting', 'fetched', 'gone']) })
export type HandedState = z.infer<typeof stateAnswer>['state']
