import { figure } from '@ekrond/core/measure'
import type { Sample } from '@ekrond/core/measure/trace'
import { useEffect, useRef } from 'react'
import { figures, narrow } from '../../theme/global'
import { useSize } from '../../drawing/sheet'

const LEFT = 46
const RIGHT = 66
const TOP = 44
const FOOT = 30
const MOST_POINTS = 600

export interface ChartProps {
  /** read anew at every frame while it runs */
  samples: () => readonly Sample[]
  /** the sample at which the valve was shut; null before */
  shutAt: number | null
  runs: boolean
  /** fitted, from the moment it was shut: [s, kPa] */
  curve: readonly (readonly [number, number])[] | null
  /** the fall that would be the limit, from there: [s, kPa] */
  limit: readonly (readonly [number, number])[] | null
  curveWords: string
  limitWords: string
  /** kPa at least to the top of the chart */
  top: number
  seconds: number
  popOff: number | null
  reseat: number | null
  unit?: string
  volumeWords: string
}

/** Pressure over time as the gauge writes it: pencil dots read, ink fitted, the tint what is allowed. Drawn at each frame that has something new while it runs. */
export function PressureChart(props: ChartProps) {
  const [box, size] = useSize<SVGSVGElement>()
  const dots = useRef<SVGPathElement>(null)
  const { samples, shutAt, runs, curve, limit, top } = props
  const width = Math.max(200, size.width)
  const height = Math.max(160, size.height)
  const all = samples()
  const zero = all[0]?.[0] ?? 0
  const long = Math.max(props.seconds, (all.at(-1)?.[0] ?? zero) - zero, 10)
  const most = 10 * Math.ceil(Math.max(top, ...all.slice(-1).map(([, p]) => p), props.popOff ?? 0) / 10)
  const x = (s: number) => LEFT + ((s - zero) / long) * (width - LEFT - RIGHT)
  const y = (p: number) => height - FOOT - (Math.max(0, p) / most) * (height - FOOT - TOP)

  useEffect(() => {
    let frame = 0
    let drawn = -1
    const draw = () => {
      if (runs) frame = requestAnimationFrame(draw)
      const now = samples()
      // A frame that has nothing new costs nothing: painting is what a busy machine cannot spare.
      if (now.length === drawn) return
      drawn = now.length
      const every = Math.ceil(now.length / MOST_POINTS) || 1
      let d = ''
      for (let i = 0; i < now.length; i += every) {
        const [s, p] = now[i]!
        d += `M${x(s).toFixed(1)} ${y(p).toFixed(1)}h0`
      }
      dots.current?.setAttribute('d', d)
    }
    draw()
    return () => cancelAnimationFrame(frame)
  })

  const line = (points: readonly (readonly [number, number])[]) =>
    points.map(([s, p], i) => `${i ? 'L' : 'M'}${x(s).toFixed(1)} ${y(p).toFixed(1)}`).join('')
  const from = shutAt === null ? null : all[shutAt]
  const shifted = (points: readonly (readonly [number, number])[] | null) =>
    points && from ? points.map(([s, p]) => [s + from[0], p] as const) : null
  const fitted = shifted(curve)
  const allowed = shifted(limit)
  const step = long > 400 ? 120 : long > 200 ? 60 : long > 90 ? 20 : 10
  const ticks = Array.from({ length: Math.floor(long / step) + 1 }, (_, i) => i * step)
  const rows = Array.from({ length: most / 10 + 1 }, (_, i) => i * 10)
  const last = all.at(-1)
  return (
    <svg
      ref={box}
      role="img"
      aria-label={`Pressure over ${figure(long, 0)} s${last ? `, now ${figure(last[1])} kPa` : ', nothing read yet'}.${props.curveWords ? ` ${props.curveWords}.` : ''}`}
      style={{ width: '100%', height: '100%', display: 'block' }}
    >
      {size.width > 0 && (
        <>
          {rows.map((p) => (
            <g key={p}>
              <line x1={LEFT} x2={width - RIGHT} y1={y(p)} y2={y(p)} stroke="var(--rule)" />
              <text
                x={LEFT - 8}
                y={y(p) + 5}
                textAnchor="end"
                fill="var(--pencil)"
                style={{ font: `400 15px ${figures}` }}
              >
                {p}
              </text>
            </g>
          ))}
          {ticks.map((s) => (
            <g key={s}>
              <line x1={x(zero + s)} x2={x(zero + s)} y1={TOP} y2={height - FOOT} stroke="var(--rule)" />
              <text
                x={x(zero + s)}
                y={height - 9}
                textAnchor="middle"
                fill="var(--pencil)"
                style={{ font: `400 15px ${figures}` }}
              >
                {s}
                {s === ticks.at(-1) ? ' s' : ''}
              </text>
            </g>
          ))}
          <text
            x={LEFT - 8}
            y={TOP - 12}
            textAnchor="end"
            fill="var(--pencil)"
            style={{ font: `500 15px ${narrow}` }}
          >
            {props.unit ?? 'kPa'}
          </text>
          <rect
            x={LEFT}
            y={TOP}
            width={width - LEFT - RIGHT}
            height={height - FOOT - TOP}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1.5}
          />
          {allowed && fitted && (
            <>
              <path
                d={`${line(allowed)}L${x(allowed.at(-1)![0])} ${y(allowed[0]![1])}Z`}
                fill="var(--tint)"
                stroke="none"
              />
              <path
                d={line(allowed)}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={1.4}
                strokeDasharray="7 5"
              />
              <Words
                x={x(allowed.at(-1)![0])}
                y={Math.min(height - FOOT - 8, y(allowed.at(-1)![1]) + 20)}
                anchor="end"
              >
                {props.limitWords}
              </Words>
            </>
          )}
          <path ref={dots} fill="none" stroke="var(--pencil)" strokeWidth={3} strokeLinecap="round" />
          {fitted && <path d={line(fitted)} fill="none" stroke="var(--ink)" strokeWidth={2.2} />}
          {fitted && props.curveWords && (
            <Words x={x(fitted[0]![0]) + 8} y={Math.max(TOP + 18, y(fitted[0]![1]) - 14)} weight={600}>
              {props.curveWords}
            </Words>
          )}
          {from && (
            <>
              <line
                x1={x(from[0])}
                x2={x(from[0])}
                y1={TOP - 22}
                y2={height - FOOT}
                stroke="var(--ink)"
                strokeDasharray="3 4"
              />
              <Words x={x(from[0]) + 6} y={TOP - 14}>
                {`valve shut, ${figure((last?.[0] ?? from[0]) - from[0], 0)} s`}
              </Words>
            </>
          )}
          {props.popOff !== null && (
            <Words x={LEFT + 8} y={y(props.popOff) - 8} weight={600}>
              {`pops off ${figure(props.popOff, 0)}`}
            </Words>
          )}
          {props.reseat !== null && props.popOff !== null && (
            <Words x={LEFT + 8} y={y(props.reseat) + 20}>
              {`reseats ${figure(props.reseat, 0)}`}
            </Words>
          )}
          <Words x={width - RIGHT - 6} y={height - FOOT - 8} anchor="end" colour="pencil">
            {props.volumeWords}
          </Words>
          {last && (
            <text
              x={width - RIGHT + 8}
              y={y(last[1]) + 6}
              fill="var(--ink)"
              style={{ font: `400 18px ${figures}`, letterSpacing: '-0.04em' }}
            >
              {figure(last[1])}
            </text>
          )}
        </>
      )}
    </svg>
  )
}

function Words({
  x,
  y,
  children,
  anchor = 'start',
  weight = 500,
  colour = 'ink',
}: {
  x: number
  y: number
  children: string
  anchor?: 'start' | 'end'
  weight?: number
  colour?: string
}) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fill={`var(--${colour})`}
      stroke="var(--paper)"
      strokeWidth={4}
      paintOrder="stroke"
      style={{ font: `${weight} 16px ${narrow}` }}
    >
      {children}
    </text>
  )
}
