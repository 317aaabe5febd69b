import { describe, expect, it } from 'vitest'
import { sharedReads } from './shared.ts'

/** Readings that end when the test says so; each gives what stood when it began. */
function slow() {
  let value = 0
  const ends: (() => void)[] = []
  const began: string[] = []
  const read = (key: string) => {
    began.push(key)
    const seen = value
    return new Promise<string>((resolve) => ends.push(() => resolve(`${key}${seen}`)))
  }
  return { read: sharedReads(read), began, write: () => void value++, end: (n: number) => ends[n]!() }
}
const settled = () => new Promise((resolve) => setImmediate(resolve))

describe('reading the same at the same time', () => {
  it('fifty who ask at once cost two readings: the first one’s, and one for the rest', async () => {
    const { read, began, end } = slow()
    const answers = Array.from({ length: 50 }, () => read('rack'))
    expect(began).toHaveLength(1)
    end(0)
    await settled()
    expect(began).toHaveLength(2)
    end(1)
    expect(new Set(await Promise.all(answers))).toEqual(new Set(['rack0']))
    expect(began).toHaveLength(2)
  })
  it('nobody gets what was read before they asked', async () => {
    const { read, write, end } = slow()
    const early = read('rack')
    write()
    const late = read('rack')
    end(0)
    await settled()
    end(1)
    expect(await early).toBe('rack0')
    expect(await late).toBe('rack1')
  })
  it('another question has a reading of its own', async () => {
    const { read, began, end } = slow()
    const both = [read('rack'), read('orchard')]
    expect(began).toEqual(['rack', 'orchard'])
    end(0)
    end(1)
    expect(await Promise.all(both)).toEqual(['rack0', 'orchard0'])
    // When all have their answer, the next one begins anew.
    const again = read('rack')
    expect(began).toHaveLength(3)
    end(2)
    expect(await again).toBe('rack0')
  })
  it('one that fails fails those who share it, and the next one is tried', async () => {
    let times = 0
    const read = sharedReads(() => (times++ ? Promise.resolve('well') : Promise.reject(new Error('gone'))))
    const [first, second] = [read('rack'), read('rack')]
    await expect(first).rejects.toThrow('gone')
    expect(await second).toBe('well')
    expect(times).toBe(2)
  })
})
