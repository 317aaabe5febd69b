import { neverCapped, portsOf, type OutsidePort } from '../../unit/families/index.ts'
import {
  type PortNote,
  bodyNumbers,
  bodyOf,
  type BodyState,
  type JobState,
  type ProofData,
  type ProofMeasured,
  isUnseenBy,
  receivedTests,
  type ReceivedTest,
  seqOf,
} from '../../log/index.ts'
import { nameOn } from '../../sheets/index.ts'
import { workingConditions } from '../../sheets/conditions/index.ts'
import { figure } from '../../measure/index.ts'
import { inletTestKpa } from './figures.ts'
import { proves } from './proves.ts'
import { proofsOf, type Proof, type ProofSubject } from './list.ts'

/** Where a proof stands: what was opened since voids it, and nothing is taken as proved that was not. */
export type ProofStanding =
  | { state: 'proved'; said: ProofData | null }
  | { state: 'failed'; said: ProofData | null }
  | { state: 'not yet'; said: null }
  | { state: 'void'; said: ProofData; opened: string; since: string | null }
  /** it passed at less than is asked: at a lower pressure, before its screws were final */
  | { state: 'short'; said: ProofData; why: string }
  | { state: 'fitted'; said: null; why: string; second: string | null; by: string }

/** A port that nobody spoke of, one that draws air, or one that is closed and must not be. */
export function leftWrong(left: PortNote | undefined, port: Pick<OutsidePort, 'job'>): boolean {
  if (!left) return true
  if (neverCapped(port)) return left.state === 'capped'
  return left.state === 'open'
}

/** What of a unit came off, went on or was set again after an entry, by its name, with the entry; null where nothing was. */
function openedSince(
  { state, sheets }: ProofSubject,
  body: number,
  proof: Proof,
  entry: string,
): { name: string; since: string } | null {
  const here = bodyOf(state, body)
  const later = (one: string | undefined) => (one && isUnseenBy(state, one, entry) ? one : undefined)
  const left = (code: string) => later(here.off[code]?.entry)
  const moved = (code: string) => left(code) ?? later(here.on[code]?.entry)
  const part = proof.rests.find(moved) ?? proof.opens.find(left)
  if (part) return { name: nameOn(sheets, part), since: moved(part)! }
  const read = (key: string) => later(here.readings[key]?.said.at(-1)?.entry)
  const setting = proof.settings.find(read)
  return setting ? { name: nameOn(sheets, setting), since: read(setting)! } : null
}

const bodiesOfProof = (state: JobState, body: number, proof: Proof): number[] =>
  proof.ofAll ? bodyNumbers(state) : [body]

/** Where one proof of one body stands. */
export function proofStanding(subject: ProofSubject, proof: Proof): ProofStanding {
  const { state, sheets, body } = subject
  const here = bodyOf(state, body)
  if (proof.how === 'ports') return portsStanding(here, portsOf(sheets))
  const said = here.proven[proof.key]?.at(-1)
  const fitted = here.whenFitted[proof.key]
  // A job that began before this was asked keeps what was said of it.
  const mayWait = canWait(proof) || state.opened?.evidence === false
  if (fitted && mayWait && seqOf(state, fitted.entry) > seqOf(state, said?.entry))
    return { state: 'fitted', said: null, why: fitted.why, second: fitted.second, by: fitted.by }
  if (!said) return { state: 'not yet', said: null }
  for (const one of bodiesOfProof(state, body, proof)) {
    const opened = openedSince(subject, one, proof, said.entry)
    if (opened) return { state: 'void', said, opened: opened.name, since: opened.since }
  }
  if (!proves(said.measured)) return { state: 'failed', said }
  const why = shortOf(subject, proof, said)
  return why ? { state: 'short', said, why } : { state: 'proved', said }
}

/** Proofs that want the unit fed or joined to something: without an adapter they may wait until it is fitted. The others need a hand and an eye. */
const WAITS: ReadonlySet<string> = new Set(['inlet', 'lifts', 'level', 'weep', 'pump', 'own', 'sync'])
export const canWait = ({ code }: Pick<Proof, 'code'>): boolean => WAITS.has(code)

/** What a gauge may show less than it was asked to be pumped to. */
const SHARE_OF_ASKED = 0.95

/** In what a hold that passed falls short of what is asked of it: made at too little, or with a leak that may be more than is allowed. Empty where in nothing. */
export function holdShort({ state, sheets }: ProofSubject, proof: Proof, measured: ProofMeasured): string {
  if (measured.what !== 'hold') return ''
  const asked =
    measured.side === 'vacuum'
      ? proof.limits.vacuumKpa
      : inletTestKpa(sheets.spec, workingConditions(state.opened ?? undefined, sheets.spec))
  if (measured.fromKpa < asked * SHARE_OF_ASKED)
    return `it was made at ${figure(measured.fromKpa)} kPa, ${figure(asked)} is asked`
  // Judged where it is read: the limit that stands in an entry is not the sheet's.
  const limit = proof.code === 'inlet' ? proof.limits.inletMlMin : measured.limit
  return measured.high > limit + 1e-9
    ? `it may leak ${figure(measured.high)} mL/min, ${figure(limit)} at most`
    : ''
}

/** In what a proof that passed falls short of what is asked of it; empty where in nothing. */
function shortOf(subject: ProofSubject, proof: Proof, { measured, entry }: ProofData): string {
  const { state, sheets, body } = subject
  const short = holdShort(subject, proof, measured)
  if (short) return short
  for (const one of bodiesOfProof(state, body, proof)) {
    const { fasteners } = bodyOf(state, one)
    const screws = sheets.build.positions.find(
      ({ code }) =>
        isUnder(proof) &&
        Object.values(fasteners[code] ?? {}).some((turned) => isUnseenBy(state, turned.entry, entry)),
    )
    if (screws) return `${screws.name.toLowerCase()} were tightened after it`
  }
  return ''
}

/** Whether a proof is one of joints that screws hold together. */
const isUnder = ({ code }: Proof): boolean => ['weep', 'level', 'vacuum', 'inlet'].includes(code)

function portsStanding(here: BodyState, ports: readonly OutsidePort[]): ProofStanding {
  const notes = ports.map((port) => here.ports[port.code]?.left)
  if (notes.every((left) => !left)) return { state: 'not yet', said: null }
  const wrong = ports.some((port, i) => notes[i] && leftWrong(notes[i], port))
  if (wrong) return { state: 'failed', said: null }
  return notes.every(Boolean) ? { state: 'proved', said: null } : { state: 'not yet', said: null }
}

/** Whether nothing at all was tried to prove on this job: then it is one decision, with one reason. */
export const nothingProved = (state: JobState): boolean =>
  Object.values(state.bodies).every(
    (here) => Object.keys(here.proven).length === 0 && Object.keys(here.whenFitted).length === 0,
  )

/** The proof that says the same as a test made as received. */
const OF_TEST: Readonly<Record<ReceivedTest, string>> = {
  inlet: 'inlet',
  break: 'vacuum/break',
  lifts: 'slide',
  links: 'throttle',
  squirt: 'pump',
}

/** Whether a test as received is answered by a proof that stands. */
export function provedInstead(subject: ProofSubject, test: string): boolean {
  const proof = proofsOf(subject).find(({ key }) => testOf(key) === test)
  return proof !== undefined && proofStanding(subject, proof).state === 'proved'
}
/** The test as received beside which a proof stands. */
export const testOf = (key: string): ReceivedTest | undefined =>
  receivedTests.find(({ code }) => OF_TEST[code] === key)?.code

/** The tests as received that this unit can be given: no squirt is asked of one without a pump. */
export function receivedTestsOf(subject: ProofSubject): (typeof receivedTests)[number][] {
  const keys = new Set(proofsOf(subject).map(({ key }) => key))
  return receivedTests.filter(({ code }) => keys.has(OF_TEST[code]))
}
