import { lookEvidence } from '../../judge/asfound/index.ts'
import {
  weighCauses,
  type CauseAnswer,
  type CauseNetwork,
  type Question,
  type CauseSeen,
} from '../causes/index.ts'
import { causeOfUnit, causes as carburetor, unitHas, type Said, type Tests } from '../complaint/index.ts'
import { bodyNumbers, bodyOf, type JobState, type SheetsByBody } from '../../log/index.ts'
import { weighFindings } from '../explain/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { asNoted, notedEvidence } from './noted.ts'
import { outsideCauses, signs, type Area, type Sign } from './outside.ts'

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

/** Something else brings a symptom, fails a test. */
const LEAKS = { symptom: 0.02, test: 0.15 }
/** An occasion that a cause says nothing of suits it so well. */
const ANY_OCCASION = 0.6
const SURE = 0.95

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
    const ofUnit = causeOfUnit(cause, sheets)
    return ofUnit
      ? [
          {
            code: cause.code,
            area: 'carburetor',
            ...ofUnit,
            minutes: OUTSIDE_LOOKS.has(cause.code) || opened ? LOOK_MINUTES : COVER_MINUTES,
            ...of(cause.code, cause.prior),
          },
        ]
      : []
  })
  const outside = outsideCauses.flatMap((cause): NetworkCause[] => {
    const ofUnit = causeOfUnit(cause, sheets)
    const { code, area, minutes, count } = cause
    return ofUnit ? [{ code, area, minutes, ...ofUnit, ...of(code, count) }] : []
  })
  return [...inside, ...outside]
}

/**
 * The chance that a cause brings the complaint as it is told: the symptom at this throttle position, engine temperature and occasion. A
 * cause that works elsewhere hardly brings it there, however often it is met.
 */
function bringsTold(shape: Shape, { symptom, band, temperature, when }: Said): number {
  const occasion = when === 'any time' ? 1 : (shape.whens?.[when] ?? ANY_OCCASION)
  const factors = (shape.bands?.[band] ?? 1) * (shape.temperatures?.[temperature] ?? 1) * occasion
  return Math.min(SURE, (shape.symptoms[symptom] ?? 0) * factors)
}

/** The network over these causes: the complaint as told, other symptoms, tests as received, notes and signs as evidence (`docs/physics.md` 20). */
export function networkOf(causes: readonly NetworkCause[], told?: Said): CauseNetwork {
  const shapes: Shape[] = [...carburetor, ...outsideCauses]
  const there = causes.map(({ code }) => shapes.find((one) => one.code === code)!)
  const evidence: { id: string; leak: number; weights: Record<string, number> }[] = []
  const add = (id: string, leak: number, of: (shape: Shape) => number) => {
    const weights = Object.fromEntries(
      there.map((shape) => [shape.code, of(shape)] as const).filter(([, w]) => w > 0),
    )
    evidence.push({ id, leak, weights })
  }
  for (const symptom of new Set(there.flatMap((one) => Object.keys(one.symptoms))))
    add(`symptom:${symptom}`, LEAKS.symptom, (shape) =>
      symptom === told?.symptom ? bringsTold(shape, told) : (shape.symptoms[symptom] ?? 0),
    )
  for (const test of ['inlet', 'lifts', 'links', 'squirt', 'break'])
    add(`test:${test}`, LEAKS.test, ({ tests }) => {
      const factors = tests?.[test]
      return factors ? factors[0] / (1 + factors[0]) : 0
    })
  for (const sign of signs) add(sign.code, sign.leak, ({ code }) => sign.weights[code] ?? 0)
  for (const { id, leak, weights } of [...lookEvidence, ...notedEvidence])
    add(id, leak, ({ code }) => weights[code] ?? 0)
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
  /** what was noted as found and speaks for or against a cause */
  noted: string[]
  /** the chance that what was found brings what is complained of */
  explained: number
}

/** The complaint and the tests as received, as evidence. */
export function complaintSeen(complaint: Said, tests: Tests): Record<string, CauseSeen> {
  const seen: Record<string, CauseSeen> = {}
  if (complaint.symptom !== 'none: overhaul') seen[`symptom:${complaint.symptom}`] = 'present'
  for (const [test, { result }] of Object.entries(tests))
    if (result !== 'none') seen[`test:${test}`] = result === 'bad' ? 'present' : 'absent'
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
  const told = state.opened!.complaint
  const network = networkOf(causes, told)
  const known = new Set(network.evidence.map(({ id }) => id))
  const noted = asNoted(state, sheets, body)
  const said: Record<string, CauseSeen> = {
    ...complaintSeen(told, bodyOf(state, body).tests),
    ...noted.seen,
    ...Object.fromEntries(Object.entries(state.signs).map(([about, one]) => [about, one.state])),
  }
  const seen = Object.fromEntries(Object.entries(said).filter(([id]) => known.has(id)))
  const findings = { ...noted.findings }
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
  const shapes = new Map([...carburetor, ...outsideCauses].map((one): [string, Shape] => [one.code, one]))
  const weighed = causes
    .map((cause): WhyCause => {
      const found = findings[cause.code]
      return {
        ...cause,
        p: answer.posterior[cause.code] ?? 0,
        standing: found === 'present' ? 'found' : found === 'absent' ? 'ruled out' : 'open',
        brings: bringsTold(shapes.get(cause.code)!, told),
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
    next: nextLook(network, weighed, seen, findings, said, sheets),
    seen: said,
    noted: noted.words,
  }
}

const rank = { found: 0, open: 1, 'ruled out': 2 }

/** A sign's question as it is asked of this unit. */
const questionOf = (sign: Sign, sheets: Sheets | undefined): string =>
  sign.askedWith && unitHas(sheets, sign.askedWith.has) ? sign.askedWith.question : sign.question

function nextLook(
  network: CauseNetwork,
  causes: readonly WhyCause[],
  seen: Readonly<Record<string, CauseSeen>>,
  findings: Readonly<Record<string, 'present' | 'absent'>>,
  said: Readonly<Record<string, CauseSeen>>,
  sheets: Sheets | undefined,
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
      ? { code: id, kind: 'sign', question: questionOf(sign, sheets), minutes: sign.minutes, gain }
      : null
}
