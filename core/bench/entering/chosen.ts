import { bodyOf, type DataOf, type JobState } from '../../log/index.ts'
import type { JobChange, Offered } from '../../plan/jets/index.ts'

/** What is proposed of itself; anything else was chosen by hand and stays. */
const PROPOSED = /^(jet\.(main|idle)|needle\.clip)(\/|$)/

/** Fuel (share of ethanol) and place (m) that jets were worked out for, and what else changed, in words. */
interface WorkedFor {
  ethanol: number
  altitudeM: number
  changes: readonly string[]
}

/**
 * What puts the proposed sizes on a job's sheet, and takes off it what was chosen before and is proposed no more. What stands there as
 * proposed already is not said again.
 */
export function enterChosen(
  state: JobState,
  body: number,
  { changes, offered }: { changes: readonly JobChange[]; offered: readonly Offered[] },
  { ethanol, altitudeM, changes: what }: WorkedFor,
  why: string,
): DataOf['cal.chosen'][] {
  const { chosen } = bodyOf(state, body)
  const worked = { ethanol, altitudeM, changes: [...what] }
  const now = changes
    .filter(({ of, nominal, shimMm }) => {
      const before = chosen[of]
      return (
        before === undefined ||
        before.nominal !== nominal ||
        (before.shimMm ?? 0) !== (shimMm ?? 0) ||
        before.for.ethanol !== ethanol ||
        before.for.altitudeM !== altitudeM
      )
    })
    .map(({ of, to, nominal, shimMm, instead, part }) => ({
      of,
      size: to,
      nominal,
      ...(shimMm ? { shimMm } : {}),
      instead,
      part,
      why,
      for: worked,
    }))
  const back = Object.entries(chosen).flatMap(([of, { instead }]) =>
    instead === null ||
    changes.some((one) => one.of === of) ||
    !(offered.some((one) => one.of === of) || PROPOSED.test(of))
      ? []
      : [{ of, size: String(instead), nominal: instead, instead, part: null, why, for: worked }],
  )
  return [...now, ...back]
}
