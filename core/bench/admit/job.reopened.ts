import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitJobReopened: Admit<'job.reopened'> = (state) =>
  state.closed || state.returned || Object.values(state.bodies).some(({ ended }) => ended)
    ? undefined
    : notAdmitted('open')
