import { bodyOf, notAdmitted } from '../../log/index.ts'
import { amendmentsOf } from '../../taught/index.ts'
import type { Admit } from './admit.ts'

/** Of something in which this unit differs; the book is corrected where it has a page for this number. */
export const admitAmendKept: Admit<'amend.kept'> = (state, { data, body }) => {
  const here = bodyOf(state, body)
  if (!amendmentsOf(state, body ?? 1).some(({ of }) => of === data.of)) return notAdmitted('not amended')
  return data.how === 'book' && (here.taught || !here.ident || here.ident.lower)
    ? notAdmitted('no book')
    : undefined
}
