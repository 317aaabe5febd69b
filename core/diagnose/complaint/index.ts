import { screwKindOf, type BuildSheet, type Position, type SpecSheet } from '../../sheets/index.ts'
import { causes, type Cause } from './causes.ts'

export * from '../../log/index.ts'
export { causes } from './causes.ts'
export interface Said {
  symptom: string
  band: string
  temperature: string
  when: string
}

export type Tests = Readonly<Record<string, { result: 'good' | 'bad' | 'none' }>>

/** As much of a unit's sheets as is needed to say what it can have. */
interface Unit {
  build: BuildSheet
  spec: Pick<SpecSheet, 'mixture'>
}

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
export function lookFirst(said: Said, tests: Tests = {}, sheets?: Unit): Suspect[] {
  if (!causes.some((cause) => said.symptom in cause.symptoms)) return []
  const build = sheets?.build
  const weighed = causes
    .filter(
      (cause) => !build || cause.kinds.length === 0 || cause.without || positionsOf(cause, build).length > 0,
    )
    .map((cause) => ({ cause, weight: weightOf(cause, said, tests) }))
  const sum = weighed.reduce((total, { weight }) => total + weight, 0)
  return weighed
    .map(({ cause, weight }) => ({
      code: cause.code,
      ...wordsOf(cause, sheets),
      share: weight / sum,
      positions: build ? positionsOf(cause, build).map((position) => position.code) : [],
    }))
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

function wordsOf(cause: Cause, sheets: Unit | undefined): { finding: string; look: string } {
  if (sheets && cause.without && positionsOf(cause, sheets.build).length === 0) return cause.without
  const kind = sheets && screwKindOf(sheets.spec)
  return { finding: cause.finding, look: (kind && cause.lookBy?.[kind]) ?? cause.look }
}

const positionsOf = (cause: Cause, build: BuildSheet): Position[] =>
  build.positions.filter(
    ({ kind, code, name }) => cause.kinds.includes(kind) && (cause.at?.test(`${code} ${name}`) ?? true),
  )
