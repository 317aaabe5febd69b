import { isRefusal, refuse, type Refusal, type Result } from '../../base/refusal/index.ts'
import { idleGain, mainArea, mainFlow, mainRest, startOf } from './mixture.ts'
import { prepare, type Prepared } from './prepare.ts'
import { isNumber, type Filled, type RangeProblem } from './state.ts'
import { toleranceAt } from './tables.ts'

/** What can be changed, in the order in which it is tried: level, idle, screw, clip, main, power, nozzle, bleeds (`docs/physics.md` 25). */
const changeOrder = [
  'lip',
  'idle',
  'idleOutlet',
  'raise',
  'main',
  'power',
  'nozzle',
  'idleBleed',
  'mainBleed',
] as const
export type ChangeKey = (typeof changeOrder)[number]
export type Offers = Partial<Record<ChangeKey, readonly number[]>>

export interface Choice {
  /** only what differs from how it is now */
  changes: Partial<Record<ChangeKey, number>>
  /** in which they are tried, one at a time */
  order: ChangeKey[]
  /** the farthest that any opening then lies from what is wanted, in tolerances */
  worst: number
  inside: boolean
}

/** Two that lie this near are alike. */
const ALIKE = 1e-12

/** Sizes of some parts together, of which so many are changed. */
interface Sized {
  sizes: Partial<Record<ChangeKey, number>>
  count: number
}
/** The same with what it makes at each opening. */
interface Made extends Sized {
  part: Float64Array
}

/** Every way of choosing among some parts' sizes, as it is now first. */
function ways(p: Prepared, offers: Offers, keys: readonly ChangeKey[]): Sized[] {
  return keys.reduce<Sized[]>(
    (some, key) =>
      some.flatMap(({ sizes, count }) => [
        { sizes, count },
        ...[...new Set(offers[key] ?? [])]
          .filter((size) => size !== p.now[key])
          .map((size) => ({ sizes: { ...sizes, [key]: size }, count: count + 1 })),
      ]),
    [{ sizes: {}, count: 0 }],
  )
}

/** What each way makes at each opening; a way that cannot be (a clip beyond its needle) is no choice. */
function made(p: Prepared, some: readonly Sized[], at: (now: Filled, i: number) => number | null): Made[] {
  return some.flatMap(({ sizes, count }) => {
    const now = { ...p.now, ...sizes }
    const part = new Float64Array(p.openings.length)
    for (let i = 0; i < part.length; i++) {
      const one = at(now, i)
      if (one === null) return []
      part[i] = one
    }
    return [{ sizes, count, part }]
  })
}

/** The offers by themselves: known keys, parts that are there, sizes that can be. */
function offersFault(p: Prepared, offers: Offers) {
  for (const [name, sizes] of Object.entries(offers)) {
    const key = changeOrder.find((one) => one === name)
    if (!key || !Array.isArray(sizes))
      return refuse('offers', 'Offers are lists of sizes by what is changed.')
    if (key === 'raise' && !p.ref.needle)
      return refuse('needle', 'To raise the needle, its diameters must be known.')
    if (key !== 'raise' && key !== 'lip' && p.ref[key] === undefined)
      return refuse(key, 'The sheet has no such part: what it would change is not known.')
    const least = (size: number) => (key === 'raise' ? true : key === 'lip' ? size >= 0 : size > 0)
    if (!sizes.every((size) => isNumber(size) && least(size)))
      return refuse(key, 'Every size that is offered must be more than 0.')
  }
  return undefined
}

const listOf = (
  given: number | readonly number[] | undefined,
  openings: readonly number[],
  otherwise: (x: number) => number,
): number[] | null => {
  if (given === undefined) return openings.map(otherwise)
  if (typeof given === 'number') return openings.map(() => given)
  return Array.isArray(given) && given.length === openings.length ? [...(given as number[])] : null
}

/**
 * Of all sizes that exist the fewest changes that bring every opening within its tolerance, of these the one whose worst opening lies
 * nearest; where none is inside, the one whose worst lies nearest (`docs/physics.md` 25). Exact: every combination is weighed or shown
 * to be no better. Refused by the field that is at fault.
 */
export function chooseSizes(
  problem: RangeProblem & {
    offers: Offers
    want?: readonly number[] | number
    tolerance?: readonly number[] | number
  },
): Result<Choice> {
  const p = prepare(problem)
  if (isRefusal(p)) return p
  if (typeof problem.offers !== 'object' || problem.offers === null)
    return refuse('offers', 'Offers are lists of sizes by what is changed.')
  const bad = offersFault(p, problem.offers)
  if (bad) return bad
  const want = listOf(problem.want, p.openings, () => 1)
  if (!want?.every((one) => isNumber(one) && one > 0))
    return refuse('want', 'What is wanted is a ratio above 0 for each opening.')
  const tolerance = listOf(problem.tolerance, p.openings, toleranceAt)
  if (!tolerance?.every((one) => isNumber(one) && one > 0))
    return refuse('tolerance', 'The tolerance must be more than 0, one for all openings or one for each.')
  const weighed = weigh(p, problem.offers, want, tolerance)
  if (isRefusal(weighed)) return weighed
  const { sizes: changes, worst } = weighed
  return {
    changes,
    order: changeOrder.filter((key) => changes[key] !== undefined),
    worst,
    inside: worst <= 1 + INSIDE,
  }
}

const INSIDE = 1e-9

interface Best {
  sizes: Partial<Record<ChangeKey, number>>
  worst: number
}

const byCount = <T extends Sized>(some: readonly T[]): T[][] => {
  const groups: T[][] = []
  for (const one of some) (groups[one.count] ??= []).push(one)
  return Array.from(groups, (group) => group ?? [])
}

/**
 * Every combination, from no change to all of them; the first number of changes that has one inside its tolerances ends it. The mixture
 * is a sum of the two circuits, and the main one a product of what meters, what bleeds and where it starts, so that few of them have to
 * be worked out and most are ruled out by the first opening.
 */
function weigh(
  p: Prepared,
  offers: Offers,
  want: readonly number[],
  tolerance: readonly number[],
): Result<Best> {
  const n = p.openings.length
  // |fuel·(idle + main)/want − 1|/tolerance = |idle + main − offset|, both scaled.
  const scale = want.map((one, i) => p.fuel / (one * tolerance[i]!))
  const offset = Float64Array.from(tolerance, (one) => 1 / one)
  let fault: Refusal | undefined
  const was = p.openings.map((_, i) => {
    const area = mainArea(p, p.ref, i)
    if (!isRefusal(area)) return area
    fault ??= area
    return NaN
  })
  const idle = byCount(
    made(
      p,
      ways(p, offers, ['idle', 'idleOutlet', 'idleBleed']),
      (now, i) => scale[i]! * p.shares[i]! * idleGain(p, now, i).gain,
    ),
  )
  const jets = byCount(
    made(p, ways(p, offers, ['raise', 'main', 'power']), (now, i) => {
      if (now.rod !== undefined && now.rod >= now.main!) return null
      const area = mainArea(p, now, i)
      if (!isRefusal(area)) return area
      fault ??= area
      return null
    }),
  )
  const ends = byCount(ways(p, offers, ['nozzle', 'mainBleed']))
  const lips = byCount(made(p, ways(p, offers, ['lip']), (now, i) => startOf(p, now, i)))
  // Not even as it is.
  if (!jets[0]?.length && fault) return fault
  const rest = p.openings.map((_, i) => scale[i]! * (1 - p.shares[i]!) * mainRest(p, i))
  const flows = new Map<Made, Map<Sized, Float64Array>>()
  const flowOf = (jet: Made, end: Sized): Float64Array => {
    let known = flows.get(jet)
    if (!known) flows.set(jet, (known = new Map<Sized, Float64Array>()))
    let flow = known.get(end)
    if (!flow) {
      const bleed = end.sizes.mainBleed ?? p.now.mainBleed ?? NaN
      const nozzle = end.sizes.nozzle ?? p.now.nozzle ?? NaN
      flow = new Float64Array(n)
      for (let i = 0; i < n; i++) flow[i] = rest[i]! * mainFlow(p, i, jet.part[i]!, was[i]!, bleed, nozzle)
      known.set(end, flow)
    }
    return flow
  }
  const reach = idle.map((group) => ({
    group,
    // One after the other, opening by opening: what is run through most lies together.
    parts: Float64Array.from(
      { length: n * group.length },
      (_, at) => group[at % group.length]!.part[Math.floor(at / group.length)]!,
    ),
    low: Float64Array.from({ length: n }, (_, i) => Math.min(...group.map(({ part }) => part[i]!))),
    high: Float64Array.from({ length: n }, (_, i) => Math.max(...group.map(({ part }) => part[i]!))),
  }))
  let best: Best | null = null
  let limit = Infinity
  // The opening that ruled out the last one is likely to rule out the next.
  let first = n - 1
  const main = new Float64Array(n)
  const against = (jet: Made, end: Sized, lip: Made, { group, parts, low, high }: (typeof reach)[number]) => {
    const flow = flowOf(jet, end)
    for (let i = 0; i < n; i++) {
      const here = flow[i]! * lip.part[i]! - offset[i]!
      if (here + low[i]! > limit || here + high[i]! < -limit) return
      main[i] = here
    }
    const many = group.length
    for (let k = 0; k < many; k++) {
      if (Math.abs(main[first]! + parts[first * many + k]!) >= limit) continue
      let worst = 0
      for (let i = 0; i < n && worst < limit; i++) {
        const off = Math.abs(main[i]! + parts[i * many + k]!)
        if (off <= worst) continue
        worst = off
        if (worst >= limit) first = i
      }
      if (worst >= limit - ALIKE) continue
      limit = worst
      best = { sizes: { ...group[k]!.sizes, ...jet.sizes, ...end.sizes, ...lip.sizes }, worst }
    }
  }
  const most = idle.length + jets.length + ends.length + lips.length - 4
  for (let count = 0; count <= most && !(limit <= 1 + INSIDE); count++)
    for (const [a, someJets] of jets.entries())
      for (const [b, someEnds] of ends.entries())
        for (const [c, someLips] of lips.entries()) {
          const others = reach[count - a - b - c]
          if (!others) continue
          for (const jet of someJets)
            for (const end of someEnds) for (const lip of someLips) against(jet, end, lip, others)
        }
  return best ?? fault ?? refuse('offers', 'None of the sizes can be built.')
}
