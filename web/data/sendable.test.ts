import { describe, expect, it } from 'vitest'
import { sendable } from './sendable'
import type { Queued } from './outbox'

const item = (
  id: string,
  more: { job?: string; corrects?: string; after?: string; refused?: boolean } = {},
): Queued => {
  const { job = 'one', corrects, after, refused } = more
  return {
    id,
    job,
    entry: {
      id,
      job,
      kind: 'note.written',
      v: 1,
      data: { text: id },
      by: 'I. Marrow',
      at: '2026-11-24T10:00:00Z',
      ...(corrects ? { corrects } : {}),
      ...(after ? { after } : {}),
    },
    ...(refused ? { refused: { code: 'x', sentence: 'no' } } : {}),
  }
}
const ids = (jobs: Map<string, Queued[]>) =>
  Object.fromEntries([...jobs].map(([job, items]) => [job, items.map((i) => i.id)]))

describe('what goes out when the server is back', () => {
  it('keeps the order of each job and does not mix jobs', () => {
    expect(ids(sendable([item('a'), item('b', { job: 'two' }), item('c')], 100))).toEqual({
      one: ['a', 'c'],
      two: ['b'],
    })
  })
  it('sends no more at once than one request carries, the first ones first', () => {
    expect(ids(sendable([item('a'), item('b'), item('c')], 2))).toEqual({ one: ['a', 'b'] })
  })
  it('cuts no act in two: what was entered together goes together', () => {
    const queue = [item('a'), item('b', { after: 'a' }), item('c', { after: 'b' }), item('d')]
    expect(ids(sendable(queue, 3))).toEqual({ one: ['a', 'b', 'c'] })
    expect(ids(sendable([item('x'), ...queue], 3))).toEqual({ one: ['x'] })
    // One that is larger than a request goes alone.
    expect(ids(sendable(queue, 2))).toEqual({ one: ['a', 'b', 'c'] })
  })
  it('lets a refused entry hold up what names it, and what names that, and nothing else', () => {
    const queue = [
      item('no', { refused: true }),
      item('correction', { corrects: 'no' }),
      item('behind', { after: 'correction' }),
      item('free'),
      item('other job', { job: 'two' }),
    ]
    expect(ids(sendable(queue, 100))).toEqual({ one: ['free'], two: ['other job'] })
  })
  it('is empty where all was refused', () =>
    expect(sendable([item('no', { refused: true })], 100).size).toBe(0))
})
