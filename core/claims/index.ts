import {
  bodyKey,
  bodyNumbers,
  bodyOf,
  type BodyState,
  type JobState,
  type SheetsByBody,
  passAs,
} from '../log/index.ts'
import type { Sheets } from '../sheets/index.ts'
import { checkAgain } from '../judge/again/index.ts'
import { stated, way, type Claim, type Way } from './claim.ts'
import { chosenClaims } from './chosen.ts'
import { complaintClaims } from './complaint.ts'
import { identityClaims } from './identity.ts'
import { jointClaims } from './joints.ts'
import { waysOfKnown, type Known } from './known.ts'
import { fuelClaims, partClaims, renewalClaims, repairClaims } from './parts.ts'
import { missingClaims } from './missing.ts'
import { passageClaims } from './passages.ts'
import { portClaims } from './ports.ts'
import { stampedClaims } from './stamped.ts'
import { isOutOfScope } from './scope.ts'
import { settingClaims } from './settings.ts'
import { supplyClaims } from './supply.ts'
import { receivedClaims, testClaims } from './tests.ts'

export { isSettled, type Claim, type ClaimOf, type ClaimState, type Way, type Weight } from './claim.ts'
export type { Known, OffGauge } from './known.ts'
export type { StampedMark, StampedHalves } from './stamped.ts'
export { countsOf, marksOf, placesOf, type CountOfClaims, type PlaceOfClaims } from './places.ts'

const NOTHING_MORE: Known = {}

/**
 * Everything that has to be shown of one body, whatever anybody looked at: a closed list, made from its sheets and what the log adds.
 * Gate, strips, marks, minutes and papers are all read from it. `known` is what the library, the gauge drawer and the day add.
 */
export function claimsOf(
  state: JobState,
  sheets: Sheets,
  body = 1,
  known: Known = NOTHING_MORE,
): readonly Claim[] {
  const kept = remembered(state, sheets, known)
  const found = kept.get(body)
  if (found) return found
  const at = known.at ?? state.log.at(-1)?.at ?? ''
  const claims = [
    ...identityClaims(state, sheets, body),
    ...(known.stamped?.[body] ? stampedClaims(state, sheets, body, known.stamped[body]) : []),
    ...partClaims(state, sheets, body),
    ...repairClaims(state, sheets, body),
    ...missingClaims(state, body),
    ...chosenClaims(state, sheets, body),
    ...renewalClaims(state, sheets, body),
    ...passageClaims(state, sheets, body, at),
    ...orderClaims(state, sheets, body),
    ...fuelClaims(state, sheets, body),
    ...jointClaims(state, sheets, body),
    ...settingClaims(state, sheets, body),
    ...supplyClaims(state, sheets, body),
    ...testClaims(state, sheets, body),
    ...receivedClaims(state, sheets, body),
    ...portClaims(state, sheets, body),
  ].map((claim) => settled(state, withKnown(state, sheets, claim, known), here(state, body)))
  kept.set(body, claims)
  return claims
}

/** What has to be shown of the job as a whole. */
export const claimsOfJob = (state: JobState): Claim[] =>
  complaintClaims(state).map((claim) => settled(state, claim, { older: false, unopened: false }))

/** Every claim of a job, of each body that is identified and of the whole. */
export const allClaims = (state: JobState, all: SheetsByBody, known?: Known): Claim[] => [
  ...bodyNumbers(state).flatMap((body) => (all[body] ? claimsOf(state, all[body], body, known) : [])),
  ...claimsOfJob(state),
]

// A state is never changed: what was worked out of it stands.
const memory = new WeakMap<
  JobState,
  { sheets: Sheets; known: Known; claims: Map<number, readonly Claim[]> }[]
>()

function remembered(state: JobState, sheets: Sheets, known: Known): Map<number, readonly Claim[]> {
  const kept = memory.get(state) ?? []
  const found = kept.find((one) => one.sheets === sheets && one.known === known)
  if (found) return found.claims
  const claims = new Map<number, readonly Claim[]>()
  memory.set(state, [...kept.slice(-5), { sheets, known, claims }])
  return claims
}

function withKnown(state: JobState, sheets: Sheets, claim: Claim, known: Known): Claim {
  const more = known.newest || known.gauges ? waysOfKnown(state, sheets, claim, known) : []
  if (more.length === 0) return claim
  return { ...claim, state: more[0]!.as, ways: more, why: more[0]!.title, next: more[0]!.detail }
}

/** Parts that were ordered before the list number was corrected, and that this one does not take. */
function orderClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  return checkAgain(state, sheets, body)
    .filter(({ what }) => what === 'order')
    .map(({ key, name, why }) =>
      stated({
        of: 'identity',
        body,
        subject: `order:${key}`,
        name,
        station: 'parts',
        ways: [way('void', `again:${key}`, `${name}: redo`, why, { weight: 'minor' })],
      }),
    )
}

interface Standing {
  older: boolean
  unopened: boolean
}

/** Whether nothing of a body was ever opened or judged. */
const isUnopened = (one: BodyState): boolean =>
  Object.keys(one.off).length === 0 && Object.keys(one.findings).length === 0

const here = (state: JobState, body: number): Standing => ({
  older: state.opened?.evidence === false,
  unopened: isUnopened(bodyOf(state, body)),
})

/** Kinds of ways that are told together, and become one line where nothing was opened or nothing was asked. */
const INSIDE: ReadonlySet<string> = new Set(['unseen', 'unmeasured', 'unrenewed', 'unblown', 'rested'])

/** A claim with its ways named as this body's work stands, and whether somebody let it pass or nobody asked for it. */
function settled(state: JobState, claim: Claim, standing: Standing): Claim {
  if (claim.ways.length === 0) return claim
  const ways = claim.ways.map((one): Way => {
    if (!one.group || !INSIDE.has(one.group)) return one
    const group = standing.unopened ? 'unopened' : standing.older ? 'older' : one.group
    return { ...one, group, point: group }
  })
  if (isOutOfScope(state, { ...claim, ways })) return { ...claim, ways, state: 'out of scope' }
  const open = ways.filter((one) => !isLetPass(state, claim, one))
  if (open.length === 0) return { ...claim, ways, state: 'excepted' }
  return { ...claim, ways, state: open[0]!.as }
}

/** The pass that stands for a way; null where it was not let pass as it stands, or is of a kind that nobody lets pass. */
export function passOf(state: JobState, claim: Pick<Claim, 'body' | 'id'>, one: Way) {
  if (one.weight === 'fatal') return null
  const point = bodyKey(claim.body, one.point)
  const pass = state.passes[point]
  if (!pass) return null
  if (one.group && one.group !== 'proof') {
    // A pass of several names each of them.
    const named = pass.value?.split('; ') ?? null
    if (named === null) return state.opened?.evidence ? null : pass
    return named.includes(valueOf(claim, one)) ? pass : null
  }
  return passAs(state, point, one.value)
}

const isLetPass = (state: JobState, claim: Claim, one: Way): boolean => passOf(state, claim, one) !== null

/** How a claim is named in the value of a pass of its kind: of fuel what was seen counts as well, a stronger blend is another thing. */
const valueOf = ({ id }: Pick<Claim, 'id'>, one: Way): string =>
  one.group === 'fuel' ? `${id} ${one.value}` : id

/** What a pass of a group is bound to: those that are in it, named. */
export const valueOfGroup = (members: readonly { claim: Claim; way: Way }[]): string =>
  members
    .map(({ claim, way: one }) => valueOf(claim, one))
    .sort()
    .join('; ')
export { countingBlows } from './passages.ts'
