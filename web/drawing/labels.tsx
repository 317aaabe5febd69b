import { LARGE_PX, WORD_PX, type PlacedLabel } from '@ekrond/core/unit/drawing'
import { figures, narrow } from '../theme/global'

/** A balloon with its leader and words; filled where what it names is done. */
export function Named({ label, filled = false }: { label: PlacedLabel; filled?: boolean }) {
  const { side, balloon, leader, large, lines, number } = label
  const colour = large ? 'blue' : 'ink'
  const [end] = leader.slice(-1)
  return (
    <g>
      <path
        d={leader.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')}
        fill="none"
        stroke={`var(--${colour})`}
        strokeWidth={large ? 1.6 : 1}
      />
      <circle cx={end![0]} cy={end![1]} r={2.7} fill={`var(--${colour})`} />
      <circle
        cx={balloon[0]}
        cy={balloon[1]}
        r={13}
        fill={filled ? `var(--${colour})` : 'var(--paper)'}
        stroke={`var(--${colour})`}
        strokeWidth={large ? 2 : 1.4}
      />
      <text
        x={balloon[0]}
        y={balloon[1] + 5}
        textAnchor="middle"
        fill={filled ? 'var(--onInk)' : `var(--${colour})`}
        style={{ font: `500 14px ${figures}`, letterSpacing: '-0.04em' }}
      >
        {number}
      </text>
      <Words
        x={balloon[0] + (side === 'left' ? -20 : 20)}
        y={balloon[1] + 5}
        lines={lines}
        size={large ? LARGE_PX : WORD_PX}
        colour={colour}
        anchor={side === 'left' ? 'end' : 'start'}
        bold={large}
      />
    </g>
  )
}

export function Words({
  x,
  y,
  lines,
  size,
  colour = 'ink',
  anchor = 'start',
  bold = false,
}: {
  x: number
  y: number
  lines: readonly string[]
  size: number
  colour?: string
  anchor?: 'start' | 'end'
  bold?: boolean
}) {
  return (
    <text
      textAnchor={anchor}
      fill={`var(--${colour})`}
      stroke="var(--paper)"
      strokeWidth={4}
      paintOrder="stroke"
      style={{ font: `${bold ? 600 : 500} ${size}px ${narrow}` }}
    >
      {lines.map((line, i) => (
        <tspan key={i} x={x} y={y + i * 19}>
          {line}
        </tspan>
      ))}
    </text>
  )
}

/** Ten millimetres: on a screen nothing is one to one. */
export function Bar({ perMm, x, y }: { perMm: number; x: number; y: number }) {
  const end = x + 10 * perMm
  return (
    <g>
      <path
        d={`M${x} ${y - 6}v12M${x} ${y}H${end}m0 -6v12`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.6}
      />
      <text x={end + 8} y={y + 5} fill="var(--ink)" style={{ font: `500 14px ${figures}` }}>
        10 mm
      </text>
    </g>
  )
}
