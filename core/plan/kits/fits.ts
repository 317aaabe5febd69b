import type { BuildSheet } from '../../sheets/index.ts'

export interface KitFit {
  /** positions that it renews, by code */
  covers: string[]
  /** always-renewed positions that it leaves to be bought otherwise */
  lacks: string[]
  /** pieces in it that this list number does not take */
  over: number
}

/**
 * How far a kit serves a list number: which positions its parts fit, what of the always-renewed ones it lacks, how many of its pieces
 * stay over. Null where it fits nothing.
 */
export function kitFit(
  holds: readonly { part: string; quantity: number }[],
  build: BuildSheet,
): KitFit | null {
  const left = new Map(holds.map((hold) => [hold.part, hold.quantity]))
  const covers: string[] = []
  const lacks: string[] = []
  for (const position of build.positions) {
    if (position.part === null) continue
    const have = left.get(position.part) ?? 0
    if (have >= position.quantity) {
      left.set(position.part, have - position.quantity)
      covers.push(position.code)
    } else if (position.always) lacks.push(position.code)
  }
  if (covers.length === 0) return null
  return { covers, lacks, over: [...left.values()].reduce((sum, n) => sum + n, 0) }
}
