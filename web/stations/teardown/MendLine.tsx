import type { MendOrBuy } from '@ekrond/core/judge/findings'
import { sayMoney } from '../../ui/dates'

/** Mending beside buying, in money and minutes, and when to stop. */
export function MendLine({
  mend,
  currency = { code: '', exponent: 2 },
}: {
  mend: MendOrBuy
  currency: { code: string; exponent: number } | undefined
}) {
  const money = (minor: number) => `${sayMoney(minor, currency.exponent)} ${currency.code}`.trim()
  const tries =
    mend.tried === 0
      ? ''
      : mend.stop
        ? ` Tried ${mend.tried === 1 ? 'once' : `${mend.tried} times`}: stop here.`
        : ` Tried ${mend.tried === 1 ? 'once' : `${mend.tried} times`}.`
  return (
    <p style={{ fontSize: 16 }}>
      Repair ({mend.what}): {mend.minutes} min, {money(mend.mendMinor)}.{' '}
      {mend.buy
        ? `New: ${money(mend.buy.priceMinor)}, ${mend.buy.days} ${mend.buy.days === 1 ? 'day' : 'days'}. `
        : 'Not sold separately. '}
      <b>{mend.better === 'buy' ? 'Buy.' : mend.stop ? 'A used body, or the whole unit.' : 'Repair.'}</b>
      {tries}
    </p>
  )
}
