import type { Proof } from './kind.ts'

/** A heated enricher has shut by then, s: the house's figure, where no sheet has one. */
const ENRICHER_SECONDS = 300

/** Whether it is an enricher's plunger that travels, and no choke plate. */
export const isEnricher = ({ key }: Pick<Proof, 'key'>): boolean => key.startsWith('electric')

/** By when what is driven by heat must be at 95 % of its travel, s. */
export const travelSeconds = (proof: Pick<Proof, 'key' | 'limits'>): number =>
  isEnricher(proof) ? ENRICHER_SECONDS : proof.limits.coilSeconds
