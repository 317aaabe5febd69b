const DAY = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
})

/** A local date as the shop says it: Thu 26 Nov. */
export const sayDate = (date: string): string => DAY.format(new Date(`${date}T12:00:00Z`)).replace(',', '')

/** An instant in the shop's zone: 24 Nov 10:40. */
export const sayInstant = (at: string, zone: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: zone,
  })
    .format(new Date(at))
    .replace(',', '')

/** The weekday and the day of the month: Thu 26. */
export const sayDay = (date: string): string => sayDate(date).split(' ').slice(0, 2).join(' ')

/** Minor units as the shop's money. */
export const sayMoney = (minor: number, exponent: number): string =>
  (minor / 10 ** exponent).toFixed(exponent)

/**
 * The instant that an entry is shown at: its own, or the server's where it lies more than two minutes after the server had it, which
 * only a wrong clock does.
 */
export const shownAt = (entry: { at: string; receivedAt: string }): string =>
  Date.parse(entry.at) - Date.parse(entry.receivedAt) > 120_000 ? entry.receivedAt : entry.at
