import { isRefusal, type Result } from '../refusal/index.ts'
import {
  DEFAULT_NOISE,
  expectedLikelihood,
  likelihood,
  openChannel,
  type Channel,
  type Noise,
} from './channel.ts'
import { ALPHABET, readMark, symbolsOf } from './mark.ts'

export type FeatureValue = string | number

/** One list number of the catalogue as identification sees it. */
export interface Candidate {
  id: string
  maker: string
  /** what is stamped */
  mark: string
  weight: number
  features: Record<string, FeatureValue>
}

export interface Seen {
  /** every place that bears something readable */
  marks: string[]
  maker?: string | null
  features: Record<string, FeatureValue>
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

export interface Evidence {
  name: string
  seen: string
  expected: string
  /** log2 of this candidate's likelihood over the catalogue's own: above 0 speaks for it */
  bits: number
}

export interface Ranked {
  id: string
  p: number
  evidence: Evidence[]
}

export interface Identification {
  ranking: Ranked[]
  pNone: number
  /** every candidate's probability, in the catalogue's order */
  posterior: Float64Array
}

/** What does not depend on a query, worked out once for a catalogue. */
export interface Catalogue {
  candidates: Candidate[]
  symbols: number[][]
  priorTotal: number
  makers: Map<string, MakerModel>
  spreads: Map<string, Spread>
}

interface MakerModel {
  share: number
  /** by length of the mark: its share, and per place the frequency of symbols */
  lengths: { share: number; frequencies: Float64Array[] }[]
}

export type Spread =
  | { kind: 'number'; mean: number; deviation: number }
  | { kind: 'category'; shares: Map<string, number>; count: number }

const FLOOR = 1e-300

export function openCatalogue(candidates: Candidate[]): Catalogue {
  const symbols = candidates.map((candidate) => symbolsOf(candidate.mark))
  const priorTotal = candidates.reduce((sum, candidate) => sum + candidate.weight, 0)
  return {
    candidates,
    symbols,
    priorTotal,
    makers: makerModels(candidates, symbols),
    spreads: featureSpreads(candidates),
  }
}

/**
 * Bayes over the catalogue and 'none of these': prior × marks through the wear channel × maker × features, normalised.
 * Independent evidence is multiplied; numbers are normal about the candidate's value with the gauge's σ.
 * Refuses `mark` where a mark holds characters that no casting bears.
 */
export function rank(
  catalogue: Catalogue,
  seen: Seen,
  model: IdentifyModel = DEFAULT_MODEL,
  top = 10,
): Result<Identification> {
  const channels: { text: string; channel: Channel }[] = []
  for (const mark of seen.marks) {
    const tokens = readMark(mark)
    if (isRefusal(tokens)) return tokens
    if (tokens.length > 0) channels.push({ text: mark, channel: openChannel(tokens, model) })
  }
  const background = channels.map(({ channel }) => backgroundMark(catalogue, channel, seen.maker, model))
  const features = Object.entries(seen.features).filter(([name]) => catalogue.spreads.has(name))
  const makerCount = Math.max(2, catalogue.makers.size)

  const logs = new Float64Array(catalogue.candidates.length)
  catalogue.candidates.forEach((candidate, i) => {
    let log = Math.log(((1 - model.absent) * candidate.weight) / catalogue.priorTotal)
    for (const { channel } of channels)
      log += Math.log(Math.max(FLOOR, likelihood(channel, catalogue.symbols[i]!)))
    log += Math.log(makerLikelihood(candidate.maker, seen.maker, makerCount, model))
    for (const [name, value] of features)
      log += Math.log(Math.max(FLOOR, featureLikelihood(catalogue, candidate, name, value, seen, model)))
    logs[i] = log
  })
  let none = Math.log(model.absent)
  for (const p of background) none += Math.log(Math.max(FLOOR, p))
  if (channels.length === 0 && seen.maker)
    none += Math.log(backgroundMaker(catalogue, seen.maker, makerCount, model))
  for (const [name, value] of features)
    none += Math.log(Math.max(FLOOR, backgroundFeature(catalogue, name, value, seen, model)))

  const largest = logs.reduce((a, b) => Math.max(a, b), none)
  const posterior = logs.map((log) => Math.exp(log - largest))
  const pNoneRaw = Math.exp(none - largest)
  const total = posterior.reduce((a, b) => a + b, pNoneRaw)
  posterior.forEach((p, i) => (posterior[i] = p / total))

  const order = [...catalogue.candidates.keys()].sort(
    (a, b) =>
      posterior[b]! - posterior[a]! || (catalogue.candidates[a]!.id < catalogue.candidates[b]!.id ? -1 : 1),
  )
  const ranking = order.slice(0, top).map((i) => {
    const candidate = catalogue.candidates[i]!
    const evidence: Evidence[] = channels.map(({ text, channel }, c) => ({
      name: 'mark',
      seen: text,
      expected: candidate.mark,
      bits: Math.log2(
        Math.max(FLOOR, likelihood(channel, catalogue.symbols[i]!)) / Math.max(FLOOR, background[c]!),
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
          Math.max(FLOOR, featureLikelihood(catalogue, candidate, name, value, seen, model)) /
            Math.max(FLOOR, backgroundFeature(catalogue, name, value, seen, model)),
        ),
      })
    return { id: candidate.id, p: posterior[i]!, evidence }
  })
  return { ranking, pNone: pNoneRaw / total, posterior }
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

function sigmaOf(name: string, seen: Seen, model: IdentifyModel): number {
  return seen.sigma?.[name] ?? model.sigma[name] ?? DEFAULT_SIGMA_MM
}

function featureLikelihood(
  catalogue: Catalogue,
  candidate: Candidate,
  name: string,
  value: FeatureValue,
  seen: Seen,
  model: IdentifyModel,
): number {
  const expected = candidate.features[name]
  if (expected === undefined) return backgroundFeature(catalogue, name, value, seen, model)
  const spread = catalogue.spreads.get(name)!
  if (spread.kind === 'number')
    return normalDensity(Number(value), Number(expected), sigmaOf(name, seen, model))
  return categoryLikelihood(String(expected), String(value), spread.count, model)
}

function backgroundFeature(
  catalogue: Catalogue,
  name: string,
  value: FeatureValue,
  seen: Seen,
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

function makerModels(candidates: Candidate[], symbols: number[][]): Map<string, MakerModel> {
  const makers = new Map<string, MakerModel>()
  const byMaker = groupBy(
    candidates.map((candidate, i) => ({ maker: candidate.maker, mark: symbols[i]! })),
    (entry) => entry.maker,
  )
  for (const [maker, entries] of byMaker) {
    const lengths = [...groupBy(entries, (entry) => entry.mark.length)].map(([length, same]) => ({
      share: same.length / entries.length,
      frequencies: Array.from({ length }, (_, place) => {
        // Half a count for each symbol, so that an unseen one is unlikely and not impossible.
        const counts = new Float64Array(ALPHABET.length).fill(0.5)
        for (const { mark } of same) counts[mark[place]!]! += 1
        const total = counts.reduce((a, b) => a + b, 0)
        return counts.map((n) => n / total)
      }),
    }))
    makers.set(maker, { share: entries.length / candidates.length, lengths })
  }
  return makers
}

function featureSpreads(candidates: Candidate[]): Map<string, Spread> {
  const spreads = new Map<string, Spread>()
  const names = new Set(candidates.flatMap((candidate) => Object.keys(candidate.features)))
  for (const name of names) {
    const values = candidates
      .map((candidate) => candidate.features[name])
      .filter((value) => value !== undefined)
    if (values.every((value) => typeof value === 'number')) {
      const mean = values.reduce((a, b) => a + b, 0) / values.length
      const variance =
        values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length - 1)
      spreads.set(name, { kind: 'number', mean, deviation: Math.max(Math.sqrt(variance), 1e-3) })
    } else {
      const shares = new Map<string, number>()
      for (const value of values)
        shares.set(String(value), (shares.get(String(value)) ?? 0) + 1 / values.length)
      spreads.set(name, { kind: 'category', shares, count: shares.size })
    }
  }
  return spreads
}

function groupBy<T, K>(items: readonly T[], key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const item of items) {
    const group = groups.get(key(item))
    if (group) group.push(item)
    else groups.set(key(item), [item])
  }
  return groups
}
