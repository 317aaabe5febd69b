import { lightAt, oppositeHour } from '@ekrond/core/judge/findings'
import type { PartMeasuredBy } from '@ekrond/core/log'
import { figure } from '@ekrond/core/measure'
import { figures } from '../theme/global'

const RAYS = 36
const BORE = 62
/** Width of the light beside the bore: so many px a millimeter, so that 0.02 is seen. */
const PX_PER_MM = 220
const MOST_PX = 34
const CENTRE: readonly [number, number] = [150, 104]

const at = (hour: number, r: number): [number, number] => [
  CENTRE[0] + r * Math.sin((hour * Math.PI) / 6),
  CENTRE[1] - r * Math.cos((hour * Math.PI) / 6),
]

/** A plate held shut in its bore with the light round its edge as it was measured, and the way it has to be pushed. */
export function PlateLight({ measured, allowMm }: { measured: PartMeasuredBy<'light'>; allowMm: number }) {
  const { offMm, hour, meanMm } = measured
  const out = offMm > allowMm
  // The plate is drawn off its centre by what is seen as light.
  const shift = Math.min(8, offMm * 60)
  const [dx, dy] = [at(hour, shift)[0] - CENTRE[0], at(hour, shift)[1] - CENTRE[1]]
  const [px, py] = [CENTRE[0] - dx, CENTRE[1] - dy]
  const opposite = oppositeHour(hour)
  const [from, to] = [at(opposite, BORE + 46), at(opposite, BORE + 14)]
  return (
    <svg
      viewBox="0 0 300 208"
      role="img"
      aria-label={`Light round the plate: ${figure(lightAt(measured, hour), 2)} mm at ${hour} o’clock, ${figure(lightAt(measured, opposite), 2)} opposite${out ? `: push it toward ${hour} o’clock` : ''}.`}
      style={{ width: '100%', height: '100%', display: 'block' }}
    >
      {Array.from({ length: RAYS }, (_, i) => {
        const h = (12 * i) / RAYS
        const wide = lightAt(measured, h)
        const [x1, y1] = at(h, BORE + 3)
        const [x2, y2] = at(h, BORE + 4 + Math.min(MOST_PX, wide * PX_PER_MM))
        return (
          <line
            key={i}
            x1={x1}
            y1={y1}
            x2={x2}
            y2={y2}
            stroke={out && wide > meanMm + allowMm ? 'var(--red)' : 'var(--pencil)'}
            strokeWidth={out && wide > meanMm + allowMm ? 2.4 : 1.2}
          />
        )
      })}
      <circle cx={CENTRE[0]} cy={CENTRE[1]} r={BORE} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      <circle cx={px} cy={py} r={BORE - 5} fill="var(--ink)" />
      <rect
        x={px - BORE - 14}
        y={py - 12}
        width={2 * BORE + 28}
        height={24}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={1.8}
      />
      {[-24, 24].map((x) => (
        <g key={x}>
          <circle cx={px + x} cy={py} r={8} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.6} />
          <line
            x1={px + x - 5}
            y1={py + 3}
            x2={px + x + 5}
            y2={py - 3}
            stroke="var(--ink)"
            strokeWidth={1.6}
          />
        </g>
      ))}
      {[hour, opposite].map((h) => {
        const [x, y] = at(h, BORE + 50)
        return (
          <text
            key={h}
            x={x}
            y={y + 4}
            textAnchor={x < CENTRE[0] - 8 ? 'end' : x > CENTRE[0] + 8 ? 'start' : 'middle'}
            style={{
              font: `400 10px ${figures}`,
              fill: out && h === hour ? 'var(--red)' : 'var(--ink)',
              letterSpacing: '-0.04em',
            }}
          >
            {figure(lightAt(measured, h), 2)} at {h}
          </text>
        )
      })}
      {out && (
        <>
          <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} stroke="var(--red)" strokeWidth={3} />
          <circle cx={to[0]} cy={to[1]} r={4} fill="var(--red)" />
        </>
      )}
    </svg>
  )
}
