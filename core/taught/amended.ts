import { bodyOf, type BodyState, type JobState } from '../log/index.ts'
import type { OwnPart } from '../log/kinds/index.ts'
import {
  calibrationKey,
  partsTable,
  settingKey,
  type Position,
  type SettingSpec,
  type Sheets,
} from '../sheets/index.ts'
import { portName, portsOf } from '../unit/families/index.ts'

/** What a unit has other than its book, as it is listed and asked about. */
export interface Amendment {
  /** a position, a setting's key, a port or a check by its code */
  of: string
  what: 'part' | 'missing' | 'differs' | 'setting' | 'check' | 'port'
  name: string
  entry: string
}

/** Of a listed body everything that its log says otherwise than its sheets, in the order in which it was told. */
export function amendmentsOf(state: JobState, body: number): Amendment[] {
  const here = bodyOf(state, body)
  const own = here.taught
    ? []
    : [
        ...Object.values(here.ownParts).map(({ position, name, absent, differs, entry }): Amendment => ({
          of: position,
          what: absent ? 'missing' : differs ? 'differs' : 'part',
          name,
          entry,
        })),
        ...Object.entries(here.ownPorts)
          .filter(([, { absent }]) => !absent)
          .map(([code, { entry }]): Amendment => ({ of: code, what: 'port', name: portName(code), entry })),
      ]
  return [
    ...own,
    ...Object.entries(here.addedSettings)
      .filter(([, { absent }]) => !absent)
      .map(([of, { name, entry }]): Amendment => ({ of, what: 'setting', name, entry })),
    ...Object.entries(here.addedChecks)
      .filter(([, { absent }]) => !absent)
      .map(([of, { name, entry }]): Amendment => ({ of, what: 'check', name, entry })),
  ]
}

/** What a part brings to its position where somebody told it. */
const toldOf = (part: OwnPart, cautions: readonly string[]): Partial<Position> => ({
  ...(part.wayRound ? { wayRound: part.wayRound } : {}),
  ...(part.caution
    ? { cautions: [...new Set([...cautions, part.caution])], onCautions: [part.caution] }
    : {}),
  ...(part.check ? { proof: part.check } : {}),
  ...(part.fastener
    ? {
        fastener: {
          thread: part.fastener.thread,
          lengthsMm: [part.fastener.lengthMm],
          torqueNm: part.fastener.torqueNm,
        },
      }
    : {}),
})

/** A plate may lie so far off its bore's centre, mm. */
const PLATE_OFF_MM = 0.02

/** A power valve may open so far from its own vacuum, kPa. */
const VALVE_OFF_KPA = 2

function decidingOf({ kind, mm, opensKpa }: OwnPart): Position['deciding'] {
  if (kind === 'valve' && opensKpa) return { what: 'opens', kpa: opensKpa, giveKpa: VALVE_OFF_KPA }
  if (kind === 'plate') return { what: 'light', allowMm: PLATE_OFF_MM }
  return kind === 'jet' && mm !== null ? { what: 'bore', newMm: mm } : null
}

/** A part that no sheet has, as a position in the layer in which it was found; nothing is said of it that nobody told. */
function addedPosition(part: OwnPart, usual: readonly Position[]): Position {
  const like = usual.find(({ kind }) => kind === part.kind)
  const row = partsTable[part.kind]
  return {
    code: part.position,
    name: part.name,
    kind: part.kind,
    part: part.part || (row.notBought ? null : `${part.name}, by sample`),
    quantity: part.quantity,
    material: like?.material ?? 'not known',
    circuit: part.circuit,
    layer: part.layer ?? 1,
    group: like?.group ?? 'all',
    tray: like?.tray ?? usual[0]!.tray,
    step: 'Not on its sheet.',
    underneath: part.underneath,
    cautions: [],
    always: row.always ?? false,
    ethanolLimit: null,
    deciding: decidingOf(part),
    stays: false,
    proof: '',
    ...toldOf(part, []),
  }
}

/** What was found otherwise in a part that its sheet has. */
const found = (part: OwnPart, position: Position): Position => ({
  ...position,
  name: part.name,
  quantity: part.quantity,
  underneath: part.underneath || position.underneath,
  ...toldOf(part, position.cautions),
})

const settingFrom = (added: BodyState['addedSettings'][string]): SettingSpec => ({
  code: added.code,
  place: added.place,
  name: added.name,
  short: added.name.split(/[\s,]/)[0]!,
  quantity: added.quantity,
  unit: added.unit,
  asWritten: added.asWritten,
  target: added.target,
  lo: added.lo,
  hi: added.hi,
  datum: added.datum,
  hold: added.hold || added.datum,
  held: added.held,
  source: added.source,
  ground: added.ground,
  when: { on: added.on, off: added.off },
  set: true,
  ...(added.more ? { more: added.more } : {}),
  ...(added.less ? { less: added.less } : {}),
})

/** Settings and checks that somebody added, on listed and on taught bodies alike. */
function withAdded(sheets: Sheets, { addedSettings, addedChecks }: BodyState): Sheets {
  const settings = Object.values(addedSettings).filter(({ absent }) => !absent)
  const checks = Object.values(addedChecks).filter(({ absent }) => !absent)
  if (settings.length + checks.length === 0) return sheets
  const { spec } = sheets
  const has = new Set(spec.settings.map(settingKey))
  const known = new Set(spec.proofs?.more?.map(({ code }) => code))
  return {
    ...sheets,
    spec: {
      ...spec,
      settings: [
        ...spec.settings,
        ...settings.map(settingFrom).filter((setting) => !has.has(settingKey(setting))),
      ],
      proofs: {
        ...spec.proofs,
        more: [
          ...(spec.proofs?.more ?? []),
          ...checks
            .filter(({ code }) => !known.has(code))
            .map(({ code, name, wants, hold, rests }) => ({
              code,
              name,
              wants,
              hold: hold || name,
              rests,
            })),
        ],
      },
    },
    build: { ...sheets.build },
  }
}

/** Parts and ports that a listed body has other than its sheets. */
export function withOwnParts(sheets: Sheets, { ownParts, ownPorts }: BodyState): Sheets {
  const { spec, build } = sheets
  const own = Object.values(ownParts)
  const ports = Object.entries(ownPorts)
  if (own.length + ports.length === 0) return sheets
  const codes = new Set(build.positions.map(({ code }) => code))
  const known = build.positions
    .filter(({ code }) => !ownParts[code]?.absent)
    .map((position) => {
      const part = ownParts[position.code]
      return part ? found(part, position) : position
    })
  const added = own.filter(({ position, absent }) => !absent && !codes.has(position))
  const at = added.flatMap(({ position, at: tapped }) =>
    tapped ? [[position, [tapped[0], tapped[1]] as [number, number]] as const] : [],
  )
  const absentPorts = new Set(ports.flatMap(([code, { absent }]) => (absent ? [code] : [])))
  return {
    ...sheets,
    spec: {
      ...spec,
      calibration: [
        ...spec.calibration,
        ...added
          .filter(({ kind, mm, stamped }) => kind === 'jet' && (mm !== null || stamped !== ''))
          .map(({ position, name, mm, stamped }) => ({
            code: position,
            place: 'none' as const,
            name,
            mm,
            words: stamped && `stamped ${stamped}`,
          })),
      ],
      placed: { ...spec.placed, ...Object.fromEntries(at) },
      ...(ports.length > 0
        ? {
            ports: [
              ...portsOf(sheets)
                .filter(({ code }) => !absentPorts.has(code) && !ownPorts[code])
                .map(({ code, name, boreMm }) => ({ code, name, boreMm })),
              ...ports
                .filter(([, { absent }]) => !absent)
                .map(([code, { boreMm }]) => ({ code, name: portName(code), boreMm })),
            ],
          }
        : {}),
    },
    build: {
      ...build,
      positions: [...known, ...added.map((part) => addedPosition(part, known))],
    },
  }
}

/**
 * A taught body's sheets as they go into the library: with the settings and checks that somebody added, and each jet whose bore was read
 * decided by it, so that the next unit of the number has something to be measured against.
 */
export function forBook(sheets: Sheets, here: BodyState): Sheets {
  const made = withAdded(sheets, here)
  const bores = new Map(made.spec.calibration.map((one) => [calibrationKey(one), one.mm]))
  return {
    ...made,
    build: {
      ...made.build,
      positions: made.build.positions.map((position) => {
        const newMm = position.kind === 'jet' && !position.deciding ? bores.get(position.code) : null
        return newMm ? { ...position, deciding: { what: 'bore', newMm } } : position
      }),
    },
  }
}

/** Of everything that was told of a body only what is of one thing: as it goes into the book. */
export function onlyThat(here: BodyState, of: string): BodyState {
  const only = <T>(all: Readonly<Record<string, T>>) => (all[of] === undefined ? {} : { [of]: all[of] })
  return {
    ...here,
    ownParts: only(here.ownParts),
    ownPorts: only(here.ownPorts),
    addedSettings: only(here.addedSettings),
    addedChecks: only(here.addedChecks),
  }
}

type Told = Pick<BodyState, 'ownParts' | 'ownPorts' | 'addedSettings' | 'addedChecks'>
const TOLD = ['ownParts', 'ownPorts', 'addedSettings', 'addedChecks'] as const

/**
 * A body's sheets with what this unit has otherwise than its book in place: parts that are there or are not, ports, settings, checks. The
 * book itself stays as it is. Of a taught unit parts and ports are its own sheet already.
 */
export function amended(sheets: Sheets, here: BodyState): Sheets {
  const made = known.get(sheets) ?? []
  const before = made.find(({ told }) => TOLD.every((key) => told[key] === here[key]))
  if (before) return before.sheets
  const now = withAdded(here.taught ? sheets : withOwnParts(sheets, here), here)
  known.set(sheets, [{ told: here, sheets: now }, ...made].slice(0, MOST_KEPT))
  return now
}
/** What sheets and what is told of a body make together is made once: of a bank each of its bodies has its own. */
const known = new WeakMap<Sheets, readonly { told: Told; sheets: Sheets }[]>()
const MOST_KEPT = 8
