/** What the pacer calls: a cast, the end of a stretch, the turn into the next pass, the end. */
export type Cue = {
  atMs: number
  kind: 'cast' | 'stretch' | 'pass' | 'end'
  pass: number
  stretch: number
  cast: number
}

export type PacerStretch = { pass: number; stretch: number; casts: number }

/** Rests between stretches and passes, ms: to take the next portion in hand. */
export const STRETCH_REST_MS = 4000
export const PASS_REST_MS = 12_000

/** All cues from the start on: casts in even time, so that each portion ends where its stretch ends. */
export function cuesOf(stretches: readonly PacerStretch[], secondsPerCast: number): Cue[] {
  const cues: Cue[] = []
  let at = 0
  stretches.forEach((entry, i) => {
    for (let cast = 0; cast < entry.casts; cast++) {
      cues.push({ atMs: at, kind: 'cast', pass: entry.pass, stretch: entry.stretch, cast })
      at += secondsPerCast * 1000
    }
    const next = stretches[i + 1]
    const kind = !next ? 'end' : next.pass !== entry.pass ? 'pass' : 'stretch'
    cues.push({ atMs: at, kind, pass: entry.pass, stretch: entry.stretch, cast: entry.casts })
    at += kind === 'pass' ? PASS_REST_MS : kind === 'stretch' ? STRETCH_REST_MS : 0
  })
  return cues
}

/**
 * A clock that can be paused: time told by `now`, never by counting ticks, so that it does not drift. Immutable; each
 * step returns the next state.
 */
export type PacerClock = { startedAt: number | null; passedMs: number }

export const STOPPED: PacerClock = { startedAt: null, passedMs: 0 }
export const started = (clock: PacerClock, now: number): PacerClock =>
  clock.startedAt === null ? { ...clock, startedAt: now } : clock
export const paused = (clock: PacerClock, now: number): PacerClock => ({
  startedAt: null,
  passedMs: elapsed(clock, now),
})
export const elapsed = (clock: PacerClock, now: number): number =>
  clock.passedMs + (clock.startedAt === null ? 0 : Math.max(0, now - clock.startedAt))

/** The cue being called at a time, and how many have been. */
export function cueAt(cues: readonly Cue[], elapsedMs: number): number {
  let low = 0
  let high = cues.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (cues[middle].atMs <= elapsedMs) low = middle + 1
    else high = middle
  }
  return low - 1
}
