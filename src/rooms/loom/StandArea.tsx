import type { ComponentProps } from 'react'
import { useNavigate } from 'react-router'
import type { Placed } from './labels'

/** A name on the cloth, where it found room. */
export function Words({ placed, italic }: { placed: Placed; italic?: boolean }) {
  return (
    <span
      className="pointer-events-none absolute inset-x-0 flex justify-center"
      style={{ top: placed.top, height: placed.height }}
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
  width: number
  bedId: string
  standId: string
  fromDay: number
}

export function AreaButton({
  area: { name, clip, width, bedId, standId },
  className,
  shift,
  ...more
}: { area: Area; shift?: { x: number; y: number } | null } & ComponentProps<'button'>) {
  const navigate = useNavigate()
  return (
    <button
      {...more}
      className={`loom-region absolute left-0 ${className}`}
      style={{
        top: clip.top,
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
