import type { Bed } from '../../core/garden/schema'
import { placesOf, plantsFor } from '../../core/planting/spacing'
import type { Crop } from '../../core/plants/crops'
import { COLLAR_M } from '../../core/scenario/aisle'
import type { Units } from '../../text/format'
import { GroundDrawing } from './GroundDrawing'

/** Length of the stretch that is drawn, m, and the radius of a stem. */
const STRETCH_M = 4
const STEM_M = 0.03
const INK = 'var(--color-base-content)'

/** A stretch of a bed and its aisle from above: where the cuttings land, and the collar that stays clear around each stem. */
export function AisleDrawing({ bed, crop, units }: { bed: Bed; crop: Crop; units: Units }) {
  const lengthM = Math.min(STRETCH_M, bed.lengthM)
  const { widthM, pathWidthM } = bed
  const spacing = plantsFor(lengthM, widthM, crop.rowCm, crop.plantCm)
  const leftM = (lengthM - (spacing.perRow * crop.plantCm) / 100) / 2
  const places = placesOf(spacing, widthM).map(({ alongM, acrossM }) => ({ alongM: alongM + leftM, acrossM }))
  const closed = crop.plantCm / 100 < 2 * COLLAR_M
  return (
    <div className="mt-3 max-w-xl" data-testid="collars">
      <GroundDrawing
        ground={{ lengthM, widthM: widthM + pathWidthM }}
        marginM={0.1}
        units={units}
        drawn="the stretch of aisle and bed"
        label={`The aisle beside ${crop.name.toLowerCase()}, with the clear collar around each stem`}
      >
        {(px) => (
          <>
            <rect
              width={px(lengthM)}
              height={px(pathWidthM)}
              fill="var(--color-primary)"
              fillOpacity={0.45}
            />
            <g transform={`translate(0 ${px(pathWidthM)})`}>
              <rect
                width={px(lengthM)}
                height={px(widthM)}
                fill="var(--color-accent)"
                fillOpacity={0.35}
                stroke={INK}
              />
              {places.map(({ alongM, acrossM }) => (
                <circle
                  key={`${alongM} ${acrossM}`}
                  cx={px(alongM)}
                  cy={px(acrossM)}
                  r={px(Math.min(COLLAR_M, acrossM, widthM - acrossM))}
                  fill="var(--color-base-100)"
                />
              ))}
              {places.map(({ alongM, acrossM }) => (
                <circle
                  key={`${alongM} ${acrossM}`}
                  cx={px(alongM)}
                  cy={px(acrossM)}
                  r={px(STEM_M)}
                  fill={INK}
                />
              ))}
            </g>
          </>
        )}
      </GroundDrawing>
      <p className="text-sm">
        The aisle above; its cuttings land on the strip of {crop.name.toLowerCase()} below.{' '}
        {closed
          ? 'Its plants stand closer than two collars: keep the rows clear from end to end.'
          : 'Around each stem the ground stays clear.'}
      </p>
    </div>
  )
}
