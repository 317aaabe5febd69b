import { figures, narrow } from '../theme/global'

export type XY = readonly [x: number, y: number]

/** Figures beside an axis. */
export const FIGURES = { fontFamily: figures, fontSize: 15, color: 'var(--pencil)' }

/** An axis as it is drawn by hand: figures in pencil, a thin rule at each. */
export const axis = (more: object) => ({
  type: 'value',
  axisLine: { show: false },
  axisTick: { show: false },
  axisLabel: { ...FIGURES, hideOverlap: true },
  splitLine: { lineStyle: { color: 'var(--rule)', width: 1 } },
  // Over its figures, not over the frame: what stands there begins at the first of them.
  nameTextStyle: {
    ...FIGURES,
    fontFamily: narrow,
    fontWeight: 500,
    align: 'right',
    padding: [0, 8, 0, 0],
  },
  ...more,
})

export const frame = (left: number, right: number, top: number, bottom: number) => ({
  left,
  right,
  top,
  bottom,
  show: true,
  borderColor: 'var(--ink)',
  borderWidth: 1.5,
})

/** Words at a place of the chart, standing clear of what lies under them. */
export const words = (
  at: XY,
  text: string,
  more: {
    align?: 'left' | 'right'
    weight?: number
    colour?: string
    dx?: number
    dy?: number
    mono?: true
  } = {},
) => ({
  coord: [...at],
  symbolSize: 0,
  label: {
    show: true,
    formatter: text,
    position: 'inside',
    align: more.align ?? 'left',
    verticalAlign: 'bottom',
    offset: [more.dx ?? 0, more.dy ?? 0],
    fontFamily: more.mono ? figures : narrow,
    fontSize: more.mono ? 18 : 16,
    fontWeight: more.weight ?? 500,
    color: `var(--${more.colour ?? 'ink'})`,
    textBorderColor: 'var(--paper)',
    textBorderWidth: 4,
  },
})

/** A line through points; `dash` where it is thought and not read. */
export const stroke = (
  data: readonly XY[],
  more: { width?: number; dash?: number[]; colour?: string } = {},
) => ({
  type: 'line' as const,
  data: data.map(([x, y]) => [x, y]),
  symbol: 'none',
  silent: true,
  lineStyle: {
    color: `var(--${more.colour ?? 'ink'})`,
    width: more.width ?? 2.2,
    ...(more.dash ? { type: more.dash } : {}),
  },
})

/** A line straight up at a place of the axis. */
export const upright = (x: number, more: { dash?: number[]; colour?: string; width?: number } = {}) => ({
  xAxis: x,
  label: { show: false },
  lineStyle: {
    color: `var(--${more.colour ?? 'ink'})`,
    width: more.width ?? 1.4,
    type: more.dash ?? 'solid',
  },
})
