import { endWords } from '../job/ends.ts'
import {
  bodiesOf,
  bodyKey,
  bodyNumbers,
  bodyOf,
  receivedTests,
  type JobState,
  type SheetsByBody,
} from '../job/index.ts'
import { fittedWasher } from '../entering/washer.ts'
import { figure } from '../measure/index.ts'
import {
  nothingProved,
  proofsOf,
  proofStanding,
  testOf,
  type Proof,
  type ProofStanding,
} from '../proof/index.ts'
import type { Sheets } from '../sheets/index.ts'
import { gatePoints } from '../stations/index.ts'
import { lower } from '../words/index.ts'

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
  /** DRAFT, PROVED, PROVED EXCEPT, NOT PROVED, or how it ended otherwise */
  word: string
  rests: string
}

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

/**
 * What the paper is worth: nothing before the return; proved only where every proof of every body was measured and stands, or can only
 * be made once it is fitted, which is said.
 */
export function worthOf(state: JobState, all: SheetsByBody): Worth {
  if (state.closed) {
    const { why, words, by } = state.closed
    const end = why === 'withdrawn' ? endWords['stopped by the customer'] : endWords[why]
    return {
      word: end.word,
      rests: `${end.rests} ${words} (${by}).`.replace(/\.\s*\(/, ' (').replace('  ', ' '),
    }
  }
  if (!state.returned) return { word: 'DRAFT', rests: 'It has not gone back: nothing here is certified.' }
  const points = gatePoints(state, all)
  const passed = points.filter(({ point }) => /(^|#)proof(:|$)/.test(point))
  if (nothingProved(state)) {
    const whole = passed.find(({ point }) => point === 'proof')?.passed
    return {
      word: 'NOT PROVED',
      rests: whole ? `${whole.why} (${whole.by} with ${whole.second}).` : 'No bench proof here.',
    }
  }
  const bodies = bodyNumbers(state).flatMap((body) => {
    const sheets = all[body]
    return sheets ? toldOf(state, sheets, body).map((told) => ({ ...told, body })) : []
  })
  const bank = bodiesOf(state) > 1
  const open = bodies.filter(
    ({ standing, proof }) => proof.how !== 'ports' && !['proved', 'fitted'].includes(standing.state),
  )
  const name = (one: (typeof bodies)[number]) =>
    `${one.proof.name.toLowerCase()}${bank ? `, body ${one.body}` : ''}`
  if (open.length > 0) {
    const why = (one: (typeof bodies)[number]) => {
      const point = bodyKey(one.body, `proof:${one.proof.key}`)
      const pass = passed.find((other) => other.point === point)?.passed
      return pass ? `, ${pass.why} (${pass.by} with ${pass.second})` : ''
    }
    return { word: 'NOT PROVED', rests: `${open.map((one) => `${name(one)}${why(one)}`).join('; ')}.` }
  }
  const fitted = bodies.filter(({ standing }) => standing.state === 'fitted')
  const rests = bodies
    .filter(
      ({ proof, standing, body }) =>
        body === 1 && standing.said && ['inlet', 'level', 'lifts', 'weep'].includes(proof.code),
    )
    .map(
      ({ proof, standing }) =>
        `${proof.short.toLowerCase()} ${standing.said!.value}${proof.code === 'inlet' ? ' mL/min' : proof.code === 'level' ? ' mm' : ''}`,
    )
  const until = fitted.length ? ` Unproved until fitted: ${fitted.map(name).join(', ')}.` : ''
  // Every proof put off is no proof.
  if (!bodies.some(({ standing, proof }) => standing.state === 'proved' && proof.how !== 'ports'))
    return { word: 'NOT PROVED', rests: `Nothing was proved on the bench.${until}` }
  const measured = rests.length ? `${rests.join(', ')}.` : ''
  const excepted = points.filter((one) => one.passed)
  if (excepted.length > 0)
    return {
      word: 'PROVED EXCEPT',
      rests:
        `${excepted.map(({ title, passed: pass }) => `${title}: ${pass!.why} (${pass!.by} with ${pass!.second})`).join('; ')}. ${measured}${until}`.trim(),
    }
  return { word: 'PROVED', rests: `${measured}${until}`.trim() }
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
    const now = fresh ? (sheet ? `${sheet} new` : 'new') : (values.at(-1) ?? '·')
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
    ...untilFitted(state, sheets, body).map(({ name }) => `prove: ${lower(name)}`),
    choke && build.positions.some(({ code }) => code === 'choke.cable')
      ? 'throttle and choke cable: a little free play, full travel'
      : 'throttle cable: a little free play, full travel',
    'new filter, clean tank and line',
    ...(Object.values(here.ports).some(({ left }) => left?.state === 'sync')
      ? ['synchronise on the engine, then cap the ports']
      : bodiesOf(state) > 1 && body === 1
        ? ['synchronise once more, warm, on the engine']
        : []),
    spec.engine.idleInGearRpm && !spec.taught ? 'idle hot, in gear and out' : 'idle hot',
    ...(opened?.marine ? ['arrestor on, pump overflow joined, bilge dry'] : []),
  ]
}
