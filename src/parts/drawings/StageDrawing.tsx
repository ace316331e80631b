import type { GuideKind } from '../../core/tracking/stageGuide'
import { Drawing, DYE, leaf } from './ink'

/** What a plant of a group looks like at a stage; kernels and pods are drawn large. */
export function StageDrawing({ kind, bbch, size }: { kind: GuideKind; bbch: number; size?: number }) {
  return (
    <Drawing size={size}>
      {kind === 'grass' ? (
        bbch >= 71 ? (
          <Kernel bbch={bbch} />
        ) : (
          <Grass bbch={bbch} />
        )
      ) : kind === 'broadleaf' ? (
        <Broadleaf bbch={bbch} />
      ) : (
        <Legume bbch={bbch} cut={kind === 'regrowth'} />
      )}
    </Drawing>
  )
}

function Grass({ bbch }: { bbch: number }) {
  if (bbch < 31) {
    const angles = bbch < 21 ? [-14, 12] : [-42, -24, -8, 8, 26, 44]
    return (
      <g fill={DYE.green}>
        {angles.map((angle) => (
          <path key={angle} d={leaf(30, 75, angle, bbch < 21 ? 30 : 36 - Math.abs(angle) / 5, 1.8)} />
        ))}
      </g>
    )
  }
  const top = bbch < 39 ? 44 : 22
  const nodes = bbch < 39 ? [64] : [64, 50, 38]
  const flag = bbch >= 39
  return (
    <>
      <path d={`M30 75V${top}`} strokeWidth={2} />
      <g fill={DYE.green}>
        <path d={leaf(30, 70, -50, 24, 1.9)} />
        <path d={leaf(30, 60, 48, 24, 1.9)} />
        {flag && <path d={leaf(30, 46, -44, 22, 2)} />}
        <path d={leaf(30, flag ? 34 : top, flag ? 38 : 14, flag ? 24 : 26, flag ? 2.8 : 1.9)} />
      </g>
      {nodes.map((y) => (
        <circle key={y} cx={30} cy={y} r={1.9} fill="currentColor" stroke="none" />
      ))}
      {bbch === 45 && <ellipse cx={30} cy={27} rx={3.8} ry={9} fill={DYE.pale} />}
      {bbch >= 51 && <Head bbch={bbch} />}
    </>
  )
}

function Head({ bbch }: { bbch: number }) {
  const rows = [0, 1, 2, 3, 4, 5]
  const hanging = bbch >= 65 ? rows : bbch >= 61 ? [2, 3] : []
  return (
    <>
      {rows.map((row) => (
        <g key={row} fill={bbch >= 69 ? DYE.ripe : DYE.pale}>
          <path d={leaf(30, 24 - row * 3.2, -28, 6, 1.7)} />
          <path d={leaf(30, 24 - row * 3.2, 28, 6, 1.7)} />
        </g>
      ))}
      <path d={leaf(30, 6, 0, 5, 1.5)} fill={DYE.pale} />
      {hanging.map((row) => (
        <g key={row} fill={bbch >= 69 ? DYE.milk : DYE.pollen} strokeWidth={0.6}>
          <ellipse cx={22.5} cy={21 - row * 3} rx={1} ry={2.1} />
          <ellipse cx={37.5} cy={21 - row * 3} rx={1} ry={2.1} />
        </g>
      ))}
      {bbch < 61 && <path d="M25.5 30C27 25 27 22 25 18M34.5 30C33 25 33 22 35 18" strokeWidth={0.8} />}
    </>
  )
}

/** A kernel between thumb and finger: a drop of water, of milk, a print in dough, a hard grain. */
function Kernel({ bbch }: { bbch: number }) {
  const fill = bbch < 75 ? DYE.pale : bbch < 85 ? DYE.green : DYE.ripe
  return (
    <>
      <path d="M8 34C18 30 22 34 22 42S18 54 8 52M52 34C42 30 38 34 38 42S42 54 52 52" strokeWidth={1.4} />
      <path d={leaf(30, 60, 0, 36, 8)} fill={fill} />
      <path d="M30 58V28" strokeWidth={0.8} />
      {bbch < 85 && (
        <path
          d="M30 60C26 66 27 71 30 71S34 66 30 60Z"
          fill={bbch < 75 ? DYE.milk : '#fff'}
          strokeDasharray={bbch < 75 ? '1.5 1.2' : undefined}
        />
      )}
      {bbch >= 85 && bbch < 89 && <ellipse cx={30} cy={44} rx={4} ry={6} fill={DYE.pale} strokeWidth={0.8} />}
      {bbch >= 89 && <path d="M24 40L36 48M25 47L35 38" strokeWidth={0.9} />}
    </>
  )
}

function Legume({ bbch, cut }: { bbch: number; cut: boolean }) {
  const tall = bbch >= 31
  const shoots = bbch < 21 ? [0] : tall ? [-12, 12] : [-30, 0, 30]
  const reach = bbch < 21 ? 18 : tall ? 58 : 28
  return (
    <>
      {cut && <path d="M20 75V66M25 75V65M36 75V66M41 75V67" strokeWidth={2.2} />}
      {shoots.map((lean, s) => {
        const x = (share: number) => 30 + lean * share + lean * 0.4
        const y = (share: number) => 75 - reach * share
        const shares = tall ? [0.3, 0.55, 0.8] : [0.5, 1]
        return (
          <g key={lean}>
            <path d={`M${x(0)} 75Q${x(0.3)} ${y(0.6)} ${x(1)} ${y(1)}`} />
            {shares.map((share) => (
              <g key={share} fill={DYE.green}>
                {[-70, -25, 25, 70].map((angle) => (
                  <path key={angle} d={leaf(x(share), y(share), angle, 12, 3)} />
                ))}
              </g>
            ))}
            {bbch >= 51 && <LegumeTop x={x(1)} y={y(1)} bbch={bbch} second={s === 1} />}
          </g>
        )
      })}
    </>
  )
}

function LegumeTop({ x, y, bbch, second }: { x: number; y: number; bbch: number; second: boolean }) {
  if (bbch >= 71) {
    const fill = bbch >= 89 ? DYE.ripe : bbch >= 85 ? DYE.pollen : DYE.green
    return (
      <g fill={fill}>
        {[-30, 10, 45].map((angle) => (
          <path key={angle} d={leaf(x, y + 8, angle + 150, 16, bbch < 75 ? 1.5 : 3)} />
        ))}
        {bbch >= 75 &&
          [4, 7, 10].map((along) => (
            <circle key={along} cx={x + 1} cy={y + 9 + along} r={1.2} fill="currentColor" stroke="none" />
          ))}
      </g>
    )
  }
  const open = bbch >= 69 ? 5 : bbch >= 65 ? (second ? 1 : 4) : bbch >= 61 && !second ? 1 : 0
  return (
    <>
      {[0, 1, 2, 3, 4].map((i) => (
        <ellipse
          key={i}
          cx={x + (i % 2 ? 3 : -3)}
          cy={y + 8 - i * 2.8}
          rx={i < open ? 3 : 1.6}
          ry={i < open ? 2.4 : 2}
          fill={i < open ? (bbch >= 69 && i < 2 ? DYE.ripe : DYE.flower) : DYE.pale}
          strokeWidth={0.8}
        />
      ))}
    </>
  )
}

function Broadleaf({ bbch }: { bbch: number }) {
  if (bbch < 31) {
    const angles = bbch < 21 ? [-70, 70] : [-80, -55, -28, 0, 28, 55, 80]
    return (
      <g fill={DYE.green}>
        {bbch < 21 && <path d="M30 75V64" />}
        {angles.map((angle) => (
          <path key={angle} d={leaf(30, bbch < 21 ? 64 : 74, angle, bbch < 21 ? 12 : 26, 4.5)} />
        ))}
      </g>
    )
  }
  const tops: [number, number][] = [
    [30, 22],
    [18, 32],
    [42, 32],
  ]
  const open = bbch >= 69 ? 3 : bbch >= 65 ? 2 : bbch >= 61 ? 1 : 0
  return (
    <>
      <path d="M30 75V22" strokeWidth={1.8} />
      {bbch >= 51 && <path d="M30 50Q22 44 18 32M30 50Q38 44 42 32" />}
      <g fill={DYE.green}>
        <path d={leaf(30, 72, -66, 20, 4)} />
        <path d={leaf(30, 72, 66, 20, 4)} />
        <path d={leaf(30, 60, -56, 17, 3.2)} />
        <path d={leaf(30, 60, 56, 17, 3.2)} />
        {bbch < 51 && [-40, 0, 40].map((angle) => <path key={angle} d={leaf(30, 34, angle, 15, 3)} />)}
      </g>
      {bbch >= 51 && tops.map(([x, y], i) => <BroadTop key={x} x={x} y={y} bbch={bbch} open={i < open} />)}
    </>
  )
}

function BroadTop({ x, y, bbch, open }: { x: number; y: number; bbch: number; open: boolean }) {
  if (bbch >= 71)
    return (
      <g fill={bbch >= 85 ? DYE.ripe : DYE.green}>
        {[-40, 0, 40].map((angle) => (
          <path key={angle} d={leaf(x, y, angle, 11, bbch < 75 ? 1.3 : 2.4)} />
        ))}
        {bbch >= 75 && <circle cx={x} cy={y - 6} r={1.3} fill={bbch >= 85 ? 'currentColor' : DYE.pale} />}
      </g>
    )
  if (!open)
    return (
      <g fill={DYE.pale}>
        <circle cx={x} cy={y - 2} r={2.4} />
        <circle cx={x - 3} cy={y + 1} r={1.8} />
        <circle cx={x + 3} cy={y + 1} r={1.8} />
      </g>
    )
  return (
    <g fill={bbch >= 69 ? DYE.ripe : DYE.flower} strokeWidth={0.8}>
      {[0, 72, 144, 216, 288].map((angle) => (
        <path key={angle} d={leaf(x, y - 2, angle, 6, 2)} />
      ))}
      <circle cx={x} cy={y - 2} r={1.4} fill={DYE.pollen} />
    </g>
  )
}
