import { useEffect, useRef } from 'react'
import { DARK_YARNS, LIGHT_YARNS } from './palette'
import { paintStrip, type Strip } from './paint'

/** Longest the painting may hold a frame, ms; what is left over waits for the next. */
const FRAME_BUDGET_MS = 10
const waiting = new Set<() => void>()
let scheduled = false

function paintSome(): void {
  const start = performance.now()
  for (const paint of waiting) {
    waiting.delete(paint)
    paint()
    if (performance.now() - start > FRAME_BUDGET_MS) break
  }
  scheduled = waiting.size > 0
  if (scheduled) requestAnimationFrame(paintSome)
}

/** Paints when a frame has time for it; returns how to take it back. */
function paintLater(paint: () => void): () => void {
  waiting.add(paint)
  if (!scheduled) requestAnimationFrame(paintSome)
  scheduled = true
  return () => void waiting.delete(paint)
}

/**
 * A bed's strip of cloth as a picture, painted once all its bands are known: until then the bare warp stands there. Its
 * meaning is told by the labels and the line beneath the loom.
 */
export function StripCanvas({
  strip,
  width,
  height,
  dark,
  whole = true,
}: {
  strip: Strip
  width: number
  height: number
  dark: boolean
  /** Whether all its bands are known; they are where left out. */
  whole?: boolean
}) {
  const ref = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const canvas = ref.current
    const context = canvas?.getContext('2d')
    if (!canvas || !context || !whole) return
    return paintLater(() => {
      const scale = Math.min(2, window.devicePixelRatio || 1)
      canvas.width = Math.round(width * scale)
      canvas.height = Math.round(height * scale)
      const image = context.createImageData(canvas.width, canvas.height)
      paintStrip(image, strip, dark ? DARK_YARNS : LIGHT_YARNS, scale)
      context.putImageData(image, 0, 0)
    })
  }, [strip, width, height, dark, whole])
  return <canvas ref={ref} aria-hidden="true" style={{ width, height, display: 'block' }} />
}
