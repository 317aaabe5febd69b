import { beskU7 } from './besk.ts'
import { likePosition, likeSetting, scaled, type Family } from './derived.ts'
import { orvaneK44 } from './orvane.ts'
import { position } from './parts.ts'
import { idleBleed, idleTube, mainBleed, mainNozzle } from './drillings.ts'

const settingU7 = (key: string, more = {}) =>
  likeSetting(beskU7, key, { source: 'factory sheet', ground: 'tag book', ...more })
const partU7 = (code: string, more = {}) => likePosition(beskU7, code, more)

/** Single updraft: a guided float that slides straight on a pin in its side bowl; nothing is bent, the seat's washer sets it. */
export const tessmerT12: Family = {
  code: '12T',
  name: '12T single updraft',
  maker: 'Tessmer',
  spec: {
    model: '12T',
    modelName: '12T single updraft',
    maker: 'Tessmer',
    draft: 'up',
    barrels: 1,
    mixture: { kind: 'air', mostEighths: 40 },
    settings: [
      settingU7('mixture.turns/none', {
        name: 'Idle air screw',
        short: 'Air screw',
        hold: 'On the bench, throttle shut. Count out from where it just seats. In is richer on this one.',
      }),
      settingU7('idle.screw/none', { source: 'from memory', ground: 'set on the engine' }),
      {
        ...settingU7('float.height/none'),
        name: 'Float height',
        datum: 'bowl rim, gasket off, down to the float’s top',
        hold: 'Bowl upright and dry, lid held in its place without screws: the seat is in it. Through the drain hole lift the float straight along its pin until the needle just seats. Depth rod through the lid’s gauge hole, from the rim to the float’s top.',
        asWritten: '10.0 ±0.5',
        target: 10,
        lo: 9.5,
        hi: 10.5,
      },
    ],
    calibration: [
      { code: 'jet.main', place: 'none', name: 'Main jet', mm: 1.3, words: '' },
      idleTube(0.55),
      idleBleed(1.2),
      mainBleed(1.6),
      mainNozzle(2.8),
      { code: 'seat', place: 'none', name: 'Seat', mm: 2.4, words: '' },
    ],
    float: {
      hangsOn: 'body',
      guided: true,
      sense: 1,
      levelReading: 0,
      pinBelowFace: 0,
      measurePoint: { name: 'float’s top', at: [17, -10] },
      tangArm: 1,
      tangAngle: 0,
      correction: 'washer',
      seatFrom: 'bowl',
      washerStockMm: [0.5, 0.8, 1, 1.2, 1.5, 2],
      washerMm: 1,
      dropStop: null,
      floatMass: 9,
      planArea: 1150,
      depth: 20,
      buoyancyArm: 13,
      gravityArm: 13,
      undersideY: -30,
      needleMass: 2,
      needleAt: 'above',
      seatBore: 2.4,
      coneHalfAngle: 30,
    },
    pump: null,
    choke: null,
    section: {
      title: 'Section through the side bowl',
      float: [
        [-17, -10],
        [-3, -10],
        [-3, -28],
        [3, -28],
        [3, -10],
        [17, -10],
        [19, -12],
        [19, -28],
        [17, -30],
        [-17, -30],
        [-19, -28],
        [-19, -12],
      ],
      arm: [
        [-3, -10],
        [3, -10],
      ],
      tang: [
        [-1, 0],
        [1, 0],
      ],
      needle: [
        [-1.2, -9],
        [-1.2, -1],
        [0, 3],
        [1.2, -1],
        [1.2, -9],
      ],
      pin: [0, 0],
      faceY: 0,
      anchors: {
        float: [12, -20],
        pin: [0, -36],
        needle: [0, -2],
        tang: [0, -10],
        face: [-24, 0],
        toe: [17, -10],
        seat: [2, 4],
      },
    },
  },
  build: {
    trays: [
      { code: 'A', name: 'outside' },
      { code: 'B', name: 'bowl' },
      { code: 'G', name: 'old gaskets' },
    ],
    positions: [
      partU7('choke.cable', { name: 'Choke lever clamp' }),
      position('lid.screws', 'Bowl lid screws', 'screw', 6, {
        tray: 'A',
        quantity: 3,
        step: 'Two short, one long at the inlet.',
        fastener: { thread: 'M5', lengthsMm: [22, 12, 12], torqueNm: 2.8, proudMm: 5 },
        proof: 'A little each in turn, snug; the long one at the inlet.',
      }),
      partU7('bowl.cover', {
        name: 'Bowl lid',
        step: 'Straight up: the needle’s seat is in it.',
        underneath: 'Float on its pin, needle standing on it.',
        deciding: { what: 'warp', gasketMm: 0.8 },
      }),
      partU7('bowl.gasket', { name: 'Lid gasket', part: 'GK-121' }),
      partU7('needle', {
        part: 'ND-24T',
        step: 'Lift it off the float.',
        proof: 'Stands on the float by its own weight.',
      }),
      partU7('float', {
        part: 'FL-090T',
        material: 'brass',
        step: 'Straight up off its pin. Shake it by your ear.',
        proof: 'Slides the whole length of its pin by itself.',
      }),
      position('guide.pin', 'Guide pin', 'pin', 2, {
        tray: 'B',
        step: 'Unscrew it only where it is bent or worn.',
        cautions: ['Bent by a hair, the float catches.'],
        onCautions: ['Bent by a hair, the float catches.'],
        proof: 'Straight against the light.',
      }),
      partU7('seat', {
        part: 'SE-240T',
        step: 'From inside the lid, thin socket.',
        deciding: { what: 'bore', newMm: 2.4 },
      }),
      partU7('seat.washer', { part: 'WA-100T' }),
      partU7('jet.main', { part: 'JT-130', deciding: { what: 'bore', newMm: 1.3 } }),
      position('air.screw', 'Idle air screw', 'mixtureScrew', 2, {
        tray: 'A',
        part: 'MX-12',
        circuit: 'air',
        step: 'Turns are noted. Out with its spring.',
        proof: 'By hand to its seat, then to its turns.',
      }),
      partU7('drain.plug', { part: 'SL-12' }),
      partU7('throttle.shaft', { deciding: { what: 'play', shaftMm: 8, bossMm: 11, bosses: 2 } }),
    ],
  },
}

const twin = scaled(orvaneK44.spec.float, orvaneK44.spec.section, 1.05)
const settingK44 = (key: string, more = {}) =>
  likeSetting(orvaneK44, key, { source: 'factory sheet', ground: 'tag book, twin', ...more })
const partK44 = (code: string, more = {}) => likePosition(orvaneK44, code, more)

/** Twin updraft: two bores fed by one bowl, a needle that carries a spring, no pump. */
export const tessmerT24: Family = {
  code: '24T',
  name: '24T twin updraft',
  maker: 'Tessmer',
  spec: {
    ...orvaneK44.spec,
    model: '24T',
    modelName: '24T twin updraft',
    maker: 'Tessmer',
    draft: 'up',
    barrels: 2,
    mixture: { kind: 'air', mostEighths: 40 },
    settings: [
      settingK44('mixture.turns/L', { name: 'Idle air, left', short: 'Air L' }),
      settingK44('mixture.turns/R', { name: 'Idle air, right', short: 'Air R' }),
      settingK44('idle.screw/none', { source: 'from memory', ground: 'set on the engine' }),
      settingK44('float.height/none', {
        hold: 'Cover upside down, gasket off. Lift the float until the needle’s pin just touches: its spring must not be pressed. Caliper from the face to the toe.',
      }),
      settingK44('float.drop/none'),
    ],
    calibration: [
      { code: 'jet.main', place: 'L', name: 'Main jet, left', mm: 1.35, words: '' },
      { code: 'jet.main', place: 'R', name: 'Main jet, right', mm: 1.35, words: '' },
      idleTube(0.55, 'L', 'left'),
      idleTube(0.55, 'R', 'right'),
      idleBleed(1.2),
      mainBleed(1.6),
      mainNozzle(2.9),
      { code: 'seat', place: 'none', name: 'Seat', mm: 2.4, words: '' },
    ],
    float: { ...twin.float, washerStockMm: [0.8, 1.2], washerMm: 0.8, seatBore: 2.4 },
    pump: null,
    choke: null,
    section: { ...twin.section, title: 'Section through the bowl cover' },
  },
  build: {
    trays: orvaneK44.build.trays.filter((tray) => tray.code !== 'D'),
    positions: [
      partK44('inlet.fitting'),
      partK44('inlet.screen', { part: 'SC-124' }),
      partK44('cover.screws', {
        quantity: 6,
        step: 'All of one length.',
        fastener: { thread: 'M5', lengthsMm: [16], torqueNm: 3.4, proudMm: 6 },
        onCautions: [],
        proof: 'All six started before any is tight; the first checked again.',
      }),
      partK44('cover', {
        underneath: 'Float and needle.',
        proof: 'Float clear of the walls before it goes down.',
      }),
      partK44('cover.gasket', { part: 'GK-241', proof: 'Every hole open. One gasket, not two.' }),
      partK44('float.pin', { step: 'Push it out towards the inlet only.' }),
      partK44('float', { part: 'FL-104', material: 'brass', ethanolLimit: null }),
      partK44('needle', {
        name: 'Needle with its spring',
        part: 'ND-24S',
        step: 'Off its clip. Press its pin: it must spring back.',
        onCautions: ['Never set the height with the spring pressed.'],
        proof: 'Pin springs back; hung on its clip.',
      }),
      partK44('seat'),
      partK44('seat.washer'),
      partK44('jet.main/P', {
        code: 'jet.main/L',
        name: 'Main jet, left',
        step: 'Keep the two in their row.',
        proof: 'Snug.',
        part: 'JT-135',
        deciding: { what: 'bore', newMm: 1.35 },
      }),
      partK44('jet.main/S', {
        code: 'jet.main/R',
        name: 'Main jet, right',
        part: 'JT-135',
        step: 'Like the left one.',
        deciding: { what: 'bore', newMm: 1.35 },
      }),
      partK44('mixture/L', { name: 'Idle air screw, left', part: 'MX-24', circuit: 'air' }),
      partK44('mixture/R', { name: 'Idle air screw, right', part: 'MX-24', circuit: 'air' }),
      partK44('body.gasket', { part: 'GK-242', proof: 'Every small hole open.' }),
      partK44('flange.gasket', { part: 'GK-243' }),
      partK44('throttle.shaft'),
      partK44('body'),
    ],
  },
}
