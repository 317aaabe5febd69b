import { ownId } from './aliases.ts'
import { ENGINE_FEATURE, type FeatureValue } from './candidate.ts'
import type { Catalogue, Spread } from './catalogue.ts'
import { DEFAULT_MODEL, DEFAULT_SIGMA_MM, normalDensity, type IdentifyModel, type UnitSeen } from './rank.ts'

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
  seen: UnitSeen,
  model: IdentifyModel = DEFAULT_MODEL,
): NextLook | null {
  const alive: number[] = []
  let all = 0
  for (let i = 0; i < posterior.length; i++) {
    all += posterior[i]!
    if (posterior[i]! > PRUNE) alive.push(i)
  }
  const pNone = Math.max(0, 1 - all)
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
    // What the customer says is no look at the unit.
    if (feature in seen.features || feature === ENGINE_FEATURE) continue
    const hypotheses = hypothesesOf(feature)
    if (hypotheses.every((h) => h.value === undefined)) continue
    const groups = grouped(hypotheses)
    const bits =
      spread.kind === 'number'
        ? numberGain(groups, spread, model.sigma[feature] ?? DEFAULT_SIGMA_MM)
        : categoryGain(groups, spread, model.categoryError)
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
    if (weight > entry.best) Object.assign(entry, { best: weight, id: ownId(id) })
    byValue.set(entry.value, entry)
  }
  return [...byValue.values()]
    .sort((a, b) => b.p - a.p)
    .slice(0, 3)
    .map(({ value, id, p }) => ({ value, id, p }))
}

interface Group {
  weight: number
  value: FeatureValue | undefined
}

/**
 * Hypotheses that have one value are told apart by no reading of it: what a look settles is settled between the groups, and nothing
 * within them.
 */
function grouped(hypotheses: readonly Hypothesis[]): Group[] {
  const groups = new Map<FeatureValue | undefined, Group>()
  for (const { weight, value } of hypotheses) {
    const group = groups.get(value)
    if (group) group.weight += weight
    else groups.set(value, { weight, value })
  }
  return [...groups.values()]
}

function categoryGain(
  groups: readonly Group[],
  spread: Extract<Spread, { kind: 'category' }>,
  error: number,
): number {
  const now = entropy(groups.map(({ weight }) => weight))
  const seenAs = (truth: string, outcome: string) =>
    truth === outcome ? 1 - error : error / Math.max(1, spread.count - 1)
  const unknown = (outcome: string) =>
    [...spread.shares].reduce((sum, [category, share]) => sum + share * seenAs(category, outcome), 0)
  let expected = 0
  for (const outcome of spread.shares.keys()) {
    const joint = groups.map(
      ({ weight, value }) =>
        weight * (value === undefined ? unknown(outcome) : seenAs(String(value), outcome)),
    )
    const p = joint.reduce((a, b) => a + b, 0)
    if (p > 0) expected += p * entropy(joint.map((j) => j / p))
  }
  return Math.max(0, now - expected)
}

/** Normals further than so many σ from a reading have no part in it. */
const REACH = 6

/** The reading's density is a mixture of normals: integrated on a grid of a third of σ, five deviations beyond the values. */
function numberGain(
  groups: readonly Group[],
  spread: Extract<Spread, { kind: 'number' }>,
  sigma: number,
): number {
  const now = entropy(groups.map(({ weight }) => weight))
  const wide = Math.hypot(spread.deviation, sigma)
  const normals = groups
    .map(({ weight, value }) => ({
      weight,
      mean: value === undefined ? spread.mean : Number(value),
      sigma: value === undefined ? wide : sigma,
    }))
    .sort((a, b) => a.mean - b.mean)
  const low = Math.min(...normals.map((n) => n.mean - 5 * n.sigma))
  const high = Math.max(...normals.map((n) => n.mean + 5 * n.sigma))
  const step = sigma / 3
  const narrow = normals.filter((n) => n.sigma === sigma)
  const broad = normals.filter((n) => n.sigma !== sigma)
  const height = 1 / (sigma * Math.sqrt(2 * Math.PI))
  let expected = 0
  let first = 0
  for (let x = low; x <= high; x += step) {
    while (first < narrow.length && narrow[first]!.mean < x - REACH * sigma) first++
    let density = 0
    let logs = 0
    for (let k = first; k < narrow.length; k++) {
      const { weight, mean } = narrow[k]!
      if (mean > x + REACH * sigma) break
      const z = (x - mean) / sigma
      const p = weight * height * Math.exp((-z * z) / 2)
      if (p > 0) {
        density += p
        logs += p * Math.log2(p)
      }
    }
    for (let k = 0; k < broad.length; k++) {
      const { weight, mean, sigma: own } = broad[k]!
      const p = weight * normalDensity(x, mean, own)
      if (p > 0) {
        density += p
        logs += p * Math.log2(p)
      }
    }
    // Entropy of the shares p/density, times the density.
    if (density > 1e-12) expected += step * (density * Math.log2(density) - logs)
  }
  return Math.max(0, now - expected)
}

function entropy(weights: readonly number[]): number {
  let bits = 0
  for (const w of weights) if (w > 0) bits -= w * Math.log2(w)
  return bits
}
