import type { PartMeasuredBy } from '../../log/index.ts'
import { figure, judge } from '../../measure/index.ts'
import { isRefusal, refuse } from '../../base/refusal/index.ts'
import type { Finding } from './kind.ts'

/** A hand meter is good to so much of what it reads, and not better than this, Ω. */
const METER = 0.01
const LEADS_OHM = 0.1

/** Resistance of an electrical part, Ω, cold and unplugged: solenoid, choke heater, enricher. */
export const ohms: Finding<PartMeasuredBy<'ohms'>> = {
  label: 'Resistance, cold',
  unit: 'Ω',
  hint: 'unplugged, at room temperature; open where it shows nothing',
  gauge: 'meter',
  read(raw) {
    if (/^(open|ol|∞)$/i.test(raw.trim())) return { what: 'ohms', value: null, sigma: LEADS_OHM }
    const said = /^(\d+(?:[.,]\d+)?)\s*(k?)\s*(?:Ω|ohms?)?$/i.exec(raw.trim())
    if (!said) return refuse('text', 'Type ohms, as 14.2, or open where the meter shows nothing.')
    const value = Number(said[1]!.replace(',', '.')) * (said[2] ? 1000 : 1)
    return { what: 'ohms', value, sigma: Math.hypot(LEADS_OHM, value * METER) }
  },
  range: ({ value }, { lo, hi }) => ({
    value: value ?? hi,
    near: (lo + hi) / 2,
    least: 0,
    most: 1e7,
    unit: 'Ω',
    limits: `${figure(lo)} to ${figure(hi)} is right`,
  }),
  judge({ value, sigma }, { deciding: { lo, hi } }) {
    const base = { limit: hi, unit: 'Ω' as const, rule: `${figure(lo)} to ${figure(hi)} Ω cold` }
    if (value === null)
      return {
        ...base,
        pIn: 0,
        disposition: 'replace',
        sure: true,
        sentence: 'Open: its winding or heater is broken.',
      }
    const verdict = judge(value, sigma, lo, hi)
    if (isRefusal(verdict)) return verdict
    const judged = { ...base, pIn: verdict.pIn }
    if (verdict.verdict === 'in')
      return {
        ...judged,
        disposition: 'reuse',
        sure: true,
        sentence: 'Its winding is whole. Current, click and travel are proved with it connected.',
      }
    if (verdict.verdict === 'doubtful')
      return {
        ...judged,
        disposition: 'replace',
        sure: false,
        sentence: `Right at the limit. Touch the leads together first and take that off; then at ${figure(20, 0)} °C.`,
      }
    return {
      ...judged,
      disposition: 'replace',
      sure: true,
      sentence:
        value < lo
          ? 'Too low: windings touch one another; it will run hot.'
          : 'Too high: a poor joint inside, or the wrong one for this voltage.',
    }
  },
}
