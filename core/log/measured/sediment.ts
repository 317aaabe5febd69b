/** What lies in a bowl, by kind: what is wrong upstream, and what whoever fits it is told. */
export interface Sediment {
  code: string
  label: string
  /** what it comes of, upstream of the carburetor */
  cause: string
  /** the line of the start-up card */
  card: string
}

/** The shop's table, from the trade: rust, water, sand, varnish, crumbs of rubber, ethanol sludge. */
export const sediments = [
  {
    code: 'rust',
    label: 'Rust',
    cause: 'the tank or its pipe rusts',
    card: 'Rust was in the bowl: the tank is rusting. Clean or line it, new filter, look again after the first tank.',
  },
  {
    code: 'water',
    label: 'Water',
    cause: 'water in the tank, by its cap, its vent or condensation',
    card: 'Water was in the bowl: drain the tank at its lowest point, look at cap and vent.',
  },
  {
    code: 'sand',
    label: 'Sand, dust',
    cause: 'a filter or screen that is missing, torn or passed by',
    card: 'Sand was in the bowl: a filter is missing or torn. Fit one before the fuel is turned on; look at the air filter too.',
  },
  {
    code: 'varnish',
    label: 'Varnish',
    cause: 'fuel that stood and went stale',
    card: 'Varnish was in the bowl: the fuel had stood. Drain tank and line, fresh fuel; run it dry or stabilise it before the next lay-up.',
  },
  {
    code: 'rubber',
    label: 'Crumbs of rubber',
    cause: 'a hose or seal that this fuel dissolves',
    card: 'Crumbs of rubber were in the bowl: a hose dissolves. Renew the hoses with ones rated for this fuel.',
  },
  {
    code: 'sludge',
    label: 'Ethanol sludge',
    cause: 'ethanol and water that fell out of the fuel',
    card: 'Ethanol sludge was in the bowl: the fuel had separated. Drain all of it; a tank that is kept full separates less.',
  },
] as const satisfies readonly Sediment[]
export type SedimentCode = (typeof sediments)[number]['code']

export const sedimentOf = (code: string): Sediment | undefined => sediments.find((one) => one.code === code)
