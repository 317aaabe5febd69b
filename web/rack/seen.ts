import type { JobRow } from '@ekrond/contract/jobs'
import { type Outlook } from '@ekrond/core/plan/outlook'

export interface Seen {
  row: JobRow
  outlook: Outlook
  /** the reason in few enough letters for a tag */
  onTag: string
}
