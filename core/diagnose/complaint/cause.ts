import type { ReceivedTest } from '../../log/index.ts'
import type { PartKind } from '../../sheets/index.ts'
import type { SaidByUnit } from './unit-has.ts'

/** What may be wrong, and how readily each thing that a customer says comes of it. */
export interface Cause extends SaidByUnit {
  code: string
  /** what would be found, as a finding is said */
  finding: string
  /** where and how to look */
  look: string
  /** the same by the kind of mixture screw, where the kind is known */
  lookBy?: Readonly<Record<'fuel' | 'air', string>>
  /** the parts that bear the finding; empty where it lies in a passage or a setting */
  kinds: readonly PartKind[]
  /** of those kinds, only positions whose code or name says so */
  at?: RegExp
  /** what is said where the list number has no such part, and the passage alone can bear it; else the cause is left out */
  without?: { finding: string; look: string }
  /** how often it is met at all, against the others */
  prior: number
  /** chance that a unit with this finding brings that symptom */
  symptoms: Readonly<Record<string, number>>
  /** how much the bands, temperatures and occasions that it is felt at speak for it; 1 says nothing */
  bands?: Readonly<Record<string, number>>
  temperatures?: Readonly<Record<string, number>>
  whens?: Readonly<Record<string, number>>
  /** what a test as received says: factor where it failed, where it passed */
  tests?: Readonly<Partial<Record<ReceivedTest, readonly [bad: number, good: number]>>>
}

export const lowDown = { idle: 2, 'just off idle': 1.4, middle: 0.5, 'wide open': 0.3 }
// What feeds the idle has little left to say past a quarter.
export const idling = { idle: 2, 'just off idle': 1.4, middle: 0.15, 'wide open': 0.1 }
export const opening = { idle: 0.5, 'just off idle': 2, middle: 0.5, 'wide open': 0.6 }
export const middle = { idle: 0.3, 'just off idle': 0.7, middle: 2, 'wide open': 0.9 }
export const top = { idle: 0.2, 'just off idle': 0.3, middle: 0.8, 'wide open': 2.2 }
