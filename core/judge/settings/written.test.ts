import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { readWritten } from './index.ts'

const read = (text: string, quantity: 'gap' | 'length' | 'turns' | 'count' = 'gap') => {
  const said = readWritten({ quantity, unit: 'mm' }, text)
  return isRefusal(said) ? said.refused.why : said
}

describe('a value as it is written', () => {
  it('has its band behind it, its limits, or the usual band of its kind', () => {
    expect(read('0.90 ±0.10')).toMatchObject({ target: 0.9, lo: 0.8, hi: 1 })
    expect(read('0.90 +-0.10')).toMatchObject({ target: 0.9, lo: 0.8, hi: 1 })
    expect(read('0.8 to 1.0')).toMatchObject({ target: 0.9, lo: 0.8, hi: 1 })
    expect(read('13,5', 'length')).toMatchObject({ target: 13.5, lo: 13, hi: 14 })
  })
  it('of a screw is turns in eighths, of a hole its number', () => {
    expect(read('1 1/2', 'turns')).toMatchObject({ target: 12, lo: 10, hi: 14 })
    expect(read('1 1/2 ±1/8', 'turns')).toMatchObject({ target: 12, lo: 11, hi: 13 })
    expect(read('2', 'count')).toMatchObject({ target: 2, lo: 2, hi: 2 })
  })
  it('never goes below nothing, and is refused where it cannot be read', () => {
    expect(read('0.05')).toMatchObject({ lo: 0 })
    expect(read('wide')).toMatch(/no length/)
    expect(read('1.0 to 0.8')).toMatch(/smaller first/)
    expect(read(' ')).toMatch(/as 0\.90 ±0\.10/)
    expect(read('1 1/3', 'turns')).toMatch(/eighths/)
  })
})
