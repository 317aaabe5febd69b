import { GRAVITY } from '../../base/constants/index.ts'
import type { PartMeasuredBy } from '../../log/index.ts'
import { figure, judge } from '../../measure/index.ts'
import { isRefusal, refuse } from '../../base/refusal/index.ts'
import type { Finding } from './kind.ts'

/** A spring may have lost or gained so much of its force, a share. */
const TOLERANCE = 0.1
const NEWTONS: Readonly<Record<string, number>> = {
  n: 1,
  g: GRAVITY / 1000,
  kg: GRAVITY,
  oz: 0.278014,
  lb: 4.44822,
}
/** A scale is good to so much of what it reads when a spring is held to a length by hand, a share. */
const BY_HAND = 0.02

/** A spring's force at its length, N: pressed on a scale down to the length that its sheet names. */
export const force: Finding<PartMeasuredBy<'force'>> = {
  label: 'Force at its length',
  unit: 'N',
  hint: 'pressed on the scale: 510 g, 5.0 N or 18 oz',
  gauge: 'scale',
  read(raw) {
    const said = /^([\d]+(?:[.,]\d+)?)\s*(n|g|kg|oz|lb)?$/i.exec(raw.trim())
    const newtons = said && Number(said[1]!.replace(',', '.')) * NEWTONS[(said[2] ?? 'N').toLowerCase()]!
    if (!newtons) return refuse('text', 'Type the force with its unit, such as 5.0 N, 510 g or 18 oz.')
    return { what: 'force', value: newtons, sigma: newtons * BY_HAND }
  },
  range: ({ value }, { newN, atMm }) => ({
    value,
    near: newN,
    least: newN / 10,
    most: newN * 5,
    unit: 'N',
    limits: `a new one gives ${figure(newN)} N at ${figure(atMm)} mm`,
  }),
  judge({ value, sigma }, { deciding: { newN, atMm } }) {
    const lo = newN * (1 - TOLERANCE)
    const hi = newN * (1 + TOLERANCE)
    const verdict = judge(value, sigma, lo, hi)
    if (isRefusal(verdict)) return verdict
    const base = {
      pIn: verdict.pIn,
      limit: lo,
      unit: 'N' as const,
      rule: `${figure(lo)} to ${figure(hi)} N at ${figure(atMm)} mm`,
    }
    const off = Math.round(Math.abs(value / newN - 1) * 100)
    if (verdict.verdict === 'in')
      return {
        ...base,
        disposition: 'reuse',
        sure: true,
        sentence: `New is ${figure(newN)} N. Force is good.`,
      }
    if (verdict.verdict === 'doubtful')
      return {
        ...base,
        disposition: 'replace',
        sure: false,
        sentence: `Right at the limit of ${figure(value < newN ? lo : hi)} N. Press it three times, at ${figure(atMm)} mm by a block.`,
      }
    return {
      ...base,
      disposition: 'replace',
      sure: true,
      sentence:
        value < newN
          ? `New is ${figure(newN)} N: ${off} % weak.`
          : `New is ${figure(newN)} N: ${off} % too strong: a different spring. Find the right one.`,
    }
  },
}
