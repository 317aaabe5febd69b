import { checkNumbers, refuse, type Result } from '../../base/refusal/index.ts'

/**
 * A pump linkage in a plane: throttle shaft at (0,0), angles rad counter-clockwise when opening in the view used, mm.
 * Lever hole at radius a and angle θ + leverAngle; pump pivot (pivotX, pivotY); input arm at ψ; link; output arm at ψ + ε.
 */
export interface Linkage {
  leverRadius: number
  leverAngle: number
  pivotX: number
  pivotY: number
  inputArm: number
  linkLength: number
  outputArm: number
  outputAngle: number
  elbow: 1 | -1
}

export interface LinkagePose {
  lever: [number, number]
  joint: [number, number]
  stem: [number, number]
  psi: number
}

/** Where the links stand at throttle angle θ (rad). Refuses `linkLength` where the circles do not meet. */
export function linkagePose(linkage: Linkage, theta: number): Result<LinkagePose> {
  const {
    leverRadius: a,
    leverAngle,
    pivotX: x,
    pivotY: y,
    inputArm: b,
    linkLength,
    outputArm: c,
    outputAngle,
  } = linkage
  const ax = a * Math.cos(theta + leverAngle)
  const ay = a * Math.sin(theta + leverAngle)
  const d = Math.hypot(ax - x, ay - y)
  const cosine = (b * b + d * d - linkLength * linkLength) / (2 * b * d)
  if (!(d > 0) || Math.abs(cosine) > 1)
    return refuse(
      'linkLength',
      `The linkage locks at ${((theta * 180) / Math.PI).toFixed(1)}° of throttle: the link does not reach there.`,
    )
  const psi = Math.atan2(ay - y, ax - x) - linkage.elbow * Math.acos(cosine)
  return {
    lever: [ax, ay],
    joint: [x + b * Math.cos(psi), y + b * Math.sin(psi)],
    stem: [x + c * Math.cos(psi + outputAngle), y + c * Math.sin(psi + outputAngle)],
    psi,
  }
}

export interface PumpStroke {
  stemAtIdle: number
  /** max − min of the stem's height over the travel, mm */
  stroke: number
  /** rad; where the stem turns back on the way, if it does */
  turnsBackAt?: number
}

/**
 * The stem's stroke from idle to wide open (rad). The extreme is found exactly: between sign changes of dy/dθ by
 * bisection. Refuses where the linkage locks on the way, naming the throttle angle.
 */
export function pumpStroke(linkage: Linkage, idle: number, wot: number): Result<PumpStroke> {
  const bad = checkLinkage(linkage, idle, wot)
  if (bad) return bad
  const steps = 720
  const at = (i: number) => idle + ((wot - idle) * i) / steps
  const heights: number[] = []
  for (let i = 0; i <= steps; i++) {
    const pose = linkagePose(linkage, at(i))
    if ('refused' in pose) return pose
    heights.push(pose.stem[1])
  }
  const y = (theta: number): number => {
    const pose = linkagePose(linkage, theta)
    return 'refused' in pose ? NaN : pose.stem[1]
  }
  let low = Math.min(heights[0]!, heights[steps]!)
  let high = Math.max(heights[0]!, heights[steps]!)
  let turnsBackAt: number | undefined
  for (let i = 1; i < steps; i++) {
    const before = heights[i]! - heights[i - 1]!
    const after = heights[i + 1]! - heights[i]!
    if (before * after >= 0) continue
    const theta = turningPoint(y, at(i - 1), at(i + 1), before > 0)
    turnsBackAt ??= theta
    low = Math.min(low, y(theta))
    high = Math.max(high, y(theta))
  }
  const stroke = { stemAtIdle: heights[0]!, stroke: high - low }
  return turnsBackAt === undefined ? stroke : { ...stroke, turnsBackAt }
}

/**
 * How much longer (positive) the link must be for the stem to stand at `targetStem` at idle (y from the throttle shaft, mm).
 * Closed form: the stem's height fixes ψ, ψ fixes the joint, the joint's distance from the lever hole is the link.
 * Of the two ψ that reach the height, the one nearer to the present. Refuses `targetStem` out of the arm's reach.
 */
export function linkChange(linkage: Linkage, idle: number, targetStem: number): Result<number> {
  const bad = checkLinkage(linkage, idle, idle) ?? checkNumbers({ targetStem })
  if (bad) return bad
  const now = linkagePose(linkage, idle)
  if ('refused' in now) return now
  const sine = (targetStem - linkage.pivotY) / linkage.outputArm
  if (Math.abs(sine) > 1)
    return refuse(
      'targetStem',
      'The arm cannot bring the stem to this height. Measure again from the same face.',
    )
  const rising = Math.asin(sine) - linkage.outputAngle
  const falling = Math.PI - Math.asin(sine) - linkage.outputAngle
  const candidates = [rising, falling]
    .map((psi) => psi + 2 * Math.PI * Math.round((now.psi - psi) / (2 * Math.PI)))
    .sort((a, b) => Math.abs(a - now.psi) - Math.abs(b - now.psi))
  for (const psi of candidates) {
    const joint: [number, number] = [
      linkage.pivotX + linkage.inputArm * Math.cos(psi),
      linkage.pivotY + linkage.inputArm * Math.sin(psi),
    ]
    const length = Math.hypot(joint[0] - now.lever[0], joint[1] - now.lever[1])
    const after = linkagePose({ ...linkage, linkLength: length }, idle)
    // The same branch only: bending a link does not fold the linkage over.
    if (!('refused' in after) && Math.abs(after.stem[1] - targetStem) < 1e-6)
      return length - linkage.linkLength
  }
  return refuse('targetStem', 'No length of the link brings the stem to this height without folding it over.')
}

function checkLinkage(linkage: Linkage, idle: number, wot: number) {
  const { leverRadius, leverAngle, pivotX, pivotY, inputArm, linkLength, outputArm, outputAngle, elbow } =
    linkage
  const bad = checkNumbers(
    {
      leverRadius,
      leverAngle,
      pivotX,
      pivotY,
      inputArm,
      linkLength,
      outputArm,
      outputAngle,
      elbow,
      idle,
      wot,
    },
    { above: { leverRadius: 0, inputArm: 0, linkLength: 0, outputArm: 0 } },
  )
  if (bad) return bad
  return elbow === 1 || elbow === -1 ? undefined : refuse('elbow', 'The elbow of the linkage is 1 or -1.')
}

/** Golden-section search for the one extreme of y between two angles. */
function turningPoint(y: (theta: number) => number, from: number, to: number, maximum: boolean): number {
  const ratio = (Math.sqrt(5) - 1) / 2
  const value = (theta: number) => (maximum ? -y(theta) : y(theta))
  let low = from
  let high = to
  for (let i = 0; i < 80; i++) {
    const a = high - ratio * (high - low)
    const b = low + ratio * (high - low)
    if (value(a) < value(b)) high = b
    else low = a
  }
  return (low + high) / 2
}
