import type { BodyState, JobState, SheetsByBody } from '../../log/index.ts'
import type { Sheets } from '../../sheets/index.ts'
import { claimsOf, isSettled, type Claim, type ClaimOf } from '../../claims/index.ts'
import type { StationName } from '../../base/stations/index.ts'

export type StationState = 'none' | 'begun' | 'done' | 'waits' | 'again'

/** One body of a job as a station looks at it. */
export interface BodyView {
  state: JobState
  all: SheetsByBody
  body: number
  here: BodyState
  sheets: Sheets | undefined
}

/** The same where it is identified and its sheets are here. */
export interface SheetedView extends BodyView {
  sheets: Sheets
}

/** What a station makes of a log. */
export interface Station {
  name: StationName
  /** where it stands for one body; without sheets it is asked only where `state` takes them as missing */
  state: (view: BodyView) => StationState
  /** where it stands in one line; `openPoints` counts what stands before the return */
  line: (view: SheetedView, openPoints: () => number) => string
  /** bench minutes that are left here for one body */
  minutes: (view: BodyView) => number
  /** whether somebody can go on here now */
  canGoOn: (view: BodyView) => boolean
}

/** Done, begun or not, from how much of it is done. */
export function progress(done: number, all: number, begun = done > 0): StationState {
  if (all > 0 && done >= all) return 'done'
  return begun ? 'begun' : 'none'
}

/** The claims of one body that a station sees to, of the kinds that are asked for. */
export const claimsAt = ({ state, sheets, body }: BodyView, ...of: ClaimOf[]): readonly Claim[] =>
  sheets ? claimsOf(state, sheets, body).filter((claim) => of.includes(claim.of)) : []

/** Minutes of what is not settled yet. */
export const minutesOf = (claims: readonly Claim[]): number =>
  claims.reduce((sum, claim) => sum + (isSettled(claim) ? 0 : claim.minutes), 0)
