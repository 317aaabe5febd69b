import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { balanceBank } from './index.ts'

describe('a bank brought in line', () => {
  it('four bodies on three couplers: the middle one, which carries two, goes first and all read alike', () => {
    // Body 2 leads; coupler 0 moves body 0, coupler 1 moves bodies 0 and 1, coupler 2 moves body 3.
    const influence = [
      [2, 2, 0],
      [0, 2, 0],
      [0, 0, 0],
      [0, 0, -1.5],
    ]
    const answer = balanceBank([18, 23, 20, 26], influence, 2)
    if (isRefusal(answer)) throw new Error(answer.refused.why)
    // 23 + 2·t1 = 20: −1.5; 18 + 2·t0 − 3 = 20: 2.5; 26 − 1.5·t2 = 20: 4.
    expect(answer.turns.map((turn) => Math.round(turn * 1e9) / 1e9)).toEqual([2.5, -1.5, 4])
    expect(answer.order).toEqual([1, 0, 2])
    expect(answer.spread).toBeCloseTo(0, 9)
  })
  it('where there are fewer adjusters than bodies no other turns leave a smaller sum of squares', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 10, max: 40, noNaN: true }), { minLength: 4, maxLength: 4 }),
        fc.array(fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 2, maxLength: 2 }), {
          minLength: 4,
          maxLength: 4,
        }),
        fc.array(fc.double({ min: -0.5, max: 0.5, noNaN: true }), { minLength: 2, maxLength: 2 }),
        (readings, influence, nudge) => {
          const answer = balanceBank(readings, influence, 1)
          if (isRefusal(answer)) return
          const squares = (turns: readonly number[]) => {
            const after = readings.map(
              (v, i) => v + influence[i]!.reduce((sum, by, j) => sum + by * turns[j]!, 0),
            )
            return after.reduce((sum, v) => sum + (v - after[1]!) ** 2, 0)
          }
          expect(squares(answer.turns)).toBeLessThanOrEqual(
            squares(answer.turns.map((turn, j) => turn + nudge[j]!)) + 1e-6,
          )
        },
      ),
    ))
})
