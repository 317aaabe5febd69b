import { boxOf, shapeOf } from '@ekrond/core/unit/drawing'
import { unitDrawing } from '@ekrond/core/unit/families'
import type { PartKind, Sheets } from '@ekrond/core/sheets'
import type { Point } from './index'
import { Pieces } from './Pieces'

/**
 * One part as this unit's own drawing has it, by itself: `at` its centre on the sheet, at `perMm` pixels a millimetre, smaller only
 * where it would not fit into `room`. Where the drawing has no such part, its kind stands for it.
 */
export function OwnPart({
  sheets,
  code,
  kind,
  at,
  room: [width, height],
  perMm: most = Infinity,
  mode = 'on',
}: {
  /** its unit's; its kind stands for it where they are not at hand */
  sheets: Pick<Sheets, 'spec' | 'build'> | undefined
  code: string | undefined
  kind: PartKind
  at: Point
  room: Point
  perMm?: number
  /** as it goes in; what hands are at; or dashed: left over, or the old one */
  mode?: 'on' | 'now' | 'over'
}) {
  const place = sheets && code ? unitDrawing(sheets).places[code] : undefined
  const own = place?.one ?? place?.pieces ?? []
  const pieces = own.length > 0 ? own : shapeOf(kind)
  const { x0, y0, x1, y1 } = boxOf(pieces)
  const perMm = Math.min(most, width / Math.max(x1 - x0, 1), height / Math.max(y1 - y0, 1))
  const origin = [at[0] - ((x0 + x1) / 2) * perMm, at[1] + ((y0 + y1) / 2) * perMm] as const
  return <Pieces pieces={pieces} mode={mode === 'over' ? 'off' : mode} view={{ perMm, origin }} />
}
