import type { MarketAnswer } from '@ekrond/contract/library'
import { jobNeeds } from '@ekrond/core/plan/needs'
import { countKit, type KitCount } from '@ekrond/core/plan/kits'
import { layOut } from '../parts/covers'
import type { SheetedProps } from '../withSheets'

/** Each kit that came for this body, counted to zero. */
export function kitCounts(
  { state, sheets, body, here }: SheetedProps['open'],
  market: MarketAnswer,
): (KitCount & { code: string })[] {
  const codes = new Set(
    state.orders
      .filter(({ arrived }) => arrived)
      .flatMap(({ lines }) => lines.flatMap(({ what, code }) => (what === 'kit' ? [code] : []))),
  )
  const needs = jobNeeds(state, sheets, body)
  return [...codes].flatMap((code) => {
    const kit = market.kits.find((one) => one.code === code)
    return kit ? [{ code, ...countKit(layOut(kit, market, sheets, needs), here.on) }] : []
  })
}
