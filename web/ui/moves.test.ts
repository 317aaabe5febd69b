import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { beginMove, bindRouter, renameJob, watchInputs } from './moves'

const hands = new EventTarget()
vi.stubGlobal('window', hands)
watchInputs()
afterAll(() => void vi.unstubAllGlobals())

const key = (repeat = false) => Object.assign(new Event('keydown'), { repeat })
const went: string[] = []
const at = {
  navigation: { state: 'idle' },
  location: { pathname: '/jobs/abc/set', search: '?body=2', state: null },
}
const watchers = new Set<() => void>()
bindRouter({
  navigate: (address: string) => void went.push(address),
  state: at,
  subscribe: (watcher: () => void) => {
    watchers.add(watcher)
    return () => watchers.delete(watcher)
  },
} as never)

beforeEach(() => void went.splice(0))

describe('a move of the program', () => {
  it('goes where nobody has touched anything since it was meant', () => {
    expect(beginMove()('/jobs/1186/prove')).toBe(true)
    expect(went).toEqual(['/jobs/1186/prove'])
  })
  it('dies with the next tap or key', () => {
    const byTap = beginMove()
    hands.dispatchEvent(new Event('pointerdown'))
    expect(byTap('/jobs/1186/prove')).toBe(false)
    const byKey = beginMove()
    hands.dispatchEvent(key())
    expect(byKey('/jobs/1186/prove')).toBe(false)
    expect(went).toEqual([])
  })
  it('outlives a key that is only held', () => {
    const move = beginMove()
    hands.dispatchEvent(key(true))
    expect(move('/jobs/1186/set')).toBe(true)
  })
})

describe('a job that gets its number', () => {
  it('keeps station and body of the address that stands now', () => {
    const stop = renameJob(1204)
    expect(went).toEqual(['/jobs/1204/set?body=2'])
    stop()
    expect(watchers.size).toBe(0)
  })
  it('waits for a move that is under way', () => {
    at.navigation.state = 'loading'
    const stop = renameJob(1204)
    expect(went).toEqual([])
    at.navigation.state = 'idle'
    at.location.pathname = '/jobs/abc/build'
    watchers.forEach((watcher) => watcher())
    expect(went).toEqual(['/jobs/1204/build?body=2'])
    stop()
  })
})
