import { describe, expect, it } from 'vitest'
import { models } from '../../demo/catalogue.ts'
import { sheetsFor } from '../../demo/log-entries.ts'
import { teardownOrder, toolsFor, wayIn } from './index.ts'

const into = (listNumber: string) => {
  const { spec, build } = sheetsFor(listNumber)
  return wayIn(spec, build)
}

describe('before the first screw', () => {
  it('the fuel is shut and drained before anything else, dirt comes off before a joint is opened', () => {
    const numbers = models().map(({ listNumbers }) => listNumbers[0]!.number)
    expect(numbers.length).toBeGreaterThan(6)
    for (const listNumber of numbers) {
      const lines = into(listNumber)
      expect(lines[0], listNumber).toMatch(/^Shut the fuel\./)
      expect(lines[1], listNumber).toMatch(/Wash the dirt off/)
      expect(lines[2], listNumber).toMatch(/hoses.*reverse order/)
    }
  })
  it('a bowl that hangs below is drained under it, an open one is tipped out', () => {
    expect(into('S26-14F')[0]).toMatch(/drain|under the bowl/)
    expect(into('K-4417-2S')[0]).toMatch(/cover is off/)
  })
  it('into the engine falls what falls into a downdraft', () =>
    expect(into('K-4417-2S').at(-1)).toMatch(/goes into the engine/))
  it('says what holds the next parts, each thread once', () => {
    const order = teardownOrder(sheetsFor('K-4417-2S').build)
    const held = order.filter(({ fastener }) => fastener)
    expect(held.length).toBeGreaterThan(0)
    expect(toolsFor([held[0]!, held[0]!])).toEqual([`${held[0]!.fastener!.thread} × ${held[0]!.quantity}`])
    expect(toolsFor(order.filter(({ kind }) => kind === 'float'))).toEqual([])
  })
})
