import type { PartMeasuredBy } from '../../log/index.ts'
import { figure, judge } from '../../measure/index.ts'
import { readTyped } from '../../measure/instruments/index.ts'
import { isRefusal, refuse } from '../../base/refusal/index.ts'
import type { Finding } from './kind.ts'

/** A hand pump's gauge is read to so much while its needle falls, kPa. */
const AS_IT_FALLS_KPA = 0.5

/** The vacuum at which a power valve opens, kPa: drawn shut, then let fall slowly until fuel or air passes. */
export const opens: Finding<PartMeasuredBy<'opens'>> = {
  label: 'Opens at, as the vacuum falls',
  unit: 'kPa',
  hint: 'draw it shut, let it fall slowly: 22.0, or 6.5 inHg',
  gauge: 'meter',
  read(raw) {
    const kpa = readTyped(raw.trim().replace(/^[-−]/, ''), 'pressure')
    if (isRefusal(kpa)) return kpa
    return kpa > 0
      ? { what: 'opens', kpa, sigma: AS_IT_FALLS_KPA }
      : refuse('text', 'Type the vacuum at which it opens, as 22.0 or 6.5 inHg.')
  },
  range: ({ kpa }, { kpa: wanted }) => ({
    value: kpa,
    near: wanted,
    least: 1,
    most: 95,
    unit: 'kPa',
    limits: `this one opens at ${figure(wanted)} kPa new`,
  }),
  judge({ kpa, sigma }, { deciding: { kpa: wanted, giveKpa } }) {
    const verdict = judge(kpa, sigma, wanted - giveKpa, wanted + giveKpa)
    if (isRefusal(verdict)) return verdict
    const base = {
      pIn: verdict.pIn,
      limit: wanted,
      unit: 'kPa' as const,
      rule: `opens at ${figure(wanted)} kPa of vacuum, ±${figure(giveKpa)}`,
    }
    const says = `It opens at ${figure(kpa)} kPa, ${figure(wanted)} is its own.`
    if (verdict.verdict === 'in') return { ...base, disposition: 'reuse', sure: true, sentence: says }
    if (verdict.verdict === 'doubtful')
      return {
        ...base,
        disposition: 'replace',
        sure: false,
        sentence: `${says} Near its limit: try it three times.`,
      }
    return {
      ...base,
      disposition: 'replace',
      sure: true,
      sentence:
        kpa > wanted
          ? `${says} It opens at a deeper vacuum, too early: rich at cruise. Its spring or another number.`
          : `${says} It opens too late: lean when the engine pulls. Its spring or another number.`,
    }
  },
}
