import type { MarketAnswer } from '@ekrond/contract/library'
import { bodyKey } from '@ekrond/core/log'
import type { JobNeed } from '@ekrond/core/plan/needs'
import { coverChoices, layOutKit, shelfOnly, type Cover, type KitLayout } from '@ekrond/core/plan/kits'
import { isRefusal } from '@ekrond/core/base/refusal'
import type { Sheets } from '@ekrond/core/sheets'
import { capital } from '@ekrond/core/base/words'

/** The cheapest cover, those that come sooner, and what the shelf alone would do. */
export function plan(
  openNeeds: readonly JobNeed[],
  market: MarketAnswer,
): { covers: Cover[]; seconds: number } {
  const needs = openNeeds.map((need) => ({
    id: bodyKey(need.body, need.position),
    accepts: [need.part],
    quantity: need.quantity,
  }))
  const begun = performance.now()
  const covers = coverChoices(needs, market)
  if (isRefusal(covers)) return { covers: [], seconds: 0 }
  const shelf = shelfOnly(needs, market)
  const all = shelf.gives.length ? [...covers, shelf] : covers
  return { covers: all, seconds: (performance.now() - begun) / 1000 }
}

export const layOut = (
  kit: MarketAnswer['kits'][number],
  market: MarketAnswer,
  sheets: Sheets,
  needs: readonly JobNeed[],
): KitLayout =>
  layOutKit(
    kit.holds.map((hold) => {
      const part = market.parts.find((p) => p.part === hold.part)
      return {
        part: hold.part,
        quantity: hold.quantity,
        name: part?.name ?? hold.part,
        tell: part?.tell ?? '',
        usedBy: part?.usedBy ?? [],
      }
    }),
    sheets.build,
    needs.map((need) => need.position),
  )

/** Whether no kit, no supplier and no shelf of the library has a need's part. */
export const unlisted = (need: JobNeed, market: MarketAnswer | undefined): boolean =>
  market !== undefined &&
  !market.kits.some(({ holds }) => holds.some(({ part }) => part === need.part)) &&
  !market.singles.some(({ part }) => part === need.part) &&
  !market.shelf.some(({ part, quantity }) => part === need.part && quantity > 0)

const count = (n: number, word: string) => (n === 1 ? `one ${word}` : `${n} ${word}s`)

export function nameOf(cover: Cover): string {
  const parts = [
    cover.kits.length
      ? count(
          cover.kits.reduce((n, k) => n + k.quantity, 0),
          'kit',
        )
      : '',
    cover.singles.length ? count(cover.singles.length, 'loose part') : '',
    cover.gives.some((g) => g.from === 'shelf') ? 'the shelf' : '',
  ].filter(Boolean)
  const text =
    parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? 'nothing')
  return `${capital(text)}.`
}

export function describe(cover: Cover, market: MarketAnswer): string {
  const supplier = (code: string) => market.suppliers.find((s) => s.code === code)?.name ?? code
  const from = new Map<string, string[]>()
  const put = (code: string, what: string) => from.set(code, [...(from.get(code) ?? []), what])
  for (const kit of cover.kits) put(market.kits.find((k) => k.code === kit.code)!.supplier, `kit ${kit.code}`)
  for (const single of cover.singles)
    put(single.supplier, `${single.quantity > 1 ? `${single.quantity} × ` : ''}${single.part}`)
  const shelf = [...new Set(cover.gives.filter((g) => g.from === 'shelf').map((g) => g.part))]
  return [
    ...[...from].map(([code, what]) => `${what.join(', ')} from ${supplier(code)}`),
    ...(shelf.length ? [`${shelf.join(', ')} from the shelf`] : []),
  ].join('; ')
}
