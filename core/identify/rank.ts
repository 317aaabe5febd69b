import { isRefusal, type Result } from '../base/refusal/index.ts'
import {
  DEFAULT_NOISE,
  expectedLikelihood,
  likelihood,
  openWearChannel,
  type Channel,
  type Noise,
} from './channel.ts'
import type { FeatureValue } from './candidate.ts'
import type { Catalogue } from './catalogue.ts'
import { readMark, symbolsOf } from './mark.ts'
import { byMarks, heaviest } from './sift.ts'

export interface UnitSeen {
  /** every place that bears something readable */
  marks: string[]
  maker?: string | null
  features: Record<string, FeatureValue>
  /** features of which somebody only thinks so: one time in two they say nothing */
  doubted?: readonly string[]
  /** the error of a measured feature where it is known, mm */
  sigma?: Record<string, number>
}

export interface IdentifyModel extends Noise {
  makerRight: number
  categoryError: number
  absent: number
  sigma: Record<string, number>
}

export const DEFAULT_SIGMA_MM = 0.2

export const DEFAULT_MODEL: IdentifyModel = {
  ...DEFAULT_NOISE,
  makerRight: 0.97,
  categoryError: 0.03,
  absent: 0.03,
  sigma: { throttleBoreMm: 0.15, venturiMm: 0.2, flangeBoltSpacingMm: 0.4 },
}

/** How many list numbers a library has before it is taken to know the usual ones. */
const KNOWS_MOST = 10

/**
 * How likely a unit is none of a library's, before anything is seen: one half where it has nothing, less with every list number that
 * it has, never under the model's own share (about 150 of them). A thin library is the normal state of a new shop, and its only
 * candidate must not win for want of others.
 */
export const absentFor = (listNumbers: number, model: IdentifyModel = DEFAULT_MODEL): number =>
  Math.max(model.absent, KNOWS_MOST / 2 / (listNumbers + KNOWS_MOST))

export interface RankEvidence {
  name: string
  seen: string
  expected: string
  /** log2 of this candidate's likelihood over the catalogue's own: above 0 speaks for it */
  bits: number
}

export interface Ranked {
  id: string
  p: number
  evidence: RankEvidence[]
}

export interface Identification {
  ranking: Ranked[]
  pNone: number
  /** every candidate's probability, in the catalogue's order; 0 for those that were left out */
  posterior: Float64Array
  /** at most so much of the whole lies in what was left out */
  lost: number
}

const FLOOR = 1e-300
/** How often a unit that is none of a library's is of a family that it has; else its features come one by one from the whole spread. */
const OF_A_FAMILY = 0.9
const logOfSum = (a: number, b: number): number => Math.max(a, b) + Math.log1p(Math.exp(-Math.abs(a - b)))

/**
 * Bayes over the catalogue and 'none of these': prior × marks through the wear channel × maker × features, normalised.
 * Independent evidence is multiplied; numbers are normal about the candidate's value with the gauge's σ. Exact but for what cannot
 * matter: branches of the catalogue that together hold at most `lost` of the total are left out.
 * Refuses `mark` where a mark holds characters that no casting bears.
 */
export function rank(
  catalogue: Catalogue,
  seen: UnitSeen,
  model: IdentifyModel = DEFAULT_MODEL,
  top = 10,
): Result<Identification> {
  const channels: { text: string; channel: Channel }[] = []
  for (const mark of seen.marks) {
    const tokens = readMark(mark)
    if (isRefusal(tokens)) return tokens
    if (tokens.length > 0) channels.push({ text: mark, channel: openWearChannel(tokens, model) })
  }
  if (catalogue.candidates.length === 0)
    return { ranking: [], pNone: 1, posterior: new Float64Array(0), lost: 0 }
  const background = channels.map(({ channel }) => backgroundMark(catalogue, channel, seen.maker, model))
  const features = Object.entries(seen.features).filter(([name]) => catalogue.spreads.has(name))
  const makerCount = Math.max(2, catalogue.makers.size)
  const { packed, candidates } = catalogue

  // Everything but the marks, relative to the heaviest.
  const { weights, scale, alike } = weigh(catalogue, features, seen, makerCount, model)
  let none = Math.log(model.absent) - scale
  if (channels.length === 0 && seen.maker)
    none += Math.log(backgroundMaker(catalogue, seen.maker, makerCount, model))
  // A unit that the library lacks is mostly another one of a family that it has: its features come together as theirs do.
  const apart = features.reduce(
    (sum, [name, value]) =>
      sum + Math.log(Math.max(FLOOR, backgroundFeature(catalogue, name, value, seen, model))),
    0,
  )
  if (features.length > 0) none += logOfSum(Math.log(OF_A_FAMILY) + alike, Math.log(1 - OF_A_FAMILY) + apart)
  const { places, likelihoods, noneLikelihood, lost } = byMarks(
    packed,
    channels,
    background,
    weights,
    Math.exp(none),
  )

  const joint = new Float64Array(places.length)
  let total = noneLikelihood
  for (let k = 0; k < joint.length; k++) total += joint[k] = likelihoods[k]! * weights[places[k]!]!
  const posterior = new Float64Array(candidates.length)
  for (let k = 0; k < joint.length; k++) posterior[packed.order[places[k]!]!] = joint[k]! / total
  const order = heaviest(places, joint, top, (at) => candidates[packed.order[at]!]!.id)
  const ranking = order.map((at) => {
    const i = packed.order[at]!
    const candidate = candidates[i]!
    const evidence: RankEvidence[] = channels.map(({ text, channel }, c) => ({
      name: 'mark',
      seen: text,
      expected: candidate.mark,
      bits: Math.log2(
        Math.max(FLOOR, likelihood(channel, symbolsOf(candidate.mark))) / Math.max(FLOOR, background[c]!),
      ),
    }))
    if (seen.maker)
      evidence.push({
        name: 'maker',
        seen: seen.maker,
        expected: candidate.maker,
        bits: Math.log2(
          makerLikelihood(candidate.maker, seen.maker, makerCount, model) /
            backgroundMaker(catalogue, seen.maker, makerCount, model),
        ),
      })
    for (const [name, value] of features)
      evidence.push({
        name,
        seen: String(value),
        expected: String(candidate.features[name] ?? ''),
        bits: Math.log2(
          Math.max(FLOOR, featureLikelihood(catalogue, candidate.features[name], name, value, seen, model)) /
            Math.max(FLOOR, backgroundFeature(catalogue, name, value, seen, model)),
        ),
      })
    return { id: candidate.id, p: posterior[i]!, evidence }
  })
  return { ranking, pNone: noneLikelihood / total, posterior, lost: lost / total }
}

/**
 * Prior, maker and features of every candidate, by its place in the sorted order, as a share of the heaviest; `scale` is that one's
 * log, `alike` the log of how likely the features are together, over the catalogue as a whole (of the maker, where one was seen).
 */
function weigh(
  catalogue: Catalogue,
  features: readonly (readonly [string, FeatureValue])[],
  seen: UnitSeen,
  makerCount: number,
  model: IdentifyModel,
): { weights: Float64Array; scale: number; alike: number } {
  const { packed } = catalogue
  const prior = Math.log((1 - model.absent) / catalogue.priorTotal)
  // By what is looked up: a table of factors, each a share of its largest, and the codes that say which is whose.
  const tables: { factors: Float64Array; codes: Uint32Array }[] = []
  let scale = prior + Math.log(packed.heaviest)
  // The maker's table comes first, where one was seen; the others are features'.
  let first = Boolean(seen.maker)
  let largestOfFeatures = 0
  const look = (logs: readonly number[], codes: Uint32Array) => {
    const largest = logs.reduce((a, b) => Math.max(a, b), -Infinity)
    scale += largest
    if (!first) largestOfFeatures += largest
    first = false
    tables.push({ factors: Float64Array.from(logs, (log) => Math.exp(log - largest)), codes })
  }
  if (seen.maker)
    look(
      packed.makers.names.map((maker) => Math.log(makerLikelihood(maker, seen.maker, makerCount, model))),
      packed.makers.codes,
    )
  for (const [name, value] of features) {
    const column = packed.columns.get(name)
    if (column)
      look(
        column.values.map((expected) =>
          Math.log(Math.max(FLOOR, featureLikelihood(catalogue, expected, name, value, seen, model))),
        ),
        column.codes,
      )
  }
  const weights = packed.shares.slice()
  const ofMaker = seen.maker ? 1 : 0
  let before = sumOf(weights)
  tables.forEach(({ factors, codes }, table) => {
    multiply(weights, factors, codes)
    if (table < ofMaker) before = sumOf(weights)
  })
  const alike =
    Math.log(Math.max(FLOOR, sumOf(weights))) - Math.log(Math.max(FLOOR, before)) + largestOfFeatures
  return { weights, scale, alike }
}

// Plain loops of their own: a large catalogue goes through them for every feature of every query.
function multiply(weights: Float64Array, factors: Float64Array, codes: Uint32Array): void {
  for (let at = 0; at < weights.length; at++) weights[at]! *= factors[codes[at]!]!
}

function sumOf(values: Float64Array): number {
  let sum = 0
  for (let at = 0; at < values.length; at++) sum += values[at]!
  return sum
}

function makerLikelihood(
  maker: string,
  seen: string | null | undefined,
  count: number,
  model: IdentifyModel,
): number {
  if (!seen) return 1
  return maker === seen ? model.makerRight : (1 - model.makerRight) / (count - 1)
}

function backgroundMaker(catalogue: Catalogue, seen: string, count: number, model: IdentifyModel): number {
  let p = 0
  for (const [maker, { share }] of catalogue.makers) p += share * makerLikelihood(maker, seen, count, model)
  return Math.max(p, FLOOR)
}

/** A mark (and its maker's name) of a list number that the catalogue lacks: by each maker's own way of numbering. */
function backgroundMark(
  catalogue: Catalogue,
  channel: Channel,
  seen: string | null | undefined,
  model: IdentifyModel,
): number {
  let p = 0
  const count = Math.max(2, catalogue.makers.size)
  for (const [maker, { share, lengths }] of catalogue.makers)
    for (const length of lengths)
      p +=
        share *
        makerLikelihood(maker, seen, count, model) *
        length.share *
        expectedLikelihood(channel, length.frequencies)
  return p
}

function sigmaOf(name: string, seen: UnitSeen, model: IdentifyModel): number {
  return seen.sigma?.[name] ?? model.sigma[name] ?? DEFAULT_SIGMA_MM
}

function featureLikelihood(
  catalogue: Catalogue,
  expected: FeatureValue | undefined,
  name: string,
  value: FeatureValue,
  seen: UnitSeen,
  model: IdentifyModel,
): number {
  if (expected === undefined) return backgroundFeature(catalogue, name, value, seen, model)
  const spread = catalogue.spreads.get(name)!
  const p =
    spread.kind === 'number'
      ? normalDensity(Number(value), Number(expected), sigmaOf(name, seen, model))
      : categoryLikelihood(String(expected), String(value), spread.count, model)
  return seen.doubted?.includes(name) ? (p + backgroundFeature(catalogue, name, value, seen, model)) / 2 : p
}

function backgroundFeature(
  catalogue: Catalogue,
  name: string,
  value: FeatureValue,
  seen: UnitSeen,
  model: IdentifyModel,
): number {
  const spread = catalogue.spreads.get(name)!
  if (spread.kind === 'number')
    return normalDensity(Number(value), spread.mean, Math.hypot(spread.deviation, sigmaOf(name, seen, model)))
  let p = 0
  for (const [category, share] of spread.shares)
    p += share * categoryLikelihood(category, String(value), spread.count, model)
  return p
}

const categoryLikelihood = (expected: string, value: string, count: number, model: IdentifyModel): number =>
  expected === value ? 1 - model.categoryError : model.categoryError / Math.max(1, count - 1)

export function normalDensity(x: number, mean: number, sigma: number): number {
  const z = (x - mean) / sigma
  return Math.exp((-z * z) / 2) / (sigma * Math.sqrt(2 * Math.PI))
}
