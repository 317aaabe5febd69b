import {
  DEFAULT_MODEL,
  DEFAULT_SIGMA_MM,
  normalDensity,
  type Catalogue,
  type FeatureValue,
  type IdentifyModel,
  type Seen,
  type Spread,
} from './rank.ts'

/** Minutes that a look takes at the bench. */
const EFFORT_MINUTES: Record<string, number> = {
  draft: 0.2,
  barrels: 0.2,
  chokeKind: 0.5,
  inletThread: 1,
  material: 0.5,
  throttleBoreMm: 1,
  venturiMm: 1.5,
  flangeBoltSpacingMm: 1,
}

export interface NextLook {
  feature: string
  /** bits per minute */
  gain: number
  /** what each outcome would point to: the likeliest candidate for it */
  outcomes: { value: string; id: string; p: number }[]
  /** share of the present doubt (entropy) that it is expected to settle */
  settles: number
}

// Candidates that hold less than this share of the posterior cannot change the gain by more than a thousandth of a bit.
const PRUNE = 1e-5

interface Hypothesis {
  id: string
  weight: number
  /** undefined where the catalogue does not say, and for 'none of these': the catalogue's own spread stands in */
  value: FeatureValue | undefined
}

/**
 * The one feature not yet seen whose look is expected to lower the entropy of the posterior ('none of these' included) most,
 * per minute of effort. `posterior` by candidate; what is missing to 1 is 'none of these'.
 */
export function nextLook(
  catalogue: Catalogue,
  posterior: Float64Array,
  seen: Seen,
  model: IdentifyModel = DEFAULT_MODEL,
): NextLook | null {
  const alive = [...posterior.keys()].filter((i) => posterior[i]! > PRUNE)
  const pNone = Math.max(0, 1 - posterior.reduce((a, b) => a + b, 0))
  const total = alive.reduce((sum, i) => sum + posterior[i]!, pNone)
  const hypothesesOf = (feature: string): Hypothesis[] => [
    ...alive.map((i) => {
      const { id, features } = catalogue.candidates[i]!
      return { id, weight: posterior[i]! / total, value: features[feature] }
    }),
    ...(pNone > PRUNE ? [{ id: '', weight: pNone / total, value: undefined }] : []),
  ]
  const now = entropy(hypothesesOf('').map((h) => h.weight))
  if (now < 1e-3) return null
  let best: NextLook | null = null
  for (const [feature, spread] of catalogue.spreads) {
    if (feature in seen.features) continue
    const hypotheses = hypothesesOf(feature)
    if (hypotheses.every((h) => h.value === undefined)) continue
    const bits =
      spread.kind === 'number'
        ? numberGain(hypotheses, now, spread, model.sigma[feature] ?? DEFAULT_SIGMA_MM)
        : categoryGain(hypotheses, now, spread, model.categoryError)
    const gain = bits / (EFFORT_MINUTES[feature] ?? 1)
    if (gain > 1e-3 && (!best || gain > best.gain))
      best = { feature, gain, settles: bits / now, outcomes: outcomes(hypotheses) }
  }
  return best
}

function outcomes(hypotheses: readonly Hypothesis[]) {
  const byValue = new Map<string, { value: string; id: string; p: number; best: number }>()
  for (const { id, weight, value } of hypotheses) {
    if (value === undefined) continue
    const entry = byValue.get(String(value)) ?? { value: String(value), id: '', p: 0, best: -1 }
    entry.p += weight
    if (weight > entry.best) Object.assign(entry, { best: weight, id })
    byValue.set(entry.value, entry)
  }
  return [...byValue.values()]
    .sort((a, b) => b.p - a.p)
    .slice(0, 3)
    .map(({ value, id, p }) => ({ value, id, p }))
}

function categoryGain(
  hypotheses: readonly Hypothesis[],
  now: number,
  spread: Extract<Spread, { kind: 'category' }>,
  error: number,
): number {
  const seenAs = (truth: string, outcome: string) =>
    truth === outcome ? 1 - error : error / Math.max(1, spread.count - 1)
  const unknown = (outcome: string) =>
    [...spread.shares].reduce((sum, [category, share]) => sum + share * seenAs(category, outcome), 0)
  let expected = 0
  for (const outcome of spread.shares.keys()) {
    const joint = hypotheses.map(
      (h) => h.weight * (h.value === undefined ? unknown(outcome) : seenAs(String(h.value), outcome)),
    )
    const p = joint.reduce((a, b) => a + b, 0)
    if (p > 0) expected += p * entropy(joint.map((j) => j / p))
  }
  return Math.max(0, now - expected)
}

/** The reading's density is a mixture of normals: integrated on a grid of a third of σ, five deviations beyond the values. */
function numberGain(
  hypotheses: readonly Hypothesis[],
  now: number,
  spread: Extract<Spread, { kind: 'number' }>,
  sigma: number,
): number {
  const wide = Math.hypot(spread.deviation, sigma)
  const normals = hypotheses.map((h) => ({
    weight: h.weight,
    mean: h.value === undefined ? spread.mean : Number(h.value),
    sigma: h.value === undefined ? wide : sigma,
  }))
  const low = Math.min(...normals.map((n) => n.mean - 5 * n.sigma))
  const high = Math.max(...normals.map((n) => n.mean + 5 * n.sigma))
  const step = sigma / 3
  let expected = 0
  for (let x = low; x <= high; x += step) {
    const joint = normals.map((n) => n.weight * normalDensity(x, n.mean, n.sigma))
    const density = joint.reduce((a, b) => a + b, 0)
    if (density > 1e-12) expected += density * step * entropy(joint.map((j) => j / density))
  }
  return Math.max(0, now - expected)
}

function entropy(weights: readonly number[]): number {
  let bits = 0
  for (const w of weights) if (w > 0) bits -= w * Math.log2(w)
  return bits
}
