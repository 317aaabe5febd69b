import * as v from 'valibot'
import type { UnsentEntry } from './entry.ts'
import { inOurWords, issueSentence, uncleanAt, UNCLEAN_SENTENCE } from './issues.ts'
import { current, isNewer, kinds } from './kinds/index.ts'
import { notAdmitted, type NotAdmitted } from './refusals.ts'

/** The schemas' own check: whether an entry's data is what its kind holds. Independent of the state. */
export function checkData(entry: UnsentEntry): NotAdmitted | undefined {
  const kind = kinds.get(entry.kind)
  if (!kind) return notAdmitted('kind', entry.kind)
  if (isNewer(entry)) return notAdmitted('newer')
  const unclean = uncleanAt(entry.data)
  if (unclean) return notAdmitted('data', UNCLEAN_SENTENCE, unclean)
  const read = v.safeParse(kind.schema, current(entry).data, inOurWords)
  if (read.success) return undefined
  const issue = read.issues[0]
  const field = v.getDotPath(issue) ?? undefined
  return notAdmitted('data', issueSentence(issue), field)
}
