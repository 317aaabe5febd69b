import { learnRatio } from '../physics/float/index.ts'
import type { BodyState } from '../log/index.ts'
import type { OwnFact, Taught } from '../log/kinds/index.ts'
import { isRefusal } from '../base/refusal/index.ts'
import type { Borrowed, FloatGeometry, SpecSheet } from '../sheets/index.ts'
import { fromFloor } from './read-from.ts'
import { scaled } from './scale.ts'
import { withTries } from './tries.ts'

const PRIOR_REL_SIGMA = 0.25

const numberOf = (fact: OwnFact | undefined): number | undefined =>
  typeof fact?.value === 'number' ? fact.value : undefined

/** A taught unit's float and section: its family's at the size of its arm, with every dimension that was measured. */
export function floatOf(here: BodyState, { spec }: Borrowed, taught: Taught) {
  const said = here.ownFacts
  const arm = numberOf(said['float.arm'])
  const guided = taught.float === 'on a pin'
  const size = arm && !spec.float.guided ? arm / Math.hypot(...spec.float.measurePoint.at) : 1
  const { float, section } = scaled(spec.float, spec.section, size)
  const pin = numberOf(said['float.pin']) ?? float.pinBelowFace
  // A deeper float than its family's reaches lower from the point that is read.
  const deeper = (numberOf(said['float.depth']) ?? float.depth) - float.depth
  const sense = fromFloor(said['float.sense']?.value, taught.float, float.sense) ? -1 : 1
  const hangsOn = taught.float === 'in the bowl' ? undefined : float.hangsOn
  const correction = said['float.correction']?.value
  const geometry: FloatGeometry = {
    ...float,
    ...(guided ? { guided: true } : {}),
    sense,
    ...(hangsOn === undefined ? { hangsOn } : {}),
    pinBelowFace: pin,
    undersideY: float.undersideY - deeper,
    levelReading:
      sense === -1
        ? (numberOf(said['pin.floor']) ?? float.levelReading)
        : float.sense === -1
          ? // Its family's is read from the floor: from the face the pin's own depth is where it lies level.
            pin
          : float.levelReading + (pin - float.pinBelowFace),
    tangArm: numberOf(said['float.tang']) ?? float.tangArm,
    correction:
      correction === 'tang' || correction === 'arm' || correction === 'washer' || correction === 'none'
        ? correction
        : 'tang',
    seatBore: numberOf(said['seat.bore']) ?? float.seatBore,
    floatMass: numberOf(said['float.mass']) ?? float.floatMass,
    planArea: numberOf(said['float.area']) ?? float.planArea,
    depth: numberOf(said['float.depth']) ?? float.depth,
  }
  return { float: geometry, section }
}
/** The ratio of reading and bend by all that is known: the family's as a prior, arms, tries. Null while the sense is not known. */
export function ratioOf(
  here: BodyState,
  float: FloatGeometry,
  pencil: readonly string[],
): NonNullable<SpecSheet['taught']>['ratio'] {
  if (pencil.includes('float.sense') || float.guided) return null
  const rm = here.ownFacts['float.arm']
  const rt = here.ownFacts['float.tang']
  const tries = withTries(here, float.sense)
  const familyK = Math.hypot(...float.measurePoint.at) / float.tangArm
  const learned = learnRatio({
    sense: float.sense,
    target: 0,
    reading: 0,
    tries,
    prior: { k: familyK, relSigma: PRIOR_REL_SIGMA },
    ...(rm && rt
      ? {
          arms: {
            rm: rm.value as number,
            sigmaRm: rm.sigma ?? 0.3,
            rt: rt.value as number,
            sigmaRt: rt.sigma ?? 0.2,
          },
        }
      : {}),
  })
  if (isRefusal(learned)) return null
  return {
    k: learned.k,
    relSigma: learned.sigmaK / learned.k,
    tries: tries.length,
    arms: rm !== undefined && rt !== undefined,
  }
}
