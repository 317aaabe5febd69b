import type { Model } from '@ekrond/core/sheets'
import { position } from './parts.ts'

/** Side-draft slide carburetor: cable slide with a main needle, air screw, float hung from the body. */
export const quillardS26: Omit<Model, 'listNumbers'> = {
  code: 'S26',
  name: 'S26 side-draft slide',
  maker: 'Quillard',
  spec: {
    model: 'S26',
    modelName: 'S26 side-draft slide',
    maker: 'Quillard',
    draft: 'side',
    barrels: 1,
    mixture: { kind: 'air', mostEighths: 36 },
    settings: [
      {
        code: 'mixture.turns', place: 'none', name: 'Idle air screw', short: 'Air screw', quantity: 'turns', unit: 'mm', asWritten: '1 3/4', target: 14, lo: 12, hi: 16,
        datum: 'turns out from lightly seated', hold: 'On the bench, slide down. Count out from where it just seats.', held: 'upright', source: 'factory sheet', ground: 'code card S26', asFoundAt: 'outside', set: true,
      },
      {
        code: 'idle.screw', place: 'none', name: 'Slide stop screw', short: 'Stop', quantity: 'turns', unit: 'mm', asWritten: '2 on', target: 16, lo: 8, hi: 24,
        datum: 'turns on from where the slide moves', hold: 'Back it off until the slide no longer drops, counting.', held: 'upright', source: 'from relatives', ground: 'as the S24', asFoundAt: 'outside', set: false,
      },
      {
        code: 'needle.clip', place: 'none', name: 'Needle clip groove', short: 'Clip', quantity: 'count', unit: 'mm', asWritten: '3', target: 3, lo: 3, hi: 3,
        datum: 'counted from the blunt end', hold: 'Which groove is the clip in? Count from the blunt end.', held: 'upright', source: 'factory sheet', ground: 'code card S26', asFoundAt: 'slide', set: true,
      },
      {
        code: 'float.height', place: 'none', name: 'Float height', short: 'Float', quantity: 'length', unit: 'mm', asWritten: '24.0 ±0.8', target: 24, lo: 23.2, hi: 24.8,
        datum: 'body face, gasket off, to the underside at the toe', hold: 'Body upside down, turned until the tang just touches the needle, pin not pressed in. Caliper from the face to the float’s far side at the toe.', held: 'inverted', source: 'factory sheet', ground: 'code card S26', asFoundAt: 'bowl', set: true,
      },
    ],
    calibration: [
      { code: 'jet.main', place: 'none', name: 'Main jet', mm: 1.1, words: '' },
      { code: 'jet.idle', place: 'none', name: 'Idle jet', mm: 0.4, words: '' },
      { code: 'seat', place: 'none', name: 'Seat', mm: 2, words: '' },
    ],
    float: {
      sense: 1, levelReading: 4, pinBelowFace: 4, measurePoint: { name: 'toe', at: [36, -20] }, tangArm: 5, tangAngle: 0, correction: 'tang', seatFrom: 'bowl',
      washerStockMm: [], washerMm: null, dropStop: null, floatMass: 7, planArea: 900, depth: 13, buoyancyArm: 22, gravityArm: 21, undersideY: -20,
      needleMass: 1.2, needleAt: 'above', seatBore: 2, coneHalfAngle: 30,
    },
    pump: null,
    choke: null,
    section: {
      title: 'Section through the float and inlet',
      castings: [
        { name: 'body', outline: [[-14, 0], [-14, 20], [44, 20], [44, 0], [8, 0], [8, 9], [7, 9], [7, 20], [3, 20], [3, 9], [2, 9], [2, 0]] },
      ],
      lines: [[[-2.4, 0], [-2.4, -4], [-1.6, -6], [0, -6.6], [1.6, -6], [2.4, -4], [2.4, 0]]],
      float: [[9, -7.6], [11, -7], [34, -7], [36, -9], [36, -20], [13, -20], [9, -17]],
      arm: [[0, 0], [5, 0.2], [9, -8.4]],
      tang: [[0, 0.4], [3, 0.5], [5, 0]],
      seat: [[[2, 9], [2, 1], [3.8, 1], [3.8, 9]], [[6.2, 9], [6.2, 1], [8, 1], [8, 9]]],
      needle: [[4.2, -4], [4, -3], [4, 4], [5, 7.4], [6, 4], [6, -3], [5.8, -4]],
      pin: [0, -4],
      faceY: 0,
      anchors: { float: [24, -17], pin: [0, -4], needle: [5, -1], tang: [7, -7], face: [40, 0], toe: [36, -24], seat: [8, 4] },
      bowl: [[-12, -1], [-12, -34], [42, -34], [42, -1]],
      heldWords: 'upside down',
    },
  },
  build: {
    trays: [
      { code: 'A', name: 'top' },
      { code: 'B', name: 'bowl' },
      { code: 'G', name: 'old seals' },
    ],
    positions: [
      position('cap', 'Top cap with its spring', 'spring', 8, { tray: 'A', step: 'Unscrew it, thumb on the cap.', cautions: ['The spring pushes: eyes.'], proof: 'A cap that cannot be turned by thumb.' }),
      position('slide', 'Slide', 'slide', 7, { tray: 'A', material: 'brass', circuit: 'air', step: 'Up and out with its needle.', underneath: 'Main needle in its clip.', exposes: ['needle.clip/none'], proof: 'Falls by itself, tab in its groove.' }),
      position('main.needle', 'Main needle', 'meteringNeedle', 6, { tray: 'A', part: 'MN-26', material: 'brass', circuit: 'fuel', step: 'Roll it on glass.', proof: 'Clip in its groove, ten lifts without a catch.' }),
      position('bowl.screws', 'Bowl screws', 'screw', 6, { tray: 'B', quantity: 4, step: 'Soft: driver that fills the slot.', proof: 'Cross pattern, snug.' }),
      position('bowl', 'Float bowl', 'cover', 5, { tray: 'B', material: 'zinc', step: 'Straight down over the float.', underneath: 'Float, and dirt in the corner.', exposes: ['float.height/none'], cautions: ['Drain it into the can first.'], deciding: { what: 'warp', gasketMm: 1 }, proof: 'Seal lies in its groove.' }),
      position('bowl.seal', 'Bowl seal', 'seal', 4, { tray: 'G', part: 'SL-26', material: 'rubber', always: true, ethanolLimit: 0.1, circuit: 'fuel', step: 'Lift it with a blunt pick.', proof: 'Stands proud all round.' }),
      position('float.pin', 'Hinge pin', 'pin', 3, { tray: 'B', step: 'Towards the side without the dimple.', cautions: ['The posts snap.'], proof: 'Pin home.' }),
      position('float', 'Float', 'float', 3, { tray: 'B', part: 'FL-070', material: 'plastic', circuit: 'fuel', deciding: { what: 'mass' }, step: 'With the needle in its clip.', proof: 'Falls and lifts.' }),
      position('needle', 'Needle', 'needle', 3, { tray: 'B', part: 'ND-20', material: 'steel, soft tip', circuit: 'fuel', always: true, ethanolLimit: 0.2, step: 'Look at the ring on its tip.', proof: 'On its clip.' }),
      position('seat', 'Seat', 'seat', 2, { tray: 'B', part: 'SE-200', material: 'brass', circuit: 'fuel', deciding: { what: 'bore', newMm: 2 }, step: 'One screw holds its fork.', proof: 'Seal greased, fork screw tight.' }),
      position('jet.main', 'Main jet', 'jet', 2, { tray: 'B', part: 'JT-110', material: 'brass', circuit: 'fuel', deciding: { what: 'bore', newMm: 1.1 }, step: 'Back the main needle out first.', proof: 'Snug.' }),
      position('jet.idle', 'Idle jet', 'jet', 2, { tray: 'B', part: 'JT-040', material: 'brass', circuit: 'fuel', deciding: { what: 'bore', newMm: 0.4 }, step: 'Deep in its well: narrow driver.', proof: 'Snug.' }),
      position('air.screw', 'Idle air screw', 'mixtureScrew', 2, { tray: 'A', part: 'MX-26', circuit: 'air', step: 'Turns are noted. Spring, washer, seal in that order.', proof: 'By hand to its seat, then to its turns.' }),
      position('choke.plunger', 'Enrichment plunger', 'slide', 2, { tray: 'A', part: 'EP-26', material: 'brass, rubber foot', circuit: 'fuel', ethanolLimit: 0.15, step: 'Look at its rubber foot.', proof: 'Foot shuts; a thread of free play at the cable.' }),
      position('body', 'Body', 'body', 0, { stays: true, material: 'zinc', step: 'Feel the slide’s bore with a finger.' }),
    ],
  },
}
