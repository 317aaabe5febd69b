import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { balanceBank } from './balance.ts'

/** A try: what each body read, and the turns made at each coupler since the try before (0 where none), out above 0. */
export interface BankTry {
  readings: readonly number[]
  turned: readonly number[]
}

export interface Advice {
  /** in the order in which they do not undo each other; sixteenths of a turn, out above 0 */
  steps: { coupler: number; sixteenths: number; carries: number }[]
  /** what each body should read after them, and how far these stand apart */
  after: number[]
  spread: number
  /** bodies that no coupler brings to the leader, with what is left of each */
  left: number
  /** the influence is only what is usual: half of it first, then read again */
  halfFirst: boolean
}

/** What a reading moves by a turn of a coupler where nobody has seen it yet, mbar, and how far that is from sure. */
const USUAL_MBAR_A_TURN = 120
const USUAL_SIGMA = 0.6
const ELSEWHERE_SIGMA = 0.05
const READING_SIGMA = 1.5
/** An influence known no better than this is not trusted with the whole turn. */
const SURE = 0.35

/**
 * What each coupler does to each body, a turn: coupler c sits between bodies c and c + 1 and carries all on the far side of the one that
 * leads. Learned from what was seen to change between tries, by least squares with the usual value as its prior (`docs/physics.md` 13);
 * what all bodies share, a fan that turns faster, is taken off with the leader's own reading.
 */
export function learnInfluence(
  tries: readonly BankTry[],
  bodies: number,
  lead: number,
  usual = USUAL_MBAR_A_TURN,
  sigma = READING_SIGMA,
): { influence: number[][]; relSigma: number[] } {
  const couplers = bodies - 1
  const carries = (body: number, coupler: number) => (lead <= coupler ? body > coupler : body <= coupler)
  const variance: number[] = Array.from({ length: couplers }, () => USUAL_SIGMA ** 2)
  const influence = Array.from({ length: bodies }, (_, body) => {
    const mean = Array.from({ length: couplers }, (__, c) => (body !== lead && carries(body, c) ? usual : 0))
    if (body === lead) return mean
    // One row's covariance; couplers are independent before anything was seen.
    let cov = mean.map((one, i) =>
      mean.map((_, j) => (i === j ? ((one !== 0 ? USUAL_SIGMA : ELSEWHERE_SIGMA) * usual) ** 2 : 0)),
    )
    for (let t = 1; t < tries.length; t++) {
      const { readings, turned } = tries[t]!
      const x = Array.from({ length: couplers }, (__, c) => turned[c] ?? 0)
      if (x.every((one) => one === 0)) continue
      const before = tries[t - 1]!.readings
      const seen = readings[body]! - before[body]! - (readings[lead]! - before[lead]!)
      const px = cov.map((row) => row.reduce((sum, one, j) => sum + one * x[j]!, 0))
      const s = px.reduce((sum, one, i) => sum + one * x[i]!, 0) + 4 * sigma ** 2
      const wrong = seen - mean.reduce((sum, one, i) => sum + one * x[i]!, 0)
      px.forEach((one, i) => (mean[i]! += (one / s) * wrong))
      cov = cov.map((row, i) => row.map((one, j) => one - (px[i]! * px[j]!) / s))
    }
    mean.forEach((one, c) => {
      // The nearest body on the far side tells a coupler best.
      const nearest = lead <= c ? c + 1 : c
      if (body === nearest) variance[c] = cov[c]![c]! / Math.max(one ** 2, 1e-9)
    })
    return mean
  })
  return { influence, relSigma: variance.map((one) => Math.sqrt(Math.max(0, one))) }
}

/**
 * Which coupler to turn, which way and how far, in sixteenths of a turn, so that all read like the one that leads. `without`: couplers that this bank
 * has not, whose bodies stay where they are. Refuses as `balanceBank`.
 */
export function bankAdvice(
  tries: readonly BankTry[],
  lead: number,
  without: readonly number[] = [],
  usual = USUAL_MBAR_A_TURN,
  sigma = READING_SIGMA,
): Result<Advice> {
  const now = tries.at(-1)?.readings
  if (!now || now.length < 2)
    return refuse('readings', 'A bank has two bodies or more, each with its reading.')
  const { influence, relSigma } = learnInfluence(tries, now.length, lead, usual, sigma)
  const there = Array.from({ length: now.length - 1 }, (_, c) => c).filter((c) => !without.includes(c))
  if (there.length === 0)
    return refuse('influence', 'No coupler is there to turn: what they stand apart stays.')
  const balance = balanceBank(
    now,
    influence.map((row) => there.map((c) => row[c]!)),
    lead,
  )
  if (isRefusal(balance)) return balance
  const halfFirst = there.some((c, j) => relSigma[c]! > SURE && Math.abs(balance.turns[j]!) > 1 / 16)
  const steps = balance.order
    .map((j) => {
      // Half of it first, but never less than the least that a hand can turn.
      const unsure = halfFirst && relSigma[there[j]!]! > SURE
      const whole = balance.turns[j]! * 16
      const turned = unsure && Math.abs(whole) > 2 ? whole / 2 : whole
      const c = there[j]!
      return { coupler: c, sixteenths: Math.round(turned), carries: lead <= c ? now.length - 1 - c : c + 1 }
    })
    .filter(({ sixteenths }) => sixteenths !== 0)
  const after = now.map(
    (value, body) =>
      value +
      steps.reduce((sum, { coupler, sixteenths }) => sum + (influence[body]![coupler]! * sixteenths) / 16, 0),
  )
  return {
    steps,
    after,
    spread: Math.max(...after) - Math.min(...after),
    left: balance.spread,
    halfFirst,
  }
}
