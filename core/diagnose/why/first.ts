import type { Said, Tests } from '../complaint/index.ts'
import { weighCauses, type CauseSeen } from '../causes/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import {
  causesFor,
  complaintSeen,
  networkOf,
  noOutcomes,
  type NetworkCause,
  type Outcomes,
} from './network.ts'

export interface FirstLook extends NetworkCause {
  /** chance that it is there, given what was said and tested so far */
  p: number
}

/** A cause that is less likely than this is not worth a line at the counter, and so many are at most. */
const WORTH = 1 / 12
const MOST = 4

/**
 * Where to look first by what is said at the counter: the same network that Why asks (`docs/physics.md` 20), before anything is opened.
 * Empty where nothing is complained of.
 */
export function firstCauses(
  said: Said,
  tests: Tests = {},
  sheets?: Sheets,
  outcomes: Outcomes = noOutcomes,
): FirstLook[] {
  if (said.symptom === '' || said.symptom === 'none: overhaul') return []
  const causes = causesFor(sheets, false, outcomes)
  const network = networkOf(causes, said)
  const known = new Set(network.evidence.map(({ id }) => id))
  const seen: Record<string, CauseSeen> = Object.fromEntries(
    Object.entries(complaintSeen(said, tests)).filter(([id]) => known.has(id)),
  )
  const answer = weighCauses(network, seen, {})
  if (isRefusal(answer)) return []
  // What is often met but never brings this is not looked for first.
  const brings = network.evidence.find(({ id }) => id === `symptom:${said.symptom}`)?.weights ?? {}
  return causes
    .map((cause): FirstLook => ({ ...cause, p: answer.posterior[cause.code] ?? 0 }))
    .filter(({ code, p }) => p >= WORTH && (brings[code] ?? 0) > 0)
    .sort((a, b) => b.p - a.p)
    .slice(0, MOST)
}
