import type { PartKind } from '../../sheets/index.ts'
import {
  adjuster,
  circle,
  closed,
  coilCover,
  gasket,
  jet,
  open,
  plateOnShaft,
  plunger,
  rect,
  rod,
  screw,
  seal,
  solenoid,
  seat,
  spring,
  type Line,
  type Piece,
} from './shapes.ts'

const FLOAT: Line = [
  [-4, 3],
  [-2, 5, 1],
  [16, 5, 2],
  [16, -4, 3],
  [2, -5, 3],
  [-3, -1, 1],
]
const ARM: Line = [
  [-3, 3],
  [-12, 1],
]
const COVER: Line = [
  [-14, -2],
  [-14, 3, 1],
  [-6, 3],
  [-6, 8, 1],
  [6, 8, 1],
  [6, 3],
  [14, 3, 1],
  [14, -2],
]
const NEEDLE: Line = [
  [-2, -7],
  [2, -7],
  [2, 2],
  [0, 7],
  [-2, 2],
]
const HOOK: Line = [
  [-9, -4],
  [-9, 3, 2],
  [8, 3, 2],
  [8, -5],
]

/** A part's shape where nothing is known of it but its kind, mm about its seat. */
export function shapeOf(kind: PartKind): Piece[] {
  switch (kind) {
    case 'screw':
    case 'fitting':
      return screw(12)
    case 'jet':
      return jet(1.2)
    case 'seat':
      return seat(2.4)
    case 'spring':
      return [spring(4, 16, 5)].flat()
    case 'float':
      return [closed(FLOAT), open(ARM, 'seen')]
    case 'cover':
      return [closed(COVER, 'cut', 'right')]
    case 'gasket':
      return gasket([[-12, 12]], 1.6)
    case 'pin':
      return [closed(rect(-12, -1.3, 12, 1.3))]
    case 'needle':
      return [closed(NEEDLE)]
    case 'washer':
      return [closed(rect(-5, -0.8, -2, 0.8)), closed(rect(2, -0.8, 5, 0.8))]
    case 'powerPiston':
      return plunger(9, 4)
    case 'pump':
      return plunger(12, 5)
    case 'ball':
      return [circle(0, 0, 4)]
    case 'mixtureScrew':
      return adjuster(14)
    case 'coil':
      return coilCover(9)
    case 'electric':
      return solenoid()
    case 'shaft':
      return plateOnShaft(10, 20)
    case 'seal':
      return seal(-5, 5)
    case 'link':
      return rod(HOOK)
    case 'meteringNeedle':
      return [
        closed([
          [-1.4, 9],
          [1.4, 9],
          [1.4, -2],
          [0.5, -11],
          [-0.5, -11],
          [-1.4, -2],
        ]),
      ]
    case 'diaphragm':
      return [
        open(
          [
            [-13, 0],
            [-8, 0],
            [-5, -3],
            [5, -3],
            [8, 0],
            [13, 0],
          ],
          'cut',
        ),
      ]
    case 'slide':
      return [closed(rect(-7, -9, 7, 9, 1))]
    case 'screen':
      return [
        closed(rect(-4, -8, 4, 8, 2)),
        open(
          [
            [-4, -3],
            [4, 3],
          ],
          'thin',
        ),
        open(
          [
            [-4, 3],
            [4, -3],
          ],
          'thin',
        ),
      ]
    case 'nozzle':
      return [
        closed([
          [-5, 4],
          [5, 4],
          [5, 0],
          [1.5, -5],
          [-1.5, -5],
          [-5, 0],
        ]),
      ]
    case 'body':
      return [closed(rect(-12, -8, 12, 8, 2), 'cut', 'left')]
  }
}
