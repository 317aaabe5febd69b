import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitEstimateAgreed: Admit<'estimate.agreed'> = (state) =>
  state.estimate ? undefined : notAdmitted('estimate')
