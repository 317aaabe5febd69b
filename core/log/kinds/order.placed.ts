import * as v from 'valibot'
import { LocalDate } from '../entry.ts'
import { defineKind } from '../kind.ts'

const code = v.pipe(v.string(), v.maxLength(60))
const minor = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(2_000_000_000))

export interface OrderLine {
  what: 'kit' | 'single' | 'shelf'
  code: string
  supplier: string
  quantity: number
  priceMinor: number
  serves: readonly string[]
}

export interface Order {
  entry: string
  lines: readonly OrderLine[]
  totalMinor: number
  arrives: string
  arrived: boolean
}

declare module '../state.ts' {
  interface JobState {
    orders: readonly Order[]
  }
}

export const orderPlaced = defineKind({
  kind: 'order.placed',
  version: 1,
  station: 'parts',
  slice: { job: { orders: [] } },
  schema: v.object({
    lines: v.pipe(
      v.array(
        v.object({
          what: v.picklist(['kit', 'single', 'shelf']),
          code,
          supplier: code,
          quantity: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(100_000)),
          priceMinor: minor,
          serves: v.array(code),
        }),
      ),
      v.minLength(1, 'There is nothing to order.'),
    ),
    totalMinor: minor,
    arrives: LocalDate,
  }),
  key: () => '',
  apply: (state, { data, id }) => ({
    ...state,
    orders: [
      ...state.orders,
      // What lies on the shelf is here.
      {
        entry: id,
        lines: data.lines,
        totalMinor: data.totalMinor,
        arrives: data.arrives,
        arrived: data.lines.every((line) => line.what === 'shelf'),
      },
    ],
  }),
  sentence: (data) => `ordered ${data.lines.map((line) => `${line.quantity} × ${line.code}`).join(', ')}`,
})
