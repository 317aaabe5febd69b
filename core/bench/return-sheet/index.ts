import {
  lookCodes,
  lookSays,
  sedimentOf,
  afterReturn,
  bodiesOf,
  bodyNumbers,
  bodyOf,
  bodyKey,
  lastSaid,
  readBodyKey,
  receivedTests,
  sentenceOf,
  showNumber,
  type JobState,
  type ReadingData,
  type SheetsByBody,
  complaintWords,
  passAs,
  signedBy,
  workSoFar,
} from '../../log/index.ts'
import { foundWith, isDoubtful } from '../../judge/findings/index.ts'
import {
  partsTable,
  dispositionWord,
  judgedByOther,
  nameOn,
  countedFromSeat,
  screwFlowOf,
  screwKindOf,
  type SpecSheet,
  settingKey,
  type SettingSpec,
  type Sheets,
} from '../../sheets/index.ts'
import { gatePoints } from '../stations/index.ts'
import { showTurns, showValue } from '../../measure/index.ts'
import { flowWords, screwWords } from '../../physics/mixture/index.ts'
import { settingsInOrder } from '../../judge/settings/index.ts'
import { liesOutside, voidedBy } from '../../judge/work/index.ts'
import { endOfUnit, type EndOfUnit } from './end.ts'
import { doneAt, found } from './found.ts'
import { sheetPicture, type SheetPicture } from './picture.ts'
import {
  builtRows,
  leftForInstaller,
  proofRows,
  worthOf,
  type BuiltRow,
  type ProofRow,
  type Worth,
} from './proved.ts'
import { notToBeFitted, startUpCard, type StartUpCard } from './start-up.ts'

export { foundLine, type EndOfUnit } from './end.ts'
export { wasToNow, worthOf } from './proved.ts'
export { layPicture, type LaidPicture, type SheetPicture } from './picture.ts'
export type { ProofRow } from './proved.ts'

export interface SheetRow {
  name: string
  spec: string
  asFound: string
  asLeft: string
  with: string
  /** where it was left out of its band or judged by another sheet: why; sheets of before this was said lack it */
  out?: string
}

/** The return sheet as a document: what stands on the paper, before anything is laid out. */
export interface ReturnSheet {
  number: string
  /** of a bank: which body this page is of; null where there is one */
  body: { number: number; of: number } | null
  /** A as returned, a letter on for each correction after the return; null before: a draft has none */
  revision: string | null
  /** what the paper is worth, and what that rests on; sheets of before this was said lack it */
  standing?: Worth
  /** each proof, as it came in and as it goes out; sheets of before had none, nor what follows */
  proofs?: ProofRow[]
  built?: BuiltRow[]
  installer?: string[]
  picture?: SheetPicture
  /** minor units: what was told, whether the customer agreed, what it came to; null where no estimate was made */
  money?: { estimateMinor: number; agreedBy: string | null; cameToMinor: number } | null
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
  startUp: StartUpCard
  passed: { point: string; why: string; second: string }[]
  cautions: string[]
  /** how it ended where it does not go back repaired: then its paper is another one */
  end?: EndOfUnit
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
  const ended = body.ended ?? state.closed
  const after = afterReturn(state)
  const of = bodiesOf(state)
  const opened = state.opened!
  return {
    number: showNumber(number),
    body: of > 1 ? { number: bodyNumber, of } : null,
    revision: after?.letter ?? null,
    standing: worthOf(state, all, bodyNumber),
    proofs: proofRows(state, sheets, bodyNumber),
    built: builtRows(state, sheets, bodyNumber),
    installer: leftForInstaller(state, sheets, bodyNumber),
    picture: sheetPicture(state, sheets, bodyNumber),
    money: moneyOf(state),
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
      row(state, sheets, setting, bodyNumber),
    ),
    foundAndDone: foundAndDone(state, sheets, bodyNumber),
    complaint: complaintOf(state, all),
    left: leftOf(state, all, bodyNumber),
    mixture: {
      words: mixtureWords(spec),
      screws: spec.settings.filter(countedFromSeat).flatMap((setting) => {
        const set = lastSaid(body.readings[settingKey(setting)])
        return set ? [{ name: setting.name, turns: showTurns(set.value), eighths: set.value }] : []
      }),
    },
    startUp: ended ? notToBeFitted(ended.why) : startUpCard(state, sheets, bodyNumber),
    passed: gatePoints(state, all)
      .filter((point) => point.passed)
      .map((point) => ({ point: point.title, why: point.passed!.why, second: signedBy(point.passed!) })),
    ...(ended ? { end: endOfUnit(state, sheets, bodyNumber, ended) } : {}),
    cautions: [
      'Fuel and vapour: ventilate, no flame or spark. Put fuel-soaked rags in a lidded metal bin and dispose of them by local rules. Engine tests by licensed people where the law requires it. Shipped drained and dried.',
    ],
  }
}

/** Which way each kind of its screws does what: by name where a unit has several kinds. */
function mixtureWords(spec: SpecSheet): string[] {
  const screws = spec.settings.filter(countedFromSeat)
  const flows = [...new Set(screws.map((setting) => screwFlowOf(setting, spec)))]
  if (flows.length > 1)
    return screws.map((setting) => {
      const flow = screwFlowOf(setting, spec)
      return `${setting.short}: ${(flow ? flowWords[flow] : screwWords(null)).replace(/[,:.].*$/, '').toLowerCase()}`
    })
  const [flow] = flows
  return (flow ? flowWords[flow] : screwWords(screwKindOf(spec)))
    .split(/(?<=,)\s/)
    .map((part) => part.replace(/[,.]$/, ''))
}

/** What was agreed and what it came to, by the log alone. */
function moneyOf(state: JobState): ReturnSheet['money'] {
  const { estimate } = state
  if (!estimate) return null
  return {
    estimateMinor: estimate.amountMinor,
    agreedBy: estimate.agreed?.yes ? estimate.agreed.who : null,
    cameToMinor: workSoFar(state)?.totalMinor ?? 0,
  }
}

/** A figure with its unit, once; what says in words what it is needs none. */
function withUnit(text: string, setting: SettingSpec): string {
  switch (setting.quantity) {
    case 'turns':
      return /turn/.test(text) || !/^[\d /⅛¼⅜½⅝¾⅞]+$/.test(text)
        ? text
        : `${text} ${/^[01]$|^\d\/\d$/.test(text) ? 'turn' : 'turns'}`
    case 'notches':
    case 'count':
      return text
    default:
      return /\d$/.test(text) && !/^#/.test(text) ? `${text} mm` : text
  }
}

/** Why a value that was left is no value to rely on: out of its band, judged by another sheet, opened since. Empty where it holds. */
function outOf(
  state: JobState,
  sheets: Sheets,
  setting: SettingSpec,
  last: ReadingData,
  bodyNumber: number,
): string {
  if (judgedByOther(last, setting, sheets)) return 'judged by another sheet: redo'
  const opened = voidedBy(state, sheets, setting, bodyNumber)
  if (opened) return `${opened.name.toLowerCase()} opened or changed since: redo`
  if (last.shown.verdict === 'in' && !liesOutside(last, setting)) return ''
  const passed = passAs(state, bodyKey(bodyNumber, `setting:${settingKey(setting)}`), last.raw)
  return passed ? `out of limits: ${passed.why}` : 'out of limits'
}

function row(state: JobState, sheets: Sheets, setting: SettingSpec, bodyNumber: number): SheetRow {
  const body = bodyOf(state, bodyNumber)
  const key = settingKey(setting)
  const said = body.readings[key]?.said ?? []
  const last = said.at(-1)
  const asFound = body.asFound[key]
  const ordinal = ['', '', '2nd', '3rd'][said.length] ?? `${said.length}th`
  const out = last ? outOf(state, sheets, setting, last, bodyNumber) : ''
  return {
    name: setting.name,
    spec: withUnit(setting.asWritten, setting),
    asFound: asFound
      ? `${withUnit(showValue(asFound.value, setting.quantity), setting)}${
          asFound.countedTo === 'free' ? ' to free' : ''
        }`
      : body.asFoundSkipped[key]
        ? 'skipped'
        : NOT_RECORDED,
    asLeft: last
      ? /^#|^[A-Z]$/.test(last.raw)
        ? `drill ${last.raw}`
        : withUnit(showValue(last.value, setting.quantity), setting)
      : setting.set
        ? NOT_RECORDED
        : NOT_RECORDED,
    ...(out ? { out } : {}),
    with: last ? [last.gauge ?? '', said.length > 1 ? `${ordinal} try` : ''].filter(Boolean).join(', ') : '',
  }
}

/** What nobody wrote down, in words: a dot is no word. */
const NOT_RECORDED = 'not recorded'

/** What was found and what became of it, the routine renewals in one line. */
function foundAndDone(state: JobState, { build }: Sheets, bodyNumber: number): string[] {
  const body = bodyOf(state, bodyNumber)
  const received = receivedTests
    .filter((test) => body.tests[test.code]?.result === 'bad')
    .map((test) => `As received: ${test.name.toLowerCase()} ${test.bad}`)
  const fresh = (code: string) => body.on[code] !== undefined && body.on[code].from !== 'old'
  const told = build.positions.flatMap((position) => {
    const judged = body.findings[position.code]
    const passed = doneAt(judged)
    const finding = passed ? foundWith(judged) : lastSaid(judged)
    if (
      !finding ||
      (finding.disposition === 'reuse' && !passed) ||
      (position.always &&
        !finding.measured &&
        partsTable[position.kind].conditions[0]!.code === finding.condition)
    )
      return []
    const done = fresh(position.code)
      ? 'new'
      : isDoubtful(finding)
        ? 'too close to call, measure again'
        : passed || dispositionWord[finding.disposition].toLowerCase()
    return [`${position.name}: ${found(finding, position).replace(/\.$/, '')}: ${done}`]
  })
  const routine = build.positions
    .filter((p) => fresh(p.code) && !told.some((line) => line.startsWith(`${p.name}:`)))
    .map((p) => p.name.toLowerCase())
  const bowl = body.sediment?.kinds.length
    ? [`In the bowl: ${body.sediment.kinds.map((code) => sedimentOf(code)!.label.toLowerCase()).join(', ')}`]
    : []
  const looked = lookCodes.flatMap((look) => {
    const seen = body.looks[look]
    const said = seen && lookSays({ look, ...seen })
    return said && !said.usual ? [`As received: ${said.headline.replace(/\.$/, '').toLowerCase()}`] : []
  })
  return [
    ...received,
    ...looked,
    ...bowl,
    ...told,
    ...(routine.length ? [`Replaced as routine: ${routine.join(', ')}`] : []),
  ]
}

function complaintOf(state: JobState, all: SheetsByBody): ReturnSheet['complaint'] {
  const { complaint } = state.opened!
  const words = complaintWords(complaint)
  if (!state.answer)
    return {
      words,
      answer: complaint.symptom === 'none: overhaul' ? 'nothing to explain' : 'not answered',
      detail: '',
    }
  const { explained, by, words: more } = state.answer
  const facts = by.map((named) => {
    const { body, key: code } = readBodyKey(named)
    const position = all[body]?.build.positions.find((p) => p.code === code)
    const finding = foundWith(bodyOf(state, body).findings[code])
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
    const position = sheets.build.positions.find((p) => p.code === code)
    const name = position?.name ?? code
    if (finding.overridden) return [{ what: `${name}: ${finding.disposition}`, why: finding.overridden }]
    // What is replaced as routine is not left as it was.
    return finding.condition !== 'sound' &&
      finding.disposition === 'reuse' &&
      finding.measured &&
      !position?.always
      ? [{ what: name, why: finding.sentence }]
      : []
  })
  const passed = gatePoints(state, all)
    .filter((point) => point.passed && (point.body === bodyNumber || bodiesOf(state) === 1))
    .map((point) => ({ what: point.title, why: `${point.passed!.why} (${signedBy(point.passed!)})` }))
  return [...overridden, ...passed]
}

/** What was agreed and what it came to, in the shop's money; empty where no estimate was made. */
export function moneyWords(
  { money, standing }: Pick<ReturnSheet, 'money' | 'standing'>,
  currency: { code: string; exponent: number } | undefined,
  warrantyDays = 0,
): string {
  // Nobody stands by what was not proved.
  const stands =
    warrantyDays > 0 && (!standing || /^PROVED|^DRAFT/.test(standing.word))
      ? `Warranty: ${warrantyDays} days.`
      : ''
  if (!money || !currency) return stands
  const say = (minor: number) =>
    `${(minor / 10 ** currency.exponent).toFixed(currency.exponent)} ${currency.code}`
  return `Estimate ${say(money.estimateMinor)}, ${money.agreedBy ? `agreed by ${money.agreedBy}` : 'no approval recorded'}; final ${say(money.cameToMinor)}, labor and parts.${stands ? ` ${stands}` : ''}`
}
