import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitEvidenceWeighed: Admit<'evidence.weighed'> = (state, { data, body }) => {
  const [kind, name = ''] = data.what.split(':')
  const here = bodyOf(state, body)
  const there = kind === 'mark' ? here.marks[name] : kind === 'feature' ? here.features[name] : undefined
  return there ? undefined : notAdmitted('no such evidence')
}
