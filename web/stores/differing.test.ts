import type { StoreRecord } from '@ekrond/contract/stores'
import { describe, expect, it } from 'vitest'
import { changeWords, differing } from './differing'

const kit: StoreRecord<'kit'> = {
  code: 'KIT-9',
  name: 'Small repair',
  supplier: 'SH',
  priceMinor: 3900,
  leadDays: 2,
  stock: 1,
  holds: [{ part: 'PV-1', quantity: 2 }],
}

describe('two versions of what the shop keeps', () => {
  it('says money with its places and what a kit holds with its pieces', () =>
    expect(differing({ ...kit, priceMinor: 4150, holds: [{ part: 'PV-1', quantity: 3 }] }, kit, 2)).toEqual([
      { name: 'Price', mine: '41.50', theirs: '39.00' },
      { name: 'What it holds', mine: 'PV-1 × 3', theirs: 'PV-1 × 2' },
    ]))
  it('a change reads from what it was to what it is', () => {
    expect(changeWords({ ...kit, stock: 0, leadDays: 5 }, kit, 2)).toBe('days 2 d → 5 d; on the shelf 1 → 0')
    expect(changeWords(kit, null, 2)).toBe('as entered')
    expect(changeWords(null, kit, 2)).toBe('taken out')
    expect(changeWords(kit, kit, 2)).toBe('the same')
  })
})
