import type { PartMeasuredBy } from '../../log/index.ts'
import type { Conditions } from '../../sheets/conditions/index.ts'
import { figure, judge, parseQuantity } from '../../measure/index.ts'
import { checkNumbers, isRefusal, type Result } from '../../base/refusal/index.ts'
import type { SpecSheet } from '../../sheets/index.ts'
import type { Finding, Judgement } from './kind.ts'

/** How far the level may rise before a soaked float is renewed: half a millimetre. */
const LEVEL_RISE_MM = 0.5

/** A float's mass, g: fuel soaked in. */
export const mass: Finding<PartMeasuredBy<'mass'>> = {
  label: 'Mass',
  unit: 'g',
  hint: 'dry, without its pin',
  gauge: 'scale',
  read(raw, sigma) {
    const read = parseQuantity(raw, 'g')
    return isRefusal(read) ? read : { what: 'mass', value: read.value, sigma }
  },
  range: ({ value }, _deciding, { float: { floatMass } }) => ({
    value,
    near: floatMass,
    least: floatMass / 3,
    most: floatMass * 4,
    unit: 'g',
    limits: `this float weighs ${figure(floatMass)} g new`,
  }),
  judge: (measured, _part, spec, conditions) =>
    judgeFloatMass(measured.value, measured.sigma, spec, conditions),
}

/** A float against its new mass (g): fuel soaked in lifts the level by Δm·x_g/(ρ·A_p·x_b); the limit is what half a millimetre allows. */
export function judgeFloatMass(
  massG: number,
  sigma: number,
  spec: SpecSheet,
  conditions: Conditions,
): Result<Judgement> {
  const bad = checkNumbers({ massG, sigma }, { above: { massG: 0, sigma: 0 } })
  if (bad) return bad
  const { floatMass, planArea, buoyancyArm, gravityArm } = spec.float
  const perGram = gravityArm / (conditions.densityKgM3 * 1e-6 * planArea * buoyancyArm)
  const limit = floatMass + LEVEL_RISE_MM / perGram
  const verdict = judge(massG, sigma, null, limit)
  if (isRefusal(verdict)) return verdict
  const excess = massG - floatMass
  const base = {
    pIn: verdict.pIn,
    limit,
    unit: 'g' as const,
    rule: `level may rise ${LEVEL_RISE_MM} mm: ${figure(limit)} g`,
  }
  if (verdict.verdict === 'doubtful')
    return {
      ...base,
      disposition: 'replace',
      sure: false,
      sentence: `Right at the limit of ${figure(limit)} g. Dry it and weigh it again.`,
    }
  if (verdict.verdict === 'in')
    return {
      ...base,
      disposition: 'reuse',
      sure: true,
      sentence:
        excess < -0.3
          ? `Lighter than new (${figure(floatMass)} g): is it the right float?`
          : `New is ${figure(floatMass)} g: no fuel in it now.`,
    }
  return {
    ...base,
    disposition: 'replace',
    sure: true,
    sentence: `New is ${figure(floatMass)} g: ${figure(excess)} g of fuel in it. The level stands ${figure(excess * perGram)} mm too high.`,
  }
}
