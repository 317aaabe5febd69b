import { describe, expect, it } from 'vitest'
import { nextOpen } from './next-open.ts'

describe('the next of a row', () => {
  it.each([
    ['the one after it', 0, [false, true, true], 1],
    ['over what is done', 0, [true, false, true], 2],
    ['back to what was skipped', 2, [true, false, false], 0],
    ['none where all are done: never round in a circle', 1, [false, false, false], null],
    ['not itself', 1, [false, true, false], null],
    ['none of one', 0, [true], null],
  ])('%s', (_words, at, open, next) => expect(nextOpen(at, open)).toBe(next))
})
