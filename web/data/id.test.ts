import { afterEach, expect, it, vi } from 'vitest'
import { newId } from './id'

afterEach(() => vi.unstubAllGlobals())

it('an entry gets an id of version 4 also where the page has no randomUUID', () => {
  const real = crypto
  vi.stubGlobal('crypto', {
    getRandomValues: (bytes: Uint8Array<ArrayBuffer>) => real.getRandomValues(bytes),
  })
  const ids = Array.from({ length: 500 }, newId)
  for (const id of ids)
    expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
  expect(new Set(ids).size).toBe(500)
})
