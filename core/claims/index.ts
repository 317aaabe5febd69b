import { bodyOf, type BodyState, type JobState } from '../job/state.ts'
import type { Sheets } from '../sheets/schemas.ts'
import type { StationName } from '../stations/names.ts'
import { lower } from '../words/index.ts'
import type { Claim } from './claim.ts'
import { identityClaims } from './identity.ts'
import { fuelClaims, partClaims, renewalClaims } from './parts.ts'
import { passageClaims } from './passages.ts'

export type { Claim, ClaimOf, ClaimState } from './claim.ts'

/** Everything that has to be shown of one body, whatever anybody looked at: a closed list, made from its sheets and what the log adds. */
export const claimsOf = (state: JobState, sheets: Sheets, body = 1): Claim[] => [
  ...identityClaims(state, sheets, body),
  ...partClaims(state, sheets, body),
  ...renewalClaims(state, sheets, body),
  ...passageClaims(state, sheets, body),
  ...fuelClaims(state, sheets, body),
]

/** Claims of one kind that are not shown, as one thing that stands in the way: one act each, or one reason for all of them. */
export interface ClaimGroup {
  /** names it in a `gate.passed` */
  point: string
  title: string
  detail: string
  station: StationName
  claims: readonly Claim[]
  /** what was let pass when somebody let it: others than these open it again */
  value: string
}

const MOST_NAMED = 4

const named = (claims: readonly Claim[]): string => {
  const names = claims.slice(0, MOST_NAMED).map(({ name }) => lower(name))
  return names.join(', ') + (claims.length > MOST_NAMED ? ` and ${claims.length - MOST_NAMED} more` : '')
}

const group = (
  point: string,
  claims: readonly Claim[],
  title: (n: number) => string,
  detail: string,
): ClaimGroup[] =>
  claims.length === 0
    ? []
    : [
        {
          point,
          title: title(claims.length),
          detail,
          station: claims[0]!.station,
          claims,
          value: claims
            // Of fuel and identity what was seen counts as well: a stronger blend is another thing.
            .map(({ id, of, why }) => (of === 'fuel' || of === 'identity' ? `${id} ${why}` : id))
            .sort()
            .join('; '),
        },
      ]

const parts = (n: number) => (n === 1 ? '1 part' : `${n} parts`)

/** Whether nothing of a body was ever opened or judged. */
const isUnopened = (here: BodyState): boolean =>
  Object.keys(here.off).length === 0 && Object.keys(here.findings).length === 0

/**
 * What is not shown of a body, kind by kind. A body that nobody opened is one line; so is all that a job was never asked because it
 * began under a version that did not ask.
 */
export function unshown(state: JobState, sheets: Sheets, body = 1): ClaimGroup[] {
  const here = bodyOf(state, body)
  const open = claimsOf(state, sheets, body).filter((claim) => claim.state !== 'shown')
  const of = (...kinds: Claim['of'][]) => open.filter((claim) => kinds.includes(claim.of))
  const identity = of('identity').flatMap((claim) =>
    group(
      `identity:${claim.subject}`,
      [claim],
      () => 'What was seen speaks against the list number',
      `${claim.why}: ${claim.next}`,
    ),
  )
  const fuel = group(
    'fuel',
    of('fuel'),
    (n) => `${parts(n)} ${n === 1 ? 'does' : 'do'} not bear this fuel`,
    `${named(of('fuel'))}: ${of('fuel')[0]?.why ?? ''}`,
  )
  const inside = of('part', 'renewal', 'passage')
  if (isUnopened(here))
    return [
      ...identity,
      ...group(
        'unopened',
        inside,
        () => 'It was never opened',
        'no part of it was looked at, nothing was renewed, no passage was blown',
      ),
      ...fuel,
    ]
  if (!state.opened?.evidence)
    return [
      ...identity,
      ...group(
        'older',
        // What stands at the gate already for its own reason is not said twice.
        inside.filter(({ state: standing }) => standing === 'open'),
        () => 'Started before Ekrond asked for this',
        `not shown: ${named(inside)}`,
      ),
      ...fuel,
    ]
  const looks = of('part').filter(({ subject }) => !here.findings[subject] && !here.off[subject])
  const measures = of('part').filter(({ subject }) => here.findings[subject])
  // One that is off has its own line with the parts.
  const renewals = of('renewal').filter(({ subject }) => !here.off[subject])
  const passages = of('passage').filter(({ state: standing }) => standing === 'open')
  const blown = here.blows.length > 0
  return [
    ...identity,
    ...group('unseen', looks, (n) => `${parts(n)} not looked at`, named(looks)),
    ...group(
      'unmeasured',
      measures,
      (n) => `${parts(n)} not measured`,
      `${named(measures)}: ${measures[0]?.next ?? ''}`,
    ),
    ...group('unrenewed', renewals, (n) => `${parts(n)} to be renewed, not touched`, named(renewals)),
    ...group(
      'unblown',
      passages,
      (n) => (blown ? `${n} ${n === 1 ? 'passage' : 'passages'} not shown free` : 'No passage was blown'),
      blown ? named(passages) : 'blow each and watch where it comes out',
    ),
    ...fuel,
  ]
}
