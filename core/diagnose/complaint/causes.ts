import type { ReceivedTest } from '../../log/index.ts'
import type { PartKind } from '../../sheets/index.ts'
import type { UnitThing } from './unit-has.ts'

/** What may be wrong, and how readily each thing that a customer says comes of it. */
export interface Cause {
  code: string
  /** what would be found, as a finding is said */
  finding: string
  /** where and how to look */
  look: string
  /** the same by the kind of mixture screw, where the kind is known */
  lookBy?: Readonly<Record<'fuel' | 'air', string>>
  /** the parts that bear the finding; empty where it lies in a passage or a setting */
  kinds: readonly PartKind[]
  /** of those kinds, only positions whose code or name says so */
  at?: RegExp
  /** what is said where the list number has no such part, and the passage alone can bear it; else the cause is left out */
  without?: { finding: string; look: string }
  /** what a unit must have to have it; and how it is said of one that has something else */
  needs?: UnitThing
  saidWith?: readonly { has: UnitThing; finding?: string; look?: string }[]
  /** how often it is met at all, against the others */
  prior: number
  /** chance that a unit with this finding brings that symptom */
  symptoms: Readonly<Record<string, number>>
  /** how much the bands, temperatures and occasions that it is felt at speak for it; 1 says nothing */
  bands?: Readonly<Record<string, number>>
  temperatures?: Readonly<Record<string, number>>
  whens?: Readonly<Record<string, number>>
  /** what a test as received says: factor where it failed, where it passed */
  tests?: Readonly<Partial<Record<ReceivedTest, readonly [bad: number, good: number]>>>
}

const lowDown = { idle: 2, 'just off idle': 1.4, middle: 0.5, 'wide open': 0.3 }
// What feeds the idle has little left to say past a quarter.
const idling = { idle: 2, 'just off idle': 1.4, middle: 0.15, 'wide open': 0.1 }
const opening = { idle: 0.5, 'just off idle': 2, middle: 0.5, 'wide open': 0.6 }
const middle = { idle: 0.3, 'just off idle': 0.7, middle: 2, 'wide open': 0.9 }
const top = { idle: 0.2, 'just off idle': 0.3, middle: 0.8, 'wide open': 2.2 }

/** The shop's table of causes, from the trade: which findings bring which complaint. Shares, not certainties. */
export const causes: readonly Cause[] = [
  {
    code: 'needle',
    finding: 'needle grooved or sticking',
    look: 'Needle: a ring on its cone, dirt under it; ten lifts without a catch.',
    kinds: ['needle'],
    prior: 3,
    symptoms: {
      flooding: 0.8,
      leak: 0.5,
      'weep at a thread': 0.25,
      smoke: 0.35,
      'sagging idle': 0.3,
      'hard start': 0.2,
    },
    bands: lowDown,
    temperatures: { hot: 1.2 },
    whens: { parked: 2.2, 'on a trailer': 0.6, 'hot restart': 1.5, 'after lay-up': 1.3 },
    tests: { inlet: [4, 0.25] },
  },
  {
    code: 'seat',
    finding: 'seat ringed, pounded or loose on its washer',
    look: 'Seat: a ring worn in, its washer flat, its bore by pins.',
    saidWith: [
      {
        has: 'no washer',
        finding: 'seat ringed or pounded',
        look: 'Seat: a ring worn in, its bore by pins.',
      },
    ],
    kinds: ['seat', 'washer'],
    prior: 1.6,
    symptoms: { flooding: 0.7, leak: 0.4, smoke: 0.3, 'hard start': 0.15 },
    bands: lowDown,
    temperatures: { hot: 1.3 },
    whens: { parked: 2, 'hot restart': 1.6 },
    tests: { inlet: [3.5, 0.3] },
  },
  {
    code: 'float',
    finding: 'float soaked, dented or rubbing',
    look: 'Float: its mass against new; a rattle by the ear; rub marks on the wall.',
    kinds: ['float', 'pin'],
    prior: 1.5,
    symptoms: { flooding: 0.7, 'sagging idle': 0.35, smoke: 0.4, hunting: 0.15, 'flat spot': 0.1 },
    whens: { 'on a slope': 2, 'on a trailer': 0.8, parked: 1.1 },
    tests: { inlet: [1.2, 1.3] },
  },
  {
    code: 'level.high',
    finding: 'float level high',
    look: 'Float height as found, before anything is bent.',
    kinds: [],
    prior: 1.2,
    symptoms: {
      flooding: 0.4,
      'sagging idle': 0.45,
      'pops on the overrun': 0.1,
      smoke: 0.4,
      surge: 0.1,
      'weep at a thread': 0.25,
    },
    whens: { 'on a slope': 2.2, 'on a trailer': 1 },
    tests: { inlet: [0.8, 1.4] },
  },
  {
    code: 'level.low',
    finding: 'float level low, or the drop too small',
    look: 'Float height and drop as found.',
    saidWith: [{ has: 'no drop', finding: 'float level low', look: 'Float height as found.' }],
    kinds: [],
    prior: 0.8,
    symptoms: { surge: 0.35, 'no top end': 0.4, 'flat spot': 0.3, 'bog on opening': 0.2, 'hard start': 0.1 },
    bands: top,
    whens: { 'on a slope': 2 },
  },
  {
    code: 'idle.jet',
    finding: 'idle jet or its passage varnished',
    look: 'Idle jet: look through, then its bore by pins. A fuel screw found far out, or an air screw far in, says the same.',
    lookBy: {
      fuel: 'Idle jet: look through, then its bore by pins. A screw found far out says the same.',
      air: 'Idle jet: look through, then its bore by pins. An air screw found far in says the same.',
    },
    kinds: ['jet'],
    at: /idle/i,
    without: {
      finding: 'idle passage or its bleed varnished',
      look: 'Idle passage: this one has no jet of its own. Blow from its pick-up; air must come at every hole.',
    },
    prior: 3,
    symptoms: {
      'hard start': 0.3,
      'runs only on choke': 0.7,
      'hanging idle': 0.25,
      hunting: 0.35,
      'dies on opening': 0.3,
      'pops on the overrun': 0.3,
      'flat spot': 0.2,
      // a starved idle is felt as the plate leaves it
      'bog on opening': 0.2,
    },
    bands: idling,
    whens: { 'after lay-up': 3 },
  },
  {
    code: 'main.jet',
    finding: 'main jet varnished or partly blocked',
    look: 'Main jet: look through, then its bore by pins against the stamped size.',
    kinds: ['jet'],
    at: /main/i,
    prior: 1.8,
    symptoms: {
      'no top end': 0.6,
      surge: 0.5,
      'hard start': 0.2,
      'runs only on choke': 0.35,
      'flat spot': 0.3,
      'bog on opening': 0.15,
    },
    bands: top,
    whens: { 'after lay-up': 2.5 },
  },
  {
    code: 'jet.drilled',
    finding: 'a jet drilled out',
    look: 'Bores against the stamped sizes; fresh brass, a burr.',
    kinds: ['jet'],
    prior: 0.4,
    symptoms: { smoke: 0.5, 'sagging idle': 0.3, 'no top end': 0.15, flooding: 0.05 },
  },
  {
    code: 'transfer',
    finding: 'transfer slot or progression holes blocked',
    look: 'Blow from the idle jet’s seat; air must come at every hole above the plate.',
    needs: 'transfer',
    saidWith: [
      {
        has: 'lifted slide',
        finding: 'hole under the slide blocked',
        look: 'Blow from the idle jet’s seat; air must come under the slide’s edge.',
      },
    ],
    kinds: [],
    prior: 1,
    symptoms: { 'flat spot': 0.6, 'dies on opening': 0.4, 'bog on opening': 0.25, hunting: 0.1 },
    bands: opening,
    whens: { 'after lay-up': 1.8 },
  },
  {
    code: 'pump',
    finding: 'pump cup or diaphragm worn, its check stuck',
    look: 'Pump: cup hard, torn or swollen; check ball free; well scored.',
    kinds: ['pump', 'ball', 'nozzle', 'diaphragm'],
    at: /pump/i,
    prior: 1.8,
    symptoms: { 'bog on opening': 0.8, 'dies on opening': 0.6, 'flat spot': 0.35, 'hard start': 0.1 },
    bands: opening,
    temperatures: { cold: 1.3 },
    whens: { 'after lay-up': 1.5 },
    tests: { squirt: [5, 0.2] },
  },
  {
    code: 'air.leak',
    finding: 'air leak at shaft, flange or gasket',
    look: 'Throttle shaft’s play by indicator; flange under the straight edge; caps and hoses.',
    saidWith: [
      {
        has: 'lifted slide',
        finding: 'air leak at flange or gasket',
        look: 'Flange under the straight edge; caps and hoses; the slide’s wear in its bore.',
      },
    ],
    kinds: ['shaft', 'gasket', 'body'],
    prior: 2,
    symptoms: {
      hunting: 0.6,
      'hanging idle': 0.6,
      'pops on the overrun': 0.35,
      'runs only on choke': 0.35,
      surge: 0.15,
      'hard start': 0.15,
      'dies on opening': 0.15,
    },
    bands: lowDown,
    temperatures: { hot: 1.2 },
  },
  {
    code: 'choke',
    finding: 'choke plate, coil or linkage does not close or open',
    look: 'Plate free from stop to stop; index as found; heat tube and housing clean.',
    saidWith: [
      {
        has: 'enricher',
        finding: 'enriching plunger does not shut or open',
        look: 'Plunger free to its stop and back; its seat whole; its own jet and air passage clean.',
      },
      {
        has: 'no heat',
        finding: 'choke plate or its linkage does not close or open',
        look: 'Plate free from stop to stop; its linkage and spring.',
      },
    ],
    kinds: ['coil', 'link', 'screw', 'slide'],
    at: /choke|enrichment/i,
    prior: 1.5,
    symptoms: { 'hard start': 0.6, smoke: 0.4, 'sagging idle': 0.2, flooding: 0.1, 'no top end': 0.15 },
    temperatures: { cold: 2.2, hot: 0.9 },
    whens: { 'cold and damp': 2 },
    tests: { links: [2, 0.8] },
  },
  {
    code: 'break',
    finding: 'vacuum break leaks',
    look: 'Hold vacuum on its diaphragm; the gap it pulls.',
    kinds: ['diaphragm'],
    at: /break/i,
    prior: 0.7,
    symptoms: { smoke: 0.4, 'sagging idle': 0.25, 'hard start': 0.2, flooding: 0.1 },
    temperatures: { cold: 2 },
    tests: { break: [5, 0.15] },
  },
  {
    code: 'power',
    finding: 'power valve or piston leaks or sticks',
    look: 'Power piston: lifts on its spring, falls under a finger; its valve shut.',
    kinds: ['powerPiston', 'spring', 'diaphragm', 'pump'],
    at: /power/i,
    prior: 0.9,
    symptoms: { smoke: 0.45, 'sagging idle': 0.4, 'no top end': 0.35, surge: 0.2, 'bog on opening': 0.15 },
    bands: { idle: 1.2, 'wide open': 1.4 },
  },
  {
    code: 'slide',
    finding: 'slide or piston sticks, its diaphragm torn',
    look: 'Slide: scored or dirty; falls by itself; diaphragm against the light.',
    saidWith: [
      {
        has: 'no diaphragm',
        finding: 'slide sticks or is worn',
        look: 'Slide: scored or dirty; falls by itself.',
      },
    ],
    kinds: ['slide', 'diaphragm'],
    at: /slide|piston/i,
    prior: 1.6,
    symptoms: { 'hanging idle': 0.55, 'no top end': 0.4, 'flat spot': 0.3, 'bog on opening': 0.35 },
    bands: { idle: 1, 'just off idle': 1.4, middle: 1.2, 'wide open': 1.1 },
    tests: { lifts: [5, 0.2] },
  },
  {
    code: 'metering',
    finding: 'needle or rod worn, its clip in another groove',
    look: 'Metering needle: a wear step; groove as found, counted from the blunt end.',
    kinds: ['meteringNeedle'],
    prior: 0.9,
    symptoms: { 'flat spot': 0.4, surge: 0.3, smoke: 0.3, hunting: 0.1 },
    bands: middle,
  },
  {
    code: 'links',
    finding: 'throttle does not snap shut: link, spring or plates',
    look: 'Snap it shut from wide open, choke on and off; plates centred; spring on its hook.',
    saidWith: [
      {
        has: 'lifted slide',
        finding: 'throttle does not drop shut: cable, spring or slide',
        look: 'Lift the slide and let go: it drops shut. Cable free through its bends, spring whole.',
      },
    ],
    kinds: ['link', 'spring', 'shaft'],
    prior: 0.8,
    symptoms: { 'hanging idle': 0.6, rattle: 0.35, 'sagging idle': 0.05 },
    bands: lowDown,
    tests: { links: [5, 0.2] },
  },
  {
    code: 'loose',
    finding: 'plate screw or shaft loose',
    look: 'Plate screws and shaft: nothing may shake. A loose one goes into the engine.',
    kinds: ['screw', 'shaft'],
    at: /plate|shaft/i,
    prior: 0.4,
    symptoms: { rattle: 0.8, 'hanging idle': 0.15 },
  },
  {
    code: 'seal',
    finding: 'gasket, plug or seal leaks',
    look: 'Where it is wet: bowl gasket, drain plug, accelerator well.',
    saidWith: [{ has: 'no pump', look: 'Where it is wet: bowl gasket or seal, drain plug.' }],
    kinds: ['gasket', 'seal'],
    prior: 1.2,
    symptoms: { leak: 0.8, 'weep at a thread': 0.5, 'hard start': 0.1 },
    whens: { parked: 1.5, 'after lay-up': 1.3 },
  },
  {
    code: 'drain.back',
    finding: 'drain-back or vent hole blocked',
    look: 'Blow the drain-back hole: a blocked one weeps at the needle’s thread.',
    kinds: [],
    prior: 0.5,
    symptoms: { 'weep at a thread': 0.7, flooding: 0.15, surge: 0.15 },
  },
  {
    code: 'standpipe',
    finding: 'standpipe or overflow tube cracked',
    look: 'Fill the bowl to its level and watch the overflow: a cracked tube drips below it.',
    kinds: [],
    prior: 0.4,
    symptoms: { leak: 0.6, flooding: 0.3 },
    whens: { parked: 1.8 },
    tests: { inlet: [0.6, 1.6] },
  },
  {
    code: 'solenoid',
    finding: 'cut-off solenoid that does not open',
    look: 'Key on: feel it click, and again off. No click: volts at its plug before the part is blamed.',
    kinds: ['electric'],
    prior: 0.8,
    symptoms: { 'runs only on choke': 0.6, 'sagging idle': 0.45, 'hard start': 0.15, hunting: 0.05 },
    bands: { idle: 3, 'just off idle': 0.6, middle: 0.2, 'wide open': 0.1 },
  },
  {
    code: 'percolation',
    finding: 'fuel boils in the bowl after a stop',
    look: 'Spacer and heat shield in place; fuel pressure; the level first.',
    saidWith: [{ has: 'gravity feed', look: 'Spacer and heat shield in place; the level first.' }],
    kinds: [],
    prior: 0.5,
    symptoms: { 'hard start': 0.5, flooding: 0.3, leak: 0.1 },
    temperatures: { hot: 2.5, cold: 0.1 },
    whens: { 'hot restart': 4 },
  },
  {
    code: 'water',
    finding: 'water, rust or sludge in the bowl',
    look: 'Sediment by kind: it names what is wrong upstream.',
    kinds: [],
    prior: 1,
    symptoms: { hunting: 0.35, surge: 0.35, 'hard start': 0.3, 'no top end': 0.2, 'dies on opening': 0.15 },
    whens: { 'cold and damp': 1.8, 'after lay-up': 2 },
  },
  {
    code: 'icing',
    finding: 'ice in the bore: heat riser or warm-air hose missing',
    look: 'Engine side: warm air and manifold heat. Not the carburetor’s fault.',
    saidWith: [
      {
        has: 'no heat',
        finding: 'ice in the bore',
        look: 'It comes on a cold, damp day and goes as it stands. Not the carburetor’s fault.',
      },
    ],
    kinds: [],
    prior: 0.35,
    symptoms: { 'dies on opening': 0.3, 'sagging idle': 0.3, 'no top end': 0.15, hunting: 0.1 },
    temperatures: { cold: 1.5, hot: 0.3 },
    whens: { 'cold and damp': 6 },
  },
  {
    code: 'slosh',
    finding: 'fuel sloshes out on the road',
    look: 'Usual on a trailer. Park it on the level overnight: what still drips then is the needle’s.',
    kinds: [],
    prior: 1,
    symptoms: { leak: 0.6, flooding: 0.4, 'weep at a thread': 0.1 },
    whens: { 'on a trailer': 6, 'on a slope': 1, parked: 0.05, 'hot restart': 0.1, 'after lay-up': 0.05 },
  },
  {
    code: 'stale',
    finding: 'fuel gone stale',
    look: 'Smell and colour of what is in the tank: sour or dark goes out. Fresh fuel from a can first.',
    kinds: [],
    prior: 0.8,
    symptoms: { 'hard start': 0.4, hunting: 0.15, 'no top end': 0.1, 'runs only on choke': 0.1 },
    whens: { 'after lay-up': 4, 'hot restart': 0.3 },
  },
]
