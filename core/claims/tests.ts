import { receivedTests, bodyOf, type JobState, leftSince, NOTHING_SEEN } from '../log/index.ts'
import { nothingProved, proofsOf, proofStanding, provedInstead, type Proof } from '../judge/proof/index.ts'
import type { Sheets } from '../sheets/index.ts'
import { stated, way, type Claim, type Way } from './claim.ts'

/** Bench minutes by way of proving; a weep is watched while something else is done. */
const MINUTES = {
  hold: 4,
  lifts: 2,
  level: 4,
  weep: 3,
  pump: 2,
  travel: 3,
  seen: 1,
  alike: 6,
  ports: 0,
} as const

/** Fuel that comes in or out where it must not: shown to do so, nobody lets it pass. */
const FATAL: ReadonlySet<string> = new Set(['inlet', 'weep'])

/** Each test of this unit was made at its conditions, and nothing that it rests on was opened since. Ports have claims of their own. */
export function testClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  const subject = { state, sheets, body }
  return proofsOf(subject)
    .filter(({ how }) => how !== 'ports')
    .map((proof): Claim => {
      const standing = proofStanding(subject, proof)
      const said = standing.said?.entry
      const left = said && standing.state === 'proved' ? leftSince(state, said) : null
      return stated({
        of: 'test',
        body,
        subject: proof.key,
        name: proof.name,
        station: 'prove',
        shownBy: [said, bodyOf(state, body).whenFitted[proof.key]?.entry],
        restsOn: [...proof.rests, ...proof.settings],
        minutes: MINUTES[proof.how],
        ways: left
          ? [
              way('void', `proof:${proof.key}`, `${proof.name}: redo`, 'it left the shop since then', {
                since: left,
              }),
            ]
          : nothingProved(state) && standing.state === 'not yet'
            ? [way('open', 'proof', proof.name, `target ${proof.wants}`, { group: 'proof' })]
            : testWay(proof, standing),
      })
    })
}

function testWay(proof: Proof, standing: ReturnType<typeof proofStanding>): Way[] {
  const named = `proof:${proof.key}`
  switch (standing.state) {
    case 'proved':
    case 'fitted':
      return []
    case 'void':
      return [
        way(
          'void',
          named,
          `${proof.name}: redo`,
          `${standing.opened.toLowerCase()} was opened or set since`,
          { since: standing.since, value: `again ${standing.said.entry}` },
        ),
      ]
    case 'short':
      return [
        way('void', named, `${proof.name}: redo`, standing.why, {
          value: `short ${standing.said.entry}`,
        }),
      ]
    case 'failed':
      return [
        way(
          'contradicted',
          named,
          `${proof.name} failed`,
          standing.said?.headline ?? `target ${proof.wants}`,
          {
            value: standing.said?.value ?? null,
            weight: FATAL.has(proof.code) && standing.said ? 'fatal' : 'major',
          },
        ),
      ]
    default:
      return [
        way('open', named, `${proof.name} not done yet`, `target ${proof.wants}`, {
          value: NOTHING_SEEN,
        }),
      ]
  }
}

/** What was bad as it came in was tried once more, or is answered by a proof that stands. */
export function receivedClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  return receivedTests
    .filter(({ code }) => here.tests[code]?.result === 'bad')
    .map((test): Claim => {
      const again = here.testsAgain[test.code]
      const good = again?.result === 'good' || provedInstead({ state, sheets, body }, test.code)
      return stated({
        of: 'complaint',
        body,
        subject: `received:${test.code}`,
        name: test.name,
        station: 'asfound',
        minutes: 1,
        ways: good
          ? []
          : [
              way(
                again ? 'contradicted' : 'open',
                `test:${test.code}`,
                `${test.name} ${test.bad}, as received`,
                again ? `tested again: it still ${test.bad}` : 'test it again, side by side',
              ),
            ],
      })
    })
}
