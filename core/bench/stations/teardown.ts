import { teardownOrder } from '../../sheets/index.ts'
import { progress, type Station } from './station.ts'

const MINUTES_A_PART = 3

export const teardown: Station = {
  name: 'teardown',
  state({ here, sheets }) {
    if (!sheets) return 'none'
    const order = teardownOrder(sheets.build)
    return progress(order.filter((position) => here.off[position.code]).length, order.length)
  },
  line({ here, sheets }) {
    const order = teardownOrder(sheets.build)
    const lying = order.filter((position) => here.off[position.code] && !here.on[position.code]).length
    return `teardown: ${lying} of ${order.length} off`
  },
  minutes: ({ here, sheets }) =>
    sheets
      ? teardownOrder(sheets.build).filter((position) => !here.off[position.code]).length * MINUTES_A_PART
      : 0,
  canGoOn: (view) => teardown.state(view) !== 'done',
}
