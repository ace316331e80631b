import { useMemo } from 'react'
import { randomStream } from '../../core/foundations/random'
import type { CropShown } from '../../core/portrait/cropShown'
import { moved, onArc, Pen } from './pen'
import type { Scale } from './scale'

const MOST = 26

/** The crop at its spacing and height, undyed: a stem with broad leaves that grows wider as it grows. */
export function CropPlants({ crop, scale }: { crop: CropShown; scale: Scale }) {
  const path = useMemo(() => outlines(crop, scale), [crop, scale])
  return (
    <g>
      <path d={path.leaves} fill="var(--crop)" stroke="var(--color-base-content)" strokeWidth={0.7} />
      <path
        d={path.stems}
        fill="none"
        stroke="var(--color-base-content)"
        strokeWidth={1.3}
        strokeLinecap="round"
      />
    </g>
  )
}

function outlines({ heightM, apartM, cropId }: CropShown, scale: Scale): { stems: string; leaves: string } {
  const pen = new Pen()
  const apart = Math.max(apartM * scale.pxPerM, (scale.right - scale.left) / MOST)
  const height = Math.max(4, heightM * scale.pxPerM)
  let plant = 0
  for (let x = scale.left + apart / 2; x < scale.right; x += apart) {
    const random = randomStream(cropId.length * 131 + plant++)
    const foot = { x, y: scale.groundY }
    const top = moved(foot, (random.uniform() - 0.5) * 0.2, height * (0.9 + 0.15 * random.uniform()))
    const over = moved(foot, 0, height * 0.5)
    pen.arc('stroke', foot, over, top)
    const leaves = Math.max(3, Math.min(9, Math.round(height / 14)))
    const size = Math.min(apart * 0.6, Math.max(4, height * 0.34))
    for (let i = 0; i < leaves; i++) {
      const place = onArc(foot, over, top, 0.2 + (0.8 * i) / leaves)
      pen.lens('face', place, (i % 2 ? 1 : -1) * (0.75 + 0.4 * random.uniform()), size, size * 0.28)
    }
    pen.lens('face', top, 0, size * 0.6, size * 0.2)
  }
  return { stems: pen.path('stroke'), leaves: pen.path('face') }
}
