import * as v from 'valibot'
import { refusal, Uuid } from '../entry.ts'
import { defineKind } from '../kind.ts'

export const orderArrived = defineKind({
  kind: 'order.arrived',
  version: 1,
  station: 'parts',
  schema: v.object({ order: Uuid }),
  key: (data) => data.order,
  admit: (state, { data }) => {
    const order = state.orders.find((o) => o.entry === data.order)
    if (!order) return refusal('order', 'This job has no such order.', 'order')
    return order.arrived ? refusal('arrived', 'This order has arrived already.', 'order') : undefined
  },
  apply: (state, { data }) => ({
    ...state,
    orders: state.orders.map((order) => (order.entry === data.order ? { ...order, arrived: true } : order)),
  }),
  sentence: () => 'took the order in',
})
