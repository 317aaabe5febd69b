import type { PartMeasuredBy } from '../../log/index.ts'
import { figure, judge, parseLength } from '../../measure/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { MOST_LAPPED_MM } from '../../sheets/index.ts'
import type { Finding, Judgement } from './kind.ts'

/** Compression of a gasket at its bolts, and the least that seals, as shares of its thickness. */
const COMPRESSION_AT_BOLTS = 0.2
const COMPRESSION_THAT_SEALS = 0.05
/** Where more would have to come off a face, mm, the casting is too thin afterwards. */
const MOST_FACED_MM = 0.8

/**
 * Bow and twist of a face from the gaps under a straight edge along its two diagonals, mm; a negative one rocks on the middle. With the
 * four corners at ±twist/2 about their best plane and the middle `bow` below them, the departure is what both span together.
 */
export function bowAndTwist(
  first: number,
  second: number,
): { bow: number; twist: number; departure: number } {
  const bow = (first + second) / 2
  const twist = Math.abs(first - second)
  const departure = Math.max(twist / 2, -bow) - Math.min(-twist / 2, -bow)
  return { bow, twist, departure }
}

/** Departure of a face from plane, mm, by the feeler under a straight edge: the widest gap, or the gaps along both diagonals. */
export const warp: Finding<PartMeasuredBy<'warp'>> = {
  label: 'Gap under the straight edge',
  unit: 'mm',
  hint: 'the widest; or along both diagonals, as 0.20 0.05; − where it rocks',
  gauge: 'feeler',
  read(raw, sigma) {
    const gaps = raw.trim().split(/\s+/)
    if (gaps.length > 2) return refuse('text', 'Type the widest gap, or the two along the diagonals.')
    const read = gaps.map((gap) => {
      const length = parseLength(gap.replace(/^[-−]/, ''))
      return isRefusal(length) ? length : /^[-−]/.test(gap) ? -length.mm : length.mm
    })
    const bad = read.find(isRefusal)
    if (bad) return bad
    const [first, second] = read as number[]
    if (second === undefined)
      return first! < 0
        ? refuse('text', 'A face that rocks is felt along both diagonals, as 0.10 -0.10.')
        : { what: 'warp', value: first!, sigma }
    const { bow, twist, departure } = bowAndTwist(first!, second)
    return { what: 'warp', value: departure, bow, twist, sigma }
  },
  range: ({ value }, { gasketMm }) => ({
    value,
    near: 0.15,
    least: 0,
    most: gasketMm * 2.5,
    unit: 'mm',
    limits: `its gasket is ${figure(gasketMm)} mm thick`,
  }),
  judge: (measured, { deciding, code }, { float }) =>
    judgeWarp(measured, deciding.gasketMm, float.hangsOn === undefined ? null : float.hangsOn === code),
}

/** Departure from plane that a gasket of this thickness still seals, mm: (c_bolt − c_seal)·t. */
export const warpLimit = (gasketMm: number): number =>
  (COMPRESSION_AT_BOLTS - COMPRESSION_THAT_SEALS) * gasketMm

/** `moves`: whether the float hangs on the lapped part and is read from its face; null where the sheet does not say. */
function judgeWarp(
  { value, sigma, bow, twist }: PartMeasuredBy<'warp'>,
  gasketMm: number,
  moves: boolean | null,
): Result<Judgement> {
  const limit = warpLimit(gasketMm)
  const verdict = judge(value, sigma, null, limit)
  if (isRefusal(verdict)) return verdict
  const base = {
    pIn: verdict.pIn,
    limit,
    unit: 'mm' as const,
    rule: `a ${gasketMm} mm gasket takes up ${figure(limit, 2)} mm`,
  }
  const shape =
    bow === undefined || twist === undefined
      ? ''
      : `${bow >= 0 ? 'Hollow' : 'Crowned'} by ${figure(Math.abs(bow), 2)}, twisted by ${figure(twist, 2)}: ${figure(value, 2)} out of plane. `
  const takes = `${shape}What seals it takes up ${figure(limit, 2)}.`
  if (verdict.verdict === 'in')
    return { ...base, disposition: 'reuse', sure: true, sentence: `${takes} Flat enough.` }
  if (verdict.verdict === 'doubtful')
    return {
      ...base,
      disposition: 'repair',
      sure: false,
      sentence: `${shape}Right at ${figure(limit, 2)}. Feel again with the thinnest leaf that enters.`,
    }
  if (value > MOST_FACED_MM)
    return {
      ...base,
      disposition: 'condemn',
      sure: true,
      sentence: `${takes} More than ${figure(MOST_FACED_MM)} would have to come off: it is too thin then. Another casting.`,
    }
  const how = value > MOST_LAPPED_MM ? 'Have it faced on a machine' : 'Lap it on the plate'
  const then =
    moves === null
      ? 'Then read the float again'
      : moves
        ? 'what comes off moves the float reading as much'
        : 'if the seat is in this part, read the float height again'
  return {
    ...base,
    disposition: 'repair',
    sure: true,
    sentence: `${takes} ${how}${moves === null ? '. ' : '; '}${then}.`,
  }
}
