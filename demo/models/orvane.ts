import type { Model } from '@ekrond/core/sheets'
import { position } from './parts.ts'

/** Two-barrel downdraft with a float that hangs from its cover, a linked pump and a coil choke. */
export const orvaneK44: Omit<Model, 'listNumbers'> = {
  code: 'K-44',
  name: 'K-44 two-barrel downdraft',
  maker: 'Orvane',
  spec: {
    model: 'K-44',
    modelName: 'K-44 two-barrel downdraft',
    maker: 'Orvane',
    draft: 'down',
    barrels: 2,
    mixture: { kind: 'fuel', mostEighths: 44 },
    settings: [
      {
        code: 'mixture.turns', place: 'L', name: 'Mixture, left', short: 'Mix L', quantity: 'turns', unit: 'mm', asWritten: '1 3/8', target: 11, lo: 10, hi: 12,
        datum: 'turns out from lightly seated', hold: 'Base upright, throttle shut. Count out from where it just seats; stop where you feel it, the tip marks its seat.', held: 'upright', source: 'factory sheet', ground: 'sheet 44, page 3', asFoundAt: 'outside', set: true,
      },
      {
        code: 'mixture.turns', place: 'R', name: 'Mixture, right', short: 'Mix R', quantity: 'turns', unit: 'mm', asWritten: '1 3/8', target: 11, lo: 10, hi: 12,
        datum: 'turns out from lightly seated', hold: 'Base upright, throttle shut. Count out from where it just seats; stop where you feel it, the tip marks its seat.', held: 'upright', source: 'factory sheet', ground: 'sheet 44, page 3', asFoundAt: 'outside', set: true,
      },
      {
        code: 'idle.screw', place: 'none', name: 'Idle-speed screw', short: 'Idle', quantity: 'turns', unit: 'mm', asWritten: '1 1/2 on', target: 12, lo: 6, hi: 18,
        datum: 'turns on from where it touches', hold: 'Back it off until it leaves its stop, counting.', held: 'upright', source: 'from memory', ground: 'a place to start; set on the engine', asFoundAt: 'outside', set: false,
      },
      {
        code: 'choke.index', place: 'none', name: 'Choke cover', short: 'Choke', quantity: 'notches', unit: 'mm', asWritten: '1 rich', target: 1, lo: 1, hi: 1,
        datum: 'cover mark against the long housing mark', hold: 'Read the cover’s mark against the long mark on the housing before a screw is loosened.', held: 'upright', source: 'factory sheet', ground: 'sheet 44, page 2', asFoundAt: 'outside', set: true,
      },
      {
        code: 'pump.hole', place: 'none', name: 'Pump link hole', short: 'Link hole', quantity: 'count', unit: 'mm', asWritten: '2', target: 2, lo: 2, hi: 2,
        datum: 'counted from the outer hole', hold: 'Which hole of the throttle lever is the pump link in? Count from the outer one.', held: 'upright', source: 'factory sheet', ground: 'sheet 44, page 2', asFoundAt: 'outside', set: false,
      },
      {
        code: 'vacuumBreak.gap', place: 'none', name: 'Vacuum-break gap', short: 'Pull-off', quantity: 'gap', unit: 'mm', asWritten: '#31', target: null, lo: 3.048, hi: 3.2639,
        datum: 'upper edge of the choke plate to the wall', hold: 'Break held in by hand, plate closed lightly by a finger. A drill shank square in the gap, at the upper edge.', held: 'upright', source: 'kit leaf', ground: 'kit 31, leaf 2', asFoundAt: 'outside', set: true,
      },
      {
        code: 'float.height', place: 'none', name: 'Float height', short: 'Float', quantity: 'length', unit: 'mm', asWritten: '14.0 ±0.5', target: 14, lo: 13.5, hi: 14.5,
        datum: 'cover face, gasket off, to the toe', hold: 'Cover upside down, gasket off, float resting by its own weight. Caliper from the face to the toe.', held: 'inverted', source: 'factory sheet', ground: 'sheet 44, page 1', asFoundAt: 'cover', set: true,
      },
      {
        code: 'float.drop', place: 'none', name: 'Float drop', short: 'Drop', quantity: 'length', unit: 'mm', asWritten: '20.0 to 24.0', target: 22, lo: 20, hi: 24,
        datum: 'cover face, gasket off, to the toe', hold: 'Cover upright in the hand, float hanging free. Rule from the face down to the toe.', held: 'upright', source: 'factory sheet', ground: 'sheet 44, page 1', asFoundAt: 'cover', set: true,
      },
      {
        code: 'pump.stem', place: 'none', name: 'Pump stem', short: 'Stem', quantity: 'length', unit: 'mm', asWritten: '9.5 ±0.4', target: 9.5, lo: 9.1, hi: 9.9,
        datum: 'cover face to the top of the stem, throttle shut', hold: 'Throttle shut, idle screw backed off, link in its hole. Caliper depth rod from the cover face to the top of the stem.', held: 'upright', source: 'factory sheet', ground: 'sheet 44, page 2', asFoundAt: 'cover', set: true,
      },
    ],
    calibration: [
      { code: 'jet.main', place: 'P', name: 'Main jet, primary', mm: 1.4, words: '' },
      { code: 'jet.main', place: 'S', name: 'Main jet, secondary', mm: 1.55, words: '' },
      { code: 'seat', place: 'none', name: 'Seat', mm: 2.4, words: '' },
      { code: 'nozzle', place: 'none', name: 'Pump nozzle', mm: null, words: '2 × 0.70' },
    ],
    float: {
      sense: 1, levelReading: 6, pinBelowFace: 6, measurePoint: { name: 'toe', at: [46, -8] }, tangArm: 6, tangAngle: 0, correction: 'tang', seatFrom: 'bowl',
      washerStockMm: [0.8, 1.2, 1.6], washerMm: 0.8, dropStop: { arm: 5, words: 'drop tab' }, floatMass: 9, planArea: 1050, depth: 16, buoyancyArm: 29, gravityArm: 27,
      undersideY: -24, needleMass: 1.5, needleAt: 'above', seatBore: 2.4, coneHalfAngle: 30,
    },
    pump: {
      leverRadius: 12, leverAngle: 150, pivotX: -18, pivotY: 46, inputArm: 20, linkLength: 46, outputArm: 16, outputAngle: 180, elbow: 1, idle: 0, wot: 78, wellBore: 12,
      stemDatumY: 38.93, nozzleHoles: 2, nozzleBore: 0.7, springKpa: 18,
    },
    choke: { notchDegrees: 5, coilDegreesPerC: 1.6, shutC: 24, edgeRadius: 16.6, wallDistance: 16.1, linkArm: 13 },
    section: {
      title: 'Section through the bowl cover',
      castings: [
        { name: 'cover', outline: [[-18, 0], [-18, 13], [56, 13], [56, 7], [44, 7], [44, 0], [9.4, 0], [9.4, 6.4], [8.4, 6.4], [8.4, 13], [3.6, 13], [3.6, 6.4], [2.6, 6.4], [2.6, 0]] },
      ],
      lines: [[[-2.6, 0], [-2.6, -6], [-1.8, -8], [0, -8.7], [1.8, -8], [2.6, -6], [2.6, 0]]],
      float: [[12, -8.6], [16, -8], [44.5, -8], [46, -8], [47, -9.5], [47, -22], [45, -24], [20, -24], [17, -23], [12, -10.4]],
      arm: [[0, 0], [6, 0.2], [12, -9.4]],
      tang: [[0, 0.4], [4, 0.6], [6, 0]],
      seat: [[[2.6, 6.4], [2.6, -2], [4.4, -2], [4.4, 6.4]], [[7.6, 6.4], [7.6, -2], [9.4, -2], [9.4, 6.4]]],
      needle: [[5.1, -6], [4.6, -5], [4.6, 0.4], [6, 4.6], [7.4, 0.4], [7.4, -5], [6.9, -6]],
      pin: [0, -6],
      faceY: 0,
      anchors: { float: [30, -16], pin: [0, -6], needle: [6, -1], tang: [8, -9], face: [-14, 0], toe: [46, -14], seat: [9.4, -1] },
      bowl: [[-20, -2], [-20, -38], [52, -38], [52, -2]],
      heldWords: 'upside down',
    },
  },
  build: {
    trays: [
      { code: 'A', name: 'outside' },
      { code: 'B', name: 'cover' },
      { code: 'C', name: 'jets' },
      { code: 'D', name: 'pump' },
      { code: 'G', name: 'old gaskets' },
    ],
    positions: [
      position('choke.coil', 'Choke cover with its coil', 'coil', 9, { tray: 'A', step: 'Three screws and their ring. Note the mark first.', underneath: 'The baffle plate: hook up.', circuit: 'air', proof: 'Plate shuts by itself when cold.' }),
      position('pump.link', 'Pump link', 'link', 9, { tray: 'A', step: 'Clip first, then out of its hole.', cautions: ['The clip jumps: hold a thumb over it.'], proof: 'Link has its clip, in the hole it came from.' }),
      position('choke.rod', 'Choke rod', 'link', 9, { tray: 'A', step: 'Turn it out of the fast-idle cam.', proof: 'Cam falls off its fast step.' }),
      position('inlet.fitting', 'Inlet fitting', 'screw', 9, { tray: 'A', step: 'Two wrenches: hold the casting’s boss back.', underneath: 'Screen and spring.', circuit: 'fuel', proof: 'Started by hand. No tape on its thread.' }),
      position('inlet.screen', 'Inlet screen', 'screen', 8, { tray: 'A', part: 'SC-118', material: 'brass gauze', circuit: 'fuel', step: 'Open end towards the line.', proof: 'Open end towards the line.' }),
      position('cover.screws', 'Cover screws', 'screw', 8, { tray: 'B', quantity: 8, step: 'Two long ones at the pump side: lay them in their holes’ order.', cautions: ['A long one in a short hole cracks the boss.'], proof: 'All eight started before any is tight; the first checked again.' }),
      position('cover', 'Bowl cover', 'cover', 7, { tray: 'B', step: 'Straight up. The float hangs under it.', underneath: 'Float, needle and pump stem.', cautions: ['Fuel stands in the bowl: tip it into the can first.'], material: 'zinc', deciding: { what: 'warp', gasketMm: 0.8 }, exposes: ['float.height/none', 'float.drop/none', 'pump.stem/none'], proof: 'Spring and rods in their bores before it goes down.' }),
      position('cover.gasket', 'Cover gasket', 'gasket', 6, { tray: 'G', part: 'GK-441A', material: 'paper', step: 'Peel it whole; it is compared with the new one.', always: true, circuit: 'vacuum', proof: 'Vacuum holes lined up. One gasket, not two.' }),
      position('float.pin', 'Hinge pin', 'pin', 5, { tray: 'B', step: 'Drive it towards the pump side only.', cautions: ['The posts snap: back them up with a finger.'], proof: 'Pin pressed home.' }),
      position('float', 'Float', 'float', 5, { tray: 'B', part: 'FL-090', material: 'closed-cell foam', circuit: 'fuel', step: 'Lift it off with the needle hanging in its clip.', ethanolLimit: 0.3, deciding: { what: 'mass' }, proof: 'Falls and lifts, clear of the wall left and right.' }),
      position('needle', 'Needle', 'needle', 5, { tray: 'B', part: 'ND-24', material: 'steel, soft tip', circuit: 'fuel', step: 'Off its clip. Look at the tip under the glass.', always: true, ethanolLimit: 0.2, proof: 'Hung on its clip from the back.' }),
      position('seat', 'Seat', 'seat', 5, { tray: 'B', part: 'SE-240', material: 'brass', circuit: 'fuel', step: 'Driver that fills the slot, held square.', underneath: 'Copper washer 0.8 thick; it sets the float height.', deciding: { what: 'bore', newMm: 2.4 }, proof: 'Tight on its washer.' }),
      position('seat.washer', 'Seat washer', 'washer', 5, { tray: 'B', part: 'WA-080', material: 'copper', circuit: 'fuel', step: 'Keep it with the seat.', proof: 'The thickness it came with.' }),
      position('power.piston', 'Power piston', 'pump', 4, { tray: 'C', material: 'brass', circuit: 'vacuum', step: 'Snap it up against its ring until it jumps out.', proof: 'Springs back when pressed.' }),
      position('jet.main/P', 'Main jet, primary', 'jet', 4, { tray: 'C', part: 'JT-140', material: 'brass', circuit: 'fuel', step: 'Left when the pump faces you. Same thread as the other, different bore.', deciding: { what: 'bore', newMm: 1.4 }, proof: 'Snug. Left when the pump faces you.' }),
      position('jet.main/S', 'Main jet, secondary', 'jet', 4, { tray: 'C', part: 'JT-155', material: 'brass', circuit: 'fuel', step: 'Keep the two in their row.', deciding: { what: 'bore', newMm: 1.55 }, proof: 'Snug.' }),
      position('pump.cup', 'Pump plunger with its cup', 'pump', 4, { tray: 'D', part: 'PC-120', material: 'synthetic cup', circuit: 'fuel', step: 'Straight up and out of its well.', underneath: 'Return spring, then the check ball.', ethanolLimit: 0.05, proof: 'Lip not turned over. Dry or oiled as its leaf says.' }),
      position('pump.spring', 'Pump return spring', 'spring', 3, { tray: 'D', step: 'Lies in the well.', proof: 'In the well before the plunger.' }),
      position('nozzle', 'Pump nozzle', 'nozzle', 3, { tray: 'D', part: 'NZ-270', material: 'brass', circuit: 'fuel', step: 'One screw. The weight lies under it.', underneath: 'Discharge weight.', proof: 'Both holes point at the boosters.' }),
      position('pump.ball', 'Check ball and weight', 'ball', 2, { tray: 'D', part: 'BA-040', step: 'Cup a hand under it and turn the body over.', cautions: ['Falls out when the body is turned. Count it.'], circuit: 'fuel', proof: 'Ball first, weight on it.' }),
      position('mixture/L', 'Mixture screw, left', 'mixtureScrew', 2, { tray: 'A', part: 'MX-31', circuit: 'fuel', step: 'Turns are noted. Out with its spring and seal.', proof: 'By hand to its seat, then to its turns.' }),
      position('mixture/R', 'Mixture screw, right', 'mixtureScrew', 2, { tray: 'A', part: 'MX-31', circuit: 'fuel', step: 'As the left one.', proof: 'By hand to its seat, then to its turns.' }),
      position('body.gasket', 'Bowl-to-base gasket', 'gasket', 1, { tray: 'G', part: 'GK-442B', material: 'paper', step: 'Three screws from below, one of them hollow.', always: true, circuit: 'vacuum', proof: 'Both small holes at the pump side open.' }),
      position('flange.gasket', 'Flange gasket', 'gasket', 1, { tray: 'G', part: 'GK-443', material: 'paper, thick', step: 'Old gasket may hold asbestos: wet it, no sanding.', always: true, proof: 'Goes with the unit, not fitted here.' }),
      position('throttle.shaft', 'Throttle shaft', 'shaft', 0, { stays: true, material: 'steel', circuit: 'air', step: 'Rock it at the lever with the indicator on it.', deciding: { what: 'play', shaftMm: 9, bossMm: 12, bosses: 2 } }),
      position('plugs', 'Drive plugs', 'seal', 0, { stays: true, material: 'lead', step: 'They stay in.' }),
      position('body', 'Bowl body', 'body', 0, { stays: true, material: 'zinc', step: 'Straight edge over the face.', deciding: { what: 'warp', gasketMm: 0.8 } }),
    ],
  },
}
