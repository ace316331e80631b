import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import {
  cueAt,
  cuesOf,
  elapsed,
  paused,
  started,
  STOPPED,
  type Cue,
  type PacerClock,
} from '../../core/seeding/pacer'
import type { Portion } from '../../core/seeding/measures'

/** Tones by what is called, Hz and seconds. */
const TONES = { cast: [660, 0.06], stretch: [440, 0.3], pass: [330, 0.5], end: [880, 0.8] } as const
/** Longest wait between two looks at the clock, ms. */
const LOOK_MS = 15

/** Calls cues by sound and vibration where the device has them. */
function useCaller() {
  const audio = useRef<AudioContext | null>(null)
  return useCallback((kind: Cue['kind']) => {
    navigator.vibrate?.(kind === 'cast' ? 40 : [200, 80, 200])
    if (typeof AudioContext === 'undefined') return
    audio.current ??= new AudioContext()
    const context = audio.current
    const [pitch, length] = TONES[kind]
    const tone = context.createOscillator()
    const gain = context.createGain()
    tone.frequency.value = pitch
    gain.gain.setValueAtTime(0.25, context.currentTime)
    gain.gain.exponentialRampToValueAtTime(0.001, context.currentTime + length)
    tone.connect(gain).connect(context.destination)
    tone.start()
    tone.stop(context.currentTime + length)
  }, [])
}

/** Keeps the screen awake while something runs; not all browsers can. */
function useAwake(on: boolean) {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | null = null
    let over = false
    navigator.wakeLock.request('screen').then(
      (granted) => {
        lock = granted
        if (over) void granted.release()
      },
      () => {},
    )
    return () => {
      over = true
      void lock?.release()
    }
  }, [on])
}

/** The pacer's clock over a list of portions: one cast a pace, each portion ending where its stretch ends. */
export function usePacer(portions: readonly Portion[], secondsPerCast: number) {
  const cues = useMemo(
    () =>
      cuesOf(
        portions.map(({ pass, stretch, paces }) => ({ pass, stretch, casts: paces })),
        secondsPerCast,
      ),
    [portions, secondsPerCast],
  )
  const [clock, setClock] = useState<PacerClock>(STOPPED)
  const [at, setAt] = useState(-1)
  const [worstMs, setWorstMs] = useState(0)
  const call = useCaller()
  const running = clock.startedAt !== null
  useAwake(running)
  const spoken = useRef(-1)

  useEffect(() => {
    if (!running) return
    const timer = setInterval(() => {
      const passed = elapsed(clock, performance.now())
      const now = cueAt(cues, passed)
      if (now === spoken.current || now < 0) return
      spoken.current = now
      const late = passed - cues[now].atMs
      setWorstMs((worst) => Math.max(worst, late))
      setAt(now)
      call(cues[now].kind)
      if (cues[now].kind === 'end') setClock(paused(clock, performance.now()))
    }, LOOK_MS)
    return () => clearInterval(timer)
  }, [running, clock, cues, call])

  const restart = useCallback(() => {
    setClock(STOPPED)
    setAt(-1)
    spoken.current = -1
  }, [])
  return {
    cue: at >= 0 ? cues[at] : null,
    done: at >= 0 && cues[at].kind === 'end',
    running,
    /** Latest a call has come after its time, ms. */
    worstMs,
    start: () => setClock(started(clock, performance.now())),
    pause: () => setClock(paused(clock, performance.now())),
    restart,
  }
}
