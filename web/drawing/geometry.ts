/** Coordinates of a drawing: pixels, y down. `scaleOf` brings millimetres there. */
export type Point = readonly [number, number]

export interface Scale {
  (point: Point): Point
  perMm: number
}

/** Maps millimetres (y up) to the drawing: `perMm` pixels a millimetre, `origin` where (0,0) lies, `flip` held upside down. */
export function scaleOf(perMm: number, origin: Point, flip = false): Scale {
  const map = ([x, y]: Point): Point => [origin[0] + x * perMm, origin[1] + (flip ? y : -y) * perMm]
  return Object.assign(map, { perMm })
}

export const path = (points: readonly Point[], closed = false): string =>
  points.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join(' ') +
  (closed ? ' Z' : '')

/** A point turned about the origin by `angle`, rad, counter-clockwise with y up. */
export const turned = (point: Point, angle: number): Point => [
  point[0] * Math.cos(angle) - point[1] * Math.sin(angle),
  point[0] * Math.sin(angle) + point[1] * Math.cos(angle),
]

export const plus = (a: Point, b: Point): Point => [a[0] + b[0], a[1] + b[1]]

/** Labels give way to each other: as near to their wish as the gap allows, between `low` and `high`. */
export function spread(wishes: readonly number[], gap: number, low: number, high: number): number[] {
  const ys = [...wishes]
  for (let i = 1; i < ys.length; i++) ys[i] = Math.max(ys[i]!, ys[i - 1]! + gap)
  const over = (ys.at(-1) ?? low) - high
  if (over > 0)
    for (let i = ys.length - 1; i >= 0; i--) ys[i] = Math.min(ys[i]!, high - (ys.length - 1 - i) * gap)
  return ys.map((y) => Math.max(low, y))
}
