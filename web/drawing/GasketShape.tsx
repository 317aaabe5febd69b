import type { Point } from './index'

/** As it goes in, or dashed: left over. */
const LOOK = {
  on: { stroke: 'var(--ink)', strokeWidth: 1.8, strokeDasharray: undefined },
  over: { stroke: 'var(--pencil)', strokeWidth: 1.5, strokeDasharray: '5 4' },
} as const

const TELLING = { stroke: 'var(--red)', strokeWidth: 3 }

/** A gasket's drawing words as lengths in px at a width: where its bores lie along it, its small holes, px a mm. */
function readGasket(drawing: string, width: number) {
  const read = /^gasket (two-bore|bowl) (\d+) small (\d)$/.exec(drawing)
  if (!read) return undefined
  const two = read[1] === 'two-bore'
  const k = width / (two ? 118 : 74)
  return {
    bores: two ? [0.3, 0.66] : [0.5],
    small: Number(read[3]),
    height: width * (two ? 0.58 : 0.86),
    k,
    radius: (Number(read[2]) / 2 - (two ? 0 : 2)) * k,
  }
}

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
  mode?: keyof typeof LOOK
  /** what tells it from its look-alikes, in red */
  mark?: 'small' | 'bores' | null
}) {
  const read = readGasket(drawing, width)
  if (!read) return null
  const line = { ...LOOK[mode], fill: 'var(--paper)' }
  const { bores, small, height, k, radius } = read
  return (
    <g transform={`translate(${at[0]} ${at[1]})`}>
      <rect width={width} height={height} rx={10 * k} {...line} />
      {bores.map((f) => (
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
  const read = readGasket(drawing, width)
  if (!read) return undefined
  const { bores, small, height, k, radius } = read
  return {
    small: [width - 5 * k, height / 2 + ((small - 1) * 8 + 2) * k],
    bore: [width * bores.at(-1)! + radius * 0.7, height / 2 + radius * 0.7],
  }
}
