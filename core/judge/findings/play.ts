import { AIR_GAS_CONSTANT, SEA_LEVEL_KPA, ZERO_CELSIUS_K } from '../../base/constants/index.ts'
import { bisect } from '../../measure/fit/index.ts'
import type { PartMeasuredBy } from '../../log/index.ts'
import { figure, judge, parseLength } from '../../measure/index.ts'
import { checkNumbers, isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import type { SpecSheet } from '../../sheets/index.ts'
import type { DecidingOf, Finding, Judgement } from './kind.ts'

/** Share of the idle air that may come in past the shaft (`docs/physics.md` 8). */
const SHAFT_LEAK_LIMIT = 0.05

/** Diametral play of a throttle shaft, mm: air past it that nobody metered. */
export const play: Finding<PartMeasuredBy<'play'>> = {
  label: 'Play at the shaft',
  unit: 'mm',
  hint: 'rocked, diametral',
  gauge: 'indicator',
  read(raw, sigma) {
    const read = parseLength(raw)
    return isRefusal(read) ? read : { what: 'play', value: read.mm, sigma }
  },
  range: ({ value }, { shaftMm }) => ({
    value,
    near: 0.1,
    least: 0,
    most: shaftMm / 5,
    unit: 'mm',
    limits: `the shaft is ${figure(shaftMm)} mm thick and would fall about in its boss`,
  }),
  judge: ({ value, sigma }, { deciding }, spec) => judgeShaft(value, sigma, deciding, spec),
}

const SEA_LEVEL_PA = SEA_LEVEL_KPA * 1000
const INTAKE_K = ZERO_CELSIUS_K + 20
const IDLE_PRESSURE_PA = 35000
const IDLE_CHARGE_K = 320
const VOLUMETRIC = 0.75
const VISCOSITY = 1.81e-5
const CHOKED = 0.0404

/**
 * Share of the idle air that comes in past a worn throttle shaft (`docs/physics.md` 8): each boss leaks the smaller of a choked
 * slot and a laminar annulus. Play is diametral, mm; displacement L; idle rpm.
 */
export function shaftLeakShare(
  playMm: number,
  shaft: { shaftMm: number; bossMm: number; bosses: number },
  engine: { displacementL: number; idleRpm: number },
  idlePressurePa = IDLE_PRESSURE_PA,
): Result<number> {
  const bad = checkNumbers(
    {
      play: playMm,
      shaftMm: shaft.shaftMm,
      bossMm: shaft.bossMm,
      bosses: shaft.bosses,
      displacementL: engine.displacementL,
      idleRpm: engine.idleRpm,
    },
    { min: { play: 0 }, above: { shaftMm: 0, bossMm: 0, bosses: 0, displacementL: 0, idleRpm: 0 } },
  )
  if (bad) return bad
  if (idlePressurePa >= 0.528 * SEA_LEVEL_PA)
    return refuse('idlePressurePa', 'The idle vacuum is too weak for this reckoning.')
  const idleFlow =
    (((engine.displacementL / 1000) * (engine.idleRpm / 120) * idlePressurePa) /
      (AIR_GAS_CONSTANT * IDLE_CHARGE_K)) *
    VOLUMETRIC
  const clearance = playMm / 2000
  const diameter = shaft.shaftMm / 1000
  const slot =
    (0.6 * CHOKED * ((Math.PI * diameter * playMm) / 1000 / 4) * SEA_LEVEL_PA) / Math.sqrt(INTAKE_K)
  const annulus =
    (2.5 * 0.5 * Math.PI * diameter * clearance ** 3 * (SEA_LEVEL_PA ** 2 - idlePressurePa ** 2)) /
    (24 * VISCOSITY * AIR_GAS_CONSTANT * INTAKE_K * (shaft.bossMm / 1000))
  return (shaft.bosses * Math.min(slot, annulus)) / idleFlow
}

function judgeShaft(
  play: number,
  sigma: number,
  deciding: DecidingOf<'play'>,
  spec: SpecSheet,
): Result<Judgement> {
  const share = shaftLeakShare(play, deciding, spec.engine)
  if (isRefusal(share)) return share
  const limit = playAtLimit(deciding, spec)
  const verdict = judge(play, sigma, null, limit)
  if (isRefusal(verdict)) return verdict
  const base = {
    pIn: verdict.pIn,
    limit,
    unit: 'mm' as const,
    rule: `no more than ${SHAFT_LEAK_LIMIT * 100} % of the idle air: ${figure(limit, 2)} mm`,
  }
  const words = `${figure(share * 100)} % of the idle air comes in past it.`
  if (verdict.verdict === 'in')
    return { ...base, disposition: 'reuse', sure: true, sentence: `${words} It does not matter.` }
  if (verdict.verdict === 'out')
    return { ...base, disposition: 'repair', sure: true, sentence: `${words} Bush it.` }
  return {
    ...base,
    disposition: 'repair',
    sure: false,
    sentence: `${words} At the limit of ${figure(limit, 2)} mm: measure it with the indicator.`,
  }
}

function playAtLimit(deciding: DecidingOf<'play'>, spec: SpecSheet): number {
  return bisect(0, 2, (play) => {
    const share = shaftLeakShare(play, deciding, spec.engine)
    return typeof share === 'number' && share < SHAFT_LEAK_LIMIT
  }).low
}
