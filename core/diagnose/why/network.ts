import { lookEvidence } from '../../judge/asfound/index.ts'
import {
  weighCauses,
  type CauseAnswer,
  type CauseNetwork,
  type Question,
  type CauseSeen,
} from '../causes/index.ts'
import { causes as carburetor, type Said, type Tests } from '../complaint/index.ts'
import { bodyNumbers, bodyOf, type JobState, type SheetsByBody } from '../../log/index.ts'
import { weighFindings } from '../explain/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import { screwKindOf, type Sheets } from '../../sheets/index.ts'
import { outsideCauses, signs, type Area } from './outside.ts'

/** The judgement behind the table is worth so many complaints; what the shop has seen itself is added to it. */
const JUDGED_COMPLAINTS = 40

/** How often each cause was what it was, of so many complaints that this shop answered. */
export interface Outcomes {
  answered: number
  causes: Readonly<Record<string, number>>
}
export const noOutcomes: Outcomes = { answered: 0, causes: {} }

export interface NetworkCause {
  code: string
  area: Area
  finding: string
  look: string
  minutes: number
  /** judgement, as if met so often in forty; and what this shop has met */
  judged: number
  met: number
  prior: number
  /** which parts would bear it */
  positions: string[]
}

interface Shape {
  code: string
  symptoms: Readonly<Record<string, number>>
  bands?: Readonly<Record<string, number>>
  temperatures?: Readonly<Record<string, number>>
  whens?: Readonly<Record<string, number>>
  tests?: Readonly<Record<string, readonly [number, number] | undefined>>
}

const EVERY_BAND = ['idle', 'just off idle', 'middle', 'wide open']
/** Something else brings a symptom, is felt at a band, fails a test. */
const LEAKS = { symptom: 0.02, band: 0.08, temperature: 0.15, when: 0.04, test: 0.15 }
/** What a cause says nothing of, it brings so often; a factor of two doubles that. */
const USUAL = 0.3
const weight = (factor: number) => Math.min(0.9, USUAL * factor)

/** Minutes for a look at a part: outside at once, inside when the cover is off, or with the cover to come off. */
const OUTSIDE_LOOKS = new Set([
  'air.leak',
  'loose',
  'choke',
  'break',
  'links',
  'pump',
  'standpipe',
  'solenoid',
  'percolation',
  'icing',
  'slosh',
  'stale',
  'water',
])
const LOOK_MINUTES = 3
const COVER_MINUTES = 22

/** Every cause that this unit can have, with what the table and the shop say of how often. */
export function causesFor(
  sheets: Sheets | undefined,
  opened: boolean,
  outcomes: Outcomes = noOutcomes,
): NetworkCause[] {
  const n = JUDGED_COMPLAINTS + outcomes.answered
  const of = (code: string, judged: number) => {
    const met = outcomes.causes[code] ?? 0
    return { judged, met, prior: Math.min(0.5, (judged + met) / n) }
  }
  const inside = carburetor.flatMap((cause): NetworkCause[] => {
    const positions = sheets
      ? sheets.build.positions
          .filter(
            ({ kind, code, name }) =>
              cause.kinds.includes(kind) && (cause.at?.test(`${code} ${name}`) ?? true),
          )
          .map(({ code }) => code)
      : []
    if (sheets && cause.kinds.length > 0 && positions.length === 0 && !cause.without) return []
    const words = sheets && positions.length === 0 && cause.without ? cause.without : cause
    const kind = sheets && screwKindOf(sheets.spec)
    return [
      {
        code: cause.code,
        area: 'carburetor',
        finding: words.finding,
        look: (words === cause && kind && cause.lookBy?.[kind]) || words.look,
        minutes: OUTSIDE_LOOKS.has(cause.code) || opened ? LOOK_MINUTES : COVER_MINUTES,
        positions,
        ...of(cause.code, cause.prior),
      },
    ]
  })
  const outside = outsideCauses.map(({ code, area, finding, look, minutes, count }): NetworkCause => ({
    code,
    area,
    finding,
    look,
    minutes,
    positions: [],
    ...of(code, count),
  }))
  return [...inside, ...outside]
}

/** The network over these causes: symptoms, bands, temperatures, occasions, tests as received and signs as evidence (`docs/physics.md` 20). */
export function networkOf(causes: readonly NetworkCause[]): CauseNetwork {
  const shapes: Shape[] = [...carburetor, ...outsideCauses]
  const there = causes.map(({ code }) => shapes.find((one) => one.code === code)!)
  const evidence: { id: string; leak: number; weights: Record<string, number> }[] = []
  const add = (id: string, leak: number, of: (shape: Shape) => number) => {
    const weights = Object.fromEntries(
      there.map((shape) => [shape.code, of(shape)] as const).filter(([, w]) => w > 0),
    )
    evidence.push({ id, leak, weights })
  }
  const names = (key: 'symptoms' | 'temperatures' | 'whens') => [
    ...new Set(there.flatMap((one) => Object.keys(one[key] ?? {}))),
  ]
  for (const symptom of names('symptoms'))
    add(`symptom:${symptom}`, LEAKS.symptom, ({ symptoms }) => symptoms[symptom] ?? 0)
  for (const band of EVERY_BAND) add(`band:${band}`, LEAKS.band, ({ bands }) => weight(bands?.[band] ?? 1))
  for (const one of names('temperatures'))
    add(`temperature:${one}`, LEAKS.temperature, ({ temperatures }) => weight(temperatures?.[one] ?? 1))
  for (const when of names('whens'))
    add(`when:${when}`, LEAKS.when, ({ whens }) => weight((whens?.[when] ?? 0.5) * 0.8))
  for (const test of ['inlet', 'lifts', 'links', 'squirt', 'break'])
    add(`test:${test}`, LEAKS.test, ({ tests }) => {
      const factors = tests?.[test]
      return factors ? factors[0] / (1 + factors[0]) : 0
    })
  for (const sign of signs) add(sign.code, sign.leak, ({ code }) => sign.weights[code] ?? 0)
  for (const { id, leak, weights } of lookEvidence) add(id, leak, ({ code }) => weights[code] ?? 0)
  return { causes: causes.map(({ code, prior }) => ({ id: code, prior })), evidence }
}

export interface WhyCause extends NetworkCause {
  p: number
  standing: 'found' | 'ruled out' | 'open'
  /** the chance that it brings what is complained of */
  brings: number
}

export interface Why {
  causes: WhyCause[]
  /** what settles most a minute; null where nothing is left to ask */
  next: { code: string; kind: 'cause' | 'sign'; question: string; minutes: number; gain: number } | null
  seen: Record<string, CauseSeen>
  /** the chance that what was found brings what is complained of */
  explained: number
}

/** A complaint's own words and the tests as received, as evidence. */
export function complaintSeen(complaint: Said, tests: Tests): Record<string, CauseSeen> {
  const seen: Record<string, CauseSeen> = {}
  if (complaint.symptom !== 'none: overhaul') seen[`symptom:${complaint.symptom}`] = 'present'
  if (EVERY_BAND.includes(complaint.band)) seen[`band:${complaint.band}`] = 'present'
  if (complaint.temperature !== 'both') seen[`temperature:${complaint.temperature}`] = 'present'
  if (complaint.when !== 'any time') seen[`when:${complaint.when}`] = 'present'
  for (const [test, { result }] of Object.entries(tests))
    if (result !== 'none') seen[`test:${test}`] = result === 'bad' ? 'present' : 'absent'
  return seen
}

/** What is known of a complaint: its own words, the tests as received, what somebody said of signs and causes since. */
function seenOf(state: JobState, body = 1): Record<string, CauseSeen> {
  const seen = complaintSeen(state.opened!.complaint, bodyOf(state, body).tests)
  for (const { id, look, seen: shown } of lookEvidence) {
    const looked = bodyOf(state, body).looks[look]
    if (looked && looked.seen !== 'none') seen[id] = looked.seen === shown ? 'present' : 'absent'
  }
  for (const [about, said] of Object.entries(state.signs)) seen[about] = said.state
  return seen
}

/** Next check is chosen among so many of the likeliest. */
const WEIGHED_FOR_NEXT = 12

/**
 * Why it does what is complained of: every cause with its chance given what was said, tested, found on the bench and answered since, and
 * the next look by what it settles a minute. Refuses what cannot be together.
 */
export function why(
  state: JobState,
  all: SheetsByBody,
  outcomes: Outcomes = noOutcomes,
  body = 1,
): Result<Why> {
  const sheets = all[body]
  const opened = Object.keys(bodyOf(state, body).off).length > 0
  const causes = causesFor(sheets, opened, outcomes)
  const network = networkOf(causes)
  const known = new Set(network.evidence.map(({ id }) => id))
  const said = seenOf(state, body)
  const seen = Object.fromEntries(Object.entries(said).filter(([id]) => known.has(id)))
  const findings: Record<string, 'present' | 'absent'> = {}
  for (const number of bodyNumbers(state)) {
    const of = all[number]
    if (!of) continue
    for (const { code, standing } of weighFindings(state, of, number)) {
      if (standing === 'found') findings[code] = 'present'
      else if (standing === 'ruled out' && findings[code] === undefined && number === body)
        findings[code] = 'absent'
    }
  }
  for (const { code } of causes) {
    const answered = said[code]
    if (answered === 'present' || answered === 'absent') findings[code] = answered
  }
  const there = new Set(causes.map(({ code }) => code))
  for (const code of Object.keys(findings)) if (!there.has(code)) delete findings[code]
  const answer = weighCauses(network, seen, findings)
  if (isRefusal(answer)) return answer
  const { symptom } = state.opened!.complaint
  const shapes = new Map([...carburetor, ...outsideCauses].map((one): [string, Shape] => [one.code, one]))
  const weighed = causes
    .map((cause): WhyCause => {
      const found = findings[cause.code]
      return {
        ...cause,
        p: answer.posterior[cause.code] ?? 0,
        standing: found === 'present' ? 'found' : found === 'absent' ? 'ruled out' : 'open',
        brings: shapes.get(cause.code)?.symptoms[symptom] ?? 0,
      }
    })
    .sort(
      (a, b) =>
        rank[a.standing] - rank[b.standing] ||
        (a.standing === 'found' ? b.brings - a.brings : 0) ||
        b.p - a.p,
    )
  const explained =
    1 - weighed.reduce((rest, { standing, brings }) => (standing === 'found' ? rest * (1 - brings) : rest), 1)
  return {
    explained,
    causes: weighed,
    next: nextLook(network, weighed, seen, findings, said),
    seen: said,
  }
}

const rank = { found: 0, open: 1, 'ruled out': 2 }

function nextLook(
  network: CauseNetwork,
  causes: readonly WhyCause[],
  seen: Readonly<Record<string, CauseSeen>>,
  findings: Readonly<Record<string, 'present' | 'absent'>>,
  said: Readonly<Record<string, CauseSeen>>,
): Why['next'] {
  const likely = [...causes]
    .filter(({ standing }) => standing !== 'ruled out')
    .sort((a, b) => b.p - a.p)
    .slice(0, WEIGHED_FOR_NEXT)
  const codes = new Set(likely.map(({ code }) => code))
  const small: CauseNetwork = {
    causes: network.causes.filter(({ id }) => codes.has(id)),
    evidence: network.evidence.map(({ id, leak, weights }) => ({
      id,
      leak,
      weights: Object.fromEntries(Object.entries(weights).filter(([code]) => codes.has(code))),
    })),
  }
  const questions: Question[] = [
    ...likely
      .filter(({ standing }) => standing === 'open')
      .map(({ code, minutes }) => ({ id: code, minutes })),
    ...signs.map(({ code, minutes }) => ({ id: code, minutes })),
  ].filter(({ id }) => said[id] !== 'not asked')
  const own = Object.fromEntries(Object.entries(findings).filter(([code]) => codes.has(code)))
  const answer: Result<CauseAnswer> = weighCauses(small, seen, own, questions)
  if (isRefusal(answer) || !answer.next) return null
  const { id, gain } = answer.next
  const cause = likely.find(({ code }) => code === id)
  const sign = signs.find(({ code }) => code === id)
  return cause
    ? { code: id, kind: 'cause', question: cause.look, minutes: cause.minutes, gain }
    : sign
      ? { code: id, kind: 'sign', question: sign.question, minutes: sign.minutes, gain }
      : null
}
