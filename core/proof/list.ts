import { workingConditions } from '../conditions/index.ts'
import { portsOf } from '../families/index.ts'
import { bodiesOf, bodyNumbers, bodyOf, type JobState } from '../job/state.ts'
import { figure } from '../measure/index.ts'
import { settingKey, type Position, type Sheets } from '../sheets/schemas.ts'
import { teardownOrder } from '../work/order.ts'
import {
  ALIKE_MM,
  COIL_SECONDS,
  INLET_LIMIT,
  inletTestKpa,
  pumpBand,
  SYNC_MBAR,
  VACUUM_KPA,
  VACUUM_LOSS_KPA,
} from './figures.ts'
import type { Measured } from './measured.ts'

export type ProofCode =
  | 'inlet'
  | 'lifts'
  | 'vacuum'
  | 'slide'
  | 'enricher'
  | 'choke'
  | 'throttle'
  | 'ports'
  | 'level'
  | 'weep'
  | 'pump'
  | 'alike'
  | 'sync'

/** One proof of one body: what is asked, what it wants, and what voids it. */
export interface Proof {
  /** names it in entries; `vacuum` says of what */
  key: string
  code: ProofCode
  name: string
  /** on the strip */
  short: string
  unit: string
  /** how it is measured; ports are looked at where they are listed */
  how: Measured['what'] | 'ports'
  wants: string
  hold: string
  /** positions that must be on for it, and whose leaving or return voids it; settings whose later reading does */
  rests: readonly string[]
  /** positions that may be off meanwhile, and whose later leaving voids it */
  opens: readonly string[]
  settings: readonly string[]
  /** it is of the whole bank, not of one body */
  ofAll: boolean
}

export interface ProofSubject {
  state: JobState
  sheets: Sheets
  body: number
}

type Listed = Omit<Proof, 'code' | 'ofAll' | 'opens'> & { ofAll?: boolean; opens?: string[] }

const codesOf = (sheets: Sheets, which: (position: Position) => boolean): string[] =>
  teardownOrder(sheets.build)
    .filter(which)
    .map(({ code }) => code)

const SHUTS = ['needle', 'seat', 'float', 'pin', 'washer']
/** What shuts the fuel off. */
const inletParts = (sheets: Sheets): string[] => codesOf(sheets, ({ kind }) => SHUTS.includes(kind))
/** What covers it or brings the fuel to it. */
const aroundInlet = (sheets: Sheets): string[] =>
  codesOf(
    sheets,
    ({ code, kind }) => kind === 'cover' || code.startsWith('inlet.') || code === sheets.spec.float.hangsOn,
  )

const JOINTS = ['cover', 'gasket', 'seal', 'seat', 'washer', 'screen']
const MOVES = ['shaft', 'link', 'body', 'screw']
const isPump = ({ code, kind }: Position) =>
  kind !== 'screw' && (code.startsWith('pump.') || (kind === 'nozzle' && code === 'nozzle'))

/**
 * Each proof by its code, in the order in which none spoils another: under air while it is dry, what is moved by hand, then wet, then
 * bodies against each other. A proof is there only where this unit has the thing.
 */
const proofs: Readonly<Record<ProofCode, (subject: ProofSubject) => Listed[]>> = {
  inlet: ({ state, sheets }) => {
    const kpa = inletTestKpa(sheets.spec, workingConditions(state.opened ?? undefined, sheets.spec))
    return [
      {
        key: 'inlet',
        name: 'Inlet under air',
        short: 'Inlet',
        unit: 'mL/min',
        how: 'hold',
        wants: `≤ ${figure(INLET_LIMIT)}`,
        hold: `${heldShut(sheets)} Pump to ${kpa} kPa, shut the valve, wait.`,
        rests: inletParts(sheets),
        opens: aroundInlet(sheets),
        settings: [],
      },
    ]
  },
  lifts: ({ sheets }) => [
    {
      key: 'lifts',
      name: 'Ten lifts of the needle',
      short: 'Lifts',
      unit: 'of ten',
      how: 'lifts',
      wants: '10',
      hold: 'Let it lift and shut ten times. None may hang, each shuts at the same pressure.',
      rests: inletParts(sheets),
      opens: aroundInlet(sheets),
      settings: [],
    },
  ],
  vacuum: ({ sheets }) => {
    const hold = (what: string) =>
      `Draw ${what} to ${VACUUM_KPA} kPa, shut the valve, wait. It may lose ${VACUUM_LOSS_KPA} kPa in 30 s.`
    const own = sheets.build.positions
      .filter(({ kind }) => kind === 'diaphragm')
      .map((position): Listed => {
        const key = `vacuum/${position.code}`
        const rests = [position.code, ...(position.code === 'diaphragm' ? ['cap'] : [])]
        // A slide's chamber is open to the barrel: it is told by how it sinks, not by a gauge.
        return position.code === 'diaphragm'
          ? seen(
              key,
              'Slide’s diaphragm holds',
              'Diaphragm',
              'holds',
              'Slide lifted by hand, its vacuum hole closed with a finger, let go: it stays up and sinks slowly. A torn one falls at once.',
              rests,
            )
          : {
              key,
              name: `${position.name} under vacuum`,
              short: 'Air cut',
              unit: 'kPa, 30 s',
              how: 'hold',
              wants: `≤ ${VACUUM_LOSS_KPA}`,
              hold: hold('its chamber'),
              rests,
              settings: [],
            }
      })
    const hasBreak = sheets.spec.settings.some(({ code }) => code === 'vacuumBreak.gap')
    return hasBreak
      ? [
          {
            key: 'vacuum/break',
            name: 'Vacuum break',
            short: 'Break',
            unit: 'kPa, 30 s',
            how: 'hold',
            wants: `≤ ${VACUUM_LOSS_KPA}`,
            hold: hold('the vacuum break'),
            rests: ['choke.rod'].filter((code) => sheets.build.positions.some((one) => one.code === code)),
            settings: [],
          },
          ...own,
        ]
      : own
  },
  slide: ({ sheets }) => {
    const slide = sheets.build.positions.find(({ code }) => code === 'slide' || code === 'diaphragm')
    return slide
      ? [
          seen(
            'slide',
            'Slide falls by itself',
            'Slide',
            'falls',
            'Lift it to the top, let go, upright and as installed: it falls to its stop without a catch.',
            [slide.code, 'cap', 'main.needle', 'body'],
          ),
        ]
      : []
  },
  enricher: ({ sheets }) =>
    sheets.build.positions.some(({ code }) => code === 'choke.plunger')
      ? [
          seen(
            'enricher',
            'Enrichment plunger seats',
            'Enricher',
            'seats',
            'Pull it up, let go: it goes home by its spring, and no air passes with it down.',
            ['choke.plunger'],
          ),
        ]
      : [],
  choke: ({ sheets }) => {
    const coil = sheets.build.positions.find(({ kind }) => kind === 'coil')
    if (!coil) return []
    const rests = [coil.code, 'choke.rod']
    const settings = ['choke.index/none']
    return coil.deciding?.what === 'ohms'
      ? [
          {
            key: 'choke',
            name: 'Electric choke opens',
            short: 'Choke',
            unit: 'to 95 %, s',
            how: 'travel',
            wants: `≤ ${COIL_SECONDS}`,
            hold: 'Cold, plate shut. Switch it on at its voltage and tap as the plate passes each mark.',
            rests,
            settings,
          },
        ]
      : [
          {
            ...seen(
              'choke',
              'Choke opens with warmth',
              'Choke',
              'opens',
              'Warm the coil with warm air, 60 °C at most: the plate opens to its stop. Let it cool: it shuts again.',
              rests,
            ),
            settings,
          },
        ]
  },
  throttle: ({ sheets }) => {
    const has = (code: RegExp) => sheets.build.positions.some((one) => code.test(one.code))
    const opens = has(/^slide$/) ? 'From the top the slide snaps shut' : 'From wide open it snaps shut'
    return [
      seen(
        'throttle',
        'Throttle snaps shut',
        'Throttle',
        'snaps',
        `${opens} by its own spring, ten times${has(/^choke\./) ? ', choke on and choke off' : ''}.`,
        codesOf(
          sheets,
          ({ kind, code }) =>
            (MOVES.includes(kind) && !/cover|bowl|lid|inlet|cap/.test(code)) ||
            code === 'slide' ||
            code === 'cap',
        ),
      ),
    ]
  },
  ports: ({ sheets }) => {
    const ports = portsOf(sheets)
    return ports.length
      ? [
          {
            key: 'ports',
            name: 'Ports as their list has them',
            short: 'Ports',
            unit: 'as listed',
            how: 'ports',
            wants: String(ports.length),
            hold: 'Each is joined, capped, or open on purpose. What vents is never capped.',
            rests: [],
            settings: [],
          },
        ]
      : []
  },
  level: ({ sheets }) => {
    const { spec } = sheets
    // A unit that the bench taught has a level only where all its dimensions are known.
    if (spec.taught && spec.taught.levelSigma === null) return []
    const height = spec.settings.find(({ code }) => code === 'float.height')
    return [
      {
        key: 'level',
        name: 'Wet level',
        short: 'Level',
        unit: `mm, ±${figure((spec.level.hi - spec.level.lo) / 2, 1)}`,
        how: 'level',
        wants: figure(spec.level.target, 1),
        hold: 'Let it fill, tap once, read below the face when it stands.',
        rests: [...inletParts(sheets), ...aroundInlet(sheets)],
        settings: height ? [settingKey(height)] : [],
      },
    ]
  },
  weep: ({ sheets }) => [
    {
      key: 'weep',
      name: 'Weep and overflow',
      short: 'Weep',
      unit: '10 min',
      how: 'weep',
      wants: 'dry',
      hold: 'Full and wiped dry. Tap it once, then watch every place for ten minutes.',
      rests: codesOf(
        sheets,
        ({ code, kind }) =>
          JOINTS.includes(kind) || code.startsWith('inlet.') || code === sheets.spec.float.hangsOn,
      ),
      settings: [],
    },
  ],
  pump: ({ sheets }) => {
    if (!sheets.build.positions.some((one) => isPump(one) && one.kind === 'pump')) return []
    const { lo, hi } = pumpBand(sheets.spec)
    return [
      {
        key: 'pump',
        name: 'Pump, ten strokes',
        short: 'Pump',
        unit: 'ten, mL',
        how: 'pump',
        wants: lo === null || hi === null ? 'at once' : `${figure(lo)} to ${figure(hi)}`,
        hold: 'Bowl full. Ten full strokes into the glass, one every two seconds. It squirts the moment the throttle moves.',
        rests: codesOf(sheets, (one) => isPump(one) || one.kind === 'cover'),
        settings: sheets.spec.settings.filter(({ code }) => code.startsWith('pump.')).map(settingKey),
      },
    ]
  },
  alike: ({ state, sheets, body }) =>
    bodiesOf(state) > 1 && body === 1
      ? [
          {
            key: 'alike',
            name: 'Plates or slides alike',
            short: 'Plates',
            unit: 'gap, mm',
            how: 'alike',
            wants: `within ${figure(ALIKE_MM, 2)}`,
            hold: 'On the stop. The same drill or the same light at each body, one to the last.',
            rests: codesOf(
              sheets,
              ({ kind, code }) => kind === 'shaft' || code === 'slide' || code === 'diaphragm',
            ),
            settings: ['idle.screw/none'],
            ofAll: true,
          },
        ]
      : [],
  sync: ({ state, sheets, body }) =>
    bodiesOf(state) > 1 && body === 1
      ? [
          {
            key: 'sync',
            name: 'Alike on vacuum',
            short: 'Vacuum',
            unit: 'mbar',
            how: 'alike',
            wants: `within ${SYNC_MBAR}`,
            hold: 'On the stop, bench fan on, columns at rest: read one to the last.',
            rests: codesOf(
              sheets,
              ({ kind, code }) => kind === 'shaft' || code === 'slide' || code === 'diaphragm',
            ),
            settings: ['idle.screw/none'],
            ofAll: true,
          },
        ]
      : [],
}

function seen(
  key: string,
  name: string,
  short: string,
  wants: string,
  hold: string,
  rests: string[],
): Listed {
  return { key, name, short, unit: 'by hand', how: 'seen', wants, hold, rests, settings: [] }
}

function heldShut({ spec, build }: Sheets): string {
  const on = build.positions.find(({ code }) => code === spec.float.hangsOn)
  if (on?.kind === 'cover') return 'Cover upside down, a weight on the needle.'
  return spec.float.guided
    ? 'Float on its needle, as it floats up.'
    : 'Held so that the float lies on its needle.'
}

/** Where nothing may be wet, by this unit's own joints and plugs. */
export function weepPlaces(sheets: Sheets): string[] {
  const { positions } = sheets.build
  const inlet = positions.find(({ code }) => code === 'inlet.fitting')
  const joints = positions.filter(({ kind }) => kind === 'cover').map(({ name }) => `${name} joint`)
  const seals = positions
    .filter(({ kind, code }) => kind === 'seal' && code !== 'bowl.seal')
    .map(({ name }) => name)
  const drips = portsOf(sheets)
    .filter(({ job }) => job === 'drip')
    .map(({ name }) => name)
  return [...new Set([inlet?.name ?? 'Inlet', ...joints, ...seals, ...drips, 'Nozzle, in the bore'])]
}

const order = Object.keys(proofs) as ProofCode[]

/** The proofs of a body, in the order in which none spoils another. */
export const proofsOf = (subject: ProofSubject): Proof[] =>
  order.flatMap((code) =>
    proofs[code](subject).map((one): Proof => {
      const there = new Set(subject.sheets.build.positions.map((position) => position.code))
      return {
        ...one,
        code,
        ofAll: one.ofAll ?? false,
        rests: one.rests.filter((part) => there.has(part)),
        opens: (one.opens ?? []).filter((part) => there.has(part)),
      }
    }),
  )

/** The parts that must be on before a proof can be made, that are not. */
export function missingFor({ state, sheets, body }: ProofSubject, proof: Proof): Position[] {
  const bodies = proof.ofAll ? bodyNumbers(state) : [body]
  return sheets.build.positions.filter(
    ({ code }) =>
      proof.rests.includes(code) &&
      bodies.some((one) => {
        const here = bodyOf(state, one)
        return here.off[code] !== undefined && !here.on[code]
      }),
  )
}
