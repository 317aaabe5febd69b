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

/** A stepped disc, its lobe to the right. */
const CAM: Line = [
  [-6, -5, 5],
  [4, -6, 3],
  [9, -2, 2],
  [9, 2],
  [6, 2],
  [6, 5],
  [2, 5],
  [2, 7, 1],
  [-6, 6, 5],
]
const LEVER: Line = [
  [-4, -4, 4],
  [4, -4, 3],
  [15, 4, 2],
  [14, 8, 2],
  [3, 4, 2],
  [-4, 4, 4],
]
const TEE: Line = [
  [-12, 2],
  [-12, -2],
  [-2, -2],
  [-2, -8],
  [2, -8],
  [2, -2],
  [12, -2],
  [12, 2],
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
    case 'plate':
      return plateOnShaft(6, 30)
    case 'cam':
      return [closed(CAM), circle(0, 0, 2)]
    case 'valve':
      return [
        closed([
          [-5, 2],
          [-5, 6, 1],
          [5, 6, 1],
          [5, 2],
          [3, 2],
          [3, -4],
          [1.5, -7],
          [-1.5, -7],
          [-3, -4],
          [-3, 2],
        ]),
        open(
          [
            [-5, 4],
            [5, 4],
          ],
          'thin',
        ),
      ]
    case 'enricher':
      return [...solenoid(), closed(rect(-1, -13, 1, -7))]
    case 'compensator':
      return [
        closed(rect(-9, -1, 9, 0.4)),
        open(
          [
            [-8, 1],
            [0, 2],
            [8, 4],
          ],
          'cut',
        ),
        circle(6, -2.4, 2.4),
      ]
    case 'spacer':
      return [closed(rect(-14, -2.4, 14, 2.4)), closed(rect(-14, -1, 14, 1))]
    case 'lever':
      return [closed(LEVER), circle(0, 0, 2), circle(13, 6, 1.2)]
    case 'tee':
      return [closed(TEE)]
    case 'holder':
      return [...screw(16), closed(rect(-1.2, -16, 1.2, -12))]
    case 'tube':
      return [
        closed(rect(-2, -12, 2, 8)),
        closed(rect(-3.5, 8, 3.5, 11)),
        ...[-9, -5, -1, 3].map((y) => circle(0, y, 0.9)),
      ]
    case 'plug':
      return [closed(rect(-4, -2, 4, 2, 1)), closed(rect(-3, -5, 3, -2))]
    case 'clip':
      return [
        open(
          [
            [-2, 6],
            [-6, 3, 2],
            [-6, -4, 3],
            [6, -4, 3],
            [6, 3, 2],
            [2, 6],
          ],
          'cut',
        ),
      ]
    case 'lockWasher':
      return [
        open(
          [
            [1, 5],
            [5, 4, 4],
            [5, -5, 4],
            [-5, -5, 4],
            [-5, 5, 4],
            [-1, 6],
          ],
          'cut',
        ),
      ]
    case 'body':
      return [closed(rect(-12, -8, 12, 8, 2), 'cut', 'left')]
  }
}
