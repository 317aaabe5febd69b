import type { SpecSheet } from '../../sheets/index.ts'

/** What a proof is judged by. */
export interface Limits {
  /** what may leak past a shut needle, mL/min */
  inletMlMin: number
  /** pressure that the inlet is pumped to, kPa; null: worked out from what feeds it */
  inletKpa: number | null
  /** vacuum that a break or a diaphragm is drawn to, kPa below the air's, and what it may lose in half a minute */
  vacuumKpa: number
  vacuumLossKpa: number
  /** an electric coil is open by then, s */
  coilSeconds: number
  /** plates of a bank stand within this, mm; its columns within this, mbar */
  alikeMm: number
  syncMbar: number
  /** the lowest way out of the bowl, mm below the face; null: nobody measured it */
  lipMm: number | null
}

/** The house's own, where no sheet says otherwise. A bowl of 60 mL would take half an hour to run over at 2 mL/min. */
export const HOUSE_LIMITS: Limits = {
  inletMlMin: 2,
  inletKpa: null,
  vacuumKpa: 50,
  vacuumLossKpa: 2,
  coilSeconds: 90,
  alikeMm: 0.05,
  syncMbar: 10,
  lipMm: null,
}

/** What a list number is proved by: its sheet's own limits, the house's for the rest. */
export const limitsOf = ({ proofs }: Pick<SpecSheet, 'proofs'>): Limits => ({
  ...HOUSE_LIMITS,
  ...Object.fromEntries(Object.entries(proofs?.limits ?? {}).filter(([, value]) => value !== undefined)),
})
