import type { PartKind } from '@ekrond/core/sheets'
import type { Point } from './index'

export type PartMode = 'on' | 'now' | 'off' | 'over'

const LOOK: Record<PartMode, { stroke: string; width: number; dash?: string; hatched: boolean }> = {
  on: { stroke: 'var(--ink)', width: 1.8, hatched: true },
  now: { stroke: 'var(--blue)', width: 2.8, hatched: true },
  off: { stroke: 'var(--line)', width: 1.6, dash: '5 4', hatched: false },
  over: { stroke: 'var(--pencil)', width: 1.5, dash: '5 4', hatched: false },
}

/** A part by its kind, as a little section through it: `at` its centre, `size` about its height in pixels. */
export function PartShape({
  kind,
  at,
  size = 34,
  mode = 'on',
  width,
}: {
  kind: PartKind
  at: Point
  size?: number
  mode?: PartMode
  width?: number
}) {
  const { stroke, width: strokeWidth, dash, hatched } = LOOK[mode]
  const line = {
    stroke,
    strokeWidth,
    strokeDasharray: dash,
    fill: 'var(--paper)',
    strokeLinejoin: 'round' as const,
    vectorEffect: 'non-scaling-stroke' as const,
  }
  const metal = { ...line, fill: hatched ? 'url(#hatch-back)' : 'var(--paper)' }
  const [x, y] = at
  const s = size / 34
  const w = width === undefined ? 46 : width / s
  const body = () => {
    switch (kind) {
      case 'cover':
      case 'body':
        return (
          <rect
            x={-w / 2}
            y={-15}
            width={w}
            height={30}
            {...metal}
            fill={hatched ? 'url(#hatch)' : 'var(--paper)'}
          />
        )
      case 'gasket':
        return (
          <rect
            x={-w / 2}
            y={-3}
            width={w}
            height={6}
            {...line}
            fill={hatched ? 'var(--tint)' : 'var(--paper)'}
          />
        )
      case 'float':
        return <path d="M-26 -10 H20 Q27 -10 27 -3 V4 Q27 11 20 11 H-18 L-26 2 Z" {...line} />
      case 'needle':
      case 'meteringNeedle':
        return <path d="M-6 -17 H6 V5 L0 17 L-6 5 Z" {...line} />
      case 'seat':
        return <path d="M-17 -14 H17 V-6 H10 V14 H-10 V-6 H-17 Z M-3 -14 V14 M3 -14 V14" {...metal} />
      case 'pin':
        return <rect x={-20} y={-4} width={40} height={8} {...line} />
      case 'washer':
        return <rect x={-15} y={-4} width={30} height={8} {...metal} />
      case 'seal':
        return (
          <>
            <circle r={14} {...line} />
            <circle r={8} {...line} />
          </>
        )
      case 'jet':
        return <path d="M-9 -14 H9 V-7 H13 V14 H-13 V-7 H-9 Z M-2 -14 V14 M2 -14 V14" {...metal} />
      case 'pump':
        return <path d="M-2 -17 H2 V2 H14 L10 16 H-10 L-14 2 H-2 Z" {...line} />
      case 'ball':
        return <circle r={8} {...line} />
      case 'nozzle':
        return <path d="M-8 -14 H8 V4 L14 14 H-14 L-8 4 Z" {...metal} />
      case 'spring':
        return <path d="M-8 -16 L8 -11 L-8 -6 L8 -1 L-8 4 L8 9 L-8 14" {...line} fill="none" />
      case 'diaphragm':
        return <path d="M-20 4 Q-10 -12 0 -8 Q10 -12 20 4 H24 M-20 4 H-24" {...line} fill="none" />
      case 'mixtureScrew':
        return <path d="M-8 -16 H8 V-9 H4 V6 L0 17 L-4 6 V-9 H-8 Z" {...line} />
      case 'screw':
        return <path d="M-9 -15 H9 V-7 H4 V15 H-4 V-7 H-9 Z" {...line} />
      case 'link':
        return <path d="M-18 12 V4 L14 -10 V-16" {...line} fill="none" strokeWidth={strokeWidth + 1.4} />
      case 'coil':
        return (
          <path
            d="M0 0 m-3 0 a5 5 0 1 1 8 4 a10 10 0 1 1 3 -14 M-16 0 a16 16 0 1 0 32 0 a16 16 0 1 0 -32 0"
            {...line}
            fill="none"
          />
        )
      case 'electric':
        return (
          <path
            d="M-9 -8 H9 V10 H-9 Z M-4 10 H4 V15 H-4 Z M-2 15 V19 H2 V15 M-4 -8 V-12 L-8 -17 M4 -8 V-12 L8 -17"
            {...line}
          />
        )
      case 'shaft':
        return <rect x={-w / 2} y={-4} width={w} height={8} {...line} />
      case 'screen':
        return <path d="M-8 -15 H8 V13 H-8 Z M-8 -8 H8 M-8 -1 H8 M-8 6 H8" {...line} />
      case 'slide':
        return <path d="M-13 -16 H13 V12 L4 16 H-13 Z" {...metal} />
    }
  }
  return <g transform={`translate(${x} ${y}) scale(${s})`}>{body()}</g>
}

const TELLING = { stroke: 'var(--red)', strokeWidth: 3 }

/** A gasket from above: outline, bores, bolts and small holes, from its drawing words (`gasket two-bore 31 small 2`). */
export function GasketShape({
  drawing,
  at,
  width = 150,
  mode = 'on',
  mark = null,
}: {
  drawing: string
  at: Point
  width?: number
  mode?: PartMode
  /** what tells it from its look-alikes, in red */
  mark?: 'small' | 'bores' | null
}) {
  const read = /^gasket (two-bore|bowl) (\d+) small (\d)$/.exec(drawing)
  if (!read) return null
  const { stroke, width: strokeWidth, dash } = LOOK[mode]
  const line = { stroke, strokeWidth, strokeDasharray: dash, fill: 'var(--paper)' }
  const two = read[1] === 'two-bore'
  const bore = Number(read[2])
  const small = Number(read[3])
  const height = width * (two ? 0.58 : 0.86)
  const k = width / (two ? 118 : 74)
  const radius = (two ? bore / 2 : bore / 2 - 2) * k
  return (
    <g transform={`translate(${at[0]} ${at[1]})`}>
      <rect width={width} height={height} rx={10 * k} {...line} />
      {(two ? [0.3, 0.66] : [0.5]).map((f) => (
        <circle
          key={f}
          cx={width * f}
          cy={height / 2}
          r={radius}
          {...line}
          {...(mark === 'bores' ? TELLING : {})}
        />
      ))}
      {[
        [9 * k, 9 * k],
        [width - 9 * k, 9 * k],
        [9 * k, height - 9 * k],
        [width - 9 * k, height - 9 * k],
      ].map(([cx, cy]) => (
        <circle key={`${cx} ${cy}`} cx={cx} cy={cy} r={Math.max(3, 4.4 * k)} {...line} />
      ))}
      {Array.from({ length: small }, (_, i) => (
        <circle
          key={i}
          cx={width - 10 * k}
          cy={height / 2 - ((small - 1) * 8 - i * 16) * k}
          r={Math.max(3, 4.4 * k)}
          {...line}
          {...(mark === 'small' ? TELLING : {})}
        />
      ))}
    </g>
  )
}

/** Where a gasket's small holes and its outer bore lie on its shape, px from its corner; undefined where it has none. */
export function gasketPoints(drawing: string, width: number): { small: Point; bore: Point } | undefined {
  const read = /^gasket (two-bore|bowl) (\d+) small (\d)$/.exec(drawing)
  if (!read) return undefined
  const two = read[1] === 'two-bore'
  const k = width / (two ? 118 : 74)
  const height = width * (two ? 0.58 : 0.86)
  const radius = (two ? Number(read[2]) / 2 : Number(read[2]) / 2 - 2) * k
  return {
    small: [width - 5 * k, height / 2 + ((Number(read[3]) - 1) * 8 + 2) * k],
    bore: [width * (two ? 0.66 : 0.5) + radius * 0.7, height / 2 + radius * 0.7],
  }
}
