import { symptomWords } from '@ekrond/core/log'
import styled from 'styled-components'
import { Stop } from './Stops'
import { Tick } from '../../ui'

/** Where the stops lie on the plate's arc, degrees of throttle. */
const STOPS = [
  ['idle', 4],
  ['just off idle', 18],
  ['middle', 47],
  ['wide open', 84],
] as const
const SHUT_DEG = 8
const R = 122
const CENTRE = [86, 150] as const

const Field = styled.div`
  position: relative;
  width: 300px;
  height: 178px;
  & > svg {
    position: absolute;
    inset: 0;
  }
  & > button {
    position: absolute;
    grid-template-rows: none;
    grid-template-columns: 26px auto;
    align-items: center;
    min-height: 44px;
    padding: 0 6px 0 0;
    gap: 6px;
  }
`

const onArc = (deg: number, r = R): [number, number] => {
  const a = ((deg + SHUT_DEG) * Math.PI) / 180
  return [CENTRE[0] + r * Math.cos(a), CENTRE[1] - r * Math.sin(a)]
}

/** The throttle's plate in its bore: where on its way the trouble comes, by a tap on its arc. */
export function ThrottleArc({ value, set }: { value: string; set: (value: string) => void }) {
  const at = STOPS.find(([band]) => band === value)?.[1] ?? STOPS[0][1]
  const [tipX, tipY] = onArc(at, 62)
  const [heelX, heelY] = [2 * CENTRE[0] - tipX, 2 * CENTRE[1] - tipY]
  const arc = [onArc(-2), onArc(90)]
  return (
    <Field role="group" aria-label="Throttle band">
      <svg viewBox="0 0 300 178" aria-hidden>
        {[CENTRE[0] - 82, CENTRE[0] + 64].map((x) => (
          <g key={x}>
            <rect
              x={x}
              y={66}
              width={18}
              height={112}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={1.6}
            />
            {Array.from({ length: 15 }, (_, i) => (
              <path key={i} d={`M${x} ${78 + i * 8} l18 -14`} stroke="var(--pencil)" strokeWidth={1} />
            ))}
          </g>
        ))}
        <path
          d={`M${arc[0]![0]} ${arc[0]![1]} A${R} ${R} 0 0 0 ${arc[1]![0]} ${arc[1]![1]}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.4}
        />
        <path
          d={`M${CENTRE[0]} ${CENTRE[1]} L${onArc(at)[0]} ${onArc(at)[1]}`}
          stroke="var(--ink)"
          strokeWidth={1.2}
          strokeDasharray="8 3 2 3"
        />
        <path
          d={`M${heelX} ${heelY} L${tipX} ${tipY}`}
          stroke="var(--ink)"
          strokeWidth={5.5}
          strokeLinecap="round"
        />
        <circle
          cx={CENTRE[0]}
          cy={CENTRE[1]}
          r={7}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={1.8}
        />
      </svg>
      {STOPS.map(([band, deg]) => {
        const [x, y] = onArc(deg)
        return (
          <Stop
            key={band}
            type="button"
            $on={value === band}
            aria-pressed={value === band}
            style={{ left: x - 13, top: y - 22 }}
            onClick={() => set(value === band ? '' : band)}
          >
            <i aria-hidden>{value === band && <Tick size={14} />}</i>
            {/* The last one stands over the arc, not across it. */}
            <span style={deg > 80 ? { transform: 'translateY(-16px)' } : {}}>{symptomWords(band)}</span>
          </Stop>
        )
      })}
    </Field>
  )
}
