import { complaintWords } from '../complaint/index.ts'
import { dispositionWord, conditionsOf } from '../findings/index.ts'
import {
  afterReturn,
  bodiesOf,
  bodyNumbers,
  bodyOf,
  lastSaid,
  readBodyKey,
  receivedTests,
  sentenceOf,
  showNumber,
  type FindingData,
  type JobState,
  type SheetsByBody,
} from '../job/index.ts'
import { gatePoints } from '../stations/index.ts'
import { figure, showTurns, showValue } from '../measure/index.ts'
import { screwWords } from '../mixture/index.ts'
import { nameOn, settingKey, type Position, type SettingSpec, type Sheets } from '../sheets/index.ts'
import { settingsInOrder } from '../settings/index.ts'
import { workingConditions } from '../conditions/index.ts'

export interface SheetRow {
  name: string
  spec: string
  asFound: string
  asLeft: string
  with: string
}

/** The return sheet as a document: what stands on the paper, before anything is laid out. */
export interface ReturnSheet {
  number: string
  /** of a bank: which body this page is of; null where there is one */
  body: { number: number; of: number } | null
  /** A as it went back; a letter on for each correction after the return */
  revision: string
  /** what was corrected after the return */
  changes: string[]
  listNumber: string
  model: string
  customer: string
  equipment: string
  hands: string
  /** local date and hour are the printer's business */
  returnedAt: string | null
  rows: SheetRow[]
  foundAndDone: string[]
  complaint: { words: string; answer: string; detail: string }
  left: { what: string; why: string }[]
  mixture: { words: string[]; screws: { name: string; turns: string; eighths: number }[] }
  startUp: { danger: string | null; lines: string[] }
  passed: { point: string; why: string; second: string }[]
  cautions: string[]
}

/** The return sheet of a job as its log and its sheets stand: one page a body, those that are identified. */
export const returnSheets = (state: JobState, all: SheetsByBody, number: number): ReturnSheet[] =>
  bodyNumbers(state)
    .filter((body) => all[body])
    .map((body) => returnSheet(state, all, number, body))

/** One body's page. */
export function returnSheet(state: JobState, all: SheetsByBody, number: number, bodyNumber = 1): ReturnSheet {
  const sheets = all[bodyNumber]!
  const body = bodyOf(state, bodyNumber)
  const { spec } = sheets
  const after = afterReturn(state)
  const of = bodiesOf(state)
  const opened = state.opened!
  return {
    number: showNumber(number),
    body: of > 1 ? { number: bodyNumber, of } : null,
    revision: after?.letter ?? 'A',
    changes: (after?.corrections ?? []).map(
      ({ entry }) => `${sentenceOf(entry, (code) => nameOn(sheets, code))} (${entry.by}, after return)`,
    ),
    listNumber: spec.listNumber,
    model: `${spec.maker} ${spec.modelName}`,
    customer: opened.customer,
    equipment: opened.equipment,
    hands: state.returned?.by ?? state.log.at(-1)?.by ?? opened.by,
    returnedAt: state.returned?.at ?? null,
    rows: [...settingsInOrder(spec), ...spec.settings.filter((setting) => !setting.set)].map((setting) =>
      row(state, setting, bodyNumber),
    ),
    foundAndDone: foundAndDone(state, sheets, bodyNumber),
    complaint: complaintOf(state, all),
    left: leftOf(state, all, bodyNumber),
    mixture: {
      words: screwWords(spec.mixture.kind)
        .split(/(?<=,)\s/)
        .map((part) => part.replace(/[,.]$/, '')),
      screws: spec.settings
        .filter((setting) => setting.code === 'mixture.turns')
        .map((setting) => {
          const eighths = lastSaid(body.readings[settingKey(setting)])?.value ?? setting.target ?? 0
          return { name: setting.name, turns: showTurns(eighths), eighths }
        }),
    },
    startUp: startUpCard(state, sheets),
    passed: gatePoints(state, all)
      .filter((point) => point.passed)
      .map((point) => ({ point: point.title, why: point.passed!.why, second: point.passed!.second })),
    cautions: [
      'Fuel and vapour: ventilate, no flame or spark. Engine tests by licensed hands where the law says so. Shipped drained and dried.',
      ...installed(opened),
    ],
  }
}

/** What the way it is installed asks of whoever fits it. */
function installed(opened: NonNullable<JobState['opened']>): string[] {
  return [
    ...(opened.marine
      ? [
          'Marine: approved flame arrestor and parts only, no fuel to the bilge, the pump’s overflow joined where it belongs.',
        ]
      : []),
    ...(opened.boosted
      ? [
          'Boosted intake: bowl vent and fuel pressure follow the intake’s pressure; check both before it is loaded.',
        ]
      : []),
    ...(opened.tiltDeg
      ? [`Installed at ${opened.tiltDeg} degrees: level and wet tests are made at that tilt.`]
      : []),
  ]
}

function row(state: JobState, setting: SettingSpec, bodyNumber: number): SheetRow {
  const body = bodyOf(state, bodyNumber)
  const key = settingKey(setting)
  const said = body.readings[key]?.said ?? []
  const last = said.at(-1)
  const asFound = body.asFound[key]
  const ordinal = ['', '', '2nd', '3rd'][said.length] ?? `${said.length}th`
  return {
    name: setting.name,
    spec: setting.asWritten,
    asFound: asFound
      ? showValue(asFound.value, setting.quantity)
      : body.asFoundSkipped[key]
        ? 'skipped'
        : '·',
    asLeft: last
      ? /^#|^[A-Z]$/.test(last.raw)
        ? last.raw
        : showValue(last.value, setting.quantity)
      : setting.set
        ? '·'
        : 'as found',
    with: last ? [last.gauge ?? '', said.length > 1 ? `${ordinal} try` : ''].filter(Boolean).join(', ') : '',
  }
}

/** What was found and what became of it, the routine renewals in one line. */
function foundAndDone(state: JobState, { build }: Sheets, bodyNumber: number): string[] {
  const body = bodyOf(state, bodyNumber)
  const received = receivedTests
    .filter((test) => body.tests[test.code]?.result === 'bad')
    .map((test) => `As received: ${test.name.toLowerCase()} ${test.bad}`)
  const fresh = (code: string) => body.on[code] !== undefined && body.on[code].from !== 'old'
  const told = build.positions.flatMap((position) => {
    const finding = lastSaid(body.findings[position.code])
    if (
      !finding ||
      finding.disposition === 'reuse' ||
      (position.always && !finding.measured && conditionsOf[position.kind][0]!.code === finding.condition)
    )
      return []
    const done = fresh(position.code) ? 'new' : dispositionWord[finding.disposition].toLowerCase()
    return [`${position.name}: ${found(finding, position).replace(/\.$/, '')}: ${done}`]
  })
  const routine = build.positions
    .filter((p) => fresh(p.code) && !told.some((line) => line.startsWith(`${p.name}:`)))
    .map((p) => p.name.toLowerCase())
  return [...received, ...told, ...(routine.length ? [`Renewed as always: ${routine.join(', ')}`] : [])]
}

function found(finding: FindingData, position: Position): string {
  const label =
    conditionsOf[position.kind].find((c) => c.code === finding.condition)?.label.toLowerCase() ??
    finding.condition
  if (!finding.measured) return label
  return `${finding.raw}${finding.condition === 'sound' ? '' : `, ${label}`}. ${finding.sentence}`
}

function complaintOf(state: JobState, all: SheetsByBody): ReturnSheet['complaint'] {
  const { complaint } = state.opened!
  const words = complaintWords(complaint)
  if (!state.answer) return { words, answer: 'not answered', detail: '' }
  const { explained, by, words: more } = state.answer
  const facts = by.map((named) => {
    const { body, key: code } = readBodyKey(named)
    const position = all[body]?.build.positions.find((p) => p.code === code)
    const finding = lastSaid(bodyOf(state, body).findings[code])
    if (!position) return `${code}.`
    return finding ? `${position.name}: ${found(finding, position).replace(/\.$/, '')}.` : `${position.name}.`
  })
  return {
    words,
    answer: explained ? 'explained' : 'not explained',
    detail: [...facts, more].filter(Boolean).join(' '),
  }
}

function leftOf(state: JobState, all: SheetsByBody, bodyNumber: number): { what: string; why: string }[] {
  const body = bodyOf(state, bodyNumber)
  const sheets = all[bodyNumber]!
  const overridden = Object.entries(body.findings).flatMap(([code, judged]) => {
    const finding = lastSaid(judged)!
    const name = sheets.build.positions.find((p) => p.code === code)?.name ?? code
    if (finding.overridden) return [{ what: `${name}: ${finding.disposition}`, why: finding.overridden }]
    return finding.condition !== 'sound' && finding.disposition === 'reuse' && finding.measured
      ? [{ what: name, why: finding.sentence }]
      : []
  })
  const passed = gatePoints(state, all)
    .filter((point) => point.passed && (point.body === bodyNumber || bodiesOf(state) === 1))
    .map((point) => ({ what: point.title, why: `${point.passed!.why} (with ${point.passed!.second})` }))
  return [...overridden, ...passed]
}

/**
 * The start-up card. After flooding, the first thing is fuel in cylinders and sump: nobody cranks before that is looked at.
 */
export function startUpCard(state: JobState, { spec }: Sheets): ReturnSheet['startUp'] {
  const { complaint } = state.opened!
  const flooded =
    complaint.symptom === 'flooding' || complaint.symptom === 'leak' || /flood/i.test(complaint.words)
  const conditions = workingConditions(state.opened ?? undefined, spec)
  const supply =
    spec.supply.feed === 'pump'
      ? `Fuel pressure ${figure(conditions.pressureKpa)} kPa, ${spec.supply.mostKpa} at most; new filter, tank without water or dirt.`
      : 'Gravity feed: tap and screen clean, tank without water or dirt, hose falling all the way.'
  const kind = spec.mixture.kind
  return {
    danger: flooded
      ? 'Before anyone cranks: it flooded. Plugs out, look for fuel in the cylinders; smell and level of the oil.'
      : null,
    lines: [
      supply,
      'Fill the dry bowl first: through the vent with a squeeze bottle, or by the hand primer. No open funnel, no flame.',
      'Throttle snaps shut from wide open, choke on and choke off, cable on.',
      'Every port as the list has it: a hose or a cap. Drip holes and bowl vents stay open.',
      'Warm it through, then mixture.',
      kind === 'fuel'
        ? 'Each screw in until it falters, then out a quarter turn. In is leaner on this one.'
        : 'The screw out until it falters, then in a quarter turn. In is richer on this one.',
      spec.engine.idleInGearRpm
        ? `Idle ${spec.engine.idleInGearRpm} in gear, ${spec.engine.idleRpm} out of gear.`
        : `Idle ${spec.engine.idleRpm}.`,
      'Blip: a stumble on opening is lean; a hang after release is lean or an air leak; a sag below idle is rich.',
      'Engine tests: exhaust gas outdoors, clear of moving parts, no face over the open intake.',
    ],
  }
}
