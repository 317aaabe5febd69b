import {
  adjuster,
  casting,
  circle,
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
  type Piece,
  type Place,
  type Pt,
  type UnitDrawing,
} from '../drawing/index.ts'
import { downdraft } from './downdraft.ts'
import type { UnitSizes } from './sizes.ts'

const BORE_X = 74
const APART = 40

/** A bowl beside bores that breathe from below; flange on top. Bowl's rim y = 0, its middle x = 20, mm. */
function updraftBody(bores: readonly number[]): Piece[] {
  const right = bores.at(-1)! + 24
  return [
    casting(
      [
        [-14, 0],
        [52, 0],
        [52, 10, 2],
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
        [52, -50, 3],
        [-8, -50, 5],
        [-14, -44, 3],
      ],
      [
        [
          [-9, 2],
          [47, 2],
          [47, -40, 4],
          [28, -40, 1],
          [27, -36, 1],
          [13, -36, 1],
          [12, -40, 1],
          [-9, -40, 4],
        ],
        rect(17, -34, 23, -43, 0.8),
        rect(18.6, -52, 21.4, -42),
        rect(18.6, -47.4, bores[0]! + 2, -44.6),
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
        rect(52, 8.4, bores[0]! - 12, 11.6),
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

/** One bore, its float sliding on a pin and its needle standing on it under a seat in the lid. */
export function updraft(sizes: UnitSizes): UnitDrawing {
  const inLid = { parent: 'bowl.cover' } as const
  const places: Record<string, Place> = {
    body: { pieces: [], at: [0, 0], axis: 0, way: 0, anchor: [-12, -46] },
    'throttle.shaft': { pieces: plateOnShaft(13.4, 8), at: [BORE_X, 14], axis: 0, way: 0 },
    'drain.plug': { pieces: fitting(6, 5.6, 11), at: [20, -50], axis: 180, way: 20, anchor: [4, -3] },
    'jet.main': { pieces: jet(sizes.bore('jet.main')), at: [20, -36], axis: 0, way: 56, anchor: [3, 3] },
    'air.screw': { pieces: adjuster(20), at: [58, 10], axis: 60, way: 20, anchor: [-20, 12] },
    'guide.pin': {
      pieces: [closed(rect(-1.5, -4, 1.5, 32, 0.6), 'brass')],
      at: [-1, -36],
      axis: 0,
      way: 46,
      anchor: [0, 30],
    },
    float: {
      pieces: [
        closed(rect(-2, 0, 24, 18, 3), 'cut'),
        closed(rect(-6, 6, -2, 12)),
        closed(rect(24, 6, 46, 9)),
      ],
      at: [3, -26],
      axis: 0,
      way: 50,
      anchor: [20, 15],
    },
    needle: {
      pieces: [
        closed(
          [
            [-1.4, 0],
            [-1.4, 9],
            [0, 13],
            [1.4, 9],
            [1.4, 0],
          ],
          'brass',
        ),
      ],
      at: [42, -16],
      axis: 0,
      way: 46,
      anchor: [0, 8],
    },
    'bowl.gasket': {
      pieces: gasket(
        [
          [-14, -9],
          [47, 52],
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
            [52, 0],
            [52, 7, 1],
            [49, 8],
            [49, 18, 2],
            [35, 18, 2],
            [35, 8],
            [-14, 8, 2],
          ],
          [rect(38.6, -2, 45.4, 9), rect(40.2, 8, 43.8, 15), rect(-11.6, -1, -7.6, 9)],
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
      at: [42, 1],
      axis: 180,
      way: 20,
      asSeated: true,
      ...inLid,
      anchor: [-4, -1],
    },
    'seat.washer': {
      pieces: [closed(rect(-5, -0.6, -3.4, 0.6), 'full'), closed(rect(3.4, -0.6, 5, 0.6), 'full')],
      at: [42, 1],
      axis: 180,
      way: 26,
      asSeated: true,
      ...inLid,
      anchor: [4.4, 0],
    },
    'lid.screws': {
      pieces: [-9.6, 24].flatMap((x) => movePieces(screw(13, 4.4, 7.4), x, 0)),
      one: screw(13, 4.4, 7.4),
      at: [0, 9],
      axis: 0,
      way: 18,
      ...inLid,
      anchor: [-9.6, 3],
    },
    'choke.cable': { pieces: screw(6, 3.4, 6), at: [BORE_X + 23, -58], axis: -90, way: 16, anchor: [3, 2] },
  }
  return {
    title: 'bowl and bore, air from below',
    section: 'C–C',
    fixed: updraftBody([BORE_X]),
    axes: [
      [
        [BORE_X, 40],
        [BORE_X, -74],
      ],
      [
        [20, -60],
        [20, 4],
      ],
    ],
    places,
  }
}

/** Two bores fed by one bowl, the float hung from its cover as on the downdrafts. */
export function twinUpdraft(sizes: UnitSizes): UnitDrawing {
  const bores = [BORE_X, BORE_X + APART]
  const right = bores.at(-1)! + 24
  const own = downdraft(sizes, false).places
  const cover: Piece[] = [
    casting(
      [
        [-14, 0],
        [52, 0],
        [52, 8, 2],
        [17.6, 8, 1],
        [17, 12, 1],
        [17, 24, 3],
        [-3, 24, 3],
        [-3, 12, 1],
        [-14, 8, 2],
      ],
      [rect(2.6, -2, 9.4, 6.4), rect(3.8, 6, 8.2, 11), rect(-12.6, -1, -8.6, 9), rect(46.6, -1, 50.6, 9)],
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
  const places: Record<string, Place> = {
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
          [47, 52],
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
      pieces: [-10.6, 30, 48.6].flatMap((x) => movePieces(screw(13, 4.4, 7.4), x, 0)),
      one: screw(13, 4.4, 7.4),
      at: [0, 9],
      axis: 0,
      way: 16,
      parent: 'cover',
      anchor: [48.6, 3],
    },
  }
  return {
    title: 'bowl and both bores, air from below',
    section: 'C–C',
    fixed: [
      ...updraftBody(bores),
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
  }
}

/** A small sidedraft for utility engines: bore above, bowl below it with its cover as its floor side, plate and choke in line. */
export function smallOneBarrel(sizes: UnitSizes): UnitDrawing {
  const places: Record<string, Place> = {
    body: { pieces: [], at: [0, 0], axis: 0, way: 0, anchor: [-12, -40] },
    'throttle.shaft': { pieces: plateOnShaft(10.6, 78), at: [64, -20], axis: 0, way: 0 },
    mixture: { pieces: adjuster(14, 3), at: [76, -6], axis: 0, way: 18, anchor: [2, 15] },
    'drain.plug': { pieces: fitting(6, 5.6, 11), at: [18, -48], axis: 180, way: 18, anchor: [4, -3] },
    'jet.main': {
      pieces: jet(sizes.bore('jet.main')),
      at: [18, -38],
      axis: 180,
      way: 34,
      asSeated: true,
      anchor: [3, 2],
    },
    seat: {
      pieces: movePieces(seat(sizes.bore('seat'), 6), 0, 0),
      at: [-13, -14],
      axis: 90,
      way: 22,
      anchor: [-3, 3],
    },
    'seat.washer': {
      pieces: [closed(rect(-5, -0.6, -3.4, 0.6), 'full'), closed(rect(3.4, -0.6, 5, 0.6), 'full')],
      at: [-12.4, -14],
      axis: 90,
      way: 28,
      anchor: [0, 4.4],
    },
    needle: {
      pieces: [
        closed(
          [
            [-1.3, 0],
            [-1.3, 6],
            [0, 10],
            [1.3, 6],
            [1.3, 0],
          ],
          'brass',
        ),
      ],
      at: [-1, -14],
      axis: 90,
      way: -16,
      anchor: [-5, 0],
    },
    float: {
      pieces: [
        closed(rect(8, -14, 33, -1, 3), 'cut'),
        closed([
          [0, 1.2],
          [4, 1.6],
          [10, -4],
          [9, -6],
          [3, -1],
          [0, -1.2],
        ]),
      ],
      at: [2, -9],
      axis: 0,
      way: 34,
      anchor: [26, -2],
    },
    'float.pin': { pieces: [circle(0, 0, 1.6, 'cut')], at: [2, -9], axis: 0, way: 26 },
    'bowl.gasket': {
      pieces: gasket(
        [
          [-12, -8],
          [40, 44],
        ],
        1,
      ),
      at: [0, 0],
      asSeated: true,
      axis: 0,
      way: 16,
      lifted: true,
      anchor: [-10, 0.5],
    },
    'bowl.cover': {
      pieces: [
        casting(
          [
            [-12, 0],
            [44, 0],
            [44, 5, 1],
            [38, 8, 3],
            [-6, 8, 3],
            [-12, 5, 1],
          ],
          [
            [
              [-7, -1],
              [-5, 4, 2],
              [37, 4, 2],
              [39, -1],
            ],
            rect(-11, -1, -8, 7),
            rect(40, -1, 43, 7),
          ],
          'left',
        ),
      ],
      at: [0, 1],
      axis: 0,
      way: 42,
      lifted: true,
      anchor: [30, 8],
    },
    'bowl.screws': {
      pieces: [-9.5, 41.5].flatMap((x) => movePieces(screw(10, 3, 5.6), x, 0)),
      one: screw(10, 3, 5.6),
      at: [0, 6],
      axis: 0,
      way: 16,
      parent: 'bowl.cover',
      anchor: [-9.5, 2],
    },
    'choke.cable': { pieces: screw(6, 3.4, 6), at: [98, -6], axis: 0, way: 14, anchor: [0, 2] },
  }
  return {
    title: 'bowl and bore',
    section: 'D–D',
    fixed: [
      casting(
        [
          [-12, 0],
          [44, 0],
          [46, -6, 2],
          [52, -6],
          [52, 0],
          [56, 0],
          [56, -7, 1],
          [72, -7, 1],
          [72, -1, 1],
          [80, -1, 1],
          [80, -7, 1],
          [112, -4, 2],
          [112, -36, 2],
          [80, -33.5, 1],
          [56, -33.5, 1],
          [56, -41],
          [52, -41],
          [50, -46, 3],
          [28, -48, 2],
          [-8, -48, 4],
          [-12, -42, 3],
        ],
        [
          [
            [-8, 2],
            [40, 2],
            [40, -36, 4],
            [24, -36, 1],
            [12, -36, 1],
            [-8, -36, 4],
          ],
          rect(15, -50, 21, -34),
          [
            [50, -9],
            [70, -9],
            [84, -12, 6],
            [96, -11, 6],
            [114, -6],
            [114, -34],
            [96, -29, 6],
            [84, -28, 6],
            [70, -31],
            [50, -31],
          ],
          rect(-14, -17.4, -6, -10.6),
          rect(20, -44, 86, -41.4),
          rect(84.6, -43, 87.4, -24),
          rect(74.6, -8, 77.4, -5),
        ],
      ),
      // the nozzle in the throat, the choke plate in the intake
      casting(
        [
          [83.4, -41],
          [83.4, -18],
          [88.6, -20],
          [88.6, -41],
        ],
        [rect(84.8, -42, 87.2, -16)],
        'fine',
      ),
      ...movePieces(plateOnShaft(12, 76), 102, -20),
    ],
    axes: [
      [
        [46, -20],
        [120, -20],
      ],
      [
        [18, -60],
        [18, -26],
      ],
    ],
    places,
  }
}
