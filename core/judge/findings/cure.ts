import { type FindingData, bodyOf, lastSaid, type Judged, type JobState, seqOf } from '../../log/index.ts'
import { type Disposition, nameOn, type Sheets } from '../../sheets/index.ts'

/** A finding that nothing has cured yet. */
export interface Uncured {
  position: string
  name: string
  finding: FindingData
  /** what its rule asked for */
  wants: Disposition
  /** against the rule, with a reason: it is left as found, and two people answer for that */
  left: boolean
  /** what would cure it, in words */
  cure: string
}

/** From nothing to be done to the worst. */
export const HARSHNESS: readonly Disposition[] = ['reuse', 'clean', 'repair', 'replace', 'condemn']

/**
 * Every finding of a body that asks for something and has not had it, parts that stay in among them. Cleaning and repair are cured by
 * looking or measuring again at the same place, with a measurement where one decided before; a part that is to be replaced by another
 * one on, put there since; a condemned one by that or by a later judgement that passes. An override leaves it as it was.
 */
export function uncured(state: JobState, sheets: Sheets, body = 1): Uncured[] {
  const here = bodyOf(state, body)
  return Object.entries(here.findings).flatMap(([position, { said }]): Uncured[] => {
    const last = said.findLastIndex((one) => asks(one))
    if (last < 0) return []
    const finding = said[last]!
    const passedLater = said.slice(last + 1).some(
      (one) =>
        !asks(one) &&
        one.sure &&
        (finding.measured === null || one.measured !== null) &&
        // What was to be replaced is not called sound again by the same hand and the same look.
        (!isAdverse(finding) || one.measured !== null || one.by !== finding.by),
    )
    if (passedLater) return []
    const on = here.on[position]
    const renewed =
      on !== undefined && on.from !== 'old' && seqOf(state, on.entry) > seqOf(state, finding.entry)
    if (renewed) return []
    const stays = sheets.build.positions.find((one) => one.code === position)?.stays ?? false
    return [
      {
        position,
        name: nameOn(sheets, position),
        finding,
        wants: finding.ruled,
        left: isSofter(finding.disposition, finding.ruled),
        cure: cureOf(finding, stays),
      },
    ]
  })
}

/** Whether a judgement asks for something: by its rule, whatever was said against it. */
const asks = (finding: FindingData): boolean =>
  !isDoubtful(finding) && (finding.ruled !== 'reuse' || finding.disposition !== 'reuse')

/** A measurement that its gauge cannot settle is no finding: it is measured again with a finer one before anything follows from it. */
export const isDoubtful = (finding: Pick<FindingData, 'measured' | 'sure'>): boolean =>
  finding.measured !== null && !finding.sure

const isAdverse = ({ ruled, disposition }: FindingData): boolean =>
  [ruled, disposition].some((one) => one === 'replace' || one === 'condemn')

const isSofter = (a: Disposition, b: Disposition) => HARSHNESS.indexOf(a) < HARSHNESS.indexOf(b)

function cureOf(finding: FindingData, stays: boolean): string {
  const again = finding.measured ? 'measure it again' : 'look at it again'
  switch (finding.ruled === 'reuse' ? finding.disposition : finding.ruled) {
    case 'clean':
      return `clean it, then ${again}`
    case 'repair':
      return `repair it, then ${again}`
    case 'replace':
      return 'fit a new one'
    default:
      return stays
        ? 'another body, or the job closes as condemned; recut or sleeved it is judged again'
        : 'another one on, or the job closes as condemned'
  }
}

/**
 * What a part came in with: the last judgement that asked for something, else the last one. Cleaned or mended and measured again it
 * passes, and still was what it was found with: a complaint is explained by that.
 */
export const foundWith = (judged: Judged<FindingData> | undefined): FindingData | undefined =>
  judged?.said.findLast(asks) ?? lastSaid(judged)
