import { figure } from '@ekrond/core/measure'
import type { SpecSheet } from '@ekrond/core/sheets'
import { figures, narrow } from '../../theme/global'
import { Drawing } from '../../drawing'

const W = 300
const H = 500

const Tag = ({ from, at, children }: { from: [number, number]; at: [number, number]; children: string }) => (
  <g>
    <line x1={from[0]} y1={from[1]} x2={at[0] - 4} y2={at[1] - 5} stroke="var(--ink)" strokeWidth={1.1} />
    <circle cx={from[0]} cy={from[1]} r={2.6} fill="var(--ink)" />
    <text x={at[0]} y={at[1]} fill="var(--ink)" style={{ font: `500 16px ${narrow}` }}>
      {children}
    </text>
  </g>
)

/** What hands are at now: it is drawn in blue. */
export type Lit = 'pump' | 'valve' | 'gauge' | null

const X = 112
const LINE = { fill: 'var(--paper)', stroke: 'var(--ink)', strokeWidth: 2 } as const
const blue = (on: boolean) => (on ? 'var(--blue)' : 'var(--ink)')

/**
 * The needle in its seat on the stand, with the pump, the valve and the gauge as it reads: bore and washer at one scale from this list
 * number's own sizes, the rig as a scheme; what is to be done now stands out.
 */
export function SeatRig({
  spec,
  kpa,
  full,
  shut,
  lit,
  weightG,
  washerMm,
  vacuum = '',
}: {
  spec: SpecSheet
  kpa: number | null
  full: number
  shut: boolean
  lit: Lit
  weightG: number
  washerMm: number | null
  /** what is drawn down instead of a seat; empty for the inlet */
  vacuum?: string
}) {
  return (
    <Drawing
      width={W}
      height={H}
      title={`${vacuum || 'Needle in its seat'} on the stand, gauge at ${kpa === null ? 'rest' : `${figure(kpa)} kPa`}, valve ${shut ? 'shut' : 'open'}.`}
    >
      {vacuum ? (
        <Chamber name={vacuum} drawn={shut || (kpa ?? 0) > 5} />
      ) : (
        <Seat spec={spec} weightG={weightG} washerMm={washerMm} />
      )}
      <Union />
      <Valve shut={shut} lit={lit === 'valve'} />
      <Pump lit={lit === 'pump'} />
      <Gauge kpa={kpa} full={full} lit={lit === 'gauge'} />
    </Drawing>
  )
}

/** A chamber with its diaphragm, at rest or drawn down. */
function Chamber({ name, drawn }: { name: string; drawn: boolean }) {
  return (
    <g>
      <path
        d={`M${X - 64} 150 h128 v26 h-128z M${X - 64} 210 h128 v26 h-128z`}
        fill="url(#hatch)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <path
        d={`M${X - 58} 180 q58 ${drawn ? 34 : 4} 116 0`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={3}
      />
      <path d={`M${X - 10} 236 v50 M${X + 10} 236 v50`} stroke="var(--ink)" strokeWidth={2} fill="none" />
      <Tag from={[X + 40, 190]} at={[X + 80, 140]}>
        {name}
      </Tag>
    </g>
  )
}

const HEAD_Y = 136
const FACE_Y = 190
const FOOT_Y = 272
const PER_MM = 9

/** Seat, needle and washer cut through the middle, with the weight on the needle where it takes one. */
function Seat({ spec, weightG, washerMm }: { spec: SpecSheet; weightG: number; washerMm: number | null }) {
  const bore = Math.min(30, Math.max(12, spec.float.seatBore * PER_MM))
  const washer = Math.min(14, (washerMm ?? 0) * PER_MM)
  const head = FACE_Y - washer
  const cone = 206
  const seats = cone + (13 - bore / 2) * 1.7
  return (
    <g>
      {/* the casting, broken off on both sides */}
      {[-1, 1].map((side) => (
        <path
          key={side}
          d={`M${X + side * 26} ${FACE_Y} H${X + side * 96} q${side * 6} 14 0 28 t0 26 t0 ${FOOT_Y - FACE_Y - 54} H${X + side * 26}z`}
          fill="url(#hatch)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      ))}
      {washer > 0 &&
        [-1, 1].map((side) => (
          <rect
            key={side}
            x={side < 0 ? X - 44 : X + 26}
            y={head}
            width={18}
            height={washer}
            fill="var(--ink)"
          />
        ))}
      {/* the seat: a wide head over a threaded shank, its bore through */}
      {[-1, 1].map((side) => (
        <path
          key={side}
          d={`M${X + side * 15} ${HEAD_Y} H${X + side * 38} V${head} H${X + side * 26} V${FOOT_Y - 8} H${X + (side * bore) / 2} V${seats} L${X + side * 15} ${cone}z`}
          fill="url(#hatch-back)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      ))}
      {/* the needle, its tip of rubber */}
      <path d={`M${X - 12} 98 h24 v${cone - 98} h-24z`} {...LINE} />
      <path
        d={`M${X - 12} ${cone} h24 L${X + bore / 2 - 1.5} ${seats - 1} h${-(bore - 3)}z`}
        fill="var(--ink)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <line x1={X} x2={X} y1={26} y2={FOOT_Y + 6} stroke="var(--pencil)" strokeDasharray="12 4 2 4" />
      {weightG > 0 && (
        <>
          <rect
            x={X - 54}
            y={38}
            width={108}
            height={60}
            fill="url(#hatch)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <Tag from={[X + 54, 66]} at={[X + 74, 70]}>{`weight, ${figure(weightG, 0)} g`}</Tag>
        </>
      )}
      <Tag from={[X + 12, 118]} at={[X + 74, 112]}>
        needle
      </Tag>
      <Tag from={[X + 36, 150]} at={[X + 74, 144]}>
        {spec.taught ? 'seat' : `seat, ${figure(spec.float.seatBore, 2)}`}
      </Tag>
      {washer > 0 && (
        <Tag from={[X + 42, head + washer / 2]} at={[X + 74, 176]}>{`washer, ${figure(washerMm!, 1)}`}</Tag>
      )}
    </g>
  )
}

/** The union under the unit, and the pipe down to the valve. */
function Union() {
  return (
    <g>
      <path d={`M${X - 42} 280 h84 v30 h-84z M${X - 22} 280 v30 M${X + 22} 280 v30`} {...LINE} />
      <path d={`M${X - 26} 310 h52 l-6 10 h-40z`} {...LINE} />
      <path d={`M${X - 8} 320 V384 M${X + 8} 320 V342 M${X + 8} 358 V384`} {...LINE} fill="none" />
      <path d={`M${X + 8} 342 h50 M${X + 8} 358 h46`} {...LINE} />
    </g>
  )
}

function Valve({ shut, lit }: { shut: boolean; lit: boolean }) {
  return (
    <g>
      <path d={`M${X - 16} 384 h32 v32 h-32z`} {...LINE} stroke={blue(lit)} />
      <rect
        x={shut ? X - 36 : X - 5}
        y={shut ? 395 : 366}
        width={shut ? 72 : 10}
        height={shut ? 10 : 68}
        rx={3}
        fill="var(--paper)"
        stroke={blue(lit)}
        strokeWidth={2.4}
      />
      <text
        x={X - 42}
        y={406}
        textAnchor="end"
        fill={blue(lit)}
        style={{ font: `${lit ? 600 : 500} 16px ${narrow}` }}
      >
        <tspan x={X - 42}>valve,</tspan>
        <tspan x={X - 42} dy={18}>
          {shut ? 'shut' : 'open'}
        </tspan>
      </text>
    </g>
  )
}

function Pump({ lit }: { lit: boolean }) {
  const line = { ...LINE, stroke: blue(lit) }
  return (
    <g>
      <path
        d={`M${X - 8} 416 V440 Q${X - 8} 466 ${X + 18} 466 H${X + 34} M${X + 8} 416 V440 Q${X + 8} 450 ${X + 18} 450 H${X + 34}`}
        {...LINE}
        fill="none"
      />
      <path
        d={`M${X + 34} 444 h12 v28 h-12z M${X + 46} 440 h78 v36 h-78z M${X + 124} 453 h30 v10 h-30z`}
        {...line}
      />
      <rect x={X + 154} y={438} width={10} height={40} rx={2} {...line} />
      <text
        x={X + 85}
        y={495}
        textAnchor="middle"
        fill={blue(lit)}
        style={{ font: `${lit ? 600 : 500} 16px ${narrow}` }}
      >
        hand pump
      </text>
    </g>
  )
}

/** The gauge as it reads now, at five figures of its full scale. */
function Gauge({ kpa, full, lit }: { kpa: number | null; full: number; lit: boolean }) {
  const [cx, cy, r] = [X + 112, 350, 56]
  const turn = -225 + 270 * Math.max(0, Math.min(1, (kpa ?? 0) / full))
  const at = (i: number, radius: number) => {
    const a = ((-225 + i * 54) * Math.PI) / 180
    return [cx + radius * Math.cos(a), cy + radius * Math.sin(a)] as const
  }
  return (
    <g>
      <circle cx={cx} cy={cy} r={r} fill="var(--paper)" stroke={blue(lit)} strokeWidth={2.6} />
      {Array.from({ length: 26 }, (_, i) => {
        const [x0, y0] = at(i / 5, r - 2)
        const [x1, y1] = at(i / 5, r - (i % 5 ? 6 : 10))
        return (
          <line key={i} x1={x0} y1={y0} x2={x1} y2={y1} stroke="var(--ink)" strokeWidth={i % 5 ? 1 : 1.8} />
        )
      })}
      {Array.from({ length: 6 }, (_, i) => {
        const [x, y] = at(i, r - 22)
        return (
          <text
            key={i}
            x={x}
            y={y + 5}
            textAnchor="middle"
            fill="var(--pencil)"
            style={{ font: `400 14px ${figures}`, letterSpacing: '-0.06em' }}
          >
            {figure((i * full) / 5, 0)}
          </text>
        )
      })}
      <text
        x={cx}
        y={cy + 40}
        textAnchor="middle"
        fill="var(--pencil)"
        style={{ font: `500 14px ${narrow}` }}
      >
        kPa
      </text>
      <g transform={`rotate(${turn} ${cx} ${cy})`}>
        <line x1={cx - 10} x2={cx + 40} y1={cy} y2={cy} stroke="var(--ink)" strokeWidth={3} />
      </g>
      <circle cx={cx} cy={cy} r={5} fill="var(--ink)" />
    </g>
  )
}
