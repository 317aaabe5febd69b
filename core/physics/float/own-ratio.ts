import { isRefusal } from '../../base/refusal/index.ts'
import { learnRatio, type BendTry } from './learn.ts'

/** What a float whose arms are on its sheet has shown of itself. */
export interface OwnRatio {
  /** mm of reading to a mm at the tang, by sheet and tries */
  k: number
  /** the same by the sheet alone */
  sheetK: number
  tries: number
  /** its own tries and its sheet cannot both be: something is bent, worn or another float */
  another: boolean
}

/** How far a sheet's arms are from those of one unit, a share: castings, posts and pins differ by so much. */
const SHEET_REL_SIGMA = 0.08
/** Beyond this the unit is not the one that its sheet describes. */
const ANOTHER = 1.4

/** The ratio of reading to bend of a unit with a sheet, once it was bent here: the sheet as a prior, each try by its error. Null before a try. */
export function ownRatio(sheetK: number, sense: 1 | -1, tries: readonly BendTry[]): OwnRatio | null {
  const right = tries.filter(({ before, bend, after }) => sense * (after - before) * bend > 0)
  if (right.length === 0) return null
  const question = { sense, target: 0, reading: 0, tries: right }
  const learned = learnRatio({ ...question, prior: { k: sheetK, relSigma: SHEET_REL_SIGMA } })
  const alone = learnRatio(question)
  if (isRefusal(learned) || isRefusal(alone)) return null
  const off = Math.max(alone.k / sheetK, sheetK / alone.k)
  return {
    k: learned.k,
    sheetK,
    tries: right.length,
    // One bend may have been another one than it was said to be; two that agree are the unit's own.
    another: right.length > 1 && off > ANOTHER && Math.abs(alone.k - sheetK) > 2 * alone.sigmaK,
  }
}
