import { isRefusal, type Result } from '../../base/refusal/index.ts'
import { areaOf, passes } from './circuit.ts'
import { cdChange } from './fuel.ts'
import { meteringArea, NO_CHANGE, prepare, riseOf, type Prepared } from './prepare.ts'
import type { Filled, RangeProblem } from './state.ts'
import { along, MAIN_BEHIND_NEEDLE, POWER, SCREW } from './tables.ts'

/** Exponents where bleed, outlet or needle are not known (`docs/physics.md` 21). */
const BLEED = -0.15
const NOZZLE = 0.27
const NEEDLE_UNIT = { bleed: -0.07, nozzle: 0.13 }
/** How thinner air enriches each circuit: in jet area less than the root, for its bleed takes part of the signal. */
const IDLE_AIR = -0.35
const MAIN_AIR = -0.42
/** The rise of a changed size's logarithm that is not believed (`docs/physics.md` 23). */
const V = {
  main: 0.1,
  mainByK: 0.05,
  mainBehindNeedle: 0.2,
  bleed: 0.67,
  bleedByK: 0.08,
  nozzle: 0.2,
  newPart: 0.02,
  box: 0.35,
  lift: 0.6,
  liftKnown: 0.35,
  fuel: 0.06,
  idle: 0.09,
  idleByK: 0.05,
  idleBleed: 0.14,
  idleBleedByK: 0.12,
  screw: 0.5,
} as const

/** The doubt of how the mixture follows a changed main jet, as an exponent of its area: by what is known of the circuit. */
export function mainJetDoubt({ family, ref }: Pick<RangeProblem, 'family' | 'ref'>): number {
  if (family !== 'plate' && !ref.needle) return V.mainBehindNeedle
  return ref.mainBleed !== undefined && ref.nozzle !== undefined ? V.mainByK : V.main
}

/** One circuit's gain over the sheet's and the squares of what it is not sure of. */
export interface Gain {
  gain: number
  /** Σ v² */
  doubt: number
}

const ln2 = (a: number, b: number): number => Math.log(a / b) ** 2

const cdOf = (p: Prepared, now: Filled) => ({
  main: cdChange(p.ref.main, p.ref.ethanol, now.ethanol),
  power: cdChange(p.ref.power, p.ref.ethanol, now.ethanol),
})

/** A unit whose main circuit a needle meters that nobody measured. */
const isBlind = ({ problem, ref }: Prepared): boolean => problem.family !== 'plate' && !ref.needle

/** Whether the main circuit is worked out from its bores, and not by exponents. */
const mainByK = (p: Prepared): boolean =>
  !isBlind(p) && p.ref.mainBleed !== undefined && p.ref.nozzle !== undefined

/** The main circuit's metering area with sizes as `now` has them, mm²; of the sheet's own, without any fuel's change. Refuses `needle`. */
export const mainArea = (p: Prepared, now: Filled, i: number): Result<number> =>
  meteringArea(p, now, i, now === p.ref ? NO_CHANGE : cdOf(p, now))

/** How the main circuit's flow changes with its metering area (mm²), its bleed and its nozzle (mm; any number where there is none). */
export function mainFlow(
  p: Prepared,
  i: number,
  is: number,
  was: number,
  bleed: number,
  nozzle: number,
): number {
  const { ref, problem } = p
  // What runs have taught of this number's jet comes to what is reckoned.
  const learned = (is / was) ** (problem.mainOff?.by ?? 0)
  if (mainByK(p))
    return (
      (learned * passes(is, areaOf(bleed), areaOf(nozzle))) /
      passes(was, areaOf(ref.mainBleed!), areaOf(ref.nozzle!))
    )
  const needleUnit = problem.family !== 'plate'
  let q = learned * (is / was) ** jetPower(p, i)
  if (ref.mainBleed !== undefined)
    q *= (bleed / ref.mainBleed) ** (2 * (needleUnit ? NEEDLE_UNIT.bleed : BLEED))
  if (ref.nozzle !== undefined) q *= (nozzle / ref.nozzle) ** (2 * (needleUnit ? NEEDLE_UNIT.nozzle : NOZZLE))
  return q
}

const jetPower = (p: Prepared, i: number): number =>
  isBlind(p) && p.problem.family !== 'plate'
    ? along(MAIN_BEHIND_NEEDLE[p.problem.family], p.openings[i]!)
    : POWER.main

/** What the main circuit gains at the i-th opening whatever its sizes: air, fuel, air box, venturi. */
export function mainRest(p: Prepared, i: number): number {
  const [was, is] = [p.ref.engine?.venturi, p.now.engine?.venturi]
  // Another venturi makes another signal from the same air: the main jet's flow goes by its area.
  const venturi = was !== undefined && is !== undefined ? areaOf(was) / areaOf(is) : 1
  return p.density * p.air ** MAIN_AIR * Math.sqrt(boxAt(p, i)) * venturi
}

const boxAt = (p: Prepared, i: number): number => (p.openings[i]! > 0 ? p.box : 1)

/** The main circuit at the i-th opening with sizes as `now` has them. Refuses `needle`. */
function mainGain(p: Prepared, now: Filled, i: number): Result<Gain> {
  const { ref } = p
  const was = mainArea(p, ref, i)
  if (isRefusal(was)) return was
  const is = mainArea(p, now, i)
  if (isRefusal(is)) return is
  const h = startOf(p, now, i)
  const gain = mainFlow(p, i, is, was, now.mainBleed ?? NaN, now.nozzle ?? NaN) * mainRest(p, i) * h
  const byK = mainByK(p)
  const bleedPower = p.problem.family === 'plate' ? BLEED : NEEDLE_UNIT.bleed
  const parts = (
    [
      ['main', true],
      ['rod', true],
      ['needleJet', true],
      ['power', p.openings[i]! >= now.powerFrom],
    ] as const
  ).filter(([key, flows]) => flows && now[key] !== ref[key]).length
  const doubt =
    (p.problem.mainOff?.sigma ?? mainJetDoubt(p.problem)) ** 2 * ln2(is, was) +
    (ref.mainBleed === undefined
      ? 0
      : (byK ? V.bleedByK : V.bleed * bleedPower) ** 2 * ln2(areaOf(now.mainBleed!), areaOf(ref.mainBleed))) +
    (ref.nozzle === undefined || byK ? 0 : V.nozzle ** 2 * ln2(areaOf(now.nozzle!), areaOf(ref.nozzle))) +
    parts * V.newPart ** 2 +
    V.box ** 2 * Math.log(boxAt(p, i)) ** 2 +
    (p.signalKnown ? V.liftKnown : V.lift) ** 2 * (h - 1) ** 2 +
    V.fuel ** 2 * Math.log(p.fuel) ** 2
  return { gain, doubt }
}

/** What the fuel's way up from the level to the lip takes of a changed signal: the main circuit starts later in thin air. */
export function startOf(p: Prepared, now: Filled, i: number): number {
  const H = riseOf(p.ref)
  const S = p.signals[i]! + H / 2
  const v = p.problem.family === 'cv' ? 1 : p.v[i]!
  const z = v ** 2 * p.air * boxAt(p, i)
  return Math.sqrt(Math.max(0, 1 - riseOf(now) / (z * S)) / (1 - H / S))
}

/** How much of the slot shows at an opening, mm. */
function shownOf(p: Prepared, one: Filled, x: number): number {
  const { length, atIdle } = one.slot!
  if (p.problem.family === 'slide') return Math.min(length, atIdle)
  const { bore, closedAngle = 8 } = one.engine!
  const shut = (closedAngle * Math.PI) / 180
  const radius = bore / (2 * Math.cos(shut))
  return Math.min(length, atIdle + radius * (Math.sin(shut + x * (Math.PI / 2 - shut)) - Math.sin(shut)))
}

/** The idle circuit's bleed and outlet at an opening, mm², the transfer slot with them: what shows feeds, what is hidden bleeds. */
function idleAreas(p: Prepared, one: Filled, x: number): { bleed: number; outlet: number } {
  const bleed = areaOf(one.idleBleed!)
  const outlet = one.idleOutlet!
  if (!one.slot) return { bleed, outlet }
  const shown = shownOf(p, one, x)
  return {
    bleed: bleed + one.slot.width * (one.slot.length - shown),
    outlet: outlet + one.slot.width * shown,
  }
}

/** The idle circuit at the i-th opening with sizes as `now` has them. */
export function idleGain(p: Prepared, now: Filled, i: number): Gain {
  const { ref, openings } = p
  const x = openings[i]!
  const cd = cdChange(ref.idle, ref.ethanol, now.ethanol)
  const jets = ref.idle === undefined ? null : ([areaOf(now.idle!) * cd, areaOf(ref.idle)] as const)
  const byK = jets !== null && ref.idleBleed !== undefined && ref.idleOutlet !== undefined
  const screwPower = along(SCREW, x)
  let q = 1
  let doubt = 0
  if (byK) {
    const [is, was] = [idleAreas(p, now, x), idleAreas(p, ref, x)]
    q = passes(jets[0], is.bleed, is.outlet) / passes(jets[1], was.bleed, was.outlet)
    doubt += V.idleByK ** 2 * ln2(...jets) + V.idleBleedByK ** 2 * ln2(is.bleed, was.bleed)
  } else {
    if (jets) {
      q *= (jets[0] / jets[1]) ** POWER.idle
      doubt += V.idle ** 2 * ln2(...jets)
    }
    if (ref.idleBleed !== undefined) {
      const bleeds = [areaOf(now.idleBleed!), areaOf(ref.idleBleed)] as const
      q *= (bleeds[0] / bleeds[1]) ** POWER.idleBleed
      doubt += V.idleBleed ** 2 * ln2(...bleeds)
    }
    if (ref.idleOutlet !== undefined) {
      q *= (now.idleOutlet! / ref.idleOutlet) ** screwPower
      doubt += (V.screw * screwPower) ** 2 * ln2(now.idleOutlet!, ref.idleOutlet)
    }
  }
  if (now.idle !== ref.idle) doubt += V.newPart ** 2
  doubt += V.fuel ** 2 * Math.log(p.fuel) ** 2
  return { gain: q * p.density * p.air ** IDLE_AIR * p.w[i]!, doubt }
}

const AIR_DOUBT = { cv: 0.12, other: 0.07 }
const ENGINE_DOUBT = { cv: 0.7, other: 0.3 }

/** Both circuits together at the i-th opening: how much richer than the sheet's parts at the sheet's conditions, and its σ. */
function together(p: Prepared, idle: Gain, main: Gain, i: number): { ratio: number; sigma: number } {
  const s = p.shares[i]!
  const sum = s * idle.gain + (1 - s) * main.gain
  const ratio = p.fuel * sum
  const cv = p.problem.family === 'cv'
  const relative =
    sum === 0
      ? 0
      : (((1 - s) * main.gain) / sum) ** 2 * main.doubt +
        ((s * idle.gain) / sum) ** 2 * idle.doubt +
        (((idle.gain - main.gain) * p.shareSigmas[i]!) / sum) ** 2
  const square =
    relative +
    ((cv ? AIR_DOUBT.cv : AIR_DOUBT.other) * Math.log(p.air)) ** 2 +
    ((cv ? ENGINE_DOUBT.cv : ENGINE_DOUBT.other) * Math.log(p.v[i]!)) ** 2
  return { ratio, sigma: ratio * Math.sqrt(square) }
}

/**
 * The mixture over the opening, as a ratio to the sheet's parts at the sheet's conditions, with its σ, both by opening
 * (`docs/physics.md` 21 to 23). Refused by the field that is at fault.
 */
export function rangeMixture(problem: RangeProblem): Result<{ ratio: number[]; sigma: number[] }> {
  const p = prepare(problem)
  if (isRefusal(p)) return p
  const ratio: number[] = []
  const sigma: number[] = []
  for (let i = 0; i < p.openings.length; i++) {
    const main = mainGain(p, p.now, i)
    if (isRefusal(main)) return main
    const both = together(p, idleGain(p, p.now, i), main, i)
    ratio.push(both.ratio)
    sigma.push(both.sigma)
  }
  return { ratio, sigma }
}
