import { describe, expect, it } from 'vitest'
import { whoseKey } from './keys'

const bench = { held: false, dialog: false, zones: false, asked: true, inText: false }

describe('a key', () => {
  it('that is a figure goes to the reading that is asked, whatever has the focus', () => {
    for (const key of ['0', '7', '.', ',', '/', '#', '-']) expect(whoseKey(key, bench), key).toBe('reading')
  })
  it('that is a letter, Enter or an arrow stays with the focus', () => {
    for (const key of ['a', 'R', 'Enter', 'ArrowDown', '?']) expect(whoseKey(key, bench), key).toBe('focus')
  })
  it('goes to a station once after Esc, and never before', () => {
    expect(whoseKey('Escape', bench)).toBe('lift to stations')
    expect(whoseKey('8', { ...bench, zones: true })).toBe('stations')
    expect(whoseKey('Shift', { ...bench, zones: true })).toBe('focus')
  })
  it('typed into another field, with a modifier, into a dialog or by a scanner is left alone', () => {
    expect(whoseKey('4', { ...bench, inText: true })).toBe('focus')
    expect(whoseKey('4', { ...bench, held: true })).toBe('focus')
    expect(whoseKey('4', { ...bench, dialog: true })).toBe('focus')
    expect(whoseKey('Escape', { ...bench, dialog: true })).toBe('focus')
  })
  it('goes nowhere where no reading is asked', () =>
    expect(whoseKey('4', { ...bench, asked: false })).toBe('focus'))
})
