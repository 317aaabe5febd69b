/** The server's clock; `EKROND_NOW` freezes it for demos and tests. */
export type Clock = () => Date

export function clockFrom(frozen: string | undefined): Clock {
  if (!frozen) return () => new Date()
  const at = new Date(frozen)
  if (Number.isNaN(at.getTime()))
    throw new Error(`EKROND_NOW is no instant: ${frozen}. Write it as 2026-11-24T10:40:00Z.`)
  return () => new Date(at)
}

/** The local date in the shop's zone. */
export const localDate = (at: Date, zone: string): string =>
  new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).format(at)
