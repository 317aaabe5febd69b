import type { SpecSheet } from '@ekrond/core/sheets'

type Calibration = SpecSheet['calibration'][number]
type Place = Calibration['place']

const drilling =
  (code: string, name: string, words: string) =>
  (mm: number, place: Place = 'none', of = ''): Calibration => ({
    code,
    place,
    name: of ? `${name}, ${of}` : name,
    mm,
    words,
  })

/** What meters besides the jets that come out: drilled or pressed in, mm. */
export const idleTube = drilling('jet.idle', 'Idle tube', 'pressed in: it stays')
export const idleBleed = drilling('bleed.idle', 'Idle air bleed', 'pressed in: it stays')
export const mainBleed = drilling('bleed.main', 'Main air bleed', 'pressed in: it stays')
export const mainNozzle = drilling('nozzle.main', 'Main nozzle', 'part of its booster')
export const needleJet = drilling('jet.needle', 'Needle jet', 'pressed in: it stays')

/** A main needle that is straight, then tapers: mm of lift by the sheet's clip, mm of diameter. */
export const taper = (straight: number, upTo: number, perMm: number): [number, number][] => [
  [-3, straight],
  [upTo, straight],
  [30, Math.round((straight - perMm * (30 - upTo)) * 1000) / 1000],
]
