import { likePosition, likeSetting, scaled, type Family } from './derived.ts'
import { position } from './parts.ts'
import { quillardS26 } from './quillard.ts'
import { idleBleed, mainBleed, needleJet } from './drillings.ts'

const setting26 = (key: string, more = {}) => likeSetting(quillardS26, key, { ground: 'code card', ...more })
const part26 = (code: string, more = {}) => likePosition(quillardS26, code, more)

const fuelScrew = (more = {}) =>
  setting26('mixture.turns/none', {
    name: 'Mixture screw',
    short: 'Mixture',
    hold: 'On the bench, throttle shut. Count out from where it just seats. Engine side: out is richer on this one.',
    ...more,
  })

const throttleStop = setting26('idle.screw/none', {
  name: 'Throttle stop screw',
  hold: 'Back it off until it leaves its stop, counting.',
  datum: 'turns on from where it touches',
})

const big = scaled(quillardS26.spec.float, quillardS26.spec.section, 1.1)
const small = scaled(quillardS26.spec.float, quillardS26.spec.section, 0.95)

const diaphragm = (part: string) =>
  position('diaphragm', 'Slide with its diaphragm', 'diaphragm', 7, {
    tray: 'A',
    part,
    material: 'rubber',
    circuit: 'vacuum',
    ethanolLimit: null,
    step: 'Lift it by the slide, never by the rubber. Against the light: no pinhole.',
    underneath: 'Main needle in the slide.',
    proof: 'Bead in its groove all round; falls slowly with the hole covered.',
  })

/** Side-draft with a slide that vacuum lifts under a diaphragm; throttle plate, mixture screw on the engine's side. */
export const quillardD32: Family = {
  ...quillardS26,
  code: 'D32',
  name: 'D32 side-draft diaphragm',
  spec: {
    ...quillardS26.spec,
    model: 'D32',
    modelName: 'D32 side-draft diaphragm',
    mixture: { kind: 'fuel', mostEighths: 40 },
    settings: [
      fuelScrew(),
      throttleStop,
      setting26('needle.clip/none', { when: { on: ['main.needle'], off: ['diaphragm'] } }),
      setting26('float.height/none'),
    ],
    calibration: [
      { code: 'jet.main', place: 'none', name: 'Main jet', mm: 1.25, words: '' },
      { code: 'jet.idle', place: 'none', name: 'Idle jet', mm: 0.4, words: '' },
      idleBleed(1),
      mainBleed(1.3),
      needleJet(2.6),
      { code: 'seat', place: 'none', name: 'Seat', mm: 2.2, words: '' },
    ],
    float: { ...big.float, seatBore: 2.2 },
    section: big.section,
  },
  build: {
    trays: quillardS26.build.trays,
    positions: [
      part26('cap', {
        name: 'Diaphragm cover with its spring',
        step: 'Two screws, thumb on the cover.',
        proof: 'Vent hole over its passage.',
      }),
      diaphragm('DM-32'),
      part26('main.needle', { part: 'MN-32' }),
      part26('bowl.screws'),
      part26('bowl'),
      part26('bowl.seal', { part: 'SL-32' }),
      part26('float.pin'),
      part26('float', { part: 'FL-093' }),
      part26('needle', { part: 'ND-22' }),
      part26('seat', { part: 'SE-220', deciding: { what: 'bore', newMm: 2.2 } }),
      part26('jet.main', { part: 'JT-125', deciding: { what: 'bore', newMm: 1.25 } }),
      part26('jet.idle'),
      part26('air.screw', { code: 'mixture', name: 'Mixture screw', part: 'MX-32', circuit: 'fuel' }),
      position('air.cut', 'Air-cut diaphragm', 'diaphragm', 2, {
        tray: 'A',
        part: 'DM-05',
        material: 'rubber',
        circuit: 'air',
        step: 'Two screws; the spring is under it.',
        cautions: ['The spring jumps.'],
        onCautions: ['The spring jumps.'],
        proof: 'Holds vacuum.',
      }),
      part26('choke.plunger', { part: 'EP-32' }),
      part26('body', { step: 'Feel the slide’s bore; look at the throttle shaft’s seals.' }),
    ],
  },
}

/** One body of a bank: two to four hang on one rail and are to be alike before they are synchronised. */
export const quillardB34: Family = {
  ...quillardS26,
  code: 'B34',
  name: 'B34 diaphragm, for banks',
  spec: {
    ...quillardS26.spec,
    model: 'B34',
    modelName: 'B34 diaphragm, for banks',
    mixture: { kind: 'fuel', mostEighths: 36 },
    settings: [
      fuelScrew({ asWritten: '2 1/4', target: 18, lo: 17, hi: 19, sealed: true }),
      throttleStop,
      setting26('needle.clip/none', { when: { on: ['main.needle'], off: ['diaphragm'] } }),
      setting26('float.height/none', {
        hold: 'Body upside down on its rail or off it, turned until the tang just touches the needle. Caliper from the face to the float’s far side at the toe. All bodies of the bank alike.',
      }),
    ],
    calibration: [
      { code: 'jet.main', place: 'none', name: 'Main jet', mm: 1.05, words: '' },
      { code: 'jet.idle', place: 'none', name: 'Idle jet', mm: 0.35, words: '' },
      idleBleed(0.9),
      mainBleed(1.2),
      needleJet(2.6),
      { code: 'seat', place: 'none', name: 'Seat', mm: 1.8, words: '' },
    ],
    float: { ...small.float, seatBore: 1.8 },
    section: small.section,
  },
  build: {
    trays: quillardS26.build.trays,
    positions: [
      part26('cap', {
        name: 'Diaphragm cover with its spring',
        step: 'Three screws, thumb on the cover.',
        proof: 'Vent hole over its passage.',
      }),
      diaphragm('DM-34'),
      part26('main.needle', { part: 'MN-34' }),
      part26('bowl.screws'),
      part26('bowl'),
      part26('bowl.seal', { part: 'SL-34' }),
      part26('float.pin'),
      part26('float', { part: 'FL-060' }),
      part26('needle', { part: 'ND-18Q' }),
      part26('seat', { part: 'SE-180Q', deciding: { what: 'bore', newMm: 1.8 } }),
      part26('jet.main', { part: 'JT-105', deciding: { what: 'bore', newMm: 1.05 } }),
      part26('jet.idle', { part: 'JT-035', deciding: { what: 'bore', newMm: 0.35 } }),
      part26('air.screw', { code: 'mixture', name: 'Mixture screw', part: 'MX-34', circuit: 'fuel' }),
      part26('body', { step: 'Look at the rail’s seals and the link between the plates.' }),
    ],
  },
}
