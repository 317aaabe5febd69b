import { expect, it } from 'vitest'
import { bisect } from './index.ts'

it('finds where a square passes 2 between 0 and 2: at its root, from both sides', () => {
  const { low, high } = bisect(0, 2, (x) => x * x < 2)
  expect(low).toBeCloseTo(1.41421356237, 10)
  expect(high - low).toBeLessThan(1e-15)
})

it('ends at an end where the bound lies outside', () => {
  expect(bisect(0, 1, () => true).low).toBeCloseTo(1, 12)
  expect(bisect(0, 1, () => false).high).toBeCloseTo(0, 12)
})
