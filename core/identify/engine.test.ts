import { describe, expect, it } from 'vitest'
import { displacementOf, engineDoubt } from './engine.ts'

const sheet = (displacementL: number) => ({
  listNumber: 'K-4417-2S',
  engine: { displacementL, powerKw: 40, bsfc: 320, idleRpm: 700, idleInGearRpm: null },
})

describe('the engine that it is said to come from', () => {
  it.each([
    ['ferry main, 2.2 L', 2.2],
    ['trolley single, 0,5 l', 0.5],
    ['blower 240 cc', 0.24],
    ['fan of 3 litres', 3],
    ['lift truck', null],
    ['engine 7 of line 3', null],
  ])('%s', (words, litres) => {
    expect(displacementOf(words)).toBe(litres)
  })

  it('fits within a quarter, and is another one beyond', () => {
    expect(engineDoubt('ferry main, 2.2 L', 1, sheet(2.2))).toBe('')
    expect(engineDoubt('frost fan, 2.6 L', 1, sheet(2.2))).toBe('')
    expect(engineDoubt('frost fan, 3.1 L', 1, sheet(2.2))).toMatch(
      /^The right number, the wrong engine\? K-4417-2S is for 2\.2/,
    )
    expect(engineDoubt('ferry main', 1, sheet(2.2))).toBe('')
  })

  it('a bank shares its engine: 1.2 L on four bodies are 0.3 each', () => {
    expect(engineDoubt('boat four, 1.2 L', 4, sheet(0.32))).toBe('')
    expect(engineDoubt('boat four, 1.2 L', 1, sheet(0.32))).not.toBe('')
    expect(engineDoubt('boat four, 2.4 L', 4, sheet(0.32))).toMatch(/0\.6\d* L for each of 4/)
  })
})
