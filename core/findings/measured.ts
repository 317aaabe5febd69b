import { floatBalance } from '../float/level.ts'
import { floatBody } from '../float/geometry.ts'
import type { Conditions } from '../conditions/index.ts'
import { figure, judge, judgeBracket } from '../measure/index.ts'
import { flowChange } from '../metering/index.ts'
import { checkNumbers, isRefusal, refuse, type Result } from '../refusal/index.ts'
import type { Deciding, PartKind, SpecSheet } from '../sheets/index.ts'
import type { Disposition } from './conditions.ts'

/** What was measured of a part: a mass (g), a bracket between the pin that enters and the one that does not, a play, a warp (mm). */
export type Measured =
  | { what: 'mass'; value: number; sigma: number }
  | { what: 'bore'; go: number; no: number }
  | { what: 'play'; value: number; sigma: number }
  | { what: 'warp'; value: number; sigma: number }

export interface Judgement {
  disposition: Disposition
  /** false where measuring again with a finer gauge would tell */
  sure: boolean
  limit: number
  unit: 'g' | 'mm'
  rule: string
  sentence: string
}

/** How far the level may rise before a soaked float is renewed: half a millimetre. */
const LEVEL_RISE_MM = 0.5
/** Share of the idle air that may come in past the shaft (`physics.md` §8). */
export const SHAFT_LEAK_LIMIT = 0.05
/** Wear of a seat's bore, growth of a jet's bore that still counts as right. */
const SEAT_GROWTH_MM = 0.04
const JET_TOLERANCE = 0.02
/** Compression of a gasket at its bolts, and the least that seals, as shares of its thickness. */
const COMPRESSION_AT_BOLTS = 0.2
const COMPRESSION_THAT_SEALS = 0.05

/**
 * The verdict on a measured part by rule, with its limit. Refuses a measurement of another kind than the part's deciding one.
 */
export function judgeMeasured(
  kind: PartKind,
  deciding: Deciding,
  measured: Measured,
  spec: SpecSheet,
  conditions: Conditions,
): Result<Judgement> {
  if (measured.what !== deciding.what)
    return refuse('measured', `This part is decided by its ${deciding.what}.`)
  if (measured.what === 'mass') return judgeFloatMass(measured.value, measured.sigma, spec, conditions)
  if (measured.what === 'bore' && deciding.what === 'bore')
    return kind === 'seat'
      ? judgeSeat(measured.go, measured.no, deciding.newMm, spec, conditions)
      : judgeJet(measured.go, measured.no, deciding.newMm)
  if (measured.what === 'play' && deciding.what === 'play')
    return judgeShaft(measured.value, measured.sigma, deciding, spec)
  if (measured.what === 'warp' && deciding.what === 'warp')
    return judgeWarp(measured.value, measured.sigma, deciding.gasketMm)
  return refuse('measured', `This part is decided by its ${deciding.what}.`)
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
  const base = { limit, unit: 'g' as const, rule: `level may rise ${LEVEL_RISE_MM} mm: ${figure(limit)} g` }
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
          : `New is ${figure(floatMass)} g. It is dry.`,
    }
  return {
    ...base,
    disposition: 'replace',
    sure: true,
    sentence: `New is ${figure(floatMass)} g: ${figure(excess)} g of fuel in it. The level stands ${figure(excess * perGram)} mm too high.`,
  }
}

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
  const holds = `With this bore it holds ${figure(most)} kPa; the supply gives ${figure(conditions.pressureKpa)}.`
  const base = { limit, unit: 'mm' as const, rule: `bore up to ${figure(limit, 2)} mm` }
  if (most < conditions.pressureKpa)
    return { ...base, disposition: 'replace', sure: true, sentence: `New is ${figure(newMm, 2)}. ${holds}` }
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

/** A jet by go/no-go against its stamped bore (mm): narrower is varnish, wider is drilled. A pin reads the narrowest place. */
export function judgeJet(go: number, no: number, newMm: number): Result<Judgement> {
  const lo = newMm * (1 - JET_TOLERANCE)
  const hi = newMm * (1 + JET_TOLERANCE)
  const verdict = judgeBracket(go, no, lo, hi)
  if (isRefusal(verdict)) return verdict
  const middle = (go + no) / 2
  const change = flowChange(middle, newMm) * 100
  const base = {
    limit: hi,
    unit: 'mm' as const,
    rule: `${figure(lo, 2)} to ${figure(hi, 2)} mm, 2 % of the stamped size`,
  }
  if (no <= lo + 1e-9)
    return {
      ...base,
      disposition: 'clean',
      sure: true,
      sentence: `Stamped ${figure(newMm, 2)}: ${figure(-change, 0)} % less flow. Varnish: clean it soft and measure again.`,
    }
  if (go >= hi - 1e-9)
    return {
      ...base,
      disposition: 'replace',
      sure: true,
      sentence: `Stamped ${figure(newMm, 2)}: ${figure(change, 0)} % more flow. Drilled out.`,
    }
  if (verdict.verdict === 'in')
    return {
      ...base,
      disposition: 'reuse',
      sure: true,
      sentence: `Stamped ${figure(newMm, 2)}: it is right.`,
    }
  return {
    ...base,
    disposition: 'reuse',
    sure: false,
    sentence: `Stamped ${figure(newMm, 2)} may lie between these pins. Try a pair closer together.`,
  }
}

const AIR_R = 287.05
const SEA_LEVEL_PA = 101325
const INTAKE_K = 293.15
const IDLE_PRESSURE_PA = 35000
const IDLE_CHARGE_K = 320
const VOLUMETRIC = 0.75
const VISCOSITY = 1.81e-5
const CHOKED = 0.0404

/**
 * Share of the idle air that comes in past a worn throttle shaft (`physics.md` §8): each boss leaks the smaller of a choked
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
    (((engine.displacementL / 1000) * (engine.idleRpm / 120) * idlePressurePa) / (AIR_R * IDLE_CHARGE_K)) *
    VOLUMETRIC
  const clearance = playMm / 2000
  const diameter = shaft.shaftMm / 1000
  const slot =
    (0.6 * CHOKED * ((Math.PI * diameter * playMm) / 1000 / 4) * SEA_LEVEL_PA) / Math.sqrt(INTAKE_K)
  const annulus =
    (2.5 * 0.5 * Math.PI * diameter * clearance ** 3 * (SEA_LEVEL_PA ** 2 - idlePressurePa ** 2)) /
    (24 * VISCOSITY * AIR_R * INTAKE_K * (shaft.bossMm / 1000))
  return (shaft.bosses * Math.min(slot, annulus)) / idleFlow
}

function judgeShaft(
  play: number,
  sigma: number,
  deciding: Extract<Deciding, { what: 'play' }>,
  spec: SpecSheet,
): Result<Judgement> {
  const share = shaftLeakShare(play, deciding, spec.engine)
  if (isRefusal(share)) return share
  const limit = playAtLimit(deciding, spec)
  const verdict = judge(play, sigma, null, limit)
  if (isRefusal(verdict)) return verdict
  const base = {
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

function playAtLimit(deciding: Extract<Deciding, { what: 'play' }>, spec: SpecSheet): number {
  let low = 0
  let high = 2
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    const share = shaftLeakShare(middle, deciding, spec.engine)
    if (typeof share === 'number' && share < SHAFT_LEAK_LIMIT) low = middle
    else high = middle
  }
  return low
}

/** Departure from plane that a gasket of this thickness still seals, mm: (c_bolt − c_seal)·t. */
export const warpLimit = (gasketMm: number): number =>
  (COMPRESSION_AT_BOLTS - COMPRESSION_THAT_SEALS) * gasketMm

function judgeWarp(warp: number, sigma: number, gasketMm: number): Result<Judgement> {
  const limit = warpLimit(gasketMm)
  const verdict = judge(warp, sigma, null, limit)
  if (isRefusal(verdict)) return verdict
  const base = { limit, unit: 'mm' as const, rule: `a ${gasketMm} mm gasket takes up ${figure(limit, 2)} mm` }
  if (verdict.verdict === 'in')
    return {
      ...base,
      disposition: 'reuse',
      sure: true,
      sentence: `The gasket takes up ${figure(limit, 2)}. Flat enough.`,
    }
  if (verdict.verdict === 'out')
    return {
      ...base,
      disposition: 'repair',
      sure: true,
      sentence: `The gasket takes up ${figure(limit, 2)}. True the face; what comes off moves the float reading as much.`,
    }
  return {
    ...base,
    disposition: 'repair',
    sure: false,
    sentence: `Right at ${figure(limit, 2)}. Feel again with the thinnest leaf that enters.`,
  }
}
