import { rect, type Cut, type Line, type Pt } from '../drawing/index.ts'
import type { Position, Sheets } from '../../sheets/index.ts'
import { familyOf, sizeIn, unitDrawing } from './drawing.ts'
import { cutOf, footprints, ring, scaledLine as scaled, type Footprint } from './footprints.ts'

type Described = Pick<Sheets, 'spec' | 'build'>

/** What a list number measures at its bores and its flange, mm; null where nobody measured it. */
export interface FlangeSizes {
  throttleBoreMm: number | null
  venturiMm: number | null
  flangeBoltSpacingMm: number | null
}

/** A unit seen so that its bores and its flange bolts lie in the sheet, mm. */
export interface FlangeView {
  seen: 'from above' | 'at the flange'
  /** outlines as they lie over one another, the lowest first */
  outlines: { name: string; line: Line }[]
  bores: { at: Pt; boreMm: number; venturiMm: number | null }[]
  bolts: Pt[]
  /** the two bolts whose distance is measured, at the drawing's edge */
  pair: readonly [Pt, Pt]
  /** where its mark stands: the corner of the casting that bears it */
  mark: Pt
  /** where the section of teardown is cut, and its letter; null where this is no plan */
  cut: Cut | null
}

/** A joint’s face with its fasteners as whoever turns them sees it, mm. */
export interface JointPlan {
  seen: 'from above' | 'from below'
  outline: Line
  /** what its gasket goes round: bowl, wells, bores */
  holes: Line[]
  /** one place a fastener, clockwise, the first after the inlet */
  screws: Pt[]
  /** where the fuel comes in */
  inlet: Pt
  cut: Cut | null
}

/** Between a face's edge and its fasteners, mm. */
const INSET = 4.6
/** Flange bolts over the bore, where nobody measured them; and a bore, where nobody measured that. */
const BOLTS_OVER_BORE = 2.2
const USUAL_BORE = 30

/** What is seen of a unit at its bores: from above, or where the bore lies flat at the flange; its bores and bolts by its own measures. */
export function flangeView(sheets: Described, sizes: FlangeSizes): FlangeView {
  const k = sizeIn(sheets)
  const plan = footprints[familyOf(sheets)](sheets.spec.barrels)
  const boreMm =
    sizes.throttleBoreMm ??
    (sizes.flangeBoltSpacingMm === null ? USUAL_BORE : sizes.flangeBoltSpacingMm / BOLTS_OVER_BORE)
  const spacing = sizes.flangeBoltSpacingMm ?? boreMm * BOLTS_OVER_BORE
  const bore = (at: Pt) => ({ at, boreMm, venturiMm: sizes.venturiMm })
  if (plan.end) return atFlange(plan.end, k, spacing, bore)
  const bores = plan.bores.map(([x, y]) => bore([x * k, y * k]))
  const [cx, cy] = [mean(bores.map(({ at: [x] }) => x)), mean(bores.map(({ at: [, y] }) => y))]
  const spread = (pick: 0 | 1, middle: number) =>
    Math.max(...bores.map(({ at }) => Math.abs(at[pick] - middle))) + boreMm / 2 + 6
  // The spacing is measured along the row of bolts, the other way they stand beside the bores; one bore has one row.
  const beside = plan.row === 0 ? spread(1, cy) * 0.86 : spread(0, cx)
  const rowAt = (off: number): readonly [Pt, Pt] =>
    plan.row === 0
      ? [
          [cx - spacing / 2, cy + off],
          [cx + spacing / 2, cy + off],
        ]
      : [
          [cx + off, cy - spacing / 2],
          [cx + off, cy + spacing / 2],
        ]
  const rows = bores.length === 1 ? [rowAt(0)] : [rowAt(-beside), rowAt(beside)]
  const bolts = rows.flat()
  const flange = around(bolts, 9)
  const castings = plan.castings.map(({ name, line }) => ({ name, line: scaled(line, k) }))
  const outlines =
    plan.flange === 'over'
      ? [...castings, { name: 'flange', line: flange }]
      : [{ name: 'flange', line: flange }, ...castings]
  return {
    seen: 'from above',
    outlines,
    bores,
    bolts,
    // Below the drawing its near row is measured, at its right the right one.
    pair: plan.row === 0 ? rows[0]! : rows.at(-1)!,
    mark: corner(castings.at(-1)!.line),
    cut: cutOf(outlines, plan, k),
  }
}

/** A corner of a casting at the top, rather at the left. */
const corner = (line: Line): Pt =>
  line.reduce((best, p) => (p[1] - p[0] * 0.2 > best[1] - best[0] * 0.2 ? p : best))

/** From the engine's side: flange and bore before tower and bowl. */
function atFlange(
  { boreY, castings }: NonNullable<Footprint['end']>,
  k: number,
  spacing: number,
  bore: (at: Pt) => FlangeView['bores'][number],
): FlangeView {
  const y = boreY * k
  const pair = [
    [-spacing / 2, y],
    [spacing / 2, y],
  ] as const
  const own = bore([0, y])
  const behind = castings.map(({ name, line }) => ({ name, line: scaled(line, k) }))
  return {
    seen: 'at the flange',
    outlines: [
      ...behind,
      { name: 'flange', line: around(pair, 9) },
      { name: 'neck', line: ring(0, y, own.boreMm / 2 + 6) },
    ],
    bores: [own],
    bolts: [...pair],
    pair,
    mark: corner((behind.find(({ name }) => name === 'body') ?? behind.at(-1)!).line),
    cut: null,
  }
}

const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length

/** A rounded box about bolts, mm. */
function around(bolts: readonly Pt[], edge: number): Line {
  const xs = bolts.map(([x]) => x)
  const ys = bolts.map(([, y]) => y)
  return rect(
    Math.min(...xs) - edge,
    Math.min(...ys) - edge,
    Math.max(...xs) + edge,
    Math.max(...ys) + edge,
    edge,
  )
}

/** A joint’s face with the places of its fasteners; null where they hold no face that the family knows. */
export function jointPlan(
  sheets: Described,
  { code, quantity }: Pick<Position, 'code' | 'quantity'>,
): JointPlan | null {
  const { parent } = unitDrawing(sheets).places[code] ?? {}
  const k = sizeIn(sheets)
  const plan = footprints[familyOf(sheets)](sheets.spec.barrels)
  const face = parent === undefined ? undefined : plan.faces[parent]
  if (!face || quantity < 2) return null
  const below = parent === 'bowl'
  // From below the near edge is the far one: what is clockwise stays so for whoever turns the screws.
  const turn = (line: Line): Line => scaled(line, k).map(([x, y, r = 0]): Pt => [x, below ? -y : y, r])
  const [inlet] = turn([plan.inlet])
  return {
    seen: below ? 'from below' : 'from above',
    outline: turn(face.outline),
    holes: face.holes.map(turn),
    screws: roundTheEdge(turn(face.outline), inlet!, quantity),
    inlet: inlet!,
    cut: cutOf([{ line: turn(face.outline) }], plan, k),
  }
}

/** A face that no family knows: its fasteners round a plain one, mm. */
export const plainFace = (count: number): JointPlan => {
  const angle = (i: number) => Math.PI - ((i + 0.5) / count) * 2 * Math.PI
  return {
    seen: 'from above',
    outline: rect(-45, -25, 45, 25, 10),
    holes: [],
    screws:
      count === 1
        ? [[0, 0]]
        : Array.from(
            { length: count },
            (_, i) => [40 * Math.cos(angle(i)), 20 * Math.sin(angle(i))] as const,
          ),
    inlet: [-45, 0],
    cut: null,
  }
}

/** Places along a line drawn in from a face's edge, evenly, clockwise with y up, the first half a step after the inlet. */
function roundTheEdge(outline: Line, inlet: Pt, count: number): Pt[] {
  const signed = outline.reduce((sum, [x, y], i) => {
    const [nx, ny] = outline[(i + 1) % outline.length]!
    return sum + x * ny - nx * y
  }, 0)
  const clockwise = signed > 0 ? [...outline].reverse() : [...outline]
  // Each corner where the lines beside its two edges meet.
  const inward = ([ax, ay]: Pt, [bx, by]: Pt): Pt => {
    const length = Math.hypot(bx - ax, by - ay)
    return [(by - ay) / length, -(bx - ax) / length]
  }
  const inset = clockwise.map((at, i): Pt => {
    const [mx, my] = inward(clockwise[(i - 1 + clockwise.length) % clockwise.length]!, at)
    const [nx, ny] = inward(at, clockwise[(i + 1) % clockwise.length]!)
    const share = INSET / (1 + mx * nx + my * ny)
    return [at[0] + (mx + nx) * share, at[1] + (my + ny) * share]
  })
  const steps = inset.map((from, i) => {
    const to = inset[(i + 1) % inset.length]!
    return { from, to, length: Math.hypot(to[0] - from[0], to[1] - from[1]) }
  })
  const whole = steps.reduce((sum, { length }) => sum + length, 0)
  const at = (way: number): Pt => {
    let left = ((way % whole) + whole) % whole
    for (const { from, to, length } of steps) {
      if (left <= length) {
        const share = left / (length || 1)
        return [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share]
      }
      left -= length
    }
    return inset[0]!
  }
  const near = Array.from({ length: 400 }, (_, i) => (i / 400) * whole).reduce((best, way) =>
    distance(at(way), inlet) < distance(at(best), inlet) ? way : best,
  )
  return Array.from({ length: count }, (_, i) => at(near + ((i + 0.5) * whole) / count))
}

const distance = ([ax, ay]: Pt, [bx, by]: Pt) => Math.hypot(ax - bx, ay - by)
