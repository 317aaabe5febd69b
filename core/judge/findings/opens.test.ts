import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { opens } from './opens.ts'

const read = (text: string) => {
  const said = opens.read(text, 0.1)
  if (isRefusal(said)) throw new Error(said.refused.why)
  return said
}
const judged = (text: string) => {
  const said = opens.judge(
    read(text),
    { code: 'own.v', kind: 'valve', deciding: { what: 'opens', kpa: 22, giveKpa: 2 } },
    {} as never,
    {} as never,
  )
  if (isRefusal(said)) throw new Error(said.refused.why)
  return said
}

describe('the vacuum at which a power valve opens', () => {
  it('is read in kPa or in inches of mercury, with or without its sign', () => {
    expect(read('22').kpa).toBe(22)
    expect(read('-22,0').kpa).toBe(22)
    // 1 inHg is 3.38639 kPa: 6.5 of them 22.01.
    expect(read('6.5 inHg').kpa).toBeCloseTo(22.01, 2)
    expect(isRefusal(opens.read('0', 0.1))).toBe(true)
    expect(isRefusal(opens.read('soon', 0.1))).toBe(true)
  })
  it('deeper opens too early and is rich at cruise, shallower too late and lean', () => {
    expect(judged('22.3')).toMatchObject({ disposition: 'reuse', sure: true })
    expect(judged('30').sentence).toMatch(/too early: rich at cruise/)
    expect(judged('15').sentence).toMatch(/too late: lean/)
    expect(judged('24')).toMatchObject({ sure: false })
  })
})
