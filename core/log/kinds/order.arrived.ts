import * as v from 'valibot'
import { Uuid } from '../entry.ts'
import { defineKind } from '../kind.ts'

export const orderArrived = defineKind({
  kind: 'order.arrived',
  version: 1,
  station: 'parts',
  schema: v.object({ order: Uuid }),
  key: (data) => data.order,
  apply: (state, { data }) => ({
    ...state,
    orders: state.orders.map((order) => (order.entry === data.order ? { ...order, arrived: true } : order)),
  }),
  sentence: () => 'took the order in',
})
