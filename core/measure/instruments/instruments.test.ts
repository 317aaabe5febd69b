import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { likelyPsi, readLine, readTyped } from './index.ts'

describe('a line of an instrument', () => {
  it.each([
    ['37.8 kPa', 'pressure', 37.8],
    ['+0,4 bar', 'pressure', 40],
    // 5.8 psi · 6.894757 = 39.99
    ['5.8 psi', 'pressure', 39.9896],
    // 10 inHg · 3.386389
    ['10 inHg', 'pressure', 33.86389],
    ['254 mbar', 'pressure', 25.4],
    ['0.531 in', 'length', 13.4874],
    ['  8.6 g ', 'mass', 8.6],
    ['10.2 cc', 'volume', 10.2],
    ['182 mL/min', 'flow', 182],
    ['-0.20 kPa', 'pressure', -0.2],
  ])('%s', (line, quantity, value) => {
    const read = readLine(line)
    if (isRefusal(read)) throw new Error(read.refused.why)
    expect(read.quantity).toBe(quantity)
    expect(read.value).toBeCloseTo(value, 3)
  })
  it.each([
    '',
    '#?',
    '-- kPa',
    'ERR 7',
    '1.2.3 kPa',
    '37.8',
    'kPa 37.8',
    '37.8 furlong',
    `${'9'.repeat(70)} kPa`,
  ])('“%s” is none', (line) => expect(isRefusal(readLine(line))).toBe(true))
})

describe('a typed figure', () => {
  it('is in the unit that is asked, or says its own', () => {
    expect(readTyped('12,4', 'length')).toBeCloseTo(12.4, 9)
    expect(readTyped('0.5 in', 'length')).toBeCloseTo(12.7, 9)
    expect(isRefusal(readTyped('12 kPa', 'length'))).toBe(true)
    expect(isRefusal(readTyped('a lot', 'length'))).toBe(true)
  })
  it('of a pressure that is too small by 6.9 was psi', () => {
    expect(likelyPsi(5.8, 40)).toBeCloseTo(39.99, 1)
    expect(likelyPsi(38, 40)).toBeNull()
    expect(likelyPsi(1, 40)).toBeNull()
  })
})
