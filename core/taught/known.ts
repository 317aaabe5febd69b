import { type SpecSheet, factOf, type Fact } from '../sheets/index.ts'

/** What Ekrond can do for a unit, from nothing known upward. */
export interface TaughtRung {
  code: 'record' | 'band' | 'way' | 'bend' | 'level' | 'holds'
  says: string
  reached: boolean
  /** what it and the rungs below it lack: facts by code, 'value:CODE/PLACE' for a setting without a value */
  missing: readonly string[]
  /** what of that no rung below it asks for */
  own: readonly string[]
}

export interface KnownSoFar {
  /** from the lowest */
  rungs: readonly TaughtRung[]
  /** the highest one below which all are reached */
  at: number
  /** the single measurement that buys the next rung soonest; null where it takes a value, or all are reached */
  next: { fact: Fact; rung: TaughtRung; alone: boolean } | null
}

const HEIGHT = 'value:float.height/none'
/** A ratio that is better known than this says how much to bend without going half-way first. */
const SURE_RATIO = 0.25

/**
 * What can be said of a unit by what of its sheet is known (`docs/physics.md` 18), and what buys the next rung. A sheet that was
 * never taught is known throughout.
 */
export function known(spec: Pick<SpecSheet, 'taught' | 'settings' | 'float'>): KnownSoFar {
  const pencil = new Set(spec.taught?.pencil ?? [])
  const lacks = (...codes: string[]) => codes.filter((code) => pencil.has(code))
  const height = spec.settings.find((one) => one.code === 'float.height')
  const band = height && height.target === null ? [HEIGHT] : []
  const way = lacks('float.sense')
  const correction = lacks('float.correction')
  const { ratio } = spec.taught ?? {}
  // A float that slides straight on its pin has no arms: a millimetre of reading is a millimetre of float.
  const arms = spec.float.guided ? [] : lacks('float.arm', 'float.tang')
  // Tries tell the ratio as well as the arms do.
  const bend = [...correction, ...(ratio && ratio.relSigma <= SURE_RATIO && ratio.tries > 0 ? [] : arms)]
  const floor = spec.float.sense === -1 ? lacks('pin.floor') : []
  const level = [
    ...lacks('seat.bore', 'float.mass', 'float.area', spec.float.guided ? 'float.depth' : 'float.pin'),
    ...arms,
    ...floor,
  ]
  const holds = lacks('float.depth')
  const steps: Omit<TaughtRung, 'reached' | 'own'>[] = [
    { code: 'record', says: 'keeps the record', missing: [] },
    { code: 'band', says: 'judges by a band', missing: band },
    { code: 'way', says: 'says which way to bend', missing: way },
    { code: 'bend', says: 'says how much to bend', missing: bend },
    { code: 'level', says: 'says the fuel level in use', missing: level },
    { code: 'holds', says: 'says what pressure it holds', missing: holds },
  ]
  let below: string[] = []
  const rungs = steps.map((step): TaughtRung => {
    const own = step.missing.filter((code) => !below.includes(code))
    below = [...below, ...own]
    return { ...step, missing: below, own, reached: below.length === 0 }
  })
  const at = rungs.filter(({ reached }) => reached).length - 1
  return { rungs, at, next: nextOf(rungs, at) }
}

function nextOf(rungs: readonly TaughtRung[], at: number): KnownSoFar['next'] {
  const rung = rungs[at + 1]
  if (!rung) return null
  // A value comes from a source, not from a gauge: the rung above is what a gauge can buy meanwhile.
  const open = rungs.slice(at + 1).find(({ missing }) => missing.some((code) => factOf(code)))
  if (!open) return null
  const wanted = open.missing.map(factOf).filter((fact) => fact !== undefined)
  const fact = [...wanted].sort((a, b) => a.minutes - b.minutes)[0]!
  return { fact, rung: open, alone: open.missing.length === 1 }
}
