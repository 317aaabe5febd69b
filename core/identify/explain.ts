import { FEATURE_NAMES } from '../sheets/index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import { ALPHABET, LOOKALIKES, readMark, symbolsOf, type Token } from './mark.ts'
import type { RankEvidence } from './rank.ts'

/** What the evidence says for or against a candidate, in words, the weightiest first. */
export function explain(
  evidence: readonly RankEvidence[],
): { text: string; speaks: 'for' | 'against' | 'neither' }[] {
  return [...evidence]
    .sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits))
    .map((item) => ({
      text: item.name === 'mark' ? markWords(item.seen, item.expected) : featureWords(item),
      speaks: item.bits > 0.5 ? 'for' : item.bits < -0.5 ? 'against' : 'neither',
    }))
}

function featureWords({ name, seen, expected, bits }: RankEvidence): string {
  if (name === 'engineL' && expected !== '')
    return bits > -0.5
      ? `engine of ${seen} L fits`
      : `this engine is ${seen} L, the number is for ${expected}`
  const label = FEATURE_NAMES[name] ?? name
  if (expected === '') return `${label}: not on file`
  if (seen === expected) return `${label} ${seen} fits`
  if (bits > -0.5) return `${label} ${seen} against ${expected}, close enough`
  return `${label} ${seen}, this number has ${expected}`
}

function markWords(seen: string, mark: string): string {
  const tokens = readMark(seen)
  if (isRefusal(tokens) || mark === '') return 'has no mark'
  const truth = symbolsOf(mark)
  if (tokens.some((token) => token.kind === 'run')) return `${mark} with several characters missing`
  if (tokens.length !== truth.length) {
    const less = truth.length - tokens.length
    return less > 0
      ? `mark would be missing ${less} of ${truth.length} characters`
      : `mark has ${-less} ${less === -1 ? 'character' : 'characters'} too many`
  }
  const wrong = tokens.flatMap((token, i) =>
    fits(token, truth[i]!) ? [] : [{ token, symbol: truth[i]!, place: i + 1 }],
  )
  const first = wrong[0]
  if (!first)
    return tokens.some((token) => token.kind !== 'one')
      ? 'mark fits what can be read'
      : 'mark fits throughout'
  if (wrong.length > 1) return `mark differs in ${wrong.length} places`
  const worn =
    first.token.kind !== 'unreadable' &&
    first.token.kind !== 'run' &&
    first.token.symbols.some((s) => LOOKALIKES[first.symbol]!.includes(s))
  return `would need a ${worn ? 'worn ' : ''}${ALPHABET[first.symbol]} in place ${first.place}`
}

const fits = (token: Token, symbol: number) =>
  token.kind === 'unreadable' || (token.kind !== 'run' && token.symbols.includes(symbol))
