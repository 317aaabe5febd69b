import { isOnePersons, notAdmitted } from '../../log/index.ts'
import { gatePoints } from '../stations/gate.ts'
import type { Admit } from './admit.ts'

export const admitGatePassed: Admit<'gate.passed'> = (state, { data, by }, { all, known, standing }) => {
  if (data.second === by) return notAdmitted('second')
  if (standing) return undefined
  if (data.second === null) return isOnePersons(state, by) ? undefined : notAdmitted('second missing')
  // Whoever did the work is not the one who says that it may stay so.
  const point = gatePoints(state, all, known).find((one) => one.point === data.point && !one.passed)
  const shown = point?.claims.length === 1 ? point.claims[0]!.shownBy.at(-1) : undefined
  const worker = shown && state.log.find(({ id }) => id === shown)?.by
  return worker === data.second ? notAdmitted('own work', data.second) : undefined
}
