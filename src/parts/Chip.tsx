import type { ReactNode } from 'react'

/** One of some answers to press, large enough for a thumb. */
export function Chip({
  chosen,
  onPress,
  className = 'px-3 py-1.5 text-left',
  children,
}: {
  chosen: boolean
  onPress: () => void
  className?: string
  children: ReactNode
}) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onPress}
      className={`min-h-11 border leading-tight ${
        chosen
          ? 'border-2 border-base-content bg-base-200 font-semibold'
          : 'border-base-content/50 hover:bg-base-200'
      } ${className}`}
    >
      {children}
    </button>
  )
}
