import type { PartMeasuredBy } from '../../log/index.ts'
import { figure, judge, parseLength } from '../../measure/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import type { Finding } from './kind.ts'

/** How far a seal stands over its face, mm: flattened it cannot press; swollen it will not lie in its groove. */
export const proud: Finding<PartMeasuredBy<'proud'>> = {
  label: 'How far it stands over the face',
  unit: 'mm',
  hint: 'in its groove, at its lowest place',
  gauge: 'caliper',
  read(raw, sigma) {
    const read = parseLength(raw)
    return isRefusal(read) ? read : { what: 'proud', value: read.mm, sigma }
  },
  range: ({ value }, { newMm }) => ({
    value,
    near: newMm,
    least: 0,
    most: newMm * 4,
    unit: 'mm',
    limits: `a new one stands ${figure(newMm, 2)} over its face`,
  }),
  judge({ value, sigma }, { deciding: { newMm, leastMm } }) {
    const most = newMm * 1.5
    const verdict = judge(value, sigma, leastMm, most)
    if (isRefusal(verdict)) return verdict
    const base = {
      pIn: verdict.pIn,
      limit: leastMm,
      unit: 'mm' as const,
      rule: `at least ${figure(leastMm, 2)} mm over the face`,
    }
    const words = `New it stands ${figure(newMm, 2)}, ${figure(leastMm, 2)} at least.`
    if (verdict.verdict === 'in')
      return { ...base, disposition: 'reuse', sure: true, sentence: `${words} It still presses.` }
    if (verdict.verdict === 'doubtful')
      return {
        ...base,
        disposition: 'replace',
        sure: false,
        sentence: `${words} Too near to tell: renew it, or measure at three places.`,
      }
    return {
      ...base,
      disposition: 'replace',
      sure: true,
      sentence:
        value < leastMm
          ? `${words} Flattened: it will leak.`
          : `${words} Swollen by the fuel: dried for a day it may shrink back; if not, a new one.`,
    }
  },
}
