import { packTrace, type PackedTrace, type Sample } from '@ekrond/core/measure/trace'
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'

/** A gauge's step, kPa: finer than any that a shop has. */
const STEP_KPA = 0.01

const hashOf = (packed: string): string => bytesToHex(sha256(utf8ToBytes(packed)))

/** A trace of a pressure as it is kept with its proof: packed, with its gauge and the hash of what was packed. */
export function keptTrace(samples: readonly Sample[], instrument: string): PackedTrace {
  const trace = packTrace(samples, instrument, 'kPa', STEP_KPA)
  return { ...trace, sha256: hashOf(trace.packed) }
}

/** Whether a kept trace is still what was packed; null where it was kept without a hash. */
export const isWhole = ({ packed, sha256: hash }: PackedTrace): boolean | null =>
  hash === undefined ? null : hash === hashOf(packed)
