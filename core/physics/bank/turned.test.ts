import { describe, expect, it } from 'vitest'
import { bankAdvice, leaderOf, turnedSince, turnWords } from './index.ts'
import { isRefusal } from '../../base/refusal/index.ts'

describe('who leads a bank', () => {
  it('is the second of more than two, unless somebody picked another one that there is', () => {
    expect(leaderOf(2, '')).toBe(0)
    expect(leaderOf(4, '')).toBe(1)
    expect(leaderOf(4, '3')).toBe(3)
    expect(leaderOf(4, '9')).toBe(3)
    expect(leaderOf(1, '')).toBe(0)
  })
})

describe('what was turned since the last try', () => {
  const tries = [{ readings: [250, 220, 250, 250], turned: [] }]
  it('is what was advised after it, coupler by coupler', () => {
    const advice = bankAdvice(tries, 1, [])
    if (isRefusal(advice)) throw new Error('refused')
    const turned = turnedSince(tries, 1, 4, [], false)
    expect(turned).toHaveLength(3)
    for (const { coupler, sixteenths } of advice.steps) expect(turned[coupler]).toBe(sixteenths / 16)
    expect(turned.some((one) => one !== 0)).toBe(true)
  })
  it('is nothing before the first try, where nobody led, or where somebody says so', () => {
    expect(turnedSince([], 1, 4, [], false)).toEqual([0, 0, 0])
    expect(turnedSince(tries, undefined, 4, [], false)).toEqual([0, 0, 0])
    expect(turnedSince(tries, 1, 4, [], true)).toEqual([0, 0, 0])
  })
  it('never more than half of a turn that rests on what is only usual', () => {
    // 30 mbar at 120 a turn are a quarter turn; half of it first: two sixteenths.
    const [first] = turnedSince(tries, 1, 4, [], false)
    expect(Math.abs(first!)).toBeLessThanOrEqual(0.125 + 1e-9)
  })
})

describe('what each carburetor should read after the turns', () => {
  it('is the reading and, for each turn, the usual 120 mbar a turn of those that it carries; the leader stays', () => {
    const advice = bankAdvice([{ readings: [250, 250, 220], turned: [] }], 1)
    if (isRefusal(advice)) throw new Error('refused')
    const [step] = advice.steps
    expect(advice.steps).toHaveLength(1)
    expect(advice.after[1]).toBeCloseTo(250, 6)
    expect(Math.abs(advice.after[2]! - 220)).toBeCloseTo((Math.abs(step!.sixteenths) / 16) * 120, 6)
    expect(advice.spread).toBeCloseTo(250 - advice.after[2]!, 6)
  })
})

describe('sixteenths as a hand says them', () => {
  it.each([
    [2, 'out 1/8'],
    [-4, 'in 1/4'],
    [3, 'out 3/16'],
    [-24, 'in 1 1/2'],
    [16, 'out 1'],
    [-15, 'in 15/16'],
    [6, 'out 3/8'],
  ])('%i is %s', (sixteenths, words) => expect(turnWords(sixteenths)).toBe(words))
})
