import {
  adjuster,
  casting,
  closed,
  fitting,
  gasket,
  jet,
  movePieces,
  open,
  plateOnShaft,
  rect,
  screw,
  seat,
  type Line,
  type Piece,
  type PlaceOnSheet,
  type Pt,
  type FamilyDrawing,
} from '../drawing/index.ts'
import { downdraft } from './downdraft.ts'
import type { UnitSizes } from './sizes.ts'

const BORE_X = 74
const APART = 40

/** The bowl of an updraft, with a boss for its main jet at x, mm. */
const bowlOf = (jet: number): Line => [
  [-9, 2],
  [50, 2],
  ...(jet + 8 < 46
    ? ([
        [50, -40, 4],
        [jet + 8, -40, 1],
        [jet + 7, -36, 1],
      ] as const)
    : ([[50, -36, 1]] as const)),
  [jet - 7, -36, 1],
  [jet - 8, -40, 1],
  [-9, -40, 4],
]

/** A bowl beside bores that breathe from below; flange on top. Bowl's rim y = 0, its middle x = 20, mm. */
function updraftBody(bores: readonly number[], jet: number): Piece[] {
  const right = bores.at(-1)! + 24
  return [
    casting(
      [
        [-14, 0],
        [55, 0],
        [55, 10, 2],
        [BORE_X - 20, 20, 3],
        [BORE_X - 32, 21],
        [BORE_X - 32, 30],
        [right + 8, 30],
        [right + 8, 21],
        [right - 4, 20, 3],
        [right - 4, -42, 3],
        [right - 1, -60, 3],
        [right + 2, -66],
        [BORE_X - 26, -66],
        [BORE_X - 23, -58, 3],
        [55, -50, 3],
        [-8, -50, 5],
        [-14, -44, 3],
      ],
      [
        bowlOf(jet),
        rect(jet - 3, -34, jet + 3, -43, 0.8),
        rect(jet - 1.4, -55, jet + 1.4, -42),
        rect(jet - 1.4, -47.4, bores[0]! + 2, -44.6),
        ...bores.map((x): Pt[] => [
          [x - 14, 32],
          [x - 14, 6],
          [x - 11, -8, 6],
          [x - 11, -24, 6],
          [x - 15, -44],
          [x - 20, -68],
          [x + 20, -68],
          [x + 15, -44],
          [x + 11, -24, 6],
          [x + 11, -8, 6],
          [x + 14, 6],
          [x + 14, 32],
        ]),
        rect(BORE_X - 28.5, 19, BORE_X - 22.5, 32),
        rect(right - 0.5, 19, right + 5.5, 32),
        rect(55, 8.4, bores[0]! - 12, 11.6),
      ],
    ),
    // the main nozzle stands up into the throat
    ...bores.map((x) =>
      casting(
        [
          [x - 2.6, -47.4],
          [x - 2.6, -12],
          [x + 2.6, -16],
          [x + 2.6, -47.4],
        ],
        [rect(x - 1.3, -48, x + 1.3, -10)],
        'fine',
      ),
    ),
    // the choke plate in the bell
    ...movePieces(plateOnShaft(16, 24), bores[0]!, -58),
  ]
}

/** Where a guided float slides and its needle stands on it, and where the main jet sits beside it, mm. */
const GUIDE_X = 18
const JET_X = 40

/** One bore, its float sliding on a pin and its needle standing on it under a seat in the lid. */
export function updraft(sizes: UnitSizes): FamilyDrawing {
  const inLid = { parent: 'bowl.cover' } as const
  const places: Record<string, PlaceOnSheet> = {
    body: { pieces: [], at: [0, 0], axis: 0, way: 0, anchor: [-12, -46] },
    'throttle.shaft': { pieces: plateOnShaft(13.4, 8), at: [BORE_X, 14], axis: 0, way: 0 },
    'drain.plug': { pieces: fitting(6, 5.6, 11), at: [JET_X, -50], axis: 180, way: 20, anchor: [4, -3] },
    'jet.main': { pieces: jet(sizes.bore('jet.main')), at: [JET_X, -36], axis: 0, way: 56, anchor: [3, 3] },
    'air.screw': { pieces: adjuster(20), at: [58, 10], axis: 60, way: 20, anchor: [-20, 12] },
    'guide.pin': {
      pieces: [closed(rect(-1.5, -7, 1.5, 28, 0.6), 'brass')],
      at: [GUIDE_X, -40],
      axis: 0,
      way: 46,
      anchor: [0, 4],
    },
    float: {
      pieces: [closed(rect(-19, 0, 19, 20, 2), 'cut')],
      at: [GUIDE_X, -30],
      axis: 0,
      way: 50,
      anchor: [-12, 15],
    },
    needle: {
      pieces: [
        closed(
          [
            [-1.2, 0],
            [-1.2, 8],
            [0, 12],
            [1.2, 8],
            [1.2, 0],
          ],
          'brass',
        ),
      ],
      at: [GUIDE_X, -9],
      axis: 0,
      way: 46,
      anchor: [1.2, 4],
    },
    'bowl.gasket': {
      pieces: gasket(
        [
          [-14, -9],
          [50, 55],
        ],
        1,
      ),
      at: [0, 0],
      asSeated: true,
      axis: 0,
      way: 22,
      lifted: true,
      anchor: [50, 0.5],
    },
    'bowl.cover': {
      pieces: [
        casting(
          [
            [-14, 0],
            [55, 0],
            [55, 8, 2],
            [GUIDE_X + 7, 8],
            [GUIDE_X + 7, 18, 2],
            [GUIDE_X - 7, 18, 2],
            [GUIDE_X - 7, 8],
            [-14, 8, 2],
          ],
          [
            rect(GUIDE_X - 3.4, -2, GUIDE_X + 3.4, 9),
            rect(GUIDE_X - 1.8, 8, GUIDE_X + 1.8, 15),
            rect(-12.6, -1, -8.6, 9),
            rect(49.6, -1, 53.6, 9),
          ],
          'left',
        ),
      ],
      at: [0, 1],
      axis: 0,
      way: 58,
      lifted: true,
      anchor: [-10, 7],
    },
    seat: {
      pieces: seat(sizes.bore('seat'), 7),
      at: [GUIDE_X, 1],
      axis: 180,
      way: 20,
      asSeated: true,
      ...inLid,
      anchor: [-4, -1],
    },
    'seat.washer': {
      pieces: [closed(rect(-5, -0.6, -3.4, 0.6), 'full'), closed(rect(3.4, -0.6, 5, 0.6), 'full')],
      at: [GUIDE_X, 1],
      axis: 180,
      way: 26,
      asSeated: true,
      ...inLid,
      anchor: [4.4, 0],
    },
    'lid.screws': {
      pieces: [-10.6, 51.6].flatMap((x) => movePieces(screw(13, 4.4, 7.4), x, 0)),
      one: screw(13, 4.4, 7.4),
      at: [0, 9],
      axis: 0,
      way: 18,
      ...inLid,
      anchor: [-10.6, 3],
    },
    'choke.cable': { pieces: screw(6, 3.4, 6), at: [BORE_X + 23, -58], axis: -90, way: 16, anchor: [3, 2] },
  }
  return {
    title: 'bowl and bore, air from below',
    section: 'C–C',
    fixed: updraftBody([BORE_X], JET_X),
    axes: [
      [
        [BORE_X, 40],
        [BORE_X, -74],
      ],
      [
        [GUIDE_X, -48],
        [GUIDE_X, 24],
      ],
      [
        [JET_X, -62],
        [JET_X, -28],
      ],
    ],
    places,
    floatOn: 'body',
    floatAt: [GUIDE_X, 0],
    bowl: bowlOf(JET_X),
  }
}

/** Two bores fed by one bowl, the float hung from its cover as on the downdrafts. */
export function twinUpdraft(sizes: UnitSizes): FamilyDrawing {
  const bores = [BORE_X, BORE_X + APART]
  const right = bores.at(-1)! + 24
  const own = downdraft(sizes, false).places
  const cover: Piece[] = [
    casting(
      [
        [-14, 0],
        [55, 0],
        [55, 8, 2],
        [17.6, 8, 1],
        [17, 12, 1],
        [17, 24, 3],
        [-3, 24, 3],
        [-3, 12, 1],
        [-14, 8, 2],
      ],
      [rect(2.6, -2, 9.4, 6.4), rect(3.8, 6, 8.2, 11), rect(-12.6, -1, -8.6, 9), rect(49.6, -1, 53.6, 9)],
      'left',
    ),
    closed([
      [-2.8, 0],
      [-2.8, -6],
      [-2, -8.2, 1.5],
      [2, -8.2, 1.5],
      [2.8, -6],
      [2.8, 0],
    ]),
  ]
  const carried = Object.fromEntries(
    ['float', 'float.pin', 'needle', 'seat', 'seat.washer', 'inlet.screen', 'inlet.fitting'].map((code) => [
      code,
      own[code]!,
    ]),
  )
  const places: Record<string, PlaceOnSheet> = {
    body: { pieces: [], at: [0, 0], axis: 0, way: 0, anchor: [-12, -46] },
    'throttle.shaft': {
      pieces: bores.flatMap((x) => movePieces(plateOnShaft(13.4, 8), x - bores[0]!, 0)),
      at: [bores[0]!, 14],
      axis: 0,
      way: 0,
    },
    'mixture/R': { pieces: adjuster(18), at: [right - 18, 10], axis: -90, way: 22, anchor: [20, 0] },
    'mixture/L': { pieces: adjuster(18), at: [60, 12], axis: 55, way: 20, anchor: [-17, 12] },
    'jet.main/L': { pieces: jet(sizes.bore('jet.main/L')), at: [20, -36], axis: 0, way: 50, anchor: [-3, 3] },
    'jet.main/R': {
      pieces: jet(sizes.bore('jet.main/R')),
      at: [34, -36.4],
      axis: 0,
      way: 50,
      anchor: [3, 3],
    },
    'body.gasket': {
      pieces: gasket(
        [
          [BORE_X - 23, BORE_X - 19.6],
          [bores[0]! + 19.6, bores[1]! - 19.6],
          [bores[1]! + 19.6, right],
        ],
        1.4,
      ),
      at: [0, -67.6],
      asSeated: true,
      axis: 180,
      way: 12,
      anchor: [BORE_X - 21, 0],
    },
    'flange.gasket': {
      pieces: gasket(
        [
          [BORE_X - 32, BORE_X - 28.5],
          [BORE_X - 22.5, bores[0]! - 14],
          [bores[0]! + 14, bores[1]! - 14],
          [bores[1]! + 14, right - 0.5],
          [right + 5.5, right + 8],
        ],
        1.4,
      ),
      at: [0, 30.2],
      asSeated: true,
      axis: 0,
      way: 10,
      anchor: [right + 6, 1],
    },
    'cover.gasket': {
      pieces: gasket(
        [
          [-14, -9],
          [50, 55],
        ],
        1,
      ),
      at: [0, 0],
      asSeated: true,
      axis: 0,
      way: 14,
      lifted: true,
      anchor: [50, 0.5],
    },
    cover: { pieces: cover, at: [0, 1], axis: 0, way: 66, lifted: true, anchor: [40, 8] },
    ...carried,
    'cover.screws': {
      pieces: [-10.6, 30, 51.6].flatMap((x) => movePieces(screw(13, 4.4, 7.4), x, 0)),
      one: screw(13, 4.4, 7.4),
      at: [0, 9],
      axis: 0,
      way: 16,
      parent: 'cover',
      anchor: [-10.6, 3],
    },
  }
  return {
    title: 'bowl and both bores, air from below',
    section: 'C–C',
    fixed: [
      ...updraftBody(bores, 20),
      open([
        [34, -36],
        [34, -44],
      ]),
    ],
    axes: bores.map((x): [Pt, Pt] => [
      [x, 40],
      [x, -74],
    ]),
    places,
    floatOn: 'cover',
    floatAt: [0, 1],
    bowl: bowlOf(20),
  }
}
