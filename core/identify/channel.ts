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

/** A true character within a run. */
export const RUN_CHARACTER = 0.9
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
  /** the sum over all symbols */
  any: Place
  strangers: Float64Array
  tokens: readonly Token[]
  noise: Noise
  /** rows that both passes write over, so that a catalogue's thousands of marks allocate nothing */
  rows: readonly [Float64Array, Float64Array, Float64Array, Float64Array]
  /** by token: whether it stands for a run */
  runs: Uint8Array
}

/** Prepares one reading's tables: 37 true symbols by its tokens. */
export function openWearChannel(tokens: readonly Token[], noise: Noise): Channel {
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
  const row = () => new Float64Array(tokens.length + 3)
  const total = (of: (place: Place) => number) => places.reduce((sum, place) => sum + of(place), 0)
  return {
    places,
    any: {
      dropped: total(({ dropped }) => dropped),
      emits: Float64Array.from(tokens, (_, t) => total(({ emits }) => emits[t]!)),
      exact: Float64Array.from(tokens, (_, t) => total(({ exact }) => exact[t]!)),
    },
    strangers,
    tokens,
    noise,
    rows: [row(), row(), row(), row()],
    runs: Uint8Array.from(tokens, (token) => (token.kind === 'run' ? 1 : 0)),
  }
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
export const likelihood = (channel: Channel, truth: ArrayLike<number>): number =>
  withRunLost(
    channel,
    Array.from(truth, (symbol) => channel.places[symbol]!),
  )

/** How often each symbol stands at one place of a mark: the same share for every one, and more for those that were met there. */
export interface Frequency {
  each: number
  met: readonly { symbol: number; more: number }[]
}

/** The same for a mark known only by the frequency of symbols at each place: the expectation, exact. */
export const expectedLikelihood = (channel: Channel, frequencies: readonly Frequency[]): number =>
  withRunLost(
    channel,
    frequencies.map((frequency) => blend(channel, frequency)),
  )

function blend({ places, any, tokens }: Channel, { each, met }: Frequency): Place {
  const width = tokens.length
  const place: Place = {
    dropped: each * any.dropped,
    emits: new Float64Array(width),
    exact: new Float64Array(width),
  }
  const { emits, exact } = place
  for (let t = 0; t < width; t++) {
    emits[t] = each * any.emits[t]!
    exact[t] = each * any.exact[t]!
  }
  for (let k = 0; k < met.length; k++) {
    const { symbol, more } = met[k]!
    const pure = places[symbol]!
    place.dropped += more * pure.dropped
    for (let t = 0; t < width; t++) {
      emits[t]! += more * pure.emits[t]!
      exact[t]! += more * pure.exact[t]!
    }
  }
  return place
}

/**
 * Both passes of the forward-backward algorithm serve: the forward one ends, at each place, what is left when the rest is gone
 * from the end; the backward one begins what is left when the first places are gone.
 */
function withRunLost(channel: Channel, places: readonly Place[]): number {
  const count = places.length
  const longest = Math.floor(count / 2)
  const { runLost } = channel.noise
  const fromEach = backward(channel, places, longest)
  const whole = fromEach[0]!
  if (longest === 0 || runLost === 0) return whole
  const upToEach = forward(channel, places)
  let lost = 0
  for (let length = 1; length <= longest; length++) lost += fromEach[length]! + upToEach[count - length]!
  return (1 - runLost) * whole + (runLost * lost) / (2 * longest)
}

/** P(all tokens | the places up to i), for every i. */
function forward({ tokens, strangers, noise, rows, runs }: Channel, places: readonly Place[]): number[] {
  const width = tokens.length
  const ends: number[] = []
  let [here, inRun, next, nextRun] = rows
  here.fill(0)
  inRun.fill(0)
  here[0] = 1
  for (let i = 0; ; i++) {
    // A run may open and close at any place, also on nothing.
    for (let j = 0; j < width; j++) {
      if (runs[j] === 0) continue
      inRun[j]! += here[j]!
      here[j + 1]! += inRun[j]!
    }
    ends[i] = here[width]!
    const place = places[i]
    if (!place) return ends
    next.fill(0)
    nextRun.fill(0)
    for (let j = 0; j <= width; j++) {
      if (inRun[j]! > 0) nextRun[j] = inRun[j]! * RUN_CHARACTER
      const p = here[j]!
      if (p === 0) continue
      next[j]! += p * place.dropped
      if (j >= width) continue
      next[j + 1]! += p * place.emits[j]!
      if (j + 1 < width) next[j + 2]! += p * insertedPair(place, strangers, noise, j)
    }
    ;[here, next] = [next, here]
    ;[inRun, nextRun] = [nextRun, inRun]
  }
}

/** P(all tokens | the places from i on), for i from 0 to `last`. */
function backward(
  { tokens, strangers, noise, rows, runs }: Channel,
  places: readonly Place[],
  last: number,
): number[] {
  const width = tokens.length
  const starts: number[] = []
  let [later, laterRun, here, inRun] = rows
  here.fill(0)
  later.fill(0)
  for (let i = places.length; i >= 0; i--) {
    const place = places[i]
    for (let j = width; j >= 0; j--) {
      let p = place ? place.dropped * later[j]! : j === width ? 1 : 0
      if (j < width) {
        if (place) {
          p += place.emits[j]! * later[j + 1]!
          if (j + 1 < width) p += insertedPair(place, strangers, noise, j) * later[j + 2]!
        }
        if (runs[j] === 1) {
          inRun[j] = here[j + 1]! + (place ? RUN_CHARACTER * laterRun[j]! : 0)
          p += inRun[j]!
        }
      }
      here[j] = p
    }
    if (i <= last) starts[i] = here[0]!
    ;[later, here] = [here, later]
    ;[laterRun, inRun] = [inRun, laterRun]
  }
  return starts
}

/** A stranger before or after the true character. */
const insertedPair = (place: Place, strangers: Float64Array, noise: Noise, j: number): number =>
  (noise.inserted * (strangers[j]! * place.exact[j + 1]! + place.exact[j]! * strangers[j + 1]!)) / 2
