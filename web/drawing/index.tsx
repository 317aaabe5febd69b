import type { ReactNode } from 'react'
import { figures, narrow } from '../theme/global'
import { path, type Point, type Scale } from './geometry'
import { useTurn, useWordSize } from './sheet'

export * from './geometry'
export { Drawing } from './sheet'

export function Text({
  at,
  children,
  size = 16,
  colour = 'ink',
  anchor = 'start',
  face = 'narrow',
  weight = 500,
}: {
  at: Point
  children: ReactNode
  size?: number
  colour?: string
  anchor?: 'start' | 'middle' | 'end'
  face?: 'narrow' | 'figures'
  weight?: number
}) {
  const onScreen = useWordSize(size)
  const turn = useTurn()
  return (
    <text
      x={at[0]}
      y={at[1]}
      transform={turn === 0 ? undefined : `rotate(${turn} ${at[0]} ${at[1]})`}
      textAnchor={anchor}
      fill={`var(--${colour})`}
      stroke={colour === 'onInk' ? undefined : 'var(--paper)'}
      strokeWidth={3.5}
      paintOrder="stroke"
      style={{
        font: `${weight} ${onScreen}px ${face === 'narrow' ? narrow : figures}`,
        letterSpacing: face === 'figures' ? '-0.03em' : 0,
      }}
    >
      {children}
    </text>
  )
}

/** A dimension: extension lines, arrows, its figure; where it must change, the figure is struck through and the new one stands in red. */
export function Dimension({
  from,
  to,
  text,
  wants,
  colour = 'ink',
  at,
  textAt,
}: {
  from: Point
  to: Point
  text: string
  wants?: string
  colour?: 'ink' | 'pencil' | 'blue'
  at?: { from?: Point; to?: Point }
  textAt?: Point
}) {
  const middle: Point = textAt ?? [(from[0] + to[0]) / 2 + 10, (from[1] + to[1]) / 2 + 6]
  const stroke = colour === 'blue' ? 'blue' : 'ink'
  const width = text.length * 13
  const short = Math.hypot(to[0] - from[0], to[1] - from[1]) < 30
  return (
    <g>
      {at?.from && (
        <line
          x1={at.from[0]}
          y1={at.from[1]}
          x2={from[0]}
          y2={from[1]}
          stroke="var(--line)"
          strokeWidth={1}
        />
      )}
      {at?.to && (
        <line x1={at.to[0]} y1={at.to[1]} x2={to[0]} y2={to[1]} stroke="var(--line)" strokeWidth={1} />
      )}
      <line
        x1={from[0]}
        y1={from[1]}
        x2={to[0]}
        y2={to[1]}
        stroke={`var(--${stroke})`}
        strokeWidth={1.4}
        markerStart={short ? undefined : `url(#arrow-${stroke})`}
        markerEnd={`url(#arrow-${stroke})`}
      />
      <Text at={middle} size={22} face="figures" colour={colour}>
        {text}
      </Text>
      {wants && (
        <>
          <line
            x1={middle[0] - 4}
            y1={middle[1] - 5}
            x2={middle[0] + width + 4}
            y2={middle[1] - 9}
            stroke="var(--red)"
            strokeWidth={2.2}
          />
          <Text at={[middle[0], middle[1] + 27]} size={26} face="figures" colour="red">
            {wants}
          </Text>
        </>
      )}
    </g>
  )
}

/** A line from a word to its place, with a dot at the place. */
export function Leader({ to, from, colour = 'ink' }: { to: Point; from: Point; colour?: string }) {
  return (
    <g>
      <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} stroke={`var(--${colour})`} strokeWidth={1} />
      <circle cx={to[0]} cy={to[1]} r={2.6} fill={`var(--${colour})`} />
    </g>
  )
}

/** A numbered balloon with its word. */
export function Balloon({
  at,
  number,
  text,
  side = 'right',
  colour = 'ink',
  filled = false,
}: {
  at: Point
  number: string | number
  text?: string
  side?: 'right' | 'left'
  colour?: string
  filled?: boolean
}) {
  return (
    <g>
      <circle
        cx={at[0]}
        cy={at[1]}
        r={14}
        fill={filled ? `var(--${colour})` : 'var(--paper)'}
        stroke={`var(--${colour})`}
        strokeWidth={1.5}
      />
      <Text
        at={[at[0], at[1] + 5]}
        size={14}
        anchor="middle"
        face="figures"
        colour={filled ? 'onInk' : colour}
      >
        {number}
      </Text>
      {text && (
        <Text
          at={[at[0] + (side === 'right' ? 20 : -20), at[1] + 5]}
          anchor={side === 'right' ? 'start' : 'end'}
          colour={colour}
        >
          {text}
        </Text>
      )}
    </g>
  )
}

/** A datum: boxed letter on a filled triangle that stands on its face. */
export function Datum({
  at,
  letter,
  text,
  below = false,
  over = false,
}: {
  at: Point
  letter: string
  text: string
  below?: boolean
  /** its words over its box, not beside it */
  over?: boolean
}) {
  const [x, y] = at
  const s = below ? 1 : -1
  // Beside its box where the sheet has room: over it, leaders pass.
  const beside = x > 130 && !over
  return (
    <g>
      <path d={`M${x} ${y} L${x - 12} ${y + s * 20} L${x + 12} ${y + s * 20} Z`} fill="var(--ink)" />
      <line x1={x} y1={y + s * 20} x2={x} y2={y + s * 38} stroke="var(--ink)" strokeWidth={1.2} />
      <rect
        x={x - 13}
        y={y + s * 38 - (below ? 0 : 26)}
        width={26}
        height={26}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={1.6}
      />
      <Text at={[x, y + s * 38 + (below ? 19 : -7)]} anchor="middle" size={17}>
        {letter}
      </Text>
      <Text
        at={beside ? [x - 21, y + s * 38 + (below ? 18 : -8)] : [x - 13, y + s * 38 + (below ? 44 : -34)]}
        anchor={beside ? 'end' : 'start'}
        size={15}
      >
        {text}
      </Text>
    </g>
  )
}

export function CentreLine({ from, to }: { from: Point; to: Point }) {
  return (
    <line
      x1={from[0]}
      y1={from[1]}
      x2={to[0]}
      y2={to[1]}
      stroke="var(--line)"
      strokeWidth={1}
      strokeDasharray="14 4 3 4"
    />
  )
}

/** Where a thing must go, dashed in red. */
export function RedLine({
  points,
  closed = false,
  arrow = false,
}: {
  points: readonly Point[]
  closed?: boolean
  arrow?: boolean
}) {
  return (
    <path
      d={path(points, closed)}
      fill="none"
      stroke="var(--red)"
      strokeWidth={2}
      strokeDasharray={arrow ? undefined : '7 4'}
      markerEnd={arrow ? 'url(#arrow-red)' : undefined}
    />
  )
}

/** A scale bar: on a screen nothing is one to one. */
export function ScaleBar({ at, scale, mm = 10 }: { at: Point; scale: Scale; mm?: number }) {
  const end = at[0] + mm * scale.perMm
  return (
    <g stroke="var(--ink)" strokeWidth={1.6}>
      <path
        d={`M${at[0]} ${at[1] - 6}V${at[1] + 6}M${at[0]} ${at[1]}H${end}M${end} ${at[1] - 6}V${at[1] + 6}`}
        fill="none"
      />
      <g stroke="none">
        <Text at={[end + 8, at[1] + 5]} size={14} face="figures">
          {mm} mm
        </Text>
      </g>
    </g>
  )
}
