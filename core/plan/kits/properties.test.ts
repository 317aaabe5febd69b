import fc from 'fast-check'
import { expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { cheapestCover, coverChoices, type Market, type Need } from './index.ts'

const PARTS = ['a', 'b', 'c', 'd']
const instance = fc.record({
  prices: fc.array(
    fc.record({
      part: fc.constantFrom(...PARTS),
      supplier: fc.constantFrom('s', 't'),
      priceMinor: fc.integer({ min: 1, max: 900 }),
      leadDays: fc.integer({ min: 0, max: 4 }),
    }),
    { maxLength: 8 },
  ),
  kits: fc.array(
    fc.record({
      supplier: fc.constantFrom('s', 't'),
      priceMinor: fc.integer({ min: 100, max: 1500 }),
      leadDays: fc.integer({ min: 0, max: 4 }),
      holds: fc.uniqueArray(fc.constantFrom(...PARTS), { minLength: 1, maxLength: 4 }),
    }),
    { maxLength: 2 },
  ),
  shelf: fc.uniqueArray(fc.constantFrom(...PARTS), { maxLength: 2 }),
  needs: fc.uniqueArray(fc.uniqueArray(fc.constantFrom(...PARTS), { minLength: 1, maxLength: 2 }), {
    minLength: 1,
    maxLength: 4,
    selector: (accepts) => accepts.join(),
  }),
  shipping: fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 400 })),
})

const toMarket = (
  given: typeof instance extends fc.Arbitrary<infer T> ? T : never,
): { market: Market; needs: Need[] } => ({
  market: {
    suppliers: [
      { code: 's', shippingMinor: given.shipping[0] },
      { code: 't', shippingMinor: given.shipping[1] },
    ],
    kits: given.kits.map((kit, i) => ({
      ...kit,
      code: `k${i}`,
      stock: 1,
      holds: kit.holds.map((part) => ({ part, quantity: 1 })),
    })),
    singles: given.prices.filter(
      (p, i, all) => all.findIndex((o) => o.part === p.part && o.supplier === p.supplier) === i,
    ),
    shelf: given.shelf.map((part) => ({ part, quantity: 1 })),
  },
  needs: given.needs.map((accepts, i) => ({ id: `n${i}`, accepts, quantity: 1 })),
})

/** Every way to give each need a source, by plain enumeration: fewest unmet, then least money. */
function brute({ market, needs }: { market: Market; needs: Need[] }): { unmet: number; cost: number } {
  let best = { unmet: Infinity, cost: Infinity }
  for (let bought = 0; bought < 1 << market.kits.length; bought++) {
    const kits = market.kits.filter((_, i) => bought & (1 << i))
    const walk = (i: number, pool: string[], singles: Market['singles'], unmet: number) => {
      const need = needs[i]
      if (!need) {
        const used = new Set([...kits.map((k) => k.supplier), ...singles.map((s) => s.supplier)])
        const cost =
          kits.reduce((sum, k) => sum + k.priceMinor, 0) +
          singles.reduce((sum, s) => sum + s.priceMinor, 0) +
          [...used].reduce(
            (sum, code) => sum + market.suppliers.find((s) => s.code === code)!.shippingMinor,
            0,
          )
        if (unmet < best.unmet || (unmet === best.unmet && cost < best.cost)) best = { unmet, cost }
        return
      }
      for (const part of need.accepts) {
        const at = pool.indexOf(part)
        if (at >= 0) walk(i + 1, pool.toSpliced(at, 1), singles, unmet)
        for (const single of market.singles)
          if (single.part === part) walk(i + 1, pool, [...singles, single], unmet)
      }
      walk(i + 1, pool, singles, unmet + 1)
    }
    walk(0, [...market.shelf.map((s) => s.part), ...kits.flatMap((k) => k.holds.map((h) => h.part))], [], 0)
  }
  return best
}

it('no way of buying is cheaper than the cover, for any little market', () => {
  fc.assert(
    fc.property(instance, (given) => {
      const both = toMarket(given)
      const cover = cheapestCover(both.needs, both.market)
      if (isRefusal(cover)) throw new Error(cover.refused.why)
      const wanted = brute(both)
      expect({ unmet: cover.unmet.length, cost: cover.costMinor }).toEqual(wanted)
      // What is given meets what it is given for.
      for (const gift of cover.gives)
        expect(both.needs.find((n) => n.id === gift.need)!.accepts).toContain(gift.part)
    }),
    { seed: 31, numRuns: 200 },
  )
})

it('each later choice comes sooner and costs no less', () => {
  fc.assert(
    fc.property(instance, (given) => {
      const both = toMarket(given)
      const choices = coverChoices(both.needs, both.market)
      if (isRefusal(choices)) throw new Error(choices.refused.why)
      for (let i = 1; i < choices.length; i++) {
        expect(choices[i]!.arrivalDays).toBeLessThan(choices[i - 1]!.arrivalDays)
        expect(choices[i]!.costMinor).toBeGreaterThanOrEqual(choices[i - 1]!.costMinor)
      }
    }),
    { seed: 32, numRuns: 120 },
  )
})

const larger = fc.record({
  prices: fc.array(
    fc.record({
      part: fc.constantFrom('a', 'b'),
      supplier: fc.constantFrom('s', 't'),
      priceMinor: fc.integer({ min: 1, max: 900 }),
      leadDays: fc.constant(1),
    }),
    { maxLength: 4 },
  ),
  kits: fc.array(
    fc.record({
      supplier: fc.constantFrom('s', 't'),
      priceMinor: fc.integer({ min: 100, max: 1500 }),
      leadDays: fc.constant(1),
      stock: fc.integer({ min: 1, max: 3 }),
      holds: fc.uniqueArray(
        fc.record({ part: fc.constantFrom('a', 'b', 'c'), quantity: fc.integer({ min: 1, max: 2 }) }),
        { minLength: 1, maxLength: 3, selector: (hold) => hold.part },
      ),
    }),
    { maxLength: 2 },
  ),
  shelf: fc.uniqueArray(
    fc.record({ part: fc.constantFrom('a', 'b', 'c'), quantity: fc.integer({ min: 1, max: 3 }) }),
    { maxLength: 2, selector: (row) => row.part },
  ),
  bodies: fc.integer({ min: 1, max: 3 }),
  needs: fc.uniqueArray(
    fc.record({
      accepts: fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { minLength: 1, maxLength: 2 }),
      quantity: fc.integer({ min: 1, max: 2 }),
    }),
    { minLength: 1, maxLength: 2, selector: (need) => need.accepts.join() },
  ),
  shipping: fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 400 })),
})

it('of a bank as well: several bodies, quantities and stocks over one', () => {
  fc.assert(
    fc.property(larger, ({ bodies, ...given }) => {
      const market: Market = {
        ...toMarket({ ...given, kits: [], shelf: [], needs: [['a']] }).market,
        kits: given.kits.map((kit, i) => ({ ...kit, code: `k${i}` })),
        shelf: given.shelf,
      }
      const needs: Need[] = Array.from({ length: bodies }, (_, body) =>
        given.needs.map((need, i) => ({ id: `${body}#${i}`, ...need })),
      ).flat()
      const cover = cheapestCover(needs, market)
      if (isRefusal(cover)) throw new Error(cover.refused.why)
      // Brute force: every number of each kit, every piece by itself from pool, shop or nowhere.
      const pieces = needs.flatMap((need) => Array.from({ length: need.quantity }, () => need))
      let best = { unmet: Infinity, cost: Infinity }
      const buy = (i: number, bought: number[]): void => {
        const kit = market.kits[i]
        if (kit) {
          for (let n = 0; n <= kit.stock; n++) buy(i + 1, [...bought, n])
          return
        }
        const have = new Map(market.shelf.map((row) => [row.part, row.quantity]))
        let kitCost = 0
        const suppliers = new Set<string>()
        market.kits.forEach((one, k) => {
          if (bought[k]! > 0) suppliers.add(one.supplier)
          kitCost += one.priceMinor * bought[k]!
          for (const hold of one.holds)
            have.set(hold.part, (have.get(hold.part) ?? 0) + hold.quantity * bought[k]!)
        })
        const walk = (p: number, cost: number, used: Set<string>, open: Set<string>) => {
          const piece = pieces[p]
          if (!piece) {
            let total = cost
            for (const code of used)
              total += market.suppliers.find((supplier) => supplier.code === code)!.shippingMinor
            if (open.size < best.unmet || (open.size === best.unmet && total < best.cost))
              best = { unmet: open.size, cost: total }
            return
          }
          if (open.size > best.unmet) return
          for (const part of piece.accepts) {
            if ((have.get(part) ?? 0) > 0) {
              have.set(part, have.get(part)! - 1)
              walk(p + 1, cost, used, open)
              have.set(part, have.get(part)! + 1)
            }
            for (const single of market.singles)
              if (single.part === part)
                walk(p + 1, cost + single.priceMinor, new Set([...used, single.supplier]), open)
          }
          walk(p + 1, cost, used, new Set([...open, piece.id]))
        }
        walk(0, kitCost, suppliers, new Set())
      }
      buy(0, [])
      expect({ unmet: cover.unmet.length, cost: cover.costMinor }).toEqual(best)
    }),
    { seed: 33, numRuns: 60 },
  )
})
