import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import {
  cheapestCover,
  countKit,
  coverChoices,
  kitFit,
  layOutKit,
  shelfOnly,
  type Cover,
  type Market,
  type Need,
  looseWorth,
} from './index.ts'
import { models } from '../../../demo/catalogue.ts'
import { listNumberSheets } from '../../sheets/index.ts'

const market: Market = {
  suppliers: [
    { code: 'h', shippingMinor: 450 },
    { code: 'a', shippingMinor: 1090 },
  ],
  kits: [
    {
      code: 'K',
      supplier: 'h',
      priceMinor: 2480,
      leadDays: 1,
      stock: 2,
      holds: [
        { part: 'needle', quantity: 1 },
        { part: 'seat', quantity: 1 },
        { part: 'gasket', quantity: 1 },
      ],
    },
  ],
  singles: [
    { part: 'needle', supplier: 'h', priceMinor: 640, leadDays: 1 },
    { part: 'seat', supplier: 'h', priceMinor: 780, leadDays: 1 },
    { part: 'gasket', supplier: 'h', priceMinor: 240, leadDays: 1 },
    { part: 'needle', supplier: 'a', priceMinor: 700, leadDays: 0 },
    { part: 'seat', supplier: 'a', priceMinor: 870, leadDays: 0 },
    { part: 'gasket', supplier: 'a', priceMinor: 270, leadDays: 0 },
    { part: 'float', supplier: 'a', priceMinor: 1890, leadDays: 2 },
  ],
  shelf: [{ part: 'gasket', quantity: 1 }],
}
const need = (id: string, quantity = 1): Need => ({ id, accepts: [id], quantity })
const cover = (result: ReturnType<typeof cheapestCover>): Cover => {
  if (isRefusal(result)) throw new Error(result.refused.why)
  return result
}

describe('the cheapest sure cover', () => {
  it('takes loose parts where they are cheaper than the kit', () => {
    // needle 640 + seat 780 + shipping 450, the gasket from the shelf.
    expect(
      cover(
        cheapestCover(
          ['needle', 'seat', 'gasket'].map((id) => need(id)),
          market,
        ),
      ),
    ).toMatchObject({ costMinor: 1870, kits: [], unmet: [], parcels: 1 })
  })
  it('takes the kit where it is cheaper than its parts', () => {
    const dear = {
      ...market,
      singles: market.singles.map((s) => ({ ...s, priceMinor: s.priceMinor * 3 })),
      shelf: [],
    }
    expect(
      cover(
        cheapestCover(
          ['needle', 'seat', 'gasket'].map((id) => need(id)),
          dear,
        ),
      ),
    ).toMatchObject({ costMinor: 2480 + 450, kits: [{ code: 'K', quantity: 1 }] })
  })
  it('counts shipping once for each supplier used', () => {
    // The float comes only from a: then all from a, 700 + 1890 + 1090, beats 640 + 450 + 1890 + 1090.
    expect(cover(cheapestCover([need('needle'), need('float')], market))).toMatchObject({
      costMinor: 3680,
      parcels: 1,
      arrivalDays: 2,
    })
  })
  it('leaves open what nobody sells, and covers the rest', () => {
    expect(cover(cheapestCover([need('needle'), need('nowhere')], market))).toMatchObject({
      unmet: ['nowhere'],
      costMinor: 640 + 450,
    })
  })
  it('is never dearer than any plan made by hand: brute force over every choice of a door for each part', () => {
    const ids = ['needle', 'seat', 'gasket']
    let brute = Infinity
    for (const doors of [0, 1, 2, 3, 4, 5, 6, 7]) {
      const used = new Set<string>()
      let cost = 0
      ids.forEach((id, i) => {
        const supplier = doors & (1 << i) ? 'h' : 'a'
        used.add(supplier)
        cost += market.singles.find((s) => s.part === id && s.supplier === supplier)!.priceMinor
      })
      for (const code of used) cost += market.suppliers.find((s) => s.code === code)!.shippingMinor
      brute = Math.min(brute, cost)
    }
    expect(
      cover(
        cheapestCover(
          ids.map((id) => need(id)),
          { ...market, kits: [], shelf: [] },
        ),
      ).costMinor,
    ).toBe(brute)
  })
  it('shares a scarce shelf out to whom it saves most', () => {
    const scarce: Market = {
      suppliers: [{ code: 'h', shippingMinor: 0 }],
      kits: [],
      singles: [
        { part: 'x', supplier: 'h', priceMinor: 900, leadDays: 1 },
        { part: 'y', supplier: 'h', priceMinor: 100, leadDays: 1 },
      ],
      shelf: [{ part: 'z', quantity: 1 }],
    }
    const needs: Need[] = [
      { id: 'dear', accepts: ['x', 'z'], quantity: 1 },
      { id: 'cheap', accepts: ['y', 'z'], quantity: 1 },
    ]
    expect(cover(cheapestCover(needs, scarce))).toMatchObject({ costMinor: 100 })
  })
  it('offers what comes sooner at its price', () => {
    const choices = coverChoices([need('needle'), need('seat')], market)
    if (isRefusal(choices)) throw new Error()
    expect(choices.map((c) => [c.costMinor, c.arrivalDays])).toEqual([
      [1870, 1],
      [700 + 870 + 1090, 0],
    ])
  })
  it('says what the shelf alone does', () =>
    expect(shelfOnly([need('gasket'), need('seat')], market)).toMatchObject({
      costMinor: 0,
      unmet: ['seat'],
    }))
  it('refuses half a part', () => expect(isRefusal(cheapestCover([need('seat', 0.5)], market))).toBe(true))
})

describe('a kit laid out for one list number', () => {
  it('takes the alternative that its build sheet names and says whom the others are for', () => {
    const model = models()[0]!
    const sheets = listNumberSheets(
      model,
      model.listNumbers.find((item) => item.number === 'K-4417-2S')!,
    )
    if (isRefusal(sheets)) throw new Error(sheets.refused.why)
    const gasket = (part: string, usedBy: string[]) => ({
      part,
      name: 'Bowl-to-base gasket',
      quantity: 1,
      tell: 'two small holes',
      usedBy,
    })
    const layout = layOutKit(
      [
        gasket('GK-442A', ['K-4417-1', 'K-4411-2']),
        gasket('GK-442B', ['K-4417-2S']),
        { part: 'SL-05', name: 'Coil seal', quantity: 1, tell: '', usedBy: [] },
      ],
      sheets.build,
      ['float', 'body.gasket'],
    )
    expect(layout.goesIn).toMatchObject([{ part: 'GK-442B', position: 'body.gasket' }])
    expect(layout.staysOver).toMatchObject([
      { part: 'GK-442A', reason: 'for K-4417-1 and 1 more' },
      { part: 'SL-05', reason: 'no list number here uses it' },
    ])
    expect(layout.choices).toMatchObject([{ take: 'GK-442B', not: ['GK-442A'] }])
    expect(layout.missing).toEqual([{ position: 'float', name: 'Float' }])
  })
})

describe('a kit counted to zero', () => {
  it('what is on from it, what stays over, and what went on from elsewhere though it was in it', () => {
    const model = models()[0]!
    const sheets = listNumberSheets(
      model,
      model.listNumbers.find((item) => item.number === 'K-4417-2S')!,
    )
    if (isRefusal(sheets)) throw new Error(sheets.refused.why)
    const needle = sheets.build.positions.find((p) => p.code === 'needle')!
    const gasket = sheets.build.positions.find((p) => p.code === 'cover.gasket')!
    const piece = (part: string, name: string, quantity: number) => ({
      part,
      name,
      quantity,
      tell: '',
      usedBy: [],
    })
    const layout = layOutKit(
      [piece(needle.part!, 'Needle', 1), piece(gasket.part!, 'Gasket', 1), piece('ELSEWHERE', 'Seal', 3)],
      sheets.build,
      [],
    )
    expect(countKit(layout, { needle: { from: 'kit' }, 'cover.gasket': { from: 'old' } })).toEqual({
      on: 1,
      over: 3,
      unexplained: [gasket.name],
    })
    // What is not on yet is only not counted yet.
    expect(countKit(layout, {})).toEqual({ on: 0, over: 3, unexplained: [] })
  })
})

describe('how far a kit fits a list number', () => {
  const model = models().find((m) => m.code === 'U7')!
  const sheets = listNumberSheets(model, model.listNumbers[0]!)
  if (isRefusal(sheets)) throw new Error(sheets.refused.why)
  const part = (code: string) => sheets.build.positions.find((p) => p.code === code)!.part!
  it('renews what it holds, names what of the always-renewed ones it lacks, counts what stays over', () => {
    // The small one always renews bowl gasket, needle, seat washer and drain seal.
    const holds = [
      { part: part('needle'), quantity: 1 },
      { part: part('bowl.gasket'), quantity: 1 },
      { part: part('drain.plug'), quantity: 2 },
      { part: 'ELSEWHERE', quantity: 3 },
    ]
    expect(kitFit(holds, sheets.build)).toEqual({
      covers: ['bowl.gasket', 'needle', 'drain.plug'],
      lacks: ['seat.washer'],
      over: 4,
    })
  })
  it('fits nothing where no part is shared', () =>
    expect(kitFit([{ part: 'ELSEWHERE', quantity: 1 }], sheets.build)).toBeNull())
})

describe('a kit beside its contents bought loose', () => {
  it('takes each part where it is cheapest, and counts what nobody sells loose', () => {
    const singles = [
      { part: 'A', priceMinor: 300 },
      { part: 'A', priceMinor: 280 },
      { part: 'B', priceMinor: 95 },
    ]
    const holds = [
      { part: 'A', quantity: 1 },
      { part: 'B', quantity: 4 },
      { part: 'C', quantity: 2 },
    ]
    // 280 + 4 × 95 = 660; C is in the kit alone.
    expect(looseWorth(holds, singles)).toEqual({ sum: 660, missing: 1 })
    expect(looseWorth([], singles)).toEqual({ sum: 0, missing: 0 })
  })
})
