import type { Curves, Heard } from '@ekrond/core/plan/jets'
import { Chart } from '../charts/Chart'
import { axis, FIGURES, frame, stroke, words, type XY } from '../charts/hand'

type Mixture = Curves['asIs']

/** Richer is up, per cent off what the sheet has. */
const percent = (ratio: number): number => (ratio - 1) * 100

/** A mixture's σ as a band: its lower edge unseen, what lies over it tinted. */
function band(openings: readonly number[], { ratio, sigma }: Mixture, name: string, colour: string) {
  const low = openings.map((x, i) => [x, percent(ratio[i]! - sigma[i]!)])
  const wide = openings.map((x, i) => [x, 200 * sigma[i]!])
  const unseen = {
    type: 'line',
    symbol: 'none',
    silent: true,
    lineStyle: { opacity: 0 },
    stack: name,
    stackStrategy: 'all',
  }
  return [
    { ...unseen, data: low },
    { ...unseen, data: wide, areaStyle: { color: `var(--${colour})`, opacity: 0.45 } },
  ]
}

const OPEN = ['idle', '', '¼', '', '½', '', '¾', '', 'full']

/** What was read on the engine: a whisker as wide as it is sure, never a point alone. */
const whisker = ({ opening, richer, give, words: said }: Heard) => {
  // At either end it stands inside the frame.
  const x = Math.min(0.985, Math.max(0.015, opening))
  const [low, high] = [100 * (richer - give), 100 * (richer + give)]
  return {
    ...stroke(
      [
        [x, low],
        [x, 100 * richer],
        [x, high],
      ],
      { width: 2, colour: 'pencil' },
    ),
    showSymbol: true,
    symbol: 'circle',
    symbolSize: (_: unknown, { dataIndex }: { dataIndex: number }) => (dataIndex === 1 ? 10 : 4),
    itemStyle: { color: 'var(--paper)', borderColor: 'var(--pencil)', borderWidth: 2 },
    markPoint: {
      silent: true,
      data: [
        words([x, high], said, {
          colour: 'pencil',
          dx: opening > 0.8 ? -8 : 8,
          align: opening > 0.8 ? 'right' : 'left',
        }),
      ],
    },
  }
}

/** The mixture over the throttle's opening: grey as it is, ink as proposed, each with how sure it is; between the lines is within limits. */
export function MixtureChart({
  plan: { openings, tolerance, asIs, proposed },
  changes,
  heard = [],
}: {
  plan: Curves
  /** whether anything is proposed */
  changes: boolean
  heard?: readonly Heard[]
}) {
  const line = ({ ratio }: Mixture): XY[] => openings.map((x, i) => [x, percent(ratio[i]!)] as const)
  const all = [asIs, proposed].flatMap(({ ratio, sigma }) =>
    ratio.flatMap((one, i) => [percent(one - sigma[i]!), percent(one + sigma[i]!)]),
  )
  all.push(...heard.flatMap(({ richer, give }) => [100 * (richer - give), 100 * (richer + give)]))
  const step = [2, 5, 10, 20].find((one) => (Math.max(...all) - Math.min(...all)) / one <= 8) ?? 25
  const top = step * Math.ceil(Math.max(6, ...all) / step)
  const bottom = step * Math.floor(Math.min(-6, ...all) / step)
  const at = Math.floor(openings.length * 0.72)
  const last = (mixture: Mixture): XY => [openings[at]!, percent(mixture.ratio[at]!)]
  const side = last(asIs)[1] >= last(proposed)[1]
  return (
    <Chart
      label={`Mixture over the opening. As it is ${asIs.ratio
        .map((one, i) => (i % 10 === 0 ? `${percent(one).toFixed(1)} %` : ''))
        .filter(Boolean)
        .join(', ')} from idle to full${
        changes
          ? `; as proposed ${proposed.ratio
              .map((one, i) => (i % 10 === 0 ? `${percent(one).toFixed(1)} %` : ''))
              .filter(Boolean)
              .join(', ')}`
          : ''
      }.${heard.map((one) => ` Read on the engine: ${one.words}.`).join('')}`}
      option={{
        animation: false,
        grid: frame(56, 20, 34, 34),
        xAxis: axis({
          min: 0,
          max: 1,
          interval: 0.125,
          axisLabel: { ...FIGURES, formatter: (x: number) => OPEN[Math.round(x * 8)] ?? '' },
        }),
        yAxis: axis({
          min: bottom,
          max: top,
          interval: step,
          name: '% richer',
          axisLabel: { ...FIGURES, formatter: (y: number) => (y > 0 ? `+${y}` : String(y)) },
        }),
        series: [
          {
            ...stroke(
              [
                [0, 0],
                [1, 0],
              ],
              { width: 1.2, dash: [12, 4, 2, 4] },
            ),
          },
          ...[1, -1].map((side) =>
            stroke(
              openings.map((x, i) => [x, side * 100 * tolerance[i]!] as const),
              { width: 1 },
            ),
          ),
          ...band(openings, asIs, 'as it is', 'hatch'),
          {
            ...stroke(line(asIs), { colour: 'pencil', width: 2 }),
            markPoint: {
              silent: true,
              data: [words(last(asIs), 'as it is', { colour: 'pencil', dy: changes && !side ? 26 : -10 })],
            },
          },
          ...(changes
            ? [
                ...band(openings, proposed, 'as proposed', 'tint'),
                {
                  ...stroke(line(proposed), { width: 2.8 }),
                  markPoint: {
                    silent: true,
                    data: [words(last(proposed), 'as proposed', { weight: 600, dy: side ? 26 : -10 })],
                  },
                },
              ]
            : []),
          ...heard.map(whisker),
        ],
      }}
    />
  )
}
