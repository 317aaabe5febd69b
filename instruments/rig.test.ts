import { describe, expect, it } from 'vitest'
import { lineOf, noFaults, setFault, steady } from './faults.ts'
import { moveRig, newRig } from './rig.ts'

const run = (rig: ReturnType<typeof newRig>, seconds: number) => {
  for (let i = 0; i < seconds * 100; i++) moveRig(rig, 0.01)
  return rig.pressure
}

describe('the simulated pump and gauge', () => {
  it('a tight one stands where it was pumped to', () => {
    const rig = { ...newRig(), pumping: { to: 40 } }
    expect(run(rig, 8)).toBeCloseTo(40, 1)
    rig.shut = true
    expect(run(rig, 60)).toBeCloseTo(40, 6)
  })
  it('one that leaks 2 mL/min falls as its law says: 0.375 kPa a second at first', () => {
    // Q·p_a/(60·V) = 2 · 101.325 / (60 · 9) = 0.3753 kPa/s at 40 kPa.
    const rig = { ...newRig(), pressure: 40, shut: true, leak: 2 }
    expect(40 - run(rig, 1)).toBeCloseTo(0.375, 2)
  })
  it('lets go at 46 and shuts at 38', () => {
    const rig = { ...newRig(), pumping: { to: Infinity }, lifts: 2 }
    run(rig, 12)
    expect(rig.pressure).toBeCloseTo(38, 6)
    expect(rig.pumping).toBeNull()
  })
  it('settles by so much and then stands', () => {
    const rig = { ...newRig(), pressure: 40, shut: true, settle: { kpa: 5, tau: 2 } }
    expect(run(rig, 30)).toBeCloseTo(35, 2)
  })
})

describe('an instrument’s faults', () => {
  it('write noise of the size that was asked, and the same each time', () => {
    const lines = (seed: number) => {
      const random = steady(seed)
      return Array.from({ length: 400 }, () =>
        Number(lineOf(40, 'kPa', 3, noFaults(0.5), 0, random)!.split(' ')[0]),
      )
    }
    const some = lines(7)
    const mean = some.reduce((sum, one) => sum + one, 0) / 400
    const sigma = Math.sqrt(some.reduce((sum, one) => sum + (one - mean) ** 2, 0) / 399)
    expect(sigma).toBeGreaterThan(0.42)
    expect(sigma).toBeLessThan(0.58)
    expect(lines(7)).toEqual(some)
  })
  it('are silence, drift and lost lines on request', () => {
    const faults = noFaults(0)
    expect(setFault(faults, ['silence', 'on'])).toBe(true)
    expect(lineOf(40, 'kPa', 1, faults, 0, steady(1))).toBeNull()
    setFault(faults, ['silence', 'off'])
    setFault(faults, ['drift', '2'])
    expect(lineOf(40, 'kPa', 1, faults, 3, steady(1))).toBe('46.0 kPa')
    setFault(faults, ['lost', '1'])
    expect(lineOf(40, 'kPa', 1, faults, 0, steady(1))).toBeNull()
    expect(setFault(faults, ['pump', '40'])).toBe(false)
  })
})
