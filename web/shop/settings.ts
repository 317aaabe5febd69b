import type { ShopAnswer, ShopSettings } from '@ekrond/contract/shop'
import { differsIn, type Differs } from '../shell/BothSides'

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
  gauges: shop.gauges.map(({ code, name, kind, resolutionMm, repeatabilityMm, goodOn, offOn }) => ({
    code,
    name,
    kind,
    resolutionMm,
    repeatabilityMm,
    goodOn,
    offOn,
  })),
})

const NAMES: Readonly<Record<keyof ShopSettings, string>> = {
  name: 'Name',
  place: 'Place',
  zone: 'Zone',
  currency: 'Money',
  workingDays: 'Working days',
  hourMinor: 'Bench hour',
  tankLitres: 'Room in the tank',
  warrantyDays: 'Warranty',
  people: 'People',
  gauges: 'Gauges',
}

/** What differs between two versions of the shop. */
export const differingSettings = (mine: ShopSettings, theirs: ShopSettings): Differs[] =>
  differsIn(NAMES, mine, theirs, (_, value) => said(value as ShopSettings[keyof ShopSettings]))

const said = (value: ShopSettings[keyof ShopSettings]): string =>
  Array.isArray(value)
    ? value.map((one) => (typeof one === 'object' ? `${one.code} ${one.name}` : String(one))).join(', ') ||
      'none'
    : typeof value === 'object'
      ? `${value.code}, ${value.exponent} places`
      : String(value)
