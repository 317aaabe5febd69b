import { describe, expect, it } from 'vitest'
import { sheetsFor } from '../../../demo/log-entries.ts'
import { passagePlanOf } from '../../unit/families/index.ts'
import { circuitsOf, diagnose, mapOf, branchStandingOf } from './index.ts'

describe('circuits', () => {
  const plan = passagePlanOf(sheetsFor('K-4417-2S'))
  const circuits = circuitsOf(plan)
  it('a two-barrel has what hangs on its jets, and what its vacuum goes through', () => {
    expect(circuits.map((one) => [one.in, [...one.out].sort()])).toEqual([
      ['J', ['A', 'B', 'I', 'T']],
      ['W', ['N']],
    ])
  })
  it('clear at all of their ports, every passage is shown free by one blow each', () => {
    const told = diagnose(
      mapOf(plan, null),
      circuits.map((one) => ({ in: one.in, open: [...one.out], shut: [] })),
    ) as Record<string, number>
    expect(plan.passages.map(({ id }) => branchStandingOf(told[id]!, circuits.length))).toEqual(
      plan.passages.map(() => 'free'),
    )
  })
  it('a passage that leads nowhere else is no circuit', () => {
    const [one] = plan.passages
    expect(circuitsOf({ passages: [{ ...one!, from: 'x', to: 'y' }], ports: plan.ports })).toEqual([])
  })
})
