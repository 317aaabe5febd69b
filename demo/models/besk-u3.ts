import { beskU7 } from './besk.ts'
import { likePosition, likeSetting, scaled, type Family } from './derived.ts'
import { idleBleed, idleTube, mainBleed, mainNozzle } from './drillings.ts'

const { float, section } = scaled(beskU7.spec.float, beskU7.spec.section, 0.85)
const part7 = (code: string, more = {}) => likePosition(beskU7, code, more)

/** The smallest: its seat is pressed into the casting and cannot be replaced; the float's tang is bent. */
export const beskU3: Family = {
  code: 'U3',
  name: 'U3 one-barrel, small',
  maker: 'Besk',
  spec: {
    ...beskU7.spec,
    model: 'U3',
    modelName: 'U3 one-barrel, small',
    settings: [
      likeSetting(beskU7, 'mixture.turns/none', { ground: 'nine of ours ran well there' }),
      likeSetting(beskU7, 'idle.screw/none', {}),
      likeSetting(beskU7, 'float.height/none', { ground: 'leaf U3' }),
    ],
    calibration: [
      { code: 'jet.main', place: 'none', name: 'Main jet', mm: 0.7, words: '' },
      idleTube(0.35),
      idleBleed(0.7),
      mainBleed(0.8),
      mainNozzle(1.6),
      { code: 'seat', place: 'none', name: 'Seat', mm: 1.4, words: '' },
    ],
    float: { ...float, correction: 'tang', washerStockMm: [], washerMm: null, seatBore: 1.4 },
    section,
  },
  build: {
    trays: beskU7.build.trays,
    positions: [
      part7('choke.cable'),
      part7('bowl.screws', {
        quantity: 2,
        fastener: { thread: 'M4', lengthsMm: [10], torqueNm: null, proudMm: 5 },
        proof: 'A little each in turn, snug.',
      }),
      part7('bowl.cover'),
      part7('bowl.gasket', { part: 'GK-311' }),
      part7('float.pin'),
      part7('float', { part: 'FL-030', material: 'plastic' }),
      part7('needle', { part: 'ND-14', material: 'steel, soft tip' }),
      part7('seat', {
        part: null,
        stays: true,
        always: false,
        step: 'Pressed into the casting: it stays. Look at it under the glass.',
        underneath: '',
        cautions: ['A tool in it ruins the body.'],
        proof: 'Bright all round under the glass.',
        deciding: { what: 'bore', newMm: 1.4 },
      }),
      part7('jet.main', { part: 'JT-070', deciding: { what: 'bore', newMm: 0.7 } }),
      part7('mixture', { part: 'MX-03' }),
      part7('drain.plug', { part: 'SL-03' }),
      part7('throttle.shaft', { deciding: { what: 'play', shaftMm: 5, bossMm: 8, bosses: 2 } }),
    ],
  },
}
