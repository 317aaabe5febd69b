import { showTurns } from '@ekrond/core/measure'
import { Text, type Point } from './index'

const DEG = Math.PI / 180

/** One adjusting screw, seen from its head, with the turns it is out. */
export function ScrewDial({
  at,
  radius,
  eighths,
  state,
  label,
}: {
  at: Point
  radius: number
  eighths: number | null
  state: 'now' | 'noted' | 'none'
  label: string
}) {
  const colour = state === 'now' ? 'blue' : 'ink'
  const part = ((eighths ?? 0) % 8) * 45
  const end: Point = [
    at[0] + radius * 0.68 * Math.sin(part * DEG),
    at[1] - radius * 0.68 * Math.cos(part * DEG),
  ]
  return (
    <g>
      <circle
        cx={at[0]}
        cy={at[1]}
        r={radius}
        fill="var(--paper)"
        stroke={`var(--${colour})`}
        strokeWidth={2.4}
      />
      {[0, 1, 2, 3, 4, 5, 6, 7].map((n) => {
        const a = n * 45 * DEG
        const inner = n % 2 ? 0.88 : 0.8
        return (
          <line
            key={n}
            x1={at[0] + radius * Math.sin(a)}
            y1={at[1] - radius * Math.cos(a)}
            x2={at[0] + radius * inner * Math.sin(a)}
            y2={at[1] - radius * inner * Math.cos(a)}
            stroke={`var(--${colour})`}
            strokeWidth={n % 2 ? 1.4 : 2.4}
          />
        )
      })}
      {eighths !== null && part > 0 && (
        <path
          d={`M${at[0]} ${at[1]} V${at[1] - radius * 0.68} A${radius * 0.68} ${radius * 0.68} 0 ${part > 180 ? 1 : 0} 1 ${end[0]} ${end[1]} Z`}
          fill={`var(--${colour})`}
          opacity={0.3}
        />
      )}
      {eighths !== null && eighths >= 8 && part === 0 && (
        <circle cx={at[0]} cy={at[1]} r={radius * 0.68} fill={`var(--${colour})`} opacity={0.3} />
      )}
      <rect
        x={at[0] - radius * 0.66}
        y={at[1] - 6}
        width={radius * 1.32}
        height={12}
        fill="var(--paper)"
        stroke={`var(--${colour})`}
        strokeWidth={2}
        transform={`rotate(${part - 90} ${at[0]} ${at[1]})`}
      />
      <text
        x={at[0]}
        y={at[1] + radius + 34}
        textAnchor="middle"
        fill={state === 'now' ? 'var(--blue)' : 'var(--pencil)'}
        style={{ font: "500 26px 'Barlow Semi Condensed'", fontFeatureSettings: "'frac'" }}
      >
        {eighths === null ? '·' : showTurns(eighths)}
      </text>
      <Text at={[at[0], at[1] - radius - 14]} anchor="middle" colour={colour}>
        {label}
      </Text>
    </g>
  )
}
