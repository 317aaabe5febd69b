import type { Known } from '../../claims/index.ts'
import type { DataOf, JobState, NotAdmitted, SheetsByBody, Stamped } from '../../log/index.ts'
import type { Sheets } from '../../sheets/index.ts'

/** What an entry is admitted against besides the log. */
export interface AdmitContext {
  /** its own body's sheets */
  sheets: Sheets | undefined
  all: SheetsByBody
  /** what library, gauge drawer and the day add to the log */
  known?: Known | undefined
  /**
   * whether it stands already and is only looked at again because something before it changes: what the sheets of then allowed
   * is not asked of the sheets of now
   */
  standing: boolean
}

export type EntryKind = keyof DataOf

/** Whether an entry of one kind can be true given the log: nothing where it can, else why not. */
export type Admit<K extends EntryKind> = (
  state: JobState,
  entry: Stamped<DataOf[K]>,
  context: AdmitContext,
) => NotAdmitted | undefined

/** One a kind: a kind without it does not compile. */
export type Admits = { readonly [K in EntryKind]: Admit<K> }

/** What can be said whatever the log says. */
export const always = (): undefined => undefined
