import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { isWhole, keptTrace } from './trace'

describe('a trace that is kept', () => {
  const trace = keptTrace(
    Array.from({ length: 60 }, (_, i) => [i / 20, 40 - i * 0.02] as const),
    'gauge 3',
  )
  it('bears the hash of what was packed', () => {
    expect(trace.sha256).toBe(createHash('sha256').update(trace.packed).digest('hex'))
    expect(isWhole(trace)).toBe(true)
  })
  it('that was changed since is not whole; one without a hash says nothing of it', () => {
    expect(isWhole({ ...trace, packed: `A${trace.packed.slice(1)}B` })).toBe(false)
    expect(isWhole({ ...trace, sha256: undefined })).toBeNull()
  })
})
