import { bodyNumbers, bodyOf } from '../../log/index.ts'
import { limitsOf } from './limits.ts'
import type { Position } from '../../sheets/index.ts'
import { alike, sync } from './kinds/bank.ts'
import { choke, electric, enricher, own, ports, slide, throttle } from './kinds/by-hand.ts'
import type { Listing, Proof, ProofCode, ProofSubject } from './kinds/kind.ts'
import { inletProof, lifts, vacuum } from './kinds/under-air.ts'
import { level, pump, weep } from './kinds/wet.ts'

export type { Proof, ProofCode, ProofSubject } from './kinds/kind.ts'
export { weepPlaces, type WeepPlace } from './kinds/wet.ts'

/**
 * Each proof by its code, in the order in which none spoils another: under air while it is dry, what is moved by hand, then wet, then
 * bodies against each other. A proof is there only where this unit has the thing.
 */
const proofs: Readonly<Record<ProofCode, Listing>> = {
  inlet: inletProof,
  lifts,
  vacuum,
  slide,
  enricher,
  choke,
  electric,
  own,
  throttle,
  ports,
  level,
  weep,
  pump,
  alike,
  sync,
}

const order = Object.keys(proofs) as ProofCode[]

/** The proofs of a body, in the order in which none spoils another. */
export const proofsOf = (subject: ProofSubject): Proof[] =>
  order
    .filter((code) => !subject.sheets.spec.proofs?.without?.includes(code))
    .flatMap((code) =>
      proofs[code](subject).map((one): Proof => {
        const there = new Set(subject.sheets.build.positions.map((position) => position.code))
        return {
          ...one,
          code,
          limits: limitsOf(subject.sheets.spec),
          ofAll: one.ofAll ?? false,
          weighted: one.weighted ?? false,
          rests: one.rests.filter((part) => there.has(part)),
          opens: (one.opens ?? []).filter((part) => there.has(part)),
        }
      }),
    )

/** The parts that must be on before a proof can be made, that are not. */
export function missingFor({ state, sheets, body }: ProofSubject, proof: Proof): Position[] {
  const bodies = proof.ofAll ? bodyNumbers(state) : [body]
  return sheets.build.positions.filter(
    ({ code }) =>
      proof.rests.includes(code) &&
      bodies.some((one) => {
        const here = bodyOf(state, one)
        return here.off[code] !== undefined && !here.on[code]
      }),
  )
}
