import type { SaidByUnit, UnitThing } from '../complaint/index.ts'

/** Where a cause lies: in the carburetor, or in what is around it. */
export type Area = 'carburetor' | 'intake' | 'ignition' | 'fuel' | 'engine'

/** A cause that is not the carburetor: what it brings, how it is looked at, and how often it is met. */
export interface OutsideCause extends SaidByUnit {
  code: string
  area: Exclude<Area, 'carburetor'>
  finding: string
  look: string
  minutes: number
  /** judgement: as if met so many times in forty complaints */
  count: number
  /** chance that it brings the symptom */
  symptoms: Readonly<Record<string, number>>
  bands?: Readonly<Record<string, number>>
  temperatures?: Readonly<Record<string, number>>
  whens?: Readonly<Record<string, number>>
}

const low = { idle: 2, 'just off idle': 1.3, middle: 0.6, 'wide open': 0.4 }
const high = { idle: 0.3, 'just off idle': 0.4, middle: 1, 'wide open': 2 }

/** The shop's table of what is around a carburetor, from the trade: a comeback is oftener one of these than a part that was renewed. */
export const outsideCauses: readonly OutsideCause[] = [
  {
    code: 'plug.fouled',
    area: 'ignition',
    finding: 'a plug fouled, worn or cracked',
    look: 'Plugs out, laid in their order: one unlike the others is that cylinder, not the carburetor. Heat scales run opposite ways between makers.',
    minutes: 6,
    count: 2.4,
    symptoms: {
      'hard start': 0.4,
      'flat spot': 0.2,
      hunting: 0.1,
      surge: 0.1,
      smoke: 0.1,
      'no top end': 0.2,
      'bog on opening': 0.2,
      'dies on opening': 0.15,
    },
    whens: { 'cold and damp': 1.8, 'after lay-up': 1.3 },
  },
  {
    code: 'spark.weak',
    area: 'ignition',
    finding: 'spark weak: ignition coil, points or their gap',
    look: 'Spark at a plug held to ground, away from fuel and its vapour: blue, and it jumps 6 mm.',
    minutes: 4,
    count: 1.6,
    symptoms: {
      'hard start': 0.45,
      'no top end': 0.3,
      surge: 0.15,
      'flat spot': 0.15,
      'pops on the overrun': 0.1,
    },
    temperatures: { hot: 1.4 },
    whens: { 'hot restart': 1.5, 'cold and damp': 1.8 },
  },
  {
    code: 'timing',
    area: 'ignition',
    finding: 'ignition late, or its advance stuck',
    look: 'Timing light at idle and at 2,500: the mark must move, and come back.',
    minutes: 8,
    count: 1.2,
    symptoms: {
      'bog on opening': 0.35,
      'flat spot': 0.3,
      'no top end': 0.35,
      'hanging idle': 0.12,
      'pops on the overrun': 0.2,
    },
  },
  {
    code: 'manifold.leak',
    area: 'intake',
    finding: 'manifold, its gasket or a hose draws air',
    look: 'Warm, at idle: water from a bottle along joints and hoses, no fuel. Where the note changes it draws.',
    minutes: 4,
    count: 1.6,
    symptoms: {
      'hanging idle': 0.5,
      hunting: 0.45,
      'pops on the overrun': 0.25,
      surge: 0.2,
      'dies on opening': 0.15,
      'runs only on choke': 0.3,
    },
    bands: low,
  },
  {
    code: 'filter.air',
    area: 'intake',
    finding: 'air filter choked',
    look: 'A moment without its filter, nothing loose near the intake: better is the answer.',
    minutes: 2,
    count: 1.2,
    symptoms: { smoke: 0.4, 'no top end': 0.4, 'flat spot': 0.15, 'sagging idle': 0.1 },
    bands: high,
  },
  {
    code: 'manifold.heat',
    area: 'intake',
    finding: 'manifold heat stuck off',
    look: 'Five minutes after a cold start the manifold under it is warm to the hand.',
    needs: 'heat',
    minutes: 6,
    count: 0.5,
    symptoms: { 'bog on opening': 0.3, 'dies on opening': 0.3, 'flat spot': 0.2, 'hard start': 0.1 },
    temperatures: { cold: 2, hot: 0.3 },
    whens: { 'cold and damp': 1.8 },
  },
  {
    code: 'tank.vent',
    area: 'fuel',
    finding: 'tank cap does not breathe',
    look: 'When it fails, open the cap: a hiss, and it runs.',
    minutes: 1,
    count: 0.7,
    symptoms: { surge: 0.4, 'no top end': 0.35, 'dies on opening': 0.1 },
    bands: high,
  },
  {
    code: 'filter.fuel',
    area: 'fuel',
    finding: 'fuel filter, tap or line choked',
    look: 'Line off at the carburetor, into a can, engine cold: half a liter in a minute.',
    saidWith: [
      {
        has: 'gravity feed',
        look: 'Line off at the carburetor, into a can, engine cold: a steady stream, not drops.',
      },
    ],
    minutes: 4,
    count: 1.4,
    symptoms: { surge: 0.5, 'no top end': 0.5, 'flat spot': 0.15, 'hard start': 0.1 },
    bands: high,
  },
  {
    code: 'pump.weak',
    area: 'fuel',
    finding: 'fuel pump weak',
    look: 'Gauge in the line, idling and loaded, then stopped: it stands.',
    needs: 'pump feed',
    minutes: 5,
    count: 0.9,
    symptoms: { 'no top end': 0.5, surge: 0.4, 'hard start': 0.25 },
    bands: high,
    whens: { 'hot restart': 1.4 },
  },
  {
    code: 'pressure.high',
    area: 'fuel',
    finding: 'fuel pressure over what the seat bears',
    look: 'Gauge in the line at idle, against the sheet’s most.',
    needs: 'pump feed',
    minutes: 5,
    count: 0.8,
    symptoms: { flooding: 0.55, leak: 0.4, 'sagging idle': 0.3, smoke: 0.3 },
  },
  {
    code: 'compression',
    area: 'engine',
    finding: 'compression low on one cylinder',
    look: 'Compression, throttle open, ignition off: within a tenth of each other.',
    minutes: 10,
    count: 0.9,
    symptoms: { 'hard start': 0.3, hunting: 0.2, 'no top end': 0.3, smoke: 0.25, 'sagging idle': 0.15 },
  },
  {
    code: 'valves',
    area: 'engine',
    finding: 'valves tight or leaking',
    look: 'Clearances cold; vacuum at idle that flicks at every turn.',
    minutes: 15,
    count: 0.8,
    symptoms: { 'hard start': 0.2, 'sagging idle': 0.25, 'pops on the overrun': 0.25, hunting: 0.15 },
  },
  {
    code: 'exhaust',
    area: 'engine',
    finding: 'exhaust choked',
    look: 'Vacuum held at 2,500: it falls away slowly. Outdoors.',
    minutes: 3,
    count: 0.4,
    symptoms: { 'no top end': 0.5, 'flat spot': 0.1, 'bog on opening': 0.1 },
    bands: high,
  },
  {
    code: 'governor',
    area: 'engine',
    finding: 'governor hunts',
    look: 'Hold its lever still by hand, clear of moving parts: steady is the answer.',
    needs: 'no slide',
    minutes: 2,
    count: 0.8,
    symptoms: { hunting: 0.55, surge: 0.25 },
  },
  {
    code: 'cable',
    area: 'engine',
    finding: 'cable or stop keeps the plate from opening or shutting',
    look: 'Lever down, engine off: does the plate stand upright, and snap shut?',
    saidWith: [
      {
        has: 'lifted slide',
        finding: 'cable or stop keeps the slide from opening or shutting',
        look: 'Engine off: does the slide clear the bore wide open, and drop shut?',
      },
    ],
    minutes: 2,
    count: 0.8,
    symptoms: { 'no top end': 0.3, 'hanging idle': 0.3 },
  },
]

/** A sign that is asked about by itself: what brings it, and how long the asking takes. */
export interface Sign {
  code: string
  question: string
  /** how it is asked of a unit that has something else */
  askedWith?: { has: UnitThing; question: string }
  minutes: number
  /** chance that it is there with none of the causes */
  leak: number
  weights: Readonly<Record<string, number>>
}

/** Signs on the engine that part lean from rich, and fuel from spark. */
export const signs: readonly Sign[] = [
  {
    code: 'sign.choke-helps',
    question: 'With the choke half on, does it run better?',
    askedWith: { has: 'enricher', question: 'With the enricher on, does it run better?' },
    minutes: 1,
    leak: 0.05,
    weights: {
      'idle.jet': 0.8,
      'main.jet': 0.8,
      'air.leak': 0.6,
      'manifold.leak': 0.6,
      'level.low': 0.7,
      'filter.fuel': 0.6,
      'pump.weak': 0.55,
      'tank.vent': 0.5,
      transfer: 0.6,
      pump: 0.3,
      stale: 0.3,
    },
  },
  {
    code: 'sign.plugs-black',
    question: 'Are all plugs dry and black after a run in that band?',
    minutes: 7,
    leak: 0.08,
    weights: {
      float: 0.6,
      'level.high': 0.7,
      needle: 0.6,
      seat: 0.5,
      choke: 0.7,
      'filter.air': 0.6,
      'jet.drilled': 0.6,
      metering: 0.5,
      'pressure.high': 0.6,
      'spark.weak': 0.3,
    },
  },
  {
    code: 'sign.plugs-white',
    question: 'Are the plugs white or blistered?',
    minutes: 7,
    leak: 0.04,
    weights: {
      'air.leak': 0.55,
      'manifold.leak': 0.5,
      'main.jet': 0.6,
      'level.low': 0.55,
      'filter.fuel': 0.5,
      timing: 0.25,
    },
  },
  {
    code: 'sign.after-work',
    question: 'Did it begin after somebody worked on ignition, valves or hoses?',
    minutes: 1,
    leak: 0.08,
    weights: { timing: 0.7, 'spark.weak': 0.3, valves: 0.5, 'manifold.leak': 0.5, cable: 0.5, links: 0.3 },
  },
  {
    code: 'sign.wet-bore',
    question: 'Engine off, does fuel drip from the nozzle into the bore?',
    minutes: 1,
    leak: 0.03,
    weights: {
      needle: 0.75,
      seat: 0.65,
      float: 0.6,
      'level.high': 0.6,
      'pressure.high': 0.6,
      percolation: 0.7,
      slosh: 0.1,
    },
  },
  {
    code: 'sign.fuel-in-glass',
    question: 'Water or dirt in a glass of its fuel?',
    minutes: 2,
    leak: 0.05,
    weights: { water: 0.8, stale: 0.4, 'filter.fuel': 0.3, needle: 0.15, 'idle.jet': 0.15 },
  },
]
