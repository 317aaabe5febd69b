import type { Position } from '../sheets/index.ts'
import { layLabels, type Label, type Obstacle, type Px, type Wish } from './labels.ts'
import type { Piece } from './shapes.ts'
import { boundsOf, explode, type Bounds, type Exploded, type Standing, type UnitDrawing } from './unit.ts'

export interface LaidUnit {
  /** screen pixels a millimetre */
  perMm: number
  /** where (0, 0) of the unit lies, px */
  origin: Px
  exploded: Exploded
  labels: Label[]
}

/** Between the drawing and the sheet's edges, px. */
const MARGIN = 14
/** Parts larger than this, px, are no obstacle to a leader: it has to pass castings. */
const LARGE_PART_PX = 60

/** Column of labels at each side, px: narrower where the sheet is. */
export const columnFor = (width: number): number => Math.max(132, Math.min(170, width * 0.19))

/**
 * A unit at a moment, laid out for a sheet of `width` by `height` px: one scale for all its states, so that nothing jumps from step to
 * step; labels of the current part and of those that come next.
 */
export function layUnit(
  drawing: UnitDrawing,
  positions: readonly Position[],
  standings: Readonly<Record<string, Standing>>,
  named: readonly { code: string; number: string; words: string }[],
  { width, height }: { width: number; height: number },
): LaidUnit {
  const bounds = boundsOf(drawing, positions)
  const column = columnFor(width)
  const perMm = Math.min(
    (height - 2 * MARGIN) / (bounds.y1 - bounds.y0),
    (width - 2 * column) / (bounds.x1 - bounds.x0),
  )
  const origin: Px = [
    width / 2 - ((bounds.x0 + bounds.x1) / 2) * perMm,
    height / 2 + ((bounds.y0 + bounds.y1) / 2) * perMm,
  ]
  const px = (x: number, y: number): Px => [origin[0] + x * perMm, origin[1] - y * perMm]
  const exploded = explode(drawing, positions, standings)
  const wishes = named.flatMap(({ code, number, words }): Wish[] => {
    const part = exploded.parts.find((one) => one.code === code)
    return part
      ? [
          {
            key: code,
            number,
            words,
            target: px(part.anchor[0], part.anchor[1]),
            large: part.standing === 'now',
          },
        ]
      : []
  })
  const obstacles = exploded.parts.flatMap(({ code, standing, pieces }): Obstacle[] =>
    standing === 'off' || pieces.length === 0 ? [] : small(code, boxOf(pieces), px),
  )
  return { perMm, origin, exploded, labels: layLabels(wishes, { width, height, column }, obstacles) }
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
