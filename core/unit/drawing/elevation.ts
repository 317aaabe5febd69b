import type { Position } from '../../sheets/index.ts'
import { movePieces, type Line, type Piece, type Pt } from './shapes.ts'
import type { Bounds, PlaceOnSheet, UnitDrawing } from './unit.ts'

/** A unit seen from outside, mm: the silhouettes of its castings, what lies behind them (screws by their heads) and before them. */
export interface Elevation {
  silhouettes: Line[]
  behind: Piece[]
  front: Piece[]
  bounds: Bounds
}

/** Parts that are seen from outside, by where they lie to the castings' silhouette. */
const BEHIND = new Set<Position['kind']>(['mixtureScrew', 'screw', 'fitting'])
/** What is lifted off as a whole and seen from outside; slides and pistons are inside. */
const SEEN = new Set<Position['kind']>(['cover', 'body', 'spring'])
const FRONT = new Set<Position['kind']>(['link', 'coil'])

/**
 * The outer contour of lines that belong together: at each height from the leftmost to the rightmost. Exact for straight edges, whose
 * corners are taken with their rounding where they lie on the contour.
 */
export function silhouetteOf(lines: readonly Line[]): Line {
  const edges = lines.flatMap((line) =>
    line.map((from, i): readonly [Pt, Pt] => [from, line[(i + 1) % line.length]!]),
  )
  const heights = [...new Set(lines.flatMap((line) => line.map(([, y]) => y)))].sort((a, b) => b - a)
  const left: Pt[] = []
  const right: Pt[] = []
  for (const [i, top] of heights.slice(0, -1).entries()) {
    const foot = heights[i + 1]!
    for (const y of [top - (top - foot) * 1e-6, foot + (top - foot) * 1e-6]) {
      const xs = edges.flatMap(([[ax, ay], [bx, by]]) =>
        ay === by || (y - ay) * (y - by) > 0 ? [] : [ax + ((y - ay) / (by - ay)) * (bx - ax)],
      )
      if (xs.length === 0) continue
      left.push([Math.min(...xs), y])
      right.push([Math.max(...xs), y])
    }
  }
  return straightened([...right, ...left.reverse()])
}

/** Without the points that lie on the straight between their neighbours. */
function straightened(line: readonly Pt[]): Pt[] {
  const round = ([x, y]: Pt): Pt => [Math.round(x * 1e3) / 1e3, Math.round(y * 1e3) / 1e3]
  const points = line.map(round).filter(([x, y], i, all) => {
    const [px, py] = all[(i - 1 + all.length) % all.length]!
    return Math.hypot(x - px, y - py) > 1e-3
  })
  return points.filter(([x, y], i) => {
    const [px, py] = points[(i - 1 + points.length) % points.length]!
    const [qx, qy] = points[(i + 1) % points.length]!
    return Math.abs((x - px) * (qy - py) - (y - py) * (qx - px)) > 1e-3
  })
}

/** Whether a point lies within a closed line or on it, mm. */
function isWithin([x, y]: Pt, line: Line): boolean {
  let inside = false
  for (const [i, [ax, ay]] of line.entries()) {
    const [bx, by] = line[(i + 1) % line.length]!
    const length = Math.hypot(bx - ax, by - ay)
    const off = Math.abs((bx - ax) * (ay - y) - (ax - x) * (by - ay)) / (length || 1)
    const along = ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / (length || 1)
    if (off < 1e-2 && along >= -1e-2 && along <= length + 1e-2) return true
    if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) inside = !inside
  }
  return inside
}

/** A part's pieces where it sits, mm. */
export const seated = (place: PlaceOnSheet): Piece[] =>
  movePieces(place.pieces, place.at[0], place.at[1], place.asSeated ? 0 : place.axis)

/** A unit from outside, from the drawing of its section: castings without their hollows, and what is fastened to them. */
export function elevationOf(drawing: UnitDrawing, positions: readonly Position[]): Elevation {
  const known = positions.filter(({ code }) => drawing.places[code])
  const groups = new Map<string, Line[]>()
  const add = (name: string, pieces: readonly Piece[]) => {
    for (const { line, hollows, hatch } of pieces)
      if (hollows) {
        const key = `${name} ${hatch ?? ''}`
        groups.set(key, [...(groups.get(key) ?? []), line])
      }
  }
  add('body', drawing.fixed)
  for (const { code, kind } of known)
    if (SEEN.has(kind) && drawing.places[code]!.lifted) add(code, seated(drawing.places[code]!))
  const of = (kinds: ReadonlySet<Position['kind']>) =>
    known.filter(({ kind }) => kinds.has(kind)).flatMap(({ code }) => seated(drawing.places[code]!))
  const outlines = [...groups.values()].map(silhouetteOf)
  // What lies wholly within another one is inside of it.
  const silhouettes = outlines.filter(
    (one) => !outlines.some((other) => other !== one && one.every((point) => isWithin(point, other))),
  )
  const behind = of(BEHIND)
  const front = of(FRONT)
  const points = [...silhouettes, ...behind.map(({ line }) => line), ...front.map(({ line }) => line)].flat()
  return {
    silhouettes,
    behind,
    front,
    bounds: {
      x0: Math.min(...points.map(([x]) => x)),
      y0: Math.min(...points.map(([, y]) => y)),
      x1: Math.max(...points.map(([x]) => x)),
      y1: Math.max(...points.map(([, y]) => y)),
    },
  }
}

/** The end of a part that stands farthest out along its axis, mm: a screw's head. */
export function headOf(drawing: UnitDrawing, code: string): Pt | null {
  const place = drawing.places[code]
  if (!place) return null
  const angle = (place.axis * Math.PI) / 180
  const along = ([x, y]: Pt) => -Math.sin(angle) * x + Math.cos(angle) * y
  const points = seated(place).flatMap(({ line }) => line)
  const most = Math.max(...points.map(along))
  const head = points.filter((point) => along(point) > most - 0.5)
  const mean = (pick: 0 | 1) => head.reduce((sum, point) => sum + point[pick], 0) / head.length
  return head.length ? [mean(0), mean(1)] : null
}

/** Where the castings end at a height, mm: the leftmost or the rightmost of their silhouettes. */
export function edgeAt({ silhouettes }: Elevation, y: number, side: 'left' | 'right'): number {
  const xs = silhouettes.flatMap((line) =>
    line.flatMap(([ax, ay], i) => {
      const [bx, by] = line[(i + 1) % line.length]!
      return ay === by || (y - ay) * (y - by) > 0 ? [] : [ax + ((y - ay) / (by - ay)) * (bx - ax)]
    }),
  )
  return side === 'left' ? Math.min(...xs) : Math.max(...xs)
}
