import { isRefusal, type Result } from '../../base/refusal/index.ts'
import {
  ANOTHER_FUEL,
  chooseSizes,
  OPENINGS,
  type Choice,
  type RangeProblem,
} from '../../physics/range/index.ts'
import type { Stocked } from './changes.ts'
import type { JetSet, Size } from './unit.ts'

const STEP_MM = 0.025
const REACH = 0.45

/** Every 0.025 mm about a size, for where nobody has told what can be had. */
function everySize(about: number): number[] {
  const first = Math.ceil((about * (1 - REACH)) / STEP_MM)
  const last = Math.floor((about * (1 + REACH)) / STEP_MM)
  return Array.from({ length: last - first + 1 }, (_, i) => Math.round((first + i) * STEP_MM * 1000) / 1000)
}

/** A second pair of bores opens late: it is asked from half open on, and has no idle circuit. */
export const LATE = OPENINGS.filter((x) => x >= 0.5)
const late = (problem: RangeProblem): RangeProblem => ({
  ...problem,
  openings: LATE,
  shares: LATE.map(() => 0),
})

/** Of some sizes the best choice; a set that opens late has no idle circuit of its own. */
function choose(
  set: JetSet,
  problem: RangeProblem,
  mains: readonly number[],
  idles: readonly number[],
): Result<Choice> {
  const { clip } = set
  const raises = clip
    ? Array.from({ length: clip.grooves }, (_, i) => (i + 1 - clip.groove) * clip.grooveMm)
    : []
  return chooseSizes({
    ...(set.isLate ? late(problem) : problem),
    offers: {
      main: mains,
      ...(idles.length && problem.ref.idle !== undefined ? { idle: idles } : {}),
      ...(raises.length ? { raise: raises } : {}),
    },
  })
}

/** The drawer where it is good enough, else whatever can be bought. */
export function chooseFrom(set: JetSet, problem: RangeProblem, { mains, idles }: Stocked) {
  const sizes = (from: readonly Size[], about: number | undefined) =>
    from.length || about === undefined ? from.map((one) => one.mm) : everySize(about)
  const inDrawer = (from: readonly Size[]) => from.filter(({ drawer }) => drawer > 0).map((one) => one.mm)
  // What is pressed in is opened for another fuel only: it is for good.
  const pressed = set.pressed.length && isAnotherFuel(problem) ? everySize(problem.ref.idle!) : []
  const idleSizes = set.idles.length ? sizes(idles, problem.ref.idle) : pressed
  const drawer = choose(set, problem, inDrawer(mains), set.idles.length ? inDrawer(idles) : pressed)
  const all = choose(set, problem, sizes(mains, problem.ref.main), idleSizes)
  const best = isRefusal(drawer) || isRefusal(all) || drawer.inside ? drawer : all
  return { best, drawer, all }
}

const isAnotherFuel = ({ ref, now }: RangeProblem): boolean =>
  Math.abs((now.ethanol ?? 0) - (ref.ethanol ?? 0)) >= ANOTHER_FUEL
