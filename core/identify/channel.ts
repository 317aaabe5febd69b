import { ALPHABET, HYPHEN, LOOKALIKES, type Token } from './mark.ts'

/** What wear does to a true character; probabilities (`docs/formats.md`, identify). */
export interface Noise {
  read: number
  unreadable: number
  lookalike: number
  dropped: number
  inserted: number
  other: number
  runLost: number
  hyphenLost: number
}

export const DEFAULT_NOISE: Noise = {
  read: 0.8,
  unreadable: 0.12,
  lookalike: 0.06,
  dropped: 0.01,
  inserted: 0.01,
  other: 0.002,
  runLost: 0.05,
  hyphenLost: 0.1,
}

const RUN_CHARACTER = 0.9
const SIZE = ALPHABET.length

/** What one place of a true mark does with each token of one reading. */
interface Place {
  dropped: number
  /** by token: read as this token */
  emits: Float64Array
  /** by token: is exactly this token */
  exact: Float64Array
}

export interface Channel {
  /** by true symbol */
  places: Place[]
  strangers: Float64Array
  tokens: readonly Token[]
  noise: Noise
}

/** Prepares one reading's tables: 37 true symbols by its tokens. */
export function openChannel(tokens: readonly Token[], noise: Noise): Channel {
  const strangers = Float64Array.from(tokens, (token) =>
    mean(token, (symbol) => (symbol === HYPHEN ? 0 : 1 / (SIZE - 1))),
  )
  const places = Array.from({ length: SIZE }, (_, truth) => ({
    dropped: truth === HYPHEN ? noise.hyphenLost : noise.dropped,
    emits: Float64Array.from(tokens, (token) =>
      token.kind === 'unreadable' ? noise.unreadable : mean(token, (seen) => seenAs(truth, seen, noise)),
    ),
    exact: Float64Array.from(tokens, (token) => mean(token, (seen) => (seen === truth ? 1 : 0))),
  }))
  return { places, strangers, tokens, noise }
}

function mean(token: Token, of: (symbol: number) => number): number {
  if (token.kind === 'unreadable' || token.kind === 'run') return 0
  let sum = 0
  for (const symbol of token.symbols) sum += of(symbol)
  return sum / token.symbols.length
}

function seenAs(truth: number, seen: number, noise: Noise): number {
  const lookalikes = LOOKALIKES[truth]!
  if (seen === truth) {
    const right = noise.read - noise.other
    // A hyphen has no look-alikes: their share is read right; that it is lost more often is taken from there too.
    return truth === HYPHEN ? right + noise.lookalike - (noise.hyphenLost - noise.dropped) : right
  }
  if (lookalikes.includes(seen)) return noise.lookalike / lookalikes.length
  return noise.other / (SIZE - 1 - lookalikes.length)
}

/** P(reading | true mark): the forward algorithm over all alignments, and a run at one end gone without a trace. */
export const likelihood = (channel: Channel, truth: readonly number[]): number =>
  withRunLost(channel, truth.map((symbol) => channel.places[symbol]!))

/** The same for a mark known only by the frequency of symbols at each place: the expectation, exact. */
export const expectedLikelihood = (channel: Channel, frequencies: readonly Float64Array[]): number =>
  withRunLost(
    channel,
    frequencies.map((frequency) => blend(channel, frequency)),
  )

function blend(channel: Channel, frequency: Float64Array): Place {
  const width = channel.tokens.length
  const place: Place = { dropped: 0, emits: new Float64Array(width), exact: new Float64Array(width) }
  frequency.forEach((share, symbol) => {
    const pure = channel.places[symbol]!
    place.dropped += share * pure.dropped
    for (let t = 0; t < width; t++) {
      place.emits[t]! += share * pure.emits[t]!
      place.exact[t]! += share * pure.exact[t]!
    }
  })
  return place
}

function withRunLost(channel: Channel, places: readonly Place[]): number {
  const whole = forward(channel, places, 0, places.length)
  const longest = Math.floor(places.length / 2)
  const { runLost } = channel.noise
  if (longest === 0 || runLost === 0) return whole
  let lost = 0
  for (let length = 1; length <= longest; length++)
    lost += forward(channel, places, length, places.length) + forward(channel, places, 0, places.length - length)
  return (1 - runLost) * whole + (runLost * lost) / (2 * longest)
}

function forward(channel: Channel, places: readonly Place[], from: number, to: number): number {
  const { tokens, strangers, noise } = channel
  const width = tokens.length
  let here = new Float64Array(width + 1)
  let inRun = new Float64Array(width + 1)
  here[0] = 1
  for (let i = from; i <= to; i++) {
    // A run may open and close at any place, also on nothing.
    for (let j = 0; j < width; j++) {
      if (tokens[j]!.kind !== 'run') continue
      inRun[j]! += here[j]!
      here[j + 1]! += inRun[j]!
    }
    if (i === to) break
    const place = places[i]!
    const next = new Float64Array(width + 1)
    const nextRun = new Float64Array(width + 1)
    for (let j = 0; j <= width; j++) {
      const p = here[j]!
      if (inRun[j]! > 0) nextRun[j]! += inRun[j]! * RUN_CHARACTER
      if (p === 0) continue
      next[j]! += p * place.dropped
      if (j < width) next[j + 1]! += p * place.emits[j]!
      if (j + 1 < width) {
        const pair = strangers[j]! * place.exact[j + 1]! + place.exact[j]! * strangers[j + 1]!
        next[j + 2]! += (p * noise.inserted * pair) / 2
      }
    }
    here = next
    inRun = nextRun
  }
  return here[width]!
}
