import type { BuildSheet, Position } from './schemas.ts'

/** The build sheet in the order in which it comes apart: the top layer first, and within a layer as the sheet lists it. */
export function teardownOrder(build: BuildSheet): Position[] {
  return build.positions
    .map((position, i) => ({ position, i }))
    .filter(({ position }) => !position.stays)
    .sort((a, b) => b.position.layer - a.position.layer || a.i - b.i)
    .map(({ position }) => position)
}

/** The same stack run backwards. */
export const assemblyOrder = (build: BuildSheet): Position[] => teardownOrder(build).reverse()
