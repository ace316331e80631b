import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { isFlat, WHOLE_PICTURE, ontoFrame, type Frame, type Point } from '../../core/picture/frame'
import type { GreenCover } from '../../core/picture/greenCover'
import { percent } from '../../text/format'
import { ProblemLine } from '../../parts/ProblemLine'
import { SelectField } from '../../parts/SelectField'
import { Why } from '../../parts/Why'
import type { MadePicture } from '../../core/picture/made'
import type { PreparedPicture } from '../../compute/picture/picture'
import { usePicture } from './usePicture'

/** Corners of a frame that leaves the picture's edges out, for a start. */
const INSIDE: Frame['corners'] = [
  { x: 0.15, y: 0.15 },
  { x: 0.85, y: 0.15 },
  { x: 0.85, y: 0.85 },
  { x: 0.15, y: 0.85 },
]
const STEP = 0.01

/** Cover read from a picture: overlay to judge, slider to correct, a ring or frame to crop to. */
export function CoverPicture({
  stand,
  onUse,
  onKeep,
}: {
  /** What a made-up picture shows, in demo gardens; null where there is none. */
  stand: MadePicture | null
  onUse: (percentCover: number, errorPercent: number) => void
  onKeep: (picture: PreparedPicture) => void
}) {
  const hand = usePicture()
  const { picture, reading, frame } = hand
  const shape = frame === WHOLE_PICTURE ? 'whole' : frame.shape
  return (
    <section aria-label="Cover from a picture">
      <div className="flex flex-wrap items-center gap-2">
        <label className="btn">
          {picture ? 'Another picture' : 'Take or choose a picture'}
          <input
            type="file"
            accept="image/*"
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0]
              event.target.value = ''
              if (file) void hand.choose(file)
            }}
          />
        </label>
        {stand && (
          <button type="button" className="btn btn-ghost" onClick={() => void hand.make(stand)}>
            Try a made-up picture
          </button>
        )}
        {hand.busy && <span role="status">Reading the picture …</span>}
      </div>
      <ProblemLine text={hand.problem} />
      {picture && hand.url && (
        <>
          <div
            className="relative mt-3 touch-none select-none"
            style={{ aspectRatio: `${picture.widthPx} / ${picture.heightPx}`, maxWidth: 520 }}
          >
            <img src={hand.url} alt="The ground as pictured" className="absolute inset-0 h-full w-full" />
            {reading && <Overlay reading={reading} frame={frame} />}
            {shape !== 'whole' && <Corners frame={frame} onChange={hand.setFrame} />}
          </div>
          <p className="quiet mt-1 text-sm">
            {picture.fromWidthPx} × {picture.fromHeightPx} px, kept at {picture.widthPx} × {picture.heightPx}{' '}
            px, {Math.round(picture.full.byteLength / 1000)} kB; place and camera notes are dropped.
          </p>
          <div className="mt-2 flex flex-wrap items-start gap-3">
            <SelectField
              label="Ground to read"
              className="w-44"
              value={shape}
              onChange={(next) =>
                hand.setFrame(next === 'whole' ? WHOLE_PICTURE : { corners: INSIDE, shape: next })
              }
              options={[
                ['whole', 'the whole picture'],
                ['frame', 'inside a frame'],
                ['ring', 'inside a ring'],
              ]}
            />
            <label className="text-sm font-semibold">
              What counts as green
              <input
                type="range"
                className="range range-sm mt-2 block w-52"
                min={-0.05}
                max={0.2}
                step={0.005}
                value={hand.threshold ?? reading?.threshold ?? 0.05}
                onChange={(event) => hand.setThreshold(Number(event.target.value))}
              />
              <span className="quiet flex justify-between font-normal">
                <span>more</span>
                <span>less</span>
              </span>
            </label>
            {hand.threshold !== null && (
              <button
                type="button"
                className="btn btn-ghost btn-sm mt-6"
                onClick={() => hand.setThreshold(null)}
              >
                As found
              </button>
            )}
          </div>
          {!isFlat(frame) && <ProblemLine text="The corners cross. Drag them so that the frame lies open." />}
          {reading && (
            <div className="mt-2 flex flex-wrap items-center gap-3">
              <div data-testid="picture-cover">
                <strong>{percent(reading.cover)}</strong> green, give or take{' '}
                {Math.max(1, Math.round(reading.error * 164))} points.
                {reading.tooMuchShadow
                  ? ' Too much of it lies in hard shadow: shade the ring with your body and take it again.'
                  : reading.unclear > 0.1
                    ? ` ${percent(reading.unclear)} is too dark or too bright to tell by its colour.`
                    : ''}{' '}
                <Why>
                  How green each point is for its lightness (OKLab, Ottosson 2020), parted where the two kinds
                  differ most (Otsu 1979); deep shadow and glare are recognised by what surrounds them; smooth
                  bright things that reach in from the edge, such as boards and hands, are left out. Painted:
                  what was not counted as green. The range is 9 in 10, from the threshold, leaf edges, what
                  was recognised by its surroundings, and 3 points for the rest (judgement). Weeds are green
                  too.
                </Why>
              </div>
              <button
                type="button"
                className="btn btn-primary"
                onClick={() => {
                  onUse(Math.round(reading.cover * 100), Math.round(reading.error * 100))
                  onKeep(picture)
                  hand.drop()
                }}
              >
                Use this cover
              </button>
              <button
                type="button"
                className="btn"
                onClick={() => {
                  onKeep(picture)
                  hand.drop()
                }}
              >
                Only keep the picture
              </button>
            </div>
          )}
        </>
      )}
    </section>
  )
}

/** Paints over what was not counted as green, so that a wrong threshold shows. */
function Overlay({ reading, frame }: { reading: GreenCover; frame: Frame }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const element = canvas.current
    if (!element) return
    const { width, height } = element
    const context = element.getContext('2d')!
    context.clearRect(0, 0, width, height)
    const onto = ontoFrame(isFlat(frame) ? frame : WHOLE_PICTURE)
    const { grid, gridSize } = reading
    const colours = ['rgb(46 20 60 / 72%)', '', 'rgb(255 214 0 / 80%)', '', 'rgb(128 128 128 / 80%)']
    for (let at = 0; at < grid.length; at++) {
      const colour = colours[grid[at]]
      if (!colour) continue
      const column = at % gridSize
      const row = Math.floor(at / gridSize)
      const from = onto(column / gridSize, row / gridSize)
      const to = onto((column + 1) / gridSize, (row + 1) / gridSize)
      context.fillStyle = colour
      context.fillRect(
        from.x * width,
        from.y * height,
        (to.x - from.x) * width + 0.6,
        (to.y - from.y) * height + 0.6,
      )
    }
  }, [reading, frame])
  return (
    <canvas
      ref={canvas}
      width={480}
      height={360}
      className="absolute inset-0 h-full w-full"
      aria-hidden="true"
    />
  )
}

/** The frame's outline, or that of the ring in it, as points of the picture. */
function outline(frame: Frame): string {
  const onto = ontoFrame(isFlat(frame) ? frame : WHOLE_PICTURE)
  const points =
    frame.shape === 'frame' || !isFlat(frame)
      ? frame.corners
      : Array.from({ length: 48 }, (_, i) =>
          onto(0.5 + 0.5 * Math.cos((i * Math.PI) / 24), 0.5 + 0.5 * Math.sin((i * Math.PI) / 24)),
        )
  return points.map(({ x, y }) => `${x},${y}`).join(' ')
}

const NAMES = ['top left', 'top right', 'bottom right', 'bottom left']
const clampShare = (value: number) => Math.min(1, Math.max(0, value))

/** Four corners to drag, or to move with the arrow keys. */
function Corners({ frame, onChange }: { frame: Frame; onChange: (frame: Frame) => void }) {
  const move = (index: number, to: Point) =>
    onChange({
      ...frame,
      corners: frame.corners.map((corner, i) =>
        i === index ? { x: clampShare(to.x), y: clampShare(to.y) } : corner,
      ) as unknown as Frame['corners'],
    })
  function drag(event: PointerEvent<HTMLButtonElement>, index: number) {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return
    const area = event.currentTarget.parentElement!.getBoundingClientRect()
    move(index, { x: (event.clientX - area.left) / area.width, y: (event.clientY - area.top) / area.height })
  }
  function nudge(event: KeyboardEvent, index: number) {
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-STEP, 0],
      ArrowRight: [STEP, 0],
      ArrowUp: [0, -STEP],
      ArrowDown: [0, STEP],
    }
    const step = by[event.key]
    if (!step) return
    event.preventDefault()
    const { x, y } = frame.corners[index]
    move(index, { x: x + step[0], y: y + step[1] })
  }
  return (
    <>
      <svg
        viewBox="0 0 1 1"
        preserveAspectRatio="none"
        className="absolute inset-0 h-full w-full"
        aria-hidden="true"
      >
        <polygon
          points={outline(frame)}
          fill="none"
          stroke="#fff"
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      {frame.corners.map(({ x, y }, index) => (
        <button
          key={NAMES[index]}
          type="button"
          aria-label={`Corner ${NAMES[index]}`}
          className="absolute size-9 -translate-1/2 rounded-full border-3 border-white bg-black/40"
          style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
          onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          onPointerMove={(event) => drag(event, index)}
          onKeyDown={(event) => nudge(event, index)}
        />
      ))}
    </>
  )
}
