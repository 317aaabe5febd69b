import { expect, it } from 'vitest'
import { inTurns } from './turns.ts'

it('work in many steps gives the others a turn between them', async () => {
  let turns = 0
  let done = false
  const others = () => {
    turns++
    if (!done) setImmediate(others)
  }
  setImmediate(others)
  const othersToo = inTurns()
  for (let step = 0; step < 10; step++) {
    // Longer than a turn, and nothing in it waits for anything.
    for (const until = performance.now() + 15; performance.now() < until;);
    await othersToo()
  }
  done = true
  expect(turns).toBeGreaterThanOrEqual(9)
})
