import { isRefusal } from '../../base/refusal/index.ts'
import { rangeMixture, type Metering, type RangeProblem } from '../../physics/range/index.ts'

/** So much of the doubt has to go before a measurement is worth its minutes. */
const WORTH = 0.12
const WIDE = [0.5, 0.75, 1] as const

/** A needle as they usually are, to try what knowing one would do; mm. */
const USUAL_NEEDLE = {
  needle: [
    [-3, 2.5],
    [4, 2.5],
    [30, 1.72],
  ],
  needleJet: 2.6,
} as const satisfies Partial<Metering>
const USUAL_LIFT_MM = 26

/** σ from half open on, the mean of it. */
function doubt(problem: RangeProblem, sizes: Partial<Metering>): number | null {
  const { lifts, ...asked } = problem
  const said = rangeMixture({
    ...asked,
    openings: WIDE,
    ...(lifts ? { lifts: WIDE.map((x) => x * USUAL_LIFT_MM) } : {}),
    now: { ...problem.now, ...sizes },
  })
  return isRefusal(said) ? null : said.sigma.reduce((sum, one) => sum + one, 0) / WIDE.length
}

/**
 * Which measurement would narrow the curve most, by trying what it is with a usual value of what nobody measured: bleed and nozzle by
 * pins, the needle by a micrometer. Null where none is worth it.
 */
export function narrowedBy(
  problem: RangeProblem,
  sizes: Partial<Metering>,
): { what: string; from: number; to: number } | null {
  const { ref, family } = problem
  const from = doubt(problem, sizes)
  if (from === null || ref.main === undefined) return null
  const tries: { what: string; with: RangeProblem }[] = []
  if (ref.mainBleed === undefined || ref.nozzle === undefined)
    tries.push({
      what: 'main air bleed and nozzle, by pins',
      with: {
        ...problem,
        ref: { ...ref, mainBleed: ref.mainBleed ?? ref.main * 1.3, nozzle: ref.nozzle ?? ref.main * 2.3 },
      },
    })
  if (family !== 'plate' && ref.needle === undefined)
    tries.push({
      what: 'the needle every 2 mm by micrometer, its jet, and how high the slide stands',
      with: { ...problem, ref: { ...ref, ...USUAL_NEEDLE, bore: USUAL_LIFT_MM }, lifts: [] },
    })
  const known = tries.flatMap((one) => {
    const to = doubt(one.with, sizes)
    return to === null || to > from * (1 - WORTH) ? [] : [{ what: one.what, from, to }]
  })
  return known.sort((a, b) => a.to - b.to)[0] ?? null
}
