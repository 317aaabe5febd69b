import type { Model } from '@ekrond/core/sheets'
import { position } from './parts.ts'

/** Small one-barrel with its float in the bowl; nothing is bent, a washer under the seat sets the level. */
export const beskU7: Omit<Model, 'listNumbers'> = {
  code: 'U7',
  name: 'U7 one-barrel utility',
  maker: 'Besk',
  spec: {
    model: 'U7',
    modelName: 'U7 one-barrel utility',
    maker: 'Besk',
    draft: 'side',
    barrels: 1,
    mixture: { kind: 'fuel', mostEighths: 32 },
    settings: [
      {
        code: 'mixture.turns', place: 'none', name: 'Mixture screw', short: 'Mixture', quantity: 'turns', unit: 'mm', asWritten: '1 1/4', target: 10, lo: 8, hi: 12,
        datum: 'turns out from lightly seated', hold: 'On the bench, throttle shut. Count out from where it just seats.', held: 'upright', source: 'shop', ground: 'eleven of ours ran well there', asFoundAt: 'outside', set: true,
      },
      {
        code: 'idle.screw', place: 'none', name: 'Idle-speed screw', short: 'Idle', quantity: 'turns', unit: 'mm', asWritten: '1 on', target: 8, lo: 4, hi: 14,
        datum: 'turns on from where it touches', hold: 'Back it off until it leaves its stop, counting.', held: 'upright', source: 'from memory', ground: 'set on the engine', asFoundAt: 'outside', set: false,
      },
      {
        code: 'float.height', place: 'none', name: 'Float height', short: 'Float', quantity: 'length', unit: 'mm', asWritten: '12.0 ±0.7', target: 12, lo: 11.3, hi: 12.7,
        datum: 'bowl floor to the toe’s underside', hold: 'Bowl upright and dry, float lifted by a finger until the needle just seats. Stepped gauge on the floor under the toe.', held: 'upright', source: 'factory sheet', ground: 'leaf U7', asFoundAt: 'bowl.cover', set: true,
      },
    ],
    calibration: [
      { code: 'jet.main', place: 'none', name: 'Main jet', mm: 0.9, words: '' },
      { code: 'seat', place: 'none', name: 'Seat', mm: 1.8, words: '' },
    ],
    float: {
      sense: -1, levelReading: 22, pinBelowFace: 8, measurePoint: { name: 'toe', at: [38, -10] }, tangArm: 7, tangAngle: 0, correction: 'washer', seatFrom: 'outside',
      washerStockMm: [0.5, 0.8, 1, 1.2, 1.5], washerMm: 1, dropStop: null, floatMass: 5, planArea: 700, depth: 12, buoyancyArm: 24, gravityArm: 22, undersideY: -10,
      needleMass: 0.9, needleAt: 'side', seatBore: 1.8, coneHalfAngle: 30,
    },
    pump: null,
    choke: null,
    section: {
      title: 'Section through the bowl',
      castings: [
        { name: 'bowl', outline: [[-16, 0], [-16, -2], [-12, -2], [-12, 0.6], [-8, 0.6], [-8, -2.4], [-5, -2.4], [-5, -30], [46, -30], [46, 0], [51, 0], [51, -35], [-10, -35], [-10, -9], [-16, -9], [-16, 0]] },
      ],
      lines: [[[-2.2, -14], [-2.2, -8], [0, -5.6], [2.2, -8], [2.2, -14]]],
      float: [[8, 1], [10, 2], [36.5, 2], [38, 0.5], [38, -10], [10, -10], [8, -8.5]],
      arm: [[0, 0], [8, -2]],
      tang: [[0, 0], [-0.6, 4], [0, 7]],
      seat: [[[-12, 0.4], [-7, 0.4], [-7, -0.1], [-12, -0.1]], [[-12, -1.9], [-7, -1.9], [-7, -2.4], [-12, -2.4]]],
      needle: [[0, -0.2], [-5, -0.2], [-8, -1], [-5, -1.8], [0, -1.8]],
      pin: [0, -8],
      faceY: 0,
      anchors: { float: [24, -12], pin: [0, -8], needle: [-3, -1], tang: [0, -3], face: [42, 0], toe: [38, -18], seat: [-10, 0] },
      bowl: [[-5, -1], [-5, -30], [46, -30], [46, -1]],
      heldWords: 'upright',
    },
  },
  build: {
    trays: [
      { code: 'A', name: 'outside' },
      { code: 'B', name: 'bowl' },
      { code: 'G', name: 'old gaskets' },
    ],
    positions: [
      position('choke.cable', 'Choke cable clamp', 'screw', 7, { tray: 'A', step: 'Loosen, do not lose the ball end.', proof: 'Plate opens fully on the cable.' }),
      position('bowl.screws', 'Bowl cover screws', 'screw', 6, { tray: 'A', quantity: 4, step: 'All of one length.', proof: 'Cross pattern, snug.' }),
      position('bowl.cover', 'Bowl cover', 'cover', 5, { tray: 'B', material: 'zinc', step: 'Straight up.', underneath: 'Float in its bowl.', deciding: { what: 'warp', gasketMm: 0.6 }, exposes: ['float.height/none'], cautions: ['Drain the bowl into the can first.'], proof: 'Vent hole over its passage.' }),
      position('bowl.gasket', 'Bowl gasket', 'gasket', 4, { tray: 'G', part: 'GK-711', material: 'paper', always: true, step: 'Whole, to compare.', circuit: 'fuel', proof: 'Vent hole open.' }),
      position('float.pin', 'Hinge pin', 'pin', 3, { tray: 'B', step: 'Lies in two slots, lifts out.', proof: 'Home in both slots.' }),
      position('float', 'Float', 'float', 3, { tray: 'B', part: 'FL-050', material: 'brass', circuit: 'fuel', deciding: { what: 'mass' }, step: 'Lift it with its pin. Shake it by your ear.', proof: 'Falls and lifts by itself.' }),
      position('needle', 'Needle', 'needle', 3, { tray: 'B', part: 'ND-18', material: 'steel', circuit: 'fuel', always: true, step: 'Slides out toward the bowl.', proof: 'Slides by its own weight.' }),
      position('seat', 'Seat', 'seat', 2, { tray: 'A', part: 'SE-180', material: 'brass', circuit: 'fuel', deciding: { what: 'bore', newMm: 1.8 }, step: 'From outside, thin socket.', underneath: 'Its washer sets the level.', proof: 'Tight on the washer that was worked out.' }),
      position('seat.washer', 'Seat washer', 'washer', 2, { tray: 'A', part: 'WA-100', material: 'fibre', circuit: 'fuel', always: true, step: 'Note its thickness.', proof: 'Thickness as worked out.' }),
      position('jet.main', 'Main jet', 'jet', 2, { tray: 'B', part: 'JT-090', material: 'brass', circuit: 'fuel', deciding: { what: 'bore', newMm: 0.9 }, step: 'Through the drain hole, driver that fills the slot.', proof: 'Snug.' }),
      position('mixture', 'Mixture screw', 'mixtureScrew', 2, { tray: 'A', part: 'MX-07', circuit: 'fuel', step: 'Out with its spring.', proof: 'By hand to its seat, then to its turns.' }),
      position('drain.plug', 'Drain plug and seal', 'seal', 1, { tray: 'A', part: 'SL-11', material: 'fibre', circuit: 'fuel', always: true, step: 'Last fuel into the can.', proof: 'Final tight.' }),
      position('throttle.shaft', 'Throttle shaft', 'shaft', 0, { stays: true, circuit: 'air', step: 'Rock it with the indicator on it.', deciding: { what: 'play', shaftMm: 6, bossMm: 9, bosses: 2 } }),
    ],
  },
}
