import { floatBalance, floatBody } from '../../physics/float/index.ts'
import type { Conditions } from '../../sheets/conditions/index.ts'
import { figure, judgeBracket } from '../../measure/index.ts'
import { flowChange } from '../../physics/metering/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { SpecSheet } from '../../sheets/index.ts'
import type { Judgement } from './kind.ts'

/** How far a seat's bore may differ from new, by wear or by its make, and still count as right. */
const SEAT_GROWTH_MM = 0.04

/** A seat by go/no-go (mm) against new; in its favour or not: the pressure it can still hold against the job's. */
export function judgeSeat(
  go: number,
  no: number,
  newMm: number,
  spec: SpecSheet,
  conditions: Conditions,
): Result<Judgement> {
  const limit = newMm + SEAT_GROWTH_MM
  const verdict = judgeBracket(go, no, null, limit)
  if (isRefusal(verdict)) return verdict
  const balance = floatBalance(
    floatBody(spec.float, { seatBore: (go + no) / 2 }),
    conditions.pressureKpa,
    conditions.densityKgM3,
  )
  if (isRefusal(balance)) return balance
  const most = Math.max(0, balance.maxPressure)
  const asNew = floatBalance(
    floatBody(spec.float, { seatBore: newMm }),
    conditions.pressureKpa,
    conditions.densityKgM3,
  )
  if (isRefusal(asNew)) return asNew
  // Where a new one would not hold it either, another like it changes nothing.
  const supply = asNew.maxPressure < conditions.pressureKpa
  const holds = `With this bore it holds ${figure(most)} kPa; the supply gives ${figure(conditions.pressureKpa)}.${
    supply
      ? ` A new one holds ${figure(Math.max(0, asNew.maxPressure))}: fit a regulator or a smaller seat.`
      : ''
  }`
  const base = { pIn: verdict.pIn, limit, unit: 'mm' as const, rule: `bore up to ${figure(limit, 2)} mm` }
  if (most < conditions.pressureKpa && !supply)
    return { ...base, disposition: 'replace', sure: true, sentence: `New is ${figure(newMm, 2)}. ${holds}` }
  if (no <= newMm - SEAT_GROWTH_MM)
    return {
      ...base,
      disposition: 'clean',
      sure: true,
      sentence: `New is ${figure(newMm, 2)}: it passes ${figure(-flowChange((go + no) / 2, newMm) * 100, 0)} % less. Varnish, or another number’s seat: clean it and measure again, else the right one.`,
    }
  if (verdict.verdict === 'out')
    return { ...base, disposition: 'replace', sure: true, sentence: `New is ${figure(newMm, 2)}. ${holds}` }
  if (verdict.verdict === 'doubtful')
    return {
      ...base,
      disposition: 'replace',
      sure: false,
      sentence: `The limit of ${figure(limit, 2)} lies between these pins. Try one between them.`,
    }
  return { ...base, disposition: 'reuse', sure: true, sentence: `New is ${figure(newMm, 2)}. ${holds}` }
}
