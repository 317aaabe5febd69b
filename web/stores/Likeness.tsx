import { boxOf, shapeOf } from '@ekrond/core/unit/drawing'
import { partsTable, type PartKind } from '@ekrond/core/sheets'
import { Hatchings, Pieces } from '../drawing/Pieces'

/** Whether a store's row is of a kind that is drawn. */
export const isPartKind = (kind: string): kind is PartKind => Object.hasOwn(partsTable, kind)

/** A part in section as its kind is drawn, in a box of px; small things are not blown up beyond 7 px a millimetre. */
export function Likeness({ kind, width, height }: { kind: PartKind; width: number; height: number }) {
  const pieces = shapeOf(kind)
  const { x0, x1, y0, y1 } = boxOf(pieces)
  const perMm = Math.min((width * 0.84) / (x1 - x0), (height * 0.8) / Math.max(y1 - y0, 1), 7)
  const view = {
    perMm,
    origin: [width / 2 - ((x0 + x1) / 2) * perMm, height / 2 + ((y0 + y1) / 2) * perMm] as const,
  }
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      style={{ width, height }}
      role="img"
      aria-label={partsTable[kind].words}
    >
      <Hatchings />
      <Pieces pieces={pieces} mode="on" view={view} />
    </svg>
  )
}
