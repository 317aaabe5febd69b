import { checkNumbers, isRefusal, refuse, type Result } from '../../base/refusal/index.ts'

/** A reading, a bend at the tang (mm, toward the needle positive), and the reading after it. */
export interface BendTry {
  before: number
  bend: number
  after: number
  /** σ of the bend, mm; a third of it where nobody says */
  bendSigma?: number
  /** σ of a reading, mm */
  readingSigma?: number
}

export interface RatioKnowledge {
  /** +1 where a larger reading means that the float shuts off earlier */
  sense: number
  target: number
  tries: readonly BendTry[]
  /** the reading now, mm; the last `after` where left out */
  reading?: number
  /** the ratio of relatives, and its σ as a share */
  prior?: { k: number; relSigma?: number }
  /** pin to measuring point and pin to needle's axis with their σ, mm, and the point's angle over the face, rad */
  arms?: { rm: number; sigmaRm: number; rt: number; sigmaRt: number; phi?: number }
}

export interface Learned {
  k: number
  sigmaK: number
  /** mm at the tang, toward the needle positive */
  nextBend: number
  nextSigma: number
  /** so uncertain that half of it is bent first */
  halfFirst: boolean
}

const READING_SIGMA = 0.1
const PRIOR_REL_SIGMA = 0.25
const HALF_FIRST = 0.25

/**
 * The ratio k of a float's reading to the bend at its tang, from tries, arms and relatives, and the next bend (`docs/physics.md` 18): a
 * try gives k = sense·Δreading/bend with σ = k·√(2σ_r²/Δ² + σ_b²/b²), arms k = r_m·cos φ/r_t; all are weighed by 1/σ².
 */
export function learnRatio(known: RatioKnowledge): Result<Learned> {
  const { sense, target, tries, prior, arms } = known
  if (sense !== 1 && sense !== -1) return refuse('sense', 'The sense is 1 or −1.')
  const bad = checkNumbers({ target })
  if (bad) return bad
  if (!prior && !arms && tries.length === 0)
    return refuse('prior', 'Nothing is known of it: a try, three readings of the arms, or relatives.')
  const facts: { k: number; sigma: number }[] = []
  if (prior) {
    const { k, relSigma = PRIOR_REL_SIGMA } = prior
    if (!(k > 0) || !(relSigma > 0) || !Number.isFinite(k) || !Number.isFinite(relSigma))
      return refuse('prior', 'The ratio of relatives and its spread are above 0.')
    facts.push({ k, sigma: relSigma * k })
  }
  if (arms) {
    const fact = fromArms(arms)
    if (isRefusal(fact)) return fact
    facts.push(fact)
  }
  for (const one of tries) {
    const fact = fromTry(one, sense)
    if (isRefusal(fact)) return fact
    facts.push(fact)
  }
  const reading = known.reading ?? tries.at(-1)?.after
  if (reading === undefined || !Number.isFinite(reading))
    return refuse('reading', 'The reading now is missing, and there is no try that ends in one.')
  const weight = facts.reduce((sum, { sigma }) => sum + 1 / sigma ** 2, 0)
  const k = facts.reduce((sum, one) => sum + one.k / one.sigma ** 2, 0) / weight
  const sigmaK = weight ** -0.5
  const nextBend = (sense * (target - reading)) / k
  return {
    k,
    sigmaK,
    nextBend,
    nextSigma: (Math.abs(nextBend) * sigmaK) / k,
    halfFirst: sigmaK / k > HALF_FIRST + 1e-9,
  }
}

function fromTry(
  { before, bend, after, ...more }: BendTry,
  sense: number,
): Result<{ k: number; sigma: number }> {
  const bendSigma = more.bendSigma ?? Math.abs(bend) / 3
  const readingSigma = more.readingSigma ?? READING_SIGMA
  const change = after - before
  if (![before, bend, after, bendSigma, readingSigma].every(Number.isFinite))
    return refuse('tries', 'A try is a reading before, a bend and a reading after, in mm.')
  if (!(sense * change * bend > 0))
    return refuse('tries', 'That bend moves the reading the other way. Which way was it bent?')
  if (!(bendSigma > 0) || readingSigma < 0)
    return refuse('tries', 'The uncertainty of a bend is above 0, that of a reading not below.')
  const k = (sense * change) / bend
  return { k, sigma: k * Math.sqrt((2 * readingSigma ** 2) / change ** 2 + bendSigma ** 2 / bend ** 2) }
}

function fromArms({
  rm,
  sigmaRm,
  rt,
  sigmaRt,
  phi = 0,
}: NonNullable<RatioKnowledge['arms']>): Result<{ k: number; sigma: number }> {
  if (
    ![rm, sigmaRm, rt, sigmaRt, phi].every(Number.isFinite) ||
    !(rm > 0 && rt > 0 && sigmaRm >= 0 && sigmaRt >= 0) ||
    sigmaRm + sigmaRt === 0 ||
    Math.abs(phi) >= Math.PI / 2
  )
    return refuse(
      'arms',
      'Both arms are above 0, with their uncertainty, and the point lies within 90° of the face.',
    )
  const k = (rm * Math.cos(phi)) / rt
  return { k, sigma: k * Math.hypot(sigmaRm / rm, sigmaRt / rt) }
}
