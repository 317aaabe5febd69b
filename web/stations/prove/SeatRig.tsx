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

/**
 * The needle in its seat on the stand, with the pump, the valve and the gauge as it reads: bore and washer at one scale from this list
 * number's own sizes, the rig as a scheme.
 */
export function SeatRig({
  spec,
  kpa,
  full,
  shut,
  weightG,
  washerMm,
  vacuum = '',
}: {
  spec: SpecSheet
  kpa: number | null
  full: number
  shut: boolean
  weightG: number
  washerMm: number | null
  /** what is drawn down instead of a seat; empty for the inlet */
  vacuum?: string
}) {
  const x = 110
  const seatY = 210
  const perMm = 9
  const bore = Math.min(34, Math.max(12, spec.float.seatBore * perMm))
  const outer = 62
  const washer = Math.min(14, (washerMm ?? 0) * perMm)
  const turn = -225 + 270 * Math.max(0, Math.min(1, (kpa ?? 0) / full))
  const dial = [218, 400] as const
  const union = vacuum ? 300 : seatY + 74
  const step = full / 5
  return (
    <Drawing
      width={W}
      height={H}
      title={`${vacuum || 'Needle in its seat'} on the stand, gauge at ${kpa === null ? 'rest' : `${figure(kpa)} kPa`}, valve ${shut ? 'shut' : 'open'}.`}
    >
      {vacuum ? (
        <g>
          <path
            d={`M${x - 64} 150 h128 v26 h-128z M${x - 64} 210 h128 v26 h-128z`}
            fill="url(#hatch)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <path
            d={`M${x - 58} 180 q58 ${shut || (kpa ?? 0) > 5 ? 34 : 4} 116 0`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={3}
          />
          <path d={`M${x - 10} 236 v64 M${x + 10} 236 v64`} stroke="var(--ink)" strokeWidth={2} fill="none" />
          <Tag from={[x + 40, 190]} at={[x + 80, 150]}>
            {vacuum}
          </Tag>
        </g>
      ) : (
        <g>
          {weightG > 0 && (
            <>
              <rect
                x={x - 44}
                y={40}
                width={88}
                height={62}
                fill="url(#hatch)"
                stroke="var(--ink)"
                strokeWidth={2}
              />
              <Tag from={[x + 44, 70]} at={[x + 62, 74]}>{`weight, ${figure(weightG, 0)} g`}</Tag>
            </>
          )}
          {/* needle */}
          <path
            d={`M${x - 9} 102 h18 v${seatY - 122} l-9 30 l-9 -30z`}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <Tag from={[x + 9, 140]} at={[x + 62, 124]}>
            needle
          </Tag>
          {/* seat, cut */}
          {[-1, 1].map((side) => (
            <path
              key={side}
              d={`M${x + side * (bore / 2 + 5)} ${seatY - 38} L${x + (side * bore) / 2} ${seatY} V${seatY + 70} H${x + side * (outer / 2)} V${seatY - 38}Z`}
              fill="url(#hatch-back)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
          ))}
          <Tag from={[x + outer / 2, seatY - 14]} at={[x + 62, seatY - 34]}>
            {spec.taught ? 'seat' : `seat, ${figure(spec.float.seatBore, 2)}`}
          </Tag>
          {[-1, 1].map((side) => (
            <path
              key={side}
              d={`M${x + side * (outer / 2)} ${seatY + washer + 4} h${side * 44} v58 h${-side * 44}z`}
              fill="url(#hatch)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
          ))}
          {washer > 0 && (
            <>
              {[-1, 1].map((side) => (
                <rect
                  key={side}
                  x={side < 0 ? x - outer / 2 - 22 : x + outer / 2}
                  y={seatY + 4}
                  width={22}
                  height={washer}
                  fill="var(--ink)"
                />
              ))}
              <Tag
                from={[x + outer / 2 + 20, seatY + 8]}
                at={[x + 62, seatY - 2]}
              >{`washer, ${figure(washerMm!, 1)}`}</Tag>
            </>
          )}
        </g>
      )}
      {/* union, valve, pump */}
      <path
        d={`M${x - 30} ${union} h60 v20 l-8 12 h-44 l-8 -12z`}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <path
        d={`M${x - 9} ${union + 32} V452 M${x + 9} ${union + 32} V350 M${x + 9} 362 V452`}
        stroke="var(--ink)"
        strokeWidth={2}
        fill="none"
      />
      <path
        d={`M${x + 9} 350 H${dial[0] - 42} M${x + 9} 362 H${dial[0] - 45}`}
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <circle cx={x} cy={384} r={15} fill="var(--paper)" stroke="var(--blue)" strokeWidth={2.4} />
      <line
        x1={shut ? x - 26 : x}
        x2={shut ? x + 26 : x}
        y1={shut ? 384 : 358}
        y2={shut ? 384 : 410}
        stroke="var(--blue)"
        strokeWidth={5}
      />
      <text x={x - 32} y={389} textAnchor="end" fill="var(--blue)" style={{ font: `600 16px ${narrow}` }}>
        {shut ? 'valve, shut' : 'valve, open'}
      </text>
      <rect
        x={x - 9}
        y={452}
        width={96}
        height={26}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <path d={`M${x + 87} 465 h42 m0 -16 v32`} stroke="var(--ink)" strokeWidth={3} fill="none" />
      <text x={x + 10} y={498} fill="var(--ink)" style={{ font: `500 16px ${narrow}` }}>
        hand pump
      </text>
      {/* the gauge */}
      <circle
        cx={dial[0]}
        cy={dial[1] - 44}
        r={52}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2.4}
      />
      {Array.from({ length: 6 }, (_, i) => {
        const a = ((-225 + i * 54) * Math.PI) / 180
        const at = (r: number) => [dial[0] + r * Math.cos(a), dial[1] - 44 + r * Math.sin(a)] as const
        const [x0, y0] = at(50)
        const [x1, y1] = at(42)
        const [tx, ty] = at(32)
        return (
          <g key={i}>
            <line x1={x0} y1={y0} x2={x1} y2={y1} stroke="var(--ink)" strokeWidth={1.6} />
            <text
              x={tx}
              y={ty + 5}
              textAnchor="middle"
              fill="var(--pencil)"
              style={{ font: `400 14px ${figures}`, letterSpacing: '-0.06em' }}
            >
              {figure(i * step, 0)}
            </text>
          </g>
        )
      })}
      <g transform={`rotate(${turn} ${dial[0]} ${dial[1] - 44})`}>
        <line
          x1={dial[0] - 10}
          x2={dial[0] + 40}
          y1={dial[1] - 44}
          y2={dial[1] - 44}
          stroke="var(--ink)"
          strokeWidth={3}
        />
      </g>
      <circle cx={dial[0]} cy={dial[1] - 44} r={5} fill="var(--ink)" />
    </Drawing>
  )
}
