import type { PartMeasuredBy } from '../../log/index.ts'
import { figure, judge, parseLength } from '../../measure/index.ts'
import { isRefusal, refuse } from '../../base/refusal/index.ts'
import type { Finding } from './kind.ts'

/** Share of the ring's area that wear may add: as much as two hundredths of a jet's bore do. */
const MOST_GROWTH = 0.04

/** Growth of the ring between a jet of bore `jet` and a needle worn from `beside` to `worn`, a share: (b² − w²)/(D² − b²). All mm. */
export const ringGrowth = (worn: number, beside: number, jet: number): number =>
  (beside ** 2 - worn ** 2) / (jet ** 2 - beside ** 2)

/** A metering needle's or rod's wear step: its diameter there and just beside it, mm. */
export const wornStep: Finding<PartMeasuredBy<'step'>> = {
  label: 'Diameter at the step, and just beside it',
  unit: 'mm',
  hint: '2.37 2.40; the same twice where no nail finds a step',
  gauge: 'micrometer',
  read(raw, sigma) {
    const [at, by, more] = raw.trim().split(/\s+/)
    if (!at || !by || more)
      return refuse('text', 'Type the diameter at the step and the one just beside it, as 2.37 2.40.')
    const worn = parseLength(at)
    const beside = parseLength(by)
    if (isRefusal(worn)) return worn
    if (isRefusal(beside)) return beside
    if (worn.mm > beside.mm)
      return refuse(
        'text',
        'Wear makes it thinner: the diameter at the step is the smaller one. Type it first.',
      )
    return { what: 'step', worn: worn.mm, beside: beside.mm, sigma }
  },
  range: ({ beside }, { newMm, jetMm }) => ({
    value: beside,
    near: newMm,
    least: newMm / 3,
    most: jetMm - 0.01,
    unit: 'mm',
    limits: `it works in a jet of ${figure(jetMm, 2)} and is about ${figure(newMm, 2)} there`,
  }),
  judge({ worn, beside, sigma }, { deciding: { jetMm, newMm, instead } }) {
    // The one that this job was to lose: nearer to the sheet's own than to what was chosen.
    if (instead !== undefined && Math.abs(beside - newMm) > Math.abs(instead - newMm) / 2)
      return {
        pIn: 0,
        limit: newMm,
        unit: 'mm' as const,
        rule: `this job has ${figure(newMm, 2)} in place of the sheet’s ${figure(instead, 2)}`,
        disposition: 'replace' as const,
        sure: true,
        sentence: `It is ${figure(beside, 2)}: this job wants ${figure(newMm, 2)}.`,
      }
    const growth = ringGrowth(worn, beside, jetMm)
    const spread = (2 * worn * sigma * Math.SQRT2) / (jetMm ** 2 - beside ** 2)
    const verdict = judge(growth, spread, null, MOST_GROWTH)
    if (isRefusal(verdict)) return verdict
    const base = {
      pIn: verdict.pIn,
      limit: MOST_GROWTH * 100,
      unit: '%' as const,
      rule: `the ring in its jet may grow by ${MOST_GROWTH * 100} %`,
    }
    const words = `The ring in its ${figure(jetMm, 2)} jet is ${figure(growth * 100, 0)} % larger at the step: richer there.`
    if (verdict.verdict === 'in')
      return { ...base, disposition: 'reuse', sure: true, sentence: 'No step that counts.' }
    if (verdict.verdict === 'out')
      return {
        ...base,
        disposition: 'replace',
        sure: true,
        sentence: `${words} Renew needle and jet together.`,
      }
    return {
      ...base,
      disposition: 'replace',
      sure: false,
      sentence: `${words} Too near to tell: measure both three times, anvils clean.`,
    }
  },
}
