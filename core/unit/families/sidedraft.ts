import {
  adjuster,
  casting,
  circle,
  closed,
  fitting,
  jet,
  movePieces,
  open,
  rect,
  screw,
  seal,
  seat,
  shift,
  spring,
  type Line,
  type Piece,
  type PlaceOnSheet,
  type Pt,
  type FamilyDrawing,
} from '../drawing/index.ts'
import type { UnitSizes } from './sizes.ts'

/** Axis of slide or diaphragm, and of the bore, mm; the body's lower face is y = 0, its hinge pin x = 0, the engine on the left. */
const SLIDE_X = 22
const BORE_Y = 31

/** The bell on the intake's side: its radius grows with the square of the way. */
function bell(from: number, to: number, wall: number, side: 1 | -1): Pt[] {
  const line: Pt[] = []
  for (let x = from; x <= to; x += 4) line.push([x, BORE_Y + side * (13 + wall + 4.6 * ((x - 37) / 45) ** 2)])
  return line
}

const bodyOutline = (top: number): Line => [
  [-23, 0],
  [16, 0],
  [16, -11, 0.6],
  [28, -11, 0.6],
  [28, 0],
  [31.4, 0],
  [31.4, -7, 0.6],
  [38.6, -7, 0.6],
  [38.6, 0],
  [55, 0],
  [55, 8, 1],
  [50, 9, 2],
  [50, 14.2, 3],
  ...bell(53, 77, 3.1, -1),
  [78, 11, 0.8],
  [80, 11, 0.8],
  [80, 51, 0.8],
  [78, 51, 0.8],
  ...bell(40, 77, 3.1, 1).reverse(),
  [38.6, 47.6, 3],
  [38.6, top, 0.6],
  [5.4, top, 0.6],
  [5.4, 47.6, 3],
  [-43, 47.6, 2],
  [-44, 51, 1],
  [-52, 51, 1],
  [-52, 11, 1],
  [-44, 11, 1],
  [-43, 14.4, 2],
  [-17, 14.4, 2],
  [-17, 9, 2],
  [-23, 8, 1],
]

const bodyHollows = (top: number): Line[] => [
  [[-54, 18], ...bell(37, 82, 0, -1), ...bell(37, 82, 0, 1).reverse(), [-54, 44]],
  rect(SLIDE_X - 13.2, 18, SLIDE_X + 13.2, top + 3),
  rect(SLIDE_X - 3.8, -13, SLIDE_X + 3.8, 8),
  rect(SLIDE_X - 2.5, 7, SLIDE_X + 2.5, 19.5),
  rect(33.4, -9, 36.6, 1.6),
  rect(34.3, 0.5, 35.7, 9.8),
  rect(34.3, 8.4, 44.4, 9.8),
  rect(44, 6.2, 52, 12),
  rect(46.4, 11, 48, 19),
  rect(5.2, 13, 6.6, 19),
  rect(2, -2, 8, 7.4),
  rect(3.4, 6, 6.6, 10.6),
  rect(-19, 6.6, -12, 11.4),
  rect(-13, 7.4, 6.6, 10.6),
  rect(-13.8, -1, -11.2, 1.9),
  rect(43.2, -1, 45.8, 1.9),
  rect(-20.5, -1, -17.1, 6),
  rect(48.9, -1, 52.3, 6),
]

const BOWL: Line = [
  [-10.5, 2],
  [42.5, 2],
  [42.5, -34.4, 5],
  [-10.5, -34.4, 5],
]

const bowl: Piece[] = [
  casting(
    [
      [-23, 0],
      [-23, -4, 1],
      [-16, -5, 2],
      [-14, -9, 3],
      [-14, -37.5, 6],
      [13, -37.5, 2],
      [13, -44, 1.5],
      [31, -44, 1.5],
      [31, -37.5, 2],
      [46, -37.5, 6],
      [46, -9, 3],
      [48, -5, 2],
      [55, -4, 1],
      [55, 0],
    ],
    [BOWL, rect(19.4, -46, 24.6, -33, 1), rect(-20.8, -6, -16.8, 1), rect(48.6, -6, 52.6, 1)],
    'left',
  ),
  ...movePieces(fitting(6, 5, 9), 22, -44, 180),
]

const cap: Piece[] = [
  casting(
    [
      [-19.6, 0],
      [-19.6, 8, 1],
      [-15, 10, 2],
      [-5, 13, 2],
      [-4, 14],
      [-4, 19, 0.6],
      [4, 19, 0.6],
      [4, 14],
      [5, 13, 2],
      [15, 10, 2],
      [19.6, 8, 1],
      [19.6, 0],
    ],
    [
      [
        [-17.4, -1],
        [-17.4, 5],
        [-13, 8],
        [13, 8],
        [17.4, 5],
        [17.4, -1],
      ],
      rect(-1.1, 7, 1.1, 20),
    ],
    'left',
  ),
  ...movePieces(spring(8.4, 20, 6), 0, -12),
]

/** A wide cover over a diaphragm, with its spring. */
const dome: Piece[] = [
  casting(
    [
      [-30, 0],
      [-30, 4, 1],
      [-24, 5, 2],
      [-20, 20, 6],
      [20, 20, 6],
      [24, 5, 2],
      [30, 4, 1],
      [30, 0],
    ],
    [
      [
        [-22, -1],
        [-21, 4, 2],
        [-17.6, 17, 5],
        [17.6, 17, 5],
        [21, 4, 2],
        [22, -1],
      ],
    ],
    'left',
  ),
  ...movePieces(spring(6, 26, 7), 0, -9),
]

const slide: Piece[] = [
  casting(
    [
      [-13, 0],
      [1, 0],
      [13, 3.6],
      [13, 29],
      [-13, 29],
    ],
    [rect(-11.2, 8, 11.2, 31), rect(-1.5, -1, 1.5, 12)],
    'left',
  ),
]

const lifted: Piece[] = [
  casting(
    [
      [-12, 0],
      [12, 0],
      [12, 30],
      [-12, 30],
    ],
    [rect(-10.2, 7, 10.2, 32), rect(-1.5, -1, 1.5, 12), rect(4, -1, 6, 10)],
    'left',
  ),
  // the membrane from its groove to the bead
  open(
    [
      [-12, 27],
      [-17, 23],
      [-23, 29],
    ],
    'cut',
  ),
  open(
    [
      [12, 27],
      [17, 23],
      [23, 29],
    ],
    'cut',
  ),
  circle(-24.4, 29.6, 1.4, 'full'),
  circle(24.4, 29.6, 1.4, 'full'),
]

/** A sidedraft whose throttle is a slide, or a plate behind a piston that a diaphragm lifts; its float hangs on the body. */
export function sidedraft(sizes: UnitSizes, diaphragm: boolean): FamilyDrawing {
  const top = diaphragm ? 55.5 : 64.5
  const body: Piece[] = [
    casting(bodyOutline(top), bodyHollows(top)),
    ...(diaphragm
      ? [
          // the face that the membrane's bead lies on, and the throttle plate on the engine's side
          closed([
            [SLIDE_X - 30, top - 4],
            [SLIDE_X - 30, top],
            [SLIDE_X - 13.2, top],
            [SLIDE_X - 13.2, top - 4],
          ]),
          closed([
            [SLIDE_X + 13.2, top - 4],
            [SLIDE_X + 13.2, top],
            [SLIDE_X + 30, top],
            [SLIDE_X + 30, top - 4],
          ]),
          closed(
            shift(
              [
                [-2.4, -12.6],
                [-0.8, -12.8],
                [2.4, 12.6],
                [0.8, 12.8],
              ],
              -34,
              BORE_Y,
            ),
          ),
          circle(-34, BORE_Y, 2.6, 'cut'),
        ]
      : []),
    // the nipple that the fuel comes in by, the posts of the float, the holder of the main jet
    casting(
      [
        [-39, 6.2],
        [-39, 11.8],
        [-35, 12.4],
        [-33.6, 11.4],
        [-12, 11.4],
        [-12, 6.6],
        [-33.6, 6.6],
        [-35, 5.6],
      ],
      [rect(-41, 7.4, -10, 10.6)],
      'fine',
    ),
    closed([
      [-2.6, 0],
      [-2.6, -4.2],
      [-1.8, -6.4, 1.3],
      [1.8, -6.4, 1.3],
      [2.6, -4.2],
      [2.6, 0],
    ]),
    casting(
      [
        [17.2, -16],
        [17.2, -11],
        [18.2, -11],
        [18.2, 8],
        [19.5, 8],
        [19.5, 20],
        [24.5, 20],
        [24.5, 8],
        [25.8, 8],
        [25.8, -11],
        [26.8, -11],
        [26.8, -16],
      ],
      [rect(20.7, -17, 23.3, 21)],
      'fine',
    ),
  ]
  const float: Piece[] = [
    closed(
      [
        [9, -7.6],
        [11, -7, 1],
        [34, -7, 1.5],
        [36, -9, 1.5],
        [36, -20, 1.5],
        [13, -20, 2],
        [9, -17, 1],
      ],
      'cut',
    ),
    closed([
      [0, 1.1],
      [5, 1.2],
      [10, -7.2],
      [9, -9],
      [4.4, -0.8],
      [0, -1.1],
    ]),
  ]
  const mainNeedle: Piece[] = [
    closed(
      [
        [-1.25, 14],
        [1.25, 14],
        [1.25, -6],
        [0.55, -28],
        [0, -29],
        [-0.55, -28],
        [-1.25, -6],
      ],
      'brass',
    ),
    closed(rect(-3.4, 9.6, 3.4, 10.8), 'full'),
  ]
  const above = {
    'main.needle': {
      pieces: mainNeedle,
      at: [SLIDE_X, 22],
      axis: 0,
      way: 46,
      anchor: [1.2, 12],
    } satisfies PlaceOnSheet,
  }
  const places: Record<string, PlaceOnSheet> = {
    body: { pieces: [], at: [0, 0], axis: 0, way: 0, anchor: [-40, 47] },
    seat: {
      pieces: seat(sizes.bore('seat'), 6),
      at: [5, 0],
      axis: 180,
      way: 22,
      asSeated: true,
      anchor: [4, -1],
    },
    needle: {
      pieces: [
        closed(
          [
            [-0.8, -8],
            [-1.2, -7],
            [-1.2, -2.4],
            [0, 1.6],
            [1.2, -2.4],
            [1.2, -7],
            [0.8, -8],
          ],
          'brass',
        ),
      ],
      at: [5, 3],
      axis: 180,
      way: 30,
      asSeated: true,
      anchor: [0, -6],
    },
    float: { pieces: float, at: [0, -4], axis: 180, way: 30, asSeated: true, anchor: [30, -14] },
    'float.pin': { pieces: [circle(0, 0, 1.6, 'cut')], at: [0, -4], axis: 90, way: 20 },
    'jet.main': {
      pieces: jet(sizes.bore('jet.main')),
      at: [SLIDE_X, -16],
      axis: 180,
      way: 26,
      anchor: [4, -2],
    },
    'jet.idle': {
      pieces: movePieces(jet(sizes.bore('jet.idle')), 0, 0).map((piece) => ({
        ...piece,
        line: piece.line.map(([x, y, r = 0]): Pt => [x * 0.62, y * 0.8, r]),
      })),
      at: [35, -2.6],
      axis: 180,
      way: 30,
      anchor: [2.4, -2],
    },
    mixture: { pieces: adjuster(15, 3), at: [-38, 17], axis: 180, way: 22, anchor: [0, -16] },
    'air.screw': { pieces: adjuster(15, 3), at: [45, 9.1], axis: -90, way: 20, anchor: [17, 0] },
    'air.cut': {
      pieces: [
        closed([
          [-10, 0],
          [-10, 3, 1],
          [-6, 7, 2],
          [6, 7, 2],
          [10, 3, 1],
          [10, 0],
        ]),
        ...movePieces(spring(3, 5, 3), 0, 0.6),
      ],
      at: [62, 50.2],
      axis: 0,
      way: 16,
      anchor: [8, 4],
    },
    'choke.plunger': {
      pieces: [
        closed(rect(-2.6, 0, 2.6, 7, 0.6), 'brass'),
        closed(rect(-0.9, 7, 0.9, 26)),
        ...movePieces(spring(2.4, 12, 5), 0, 8),
        closed(rect(-4.4, 14, 4.4, 19, 0.6)),
      ],
      at: [-28, 34],
      axis: 0,
      way: 24,
      anchor: [0, 24],
    },
    'bowl.seal': {
      pieces: seal(-12.5, 44.5),
      at: [0, -0.8],
      axis: 180,
      way: 9,
      asSeated: true,
      anchor: [44.5, 0.4],
    },
    bowl: { pieces: bowl, at: [0, -1], axis: 180, way: 27, lifted: true, asSeated: true, anchor: [46, -24] },
    'bowl.screws': {
      pieces: [-18.8, 50.6].flatMap((x) => movePieces(screw(9, 4, 7), x, 0, 180)),
      one: screw(9, 4, 7),
      at: [0, -5.4],
      axis: 180,
      way: 14,
      asSeated: true,
      parent: 'bowl',
      anchor: [50.6, -2],
    },
    ...(diaphragm
      ? {
          ...above,
          diaphragm: {
            pieces: lifted,
            at: [SLIDE_X, 25.5],
            axis: 0,
            way: 46,
            lifted: true,
            anchor: [-17, 24],
          } satisfies PlaceOnSheet,
          cap: {
            pieces: dome,
            at: [SLIDE_X, top],
            axis: 0,
            way: 62,
            lifted: true,
            anchor: [-22, 8],
          } satisfies PlaceOnSheet,
        }
      : {
          ...above,
          slide: {
            pieces: slide,
            at: [SLIDE_X, 19],
            axis: 0,
            way: 50,
            lifted: true,
            anchor: [-13, 20],
          } satisfies PlaceOnSheet,
          cap: {
            pieces: cap,
            at: [SLIDE_X, top - 8],
            axis: 0,
            way: 52,
            lifted: true,
            anchor: [-15, 9],
          } satisfies PlaceOnSheet,
        }),
  }
  return {
    title: diaphragm ? 'diaphragm, bore, bowl' : 'slide, bore, bowl',
    section: 'B–B',
    fixed: body,
    axes: [
      [
        [SLIDE_X, -62],
        [SLIDE_X, top + 82],
      ],
      [
        [-58, BORE_Y],
        [86, BORE_Y],
      ],
    ],
    places,
    floatOn: 'body',
    floatAt: [0, 0],
    bowl: BOWL.map(([x, y, r = 0]): Pt => [x, y - 1, r]),
  }
}
