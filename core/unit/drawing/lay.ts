import type { Position } from '../../sheets/index.ts'
import { layLabels, type PlacedLabel, type Obstacle, type Px, type LabelRoom, type Wish } from './labels.ts'
import type { Piece } from './shapes.ts'
import { boundsOf, explode, type Bounds, type Exploded, type PartStanding, type UnitDrawing } from './unit.ts'

export interface LaidUnit {
  /** screen pixels a millimetre */
  perMm: number
  /** where (0, 0) of the unit lies, px */
  origin: Px
  /** what of the sheet the drawing may use, px; beside it stand the names */
  area: Bounds
  exploded: Exploded
  labels: PlacedLabel[]
  /** only a region of the unit is drawn, large */
  enlarged: boolean
  /** the plan beside it: where the section is cut, and what of it is drawn large; null where the sheet has no room for it */
  key: { perMm: number; origin: Px; frame: Bounds | null; box: Bounds } | null
}

/** Between the drawing and the sheet's edges, px. */
const MARGIN = 12
/** Below this scale the region of the current part is drawn larger, px a mm. */
const LEAST_SCALE = 2
const ENLARGED = 3
/** Parts larger than this, px, are no obstacle to a leader: it has to pass castings. */
const LARGE_PART_PX = 60
const KEY_HEIGHT = 84

/** Columns for the names, px: at both sides, on a narrow sheet at the right alone. */
function columnsFor(width: number): { left: number; right: number } {
  if (width < 560) return { left: 0, right: 128 }
  const column = Math.max(132, Math.min(170, width * 0.19))
  return { left: column, right: column }
}

/**
 * A unit at a moment, laid out for a sheet of `width` by `height` px: one scale for all its states, so that nothing jumps from step to
 * step; where that would be too small, the region of the current part large with a key; names of the current part and of those that
 * come next.
 */
export function layUnit(
  drawing: UnitDrawing,
  positions: readonly Position[],
  standings: Readonly<Record<string, PartStanding>>,
  named: readonly { code: string; number: string; words: string }[],
  { width, height }: { width: number; height: number },
): LaidUnit {
  const bounds = boundsOf(drawing, positions)
  const columns = columnsFor(width)
  const area: Bounds = { x0: columns.left, y0: 0, x1: width - columns.right, y1: height }
  const [wide, tall] = [bounds.x1 - bounds.x0, bounds.y1 - bounds.y0]
  const [free, high] = [area.x1 - area.x0, height - 2 * MARGIN]
  const fit = Math.min(high / tall, free / wide)
  const exploded = explode(drawing, positions, standings)
  const enlarged = fit < LEAST_SCALE
  const perMm = enlarged ? ENLARGED : fit
  const current = exploded.parts.find(({ standing }) => standing === 'now')
  const frame = enlarged
    ? frameOn(bounds, { wide: free / perMm, tall: high / perMm }, centreOf(current?.pieces, bounds))
    : bounds
  const origin: Px = [
    (area.x0 + area.x1) / 2 - ((frame.x0 + frame.x1) / 2) * perMm,
    height / 2 + ((frame.y0 + frame.y1) / 2) * perMm,
  ]
  const px = (x: number, y: number): Px => [origin[0] + x * perMm, origin[1] - y * perMm]
  const seen = ([x, y]: Px) => x >= area.x0 + 4 && x <= area.x1 - 4 && y >= area.y0 + 4 && y <= area.y1 - 4
  const wishes = named.flatMap(({ code, number, words }): Wish[] => {
    const part = exploded.parts.find((one) => one.code === code)
    if (!part) return []
    const anchor = px(part.anchor[0], part.anchor[1])
    // Where its own place for a leader lies outside of the region, another point of its edge takes one.
    const target = seen(anchor)
      ? anchor
      : part.pieces.flatMap(({ line }) => line.map(([x, y]) => px(x, y))).find(seen)
    return target ? [{ key: code, number, words, target, large: part.standing === 'now' }] : []
  })
  const obstacles = exploded.parts.flatMap(({ code, standing, pieces }): Obstacle[] =>
    standing === 'off' || pieces.length === 0 ? [] : small(code, boxOf(pieces), px),
  )
  const keyed = keyOf(drawing.plan, enlarged ? frame : null, columns, { width, height })
  const room: LabelRoom = { width, height, ...columns, ...(keyed ? { kept: keyed.box } : {}) }
  return { perMm, origin, area, exploded, labels: layLabels(wishes, room, obstacles), enlarged, key: keyed }
}

/** The scale and place at which bounds, mm, fill a sheet, px, with a margin. */
export function fitted(
  { x0, y0, x1, y1 }: Bounds,
  { width, height }: { width: number; height: number },
  margin: number,
): { perMm: number; origin: Px } {
  const perMm = Math.min((height - 2 * margin) / (y1 - y0), (width - 2 * margin) / (x1 - x0))
  return { perMm, origin: [width / 2 - ((x0 + x1) / 2) * perMm, height / 2 + ((y0 + y1) / 2) * perMm] }
}

/** The middle of what is done now, mm; of the unit where nothing is. */
function centreOf(pieces: readonly Piece[] | undefined, bounds: Bounds): readonly [number, number] {
  const { x0, y0, x1, y1 } = pieces?.length ? boxOf(pieces) : bounds
  return [(x0 + x1) / 2, (y0 + y1) / 2]
}

/** The window of a size, mm, that shows a place: windows stand in even steps, so that neighbours in the order are seen in the same one. */
function frameOn(
  bounds: Bounds,
  size: { wide: number; tall: number },
  [x, y]: readonly [number, number],
): Bounds {
  const along = (from: number, to: number, length: number, at: number): [number, number] => {
    if (length >= to - from) return [(from + to - length) / 2, (from + to + length) / 2]
    const steps = Math.ceil((to - from - length) / (length * 0.6)) || 1
    const starts = Array.from({ length: steps + 1 }, (_, i) => from + ((to - from - length) * i) / steps)
    const start = starts.reduce((best, one) =>
      Math.abs(one + length / 2 - at) < Math.abs(best + length / 2 - at) ? one : best,
    )
    return [start, start + length]
  }
  const [x0, x1] = along(bounds.x0, bounds.x1, size.wide, x)
  const [y0, y1] = along(bounds.y0, bounds.y1, size.tall, y)
  return { x0, y0, x1, y1 }
}

/** The unit's plan small, at the foot of a column of names: its section's cut, and what of it is drawn large. */
function keyOf(
  { outlines, cut }: UnitDrawing['plan'],
  frame: Bounds | null,
  { left, right }: { left: number; right: number },
  { width, height }: { width: number; height: number },
): LaidUnit['key'] {
  const column = left || right
  // A narrow sheet has one column of names: there the key stands only where it must say what is drawn large.
  if (left === 0 && !frame) return null
  const plan = boxOf(outlines.map((line) => ({ line, closed: true, stroke: 'seen' })))
  const bounds = { ...plan, x0: Math.min(plan.x0, cut.from[0]), x1: Math.max(plan.x1, cut.to[0]) }
  const perMm = Math.min((column - 24) / (bounds.x1 - bounds.x0), KEY_HEIGHT / (bounds.y1 - bounds.y0))
  const [w, h] = [(bounds.x1 - bounds.x0) * perMm, (bounds.y1 - bounds.y0) * perMm]
  const x0 = left ? 8 : width - w - 8
  const y1 = height - 34
  return {
    perMm,
    origin: [x0 - bounds.x0 * perMm, y1 + bounds.y0 * perMm],
    frame: frame && {
      x0: Math.max(frame.x0, bounds.x0),
      x1: Math.min(frame.x1, bounds.x1),
      y0: plan.y0,
      y1: plan.y1,
    },
    box: { x0, y0: y1 - h, x1: x0 + w, y1 },
  }
}

function small(key: string, { x0, y0, x1, y1 }: Bounds, px: (x: number, y: number) => Px): Obstacle[] {
  const [left, top] = px(x0, y1)
  const [right, bottom] = px(x1, y0)
  return right - left > LARGE_PART_PX || bottom - top > LARGE_PART_PX
    ? []
    : [{ key, x0: left, y0: top, x1: right, y1: bottom }]
}

/** What pieces take up, mm. */
export function boxOf(pieces: readonly Piece[]): Bounds {
  const points = pieces.flatMap(({ line }) => line)
  return {
    x0: Math.min(...points.map(([x]) => x)),
    y0: Math.min(...points.map(([, y]) => y)),
    x1: Math.max(...points.map(([x]) => x)),
    y1: Math.max(...points.map(([, y]) => y)),
  }
}
