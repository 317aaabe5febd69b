import { refuse, type Result } from '../../base/refusal/index.ts'

/** A cause with its chance, and what it brings along. */
export interface CauseNetwork {
  causes: readonly { id: string; prior: number }[]
  /** P(present | causes) = 1 − (1 − leak)·Π(1 − weight) over the causes present */
  evidence: readonly { id: string; leak: number; weights: Readonly<Record<string, number>> }[]
}
export type CauseSeen = 'present' | 'absent' | 'not asked'
export interface Question {
  id: string
  minutes: number
}
export interface CauseAnswer {
  posterior: Record<string, number>
  /** the question that settles most a minute, bits; null where none does */
  next: { id: string; gain: number } | null
}

/** Up to so many causes every set of them is weighed. */
const MOST_BY_SETS = 12
/** Up to so many pieces of present evidence inclusion and exclusion is exact. */
const MOST_BY_PARTS = 20
const IMPOSSIBLE = 1e-30
const LEAST_GAIN = 1e-9
const byId = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/**
 * Which causes are there, given what was seen, what was found on the bench and what was not asked (`docs/physics.md` 20): exact by every
 * set up to twelve causes, above that by inclusion and exclusion over the evidence that is present. `next` weighs each question by the
 * fall of the whole set's entropy that its answer is expected to bring, a minute.
 */
export function weighCauses(
  network: CauseNetwork,
  seen: Readonly<Record<string, CauseSeen>>,
  findings: Readonly<Record<string, 'present' | 'absent'>> = {},
  questions: readonly Question[] = [],
): Result<CauseAnswer> {
  const bad = checkNetwork(network, seen, findings, questions)
  if (bad) return bad
  const { causes, evidence } = network
  const asked = evidence.filter(({ id }) => seen[id] === 'present' || seen[id] === 'absent')
  // A finding settles its cause.
  const prior = causes.map(({ id, prior }) =>
    findings[id] === 'present' ? 1 : findings[id] === 'absent' ? 0 : prior,
  )
  const found = causes.reduce(
    (product, { id, prior }) =>
      product * (findings[id] === 'present' ? prior : findings[id] === 'absent' ? 1 - prior : 1),
    1,
  )
  const keep = asked.map(({ leak, weights }) => ({
    none: 1 - leak,
    by: causes.map(({ id }) => 1 - (weights[id] ?? 0)),
  }))
  const present = keep.filter((_, i) => seen[asked[i]!.id] === 'present')
  const absent = keep.filter((_, i) => seen[asked[i]!.id] === 'absent')
  const impossible = refuse('seen', 'What was seen and found cannot be together, by these tables.')
  if (causes.length <= MOST_BY_SETS) {
    const weights = bySets(prior, present, absent)
    const total = weights.reduce((sum, one) => sum + one, 0)
    if (!(total * found >= IMPOSSIBLE)) return impossible
    const p = weights.map((one) => one / total)
    const posterior = Object.fromEntries(
      causes.map(({ id }, c) => [id, p.reduce((sum, one, set) => sum + (set & (1 << c) ? one : 0), 0)]),
    )
    return { posterior, next: nextQuestion(network, seen, findings, questions, p) }
  }
  const exact =
    present.length <= MOST_BY_PARTS ? byParts(prior, present, absent) : bySampling(prior, present, absent)
  if (!exact || !(exact.total * found >= IMPOSSIBLE)) return impossible
  return { posterior: Object.fromEntries(causes.map(({ id }, c) => [id, exact.p[c]!])), next: null }
}

interface Keep {
  /** the chance that nothing but causes brings it */
  none: number
  /** by cause: the chance that it does not bring it */
  by: readonly number[]
}

/** The weight of each set of causes, by its bits. */
function bySets(prior: readonly number[], present: readonly Keep[], absent: readonly Keep[]): number[] {
  const n = prior.length
  return Array.from({ length: 1 << n }, (_, set) => {
    let weight = 1
    for (let c = 0; c < n; c++) weight *= set & (1 << c) ? prior[c]! : 1 - prior[c]!
    if (weight === 0) return 0
    for (const one of absent) weight *= stays(one, set)
    for (const one of present) weight *= 1 - stays(one, set)
    return weight
  })
}

/** The chance that a piece of evidence stays away, given a set of causes. */
function stays({ none, by }: Keep, set: number): number {
  let product = none
  for (let c = 0; c < by.length; c++) if (set & (1 << c)) product *= by[c]!
  return product
}

/** Π over the present evidence of (1 − …) multiplied out: each term factors by cause. */
function byParts(
  prior: readonly number[],
  present: readonly Keep[],
  absent: readonly Keep[],
): { p: number[]; total: number } | undefined {
  const n = prior.length
  const base = prior.map((_, c) => absent.reduce((product, { by }) => product * by[c]!, 1))
  const leak = absent.reduce((product, { none }) => product * none, 1)
  let total = 0
  const mass = prior.map(() => 0)
  for (let subset = 0; subset < 1 << present.length; subset++) {
    let sign = leak
    const on = [...base]
    for (let e = 0; e < present.length; e++)
      if (subset & (1 << e)) {
        sign *= -present[e]!.none
        for (let c = 0; c < n; c++) on[c]! *= present[e]!.by[c]!
      }
    if (sign === 0) continue
    // The product over all causes but one, from both ends.
    const factor = prior.map((p, c) => 1 - p + p * on[c]!)
    const ahead = [1]
    for (let c = 0; c < n; c++) ahead.push(ahead[c]! * factor[c]!)
    let behind = 1
    for (let c = n - 1; c >= 0; c--) {
      mass[c]! += sign * prior[c]! * on[c]! * ahead[c]! * behind
      behind *= factor[c]!
    }
    total += sign * ahead[n]!
  }
  if (!(total > 0)) return undefined
  return { p: mass.map((one) => Math.min(1, Math.max(0, one / total))), total }
}

/** Gibbs' sampling with its conditional chances averaged: many pieces of present evidence on many causes. Seeded: the same each time. */
function bySampling(
  prior: readonly number[],
  present: readonly Keep[],
  absent: readonly Keep[],
): { p: number[]; total: number } {
  let seed = 20
  const random = () => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0
    return seed / 2 ** 32
  }
  const n = prior.length
  const state = prior.map((p) => p > 0)
  const left = present.map(({ none, by }) =>
    by.reduce((product, one, c) => (state[c] ? product * one : product), none),
  )
  const odds = prior.map((_, c) => absent.reduce((product, { by }) => product * by[c]!, 1))
  const sum = prior.map(() => 0)
  const SWEEPS = 6000
  const BURN = 500
  for (let sweep = 0; sweep < SWEEPS; sweep++)
    for (let c = 0; c < n; c++) {
      let on = prior[c]! * odds[c]!
      let off = 1 - prior[c]!
      for (const [e, { none, by }] of present.entries()) {
        const without =
          state[c] && by[c]! > 1e-12
            ? left[e]! / by[c]!
            : state[c]
              ? by.reduce(
                  (product, one, other) => (state[other] && other !== c ? product * one : product),
                  none,
                )
              : left[e]!
        on *= 1 - without * by[c]!
        off *= 1 - without
      }
      const p = on + off > 0 ? on / (on + off) : prior[c]!
      if (sweep >= BURN) sum[c]! += p
      const next = random() < p
      if (next !== state[c]) {
        state[c] = next
        present.forEach(({ none, by }, e) => {
          left[e] = by.reduce((product, one, other) => (state[other] ? product * one : product), none)
        })
      }
    }
  return { p: sum.map((one) => one / (SWEEPS - BURN)), total: 1 }
}

function nextQuestion(
  { causes, evidence }: CauseNetwork,
  seen: Readonly<Record<string, CauseSeen>>,
  findings: Readonly<Record<string, 'present' | 'absent'>>,
  questions: readonly Question[],
  p: readonly number[],
): CauseAnswer['next'] {
  let best: CauseAnswer['next'] = null
  for (const { id, minutes } of [...questions].sort((a, b) => byId(a.id, b.id))) {
    if (seen[id] === 'present' || seen[id] === 'absent' || findings[id] !== undefined) continue
    const cause = causes.findIndex((one) => one.id === id)
    let bits: number
    if (cause >= 0) bits = entropy(p.reduce((sum, one, set) => sum + (set & (1 << cause) ? one : 0), 0))
    else {
      const one = evidence.find((other) => other.id === id)
      if (!one) continue
      const keep: Keep = { none: 1 - one.leak, by: causes.map((other) => 1 - (one.weights[other.id] ?? 0)) }
      let away = 0
      let inside = 0
      p.forEach((weight, set) => {
        if (weight === 0) return
        const q = stays(keep, set)
        away += weight * q
        inside += weight * entropy(q)
      })
      bits = entropy(away) - inside
    }
    const gain = bits / minutes
    if (gain > LEAST_GAIN && (!best || gain > best.gain + LEAST_GAIN)) best = { id, gain }
  }
  return best
}

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p))

function checkNetwork(
  { causes, evidence }: CauseNetwork,
  seen: Readonly<Record<string, CauseSeen>>,
  findings: Readonly<Record<string, 'present' | 'absent'>>,
  questions: readonly Question[],
) {
  const isShare = (value: unknown) => typeof value === 'number' && value >= 0 && value <= 1
  const causeIds = new Set(causes.map(({ id }) => id))
  if (causeIds.size !== causes.length || !causes.every(({ prior }) => isShare(prior)))
    return refuse('causes', 'Each cause stands once, with a chance from 0 to 1.')
  const evidenceIds = new Set(evidence.map(({ id }) => id))
  if (evidenceIds.size !== evidence.length || evidence.some(({ id }) => causeIds.has(id)))
    return refuse('evidence', 'Each piece of evidence stands once and is no cause.')
  for (const { leak, weights } of evidence)
    if (
      !isShare(leak) ||
      Object.entries(weights).some(([id, weight]) => !causeIds.has(id) || !isShare(weight))
    )
      return refuse('evidence', 'Leaks and weights run from 0 to 1, and each weight is of a cause.')
  for (const [id, state] of Object.entries(seen))
    if (!evidenceIds.has(id) || !['present', 'absent', 'not asked'].includes(state))
      return refuse('seen', 'What is seen is a piece of evidence: present, absent or not asked.')
  for (const [id, state] of Object.entries(findings))
    if (!causeIds.has(id) || !['present', 'absent'].includes(state))
      return refuse('findings', 'A finding is of a cause: present or absent.')
  for (const { id, minutes } of questions)
    if (!(causeIds.has(id) || evidenceIds.has(id)) || !(minutes > 0) || !Number.isFinite(minutes))
      return refuse('questions', 'A question names evidence or a cause, and takes more than 0 minutes.')
  return undefined
}
