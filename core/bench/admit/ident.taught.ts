import { bodyOf, notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitIdentTaught: Admit<'ident.taught'> = (state, { body }) =>
  bodyOf(state, body).published
    ? notAdmitted('published', bodyOf(state, body).published!.listNumber)
    : undefined
