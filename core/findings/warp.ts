import * as v from 'valibot'
import { figure, judge, parseLength } from '../measure/index.ts'
import { isRefusal, type Result } from '../refusal/index.ts'
import type { Finding, Judgement } from './kind.ts'

const schema = v.object({
  what: v.literal('warp'),
  value: v.pipe(v.number(), v.minValue(0)),
  sigma: v.pipe(v.number(), v.gtValue(0)),
})

/** Compression of a gasket at its bolts, and the least that seals, as shares of its thickness. */
const COMPRESSION_AT_BOLTS = 0.2
const COMPRESSION_THAT_SEALS = 0.05

/** Departure of a face from plane, mm, by the feeler under a straight edge. */
export const warp: Finding<v.InferOutput<typeof schema>> = {
  schema,
  label: 'Widest gap under the straight edge',
  unit: 'mm',
  hint: 'the leaf that just enters',
  gauge: 'feeler',
  read(raw, sigma) {
    const read = parseLength(raw)
    return isRefusal(read) ? read : { what: 'warp', value: read.mm, sigma }
  },
  judge: ({ value, sigma }, { deciding, code }, { float }) =>
    judgeWarp(value, sigma, deciding.gasketMm, float.hangsOn === undefined ? null : float.hangsOn === code),
}

/** Departure from plane that a gasket of this thickness still seals, mm: (c_bolt − c_seal)·t. */
export const warpLimit = (gasketMm: number): number =>
  (COMPRESSION_AT_BOLTS - COMPRESSION_THAT_SEALS) * gasketMm

/** `moves`: whether the float hangs on the lapped part and is read from its face; null where the sheet does not say. */
function judgeWarp(warp: number, sigma: number, gasketMm: number, moves: boolean | null): Result<Judgement> {
  const limit = warpLimit(gasketMm)
  const verdict = judge(warp, sigma, null, limit)
  if (isRefusal(verdict)) return verdict
  const base = { limit, unit: 'mm' as const, rule: `a ${gasketMm} mm gasket takes up ${figure(limit, 2)} mm` }
  if (verdict.verdict === 'in')
    return {
      ...base,
      disposition: 'reuse',
      sure: true,
      sentence: `The gasket takes up ${figure(limit, 2)}. Flat enough.`,
    }
  if (verdict.verdict === 'out')
    return {
      ...base,
      disposition: 'repair',
      sure: true,
      sentence: `The gasket takes up ${figure(limit, 2)}. True the face${moves === null ? '. Then read the float again' : moves ? '; what comes off moves the float reading as much' : '; the float reading does not start from it'}.`,
    }
  return {
    ...base,
    disposition: 'repair',
    sure: false,
    sentence: `Right at ${figure(limit, 2)}. Feel again with the thinnest leaf that enters.`,
  }
}
