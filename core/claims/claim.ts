import type { StationName } from '../stations/names.ts'

/** What something has to be shown about. */
export type ClaimOf = 'identity' | 'part' | 'renewal' | 'passage' | 'fuel'

/** Whether it was shown, and by what it is not: nobody looked, what showed it fell away, or what was said speaks against it. */
export type ClaimState = 'shown' | 'open' | 'void' | 'contradicted'

/**
 * One thing that has to be true of a unit before it may go back, and whether the log shows it. A unit is right only by what was shown:
 * what nobody looked at is open.
 */
export interface Claim {
  /** stable: kind, body, subject */
  id: string
  body: number
  of: ClaimOf
  /** a position, a branch, a feature */
  subject: string
  /** as the sheet calls it */
  name: string
  state: ClaimState
  /** entries that show it */
  shownBy: readonly string[]
  /** why it is not shown; empty where it is */
  why: string
  /** what would show it */
  next: string
  station: StationName
}

export const claimId = (of: ClaimOf, body: number, subject: string): string => `${of}:${body}:${subject}`
