import type { BuildSheet, Position } from './schemas.ts'

/** A part that can be taken for another: one thread, two bores; one thread, two lengths. */
export interface LookAlike {
  position: string
  name: string
  /** what tells them apart, as it is stamped or measured, mm */
  mm: number
}

/**
 * The parts of a build sheet that go where this one goes and are not it: jets of one kind with another bore. The part itself comes
 * first; empty where nothing can be taken for it.
 */
export function lookAlikes(build: BuildSheet, position: Position): LookAlike[] {
  const bore = boreOf(position)
  if (bore === null || position.kind !== 'jet') return []
  const others = build.positions.filter((one) => {
    const other = boreOf(one)
    return (
      one.kind === 'jet' &&
      one.code !== position.code &&
      other !== null &&
      other !== bore &&
      family(one) === family(position)
    )
  })
  if (others.length === 0) return []
  return [position, ...others].map((one) => ({ position: one.code, name: one.name, mm: boreOf(one)! }))
}

const boreOf = ({ deciding }: Position): number | null => (deciding?.what === 'bore' ? deciding.newMm : null)

/** Jets of one circuit share a thread: `jet.main/P` and `jet.main/S`. */
const family = ({ code }: Position): string => code.split('/')[0]!
