import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { weighCauses, type CauseNetwork, type CauseSeen } from './index.ts'

const share = fc.double({ min: 0.02, max: 0.6, noNaN: true })
const networkOf = (causes: number, pieces: number) =>
  fc.record({
    priors: fc.array(share, { minLength: causes, maxLength: causes }),
    leaks: fc.array(share, { minLength: pieces, maxLength: pieces }),
    weights: fc.array(fc.array(share, { minLength: causes, maxLength: causes }), {
      minLength: pieces,
      maxLength: pieces,
    }),
    states: fc.array(fc.constantFrom<CauseSeen>('present', 'absent', 'not asked'), {
      minLength: pieces,
      maxLength: pieces,
    }),
  })
const network = ({
  priors,
  leaks,
  weights,
}: {
  priors: number[]
  leaks: number[]
  weights: number[][]
}): CauseNetwork => ({
  causes: priors.map((prior, i) => ({ id: `c${i}`, prior })),
  evidence: leaks.map((leak, e) => ({
    id: `e${e}`,
    leak,
    weights: Object.fromEntries(weights[e]!.map((w, c) => [`c${c}`, w])),
  })),
})
const weighed = (...given: Parameters<typeof weighCauses>) => {
  const answer = weighCauses(...given)
  if (isRefusal(answer)) throw new Error(answer.refused.why)
  return answer
}

describe('which causes are there', () => {
  it('one cause of 0.2 that brings it nine times in ten, leak 0.1: 0.91·0.2/(0.91·0.2 + 0.1·0.8) = 0.695', () => {
    const one: CauseNetwork = {
      causes: [{ id: 'needle', prior: 0.2 }],
      evidence: [{ id: 'floods', leak: 0.1, weights: { needle: 0.9 } }],
    }
    expect(weighed(one, { floods: 'present' }).posterior.needle).toBeCloseTo(0.182 / 0.262, 12)
    // Absent speaks against it: 0.09·0.2/(0.09·0.2 + 0.9·0.8).
    expect(weighed(one, { floods: 'absent' }).posterior.needle).toBeCloseTo(0.018 / 0.738, 12)
    expect(weighed(one, {}, { needle: 'present' }).posterior.needle).toBe(1)
  })
  it('above twelve causes it is the same as by every set', () =>
    fc.assert(
      fc.property(networkOf(13, 6), (some) => {
        const large = network(some)
        const seen = Object.fromEntries(some.states.map((state, e) => [`e${e}`, state]))
        const { posterior } = weighed(large, seen)
        // By every set of the thirteen, counted here.
        const mass = some.priors.map(() => 0)
        let total = 0
        for (let set = 0; set < 1 << 13; set++) {
          let p = 1
          for (let c = 0; c < 13; c++) p *= set & (1 << c) ? some.priors[c]! : 1 - some.priors[c]!
          some.states.forEach((state, e) => {
            if (state === 'not asked') return
            let q = 1 - some.leaks[e]!
            for (let c = 0; c < 13; c++) if (set & (1 << c)) q *= 1 - some.weights[e]![c]!
            p *= state === 'present' ? 1 - q : q
          })
          total += p
          for (let c = 0; c < 13; c++) if (set & (1 << c)) mass[c]! += p
        }
        mass.forEach((one, c) => expect(posterior[`c${c}`]).toBeCloseTo(one / total, 9))
      }),
      { numRuns: 15 },
    ))
  it('asks what settles most a minute: a look of a minute before one of ten', () => {
    const two: CauseNetwork = {
      causes: [
        { id: 'a', prior: 0.5 },
        { id: 'b', prior: 0.5 },
      ],
      evidence: [],
    }
    // A coin settled is one bit.
    expect(
      weighed(two, {}, {}, [
        { id: 'b', minutes: 10 },
        { id: 'a', minutes: 2 },
      ]).next,
    ).toEqual({ id: 'a', gain: 0.5 })
    expect(weighed(two, {}, { a: 'absent' }, [{ id: 'a', minutes: 2 }]).next).toBeNull()
  })
  it('ties go by id, character by character', () => {
    const many: CauseNetwork = {
      causes: ['2', '10'].map((id) => ({ id, prior: 0.3 })),
      evidence: [],
    }
    expect(
      weighed(many, {}, {}, [
        { id: '2', minutes: 1 },
        { id: '10', minutes: 1 },
      ]).next!.id,
    ).toBe('10')
  })
  it('many pieces of evidence on many causes come out near what leaving none out gives', () => {
    const causes = Array.from({ length: 14 }, (_, i) => ({ id: `c${i}`, prior: 0.08 + 0.01 * i }))
    const evidence = Array.from({ length: 24 }, (_, e) => ({
      id: `e${e}`,
      leak: 0.3,
      weights: { [`c${e % 14}`]: 0.5, [`c${(e * 5 + 3) % 14}`]: 0.4 },
    }))
    const seen: Record<string, CauseSeen> = {}
    for (const { id } of evidence) seen[id] = 'present'
    const { posterior } = weighed({ causes, evidence }, seen)
    const mass = causes.map(() => 0)
    let total = 0
    for (let set = 0; set < 1 << 14; set++) {
      let p = 1
      causes.forEach(({ prior }, c) => (p *= set & (1 << c) ? prior : 1 - prior))
      for (const { leak, weights } of evidence) {
        let q = 1 - leak
        causes.forEach(
          ({ id }, c) => set & (1 << c) && (q *= 1 - ((weights as Record<string, number>)[id] ?? 0)),
        )
        p *= 1 - q
      }
      total += p
      causes.forEach((_, c) => set & (1 << c) && (mass[c]! += p))
    }
    causes.forEach(({ id }, c) => expect(Math.abs(posterior[id]! - mass[c]! / total), id).toBeLessThan(0.02))
  })
})
