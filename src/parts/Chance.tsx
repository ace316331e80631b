import { chanceText } from '../text/format'

/** A chance as a woven bar of ten picks and in words. */
export function Chance({ share }: { share: number }) {
  const picks = Math.floor(share * 10 + 0.25)
  return (
    <span className="inline-flex items-center gap-2 whitespace-nowrap">
      <svg width={62} height={12} aria-hidden="true">
        {Array.from({ length: 10 }, (_, i) => (
          <rect
            key={i}
            x={i * 6.2}
            y={1}
            width={4.6}
            height={10}
            fill={i < picks ? 'var(--color-primary)' : 'none'}
            stroke="var(--color-primary)"
            strokeWidth={0.8}
            opacity={i < picks ? 1 : 0.45}
          />
        ))}
      </svg>
      <span>{chanceText(share)}</span>
    </span>
  )
}
