import { refuse, type Result } from '../../base/refusal/index.ts'

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
 * The cheapest cover of a job's needs, of all its bodies: price and, once for each supplier used, shipping. Exact: every choice of kits and
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
  const most = kits.map((kit) => mostOf(kit, needs))
  const choices = most.reduce((product, n) => product * (n + 1), 1)
  if (choices > MOST_CHOICES || suppliers.length > 8)
    return refuse(
      'kits',
      'More kits and suppliers fit this job than can be tried one and all. Narrow the choice.',
    )

  let best: Cover | undefined
  for (let supplierSet = 0; supplierSet < 1 << suppliers.length; supplierSet++) {
    const open = new Set(suppliers.filter((_, i) => supplierSet & (1 << i)))
    const postage = [...open].reduce((sum, code) => sum + (shipping.get(code) ?? 0), 0)
    const openKits = kits.flatMap((kit, i) => (open.has(kit.supplier) ? [{ kit, most: most[i]! }] : []))
    const prices = cheapestSingles(singles.filter((single) => open.has(single.supplier)))
    forEachKitChoice(openKits, (chosen, kitCost) => {
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

/** Ways to buy the kits of a market that can be tried one and all. */
const MOST_CHOICES = 50_000

/** More of a kit than this serves nobody: as many as the needs of any one part that it holds could take, within its stock. */
function mostOf(kit: Market['kits'][number], needs: readonly Need[]): number {
  const useful = kit.holds.map((hold) => {
    const wanted = needs
      .filter((need) => need.accepts.includes(hold.part))
      .reduce((sum, need) => sum + need.quantity, 0)
    return Math.ceil(wanted / hold.quantity)
  })
  return Math.min(kit.stock, Math.max(0, ...useful))
}

function forEachKitChoice(
  kits: readonly { kit: Market['kits'][number]; most: number }[],
  visit: (chosen: KitChoice, cost: number) => void,
) {
  const walk = (i: number, chosen: KitChoice, cost: number) => {
    const here = kits[i]
    if (!here) return visit(chosen, cost)
    for (let quantity = 0; quantity <= here.most; quantity++)
      walk(
        i + 1,
        quantity ? [...chosen, { kit: here.kit, quantity }] : chosen,
        cost + quantity * here.kit.priceMinor,
      )
  }
  walk(0, [], 0)
}

/**
 * Shelf and kit contents to needs, loose parts for the rest: least cost. Needs that share no part with each other are shared out by
 * themselves; within such a group, by branch and bound over how many of each part a need takes.
 */
function shareOut(needs: readonly Need[], shelf: Market['shelf'], chosen: KitChoice, prices: Prices) {
  const pool: Pool = [
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
  const gives: Gift[] = []
  const singles = new Map<string, { part: string; supplier: string; quantity: number }>()
  const unmet = new Set<string>()
  let costMinor = 0
  for (const group of groupsOf(needs)) {
    const taken = shareGroup(group, pool, prices)
    for (const [i, need] of group.entries()) {
      const own = taken[i]!
      for (const { part, quantity } of own.stock) gives.push(...takeFrom(pool, need.id, part, quantity))
      const left = need.quantity - own.stock.reduce((sum, one) => sum + one.quantity, 0)
      if (left === 0) continue
      const loose = looseFor(need, prices)
      if (!loose) {
        unmet.add(need.id)
        continue
      }
      costMinor += loose.priceMinor * left
      gives.push({ need: need.id, part: loose.part, quantity: left, from: 'single', source: loose.supplier })
      const line = singles.get(loose.part) ?? { part: loose.part, supplier: loose.supplier, quantity: 0 }
      line.quantity += left
      singles.set(loose.part, line)
    }
  }
  return { costMinor, gives, singles: [...singles.values()], unmet: [...unmet] }
}

type Pool = { part: string; left: number; from: 'shelf' | 'kit'; source: string }[]

const looseFor = (need: Need, prices: Prices) =>
  need.accepts
    .map((part) => prices.get(part))
    .filter((single) => single !== undefined)
    .sort((a, b) => a.priceMinor - b.priceMinor)[0]

/** Needs that could want the same piece, together. */
function groupsOf(needs: readonly Need[]): Need[][] {
  const groups: { parts: Set<string>; needs: Need[] }[] = []
  for (const need of needs) {
    const touched = groups.filter((group) => need.accepts.some((part) => group.parts.has(part)))
    for (const group of touched) groups.splice(groups.indexOf(group), 1)
    groups.push({
      parts: new Set([...need.accepts, ...touched.flatMap((group) => [...group.parts])]),
      needs: [...touched.flatMap((group) => group.needs), need],
    })
  }
  return groups.map((group) => group.needs)
}

/** How many pieces of stock each need of a group takes, by part, so that what is left over costs least. */
function shareGroup(
  group: readonly Need[],
  pool: Pool,
  prices: Prices,
): { stock: { part: string; quantity: number }[] }[] {
  const have = new Map<string, number>()
  for (const item of pool) have.set(item.part, (have.get(item.part) ?? 0) + item.left)
  const costs = group.map((need) => looseFor(need, prices)?.priceMinor ?? UNMET_COST)
  // The dearest pieces first: the bound bites early.
  const order = group.map((_, i) => i).sort((a, b) => costs[b]! - costs[a]!)
  let best = Infinity
  let bestTaken: Map<string, number>[] = []
  const taken = group.map(() => new Map<string, number>())
  const walk = (k: number, cost: number) => {
    if (cost >= best) return
    const i = order[k]
    if (i === undefined) {
      best = cost
      bestTaken = taken.map((own) => new Map(own))
      return
    }
    const need = group[i]!
    const spread = (p: number, left: number) => {
      const part = need.accepts[p]
      if (part === undefined) return walk(k + 1, cost + left * costs[i]!)
      const most = Math.min(left, have.get(part) ?? 0)
      for (let quantity = most; quantity >= 0; quantity--) {
        have.set(part, (have.get(part) ?? 0) - quantity)
        taken[i]!.set(part, quantity)
        spread(p + 1, left - quantity)
        taken[i]!.delete(part)
        have.set(part, have.get(part)! + quantity)
        // A piece that nobody else of the group could want is always taken.
        if (!group.some((other) => other !== need && other.accepts.includes(part))) break
      }
    }
    spread(0, need.quantity)
  }
  walk(0, 0)
  return bestTaken.map((own) => ({
    stock: [...own].filter(([, quantity]) => quantity > 0).map(([part, quantity]) => ({ part, quantity })),
  }))
}

/** An unmet piece weighs more than any money. */
const UNMET_COST = 1e9

/** Takes pieces of a part out of the pool, the shelf first. */
function takeFrom(pool: Pool, need: string, part: string, quantity: number): Gift[] {
  const gifts: Gift[] = []
  let left = quantity
  for (const item of pool) {
    if (item.part !== part || left === 0 || item.left === 0) continue
    const taken = Math.min(left, item.left)
    item.left -= taken
    left -= taken
    gifts.push({ need, part, quantity: taken, from: item.from, source: item.source })
  }
  return gifts
}
