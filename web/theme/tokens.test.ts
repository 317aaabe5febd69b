import { describe, expect, it } from 'vitest'
import { dark, light, type Tokens } from './tokens'

/** WCAG 2.2 relative luminance and contrast ratio. */
function contrast(a: string, b: string): number {
  const luminance = (hex: string) => {
    const [r, g, blue] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
    })
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * blue!
  }
  const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x)
  return (high! + 0.05) / (low! + 0.05)
}

const WORDS: (keyof Tokens)[] = ['ink', 'pencil', 'red', 'green', 'blue']

describe.each([
  ['paper', light],
  ['blueprint', dark],
] as const)('on %s', (_, tokens) => {
  it.each(WORDS)('words in %s can be read: 4.5 to 1', (word) => {
    expect(contrast(tokens[word], tokens.paper)).toBeGreaterThanOrEqual(4.5)
    expect(contrast(tokens[word], tokens.tint)).toBeGreaterThanOrEqual(4.5)
  })
  it('lines that carry meaning stand out: 3 to 1', () =>
    expect(contrast(tokens.line, tokens.paper)).toBeGreaterThanOrEqual(3))
  it('words on ink can be read', () => expect(contrast(tokens.onInk, tokens.ink)).toBeGreaterThanOrEqual(4.5))
})

it('black on white is 21 to 1', () => expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5))
