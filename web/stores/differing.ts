import type { StoreRecord } from '@ekrond/contract/stores'
import { differsIn, type Differs } from '../shell/BothSides'
import { sayMoney } from '../ui/dates'

const NAMES: Readonly<Record<string, string>> = {
  name: 'Name',
  kind: 'Kind',
  material: 'Material',
  tell: 'Told by',
  drawing: 'Outline',
  shelf: 'In the drawer',
  prices: 'Prices',
  supplier: 'Supplier',
  priceMinor: 'Price',
  leadDays: 'Days',
  stock: 'On the shelf',
  holds: 'What it holds',
  shippingMinor: 'Delivery',
}

/** One field as people say it: money with its places, lists line by line. */
function said(key: string, value: unknown, exponent: number): string {
  if (Array.isArray(value))
    return (
      value
        .map((one) =>
          Object.entries(one as Record<string, unknown>)
            .map(([inner, it]) => said(inner, it, exponent))
            .join(' '),
        )
        .join(', ') || 'none'
    )
  if (typeof value === 'number')
    return key.endsWith('Minor')
      ? sayMoney(value, exponent)
      : key === 'leadDays'
        ? `${value} d`
        : key === 'quantity'
          ? `× ${value}`
          : String(value)
  return typeof value === 'string' && value !== '' ? value : '·'
}

/** What differs between two versions of a record. */
export const differing = (
  mine: StoreRecord | null,
  theirs: StoreRecord | null,
  exponent: number,
): Differs[] => differsIn(NAMES, mine, theirs, (key, value) => said(key, value, exponent))

/** A change in words, from what it was before. */
export function changeWords(
  now: StoreRecord | null,
  before: StoreRecord | null | undefined,
  exponent: number,
): string {
  if (now === null) return 'taken out'
  if (!before) return 'as entered'
  return (
    differing(now, before, exponent)
      .map(({ name, mine, theirs }) => `${name.toLowerCase()} ${theirs} → ${mine}`)
      .join('; ') || 'the same'
  )
}
