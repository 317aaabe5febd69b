import type { DataOf, ProofMeasured } from '../../log/index.ts'
import { type Proof, proves } from '../../judge/proof/index.ts'
import type { PackedTrace } from '../../measure/trace/index.ts'

/** A proof as it would be entered, with what puts it right where it is not good. */
export interface EnteredProof {
  data: DataOf['proof.measured']
  proved: boolean
  /** in what it falls short of what is asked, so that it proves nothing: empty where in nothing */
  short: string
  remedy: { words: string; detail: string } | null
  facts: string[]
}

export interface More {
  instrument?: string | null
  trace?: PackedTrace | null
  remedy?: EnteredProof['remedy']
  facts?: string[]
  short?: string
}

export function entered(
  proof: Proof,
  measured: ProofMeasured,
  value: string,
  headline: string,
  meaning: string,
  { instrument = null, trace = null, remedy = null, facts = [], short = '' }: More = {},
): EnteredProof {
  return {
    data: {
      proof: proof.key,
      name: proof.name,
      measured,
      wants: proof.wants,
      value,
      headline,
      meaning,
      instrument,
      trace,
    },
    proved: proves(measured) && !short,
    short,
    remedy,
    facts,
  }
}
