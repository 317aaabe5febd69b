import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { judgeHold, type Hold } from './index.ts'

const AIR = 101.325
/** Noise of a gauge from a seed: the same each time. */
function noise(seed: number) {
  let state = seed
  const random = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32
  return {
    random,
    gauss: () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random()),
  }
}
/** The same laws by small steps of dp/dt, so that no closed form is tested against itself. */
function stepped(
  at: (p: number) => number,
  p0: number,
  seconds: number,
  volume: number,
): (t: number) => number {
  const dt = 0.01
  const trace = [p0]
  for (let t = 0; t < seconds; t += dt)
    trace.push(Math.max(0, trace.at(-1)! - ((at(trace.at(-1)!) * AIR) / (60 * volume)) * dt))
  return (t) => trace[Math.round(t / dt)]!
}
/** A laminar leak passes what (p + p_a)² − p_a² drives, an orifice what √p does; Q is the flow at p0, at the air's pressure. */
const laminar = (q: number, p0: number, seconds: number, volume: number) =>
  stepped((p) => (q * (p * (p + 2 * AIR))) / (p0 * (p0 + 2 * AIR)), p0, seconds, volume)
const orifice = (q: number, p0: number, seconds: number, volume: number) =>
  stepped((p) => q * Math.sqrt(p / p0), p0, seconds, volume)
const sampled = (at: (t: number) => number, seconds: number, { gauss } = noise(3), count = 61) =>
  Array.from({ length: count }, (_, i): [number, number] => {
    const t = (seconds * i) / (count - 1)
    return [t, at(t) + 0.2 * gauss()]
  })
const held = (samples: [number, number][], limit = 2, volume = 30): Hold => {
  const hold = judgeHold(samples, { volume, limit, sigma: 0.2 })
  if (isRefusal(hold)) throw new Error(hold.refused.why)
  return hold
}

describe('a pressure that is held', () => {
  it('finds a laminar leak of 4 mL/min and an orifice of 9, each by its own law', () => {
    const slow = held(sampled(laminar(4, 40, 90, 30), 90))
    expect(slow).toMatchObject({ verdict: 'slow', passes: false })
    expect(slow.low).toBeLessThan(4)
    expect(slow.high).toBeGreaterThan(4)
    expect(slow.high - slow.low).toBeLessThan(0.6)
    const hole = held(sampled(orifice(9, 40, 30, 30), 30))
    expect(hole).toMatchObject({ verdict: 'slow', law: 'orifice', passes: false })
    expect(hole.leak).toBeCloseTo(9, 0)
  })
  it('a leak under the limit passes, a tight one shows none', () => {
    expect(held(sampled(laminar(0.8, 40, 120, 30), 120))).toMatchObject({ verdict: 'slow', passes: true })
    expect(held(sampled(() => 40, 90))).toMatchObject({ verdict: 'tight', passes: true, low: 0 })
  })
  it('settling is no leak, and hides none', () => {
    const settles = (q: number) => {
      const leak = laminar(q, 34, 90, 30)
      return sampled((t) => 6 * Math.exp(-t / 4) + leak(t), 90)
    }
    expect(held(settles(0))).toMatchObject({ verdict: 'settling', passes: true, law: 'settling' })
    const both = held(settles(5))
    expect(both).toMatchObject({ verdict: 'slow', passes: false, law: 'settling' })
    expect(both.leak).toBeCloseTo(5, 0)
  })
  it('waits where ten seconds could be the hose, and says how long', () => {
    expect(held(sampled(laminar(4, 40, 10, 30), 10, noise(4), 21))).toMatchObject({
      verdict: 'wait',
      passes: null,
      secondsMore: 10,
    })
  })
  it('one body that stands open is told from a slow one', () =>
    expect(held(sampled(orifice(60, 40, 25, 30), 25), 1)).toMatchObject({ verdict: 'open', passes: false }))
  it('wild samples change nothing; a fifth of them is no hold', () => {
    const samples = sampled(laminar(4, 40, 60, 30), 60)
    const bumped = samples.map(([t, p], i): [number, number] => [
      t,
      i === 20 ? p + 15 : i === 41 ? p - 12 : p,
    ])
    expect(held(bumped).leak).toBeCloseTo(held(samples).leak, 1)
    const touched = samples.map(([t, p], i): [number, number] => [t, i % 3 === 0 ? p + 10 + (i % 7) * 3 : p])
    expect(judgeHold(touched, { volume: 30, limit: 2 })).toMatchObject({ refused: { input: 'samples' } })
  })
  it('the interval holds the leak in about nineteen of twenty', () => {
    const { random, gauss } = noise(11)
    let inside = 0
    for (let k = 0; k < 20; k++) {
      const q = 1 + random() * 6
      const { low, high } = held(
        sampled(laminar(q, 30 + random() * 20, 60, 40), 60, { random, gauss }, 41),
        2,
        40,
      )
      if (low <= q && q <= high) inside++
    }
    expect(inside).toBeGreaterThanOrEqual(16)
  })
  it('refuses what cannot be read, by name', () => {
    const samples = sampled(() => 40, 60)
    const refused = (some: typeof samples, more = {}) => judgeHold(some, { volume: 30, limit: 2, ...more })
    expect(refused(samples.slice(0, 7))).toMatchObject({ refused: { input: 'samples' } })
    expect(refused([...samples].reverse())).toMatchObject({ refused: { input: 'samples' } })
    expect(refused(sampled(() => 1, 60))).toMatchObject({ refused: { input: 'samples' } })
    expect(refused(sampled((t) => 30 + t / 4, 60))).toMatchObject({ refused: { input: 'samples' } })
    expect(refused(samples, { limit: 0 })).toMatchObject({ refused: { input: 'limit' } })
  })
})

describe('a trace of ten minutes', () => {
  // Settling by 6 kPa at τ 4 s over a laminar leak of 1.2 mL/min at 40 kPa out of 9 mL; every fiftieth sample wild.
  const AIR = 101.325
  const rate = ((1.2 * AIR) / (60 * 9)) * ((2 * AIR) / (40 * (40 + 2 * AIR)))
  const at = (t: number) => {
    const u = (40 / (40 + 2 * AIR)) * Math.exp(-rate * t)
    return 6 * Math.exp(-t / 4) + (2 * AIR * u) / (1 - u)
  }
  const noise = (i: number) => 0.2 * Math.SQRT2 * Math.sin(i * 12.9898 + Math.cos(i * 78.233) * 43758.5453)
  const samples = Array.from({ length: 12_000 }, (_, i): [number, number] => [
    i / 20,
    at(i / 20) + noise(i) + (i % 50 === 7 ? 9 : 0),
  ])
  it('gives back the leak under its settling, wild samples passed over', () => {
    const hold = judgeHold(samples, { volume: 9, limit: 2, sigma: 0.2 })
    if (isRefusal(hold)) throw new Error(hold.refused.why)
    expect(hold.law).toBe('settling')
    expect(hold.leak).toBeCloseTo(1.2, 1)
    expect(hold).toMatchObject({ verdict: 'slow', passes: true })
    expect(hold.high - hold.low).toBeLessThan(0.05)
  })
})
