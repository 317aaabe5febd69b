import type { MarketAnswer } from '@ekrond/contract/library'
import { jobNeeds } from '@ekrond/core/job'
import { layOut } from '../parts/covers'
import type { SheetedProps } from '../withSheets'

export interface KitCount {
  code: string
  /** of it on this body */
  on: number
  /** pieces that no position here takes, with the reason that the layout gives */
  over: number
  /** what it holds for this body and what is not on from it */
  unexplained: string[]
}

/** Each kit that came for this body, counted to zero: on, over for other variants, or not explained. */
export function kitCounts(
  { state, sheets, body, here }: SheetedProps['open'],
  market: MarketAnswer,
): KitCount[] {
  const codes = new Set(
    state.orders
      .filter(({ arrived }) => arrived)
      .flatMap(({ lines }) => lines.flatMap(({ what, code }) => (what === 'kit' ? [code] : []))),
  )
  const needs = jobNeeds(state, sheets, body)
  return [...codes].flatMap((code) => {
    const kit = market.kits.find((one) => one.code === code)
    if (!kit) return []
    const layout = layOut(kit, market, sheets, needs)
    const fromKit = layout.goesIn.filter(({ position }) => position && here.on[position]?.from === 'kit')
    return [
      {
        code,
        on: fromKit.length,
        over: layout.staysOver.reduce((sum, { quantity }) => sum + quantity, 0),
        unexplained: layout.goesIn
          .filter(({ position }) => position && here.on[position] && here.on[position].from !== 'kit')
          .map(({ name }) => name.toLowerCase()),
      },
    ]
  })
}
