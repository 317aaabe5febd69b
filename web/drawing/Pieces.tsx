import type { Line, Piece } from '@ekrond/core/unit/drawing'
import { memo, useId } from 'react'

/** Millimetres to the sheet's pixels. */
export interface View {
  perMm: number
  origin: readonly [number, number]
  /** held upside down: y grows downward */
  flip?: boolean
}
export type Mode = 'on' | 'off' | 'now' | 'seat' | 'pencil'

const WIDTHS: Record<Piece['stroke'], number> = {
  cut: 1.9,
  seen: 1.2,
  thin: 1,
  brass: 1.35,
  full: 1,
  coil: 1.6,
}

const n = (value: number) => value.toFixed(1)

/** A line's path on the sheet, its corners rounded by the third figure of each point, mm. */
export function pathOf(line: Line, shut: boolean, { perMm, origin, flip }: View): string {
  const down = flip ? 1 : -1
  const points = line.map(
    ([x, y, r = 0]) => [origin[0] + x * perMm, origin[1] + down * y * perMm, r * perMm] as const,
  )
  const count = points.length
  let d = ''
  points.forEach(([x, y, r], i) => {
    if (r <= 0 || (!shut && (i === 0 || i === count - 1))) {
      d += `${d ? 'L' : 'M'}${n(x)} ${n(y)}`
      return
    }
    const [px, py] = points[(i - 1 + count) % count]!
    const [qx, qy] = points[(i + 1) % count]!
    const a = Math.hypot(px - x, py - y)
    const b = Math.hypot(qx - x, qy - y)
    const [ux, uy, vx, vy] = [(px - x) / a, (py - y) / a, (qx - x) / b, (qy - y) / b]
    const half = Math.acos(Math.max(-1, Math.min(1, ux * vx + uy * vy))) / 2
    const cut = Math.min(r / Math.tan(half), a / 2, b / 2)
    const radius = cut * Math.tan(half)
    const sweep = ux * vy - uy * vx > 0 ? 0 : 1
    d += `${d ? 'L' : 'M'}${n(x + ux * cut)} ${n(y + uy * cut)}A${n(radius)} ${n(radius)} 0 0 ${sweep} ${n(x + vx * cut)} ${n(y + vy * cut)}`
  })
  return d + (shut ? 'Z' : '')
}

/** A centre line: thin, long and short; drawn last. */
export const Axis = ({ line, view }: { line: Line; view: View }) => (
  <path
    d={pathOf(line, false, view)}
    fill="none"
    stroke="var(--line)"
    strokeWidth={0.8}
    strokeDasharray="12 3 2.5 3"
  />
)

/** The hatchings of sections, in screen pixels, in ink and in blue. */
export const Hatchings = () => (
  <defs>
    {(
      [
        ['right', 45, 8],
        ['left', -45, 8],
        ['fine', -45, 4.4],
      ] as const
    ).flatMap(([name, degrees, step]) =>
      ['ink', 'blue'].map((colour) => (
        <pattern
          key={name + colour}
          id={`unit-${name}-${colour}`}
          width={step}
          height={step}
          patternTransform={`rotate(${degrees})`}
          patternUnits="userSpaceOnUse"
        >
          <path
            d={`M${step / 2} 0V${step}`}
            stroke={`var(--${colour})`}
            strokeWidth={0.9}
            opacity={colour === 'ink' ? 0.5 : 0.7}
          />
        </pattern>
      )),
    )}
  </defs>
)

/** Pieces of a part or a casting, painted as it stands: on in ink, now in blue, off dashed and empty; what is only borrowed in pencil, unhatched. */
export const Pieces = memo(function Pieces({
  pieces,
  mode,
  view,
  breaks = '',
}: {
  pieces: readonly Piece[]
  mode: Mode
  view: View
  /** lines at which castings are broken off, as a path on the sheet */
  breaks?: string
}) {
  return pieces.map((piece, i) =>
    piece.hollows ? (
      <Casting key={i} piece={piece} mode={mode} view={view} breaks={breaks} />
    ) : (
      <Plain key={i} piece={piece} mode={mode} view={view} />
    ),
  )
})

const colourOf = (mode: Mode) =>
  mode === 'now'
    ? 'var(--blue)'
    : mode === 'on'
      ? 'var(--ink)'
      : mode === 'seat'
        ? 'var(--blue)'
        : 'var(--pencil)'

function Plain({ piece, mode, view }: { piece: Piece; mode: Mode; view: View }) {
  const gone = mode === 'off' || mode === 'seat'
  const width = gone
    ? 1.25
    : WIDTHS[piece.stroke] * (mode === 'pencil' ? 0.75 : 1) + (mode === 'now' ? 0.6 : 0)
  const d = pathOf(piece.line, piece.closed, view)
  const fill = !piece.closed || gone ? 'none' : piece.stroke === 'full' ? colourOf(mode) : 'var(--paper)'
  return (
    <>
      <path
        d={d}
        fill={fill}
        stroke={colourOf(mode)}
        strokeWidth={width}
        strokeDasharray={gone ? '4.5 3' : undefined}
        strokeLinejoin="round"
        strokeLinecap={gone ? 'butt' : 'round'}
      />
      {piece.stroke === 'brass' && piece.closed && !gone && mode !== 'pencil' && (
        <path d={d} fill={`url(#unit-fine-${mode === 'now' ? 'blue' : 'ink'})`} />
      )}
    </>
  )
}

/** A casting: its outline less its hollows, hatched; the hollows' edges stop at the outline. */
function Casting({ piece, mode, view, breaks }: { piece: Piece; mode: Mode; view: View; breaks: string }) {
  const id = useId()
  const outline = pathOf(piece.line, true, view)
  const hollows = piece.hollows!.map((hollow) => pathOf(hollow, true, view))
  const gone = mode === 'off' || mode === 'seat'
  const width = gone
    ? 1.25
    : WIDTHS[piece.stroke] * (mode === 'pencil' ? 0.6 : 1) + (mode === 'now' ? 0.5 : 0)
  const colour = colourOf(mode)
  const dash = gone ? { strokeDasharray: '4.5 3' } : {}
  return (
    <>
      <defs>
        <clipPath id={`${id}c`}>
          <path d={outline} />
        </clipPath>
        <mask id={`${id}m`} maskUnits="userSpaceOnUse" x="-2000" y="-2000" width="6000" height="6000">
          <rect x="-2000" y="-2000" width="6000" height="6000" fill="white" />
          {hollows.map((d, i) => (
            <path key={i} d={d} fill="black" />
          ))}
        </mask>
      </defs>
      {!gone && (
        <g mask={`url(#${id}m)`}>
          <path d={outline} fill="var(--paper)" />
          {mode !== 'pencil' && (
            <path
              d={outline}
              fill={`url(#unit-${piece.hatch ?? 'right'}-${mode === 'now' ? 'blue' : 'ink'})`}
            />
          )}
        </g>
      )}
      <g clipPath={`url(#${id}c)`}>
        {hollows.map((d, i) => (
          <path
            key={i}
            d={d}
            fill="none"
            stroke={colour}
            strokeWidth={gone ? width : width * 2}
            strokeLinejoin="round"
            {...dash}
          />
        ))}
        {!gone && hollows.map((d, i) => <path key={i} d={d} fill="var(--paper)" />)}
      </g>
      <path
        d={outline}
        fill="none"
        stroke={colour}
        strokeWidth={width}
        strokeLinejoin="round"
        mask={`url(#${id}m)`}
        {...dash}
      />
      {breaks && (
        <g clipPath={`url(#${id}c)`}>
          <path d={breaks} fill="none" stroke={colour} strokeWidth={1} mask={`url(#${id}m)`} />
        </g>
      )}
    </>
  )
}
