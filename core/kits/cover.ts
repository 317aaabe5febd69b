import { refuse, type Result } from '../refusal/index.ts'

/** Money in minor units, leads in days from today. */
export interface Need {
  id: string
  /** part numbers that meet it */
  accepts: string[]
  quantity: number
}

export interface Market {
  suppliers: { code: string; shippingMinor: number }[]
  kits: {
    code: string
    supplier: string
    priceMinor: number
    leadDays: number
    stock: number
    holds: { part: string; quantity: number }[]
  }[]
  singles: { part: string; supplier: string; priceMinor: number; leadDays: number }[]
  shelf: { part: string; quantity: number }[]
}

export interface Gift {
  need: string
  part: string
  quantity: number
  from: 'kit' | 'single' | 'shelf'
  /** kit code or supplier; empty for the shelf */
  source: string
}

export interface Cover {
  costMinor: number
  arrivalDays: number
  kits: { code: string; quantity: number }[]
  singles: { part: string; supplier: string; quantity: number }[]
  gives: Gift[]
  unmet: string[]
  parcels: number
}

/**
 * The cheapest cover of one job's needs: price and, once for each supplier used, shipping. Exact: every choice of kits and
 * suppliers is tried, and within it the cheapest share-out of kit contents and shelf is found by branch and bound.
 * A need that nothing meets within `latestDays` is left in `unmet`; fewest unmet first, then cost, then arrival.
 * Refuses `needs` with a quantity below 1, and more kits that matter than can be tried one and all (`kits`).
 */
export function cheapestCover(needs: readonly Need[], market: Market, latestDays = Infinity): Result<Cover> {
  for (const need of needs)
    if (!(need.quantity >= 1) || !Number.isInteger(need.quantity))
      return refuse('needs', `${need.id} must be needed in a whole number, at least 1.`)
  const wanted = new Set(needs.flatMap((need) => need.accepts))
  const kits = market.kits.filter(
    (kit) => kit.leadDays <= latestDays && kit.stock > 0 && kit.holds.some((hold) => wanted.has(hold.part)),
  )
  const singles = market.singles.filter((single) => single.leadDays <= latestDays && wanted.has(single.part))
  const shipping = new Map(market.suppliers.map((supplier) => [supplier.code, supplier.shippingMinor]))
  const suppliers = [...new Set([...kits, ...singles].map((item) => item.supplier))].sort()
  if (kits.length > 12 || suppliers.length > 8)
    return refuse(
      'kits',
      'More kits and suppliers fit this job than can be tried one and all. Narrow the choice.',
    )

  let best: Cover | undefined
  for (let supplierSet = 0; supplierSet < 1 << suppliers.length; supplierSet++) {
    const open = new Set(suppliers.filter((_, i) => supplierSet & (1 << i)))
    const postage = [...open].reduce((sum, code) => sum + (shipping.get(code) ?? 0), 0)
    const openKits = kits.filter((kit) => open.has(kit.supplier))
    const prices = cheapestSingles(singles.filter((single) => open.has(single.supplier)))
    forEachKitChoice(openKits, needs, (chosen, kitCost) => {
      if (best && best.unmet.length === 0 && postage + kitCost >= best.costMinor + 1) return
      const cover = shareOut(needs, market.shelf, chosen, prices)
      const costMinor = cover.costMinor + kitCost + postage
      const candidate: Cover = {
        ...cover,
        costMinor,
        kits: chosen.map(({ kit, quantity }) => ({ code: kit.code, quantity })),
        arrivalDays: 0,
        parcels: open.size,
      }
      candidate.arrivalDays = arrival(candidate, chosen, prices)
      if (!best || better(candidate, best)) best = candidate
    })
  }
  return best!
}

type KitChoice = { kit: Market['kits'][number]; quantity: number }[]
type Prices = Map<string, Market['singles'][number]>

/** Covers that a buyer might prefer: the cheapest, then each that comes sooner, at its price; dearer and no sooner ones are left out. */
export function coverChoices(needs: readonly Need[], market: Market): Result<Cover[]> {
  const first = cheapestCover(needs, market)
  if ('refused' in first) return first
  const choices = [first]
  let latest = first.arrivalDays - 1
  while (latest >= 0) {
    const sooner = cheapestCover(needs, market, latest)
    if ('refused' in sooner) return sooner
    if (sooner.unmet.length > first.unmet.length) break
    choices.push(sooner)
    latest = sooner.arrivalDays - 1
  }
  return choices
}

/** What the shelf alone meets: nothing bought, the rest left open. */
export const shelfOnly = (needs: readonly Need[], market: Market): Cover => ({
  ...shareOut(needs, market.shelf, [], new Map()),
  kits: [],
  arrivalDays: 0,
  parcels: 0,
})

function better(a: Cover, b: Cover): boolean {
  return (
    (a.unmet.length - b.unmet.length ||
      a.costMinor - b.costMinor ||
      a.arrivalDays - b.arrivalDays ||
      a.parcels - b.parcels) < 0
  )
}

function arrival(cover: Cover, chosen: KitChoice, prices: Prices): number {
  const days = [
    ...chosen.map(({ kit }) => kit.leadDays),
    ...cover.singles.map((single) => prices.get(single.part)!.leadDays),
  ]
  return days.length ? Math.max(...days) : 0
}

function cheapestSingles(singles: Market['singles']): Prices {
  const prices: Prices = new Map()
  for (const single of singles) {
    const known = prices.get(single.part)
    if (
      !known ||
      single.priceMinor < known.priceMinor ||
      (single.priceMinor === known.priceMinor && single.leadDays < known.leadDays)
    )
      prices.set(single.part, single)
  }
  return prices
}

function forEachKitChoice(
  kits: Market['kits'],
  needs: readonly Need[],
  visit: (chosen: KitChoice, cost: number) => void,
) {
  const most = Math.max(1, ...needs.map((need) => need.quantity))
  const walk = (i: number, chosen: KitChoice, cost: number) => {
    const kit = kits[i]
    if (!kit) return visit(chosen, cost)
    for (let quantity = 0; quantity <= Math.min(kit.stock, most); quantity++)
      walk(i + 1, quantity ? [...chosen, { kit, quantity }] : chosen, cost + quantity * kit.priceMinor)
  }
  walk(0, [], 0)
}

/** Shelf and kit contents to needs, loose parts for the rest: least cost, by branch and bound over the needs' single pieces. */
function shareOut(needs: readonly Need[], shelf: Market['shelf'], chosen: KitChoice, prices: Prices) {
  const pool = [
    ...shelf.map(({ part, quantity }) => ({ part, left: quantity, from: 'shelf' as const, source: '' })),
    ...chosen.flatMap(({ kit, quantity }) =>
      kit.holds.map((hold) => ({
        part: hold.part,
        left: hold.quantity * quantity,
        from: 'kit' as const,
        source: kit.code,
      })),
    ),
  ]
  // Needs with the dearest pieces first: the bound bites early.
  const looseFor = (need: Need) =>
    need.accepts
      .map((part) => prices.get(part))
      .filter((single) => single !== undefined)
      .sort((a, b) => a.priceMinor - b.priceMinor)[0]
  const UNMET = 1e9
  const pieces = needs.flatMap((need) =>
    Array.from({ length: need.quantity }, () => ({ need, loose: looseFor(need) })),
  )
  pieces.sort((a, b) => (b.loose?.priceMinor ?? UNMET) - (a.loose?.priceMinor ?? UNMET))
  let bestCost = Infinity
  let best: (number | 'loose' | 'unmet')[] = []
  const taken: (number | 'loose' | 'unmet')[] = []
  const walk = (k: number, cost: number) => {
    if (cost >= bestCost) return
    const piece = pieces[k]
    if (!piece) {
      bestCost = cost
      best = [...taken]
      return
    }
    const tried = new Set<string>()
    pool.forEach((item, i) => {
      if (item.left === 0 || !piece.need.accepts.includes(item.part) || tried.has(item.part)) return
      tried.add(item.part)
      item.left--
      taken[k] = i
      walk(k + 1, cost)
      item.left++
    })
    taken[k] = piece.loose ? 'loose' : 'unmet'
    walk(k + 1, cost + (piece.loose?.priceMinor ?? UNMET))
  }
  walk(0, 0)

  const gives: Gift[] = []
  const singles = new Map<string, { part: string; supplier: string; quantity: number }>()
  const unmet = new Set<string>()
  let costMinor = 0
  best.forEach((choice, k) => {
    const { need, loose } = pieces[k]!
    if (choice === 'unmet') return void unmet.add(need.id)
    const gift: Gift =
      choice === 'loose'
        ? { need: need.id, part: loose!.part, quantity: 1, from: 'single', source: loose!.supplier }
        : {
            need: need.id,
            part: pool[choice]!.part,
            quantity: 1,
            from: pool[choice]!.from,
            source: pool[choice]!.source,
          }
    const same = gives.find(
      (g) => g.need === gift.need && g.part === gift.part && g.from === gift.from && g.source === gift.source,
    )
    if (same) same.quantity++
    else gives.push(gift)
    if (choice === 'loose') {
      costMinor += loose!.priceMinor
      const line = singles.get(loose!.part) ?? { part: loose!.part, supplier: loose!.supplier, quantity: 0 }
      line.quantity++
      singles.set(loose!.part, line)
    }
  })
  return { costMinor, gives, singles: [...singles.values()], unmet: [...unmet] }
}
