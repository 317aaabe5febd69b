import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitJobScoped: Admit<'job.scoped'> = (state, { data }, { standing }) =>
  standing ||
  data.all ||
  data.agreed ||
  !Object.values(state.bodies).some(({ off }) => Object.keys(off).length > 0)
    ? undefined
    : notAdmitted('narrowed')
