import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitOwnPublished: Admit<'own.published'> = (state, { data, body }) => {
  const here = bodyOf(state, body)
  if (!here.taught) return notAdmitted('not taught')
  if (here.published && here.published.listNumber !== data.listNumber)
    return notAdmitted('published', here.published.listNumber)
  return undefined
}
