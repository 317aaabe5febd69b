import {
  endWords,
  bodiesOf,
  bodyNumbers,
  bodyOf,
  receivedTests,
  type JobState,
  type SheetsByBody,
  signedBy,
  type Ended,
} from '../../log/index.ts'
import { fittedWasher } from '../entering/washer.ts'
import { figure } from '../../measure/index.ts'
import {
  nothingProved,
  proofsOf,
  proofStanding,
  testOf,
  type Proof,
  type ProofStanding,
} from '../../judge/proof/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { allClaims, type Claim } from '../../claims/index.ts'
import { gatePoints, type GatePoint } from '../stations/index.ts'
import { lower } from '../../base/words/index.ts'

/** One proof on the paper: as received beside as it goes out. */
export interface ProofRow {
  name: string
  /** where there is little room */
  short: string
  unit: string
  wants: string
  was: string
  now: string
  state: ProofStanding['state']
}

/** One size as it was built: what was measured, what is in it now. */
export interface BuiltRow {
  name: string
  was: string
  now: string
}

export interface Worth {
  /** DRAFT, PROVED, PROVED EXCEPT, DONE AS ASKED, NOT PROVED, or how it ended otherwise */
  word: string
  rests: string
}

/** How a thing came and how it goes back; nothing is said to have become what nobody tested, nor to have come in good where that is usual. */
export const wasToNow = ({ was, now }: { was: string; now: string }): string =>
  was === '·' || was === 'good' ? now : now === '·' ? `${was}; not tested` : `${was} to ${now}`

interface Told {
  proof: Proof
  standing: ProofStanding
}

const toldOf = (state: JobState, sheets: Sheets, body: number): Told[] => {
  const subject = { state, sheets, body }
  return proofsOf(subject).map((proof) => ({ proof, standing: proofStanding(subject, proof) }))
}

/** Every proof of a body with how it came in and how it goes out. */
export function proofRows(state: JobState, sheets: Sheets, body: number): ProofRow[] {
  const here = bodyOf(state, body)
  return toldOf(state, sheets, body).map(({ proof, standing }) => {
    const test = receivedTests.find(({ code }) => code === testOf(proof.key))
    const came = test && here.tests[test.code]?.result
    return {
      name: proof.name,
      short: proof.short,
      unit: proof.unit,
      wants: proof.wants,
      was: test && came === 'bad' ? test.bad : test && came === 'good' ? 'good' : '·',
      now:
        standing.state === 'fitted'
          ? 'when fitted'
          : standing.state === 'void'
            ? 'opened since'
            : standing.state === 'not yet'
              ? '·'
              : (standing.said?.value ?? (standing.state === 'proved' ? 'as listed' : 'not as listed')),
      state: standing.state,
    }
  })
}

const endedWorth = ({ why, words, by, second }: Ended): Worth => {
  const end = why === 'withdrawn' ? endWords['stopped by the customer'] : endWords[why]
  return {
    word: end.word,
    rests: `${end.rests} ${words} (${second ? `${by}, and ${second} too` : by}).`
      .replace(/\.\s*\(/, ' (')
      .replace('  ', ' '),
  }
}

/**
 * What the paper is worth: nothing before the return; proved only where everything that has to be true was shown. What was let pass and
 * weighs little is an exception, what weighs more leaves it not proved; named work only is done as asked. A body that ended says how.
 */
export function worthOf(state: JobState, all: SheetsByBody, bodyNumber = 1): Worth {
  const { ended } = bodyOf(state, bodyNumber)
  if (ended ?? state.closed) return endedWorth((ended ?? state.closed)!)
  if (!state.returned) return { word: 'DRAFT', rests: 'Not released: nothing here is certified.' }
  const points = gatePoints(state, all)
  const whole = points.find(({ point }) => point === 'proof')
  if (nothingProved(state) && !state.scope)
    return {
      word: 'NOT PROVED',
      rests: whole?.passed ? `${whole.passed.why} (${signedBy(whole.passed)}).` : 'No bench test here.',
    }
  const bodies = bodyNumbers(state).flatMap((body) => {
    const sheets = all[body]
    return sheets && !bodyOf(state, body).ended
      ? toldOf(state, sheets, body).map((told) => ({ ...told, body }))
      : []
  })
  const bank = bodiesOf(state) > 1
  const name = (one: (typeof bodies)[number]) =>
    `${lower(one.proof.name)}${bank ? `, carburetor ${one.body}` : ''}`
  const fitted = bodies.filter(({ standing }) => standing.state === 'fitted')
  const until = fitted.length ? ` Not tested here: ${fitted.map(name).join(', ')}.` : ''
  const figures = bodies
    .filter(
      ({ proof, standing, body }) =>
        body === bodyNumber && standing.said && ['inlet', 'level', 'lifts', 'weep'].includes(proof.code),
    )
    .map(
      ({ proof, standing }) =>
        `${proof.short.toLowerCase()} ${standing.said!.value}${proof.code === 'inlet' ? ' mL/min' : proof.code === 'level' ? ' mm' : ''}`,
    )
  const measured = figures.length ? `${figures.join(', ')}.` : ''
  const said = (which: readonly GatePoint[]) =>
    which
      .map(({ title, passed }) => `${title}${passed ? `: ${passed.why} (${signedBy(passed)})` : ''}`)
      .join('; ')
  // What an older version never asked was not asked of this one; what was left open of a test always counts.
  const asked = points.filter(
    ({ passed, claims }) =>
      passed || state.opened?.evidence !== false || claims.some(({ of }) => of === 'test'),
  )
  const heavy = asked.filter(
    ({ passed, weight, point }) =>
      (!passed && point !== 'complaint') || (weight !== 'minor' && !(point === 'older' && passed)),
  )
  if (heavy.length > 0) return { word: 'NOT PROVED', rests: `${said(heavy)}.${until}` }
  if (state.scope)
    return {
      word: 'DONE AS ASKED',
      rests: `${state.scope.words}. Not looked at: ${notLookedAt(state, all)}. ${measured}${until}`.trim(),
    }
  // Every proof put off is no proof.
  if (!bodies.some(({ standing, proof }) => standing.state === 'proved' && proof.how !== 'ports'))
    return { word: 'NOT PROVED', rests: `Nothing was tested on the bench.${until}` }
  const excepted = points.filter((one) => one.passed)
  if (excepted.length > 0)
    return { word: 'PROVED EXCEPT', rests: `${said(excepted)}. ${measured}${until}`.trim() }
  return { word: 'PROVED', rests: `${measured}${until}`.trim() }
}

const MOST_NAMED = 8

/** What was not asked for, and so not checked: kind by kind, the parts by name as far as there is room. */
function notLookedAt(state: JobState, all: SheetsByBody): string {
  const out = allClaims(state, all).filter((claim) => claim.state === 'out of scope')
  const parts = [
    ...new Set(out.filter(({ of }) => of === 'part' || of === 'renewal').map((one) => lower(one.name))),
  ]
  const count = (of: Claim['of'], one: string, several: string) => {
    const n = out.filter((claim) => claim.of === of).length
    return n === 0 ? [] : [n === 1 ? one : `${n} ${several}`]
  }
  const named = parts.slice(0, MOST_NAMED)
  const told = [
    ...named,
    ...(parts.length > named.length ? [`${parts.length - named.length} more parts`] : []),
    ...count('passage', 'one passage', 'passages'),
    ...count('setting', 'one setting', 'settings'),
    ...count('test', 'one test', 'tests'),
  ]
  return told.join(', ') || 'nothing else'
}

/** What can only be proved once it is fitted, for sheet and card. */
export const untilFitted = (state: JobState, sheets: Sheets, body: number): { name: string; why: string }[] =>
  toldOf(state, sheets, body).flatMap(({ proof, standing }) =>
    standing.state === 'fitted' ? [{ name: proof.name, why: standing.why }] : [],
  )

/** Sizes as built: what was measured of each part that has one, and what is in it now. */
export function builtRows(state: JobState, { spec, build }: Sheets, body: number): BuiltRow[] {
  const here = bodyOf(state, body)
  const rows = build.positions.flatMap((position): BuiltRow[] => {
    const { deciding } = position
    if (deciding?.what !== 'bore' && deciding?.what !== 'mass') return []
    const said = here.findings[position.code]?.said ?? []
    const values = said.flatMap(({ measured }) =>
      measured?.what === 'bore'
        ? [figure((measured.go + measured.no) / 2, 2)]
        : measured?.what === 'mass'
          ? [figure(measured.value, 1)]
          : [],
    )
    const on = here.on[position.code]
    const fresh = on !== undefined && on.from !== 'old'
    const sheet =
      deciding.what === 'bore'
        ? figure(deciding.newMm, 2)
        : spec.taught
          ? ''
          : figure(spec.float.floatMass, 1)
    const instead =
      deciding.what === 'bore' && deciding.instead !== undefined
        ? `, the sheet’s ${figure(deciding.instead, 2)}`
        : ''
    const now = `${fresh ? (sheet ? `${sheet} new` : 'new') : (values.at(-1) ?? '·')}${instead}`
    return values.length || fresh
      ? [{ name: `${position.name}, ${deciding.what === 'bore' ? 'mm' : 'g'}`, was: values[0] ?? '·', now }]
      : []
  })
  const washer = fittedWasher(state, build, body)
  return washer !== null && spec.float.washerMm !== null
    ? [...rows, { name: 'Seat washer, mm', was: figure(spec.float.washerMm, 1), now: figure(washer, 1) }]
    : rows
}

/** What is left for whoever fits it, as boxes to tick. */
export function leftForInstaller(state: JobState, sheets: Sheets, body: number): string[] {
  const { opened } = state
  const here = bodyOf(state, body)
  const { spec, build } = sheets
  const choke = build.positions.some(({ code }) => code === 'choke.cable' || code === 'choke.coil')
  return [
    ...untilFitted(state, sheets, body).map(({ name }) => `test: ${lower(name)}`),
    choke && build.positions.some(({ code }) => code === 'choke.cable')
      ? 'throttle and choke cable: slight free play, full travel'
      : 'throttle cable: slight free play, full travel',
    'new filter, clean tank and line',
    ...(Object.values(here.ports).some(({ left }) => left?.state === 'sync')
      ? ['synchronize on the engine, then cap the ports']
      : bodiesOf(state) > 1 && body === 1
        ? ['synchronize again, warm, on the engine']
        : []),
    spec.engine.idleInGearRpm && !spec.taught ? 'idle hot, in gear and out' : 'idle hot',
    ...(opened?.marine ? ['arrestor on, pump overflow joined, bilge dry'] : []),
  ]
}
