/** Drawings in millimetres, y up as installed. A point's third figure is the radius of its corner. */
export type Pt = readonly [x: number, y: number, r?: number]
export type Line = readonly Pt[]

/** How a piece of a part is painted: cut edges strong, seen ones thin; what is cut may be hatched, or full where it is thin. */
export type Stroke = 'cut' | 'seen' | 'thin' | 'brass' | 'full' | 'coil'

export interface Piece {
  line: Line
  closed: boolean
  stroke: Stroke
  /** what a casting is hollowed by; they may overlap one another and stick out of it */
  hollows?: readonly Line[]
  hatch?: 'right' | 'left' | 'fine'
}

export const rect = (x0: number, y0: number, x1: number, y1: number, r = 0): Line => [
  [x0, y0, r],
  [x1, y0, r],
  [x1, y1, r],
  [x0, y1, r],
]
export const shift = (line: Line, dx: number, dy: number): Line =>
  line.map(([x, y, r = 0]) => [x + dx, y + dy, r])

/** Turned about (0, 0), degrees, counter-clockwise. */
function turn(line: Line, degrees: number): Line {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
  return line.map(([x, y, r = 0]) => [x * c - y * s, x * s + y * c, r])
}

export const movePieces = (pieces: readonly Piece[], dx: number, dy: number, degrees = 0): Piece[] =>
  pieces.map((piece) => ({
    ...piece,
    line: shift(turn(piece.line, degrees), dx, dy),
    ...(piece.hollows
      ? { hollows: piece.hollows.map((hollow) => shift(turn(hollow, degrees), dx, dy)) }
      : {}),
  }))

export const closed = (line: Line, stroke: Stroke = 'seen', hatch?: Piece['hatch']): Piece => ({
  line,
  closed: true,
  stroke,
  ...(hatch ? { hatch } : {}),
})
export const open = (line: Line, stroke: Stroke = 'thin'): Piece => ({ line, closed: false, stroke })

/** A sectioned casting. */
export const casting = (line: Line, hollows: readonly Line[], hatch: Piece['hatch'] = 'right'): Piece => ({
  line,
  closed: true,
  stroke: 'cut',
  hollows,
  hatch,
})

export function circle(x: number, y: number, r: number, stroke: Stroke = 'seen'): Piece {
  const line = Array.from({ length: 24 }, (_, i): Pt => {
    const angle = (i * Math.PI) / 12
    return [x + r * Math.cos(angle), y + r * Math.sin(angle)]
  })
  return closed(line, stroke)
}

// Parts of parameters, mm: their origin is the point that sits on its seat, and they leave upward.

/** A screw: the origin under its head, its shank down. */
export const screw = (length: number, d = 5, head = 8.6): Piece[] => [
  closed([
    [-head / 2, 0],
    [-head / 2, head * 0.42, 0.8],
    [head / 2, head * 0.42, 0.8],
    [head / 2, 0],
  ]),
  closed([
    [-d / 2, 0],
    [-d / 2, -length + 1],
    [-d / 2 + 0.9, -length],
    [d / 2 - 0.9, -length],
    [d / 2, -length + 1],
    [d / 2, 0],
  ]),
  open([
    [-0.7, head * 0.42],
    [-0.7, head * 0.24],
    [0.7, head * 0.24],
    [0.7, head * 0.42],
  ]),
]

/** A jet with its slot and its thread, bore mm; the origin under its head. */
export const jet = (bore: number): Piece[] => [
  {
    line: [
      [-4.2, 0],
      [-4.2, 3.2, 0.5],
      [-1, 3.2],
      [-1, 1.9],
      [1, 1.9],
      [1, 3.2],
      [4.2, 3.2, 0.5],
      [4.2, 0],
      [3, 0],
      [3, -5.4],
      [2, -6.6],
      [-2, -6.6],
      [-3, -5.4],
      [-3, 0],
    ],
    closed: true,
    stroke: 'brass',
    hatch: 'fine',
    hollows: [rect(-Math.max(bore, 0.7) / 2, -7, Math.max(bore, 0.7) / 2, 4)],
  },
]

/** A coil spring from the side, upward from its seat. */
export function spring(r: number, length: number, turns: number): Piece[] {
  const pitch = length / turns
  const line: Pt[] = []
  for (let i = 0; i <= turns; i++) {
    line.push([-r, i * pitch])
    if (i < turns) line.push([r, (i + 0.5) * pitch])
  }
  return [open(line, 'coil')]
}

/** A gasket between faces, cut: the spans of it that are left between its holes. */
export const gasket = (spans: readonly (readonly [number, number])[], thick: number): Piece[] =>
  spans.map(([from, to]) => closed(rect(from, 0, to, thick), 'full'))

/** A seal in its groove: both cuts and the far half between. */
export const seal = (from: number, to: number): Piece[] => [
  open([
    [from, 0.4],
    [to, 0.4],
  ]),
  circle(from, 0.5, 1.2, 'full'),
  circle(to, 0.5, 1.2, 'full'),
]

/** An adjusting screw with its taper and spring, its tip at the origin, leaving upward. */
export const adjuster = (length: number, d = 3.6): Piece[] => [
  closed(
    [
      [0, 0],
      [-d / 2 + 0.4, 6],
      [-d / 2, 7],
      [-d / 2, length],
      [d / 2, length],
      [d / 2, 7],
      [d / 2 - 0.4, 6],
    ],
    'brass',
  ),
  closed([
    [-4, length],
    [-4, length + 5.5, 0.8],
    [-0.6, length + 5.5],
    [-0.6, length + 4],
    [0.6, length + 4],
    [0.6, length + 5.5],
    [4, length + 5.5, 0.8],
    [4, length],
  ]),
  ...movePieces(spring(3.1, length * 0.4, 4), 0, length * 0.58),
]

/** A plug or a fitting with a head for a wrench: the origin under its head. */
export const fitting = (length: number, d: number, across: number): Piece[] => [
  closed([
    [-across / 2, 0],
    [-across / 2, across * 0.4, 0.6],
    [across / 2, across * 0.4, 0.6],
    [across / 2, 0],
  ]),
  open([
    [-across / 4, 0],
    [-across / 4, across * 0.4],
  ]),
  open([
    [across / 4, 0],
    [across / 4, across * 0.4],
  ]),
  closed(rect(-d / 2, -length, d / 2, 0, 0.4)),
]

/** A link of wire, mm thick as drawn by two edges. */
export function rod(line: Line): Piece[] {
  return [open(line, 'cut')]
}

/** A seat: threaded brass with its bore, the origin where its shoulder meets the face, leaving downward. */
export const seat = (bore: number, length = 8): Piece[] => [
  {
    line: [
      [-3.4, length],
      [3.4, length],
      [3.4, 0],
      [4.4, 0],
      [4.4, -2.2],
      [-4.4, -2.2],
      [-4.4, 0],
      [-3.4, 0],
    ],
    closed: true,
    stroke: 'brass',
    hatch: 'fine',
    hollows: [rect(-1.8, -3, 1.8, length * 0.5), rect(-bore / 2, 0, bore / 2, length + 1)],
  },
]

/** A plate on its shaft, seen along the shaft: radius of the plate mm, its angle from across the bore. */
export const plateOnShaft = (r: number, degrees: number): Piece[] => [
  closed(turn(rect(-r, -0.7, r, 0.7), degrees), 'seen'),
  circle(0, 0, 3.2, 'cut'),
]

/** A pump's plunger: stem, cup and its lip; the origin at the lip's foot. */
export const plunger = (stem: number, r: number): Piece[] => [
  closed(rect(-1.2, 5, 1.2, stem, 0.4)),
  closed(
    [
      [-r, 0],
      [-r, 3.5],
      [-r * 0.5, 6],
      [r * 0.5, 6],
      [r, 3.5],
      [r, 0],
      [r - 1.2, 1.6],
      [-r + 1.2, 1.6],
    ],
    'cut',
  ),
]

/** A solenoid or sensor from the side, leaving upward: its plunger at the origin, thread, winding and two wires. */
export const solenoid = (): Piece[] => [
  closed([
    [-1.2, 0],
    [1.2, 0],
    [1.2, 5],
    [-1.2, 5],
  ]),
  closed(rect(-3.5, 5, 3.5, 9), 'seen'),
  closed(rect(-6, 9, 6, 20, 1.5)),
  open([
    [-2, 20],
    [-2, 24],
    [-5, 27],
  ]),
  open([
    [2, 20],
    [2, 24],
    [5, 27],
  ]),
]

/** A cover with a bimetal coil, from the side: its foot at the origin, leaving upward. */
export const coilCover = (r: number): Piece[] => [
  closed([
    [-r, 0],
    [-r, 4, 1.5],
    [-r * 0.72, 8, 2],
    [r * 0.72, 8, 2],
    [r, 4, 1.5],
    [r, 0],
  ]),
  open([
    [-r * 0.72, 0],
    [-r * 0.72, 5.5],
    [r * 0.72, 5.5],
    [r * 0.72, 0],
  ]),
  ...[0.2, 0.4, 0.6].map((k) =>
    open([
      [-r * k, 0.8],
      [-r * k, 4.6],
    ]),
  ),
  ...[0.2, 0.4, 0.6].map((k) =>
    open([
      [r * k, 0.8],
      [r * k, 4.6],
    ]),
  ),
]
