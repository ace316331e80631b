import { useLayoutEffect, type ComponentProps } from 'react'
import { useNavigate } from 'react-router'
import type { Placed } from './labels'

/** A name on the cloth, where it found room. */
export function Words({
  placed,
  italic,
  left = 0,
  width,
}: {
  placed: Placed
  italic?: boolean
  /** Where it stands across the cloth, px; over all of it where left out. */
  left?: number
  width?: number
}) {
  return (
    <span
      className="pointer-events-none absolute flex justify-center"
      style={{ top: placed.top, height: placed.height, left, width: width ?? '100%' }}
    >
      <span className={`loom-label ${italic ? 'italic' : ''}`}>
        {placed.lines.map((line) => (
          <span key={line} className="block">
            {line}
          </span>
        ))}
      </span>
    </span>
  )
}

/** Where a stand lies on its strip, and what pressing it opens. */
export type Area = {
  name: string
  clip: { top: number; bottom: number }
  left: number
  width: number
  bedId: string
  standId: string
  fromDay: number
}

/** The stand of which the part had the focus as it was taken off the page. */
let focused: string | null = null

/** A part that is drawn anew in the same moment, as what can be moved is once that was fetched, keeps the focus. */
function useFocusKept(standId: string): void {
  useLayoutEffect(() => {
    const part = () => document.querySelector<HTMLElement>(`[data-stand=${JSON.stringify(standId)}]`)
    if (focused === standId) part()?.focus()
    return () => {
      if (!part()?.matches(':focus')) return
      focused = standId
      queueMicrotask(() => (focused = null))
    }
  }, [standId])
}

export function AreaButton({
  area: { name, clip, left, width, bedId, standId },
  className,
  shift,
  ...more
}: { area: Area; shift?: { x: number; y: number } | null } & ComponentProps<'button'>) {
  const navigate = useNavigate()
  useFocusKept(standId)
  return (
    <button
      {...more}
      className={`loom-region absolute ${className}`}
      style={{
        top: clip.top,
        left,
        width,
        height: clip.bottom - clip.top,
        transform: shift ? `translate(${shift.x}px, ${shift.y}px)` : undefined,
      }}
      aria-label={name}
      title={name}
      onClick={() => navigate(`/bed/${bedId}`)}
      data-stand={standId}
    />
  )
}
