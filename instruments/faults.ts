/** What can be wrong with an instrument, on request. */
export interface Faults {
  /** σ in its own unit */
  noise: number
  /** a minute, in its own unit */
  drift: number
  /** share of lines that are wild, and of those that are lost */
  wild: number
  lost: number
  silent: boolean
  rubbish: boolean
}

export const noFaults = (noise: number): Faults => ({
  noise,
  drift: 0,
  wild: 0,
  lost: 0,
  silent: false,
  rubbish: false,
})

/** A generator that gives the same numbers each time: what an instrument does in a test it does again. */
export function steady(seed: number): () => number {
  let state = seed >>> 0 || 1
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
}

const normal = (random: () => number) =>
  Math.sqrt(-2 * Math.log(Math.max(1e-12, random()))) * Math.cos(2 * Math.PI * random())

/** The line that an instrument writes of a true value, with its faults; nothing where it is silent or the line is lost. */
export function lineOf(
  value: number,
  unit: string,
  places: number,
  faults: Faults,
  minutes: number,
  random: () => number,
): string | null {
  if (faults.silent || random() < faults.lost) return null
  if (faults.rubbish && random() < 0.3)
    return ['#?', '-- kPa', 'ERR 7', '1.2.3 kPa'][Math.floor(random() * 4)]!
  const wild = random() < faults.wild ? (random() - 0.5) * 40 : 0
  const read = value + faults.noise * normal(random) + faults.drift * minutes + wild
  return `${read.toFixed(places)} ${unit}`
}

/** Sets a fault from a command, `noise 0.4`, `silence on`; whether it was one. */
export function setFault(faults: Faults, [what = '', how = '']: readonly string[]): boolean {
  const number = Number(how)
  switch (what) {
    case 'noise':
    case 'drift':
    case 'wild':
    case 'lost':
      if (Number.isFinite(number) && number >= 0) faults[what] = number
      return true
    case 'silence':
      faults.silent = how !== 'off'
      return true
    case 'rubbish':
      faults.rubbish = how !== 'off'
      return true
    default:
      return false
  }
}
