import { isRefusal } from '../../base/refusal/index.ts'
import { POWER, rangeMixture, type RangeProblem } from '../../physics/range/index.ts'
import { CURVE } from './worked.ts'

/** How much of the fuel each circuit has a hand in, by opening. */
export interface Rules {
  name: string
  share: number[]
}

/** How the fuel follows each part at each opening, by trying each a little larger. */
export function rulesOf(problem: RangeProblem): Rules[] {
  const { ref } = problem
  const asIs = { ...problem, now: {}, openings: CURVE }
  const before = rangeMixture(asIs)
  if (isRefusal(before)) return []
  const powerOf = (key: 'main' | 'idle'): number[] => {
    if (ref[key] === undefined) return CURVE.map(() => 0)
    const larger = rangeMixture({ ...asIs, now: { [key]: ref[key] * 1.01 } })
    if (isRefusal(larger)) return CURVE.map(() => 0)
    const full = key === 'main' ? POWER.main : POWER.idle
    return larger.ratio.map((one, i) =>
      Math.max(0, Math.min(1, Math.log(one / before.ratio[i]!) / (2 * full * Math.log(1.01)))),
    )
  }
  const idle = powerOf('idle')
  const main = powerOf('main')
  const rest = CURVE.map((_, i) => Math.max(0, 1 - idle[i]! - main[i]!))
  const needle = problem.family !== 'plate'
  return [
    { name: ref.idle === undefined ? 'idle' : 'idle jet', share: ref.idle === undefined ? rest : idle },
    ...(needle ? [{ name: 'needle', share: rest }] : []),
    { name: 'main jet', share: main },
  ]
}
