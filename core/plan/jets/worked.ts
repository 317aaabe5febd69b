import { isRefusal, type Result } from '../../base/refusal/index.ts'
import { figure } from '../../measure/index.ts'
import {
  rangeMixture,
  toleranceAt,
  type Choice,
  type Metering,
  type RangeProblem,
} from '../../physics/range/index.ts'

export interface Curve {
  ratio: number[]
  sigma: number[]
}

/** One thing that changed, and by how much it alone enriches at idle and at full, as shares with their σ. */
export interface Changed {
  what: string
  from: string
  to: string
  idle: number
  full: number
  sigma: number
}

/** How the mixture stands over the opening, as it is and as proposed. */
export interface Curves {
  openings: readonly number[]
  /** how far off each opening may be, a share */
  tolerance: readonly number[]
  asIs: Curve
  proposed: Curve
  changed: Changed[]
  /** the largest doubt is over half of what is allowed: it has to be tried */
  tryAndRead: boolean
  /** it must not be run at full load as it is: leaner than 15 % from half open on */
  dangerous: boolean
  /** every opening within its tolerance, and the farthest off in tolerances */
  inside: boolean
  worst: number
}

export const CURVE = Array.from({ length: 41 }, (_, i) => i / 40)
/** Leaner than this from half open on burns holes (`docs/physics.md` 29). */
const DANGER = 0.85
/** Doubt from half open on that calls for a run, as a share: half of the tolerance of 3 %. */
const UNSURE = 0.015

const ROWS = [
  { key: 'altitude', what: 'Altitude', say: (n: number) => `${figure(n, 0)} m` },
  { key: 'temperatureC', what: 'Temperature', say: (n: number) => `${figure(n, 0)} °C` },
  { key: 'ethanol', what: 'Ethanol', say: (n: number) => `${figure(n * 100, 0)} %` },
  { key: 'boost', what: 'Boost', say: (n: number) => `${figure(n, 0)} kPa` },
  { key: 'box', what: 'Air box', say: (n: number) => `${figure(n, 1)} kPa` },
] as const

/** What another engine does alone. */
function engineChange(problem: RangeProblem): Changed[] {
  const [was, is] = [problem.ref.engine, problem.now.engine]
  if (!was || !is || was.displacement === is.displacement) return []
  const alone = rangeMixture({ ...problem, now: { engine: is }, openings: [0, 1] })
  if (isRefusal(alone)) return []
  const say = (n: number) => `${figure(n, 0)} cm³`
  return [
    {
      what: 'Engine',
      from: say(was.displacement),
      to: say(is.displacement),
      idle: alone.ratio[0]! - 1,
      full: alone.ratio[1]! - 1,
      sigma: alone.sigma[1]!,
    },
  ]
}

/** What each changed condition does alone. */
function changes(problem: RangeProblem): Changed[] {
  const { ref, now } = problem
  const ofEngine = engineChange(problem)
  const ofConditions = ROWS.flatMap(({ key, what, say }) => {
    const [was, is] = [ref[key] ?? 0, now[key] ?? ref[key] ?? 0]
    if (is === was) return []
    const alone = rangeMixture({ ...problem, now: { [key]: is }, openings: [0, 1] })
    if (isRefusal(alone)) return []
    const [idle, full] = [alone.ratio[0]! - 1, alone.ratio[1]! - 1]
    return [{ what, from: say(was), to: say(is), idle, full, sigma: alone.sigma[1]! }]
  })
  return [...ofConditions, ...ofEngine]
}

/** A problem over the whole opening as it is, and with some sizes changed. Refused by the field that is at fault. */
export function workOut(problem: RangeProblem, sizes: Partial<Metering>): Result<Curves> {
  const asIs = rangeMixture({ ...problem, openings: CURVE })
  if (isRefusal(asIs)) return asIs
  const proposed = rangeMixture({ ...problem, openings: CURVE, now: { ...problem.now, ...sizes } })
  if (isRefusal(proposed)) return proposed
  const tolerance = CURVE.map(toleranceAt)
  const wide = CURVE.flatMap((x, i) => (x >= 0.5 ? [i] : []))
  const worst = Math.max(...proposed.ratio.map((one, i) => Math.abs(one - 1) / tolerance[i]!))
  return {
    openings: CURVE,
    tolerance,
    asIs,
    proposed,
    changed: changes(problem),
    tryAndRead: wide.some((i) => proposed.sigma[i]! > UNSURE),
    dangerous: wide.some((i) => asIs.ratio[i]! < DANGER),
    inside: worst <= 1,
    worst,
  }
}

/** Where a screw may end, turns (`docs/physics.md` 27). */
const SCREW_TURNS = [0.75, 3] as const
/** Whether the idle jet may stay by where its screw ends, turns out. */
export const screwFits = (turns: number): boolean => turns >= SCREW_TURNS[0] && turns <= SCREW_TURNS[1]

/** A bore as it is said: two figures, three where the third counts. */
export const mm = (size: number): string => figure(size, 3).replace(/0$/, '')

const sentence = (words: string): string => `${words[0]!.toUpperCase()}${words.slice(1)}.`

/** What to fit, in one sentence. */
export function headlineOf(
  parts: readonly string[],
  { inside }: Pick<Choice, 'inside'>,
  changed: number,
): string {
  if (changed === 0) return 'Nothing changed: the sheet’s jets are right.'
  if (parts.length === 0)
    return inside ? 'The sheet’s jets stay.' : 'None of these sizes is better than the sheet’s.'
  return inside ? sentence(parts.join(', ')) : `Nearest of these sizes: ${parts.join(', ')}. Not near enough.`
}
