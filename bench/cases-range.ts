import {
  chooseSizes,
  convertFuel,
  needleShift,
  powerOpens,
  rangeAir,
  rangeMixture,
  type Converted,
  type Offers,
  type PowerProblem,
  type RangeProblem,
} from '@ekrond/core/physics/range'
import { isRefusal, refuse, type Result } from '@ekrond/core/base/refusal'
import { answer, number, type Answer, type Case } from './case.ts'

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** A file's null says the same as a field that is left out. */
const said = <T extends object>(given: Record<string, unknown>): T =>
  Object.fromEntries(Object.entries(given).filter(([, value]) => value !== null)) as T

function problemOf(given: Case): Result<RangeProblem> {
  const { ref, now = {} } = given
  if (!isRecord(ref)) return refuse('ref', 'ref is what the sheet has: its parts and conditions.')
  if (!isRecord(now)) return refuse('now', 'now is what differs from ref.')
  return { ...said<RangeProblem>(given), ref: said(ref), now: said(now) }
}

/** The mixture over the whole opening, and what is chosen by it (`docs/physics.md` 21 to 28). */
export const rangeComputations: Record<string, (given: Case) => Answer> = {
  'range.mixture': (given) => {
    const problem = problemOf(given)
    return isRefusal(problem) ? problem : answer(rangeMixture(problem), (mixture) => ({ ...mixture }))
  },
  'range.choose': (given) => {
    const problem = problemOf(given)
    if (isRefusal(problem)) return problem
    if (!isRecord(given.offers)) return refuse('offers', 'Offers are lists of sizes by what is changed.')
    return answer(chooseSizes({ ...problem, offers: said<Offers>(given.offers) }), (choice) => ({
      ...choice,
    }))
  },
  'range.air': (given) =>
    answer(rangeAir(said<Parameters<typeof rangeAir>[0]>(given)), (air) => ({ ...air })),
  'needle.shift': (given) =>
    answer(
      needleShift({
        ...said<Parameters<typeof needleShift>[0]>(given),
        needleJet: number(given, 'needleJet'),
        main: number(given, 'main'),
        lift: number(given, 'lift'),
      }),
      (shift) => ({ ...shift }),
    ),
  'power.open': (given) => answer(powerOpens(said<PowerProblem>(given)), (power) => ({ ...power })),
  'fuel.convert': (given) => answer(convertFuel(said<Converted>(given)), (plan) => ({ ...plan })),
}
