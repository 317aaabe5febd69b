import type { Sheets } from '../../sheets/index.ts'
import { causes, type Cause } from './causes.ts'
import { causeOfUnit } from './of-unit.ts'

export * from '../../log/index.ts'
export { causes } from './causes.ts'
export { causeOfUnit } from './of-unit.ts'
export { unitHas, type SaidByUnit, type UnitThing } from './unit-has.ts'
export interface Said {
  symptom: string
  band: string
  temperature: string
  when: string
}

export type Tests = Readonly<Record<string, { result: 'good' | 'bad' | 'none' }>>

export interface Suspect {
  code: string
  finding: string
  look: string
  /** its share among the causes of the table, 0 to 1 */
  share: number
  /** the positions of the build sheet that would bear the finding */
  positions: string[]
}

/** A cause that does not name a symptom may still bring it along with others. */
const UNNAMED = 0.02

/**
 * Which findings would explain a complaint, the likeliest first. Share = prior × chance of the symptom × what band, temperature
 * and occasion say for it × what the tests as received say, over the sum of all causes: Bayes with the answers taken as
 * independent given the cause. With the sheets, causes whose parts this list number lacks are left out
 * or said of the passage alone, and the look is that of its kind of mixture screw. Empty for a plain
 * overhaul. Source: the shop's own table in `causes.ts`.
 */
export function lookFirst(said: Said, tests: Tests = {}, sheets?: Pick<Sheets, 'build' | 'spec'>): Suspect[] {
  if (!causes.some((cause) => said.symptom in cause.symptoms)) return []
  const weighed = causes.flatMap((cause) => {
    const ofUnit = causeOfUnit(cause, sheets)
    return ofUnit ? [{ code: cause.code, ...ofUnit, weight: weightOf(cause, said, tests) }] : []
  })
  const sum = weighed.reduce((total, { weight }) => total + weight, 0)
  return weighed
    .map(({ weight, ...cause }) => ({ ...cause, share: weight / sum }))
    .sort((a, b) => b.share - a.share)
}

/** The few that are worth saying: at most four, each with a twelfth of the whole or more. */
export const firstLooks = (suspects: readonly Suspect[]): Suspect[] =>
  suspects.filter((suspect) => suspect.share >= 1 / 12).slice(0, 4)

/**
 * The symptoms that go with a throttle position, a temperature and an occasion, the likeliest first: for each the sum over all causes
 * of the same product as `lookFirst`. Nothing of them is left out: the order alone says what is offered first.
 */
export function symptomsThatFit(said: Omit<Said, 'symptom'>): string[] {
  const all = [...new Set(causes.flatMap((cause) => Object.keys(cause.symptoms)))]
  const weight = (symptom: string) =>
    causes
      .filter((cause) => symptom in cause.symptoms)
      .reduce((sum, cause) => sum + weightOf(cause, { ...said, symptom }, {}), 0)
  return all
    .map((symptom) => ({ symptom, weight: weight(symptom) }))
    .sort((a, b) => b.weight - a.weight)
    .map(({ symptom }) => symptom)
}

function weightOf(cause: Cause, said: Said, tests: Tests): number {
  let weight = cause.prior * (cause.symptoms[said.symptom] ?? UNNAMED)
  weight *= cause.bands?.[said.band] ?? 1
  weight *= cause.temperatures?.[said.temperature] ?? 1
  weight *= cause.whens?.[said.when] ?? 1
  for (const [test, [bad, good]] of Object.entries(cause.tests ?? {})) {
    const result = tests[test]?.result
    if (result === 'bad') weight *= bad
    if (result === 'good') weight *= good
  }
  return weight
}
