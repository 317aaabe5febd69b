import { describe, expect, it } from 'vitest'
import { isRefusal } from '../base/refusal/index.ts'
import { tracedArea, type Tap } from './index.ts'

const why = (trace: Parameters<typeof tracedArea>[0]) => {
  const said = tracedArea(trace)
  return isRefusal(said) ? `${said.refused.input}: ${said.refused.why}` : said
}
const ruler: Tap[] = [
  [100, 40],
  [500, 40],
]
/** 38 × 22 mm at 10 px a millimetre, its corners cut by 3 mm: 836 − 4 × 4.5 = 818 mm². */
const float: Tap[] = [
  [130, 100],
  [420, 100],
  [450, 130],
  [450, 290],
  [420, 320],
  [130, 320],
  [100, 290],
  [100, 130],
].map(([x, y]): Tap => [x! + (x! > 300 ? 30 : 0), y!])

describe('a float’s area from its traced outline', () => {
  it('is the shoelace sum at the ruler’s scale', () => {
    const said = tracedArea({ ruler, mm: 40, outline: float })
    if (isRefusal(said)) throw new Error(said.refused.why)
    expect(said.area).toBeCloseTo(38 * 22 - 4 * 4.5, 9)
    // The other way round, and on a picture twice as large: the same.
    const turned = tracedArea({ ruler, mm: 40, outline: [...float].reverse() })
    const large = tracedArea({
      ruler: ruler.map(([x, y]): Tap => [2 * x, 2 * y]),
      mm: 40,
      outline: float.map(([x, y]): Tap => [2 * x, 2 * y]),
    })
    if (isRefusal(turned) || isRefusal(large)) throw new Error('refused')
    expect(turned.area).toBeCloseTo(said.area, 9)
    expect(large.area).toBeCloseTo(said.area, 9)
    // Larger, it is surer: twice the pixels, half of the doubt.
    expect(large.sigma).toBeCloseTo(said.sigma / 2, 9)
  })
  it('its doubt is that of a thousand shaky hands', () => {
    const said = tracedArea({ ruler, mm: 40, outline: float })
    if (isRefusal(said)) throw new Error(said.refused.why)
    let seed = 7
    const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
    const shaky = () => 3 * Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random())
    const areas = Array.from({ length: 1000 }, () => {
      const tap = ([x, y]: Tap): Tap => [x + shaky(), y + shaky()]
      const one = tracedArea({ ruler: ruler.map(tap), mm: 40, outline: float.map(tap) })
      return isRefusal(one) ? NaN : one.area
    })
    const mean = areas.reduce((sum, one) => sum + one, 0) / areas.length
    const spread = Math.sqrt(areas.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (areas.length - 1))
    // Both ends of the ruler shake along it and across it: √2 · 3 px of its 400 along, twice that in area.
    expect(said.sigma / spread).toBeGreaterThan(0.85)
    expect(said.sigma / spread).toBeLessThan(1.15)
  })
  it('says what is missing, in the order in which it is tapped', () => {
    expect(why({ ruler: [], mm: 0, outline: [] })).toContain('mm:')
    expect(why({ ruler: [[0, 0]], mm: 20, outline: [] })).toContain('two marks')
    expect(
      why({
        ruler: [
          [0, 0],
          [30, 0],
        ],
        mm: 20,
        outline: [],
      }),
    ).toContain('too near')
    expect(why({ ruler, mm: 40, outline: float.slice(0, 5) })).toContain('1 more tap ')
  })
  it('a line that crosses itself has no area, one of another scale is no float’s', () => {
    const [a, b, c, d, ...rest] = float
    expect(why({ ruler, mm: 40, outline: [a!, c!, b!, d!, ...rest] })).toContain('crosses itself')
    expect(why({ ruler, mm: 400, outline: float })).toContain('no float’s')
  })
})
