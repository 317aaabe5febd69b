import { jobNeeds, ordersFor, waitsFor } from '../../plan/needs/index.ts'
import type { Station } from './station.ts'
import { teardown } from './teardown.ts'

export const parts: Station = {
  name: 'parts',
  state(view) {
    const { state, sheets, here, body } = view
    if (!sheets) return 'none'
    const orders = ordersFor(state, body)
    if (teardown.state(view) === 'done' && Object.keys(here.off).length > 0) {
      const needs = jobNeeds(state, sheets, body)
      if (needs.every((need) => need.standing === 'on' || need.standing === 'here')) return 'done'
      if (needs.some((need) => need.standing === 'ordered')) return 'waits'
      return orders.length > 0 ? 'begun' : 'none'
    }
    if (orders.length === 0) return 'none'
    return orders.every((order) => order.arrived) ? 'begun' : 'waits'
  },
  line({ state, sheets, body }) {
    const waiting = waitsFor(state)
    if (waiting.length) return `waits for ${waiting.join(', ')}`
    const open = jobNeeds(state, sheets, body).filter(
      (need) => need.standing !== 'on' && need.standing !== 'here',
    )
    return open.length === 1 ? 'one need to cover' : `${open.length} needs to cover`
  },
  minutes: () => 0,
  canGoOn: ({ state, sheets, body }) =>
    sheets !== undefined && jobNeeds(state, sheets, body).some((need) => need.standing === 'open'),
}
