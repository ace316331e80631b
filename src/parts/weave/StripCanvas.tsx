import { useEffect, useRef } from 'react'
import { DARK_YARNS, LIGHT_YARNS } from './palette'
import { paintStrip, type Strip } from './paint'

/** A bed's strip of cloth as a picture; its meaning is told by the labels and the line beneath the loom. */
export function StripCanvas({
  strip,
  width,
  height,
  dark,
}: {
  strip: Strip
  width: number
  height: number
  dark: boolean
}) {
  const ref = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const canvas = ref.current
    const context = canvas?.getContext('2d')
    if (!canvas || !context) return
    const frame = requestAnimationFrame(() => {
      const scale = Math.min(2, window.devicePixelRatio || 1)
      canvas.width = Math.round(width * scale)
      canvas.height = Math.round(height * scale)
      const image = context.createImageData(canvas.width, canvas.height)
      paintStrip(image, strip, dark ? DARK_YARNS : LIGHT_YARNS, scale)
      context.putImageData(image, 0, 0)
    })
    return () => cancelAnimationFrame(frame)
  }, [strip, width, height, dark])
  return <canvas ref={ref} aria-hidden="true" style={{ width, height, display: 'block' }} />
}
