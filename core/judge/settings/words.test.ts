import { describe, expect, it } from 'vitest'
import { bendAsShare, heldWords, needleWay } from './words.ts'

describe('which way is toward the needle', () => {
  // Where the needle stands as installed, how the part is held, and where the hand must go.
  it.each([
    ['above', 'upright', 'needle', 'up, as held'],
    ['above', 'upright', 'away', 'down, as held'],
    ['above', 'inverted', 'needle', 'down, as held'],
    ['above', 'inverted', 'away', 'up, as held'],
    ['below', 'upright', 'needle', 'down, as held'],
    ['below', 'inverted', 'needle', 'up, as held'],
    ['below', 'inverted', 'away', 'down, as held'],
    ['side', 'upright', 'needle', 'toward the wall with the seat'],
    ['side', 'inverted', 'away', 'away from the wall with the seat'],
    ['above', 'side', 'needle', 'toward the seat, as held'],
    ['below', 'side', 'away', 'away from the seat, as held'],
  ] as const)('needle %s, held %s, %s: %s', (at, held, toward, words) =>
    expect(needleWay(at, held, toward)).toBe(words),
  )
  it('turning the part over always turns the word over, where there is an up', () => {
    for (const at of ['above', 'below'] as const)
      for (const toward of ['needle', 'away'] as const)
        expect(needleWay(at, 'upright', toward)).not.toBe(needleWay(at, 'inverted', toward))
  })
  it('says how it is held in words', () =>
    expect(Object.values(heldWords)).toEqual(['upright', 'upside down', 'on its side']))
})

describe('a bend as hands know it', () => {
  // A tang is 0.9 mm thick: a third is 0.3, half 0.45, three quarters 0.68.
  it.each([
    [0.05, 'barely a nudge'],
    [0.3, 'a third of its thickness'],
    // On either side of where one word ends: 0.42 and 0.62 of 0.9 mm are 0.378 and 0.558.
    [0.37, 'a third of its thickness'],
    [0.39, 'half its thickness'],
    [0.45, 'half its thickness'],
    [0.55, 'half its thickness'],
    [0.57, 'three quarters of its thickness'],
    [0.68, 'three quarters of its thickness'],
    [0.9, 'its own thickness'],
    [1.8, '2.0 times its thickness'],
  ])('%f mm is %s', (mm, words) => expect(bendAsShare(mm)).toBe(words))
})
