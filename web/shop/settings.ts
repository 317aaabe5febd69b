import type { ShopAnswer, ShopSettings } from '@ekrond/contract/shop'

/** What of a shop is edited. */
export const settingsOf = (shop: ShopAnswer): ShopSettings => ({
  name: shop.name,
  place: shop.place,
  zone: shop.zone,
  currency: { code: shop.currency.code, exponent: shop.currency.exponent as 2 },
  workingDays: shop.workingDays as ShopSettings['workingDays'],
  hourMinor: shop.hourMinor,
  tankLitres: shop.tankLitres,
  warrantyDays: shop.warrantyDays,
  people: shop.people.map(({ name }) => name),
  gauges: shop.gauges.map(({ code, name, kind, resolutionMm, repeatabilityMm }) => ({
    code,
    name,
    kind,
    resolutionMm,
    repeatabilityMm,
  })),
})

/** What differs between two, by the name it has on the sheet. */
export const differing = (
  mine: ShopSettings,
  theirs: ShopSettings,
): { name: string; mine: string; theirs: string }[] =>
  (
    [
      ['name', 'Name'],
      ['place', 'Place'],
      ['zone', 'Zone'],
      ['currency', 'Money'],
      ['workingDays', 'Working days'],
      ['hourMinor', 'Bench hour'],
      ['tankLitres', 'Room in the tank'],
      ['warrantyDays', 'Warranty'],
      ['people', 'People'],
      ['gauges', 'Gauges'],
    ] as const
  ).flatMap(([key, name]) => {
    const [a, b] = [said(mine[key]), said(theirs[key])]
    return a === b ? [] : [{ name, mine: a, theirs: b }]
  })

const said = (value: ShopSettings[keyof ShopSettings]): string =>
  Array.isArray(value)
    ? value.map((one) => (typeof one === 'object' ? `${one.code} ${one.name}` : String(one))).join(', ') ||
      'none'
    : typeof value === 'object'
      ? `${value.code}, ${value.exponent} places`
      : String(value)
