import { notAdmitted } from '../../log/index.ts'
import type { Admit } from './admit.ts'

export const admitOrderArrived: Admit<'order.arrived'> = (state, { data }) => {
  const order = state.orders.find((o) => o.entry === data.order)
  if (!order) return notAdmitted('order')
  return order.arrived ? notAdmitted('arrived') : undefined
}
