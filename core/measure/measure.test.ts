import { describe, expect, it } from 'vitest'
import { isRefusal } from '../base/refusal/index.ts'
import {
  canSettle,
  finerGauge,
  gaugeSigma,
  judge,
  judgeBracket,
  nearestDrill,
  nextLarger,
  findDrill,
  otherSenses,
  parseCount,
  parseLength,
  parseNotches,
  parseQuantity,
  parseTurns,
  readingSigma,
  showTurns,
  showValue,
  type Gauge,
} from './index.ts'

const mm = (text: string, unit?: 'mm' | 'in') => {
  const read = parseLength(text, unit)
  return isRefusal(read) ? read.refused.input : read.mm
}

describe('a length as a technician types it', () => {
  it.each([
    ['14.5', 14.5],
    ['14.5mm', 14.5],
    ['0,8 mm', 0.8],
    ['5/16', 7.9375], // 25.4 · 5/16
    ['1 1/16', 26.9875], // 25.4 · 17/16
    ['9/32"', 7.14375], // 25.4 · 9/32
    ['#51', 1.7018], // 0.0670 in
    ['K', 7.1374], // 0.281 in
    ['k', 7.1374],
    ['#80', 0.3429], // 0.0135 in
    ['⅝', 15.875],
  ])('reads %s', (text, wanted) => expect(mm(text)).toBeCloseTo(wanted, 6))

  it('takes the field’s unit for a bare number, never for a fraction', () => {
    expect(mm('.31', 'in')).toBeCloseTo(7.874, 6)
    expect(mm('.31', 'mm')).toBeCloseTo(0.31, 6)
    expect(mm('5/16', 'mm')).toBeCloseTo(mm('5/16', 'in') as number, 9)
    expect(mm('14.5 mm', 'in')).toBe(14.5)
  })

  it.each(['', '-3', '#0', '#81', '14.5 kg', '1/0', '5/16 mm', 'KK', 'fourteen', '1.2.3'])(
    'refuses “%s” by its text',
    (text) => {
      expect(mm(text)).toBe('text')
    },
  )

  it('asks where a bare figure fits the field better as a drill', () => {
    // 31 in a gap of about 3.1 mm: a drill number (3.048 mm), or thousandths (0.79 mm: does not fit).
    expect(otherSenses('31', 31, 3.1).map((sense) => sense.as)).toEqual(['drill #31'])
    // 0.55 where 14 is wanted: inches, by the ratio of 25.4.
    expect(otherSenses('0.55', 0.55, 14)[0]).toEqual({ as: '0.55 in', mm: 0.55 * 25.4 })
    expect(otherSenses('14.2', 14.2, 14)).toEqual([])
  })
})

describe('turns, notches, holes, masses', () => {
  it.each([
    ['1 3/8', 11],
    ['1⅜', 11],
    ['5/8', 5],
    ['1,5', 12],
    ['0', 0],
    ['2 turns', 16],
  ])('counts %s in eighths', (text, eighths) => expect(parseTurns(text)).toEqual({ eighths }))
  it('refuses what is no eighth', () => expect(isRefusal(parseTurns('1.3'))).toBe(true))
  it.each([
    ['index', 0],
    ['1 rich', 1],
    ['2 lean', -2],
    ['-1', -1],
  ])('reads a cover at %s, rich positive', (text, notches) => expect(parseNotches(text)).toEqual({ notches }))
  it('refuses a notch said twice', () => expect(isRefusal(parseNotches('-1 lean'))).toBe(true))
  it('counts holes from 1 to 9', () => {
    expect(parseCount('hole 2')).toEqual({ count: 2 })
    expect(isRefusal(parseCount('0'))).toBe(true)
  })
  it('weighs with or without the unit', () => {
    expect(parseQuantity('11,9 g', 'g')).toEqual({ value: 11.9 })
    expect(isRefusal(parseQuantity('-2', 'g'))).toBe(true)
  })
  it('shows what it counted', () => {
    expect(showTurns(11)).toBe('1 3/8')
    expect(showTurns(16)).toBe('2')
    expect(showValue(-2, 'notches')).toBe('2 lean')
  })
})

describe('drills', () => {
  it('finds the nearest of a series', () => {
    // #31 is 0.1200 in = 3.048 mm, #30 is 0.1285 in = 3.2639 mm.
    expect(nearestDrill(3.1, ['number']).name).toBe('#31')
    expect(nearestDrill(3.2, ['number']).name).toBe('#30')
    expect(nearestDrill(3.1, ['metric'])).toMatchObject({ mm: 3.1, error: 0 })
    expect(nearestDrill(7.94, ['fraction']).name).toBe('5/16')
  })
  it('knows that #31 enters and #30 does not', () => expect(nextLarger(findDrill('#31')!)!.name).toBe('#30'))
})

describe('how surely a reading lies in its band', () => {
  it('is certain in the middle and even at the edge', () => {
    // σ 0.06 in ±0.5: 8.3 σ to each side.
    expect(judge(14, 0.06, 13.5, 14.5)).toEqual({ pIn: 1, verdict: 'in' })
    const edge = judge(13.5, 0.06, 13.5, 14.5)
    expect(edge).toMatchObject({ verdict: 'doubtful' })
    expect((edge as { pIn: number }).pIn).toBeCloseTo(0.5, 9)
  })
  it('follows the normal table', () => {
    // One σ inside a one-sided limit: Φ(1) = 0.841345.
    expect(judge(1, 1, null, 2)).toMatchObject({ pIn: expect.closeTo(0.8413447, 6) as number })
    // Two σ outside: 1 − Φ(2) = 0.022750 → out.
    expect(judge(4, 1, null, 2)).toMatchObject({
      pIn: expect.closeTo(0.0227501, 6) as number,
      verdict: 'out',
    })
  })
  it('refuses no error, no band, an upside-down band', () => {
    expect(judge(1, 0, 0, 2)).toMatchObject({ refused: { input: 'sigma' } })
    expect(isRefusal(judge(1, 1))).toBe(true)
    expect(isRefusal(judge(1, 1, 3, 2))).toBe(true)
  })
  it('shares a go/no-go bracket out evenly', () => {
    // Bore between 2.40 and 2.50, limit 2.44: 0.04 of 0.10.
    expect(judgeBracket(2.4, 2.5, null, 2.44)).toMatchObject({
      pIn: expect.closeTo(0.4, 9) as number,
      verdict: 'doubtful',
    })
    expect(judgeBracket(2.5, 2.6, null, 2.44)).toMatchObject({ verdict: 'out' })
    expect(isRefusal(judgeBracket(2.5, 2.5, null, 2.44))).toBe(true)
  })
  it('combines repeatability and resolution in quadrature', () => {
    expect(readingSigma(0.06, 0.01)).toBeCloseTo(Math.sqrt(0.0036 + 0.0001 / 12), 12)
  })
  it('names the coarsest gauge that can settle the band', () => {
    const rule: Gauge = { code: 'rule', name: 'rule', kind: 'rule', resolutionMm: 0.5, repeatabilityMm: 0.2 }
    const caliper: Gauge = {
      code: 'c',
      name: 'caliper',
      kind: 'caliper',
      resolutionMm: 0.01,
      repeatabilityMm: 0.06,
    }
    const fine: Gauge = {
      code: 'f',
      name: 'height gauge',
      kind: 'indicator',
      resolutionMm: 0.001,
      repeatabilityMm: 0.005,
    }
    // ±0.4: σ must be at most 0.8/3.92 = 0.204; the rule has 0.247.
    expect(canSettle(gaugeSigma(rule), 9.1, 9.9)).toBe(false)
    expect(finerGauge(rule, [fine, caliper, rule], 9.1, 9.9)?.code).toBe('c')
  })
})
