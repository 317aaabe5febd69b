import { parseLength, parseNotches, parseTurns } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { describe, expect, it } from 'vitest'
import { afterKey, PAD_WORDS } from './Pad'

const tapped = (keys: string[], words: readonly string[] = []) =>
  keys.reduce((value, key) => afterKey(value, key, words), '')

describe('a reading by taps', () => {
  it.each([
    [['1', '3', '.', '5'], [], '13.5'],
    [['1', '3', 'back', '2'], [], '12'],
    [['back'], [], ''],
    [['1', 'space', '3', '/', '8'], [], '1 3/8'],
    [['#', '3', '1'], [], '#31'],
    [['.', '4', '4', '1', 'in'], ['in', 'mm'], '.441 in'],
    [['1', 'space', 'rich'], ['rich', 'lean'], '1 rich'],
    [['rich'], ['rich', 'lean'], 'rich'],
  ])('%j', (keys, words, text) => expect(tapped(keys, words)).toBe(text))

  it('taps make what each notation takes', () => {
    const length = parseLength(tapped(['.', '4', '4', '1', 'in'], PAD_WORDS.length))
    expect(isRefusal(length) ? 0 : length.mm).toBeCloseTo(11.2014, 4)
    expect(parseLength(tapped(['5', '/', '1', '6']))).toMatchObject({ mm: 7.9375 })
    expect(parseLength(tapped(['#', '3', '1'], PAD_WORDS.gap))).toMatchObject({ mm: 3.048 })
    expect(parseTurns(tapped(['1', 'space', '3', '/', '8'], PAD_WORDS.turns))).toEqual({ eighths: 11 })
    for (const [word, notches] of [
      ['rich', 2],
      ['lean', -2],
    ] as const)
      expect(parseNotches(tapped(['2', word], PAD_WORDS.notches))).toEqual({ notches })
    // No word for the index: nought is as good.
    expect(parseNotches(tapped(['0'], PAD_WORDS.notches))).toEqual({ notches: 0 })
  })
  it('offers two words at most, so that the pad keeps its three rows', () => {
    for (const words of Object.values(PAD_WORDS)) expect(words.length).toBeLessThanOrEqual(2)
  })
})
