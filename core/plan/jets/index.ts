export { jetsBlank, type JetsAsked } from './asked.ts'
export { jetSets, sizesOf, type Size } from './unit.ts'
export { jobAskedBlank, type JobAsked } from './asked-of-job.ts'
export {
  jobJets,
  type JetsJob,
  type JobChange,
  type JobJets,
  type JobQuestion,
  type Offered,
} from './for-job.ts'
export { chooseOther, otherChoices, type OtherChoice } from './others.ts'
export type { FuelLine } from './fuel.ts'
export type { Heard } from './heard.ts'
export { screwFits, type Changed, type Curves } from './worked.ts'

import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { figure, parseLength, plainNumber } from '../../measure/index.ts'
import {
  ANOTHER_FUEL,
  chooseSizes,
  convertFuel,
  idleTrim,
  rangeFamilies,
  type Choice,
  type Conversion,
  type Metering,
  type RangeFamily,
  type RangeProblem,
} from '../../physics/range/index.ts'
import type { JetsAsked } from './asked.ts'
import { headlineOf, mm, screwFits, workOut, type Curves } from './worked.ts'

export interface JetsPlan extends Curves {
  choice: Choice
  /** sizes nobody named: every 0.025 mm was taken */
  assumedSizes: boolean
  /** what the fuel asks of everything else; null where it stays */
  conversion: Conversion | null
  /** where the idle screw then stands, turns */
  screw: number
  /** it ends in ¾ to 3 turns: the idle jet may stay */
  screwFits: boolean
  headline: string
}

const STEP_MM = 0.025
/** Sizes are looked for so far to both sides of the sheet's. */
const REACH = 0.45
const PLAIN = /^-?\d+([.,]\d+)?$/

function numberIn(asked: JetsAsked, key: keyof JetsAsked, name: string): Result<number> {
  const text = asked[key].trim()
  const value = PLAIN.test(text) ? plainNumber(text) : NaN
  return Number.isFinite(value) ? value : refuse(key, `“${text}” is not a ${name}. Type a number.`)
}

function bore(
  asked: JetsAsked,
  key: 'main' | 'idle' | 'mainBleed' | 'nozzle',
  name: string,
): Result<number | null> {
  const text = asked[key].trim()
  if (text === '' && key !== 'main') return null
  const read = parseLength(text)
  if (isRefusal(read)) return refuse(key, read.refused.why)
  if (read.mm > 0 && read.mm < 12) return read.mm
  return refuse(
    key,
    `The ${name}’s bore in mm: “${text}” would be ${figure(read.mm, 2)} mm. A number stamped on a jet may be hundredths of a millimeter, a flow or a drill: measure its bore.`,
  )
}

/** Sizes that exist, as they were typed, mm; every 0.025 mm about the sheet's where none were. */
function typedSizes(asked: JetsAsked, key: 'mains' | 'idles', about: number): Result<number[]> {
  const words = asked[key]
    .trim()
    .split(/[\s;]+/)
    .filter(Boolean)
  if (words.length === 0) {
    const first = Math.ceil((about * (1 - REACH)) / STEP_MM)
    const last = Math.floor((about * (1 + REACH)) / STEP_MM)
    return Array.from({ length: last - first + 1 }, (_, i) => Math.round((first + i) * STEP_MM * 1000) / 1000)
  }
  const sizes: number[] = []
  for (const word of words) {
    const read = parseLength(word)
    if (isRefusal(read)) return refuse(key, read.refused.why)
    sizes.push(read.mm)
  }
  return sizes
}

/** The question as the model takes it. Refused by the field that is at fault. */
function problemOf(asked: JetsAsked): Result<RangeProblem> {
  const family = rangeFamilies.find((one) => one === asked.family)
  if (!family)
    return refuse('family', 'Say whether a plate, a slide or a slide under a diaphragm meters the air.')
  const main = bore(asked, 'main', 'main jet')
  if (isRefusal(main)) return main
  const idle = bore(asked, 'idle', 'idle jet')
  if (isRefusal(idle)) return idle
  const mainBleed = bore(asked, 'mainBleed', 'main air bleed')
  if (isRefusal(mainBleed)) return mainBleed
  const nozzle = bore(asked, 'nozzle', 'nozzle')
  if (isRefusal(nozzle)) return nozzle
  const sides = (['', 'to'] as const).map((side): Result<Metering> => {
    const key = (name: string) =>
      (side ? `to${name[0]!.toUpperCase()}${name.slice(1)}` : name) as keyof JetsAsked
    const altitude = numberIn(asked, key('altitude'), 'altitude in meters')
    if (isRefusal(altitude)) return altitude
    if (altitude < -500 || altitude > 11_000)
      return refuse(key('altitude'), 'The altitude is in meters, −500 to 11,000.')
    const temperatureC = numberIn(asked, key('temperature'), 'temperature in °C')
    if (isRefusal(temperatureC)) return temperatureC
    if (temperatureC < -50 || temperatureC > 60)
      return refuse(key('temperature'), 'The air’s temperature is in °C, −50 to 60.')
    const ethanol = numberIn(asked, key('ethanol'), 'percentage of ethanol')
    if (isRefusal(ethanol)) return ethanol
    if (ethanol < 0 || ethanol > 100) return refuse(key('ethanol'), 'The share of ethanol is 0 to 100 %.')
    return { altitude, temperatureC, ethanol: ethanol / 100 }
  })
  const [ref, now] = sides as [Result<Metering>, Result<Metering>]
  if (isRefusal(ref)) return ref
  if (isRefusal(now)) return now
  return {
    family,
    ref: {
      ...ref,
      main: main!,
      ...(idle === null ? {} : { idle }),
      ...(mainBleed === null ? {} : { mainBleed }),
      ...(nozzle === null ? {} : { nozzle }),
    },
    now,
  }
}

const FAMILY_WORDS: Readonly<Record<RangeFamily, string>> = {
  plate: 'Plate',
  slide: 'Slide',
  cv: 'Diaphragm slide',
}
export const familyChoices = rangeFamilies.map((family) => ({ family, words: FAMILY_WORDS[family] }))

/**
 * Which jets for another place, another fuel (`docs/physics.md` 21 to 28): the mixture over the opening as it is and as proposed, the
 * fewest sizes to change, what each condition does alone. Everything is a ratio to the sheet's parts at the sheet's conditions. Refused
 * by the field that is at fault.
 */
export function jetsPlan(asked: JetsAsked): Result<JetsPlan> {
  const problem = problemOf(asked)
  if (isRefusal(problem)) return problem
  const mains = typedSizes(asked, 'mains', problem.ref.main!)
  if (isRefusal(mains)) return mains
  // A sheet without an idle jet has its idle by a drilling, which stays.
  const idles = problem.ref.idle === undefined ? [] : typedSizes(asked, 'idles', problem.ref.idle)
  if (isRefusal(idles)) return idles
  const turns = numberIn(asked, 'turns', 'number of turns')
  if (isRefusal(turns)) return turns
  if (turns <= 0) return refuse('turns', 'The screw stands some turns out: more than 0.')
  const choice = chooseSizes({
    ...problem,
    offers: { main: mains, ...(idles.length ? { idle: idles } : {}) },
  })
  if (isRefusal(choice)) return choice
  const curves = workOut(problem, choice.changes)
  if (isRefusal(curves)) return curves
  const screw = idleTrim(curves.proposed.ratio[0]!, asked.screw === 'air' ? 'air' : 'fuel', turns)
  if (isRefusal(screw)) return screw
  const conversion =
    Math.abs(problem.now.ethanol! - problem.ref.ethanol!) < ANOTHER_FUEL
      ? null
      : convertFuel({
          ethanol: problem.now.ethanol!,
          refEthanol: problem.ref.ethanol!,
          seat: 1,
          pumpVolume: 1,
        })
  if (conversion && isRefusal(conversion)) return conversion
  const { main, idle } = choice.changes
  const parts = [
    main === undefined ? '' : `main jet ${mm(main)} instead of ${mm(problem.ref.main!)}`,
    idle === undefined ? '' : `idle jet ${mm(idle)} instead of ${mm(problem.ref.idle!)}`,
  ].filter(Boolean)
  return {
    ...curves,
    choice,
    assumedSizes: asked.mains.trim() === '' || (idles.length > 0 && asked.idles.trim() === ''),
    conversion,
    screw,
    screwFits: screwFits(screw),
    headline: headlineOf(parts, choice, curves.changed.length),
  }
}
