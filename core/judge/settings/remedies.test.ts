import { describe, expect, it } from 'vitest'
import { sheetsFor } from '../../../demo/log-entries.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { workingConditions } from '../../sheets/conditions/index.ts'
import type { SpecSheet } from '../../sheets/index.ts'
import { aim } from './judge.ts'
import { judgeSetting } from './registry.ts'
import { armRemedy } from './remedies.ts'

const point = { name: 'toe', at: [20, -4] as [number, number] }

describe('an arm that is bent', () => {
  it.each([
    // From the face: a larger reading stands further from it; from the floor: further from that.
    [1, 13, 15.5, 'further from the face'],
    [1, 15.5, 13, 'nearer to the face'],
    [-1, 13, 15.5, 'further from the bowl floor'],
    [-1, 15.5, 13, 'nearer to the bowl floor'],
  ] as const)('sense %i, %f that wants %f: %s', (sense, value, target, way) => {
    const remedy = armRemedy(value, target, { sense, measurePoint: point })
    expect(remedy).toMatchObject({ action: 'bend arm', way, amount: 2.5 })
    expect(remedy.words).toBe(
      `Bend the float’s arm near its pin until it reads ${target.toFixed(1)}: the toe 2.5 mm ${way}.`,
    )
  })
})

describe('a value with one limit', () => {
  it('is aimed a little inside of it: three hundredths, on the side that is allowed', () => {
    expect(aim({ target: null, lo: null, hi: 10 })).toBeCloseTo(9.7, 10)
    expect(aim({ target: null, lo: 10, hi: null })).toBeCloseTo(10.3, 10)
    expect(aim({ target: null, lo: 10, hi: 12 })).toBe(11)
    expect(aim({ target: 10.5, lo: 10, hi: 12 })).toBe(10.5)
    expect(aim({ target: null, lo: null, hi: null })).toBe(null)
  })
})

describe('a washer under the seat', () => {
  const { spec } = sheetsFor('U752A')
  const setting = spec.settings.find(({ code }) => code === 'float.height')!
  const judged = (value: number, washerStockMm = spec.float.washerStockMm) => {
    const own: SpecSheet = {
      ...spec,
      float: { ...spec.float, correction: 'washer', washerStockMm, washerMm: 1 },
    }
    const said = judgeSetting(setting, value, {
      spec: own,
      specRev: 'x',
      conditions: workingConditions(undefined, own),
      gauge: null,
      drawer: [],
      floatHeight: null,
      washerMm: 1,
    })
    if (isRefusal(said)) throw new Error(said.refused.why)
    return said.remedy!
  }
  it('is offered where the stock has one within 0.35 mm, and not beyond', () => {
    const wanted = setting.target! + 2
    const exact = judged(wanted, [0.5, 0.8, 1, 1.2, 1.5, 2, 2.5, 3, 3.5, 4])
    expect(exact.action).toBe('change washer')
    // A stock that has nothing near what is wanted corrects nothing.
    expect(judged(wanted, [40]).action).toBe('renew')
    expect(judged(wanted, [exact.amount + 0.3]).action).toBe('change washer')
    expect(judged(wanted, [exact.amount + 0.8]).action).toBe('renew')
  })
})
