import { Scroll } from '../../parts/Scroll'
import { temperature, type Units } from '../../text/format'

/** A day or a month: its low and high, °C, how far they may lie off, what was seen, and its rain as words and as a share of the most. */
export type WarmthColumn = {
  key: number
  name: string
  lowC: number
  highC: number
  range?: { lowC: number; highC: number }
  seen?: { lowC: number; highC: number } | null
  rainShare: number
  rainText: string
}

/** Warmth left above and below what is drawn, °C, so that its numbers have room. */
const ROOM_C = 6

/** Warmth and rain side by side, one column each: a bar from low to high in its range, freezing as a line, rain below. */
export function WarmthColumns({
  columns,
  label,
  units,
  testid,
}: {
  columns: readonly WarmthColumn[]
  label: string
  units: Units
  testid: string
}) {
  const ends = columns.flatMap(({ lowC, highC, range, seen }) => [
    lowC,
    highC,
    ...(range ? [range.lowC, range.highC] : []),
    ...(seen ? [seen.lowC, seen.highC] : []),
  ])
  const bottomC = Math.min(0, ...ends) - ROOM_C
  const topC = Math.max(...ends) + ROOM_C
  const at = (celsius: number) => `${(((celsius - bottomC) / (topC - bottomC)) * 100).toFixed(1)}%`
  const between = (lowC: number, highC: number) => ({
    bottom: at(lowC),
    height: `calc(${at(highC)} - ${at(lowC)} + 2px)`,
  })
  return (
    <Scroll label={label}>
      <ol className="flex pt-1" data-testid={testid}>
        {columns.map(({ key, name, lowC, highC, range, seen, rainShare, rainText }) => (
          <li key={key} className="min-w-16 grow basis-0 text-center text-sm">
            <span className="block font-semibold whitespace-nowrap">{name}</span>
            <span className="relative block h-36 border-b border-base-300">
              <span
                className="absolute inset-x-0 border-t border-dashed border-primary"
                style={{ bottom: at(0) }}
              />
              {range && (
                <span
                  className="absolute left-1/2 w-5 -translate-x-1/2 bg-primary/20"
                  style={between(range.lowC, range.highC)}
                />
              )}
              <span
                className="absolute left-1/2 w-2.5 -translate-x-1/2 bg-secondary"
                style={between(lowC, highC)}
              />
              {seen &&
                [seen.lowC, seen.highC].map((celsius, i) => (
                  <span
                    key={i}
                    className="absolute left-1/2 w-7 -translate-x-1/2 border-t-2 border-base-content"
                    style={{ bottom: at(celsius) }}
                  />
                ))}
              <span
                className="absolute inset-x-0"
                style={{ bottom: at(Math.max(highC, range?.highC ?? highC)) }}
              >
                {temperature(highC, units)}
              </span>
              <span
                className="absolute inset-x-0 translate-y-full"
                style={{ bottom: at(Math.min(lowC, range?.lowC ?? lowC)) }}
              >
                {temperature(lowC, units)}
              </span>
            </span>
            <span className="mx-auto block h-8 w-5">
              <span
                className="block w-full bg-primary"
                style={{ height: `${Math.round(100 * rainShare)}%` }}
              />
            </span>
            <span className="block whitespace-nowrap">{rainText}</span>
          </li>
        ))}
      </ol>
    </Scroll>
  )
}
