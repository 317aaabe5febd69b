import * as v from 'valibot'
import { Uuid } from '../entry.ts'
import { notAdmitted } from '../refusals.ts'
import { defineKind } from '../kind.ts'

export const orderArrived = defineKind({
  kind: 'order.arrived',
  version: 1,
  schema: v.object({ order: Uuid }),
  key: (data) => data.order,
  admit: (state, { data }) => {
    const order = state.orders.find((o) => o.entry === data.order)
    if (!order) return notAdmitted('order')
    return order.arrived ? notAdmitted('arrived') : undefined
  },
  apply: (state, { data }) => ({
    ...state,
    orders: state.orders.map((order) => (order.entry === data.order ? { ...order, arrived: true } : order)),
  }),
  sentence: () => 'took the order in',
})
