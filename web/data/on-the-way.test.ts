import { describe, expect, test } from 'vitest'
import { arrived, leftBehind, setOut } from './on-the-way'
import type { Queued } from './outbox'

const item = (id: string, at: string): Queued => ({
  id,
  job: 'j1',
  entry: { id, job: 'j1', kind: 'step.passed', v: 1, data: {}, by: 'Mira', at, tz: 'UTC' } as never,
})

/** A browser's own small store, as a page after a reload finds it. */
function storage(): Storage {
  const kept = new Map<string, string>()
  return {
    get length() {
      return kept.size
    },
    key: (i) => [...kept.keys()][i] ?? null,
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => void kept.set(key, value),
    removeItem: (key) => void kept.delete(key),
    clear: () => kept.clear(),
  }
}

describe('what was on its way when a page was left', () => {
  test('is there for the next page, acts whole and in the order in which they were entered', () => {
    const keeps = storage()
    setOut([item('b1', '2026-03-02T10:00:05Z'), item('b2', '2026-03-02T10:00:05Z')], keeps)
    setOut([item('a1', '2026-03-02T10:00:01Z')], keeps)
    expect(leftBehind(keeps).map((act) => act.map(({ id }) => id))).toEqual([['a1'], ['b1', 'b2']])
  })

  test('is gone once the store has it', () => {
    const keeps = storage()
    const act = [item('a1', '2026-03-02T10:00:01Z')]
    setOut(act, keeps)
    arrived(
      act.map(({ id }) => id),
      keeps,
    )
    expect(leftBehind(keeps)).toEqual([])
    expect(keeps.length).toBe(0)
  })

  test('leaves alone what is not its own, and passes over what cannot be read', () => {
    const keeps = storage()
    keeps.setItem('ekrond.person', 'Mira')
    keeps.setItem('ekrond.on-the-way.x', '{"half')
    setOut([item('a1', '2026-03-02T10:00:01Z')], keeps)
    expect(
      leftBehind(keeps)
        .flat()
        .map(({ id }) => id),
    ).toEqual(['a1'])
  })

  test('a browser that is full or denies its store stops nobody', () => {
    const full = {
      ...storage(),
      setItem: () => {
        throw new Error('quota')
      },
    } as Storage
    expect(() => setOut([item('a1', '2026-03-02T10:00:01Z')], full)).not.toThrow()
    expect(leftBehind(full)).toEqual([])
    expect(leftBehind(undefined)).toEqual([])
  })
})
