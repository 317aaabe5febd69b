import type { Position } from '../../sheets/index.ts'
import { movePieces, shift, type Line, type Piece, type Pt } from './shapes.ts'

/** Where a part sits, mm, and how it leaves: the way along its axis, degrees from straight up, counter-clockwise. */
export interface PlaceOnSheet {
  pieces: readonly Piece[]
  at: Pt
  /** degrees by which its pieces are turned, and its axis with them; 0 leaves upward, 180 downward, 90 to the left */
  axis: number
  /** how far it goes to be clear, mm */
  way: number
  /** pieces are drawn as seated without turning: castings and floats; the axis alone is turned */
  asSeated?: boolean
  /** a casting that is lifted off stays in sight where it was lifted to; others leave a dashed empty seat */
  lifted?: boolean
  /** the part that carries it when that is lifted */
  parent?: string
  /** one of several alike, as it lies in a tray */
  one?: readonly Piece[]
  /** where a leader points, mm from its seat, as seated; its origin where nothing is said */
  anchor?: Pt
}

/** Where a section is cut on a plan, mm, and its letter. */
export interface Cut {
  from: Pt
  to: Pt
  letter: string
}

/** A family’s unit as it is drawn: in the order of painting; what is fixed belongs to the body. */
export interface FamilyDrawing {
  title: string
  /** section, as on the drawing */
  section: string
  fixed: readonly Piece[]
  /** axes, drawn last, mm */
  axes: readonly (readonly [Pt, Pt])[]
  places: Readonly<Record<string, PlaceOnSheet>>
  /** what the float hangs on or slides in: 'body', or the position that is lifted with it */
  floatOn: string
  /** where the float's own section has its origin, as seated, mm: the pin's foot on the face, or a guided float's axis on it */
  floatAt: Pt
  /** the cavity that holds fuel, mm */
  bowl: Line
}

/** A list number's unit, with its plan: x as in the section, y to the back. */
export interface UnitDrawing extends FamilyDrawing {
  plan: { outlines: readonly Line[]; cut: Cut }
}

/** Another size of the same design: every length by k, about the origin. */
export function scaledDrawing(drawing: FamilyDrawing, k: number): FamilyDrawing {
  if (k === 1) return drawing
  const at = ([x, y, r = 0]: Pt): Pt => [x * k, y * k, r * k]
  const line = (points: Line): Line => points.map(at)
  const pieces = (all: readonly Piece[]): Piece[] =>
    all.map((piece) => ({
      ...piece,
      line: line(piece.line),
      ...(piece.hollows ? { hollows: piece.hollows.map(line) } : {}),
    }))
  return {
    ...drawing,
    fixed: pieces(drawing.fixed),
    axes: drawing.axes.map(([from, to]): [Pt, Pt] => [at(from), at(to)]),
    places: Object.fromEntries(
      Object.entries(drawing.places).map(([code, place]): [string, PlaceOnSheet] => [
        code,
        {
          ...place,
          pieces: pieces(place.pieces),
          at: at(place.at),
          way: place.way * k,
          ...(place.one ? { one: pieces(place.one) } : {}),
          ...(place.anchor ? { anchor: at(place.anchor) } : {}),
        },
      ]),
    ),
    floatAt: at(drawing.floatAt),
    bowl: line(drawing.bowl),
  }
}

/** How a part stands at a moment: on, off, or the one that is taken off or put on now. */
export type PartStanding = 'on' | 'off' | 'now'

export interface DrawnPart {
  code: string
  standing: PartStanding
  pieces: Piece[]
  /** where its leader points, mm */
  anchor: Pt
  /** its empty seat, where it is lifted off half-way */
  seat: Piece[] | null
}

export interface Exploded {
  parts: DrawnPart[]
  /** positions that the unit's drawing has no place for */
  missing: string[]
}

const direction = (axis: number): readonly [number, number] => {
  const angle = (axis * Math.PI) / 180
  return [-Math.sin(angle), Math.cos(angle)]
}

/**
 * Every part of a build sheet where it is at a moment, mm. A part that is off leaves its seat dashed; one that is lifted as a whole
 * (cover, bowl, cap) stands lifted with all that it carries; the current one is half-way along its own axis.
 */
export function explode(
  drawing: UnitDrawing,
  positions: readonly Position[],
  standings: Readonly<Record<string, PartStanding>>,
): Exploded {
  const { places } = drawing
  const standing = (code: string): PartStanding => standings[code] ?? 'on'
  const known = new Set(positions.map(({ code }) => code))
  const moved = (code: string): readonly [number, number] => {
    const place = places[code]!
    const parent = place.parent && known.has(place.parent) ? moved(place.parent) : ([0, 0] as const)
    const share = standing(code) === 'now' ? 0.5 : standing(code) === 'off' && place.lifted ? 1 : 0
    const [dx, dy] = direction(place.axis)
    return [parent[0] + dx * place.way * share, parent[1] + dy * place.way * share]
  }
  // Painted in the drawing's order: what is drawn later lies before what was drawn earlier.
  const order = Object.keys(places).filter((code) => known.has(code))
  const parts = order.map((code): DrawnPart => {
    const place = places[code]!
    const [dx, dy] = moved(code)
    const turned = place.asSeated ? 0 : place.axis
    const at = (x: number, y: number) => movePieces(place.pieces, place.at[0] + x, place.at[1] + y, turned)
    const parent = place.parent && known.has(place.parent) ? moved(place.parent) : ([0, 0] as const)
    const [ax, ay] = place.anchor ?? [0, 0]
    const [anchor] = shift([[place.at[0] + ax + dx, place.at[1] + ay + dy]], 0, 0)
    return {
      code,
      standing: standing(code),
      pieces: at(dx, dy),
      anchor: anchor!,
      seat: standing(code) === 'now' && place.way > 0 ? at(...parent) : null,
    }
  })
  return { parts, missing: positions.map(({ code }) => code).filter((code) => !places[code]) }
}

export interface Bounds {
  x0: number
  y0: number
  x1: number
  y1: number
}

/** The room that a unit takes in all its states, mm: as it stands and with everything lifted. */
export function boundsOf(drawing: UnitDrawing, positions: readonly Position[]): Bounds {
  const all = (standing: PartStanding) =>
    explode(drawing, positions, Object.fromEntries(positions.map(({ code }) => [code, standing]))).parts
  const points = [
    ...drawing.fixed.flatMap(({ line }) => line),
    ...(['on', 'off', 'now'] as const)
      .flatMap(all)
      .flatMap(({ pieces }) => pieces.flatMap(({ line }) => line)),
  ]
  return {
    x0: Math.min(...points.map(([x]) => x)),
    y0: Math.min(...points.map(([, y]) => y)),
    x1: Math.max(...points.map(([x]) => x)),
    y1: Math.max(...points.map(([, y]) => y)),
  }
}
