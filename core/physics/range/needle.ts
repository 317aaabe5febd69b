import { checkNumbers, isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { areaOf, inSeries } from './circuit.ts'
import { needleFault } from './state.ts'

type Profile = readonly (readonly [number, number])[]

/** A needle's diameter at a lift, mm, linear between what was measured; null beyond it. */
function diameterAt(needle: Profile, lift: number): number | null {
  const first = needle[0]!
  const last = needle.at(-1)!
  if (lift < first[0] - 1e-9 || lift > last[0] + 1e-9) return null
  for (let i = 1; i < needle.length; i++) {
    const [y0, d0] = needle[i - 1]!
    const [y1, d1] = needle[i]!
    if (lift <= y1 || i === needle.length - 1) return d0 + ((d1 - d0) * (lift - y0)) / (y1 - y0)
  }
  return null
}

/** The ring round a needle in its jet, mm². Refuses `needle`: a lift beyond what was measured, a needle that fills its jet. */
export function ringAt(needle: Profile, needleJet: number, lift: number): Result<number> {
  const diameter = diameterAt(needle, lift)
  if (diameter === null)
    return refuse('needle', `The needle was not measured at a lift of ${Math.round(lift * 100) / 100} mm.`)
  if (diameter >= needleJet) return refuse('needle', 'The needle fills its jet: nothing flows round it.')
  return areaOf(needleJet) - areaOf(diameter)
}

/**
 * A needle and its jet in series with the main jet, before and after a change, mm², at a lift of the slide; `raise` mm up is +.
 * `docs/physics.md` 7 and 21. Refuses what is 0 or less by its name, and `needle`.
 */
export function needleShift({
  needleJet,
  main,
  needle,
  lift,
  raise = 0,
  newMain = main,
  newNeedleJet = needleJet,
}: {
  needleJet: number
  main: number
  needle: Profile
  lift: number
  raise?: number
  newMain?: number
  newNeedleJet?: number
}): Result<{ before: number; after: number; change: number }> {
  const bad =
    checkNumbers(
      { needleJet, main, newMain, newNeedleJet, lift, raise },
      { above: { needleJet: 0, main: 0, newMain: 0, newNeedleJet: 0 }, min: { lift: 0 } },
    ) ?? needleFault(needle)
  if (bad) return bad
  const was = ringAt(needle, needleJet, lift)
  if (isRefusal(was)) return was
  const is = ringAt(needle, newNeedleJet, lift + raise)
  if (isRefusal(is)) return is
  const before = inSeries(was, areaOf(main))
  const after = inSeries(is, areaOf(newMain))
  return { before, after, change: after / before - 1 }
}
