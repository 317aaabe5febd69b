import type { Pt } from '../drawing/index.ts'
import type { Passage, PassagePlan } from '../passages/index.ts'
import type { FamilyName } from './names.ts'

const passage = (
  id: string,
  name: string,
  [from, to]: readonly [string, string],
  circuit: Passage['circuit'],
  bore: number,
  line: readonly Pt[],
  cause: string,
  symptom: string,
): Passage => ({ id, name, from, to, circuit, bore, line, cause, symptom })

const MAIN = 'no top end, surges under load'
const IDLE = 'runs only on choke, screws change nothing'
const BLEED = 'rich and unsteady at idle'
const TRANSFER = 'a flat spot just off idle'
const PUMP = 'bogs on opening'
const INLET = 'starves when it is held open'

/** A downdraft's own: main feed and well, idle from the well with its air, transfer and idle holes, pump in and out. */
const downdraft: PassagePlan = {
  ports: [
    { code: 'J', name: 'main jet’s seat', at: [36, -37] },
    { code: 'B', name: 'booster', at: [79, -20] },
    { code: 'A', name: 'idle air bleed, on the face', at: [51.4, -2] },
    { code: 'T', name: 'transfer slot, above the plate', at: [68, -61.5] },
    { code: 'I', name: 'idle hole, below the plate', at: [67, -72] },
    { code: 'W', name: 'pump well’s foot', at: [-20, -40] },
    { code: 'N', name: 'pump nozzle', at: [60, 1.4] },
  ],
  passages: [
    passage(
      'main.feed',
      'Main feed',
      ['J', 'well'],
      'fuel',
      3.2,
      [
        [36, -38],
        [36, -47],
        [63.9, -47],
      ],
      'main.jet',
      MAIN,
    ),
    passage(
      'main.well',
      'Main well to the booster',
      ['well', 'B'],
      'fuel',
      1.8,
      [
        [63.9, -47],
        [63.9, -20],
        [78, -20],
      ],
      'main.jet',
      MAIN,
    ),
    passage(
      'idle.feed',
      'Idle feed',
      ['well', 'idle'],
      'fuel',
      0.7,
      [
        [63.9, -36],
        [53.4, -36],
        [53.4, -40],
      ],
      'idle.jet',
      IDLE,
    ),
    passage(
      'idle.air',
      'Idle air',
      ['A', 'idle'],
      'air',
      1.2,
      [
        [52, -3],
        [53.4, -40],
      ],
      'idle.jet',
      BLEED,
    ),
    passage(
      'idle.down',
      'Idle channel',
      ['idle', 'holes'],
      'fuel',
      1.4,
      [
        [53.4, -40],
        [53.4, -61.5],
      ],
      'idle.jet',
      IDLE,
    ),
    passage(
      'transfer',
      'Transfer feed',
      ['holes', 'T'],
      'fuel',
      0.9,
      [
        [53.4, -61.5],
        [67, -61.5],
      ],
      'transfer',
      TRANSFER,
    ),
    passage(
      'idle.out',
      'Idle outlet',
      ['holes', 'I'],
      'fuel',
      1.2,
      [
        [53.4, -61.5],
        [53.4, -72],
        [66, -72],
      ],
      'idle.jet',
      IDLE,
    ),
    passage(
      'pump.out',
      'Pump discharge',
      ['W', 'N'],
      'fuel',
      1.6,
      [
        [-20, -41],
        [-20, -52],
        [49, -52],
        [49, -14],
        [58.2, -14],
        [59, 0],
      ],
      'pump',
      PUMP,
    ),
  ],
}

/** A slide's or a diaphragm's: inlet, main, idle with its air, bypass and outlet. */
const sidedraft: PassagePlan = {
  ports: [
    { code: 'F', name: 'fuel nipple', at: [-38, 9] },
    { code: 'S', name: 'needle’s seat', at: [5, -3] },
    { code: 'M', name: 'main jet’s seat', at: [22, -17] },
    { code: 'E', name: 'needle jet, in the bore', at: [22, 21] },
    { code: 'J', name: 'idle jet’s seat', at: [35, -5] },
    { code: 'A', name: 'idle air, intake side', at: [51, 9.1] },
    { code: 'B', name: 'bypass, by the throttle', at: [47.2, 19] },
    { code: 'I', name: 'idle outlet, engine side', at: [5.9, 19] },
  ],
  passages: [
    passage(
      'inlet',
      'Fuel inlet',
      ['F', 'S'],
      'fuel',
      3.2,
      [
        [-36, 9],
        [5, 9],
        [5, -1],
      ],
      'needle',
      INLET,
    ),
    passage(
      'main.feed',
      'Main jet’s holder',
      ['M', 'E'],
      'fuel',
      2.4,
      [
        [22, -15],
        [22, 19],
      ],
      'main.jet',
      MAIN,
    ),
    passage(
      'idle.feed',
      'Idle feed',
      ['J', 'idle'],
      'fuel',
      0.8,
      [
        [35, -3],
        [35, 9.1],
      ],
      'idle.jet',
      IDLE,
    ),
    passage(
      'idle.air',
      'Idle air',
      ['A', 'idle'],
      'air',
      1.2,
      [
        [49, 9.1],
        [35, 9.1],
      ],
      'idle.jet',
      BLEED,
    ),
    passage(
      'bypass',
      'Bypass',
      ['idle', 'B'],
      'fuel',
      0.8,
      [
        [35, 9.1],
        [35, 13],
        [47.2, 13],
        [47.2, 17],
      ],
      'transfer',
      TRANSFER,
    ),
    passage(
      'idle.out',
      'Idle outlet',
      ['idle', 'I'],
      'fuel',
      1,
      [
        [35, 9.1],
        [30, 13],
        [5.9, 13],
        [5.9, 17],
      ],
      'idle.jet',
      IDLE,
    ),
  ],
}

const updraft = (nozzle: number, jet: number): PassagePlan => ({
  ports: [
    { code: 'J', name: 'main jet’s seat', at: [jet, -38] },
    { code: 'N', name: 'main nozzle, in the throat', at: [nozzle, -12] },
    { code: 'A', name: 'idle air, outside', at: [56, 19] },
    { code: 'I', name: 'idle hole, by the plate', at: [60.5, 10] },
    { code: 'D', name: 'drip hole, in the bell', at: [nozzle - 17, -64] },
  ],
  passages: [
    passage(
      'main.feed',
      'Main feed',
      ['J', 'well'],
      'fuel',
      2.8,
      [
        [jet, -40],
        [jet, -46],
        [52, -46],
      ],
      'main.jet',
      MAIN,
    ),
    passage(
      'nozzle',
      'Main nozzle',
      ['well', 'N'],
      'fuel',
      2,
      [
        [52, -46],
        [nozzle, -46],
        [nozzle, -14],
      ],
      'main.jet',
      MAIN,
    ),
    passage(
      'idle.feed',
      'Idle feed',
      ['well', 'idle'],
      'fuel',
      0.8,
      [
        [52, -46],
        [55, -40],
        [55, -6],
      ],
      'idle.jet',
      IDLE,
    ),
    passage(
      'idle.air',
      'Idle air',
      ['A', 'idle'],
      'air',
      1.2,
      [
        [56, 17],
        [55, -6],
      ],
      'idle.jet',
      BLEED,
    ),
    passage(
      'idle.out',
      'Idle outlet',
      ['idle', 'I'],
      'fuel',
      1.1,
      [
        [55, -6],
        [59, 8],
      ],
      'idle.jet',
      IDLE,
    ),
    passage(
      'drip',
      'Drip hole',
      ['well', 'D'],
      'fuel',
      1.5,
      [
        [52, -46],
        [nozzle - 18, -54],
        [nozzle - 17, -62],
      ],
      'drain.back',
      'drips from the bell after a stop',
    ),
  ],
})

const small: PassagePlan = {
  ports: [
    { code: 'J', name: 'main jet’s seat', at: [18, -30] },
    { code: 'N', name: 'main nozzle, in the throat', at: [86, -17] },
    { code: 'A', name: 'idle air, on the face', at: [54, -1] },
    { code: 'I', name: 'idle hole, by the plate', at: [76, -9] },
  ],
  passages: [
    passage(
      'main.feed',
      'Main feed',
      ['J', 'well'],
      'fuel',
      2.6,
      [
        [18, -32],
        [18, -36.7],
        [60, -36.7],
      ],
      'main.jet',
      MAIN,
    ),
    passage(
      'nozzle',
      'Main nozzle',
      ['well', 'N'],
      'fuel',
      2,
      [
        [60, -36.7],
        [86, -36.7],
        [86, -19],
      ],
      'main.jet',
      MAIN,
    ),
    passage(
      'idle.feed',
      'Idle feed',
      ['well', 'idle'],
      'fuel',
      0.6,
      [
        [60, -36.7],
        [53.4, -38],
        [53.4, -5],
      ],
      'idle.jet',
      IDLE,
    ),
    passage(
      'idle.air',
      'Idle air',
      ['A', 'idle'],
      'air',
      1,
      [
        [54, -2],
        [53.4, -5],
      ],
      'idle.jet',
      BLEED,
    ),
    passage(
      'idle.out',
      'Idle outlet',
      ['idle', 'I'],
      'fuel',
      0.9,
      [
        [53.4, -5],
        [75, -5],
        [76, -8],
      ],
      'idle.jet',
      IDLE,
    ),
  ],
}

/** The passage map of each family, drawn in its section. */
export const passagePlans: Readonly<Record<FamilyName, PassagePlan>> = {
  downdraft,
  'four-barrel downdraft': downdraft,
  slide: sidedraft,
  diaphragm: sidedraft,
  updraft: updraft(74, 40),
  'twin updraft': updraft(74, 20),
  'small one-barrel': small,
}
