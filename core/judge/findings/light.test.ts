import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { light, lightAt } from './light.ts'

const read = (text: string, sigma = 0.005) => {
  const said = light.read(text, sigma)
  if (isRefusal(said)) throw new Error(said.refused.why)
  return said
}
const why = (text: string) => {
  const said = light.read(text, 0.005)
  return isRefusal(said) ? said.refused.why : ''
}
const judged = (text: string) => {
  const said = light.judge(
    read(text),
    { code: 'own.p', kind: 'plate', deciding: { what: 'light', allowMm: 0.02 } },
    {} as never,
    {} as never,
  )
  if (isRefusal(said)) throw new Error(said.refused.why)
  return said
}

describe('the light round a shut plate', () => {
  it('0.11 at four and 0.02 opposite is 0.045 off its centre, toward four', () => {
    expect(read('4 0.11 0.02')).toMatchObject({ hour: 4, meanMm: 0.065 })
    expect(read('4 0.11 0.02').offMm).toBeCloseTo(0.045, 6)
    const said = judged('4 0.11 0.02')
    expect(said).toMatchObject({ disposition: 'repair', sure: true, limit: 0.02 })
    expect(said.sentence).toMatch(/drags at 10 o’clock.*push the plate toward 4 o’clock/)
  })
  it('typed the other way round it is the same plate', () => {
    expect(read('10 0.02 0.11')).toMatchObject({ hour: 4 })
    expect(read('6 0.02 0.10')).toMatchObject({ hour: 12 })
  })
  it('two lines across it give the direction: 0.03 toward three and 0.03 toward twelve is 0.042 between one and two', () => {
    // d = 0.03 along each axis: √2 · 0.03, at 45°, an hour and a half.
    const both = read('3 0.09 0.03, 12 0.09 0.03')
    expect(both.offMm).toBeCloseTo(0.0424, 3)
    expect([1, 2]).toContain(both.hour)
    // Lines that are not square to each other: e = 0.04 toward three has 0.02 along one o'clock (60° off).
    const skew = read('3 0.10 0.02, 1 0.08 0.04')
    expect(skew.offMm).toBeCloseTo(0.04, 3)
    expect(skew.hour).toBe(3)
  })
  it('is drawn wide where it is wide: there, opposite, and in between the mean', () => {
    const one = read('4 0.11 0.02')
    expect(lightAt(one, 4)).toBeCloseTo(0.11, 6)
    expect(lightAt(one, 10)).toBeCloseTo(0.02, 6)
    expect(lightAt(one, 1)).toBeCloseTo(0.065, 6)
  })
  it('even is good; even but wide says that the stop is not backed off; near the limit is looked at again', () => {
    expect(judged('4 0.05 0.05')).toMatchObject({ disposition: 'reuse', sure: true })
    expect(judged('4 0.30 0.30').sentence).toMatch(/back its stop screw off/)
    expect(judged('4 0.30 0.30').sure).toBe(false)
    expect(judged('4 0.09 0.05')).toMatchObject({ sure: false })
  })
  it('asks again for what is no hour, no opposite, or two lines along each other', () => {
    expect(why('13 0.11 0.02')).toMatch(/hour where it is brightest/)
    expect(why('4 0.11')).toMatch(/opposite/)
    expect(why('4 0.11 0.02, 10 0.02 0.11')).toMatch(/across the first/)
  })
})
