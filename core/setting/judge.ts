import { indexShift, plateAngle, vacuumBreakBend } from '../choke/index.ts'
import type { Conditions } from '../conditions/index.ts'
import {
  dropSwing,
  fullLift,
  floatRotation,
  inflow,
  leverAt,
  levelInUse,
  seatWasher,
  stockWasher,
  tangBend,
} from '../float/index.ts'
import {
  alsoAs,
  canSettle,
  drillFor,
  figure,
  finerGauge,
  gaugeSigma,
  judge,
  judgeBracket,
  showTurns,
  showValue,
  type Gauge,
  type InOut,
} from '../measure/index.ts'
import { CD_NEEDLE_AND_SEAT, CD_PUMP_NOZZLE } from '../metering/index.ts'
import { leanerWay, richerWay } from '../mixture/index.ts'
import { linkChange, pistonVolume, pumpStroke, shotSeconds, type Linkage } from '../pump/index.ts'
import { isRefusal, refuse, type Result } from '../refusal/index.ts'
import type { PumpGeometry, SettingSpec, SpecSheet } from '../sheets/index.ts'
import { bendAsShare, needleWay } from './words.ts'

export interface Remedy {
  /** what is done to what */
  action:
    | 'bend tang'
    | 'bend arm'
    | 'change washer'
    | 'bend stop'
    | 'bend link'
    | 'turn cover'
    | 'turn screw'
    | 'move link'
    | 'renew'
  /** mm of bend, mm of washer, turns in eighths, notches; always positive */
  amount: number
  way: string
  words: string
  detail: string
}

/** What a reading means, as it is shown and frozen with the entry. */
export interface SettingJudgement {
  verdict: InOut
  pIn: number | null
  headline: string
  meaning: string
  remedy: Remedy | null
  /** what else it does or moves, in figures */
  facts: string[]
  assumes: string[]
}

export interface SettingContext {
  spec: SpecSheet
  specRev: string
  conditions: Conditions
  gauge: Gauge | null
  drawer: readonly Gauge[]
  /** the float height in force, for what depends on it (mm) */
  floatHeight: number | null
}

/**
 * Judges one setting's reading (stored units) against its band and says what to do about it, from the model's geometry.
 * `bracket`: the drill that enters and the next one that does not, where that is how it was read.
 * Refuses `reading` where pin, arm, plate or linkage cannot show it.
 */
export function judgeSetting(
  setting: SettingSpec,
  value: number,
  context: SettingContext,
  bracket?: { go: number; no: number },
): Result<SettingJudgement> {
  const standing = stand(setting, value, context, bracket)
  if (isRefusal(standing)) return standing
  const saying = sayings[setting.code] ?? plain
  return saying(setting, value, context, standing)
}

interface Standing {
  verdict: InOut
  pIn: number | null
  target: number
  off: number
  finer: string
}
type Saying = (
  setting: SettingSpec,
  value: number,
  context: SettingContext,
  standing: Standing,
) => Result<SettingJudgement>

function stand(
  setting: SettingSpec,
  value: number,
  context: SettingContext,
  bracket?: { go: number; no: number },
): Result<Standing> {
  const target = aim(setting)
  if (target === null)
    return refuse('target', 'The sheet gives no value for this. Take it as found, or ask for a sheet.')
  const off = value - target
  if (setting.quantity === 'turns' || setting.quantity === 'notches' || setting.quantity === 'count') {
    const lo = setting.lo ?? target
    const hi = setting.hi ?? target
    return { verdict: value >= lo && value <= hi ? 'in' : 'out', pIn: null, target, off, finer: '' }
  }
  const sigma = context.gauge ? gaugeSigma(context.gauge) : 0.05
  const judged = bracket
    ? judgeBracket(bracket.go, bracket.no, setting.lo, setting.hi)
    : judge(value, sigma, setting.lo, setting.hi)
  if (isRefusal(judged)) return judged
  const better =
    context.gauge && !canSettle(sigma, setting.lo, setting.hi)
      ? finerGauge(context.gauge, context.drawer, setting.lo, setting.hi)
      : undefined
  const finer =
    judged.verdict !== 'doubtful'
      ? ''
      : better
        ? `The ${context.gauge!.name} cannot settle it: take the ${better.name}.`
        : 'Measure it again.'
  return { ...judged, target, off, finer }
}

/** The value to set to: the sheet's target, else the middle of the band, else a little inside its one limit. */
export function aim(setting: Pick<SettingSpec, 'target' | 'lo' | 'hi'>): number | null {
  if (setting.target !== null) return setting.target
  if (setting.lo !== null && setting.hi !== null) return (setting.lo + setting.hi) / 2
  if (setting.hi !== null) return setting.hi * 0.97
  return setting.lo === null ? null : setting.lo * 1.03
}

const shortOrOver = (off: number, setting: SettingSpec) =>
  `${figure(Math.abs(off), setting.quantity === 'gap' ? 2 : Math.abs(off) < 0.1 ? 2 : 1)} ${off < 0 ? 'short' : 'over'}.`

function compose(
  standing: Standing,
  setting: SettingSpec,
  rest: { inWords: string; meaning: string; remedy: Remedy | null; facts: string[]; assumes?: string[] },
): SettingJudgement {
  const { verdict, pIn, off, finer } = standing
  const headline = verdict === 'in' ? 'In.' : verdict === 'doubtful' ? 'Doubtful.' : shortOrOver(off, setting)
  return {
    verdict,
    pIn,
    headline,
    meaning:
      verdict === 'in'
        ? rest.inWords
        : verdict === 'doubtful'
          ? `It may lie outside its band. ${finer}`
          : rest.meaning,
    remedy: verdict === 'out' ? rest.remedy : null,
    facts: rest.facts,
    assumes: rest.assumes ?? [],
  }
}

const floatHeight: Saying = (setting, value, context, standing) => {
  const { spec, conditions } = context
  const geometry = spec.float
  const lever = leverAt(geometry, value)
  if (isRefusal(lever)) return lever
  const now = levelInUse(geometry, value, conditions.pressureKpa, conditions.densityKgM3)
  if (isRefusal(now)) return now
  const wanted = levelInUse(geometry, standing.target, conditions.pressureKpa, conditions.densityKgM3)
  if (isRefusal(wanted)) return wanted
  const low = now.belowFace - wanted.belowFace
  const late = low < 0
  const level = `fuel would stand ${figure(Math.abs(low), 1)} mm ${late ? 'above' : 'below'} its mark.`
  const holds = now.holds
    ? `holds up to ${figure(now.maxPressure, 0)} kPa`
    : `cannot shut against ${figure(conditions.pressureKpa)} kPa`
  const facts = [`in use ${figure(now.belowFace)} below the face, wants ${figure(wanted.belowFace)}`, holds]
  const remedy = floatRemedy(setting, value, standing.target, context)
  if (isRefusal(remedy)) return remedy
  return compose(standing, setting, {
    inWords: `Fuel stands ${figure(now.belowFace)} mm below the face at ${figure(conditions.pressureKpa)} kPa.`,
    meaning: `It shuts off ${late ? 'late' : 'early'}: ${level}`,
    remedy,
    facts,
    assumes: conditions.assumes,
  })
}

function floatRemedy(
  setting: SettingSpec,
  value: number,
  target: number,
  { spec }: SettingContext,
): Result<Remedy | null> {
  const geometry = spec.float
  const lever = leverAt(geometry, value)
  if (isRefusal(lever)) return lever
  if (geometry.correction === 'washer') {
    const change = seatWasher(value, target, lever, geometry.seatFrom, (geometry.tangAngle * Math.PI) / 180)
    if (isRefusal(change)) return change
    const now = geometry.washerMm ?? 0
    const wanted = now + change.change
    const stock = stockWasher(wanted, geometry.washerStockMm)
    if (!stock || wanted <= 0 || Math.abs(stock.error) > 0.35)
      return {
        action: 'renew',
        amount: Math.abs(change.change),
        way: '',
        words: 'No washer in stock corrects this. Look at needle, seat and float.',
        detail: `it would take one of ${figure(wanted, 2)} mm in place of ${figure(now)}`,
      }
    return {
      action: 'change washer',
      amount: stock.mm,
      way: change.change > 0 ? 'thicker' : 'thinner',
      words: `Nothing is bent here. Fit a washer of ${stock.mm} mm under the seat in place of ${figure(now)}.`,
      detail: `${figure(Math.abs(change.change), 2)} mm ${change.change > 0 ? 'thicker' : 'thinner'} is wanted · the seat goes in from ${geometry.seatFrom === 'bowl' ? 'the bowl side' : 'outside'}`,
    }
  }
  if (geometry.correction === 'none')
    return {
      action: 'renew',
      amount: 0,
      way: '',
      words: 'This float cannot be adjusted. Renew float or needle.',
      detail: '',
    }
  const bend = tangBend(value, target, lever)
  if (isRefusal(bend)) return bend
  if (bend.toward === 'none') return null
  if (geometry.correction === 'arm') {
    const from = geometry.sense === 1 ? 'the face' : 'the bowl floor'
    const wayOfArm = target > value ? `away from ${from}` : `toward ${from}`
    const amount = Math.abs(target - value)
    return {
      action: 'bend arm',
      amount,
      way: wayOfArm,
      words: `Bend the float’s arm near its pin until the ${geometry.measurePoint.name} stands ${figure(amount)} mm ${wayOfArm}.`,
      detail: `${figure(bend.bend, 2)} mm at the tang, which stays as it is · hold the arm with pliers at the pin, never press the needle into its seat`,
    }
  }
  const way = needleWay(geometry.needleAt, setting.held, bend.toward)
  return {
    action: 'bend tang',
    amount: bend.bend,
    way,
    words: `Bend the tang ${figure(bend.bend, 2)} mm ${bend.toward === 'needle' ? 'toward the needle' : 'away from the needle'}: ${way}.`,
    detail: `${bendAsShare(bend.bend)} · lift the float off first, do not press on the needle`,
  }
}

const floatDrop: Saying = (setting, value, context, standing) => {
  const { spec, conditions } = context
  const geometry = spec.float
  const height = context.floatHeight ?? aim(spec.settings.find((s) => s.code === 'float.height')!)!
  const lever = leverAt(geometry, height)
  if (isRefusal(lever)) return lever
  const swing = dropSwing(height, value, lever.measureArm, lever.measureAngle, geometry.sense)
  if (isRefusal(swing)) return refuse('reading', swing.refused.why)
  const flow = inflow({
    ...lever,
    heightReading: height,
    dropReading: value,
    seatBore: geometry.seatBore,
    coneHalfAngle: (geometry.coneHalfAngle * Math.PI) / 180,
    pressure: conditions.pressureKpa,
    density: conditions.densityKgM3,
    cd: CD_NEEDLE_AND_SEAT,
    powerKw: spec.engine.powerKw,
    bsfc: spec.engine.bsfc,
    ethanol: conditions.ethanol,
    buoyancyArm: geometry.buoyancyArm,
    tangAngle: (geometry.tangAngle * Math.PI) / 180,
  })
  if (isRefusal(flow)) return flow
  const tooFar = geometry.sense * standing.off > 0
  const atTarget = floatRotation(value, standing.target, {
    ...lever,
    measureAngle: lever.measureAngle - swing,
  })
  if (isRefusal(atTarget)) return atTarget
  const stop = geometry.dropStop
  const amount = stop ? stop.arm * Math.abs(atTarget) : 0
  const gives = `${figure(flow.inflow, 0)} mL/min come in, ${figure(flow.demand, 0)} wanted at full load`
  return compose(standing, setting, {
    inWords: `The needle lifts ${figure(flow.lift)} mm: ${gives}.`,
    meaning: tooFar
      ? `It hangs too far: the needle can cock or leave its guide.`
      : `Too little drop: ${gives}.`,
    remedy: stop
      ? {
          action: 'bend stop',
          amount,
          way: tooFar ? 'toward its post' : 'away from its post',
          words: `Bend the ${stop.words} ${figure(amount, 2)} mm ${tooFar ? 'toward' : 'away from'} its post.`,
          detail: 'the height is read again afterwards',
        }
      : {
          action: 'renew',
          amount: 0,
          way: '',
          words: 'The drop is not adjustable here. Look at float, pin and needle.',
          detail: '',
        },
    facts: [
      gives,
      `margin ${figure(flow.margin)} (wants 1.3)`,
      `from ${figure(fullLift(geometry.seatBore, (geometry.coneHalfAngle * Math.PI) / 180))} mm of lift the seat is the narrow place`,
    ],
    assumes: conditions.assumes,
  })
}

export const linkageOf = (pump: PumpGeometry): Linkage => ({
  ...pump,
  leverAngle: (pump.leverAngle * Math.PI) / 180,
  outputAngle: (pump.outputAngle * Math.PI) / 180,
})

const pumpStem: Saying = (setting, value, { spec, conditions }, standing) => {
  const pump = spec.pump
  if (!pump) return refuse('reading', 'This list number has no pump.')
  const linkage = linkageOf(pump)
  const idle = (pump.idle * Math.PI) / 180
  const wot = (pump.wot * Math.PI) / 180
  // The link as it is: the length at which the stem stands where it was read.
  const asRead = linkChange(linkage, idle, value + pump.stemDatumY)
  if (isRefusal(asRead)) return refuse('reading', asRead.refused.why)
  const asWanted = linkChange(linkage, idle, standing.target + pump.stemDatumY)
  if (isRefusal(asWanted)) return asWanted
  const stroke = pumpStroke({ ...linkage, linkLength: linkage.linkLength + asRead }, idle, wot)
  if (isRefusal(stroke)) return refuse('reading', stroke.refused.why)
  const volume = pistonVolume(pump.wellBore, stroke.stroke)
  if (isRefusal(volume)) return volume
  const seconds = shotSeconds(
    volume,
    CD_PUMP_NOZZLE,
    pump.nozzleHoles,
    pump.nozzleBore,
    pump.springKpa,
    conditions.densityKgM3,
  )
  if (isRefusal(seconds)) return seconds
  const change = asWanted - asRead
  const facts = [
    `stroke ${figure(stroke.stroke)} mm`,
    `${figure(volume, 2)} mL a stroke, lasting ${figure(seconds)} s`,
  ]
  return compose(standing, setting, {
    inWords: `It gives ${figure(volume, 2)} mL a stroke.`,
    meaning: `The stem stands ${standing.off < 0 ? 'low' : 'high'}: ${figure(volume, 2)} mL a stroke.`,
    remedy: {
      action: 'bend link',
      amount: Math.abs(change),
      way: change > 0 ? 'longer' : 'shorter',
      words: `Bend the link ${figure(Math.abs(change), 2)} mm ${change > 0 ? 'longer' : 'shorter'}.`,
      detail: `${change > 0 ? 'open' : 'close'} its crank · off the lever, in a vise`,
    },
    facts,
  })
}

const chokeIndex: Saying = (setting, value, { spec }, standing) => {
  const choke = spec.choke
  if (!choke) return refuse('reading', 'This list number has no choke coil.')
  const shift = indexShift(choke.notchDegrees, choke.coilDegreesPerC, standing.off)
  if (isRefusal(shift)) return shift
  const shutsAt = choke.shutC + (value * choke.notchDegrees) / choke.coilDegreesPerC
  const rich = standing.off > 0
  const notches = Math.abs(standing.off)
  const judged = compose(standing, setting, {
    inWords: `The plate just shuts at ${figure(shutsAt, 0)} °C.`,
    meaning: `The plate just shuts at ${figure(shutsAt, 0)} °C, ${figure(Math.abs(shift), 0)} ${rich ? 'warmer' : 'colder'} than it should: ${rich ? 'it stays on too long' : 'it lets go too soon'}.`,
    remedy: {
      action: 'turn cover',
      amount: notches,
      way: rich ? 'lean' : 'rich',
      words: `Turn the cover ${notches} notch${notches === 1 ? '' : 'es'} ${rich ? 'lean' : 'rich'}.`,
      detail: 'loosen the three screws first; the tab stays in its slot',
    },
    facts: [`a notch is ${figure(choke.notchDegrees / choke.coilDegreesPerC)} °C`],
  })
  return standing.verdict === 'out'
    ? { ...judged, headline: `${notches} too ${rich ? 'rich' : 'lean'}.` }
    : judged
}

const vacuumBreak: Saying = (setting, value, { spec }, standing) => {
  const choke = spec.choke
  if (!choke) return refuse('reading', 'This list number has no vacuum break.')
  const angle = plateAngle(choke, value)
  if (isRefusal(angle)) return refuse('reading', angle.refused.why)
  const bend = vacuumBreakBend(choke, value, standing.target, choke.linkArm)
  if (isRefusal(bend)) return bend
  const drill = drillFor(standing.target, ['number', 'letter'])
  const opens = figure((angle * 180) / Math.PI, 0)
  return compose(standing, setting, {
    inWords: `It pulls the plate ${opens}° open.`,
    meaning: `It pulls the plate ${opens}° open: ${standing.off < 0 ? 'too rich after the start' : 'too lean after the start'}.`,
    remedy: {
      action: 'bend link',
      amount: Math.abs(bend),
      way: bend > 0 ? 'opens' : 'closes',
      words: `Bend the link ${figure(Math.abs(bend), 2)} mm so that the plate ${bend > 0 ? 'opens' : 'closes'}.`,
      detail: `drill ${drill.name} should just enter with the break held in`,
    },
    facts: [`${opens}° open`, `spec is drill ${drill.name}, ${alsoAs(standing.target, 'length')}`],
  })
}

const mixtureTurns: Saying = (setting, value, { spec }, standing) => {
  const { kind, mostEighths } = spec.mixture
  if (value > mostEighths)
    return refuse(
      'reading',
      `Thread and taper end at ${showTurns(mostEighths)} turns. Count again from the seat.`,
    )
  const eighths = Math.abs(standing.off)
  const way = standing.off < 0 ? 'out' : 'in'
  const judged = compose(standing, setting, {
    inWords: `Base only; it is trimmed on the engine. ${kind === 'fuel' ? 'In is leaner.' : 'In is richer.'}`,
    meaning: `${way === leanerWay(kind) ? 'Rich' : 'Lean'} of its base by ${showTurns(eighths)}.`,
    remedy: {
      action: 'turn screw',
      amount: eighths,
      way,
      words: `Turn it ${showTurns(eighths)} ${way}: that way is ${way === richerWay(kind) ? 'richer' : 'leaner'} on this unit.`,
      detail: 'counted from lightly seated; the tip marks its seat',
    },
    facts: [kind === 'fuel' ? 'in is leaner' : 'in is richer'],
  })
  return standing.verdict === 'out'
    ? { ...judged, headline: `${showTurns(eighths)} too far ${way === 'out' ? 'in' : 'out'}.` }
    : judged
}

const plain: Saying = (setting, value, _context, standing) => {
  const wanted = showValue(standing.target, setting.quantity)
  const judged = compose(standing, setting, {
    inWords: 'As the sheet has it.',
    meaning: `The sheet has ${wanted}.`,
    remedy: {
      action: 'move link',
      amount: Math.abs(standing.off),
      way: '',
      words: `Move it to ${wanted}.`,
      detail: '',
    },
    facts: [],
  })
  return standing.verdict === 'out'
    ? { ...judged, headline: `${showValue(value, setting.quantity)}, not ${wanted}.` }
    : judged
}

const sayings: Record<string, Saying> = {
  'float.height': floatHeight,
  'float.drop': floatDrop,
  'pump.stem': pumpStem,
  'choke.index': chokeIndex,
  'vacuumBreak.gap': vacuumBreak,
  'mixture.turns': mixtureTurns,
}
