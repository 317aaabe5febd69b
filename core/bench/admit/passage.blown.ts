import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitPassageBlown: Admit<'passage.blown'> = (_state, { data }) => {
  const named = [data.in, ...data.open, ...data.shut]
  if (new Set(named).size !== named.length) return notAdmitted('blow twice')
  return named.length > 1 ? undefined : notAdmitted('blow unseen')
}
