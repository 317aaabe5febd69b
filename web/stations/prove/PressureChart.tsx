import { figure } from '@ekrond/core/measure'
import type { Sample } from '@ekrond/core/measure/trace'
import type { EChartsType } from 'echarts/core'
import { useCallback, useEffect, useRef } from 'react'
import { Chart } from '../../charts/Chart'
import { axis, FIGURES, frame, stroke, upright, words, type XY } from '../../charts/hand'

const MOST_POINTS = 600

export interface ChartProps {
  /** read anew at every frame while it runs */
  samples: () => readonly Sample[]
  /** the sample at which the valve was shut; null before */
  shutAt: number | null
  runs: boolean
  /** fitted, from the moment it was shut: [s, kPa] */
  curve: readonly XY[] | null
  /** the fall that would be the limit, from there: [s, kPa] */
  limit: readonly XY[] | null
  /** before anything was read: what it is pumped to, and how far it may fall from there, [s, kPa] */
  plan?: { points: readonly XY[]; words: string } | undefined
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

/** What the gauge wrote, as one path of dots: a trace of ten minutes has twelve thousand. */
function dots(samples: () => readonly Sample[], origin: number) {
  return (_: unknown, api: { coord: (at: number[]) => number[] }) => {
    const now = samples()
    const every = Math.ceil(now.length / MOST_POINTS) || 1
    let pathData = ''
    for (let i = 0; i < now.length; i += every) {
      const [x, y] = api.coord([now[i]![0] - origin, Math.max(0, now[i]![1])])
      pathData += `M${x!.toFixed(1)} ${y!.toFixed(1)}h0.01`
    }
    return {
      type: 'path',
      shape: { pathData },
      style: { fill: 'none', stroke: 'var(--pencil)', lineWidth: 3, lineCap: 'round' },
    }
  }
}

/** Seconds between two figures of an axis that shows so many. */
const stepOf = (seconds: number): number =>
  seconds > 400 ? 120 : seconds > 200 ? 60 : seconds > 90 ? 20 : seconds > 25 ? 10 : 5

/** From, to and step of the pressures that a fall and its limit lie between, with room above and below: round figures. */
function zoomOf(samples: readonly Sample[], limit: readonly XY[] | null): [number, number, number] {
  const all = [...samples.map(([, p]) => p), ...(limit ?? []).map(([, p]) => p)]
  const low = Math.max(0, Math.min(...all))
  const high = Math.max(...all)
  const span = Math.max(high - low, 1)
  const step = [0.2, 0.5, 1, 2, 5, 10, 20].find((one) => span / one <= 6) ?? 50
  return [
    Math.max(0, step * Math.floor((low - span * 0.08) / step)),
    step * Math.ceil((high + span * 0.2) / step),
    step,
  ]
}

/** Pressure over time as the gauge writes it: pencil dots read, ink fitted, the tint what is allowed. Drawn at each frame that has something new while it runs. */
export function PressureChart(props: ChartProps) {
  const { samples, shutAt, runs, popOff, reseat } = props
  const all = samples()
  const zero = all[0]?.[0] ?? 0
  const last = all.at(-1)
  const long = Math.max(props.seconds, (last?.[0] ?? zero) - zero, 10)
  const peak = all.reduce((high, [, p]) => Math.max(high, p), popOff ?? 0)
  const most = 10 * Math.ceil(Math.max(props.top, peak) / 10)

  const live = useRef({ samples, runs })
  useEffect(() => {
    live.current = { samples, runs }
  })
  const drawn = useCallback((chart: EChartsType) => {
    let seen = -1
    let asked = 0
    const look = () => {
      asked = requestAnimationFrame(look)
      const { samples: read, runs: on } = live.current
      const count = on ? read().length : seen
      // A frame that has nothing new costs nothing: painting is what a busy machine cannot spare.
      if (count === seen) return
      seen = count
      chart.setOption({ series: [{ id: 'read', data: [[count, 0]] }] })
    }
    look()
    return () => cancelAnimationFrame(asked)
  }, [])

  const from = shutAt === null ? null : (all[shutAt] ?? null)
  // Once it is shut and says something, the fall is what the chart is for: it fills it, with its limit.
  const { curve, limit } = props
  const plan = all.length === 0 ? props.plan : undefined
  const zoom = plan
    ? zoomOf([], plan.points)
    : from && shutAt !== null && (curve || !runs)
      ? zoomOf(all.slice(shutAt), curve ? limit : null)
      : null
  const origin = zoom ? (from?.[0] ?? 0) : zero
  const shutS = from ? from[0] - origin : 0
  const shifted = (points: readonly XY[] | null): XY[] | null =>
    points && from ? points.map(([s, p]) => [s + shutS, p] as const) : null
  const fitted = shifted(curve)
  const allowed = plan ? plan.points : fitted ? shifted(limit) : null
  const end = zoom ? Math.max((last?.[0] ?? origin) - origin, allowed?.at(-1)?.[0] ?? 0, 1) : long
  const [low, high, every] = zoom ?? [0, most, 10]
  const step = stepOf(end)
  const marks = [
    ...(allowed ? [words(allowed.at(-1)!, props.limitWords, { dx: 8, dy: 6 })] : []),
    ...(plan ? [words(plan.points[0]!, plan.words, { weight: 600, dx: 8, dy: -12 })] : []),
    ...(fitted && props.curveWords
      ? [words(fitted[0]!, props.curveWords, { weight: 600, dx: 8, dy: -12 })]
      : []),
    ...(from
      ? [
          words([shutS, high], `valve shut, ${figure((last?.[0] ?? from[0]) - from[0], 0)} s`, {
            dx: 6,
            dy: -8,
          }),
        ]
      : []),
    ...(popOff === null || zoom
      ? []
      : [words([0, popOff], `pops off ${figure(popOff, 0)}`, { weight: 600, dx: 8, dy: -4 })]),
    ...(popOff === null || reseat === null || zoom
      ? []
      : [words([0, reseat], `reseats ${figure(reseat, 0)}`, { dx: 8, dy: 22 })]),
    ...(props.volumeWords
      ? [words([end, low], props.volumeWords, { align: 'right', colour: 'pencil', dx: -6, dy: -6 })]
      : []),
    ...(last ? [words([last[0] - origin, last[1]], figure(last[1]), { mono: true, dx: 10, dy: 8 })] : []),
  ]
  const option = {
    animation: false,
    grid: frame(46, 66, 44, 30),
    xAxis: axis({
      min: 0,
      max: end,
      interval: step,
      axisLabel: {
        ...FIGURES,
        formatter: (s: number) => (s + step > end ? `${Math.round(s)} s` : String(Math.round(s))),
        showMaxLabel: end % step === 0,
      },
    }),
    yAxis: axis({ min: low, max: high, interval: every, name: props.unit ?? 'kPa' }),
    series: [
      ...(allowed
        ? [
            {
              ...stroke(allowed, { width: 1.4, dash: [7, 5] }),
              areaStyle: { color: 'var(--tint)', opacity: 1, origin: allowed[0]![1] },
            },
          ]
        : []),
      {
        id: 'read',
        type: 'custom',
        data: [[all.length, 0]],
        silent: true,
        clip: true,
        renderItem: dots(samples, origin),
        markPoint: { silent: true, data: marks },
        markLine: {
          silent: true,
          symbol: 'none',
          data: from ? [upright(shutS, { dash: [3, 4] })] : [],
        },
      },
      ...(fitted ? [stroke(fitted)] : []),
    ],
  }
  return (
    <Chart
      label={`Pressure over ${figure(long, 0)} s${last ? `, now ${figure(last[1])} kPa` : ', no reading yet'}.${props.curveWords ? ` ${props.curveWords}.` : ''}`}
      option={option}
      drawn={drawn}
    />
  )
}
