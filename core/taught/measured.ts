import { learnRatio } from '../physics/float/index.ts'
import { isRefusal, refuse, type Result } from '../base/refusal/index.ts'
import { isPencil, type SpecSheet, factOf, facts, readFact, type Fact } from '../sheets/index.ts'
import type { Taught } from '../log/index.ts'
import { readFrom } from './read-from.ts'
import { scaled } from './scale.ts'
import { levelSpread } from './spread.ts'

/** σ of an area from length and width, as a share: form and caliper together. */
const AREA_SHARE = 0.05

/** What of a published unit is still only lent by its family, in the order in which it matters. */
export const unmeasured = (spec: SpecSheet): readonly Fact[] =>
  facts.filter(
    ({ code }) =>
      isPencil(spec, code) &&
      (code !== 'pin.floor' || spec.float.sense === -1) &&
      !(spec.float.guided && /^float\.(arm|tang)$/.test(code)),
  )

/**
 * A sheet that the bench taught, with one more of its facts measured on another unit of its kind: the fact is ink, what hangs on it
 * is worked out anew (size and outline by the arm, ratio, σ of the level). Refuses `fact` that is none or measured already, `text`.
 */
export function withMeasured(spec: SpecSheet, code: string, text: string): Result<SpecSheet> {
  const fact = factOf(code)
  const { taught } = spec
  if (!taught || !fact) return refuse('fact', 'Only what the bench taught has lines that can be measured.')
  if (!isPencil(spec, code))
    return refuse('fact', `${fact.name} is measured already. Correct its list number instead.`)
  const value = fact.choices ? pick(fact, text) : readFact(fact, text)
  return isRefusal(value) ? value : inked(spec, fact, typeof value === 'string' ? value : value.value)
}

/** What a sheet says of a fact, as `inked` takes it. */
export function saidOf({ float, mixture }: SpecSheet, code: string): string | number {
  switch (code) {
    case 'float.sense':
      return float.sense === -1 ? 'from the floor' : 'from the face'
    case 'float.correction':
      return float.correction
    case 'mixture.kind':
      return mixture.kind
    case 'float.arm':
      return Math.hypot(...float.measurePoint.at)
    case 'float.tang':
      return float.tangArm
    case 'seat.bore':
      return float.seatBore
    case 'float.mass':
      return float.floatMass
    case 'float.area':
      return float.planArea
    case 'float.depth':
      return float.depth
    case 'float.pin':
      return float.pinBelowFace
    default:
      return float.levelReading
  }
}

/** A taught sheet with one fact as it was seen; what hangs on it follows. */
export function inked(spec: SpecSheet, fact: Fact, value: string | number): SpecSheet {
  const taught = spec.taught!
  const measured = typeof value === 'string' ? chosen(spec, fact, value) : withValue(spec, fact, value)
  const pencil = taught.pencil.filter((one) => one !== fact.code)
  const ratio = ratioWith(measured, pencil)
  const known: SpecSheet = { ...measured, taught: { ...taught, pencil, ratio } }
  return {
    ...known,
    taught: { ...known.taught!, levelSigma: levelSpread(known, usual(known))?.sigma ?? null },
  }
}

function pick(fact: Fact, text: string): Result<string> {
  const value = fact.choices!.find((one) => one.value === text)?.value
  return value ?? refuse('text', `Choose one: ${fact.choices!.map(({ label }) => label).join(', ')}.`)
}

function chosen(spec: SpecSheet, fact: Fact, value: string): SpecSheet {
  if (fact.code === 'mixture.kind')
    return { ...spec, mixture: { ...spec.mixture, kind: value === 'air' ? 'air' : 'fuel' } }
  if (fact.code === 'float.correction')
    return { ...spec, float: { ...spec.float, correction: value as SpecSheet['float']['correction'] } }
  return {
    ...spec,
    float: { ...spec.float, sense: value === 'from the floor' ? -1 : 1 },
    settings: spec.settings.map((setting) =>
      readFrom(value, { float: hangs(spec.float) }, spec.float, setting),
    ),
  }
}

/** How the float of a taught sheet hangs: its log is not at hand any more. */
const hangs = ({ guided, hangsOn }: SpecSheet['float']): Taught['float'] =>
  guided ? 'on a pin' : hangsOn === undefined ? 'in the bowl' : 'from the cover'

function withValue(spec: SpecSheet, fact: Fact, value: number): SpecSheet {
  const { float } = spec
  switch (fact.code) {
    case 'float.arm':
      return sized(spec, value)
    case 'float.tang':
      return { ...spec, float: { ...float, tangArm: value } }
    case 'seat.bore':
      return { ...spec, float: { ...float, seatBore: value } }
    case 'float.mass':
      return { ...spec, float: { ...float, floatMass: value } }
    case 'float.area':
      return { ...spec, float: { ...float, planArea: value } }
    case 'float.depth':
      // A deeper float reaches lower from the point that is read.
      return {
        ...spec,
        float: { ...float, depth: value, undersideY: float.undersideY - (value - float.depth) },
      }
    case 'float.pin':
      return {
        ...spec,
        float: {
          ...float,
          pinBelowFace: value,
          levelReading:
            float.sense === 1 ? float.levelReading + (value - float.pinBelowFace) : float.levelReading,
        },
      }
    default:
      // The pin over the bowl's floor, where the floor is read from.
      return { ...spec, float: { ...float, levelReading: value } }
  }
}

/** The family's float at the size of its measured arm; what was measured of it before stays as it is. */
function sized(spec: SpecSheet, arm: number): SpecSheet {
  const k = arm / Math.hypot(...spec.float.measurePoint.at)
  const { float, section } = scaled(spec.float, spec.section, k)
  const before = spec.float
  const kept = <K extends keyof typeof float>(fact: string, field: K) =>
    isPencil(spec, fact) ? {} : { [field]: before[field] }
  const own = {
    ...float,
    ...kept('float.tang', 'tangArm'),
    ...kept('float.mass', 'floatMass'),
    ...kept('float.area', 'planArea'),
    ...kept('float.depth', 'depth'),
    ...kept('float.pin', 'pinBelowFace'),
  }
  const shift = before.sense === 1 ? own.pinBelowFace - float.pinBelowFace : 0
  const floor = before.sense === -1 && !isPencil(spec, 'pin.floor')
  return {
    ...spec,
    section,
    float: {
      ...own,
      undersideY: float.undersideY - (own.depth - float.depth),
      levelReading: floor ? before.levelReading : own.levelReading + shift,
    },
  }
}

/** Once both arms are measured they weigh in the ratio, beside what it rested on. */
function ratioWith(spec: SpecSheet, pencil: readonly string[]): NonNullable<SpecSheet['taught']>['ratio'] {
  const { ratio } = spec.taught!
  const { float } = spec
  if (float.guided || pencil.includes('float.sense')) return ratio
  const both = !pencil.includes('float.arm') && !pencil.includes('float.tang')
  if (ratio?.arms || !both) return ratio
  const k = Math.hypot(...float.measurePoint.at) / float.tangArm
  const learned = learnRatio({
    sense: float.sense,
    target: 0,
    reading: 0,
    tries: [],
    prior: ratio ? { k: ratio.k, relSigma: ratio.relSigma } : { k, relSigma: 0.25 },
    arms: {
      rm: Math.hypot(...float.measurePoint.at),
      sigmaRm: factOf('float.arm')!.sigma,
      rt: float.tangArm,
      sigmaRt: factOf('float.tang')!.sigma,
    },
  })
  return isRefusal(learned)
    ? ratio
    : { k: learned.k, relSigma: learned.sigmaK / learned.k, tries: ratio?.tries ?? 0, arms: true }
}

/** Each measured fact with the σ that its kind of reading has. */
function usual(spec: SpecSheet): Record<string, { sigma: number }> {
  return Object.fromEntries(
    facts
      .filter(({ code, choices }) => !choices && !isPencil(spec, code))
      .map(({ code, sigma }) => [
        code,
        { sigma: code === 'float.area' ? AREA_SHARE * spec.float.planArea : sigma },
      ]),
  )
}
