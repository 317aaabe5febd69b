import {
  adjuster,
  casting,
  circle,
  closed,
  fitting,
  gasket,
  jet,
  movePieces,
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
import type { UnitSizes } from './sizes.ts'

/** Float, bowl and the small brass of a unit whose inlet comes in from the side. */
const SMALL_BOWL: Line = [
  [-2.5, 2],
  [40, 2],
  [40, -30, 4],
  [-8, -30, 4],
  [-8, -7, 2],
  [-2.5, -4, 1],
]
/** A seat that is screwed in from outside: its needle enters it at the end of its thread. */
const seatFromOutside = (bore: number): Piece[] =>
  seat(bore, 8).map((piece) => ({
    ...piece,
    hollows: [rect(-1.8, 6, 1.8, 9), rect(-bore / 2, -3, bore / 2, 7)],
  }))
const small = (pieces: readonly Piece[]): Piece[] =>
  pieces.map((piece) => ({
    ...piece,
    line: piece.line.map(([x, y, r = 0]): Pt => [x * 0.6, y, r * 0.6]),
    ...(piece.hollows
      ? { hollows: piece.hollows.map((line) => line.map(([x, y, r = 0]): Pt => [x * 0.6, y, r])) }
      : {}),
  }))

/** A small sidedraft for utility engines: bore above, bowl below it with its cover as its floor side, plate and choke in line. */
export function smallOneBarrel(sizes: UnitSizes): FamilyDrawing {
  const places: Record<string, PlaceOnSheet> = {
    body: { pieces: [], at: [0, 0], axis: 0, way: 0, anchor: [-12, -34] },
    'throttle.shaft': { pieces: plateOnShaft(10.6, 78), at: [64, -20], axis: 0, way: 0 },
    mixture: { pieces: adjuster(14, 3), at: [76, -6], axis: 0, way: 18, anchor: [2, 15] },
    'drain.plug': { pieces: fitting(6, 5.6, 11), at: [18, -42], axis: 180, way: 18, anchor: [4, -3] },
    'jet.main': {
      pieces: jet(sizes.bore('jet.main')),
      at: [18, -32],
      axis: 180,
      way: 34,
      asSeated: true,
      anchor: [3, 2],
    },
    seat: {
      pieces: movePieces(small(seatFromOutside(sizes.bore('seat') / 0.6)), 0, 0, 180),
      at: [-14, -1],
      axis: 90,
      way: 30,
      anchor: [-2, 2],
    },
    'seat.washer': {
      pieces: small([closed(rect(-5, -0.6, -3.4, 0.6), 'full'), closed(rect(3.4, -0.6, 5, 0.6), 'full')]),
      at: [-14, -1],
      axis: 90,
      way: 22,
      anchor: [0, 2.6],
    },
    needle: {
      pieces: [
        closed(
          [
            [-0.8, 0],
            [-0.8, 5],
            [0, 8],
            [0.8, 5],
            [0.8, 0],
          ],
          'brass',
        ),
      ],
      at: [0, -1],
      axis: 90,
      way: -16,
      anchor: [-4, 0],
    },
    float: {
      pieces: [
        closed(rect(8, -10, 38, 2, 2), 'cut'),
        closed([
          [0, 1.2],
          [8, -0.8],
          [8, -3.2],
          [0, -1.2],
        ]),
      ],
      at: [0, -8],
      axis: 0,
      way: 34,
      anchor: [26, -2],
    },
    'float.pin': { pieces: [circle(0, 0, 1.6, 'cut')], at: [0, -8], axis: 0, way: 26 },
    'bowl.gasket': {
      pieces: gasket(
        [
          [-5, -2.5],
          [40, 44],
        ],
        1,
      ),
      at: [0, 0],
      asSeated: true,
      axis: 0,
      way: 16,
      lifted: true,
      anchor: [42, 0.5],
    },
    'bowl.cover': {
      pieces: [
        casting(
          [
            [-4, 0],
            [44, 0],
            [44, 5, 1],
            [38, 8, 3],
            [2, 8, 3],
            [-4, 5, 1],
          ],
          [
            [
              [1, -1],
              [3, 4, 2],
              [37, 4, 2],
              [39, -1],
            ],
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
      pieces: movePieces(screw(10, 3, 5.6), 41.5, 0),
      one: screw(10, 3, 5.6),
      at: [0, 6],
      axis: 0,
      way: 16,
      parent: 'bowl.cover',
      anchor: [41.5, 2],
    },
    'choke.cable': { pieces: screw(6, 3.4, 6), at: [98, -6], axis: 0, way: 14, anchor: [0, 2] },
  }
  return {
    title: 'bowl and bore',
    section: 'D–D',
    fixed: [
      casting(
        [
          // the inlet's boss stands up beside the cover
          [-14, 4.4, 1],
          [-6, 4.4, 1],
          [-5, 0],
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
          [56, -35],
          [52, -35],
          [50, -40, 3],
          [28, -42, 2],
          [-8, -42, 4],
          [-12, -36, 3],
          [-12, -6, 1],
          [-14, -6, 1],
        ],
        [
          SMALL_BOWL,
          rect(15, -44, 21, -28),
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
          rect(-16, -3, 0, 1),
          rect(20, -38, 86, -35.4),
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
    floatOn: 'body',
    floatAt: [0, 0],
    bowl: SMALL_BOWL,
  }
}
