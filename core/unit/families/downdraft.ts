import {
  adjuster,
  casting,
  circle,
  closed,
  coilCover,
  fitting,
  gasket,
  jet,
  movePieces,
  open,
  plateOnShaft,
  plunger,
  rect,
  rod,
  screw,
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

/** Axis of the first bore in the section, and from one bore to the next, mm; the bowl's cover face is y = 0, its hinge pin x = 0. */
const BORE_X = 83
const APART = 42
/** How far the cover is lifted, mm. */
const COVER_WAY = 52

/** A bore from bell mouth to throttle plate: its radius over its height. */
const bore = (x: number): Line => {
  const half: Pt[] = [
    [19.4, 2],
    [18.6, -1],
    [16, -6],
    [13.4, -14],
    [12.5, -22],
    [12.8, -31],
    [14.5, -44],
    [15.5, -55],
    [15.5, -84],
  ]
  return [...half.map(([r, y]): Pt => [x - r, y]), ...half.reverse().map(([r, y]): Pt => [x + r, y])]
}

/** The bowl, with a boss standing up for each jet. */
const BOWL: Line = [
  [-10.5, 2],
  [51, 2],
  [51, -37, 3],
  [42.8, -37, 1.4],
  [42, -33, 0.6],
  [30, -33, 0.6],
  [29.2, -37, 1.4],
  [18.4, -37, 1.4],
  [17.6, -33, 0.6],
  [6, -33, 0.6],
  [5.2, -37, 1.4],
  [-10.5, -37, 3],
]

const booster = (x: number): Piece =>
  casting(
    [
      [x - 6.6, -12],
      [x + 6.6, -12],
      [x + 6.6, -29],
      [x - 6.6, -29],
      [x - 6.6, -23],
      [x - 13, -23],
      [x - 13, -17],
      [x - 6.6, -17],
    ],
    [
      [
        [x - 5.4, -11],
        [x - 3.9, -17, 3],
        [x - 3.9, -21, 3],
        [x - 5.4, -30],
        [x + 5.4, -30],
        [x + 3.9, -21, 3],
        [x + 3.9, -17, 3],
        [x + 5.4, -11],
      ],
      rect(x - 14, -21.6, x - 3, -18.4),
    ],
    'fine',
  )

/**
 * A downdraft with its float hung from the cover: two barrels side by side behind one another in the section, or with its
 * secondaries beside them.
 */
export function downdraft(sizes: UnitSizes, secondaries: boolean): FamilyDrawing {
  const bores = secondaries ? [BORE_X, BORE_X + APART] : [BORE_X]
  const right = bores.at(-1)! + 30
  const body: Piece[] = [
    // The throttle body below, then the bowl's.
    casting(
      [
        [52, -61.6],
        [right, -61.6],
        [right, -73, 2],
        [right + 15, -73, 2],
        [right + 15, -82],
        [37, -82],
        [37, -73, 2],
        [52, -73, 2],
      ],
      [
        ...bores.map((x) => rect(x - 15.5, -84, x + 15.5, -60)),
        rect(41.6, -84, 50.2, -71),
        rect(right + 2, -84, right + 10.6, -71),
        rect(50, -69.3, 67.5, -64.7),
      ],
      'left',
    ),
    casting(
      [
        [-38, 0],
        [right, 0],
        [right, -9.5, 2],
        [right - 7, -10.5, 1.5],
        [right - 8.5, -15, 1.5],
        [right - 4, -16.5, 1.5],
        [right - 4, -46.5, 1.5],
        [right - 8.5, -48, 2],
        [right - 8.5, -51.5, 2],
        [right, -54.5, 1.5],
        [right, -60],
        [52, -60],
        [52, -55, 1.5],
        [-30, -55, 5],
        [-30, -17, 3],
        [-38, -12, 3],
      ],
      [
        // pump well
        [
          [-26, 2],
          [-14, 2],
          [-14, -40, 1],
          [-17, -41.4],
          [-23, -41.4],
          [-26, -40, 1],
        ],
        BOWL,
        ...[11.8, 36].flatMap((x) => [rect(x - 3, -31, x + 3, -40.2, 0.8), rect(x - 1.6, -48, x + 1.6, -40)]),
        rect(-32, -48.6, 65.6, -45.4),
        rect(62.2, -48.6, 65.6, -18.4),
        rect(62.2, -21.6, 75, -18.4),
        [
          [55.2, 2],
          [61.2, 2],
          [61.2, -10.6],
          [59.2, -15.4],
          [57.2, -15.4],
          [55.2, -10.6],
        ],
        ...bores.map(bore),
        rect(-36.1, -9, -31.9, 2),
        rect(right - 6.6, -7, right - 2.4, 2),
      ],
    ),
    ...bores.map(booster),
    ...bores.flatMap((x) => [
      open([
        [x - 19.4, 0],
        [x + 19.4, 0],
      ]),
    ]),
  ]

  const tower = [bores[0]! - 21.5, bores.at(-1)! + 20] as const
  const cover: Piece[] = [
    casting(
      [
        [-38, 0],
        [right, 0],
        [right, 8, 2],
        [tower[1] + 2.5, 8, 2],
        [tower[1], 11, 2],
        [tower[1], 34, 1],
        [tower[1] + 1.5, 35],
        [tower[1] + 1.5, 38, 1],
        [tower[0], 38, 1],
        [tower[0], 35],
        [tower[0] + 1.5, 34, 1],
        [tower[0] + 1.5, 11, 2],
        [tower[0] - 1.5, 8, 3],
        [17.6, 8, 1],
        [17, 12, 1],
        [17, 24, 3],
        [-3, 24, 3],
        [-3, 12, 1],
        [-3.6, 8, 1],
        [-13.8, 8, 1],
        [-14.4, 13, 1.5],
        [-25.6, 13, 1.5],
        [-26.2, 8, 1],
        [-38, 8, 2],
      ],
      [
        ...bores.map((x) => rect(x - 16, -2, x + 16, 41)),
        rect(-21.7, -1, -18.3, 14),
        rect(-36.75, -1, -31.25, 9),
        rect(right - 7.2, -1, right - 1.8, 9),
        [
          [2.6, -2],
          [9.4, -2],
          [9.4, 6.4],
          [8.2, 6.4],
          [8.2, 11],
          [3.8, 11],
          [3.8, 6.4],
          [2.6, 6.4],
        ],
      ],
    ),
    // the post that the float hangs on, and the choke plate in the first bore
    closed([
      [-2.8, 0],
      [-2.8, -6],
      [-2, -8.2, 1.5],
      [2, -8.2, 1.5],
      [2.8, -6],
      [2.8, 0],
    ]),
    ...movePieces(plateOnShaft(14.5, 62), bores[0]!, 22),
  ]
  const float: Piece[] = [
    closed(
      shift(
        [
          [12, -8.6],
          [16, -8, 2],
          [44.5, -8, 1],
          [47, -9.5, 1.5],
          [47, -22, 2],
          [45, -24, 2],
          [20, -24, 2],
          [17, -23, 2],
          [12, -10.4],
        ],
        0,
        -6,
      ),
      'cut',
    ),
    closed(
      shift(
        [
          [0, 1.2],
          [6, 1.3],
          [13, -8.3],
          [12, -10.4],
          [5, -0.9],
          [0, -1.2],
        ],
        0,
        -6,
      ),
    ),
  ]
  const gasketSpans = [
    [-38, -26],
    [-14, -10.5],
    [51, bores[0]! - 16],
    ...between(bores, 16),
    [bores.at(-1)! + 16, right],
  ] as [number, number][]
  const inCover = { parent: 'cover' } as const
  const places: Record<string, PlaceOnSheet> = {
    'mixture/R': { pieces: adjuster(26), at: [63, -63.6], axis: 90, way: 26, anchor: [-24, 0] },
    'mixture/L': { pieces: adjuster(26), at: [67, -67], axis: 90, way: 26, anchor: [-28, 0] },
    'throttle.shaft': { pieces: plateOnShaft(14.6, 8), at: [bores[0]!, -70], axis: 180, way: 0 },
    ...(secondaries
      ? {
          'throttle.shaft/S': {
            pieces: plateOnShaft(14.6, 8),
            at: [bores[1]!, -70],
            axis: 180,
            way: 0,
          } satisfies PlaceOnSheet,
        }
      : {}),
    'body.gasket': {
      pieces: gasket([[52, bores[0]! - 15.5], ...between(bores, 15.5), [bores.at(-1)! + 15.5, right]], 1.6),
      at: [0, -61.6],
      asSeated: true,
      axis: 90,
      way: 16,
      anchor: [54, 0.8],
    },
    'flange.gasket': {
      pieces: gasket(
        [
          [37, 41.6],
          [50.2, bores[0]! - 15.5],
          ...between(bores, 15.5),
          [bores.at(-1)! + 15.5, right + 2],
          [right + 10.6, right + 15],
        ],
        1.4,
      ),
      at: [0, -83.6],
      asSeated: true,
      axis: 180,
      way: 12,
      anchor: [39, 0],
    },
    plugs: {
      pieces: [closed(rect(-4, -1.6, 0, 1.6), 'brass')],
      at: [-30, -47],
      axis: 0,
      way: 0,
      anchor: [-3, 0],
    },
    body: { pieces: [], at: [0, 0], axis: 0, way: 0, anchor: [-24, -50] },
    'pump.ball': {
      pieces: [circle(0, 1.8, 1.8, 'cut'), closed(rect(-1.6, 3.8, 1.6, 9.5))],
      at: [58.2, -13.6],
      axis: 0,
      way: 34,
      anchor: [0, 5],
    },
    'pump.spring': { pieces: spring(4.6, 13, 5), at: [-20, -40], axis: 0, way: 52, anchor: [4, 7] },
    'pump.cup': { pieces: plunger(44, 5.6), at: [-20, -27], axis: 0, way: 44, anchor: [0, 30] },
    nozzle: {
      pieces: [
        closed(
          [
            [-4, -6],
            [-4, 2.4, 1],
            [6, 3.4, 1],
            [14, -0.6],
            [13.4, -2],
            [6, 0.4],
            [3, 0],
            [3, -6],
          ],
          'brass',
        ),
      ],
      at: [58.2, 1],
      axis: 0,
      way: 26,
      anchor: [7, 2],
    },
    'jet.main/P': {
      pieces: jet(sizes.bore('jet.main/P')),
      at: [11.8, -33],
      axis: 0,
      way: 44,
      anchor: [0, 3],
    },
    'jet.main/S': { pieces: jet(sizes.bore('jet.main/S')), at: [36, -33], axis: 0, way: 44, anchor: [0, 3] },
    'power.piston': {
      pieces: [
        closed(rect(-1, -9, 1, 14)),
        closed(rect(-3.6, 14, 3.6, 19, 0.6), 'brass'),
        ...movePieces(spring(2.8, 12, 4), 0, 2),
      ],
      at: [24, -28],
      axis: 0,
      way: 38,
      anchor: [0, 18],
    },
    'cover.gasket': {
      pieces: gasket(gasketSpans, 1),
      at: [0, 0],
      asSeated: true,
      axis: 0,
      way: 16,
      lifted: true,
      anchor: [right - 4, 0.5],
    },
    cover: { pieces: cover, at: [0, 1], axis: 0, way: COVER_WAY, lifted: true, anchor: [tower[1], 26] },
    float: { pieces: float, at: [0, 1], axis: 180, way: 22, asSeated: true, ...inCover, anchor: [44, -14] },
    'float.pin': { pieces: [circle(0, 0, 1.7, 'cut')], at: [0, -5], axis: 90, way: 18, ...inCover },
    needle: {
      pieces: [
        closed(
          [
            [-0.9, -11],
            [-1.4, -10],
            [-1.4, -4.6],
            [0, -0.4],
            [1.4, -4.6],
            [1.4, -10],
            [0.9, -11],
          ],
          'brass',
        ),
      ],
      at: [6, 5.6],
      axis: 180,
      way: 26,
      asSeated: true,
      ...inCover,
      anchor: [0, -8],
    },
    seat: {
      pieces: seat(sizes.bore('seat')),
      at: [6, 1],
      axis: 180,
      way: 30,
      asSeated: true,
      ...inCover,
      anchor: [4, -1],
    },
    'seat.washer': {
      pieces: [closed(rect(-5, -0.5, -3.4, 0.5), 'full'), closed(rect(3.4, -0.5, 5, 0.5), 'full')],
      at: [6, 1],
      axis: 180,
      way: 34,
      asSeated: true,
      ...inCover,
      anchor: [4.2, 0],
    },
    'cover.screws': {
      pieces: [-34, 27, 46, right - 4.5].flatMap((x) => movePieces(screw(14.5), x, 0)),
      one: screw(14.5),
      at: [0, 9],
      axis: 0,
      way: 18,
      ...inCover,
      anchor: [-34, 3],
    },
    'inlet.screen': {
      pieces: [
        circle(0, 0, 3.4),
        ...[-1.6, 0, 1.6].map((x) =>
          open([
            [x, -3],
            [x, 3],
          ]),
        ),
      ],
      at: [-1, 18],
      axis: 90,
      way: 16,
      ...inCover,
    },
    'inlet.fitting': {
      pieces: fitting(6, 7, 13),
      at: [-3, 18],
      axis: 90,
      way: 22,
      ...inCover,
      anchor: [-4, 4],
    },
    'choke.rod': {
      pieces: rod([
        [right + 3, -14],
        [right + 6, -2],
        [right + 4, 20],
        [tower[1] + 2, 31],
      ]),
      at: [0, 0],
      axis: -90,
      way: 14,
      asSeated: true,
      anchor: [right + 5, 8],
    },
    'pump.link': {
      pieces: rod([
        [-20, 18],
        [-44, 16],
        [-46, -36],
        [-34, -58],
      ]),
      at: [0, 0],
      axis: 90,
      way: 14,
      asSeated: true,
      anchor: [-45.5, -20],
    },
    'choke.coil': { pieces: coilCover(15), at: [right - 4, -31], axis: -90, way: 26, anchor: [6, 8] },
    ...(secondaries
      ? {
          'air.valve': {
            pieces: plateOnShaft(14.5, 8),
            at: [bores[1]!, 24],
            axis: 0,
            way: 30,
            ...inCover,
            anchor: [8, 1],
          } satisfies PlaceOnSheet,
          rods: {
            pieces: [
              closed(rect(10.6, -46, 13, 12, 0.4), 'brass'),
              closed(rect(34.8, -46, 37.2, 12, 0.4), 'brass'),
              closed(rect(8, 12, 40, 14.6, 0.8)),
            ],
            at: [0, 12],
            axis: 0,
            way: 34,
            ...inCover,
            anchor: [24, 13],
          } satisfies PlaceOnSheet,
        }
      : {}),
  }
  return {
    title: 'pump well, bowl, ' + (secondaries ? 'primary and secondary bores' : 'bore'),
    section: 'A–A',
    fixed: body,
    axes: [
      ...bores.map((x): [Pt, Pt] => [
        [x, 42],
        [x, -88],
      ]),
      [
        [36, -8],
        [36, -50],
      ],
    ],
    places,
    floatOn: 'cover',
    floatAt: [0, 1],
    bowl: BOWL,
  }
}

/** What is left of a face between neighbouring bores. */
const between = (bores: readonly number[], r: number): [number, number][] =>
  bores.slice(1).map((x, i) => [bores[i]! + r, x - r])
