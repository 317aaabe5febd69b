import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isRefusal } from '../base/refusal/index.ts'
import {
  ALPHABET,
  DEFAULT_NOISE,
  expectedLikelihood,
  HYPHEN,
  likelihood,
  LOOKALIKES,
  openWearChannel,
  readMark,
  symbolsOf,
  type Noise,
  type Token,
} from './index.ts'

/**
 * The same channel written the slow way: every alignment by plain recursion, straight from the model's words. Shares nothing
 * with the two passes but the alphabet.
 */
function slowly(tokens: readonly Token[], truth: readonly number[], noise: Noise): number {
  const one = (token: Token, of: (symbol: number) => number): number =>
    token.kind === 'one' || token.kind === 'either'
      ? token.symbols.reduce((sum, s) => sum + of(s), 0) / token.symbols.length
      : 0
  const seen = (true_: number) => (symbol: number) => {
    const alike = LOOKALIKES[true_]!
    if (symbol === true_)
      return true_ === HYPHEN
        ? noise.read - noise.other + noise.lookalike - (noise.hyphenLost - noise.dropped)
        : noise.read - noise.other
    return alike.includes(symbol) ? noise.lookalike / alike.length : noise.other / (36 - alike.length)
  }
  const stranger = (symbol: number) => (symbol === HYPHEN ? 0 : 1 / 36)
  const go = (i: number, j: number, inRun: boolean): number => {
    let p = 0
    if (inRun) {
      // the run closes here, or swallows one more
      p += go(i, j + 1, false)
      if (i < truth.length) p += 0.9 * go(i + 1, j, true)
      return p
    }
    const token = tokens[j]
    if (i === truth.length && j === tokens.length) return 1
    if (token?.kind === 'run') p += go(i, j, true)
    if (i === truth.length) return p
    const true_ = truth[i]!
    p += (true_ === HYPHEN ? noise.hyphenLost : noise.dropped) * go(i + 1, j, false)
    if (token) {
      const emitted = token.kind === 'unreadable' ? noise.unreadable : one(token, seen(true_))
      if (emitted > 0) p += emitted * go(i + 1, j + 1, false)
      const other = tokens[j + 1]
      if (other) {
        const pair =
          one(token, stranger) * one(other, (s) => (s === true_ ? 1 : 0)) +
          one(token, (s) => (s === true_ ? 1 : 0)) * one(other, stranger)
        if (pair > 0) p += ((noise.inserted * pair) / 2) * go(i + 1, j + 2, false)
      }
    }
    return p
  }
  return go(0, 0, false)
}

function slowlyWithLostRuns(tokens: readonly Token[], truth: readonly number[], noise: Noise): number {
  const longest = Math.floor(truth.length / 2)
  const whole = slowly(tokens, truth, noise)
  if (longest === 0) return whole
  let lost = 0
  for (let k = 1; k <= longest; k++)
    lost += slowly(tokens, truth.slice(k), noise) + slowly(tokens, truth.slice(0, -k), noise)
  return (1 - noise.runLost) * whole + (noise.runLost * lost) / (2 * longest)
}

const characters = 'K4417-2SPR'.split('')
const piece = fc.oneof(
  { weight: 6, arbitrary: fc.constantFrom(...characters) },
  { weight: 1, arbitrary: fc.constantFrom('?', '[17]', '[8B3]', '…') },
)

describe('the two passes', () => {
  it('give what every alignment by hand gives, for any mark and any reading of it', () => {
    fc.assert(
      fc.property(
        fc.array(piece, { maxLength: 6 }),
        fc.array(fc.constantFrom(...characters), { minLength: 1, maxLength: 6 }),
        (reading, mark) => {
          const tokens = readMark(reading.join(''))
          if (isRefusal(tokens)) throw new Error(tokens.refused.why)
          const truth = symbolsOf(mark.join(''))
          const fast = likelihood(openWearChannel(tokens, DEFAULT_NOISE), truth)
          const slow = slowlyWithLostRuns(tokens, truth, DEFAULT_NOISE)
          expect(Math.abs(fast - slow)).toBeLessThanOrEqual(1e-12 + 1e-9 * slow)
        },
      ),
      { seed: 712, numRuns: 250 },
    )
  })
  it('what can be read of one character adds up to what is not an insertion', () => {
    // Over every single symbol and '?': all but dropped and inserted.
    for (const truth of ['7', 'K', '-']) {
      let sum = 0
      for (const text of [...ALPHABET, '?']) {
        const tokens = readMark(text)
        if (isRefusal(tokens)) throw new Error(tokens.refused.why)
        sum += likelihood(openWearChannel(tokens, DEFAULT_NOISE), symbolsOf(truth))
      }
      const dropped = truth === '-' ? DEFAULT_NOISE.hyphenLost : DEFAULT_NOISE.dropped
      expect(sum).toBeCloseTo(1 - dropped - DEFAULT_NOISE.inserted, 10)
    }
  })
  it('of a mark known by how often each symbol stands at a place: the mean over all marks that it can be', () => {
    const tokens = readMark('4[17]?')
    if (isRefusal(tokens)) throw new Error(tokens.refused.why)
    const channel = openWearChannel(tokens, DEFAULT_NOISE)
    const each = 0.004
    const shares: readonly Record<string, number>[] = [
      { '4': 0.5, A: 0.2, '-': 1 - 0.7 - 34 * each },
      { '1': 0.6, '7': 1 - 0.6 - 35 * each },
    ]
    const share = (place: number, symbol: string) => shares[place]![symbol] ?? each
    let mean = 0
    for (const first of ALPHABET)
      for (const second of ALPHABET)
        mean += share(0, first) * share(1, second) * likelihood(channel, symbolsOf(first + second))
    const expected = expectedLikelihood(
      channel,
      shares.map((met) => ({
        each,
        met: Object.entries(met).map(([symbol, p]) => ({ symbol: ALPHABET.indexOf(symbol), more: p - each })),
      })),
    )
    expect(expected).toBeCloseTo(mean, 12)
  })
})
