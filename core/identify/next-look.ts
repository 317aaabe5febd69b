import {
  normalDensity,
  type Catalogue,
  type IdentifyModel,
  type Seen,
  DEFAULT_MODEL,
  DEFAULT_SIGMA_MM,
} from './rank.ts'

/** Minutes that a look takes at the bench. */
export const EFFORT_MINUTES: Record<string, number> = {
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

/** The one feature not yet seen whose look is expected to lower the posterior's entropy most, per minute of effort. */
export function nextLook(
  catalogue: Catalogue,
  posterior: Float64Array,
  seen: Seen,
  model: IdentifyModel = DEFAULT_MODEL,
): NextLook | null {
  const alive = [...posterior.keys()].filter((i) => posterior[i]! > PRUNE)
  const total = alive.reduce((sum, i) => sum + posterior[i]!, 0)
  const weights = alive.map((i) => posterior[i]! / total)
  const now = entropy(weights)
  if (now < 1e-3) return null
  let best: NextLook | null = null
  for (const [feature, spread] of catalogue.spreads) {
    if (feature in seen.features) continue
    const known = alive.map((i) => catalogue.candidates[i]!.features[feature])
    if (known.some((value) => value === undefined)) continue
    const bits =
      spread.kind === 'number'
        ? numberGain(known.map(Number), weights, now, model.sigma[feature] ?? DEFAULT_SIGMA_MM)
        : categoryGain(known.map(String), weights, now, spread.count, model.categoryError)
    const gain = bits / (EFFORT_MINUTES[feature] ?? 1)
    if (gain > 1e-3 && (!best || gain > best.gain))
      best = {
        feature,
        gain,
        settles: bits / now,
        outcomes: outcomes(known.map(String), alive, weights, catalogue),
      }
  }
  return best
}

function outcomes(values: string[], alive: number[], weights: number[], catalogue: Catalogue) {
  const byValue = new Map<string, { value: string; id: string; p: number; best: number }>()
  values.forEach((value, k) => {
    const entry = byValue.get(value) ?? { value, id: '', p: 0, best: -1 }
    entry.p += weights[k]!
    if (weights[k]! > entry.best)
      Object.assign(entry, { best: weights[k]!, id: catalogue.candidates[alive[k]!]!.id })
    byValue.set(value, entry)
  })
  return [...byValue.values()]
    .sort((a, b) => b.p - a.p)
    .slice(0, 3)
    .map(({ value, id, p }) => ({ value, id, p }))
}

function categoryGain(
  values: string[],
  weights: number[],
  now: number,
  count: number,
  error: number,
): number {
  let expected = 0
  for (const outcome of new Set(values)) {
    const joint = values.map(
      (value, k) => weights[k]! * (value === outcome ? 1 - error : error / Math.max(1, count - 1)),
    )
    const p = joint.reduce((a, b) => a + b, 0)
    if (p > 0) expected += p * entropy(joint.map((j) => j / p))
  }
  return Math.max(0, now - expected)
}

/** The reading's density is a mixture of normals: integrated on a grid of a third of σ, five σ beyond the values. */
function numberGain(values: number[], weights: number[], now: number, sigma: number): number {
  const step = sigma / 3
  const low = Math.min(...values) - 5 * sigma
  const high = Math.max(...values) + 5 * sigma
  let expected = 0
  for (let x = low; x <= high; x += step) {
    const joint = values.map((value, k) => weights[k]! * normalDensity(x, value, sigma))
    const density = joint.reduce((a, b) => a + b, 0)
    if (density > 1e-12) expected += density * step * entropy(joint.map((j) => j / density))
  }
  return Math.max(0, now - expected)
}

function entropy(weights: number[]): number {
  let bits = 0
  for (const w of weights) if (w > 0) bits -= w * Math.log2(w)
  return bits
}
