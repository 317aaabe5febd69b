import { describe, expect, it } from 'vitest'
import { isRefusal } from '../base/refusal/index.ts'
import { readJetSize, type JetNumbers } from './index.ts'

const hundredths: JetNumbers = { by: 'hundredths' }
/** Flow goes with area: 1.00² for 100, 1.20² = 1.44 for 144. */
const flow: JetNumbers = {
  by: 'flow',
  table: [
    [100, 1.0],
    [144, 1.2],
  ],
}
const mm = (text: string, numbers: JetNumbers | null) => {
  const read = readJetSize(text, numbers)
  return isRefusal(read) ? read.refused.why : read.mm
}

describe('the number on a jet', () => {
  it('is hundredths of a millimeter by one maker, halves too', () => {
    expect(mm('118', hundredths)).toBe(1.18)
    expect(mm('117.5', hundredths)).toBe(1.175)
    expect(mm('117,5', hundredths)).toBe(1.175)
  })
  it('is a flow by another: between two numbers the areas are shared', () => {
    expect(mm('100', flow)).toBe(1)
    // (1.10/1.00)² = 1.21: number 121.
    expect(mm('121', flow)).toBe(1.1)
    expect(mm('150', flow)).toMatch(/go from 100 to 144: 150 is none of them/)
  })
  it('is asked about where nobody knows whose it is', () =>
    expect(mm('118', null)).toMatch(/1\.18 mm, by another’s a flow\. Whose is not in the library/))
  it('a bore is a bore, whoever made it', () => {
    expect(mm('1.18', flow)).toBe(1.18)
    expect(mm('#56', hundredths)).toBeCloseTo(1.181, 3)
    expect(mm('1.2 mm', null)).toBe(1.2)
  })
})
