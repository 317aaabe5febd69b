import { isRefusal } from '../../base/refusal/index.ts'
import { readJetSize, type JetNumbers } from '../../measure/index.ts'
import type { Metering, RangeFamily } from '../../physics/range/index.ts'
import type { Chosen } from '../../log/index.ts'
import { calibrationKey, settingKey, type Position, type Sheets } from '../../sheets/index.ts'
import { familyOf } from '../../unit/families/index.ts'

/** The jets of one bore, or of bores that are fed alike, as the sheet has them. */
export interface JetSet {
  /** positions that it is of; several where bores are fed alike */
  mains: readonly Position[]
  idles: readonly Position[]
  /** what its idle is pressed in as, where no idle jet comes out: keys and names; none where one does, or none is known */
  pressed: readonly { of: string; name: string }[]
  /** its needle’s clip: the setting's key, the sheet's groove from the blunt end; null where no needle’s profile is known */
  clip: { key: string; groove: number; grooves: number; grooveMm: number } | null
  family: RangeFamily
  /** bores (mm) of the sheet's own */
  ref: Metering
  /** what was chosen otherwise by hand and is no jet: bleeds, nozzle, mm */
  given: Metering
  /** a second pair of bores that opens late has no idle of its own */
  isLate: boolean
}

const FAMILIES: Readonly<Record<string, RangeFamily>> = { slide: 'slide', diaphragm: 'cv' }

/** A bore as its sheet has it, whatever was chosen for the job. */
export const sheetBore = ({ deciding }: Pick<Position, 'deciding'>): number | null =>
  deciding?.what === 'bore' ? (deciding.instead ?? deciding.newMm) : null

const isAt = (place: string, of: string) => place === of || place === 'none'

/** What meters at a place besides its main jet, by the sheet: bores in mm; what is not known is left out. */
function meteringOf(
  { spec, build }: Sheets,
  place: string,
  main: Position,
  chosen: ChosenBores,
): { ref: Metering; given: Metering } {
  const named = (code: string) =>
    spec.calibration.find((one) => one.code === code && one.place === place) ??
    spec.calibration.find((one) => one.code === code && isAt(one.place, place))
  const boreOf = (code: string) => {
    const one = named(code)
    return one ? (chosen[calibrationKey(one)]?.instead ?? one.mm) : null
  }
  const givenOf = (key: keyof Metering, code: string): Metering => {
    const one = named(code)
    const own = one && chosen[calibrationKey(one)]
    return own ? { [key]: own.nominal } : {}
  }
  const ownBore = (code: string) => {
    const position = build.positions.find((one) => one.code === code || one.code === `${code}/${place}`)
    return position ? sheetBore(position) : boreOf(code)
  }
  const rod = build.positions.find(
    ({ deciding }) => deciding?.what === 'step' && deciding.jet === main.code,
  )?.deciding
  const needle = spec.metering?.needle
  const needleJet = boreOf('jet.needle')
  // Of a slide under a diaphragm nobody knows how high it stands at an opening.
  const isNeedle = familyOf({ spec, build }) === 'slide' && needle !== undefined && needleJet !== null
  const bores: [keyof Metering, number | null][] = [
    ['main', sheetBore(main)],
    ['idle', place === 'S' ? null : ownBore('jet.idle')],
    ['idleBleed', place === 'S' ? null : boreOf('bleed.idle')],
    ['mainBleed', boreOf('bleed.main')],
    ['nozzle', boreOf('nozzle.main')],
    ['rod', rod?.what === 'step' ? (rod.instead ?? rod.newMm) : null],
    ['needleJet', isNeedle ? needleJet : null],
    ['bore', isNeedle ? needle.liftMm : null],
  ]
  const ref: Metering = {
    ...Object.fromEntries(bores.filter(([, bore]) => bore !== null)),
    ...(isNeedle ? { needle: needle.profile } : {}),
  }
  const given = {
    ...givenOf('mainBleed', 'bleed.main'),
    ...givenOf('nozzle', 'nozzle.main'),
    ...givenOf('idleBleed', 'bleed.idle'),
    ...(rod?.what === 'step' && rod.instead !== undefined ? { rod: rod.newMm } : {}),
  }
  // What the sheet says nothing of cannot be reckoned against it.
  return {
    ref,
    given: Object.fromEntries(
      Object.entries(given).filter(([key]) => ref[key as keyof Metering] !== undefined),
    ),
  }
}

type ChosenBores = Readonly<Record<string, Pick<Chosen, 'instead' | 'nominal'>>>

function pressedIn({ calibration }: Sheets['spec'], place: string): JetSet['pressed'] {
  const one = calibration.find((tube) => tube.code === 'jet.idle' && isAt(tube.place, place))
  return one ? [{ of: calibrationKey(one), name: one.name }] : []
}

/** The sets of jets of a unit, the one that opens first before the others; bores that are fed alike are one set. None where its sheet says no bore. */
export function jetSets(sheets: Sheets, chosen: ChosenBores = {}): JetSet[] {
  const { spec, build } = sheets
  const family = FAMILIES[familyOf(sheets)] ?? 'plate'
  const clipAt = spec.settings.find(({ code }) => code === 'needle.clip')
  const needle = spec.metering?.needle
  const sets: JetSet[] = []
  for (const main of build.positions.filter(
    (one) => /^jet\.main(\/|$)/.test(one.code) && sheetBore(one) !== null,
  )) {
    const place = main.code.split('/')[1] ?? 'none'
    const { ref, given } = meteringOf(sheets, place, main, chosen)
    const idles = build.positions.filter(
      ({ code }) => place !== 'S' && (code === 'jet.idle' || code === `jet.idle/${place}`),
    )
    const alike = sets.find((one) => JSON.stringify(one.ref) === JSON.stringify(ref))
    if (alike) {
      sets[sets.indexOf(alike)] = {
        ...alike,
        mains: [...alike.mains, main],
        idles: [...new Set([...alike.idles, ...idles])],
        pressed: alike.pressed.length ? [...alike.pressed, ...pressedIn(spec, place)] : [],
      }
      continue
    }
    sets.push({
      mains: [main],
      idles,
      family,
      ref,
      given,
      isLate: place === 'S',
      pressed: idles.length || ref.idle === undefined ? [] : pressedIn(spec, place),
      clip:
        ref.needle && needle && clipAt
          ? {
              key: settingKey(clipAt),
              groove: chosen[settingKey(clipAt)]?.instead ?? clipAt.target ?? Math.ceil(needle.grooves / 2),
              grooves: needle.grooves,
              grooveMm: needle.grooveMm,
            }
          : null,
    })
  }
  return sets.sort((a, b) => Number(a.isLate) - Number(b.isLate))
}

/** A size that can be had, mm. */
export interface Size {
  mm: number
  part: string
  /** how many lie in the drawer */
  drawer: number
  /** the cheapest to buy; null where nobody sells it */
  buy: { supplier: string; priceMinor: number; leadDays: number } | null
}

interface Stock {
  parts: readonly { part: string; name: string; kind: string; tell: string }[]
  shelf: readonly { part: string; quantity: number }[]
  singles: readonly { part: string; supplier: string; priceMinor: number; leadDays: number }[]
}

/** A part's name without its place and its number: 'Main jets, primary' is a 'main' one. */
const sortOf = (name: string): string => name.toLowerCase().split(/[\s,]/)[0]!

/**
 * The sizes of a position that can be had: parts of its kind and sort whose mark (`tell`) reads as a bore or as a number of its maker's,
 * from the drawer or from a supplier, smallest first.
 */
export function sizesOf(
  { kind, name }: Pick<Position, 'kind' | 'name'>,
  stock: Stock,
  numbers?: JetNumbers,
): Size[] {
  return stock.parts
    .flatMap((one): Size[] => {
      if (one.kind !== kind || sortOf(one.name) !== sortOf(name)) return []
      const read = readJetSize(one.tell, numbers)
      if (isRefusal(read) || read.mm <= 0) return []
      const drawer = stock.shelf.find(({ part }) => part === one.part)?.quantity ?? 0
      const buy = stock.singles
        .filter(({ part }) => part === one.part)
        .sort((a, b) => a.priceMinor - b.priceMinor)[0]
      if (drawer === 0 && !buy) return []
      return [
        {
          mm: read.mm,
          part: one.part,
          drawer,
          buy: buy ? { supplier: buy.supplier, priceMinor: buy.priceMinor, leadDays: buy.leadDays } : null,
        },
      ]
    })
    .sort((a, b) => a.mm - b.mm)
}
