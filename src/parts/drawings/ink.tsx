import type { ReactNode } from 'react'

/** Outline of a lens-shaped leaf from a point, `angle` in degrees from straight up, `length` and `width` in drawing units. */
export function leaf(x: number, y: number, angle: number, length: number, width: number): string {
  const turn = (angle * Math.PI) / 180
  const [ux, uy] = [Math.sin(turn), -Math.cos(turn)]
  const at = (along: number, across: number) =>
    `${(x + ux * along - uy * across).toFixed(1)} ${(y + uy * along + ux * across).toFixed(1)}`
  return `M${at(0, 0)}C${at(length * 0.3, width)} ${at(length * 0.75, width * 0.8)} ${at(length, 0)}C${at(length * 0.75, -width * 0.8)} ${at(length * 0.3, -width)} ${at(0, 0)}Z`
}

/** Dyes of the drawings; the ink is the text colour of the theme. */
export const DYE = {
  green: 'color-mix(in oklab, var(--color-success) 62%, var(--color-base-100))',
  pale: 'color-mix(in oklab, var(--color-success) 28%, var(--color-base-100))',
  flower: 'color-mix(in oklab, var(--color-primary) 70%, var(--color-base-100))',
  pollen: 'var(--color-accent)',
  ripe: 'color-mix(in oklab, var(--color-accent) 55%, var(--color-base-100))',
  red: 'color-mix(in oklab, var(--color-secondary) 55%, var(--color-base-100))',
  milk: 'var(--color-base-100)',
} as const

/** A drawing on a sheet of 60 × 80, in ink on dye; decorative beside its words. */
export function Drawing({ children, size = 80 }: { children: ReactNode; size?: number }) {
  return (
    <svg
      viewBox="0 0 60 80"
      height={size}
      width={size * 0.75}
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth={1.1}
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <path d="M6 75H54" strokeWidth={0.7} strokeDasharray="2 1.6" />
      {children}
    </svg>
  )
}
