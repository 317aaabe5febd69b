import { SEA_LEVEL_KPA } from '../../base/constants/index.ts'
import { likelyPsi } from '../../measure/instruments/index.ts'
import { figure, plainNumber } from '../../measure/index.ts'
import {
  HOLD_SECONDS,
  holdShort,
  judgeHold,
  laminar,
  lossAsLeak,
  proves,
  sealsOn,
  type Hold,
  type Proof,
  type ProofSubject,
} from '../../judge/proof/index.ts'
import type { ProofMeasured } from '../../log/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import type { Sample } from '../../measure/trace/index.ts'
import { entered, type EnteredProof, type More } from './entered.ts'

export interface HoldTyped {
  volumeMl: number
  /** the gauge's noise, kPa */
  sigma: number
  /** g on the needle, its own not counted; 0 where it lies under its float alone */
  weightG: number
  popOffKpa: number | null
  reseatKpa: number | null
}

const limitOf = (proof: Proof, volumeMl: number) =>
  proof.code === 'vacuum'
    ? lossAsLeak(proof.limits.vacuumLossKpa, HOLD_SECONDS, volumeMl)
    : proof.limits.inletMlMin

/** A trace of a pressure or vacuum that was shut in, judged as it stands now. Refuses as `judgeHold`. */
export const judgeShutIn = (
  proof: Proof,
  samples: readonly Sample[],
  { volumeMl, sigma }: Pick<HoldTyped, 'volumeMl' | 'sigma'>,
): Result<Hold> =>
  judgeHold(samples, {
    volume: volumeMl,
    limit: limitOf(proof, volumeMl),
    sigma,
    side: proof.code === 'vacuum' ? -1 : 1,
    drawn: true,
  })

/**
 * A fall read off by eye, from one pressure to another in so many seconds: laminar, with the gauge's error at both ends. It cannot tell
 * settling from a leak, so that what would fail only by settling is watched longer. Refuses `text` where it rises or is too short.
 */
export function judgeFall(
  proof: Proof,
  fromKpa: number,
  toKpa: number,
  seconds: number,
  { volumeMl, sigma }: Pick<HoldTyped, 'volumeMl' | 'sigma'>,
): Result<Hold> {
  if (!(fromKpa > 0) || !(toKpa >= 0) || !(seconds > 0))
    return refuse('text', 'Enter start pressure, end pressure and seconds between, such as 40 37.8 30.')
  if (toKpa > fromKpa)
    return refuse('text', 'The pressure is rising: it is warming up, or still being pumped.')
  if (fromKpa < 10 * sigma)
    return refuse('text', 'The pressure is too low for this gauge. Pump it up further.')
  if (!(volumeMl > 0)) return refuse('volume', 'The trapped volume must be more than 0.')
  const limit = limitOf(proof, volumeMl)
  const side = proof.code === 'vacuum' ? -1 : 1
  const u = (p: number) => p / (2 * SEA_LEVEL_KPA + side * p)
  const leakOf = (from: number, to: number) =>
    to <= 0
      ? Infinity
      : ((Math.log(u(from) / u(to)) / seconds) * (60 * volumeMl) * from * (2 * SEA_LEVEL_KPA + side * from)) /
        (SEA_LEVEL_KPA * 2 * SEA_LEVEL_KPA)
  const leak = leakOf(fromKpa, Math.max(toKpa, sigma / 2))
  const slip = 1.96 * Math.SQRT2 * sigma
  const low = Math.max(0, toKpa + slip >= fromKpa ? 0 : leakOf(fromKpa, toKpa + slip))
  const high = toKpa - slip <= 0 ? Math.max(leak, leakOf(fromKpa, sigma / 4)) : leakOf(fromKpa, toKpa - slip)
  const base = { law: 'laminar' as const, leak, low, high }
  if (low > 20 * limit) return { ...base, verdict: 'open', passes: false }
  if (seconds < 20) return { ...base, verdict: 'wait', passes: null, secondsMore: 20 - seconds }
  if (high > limit && low <= limit)
    return {
      ...base,
      verdict: 'wait',
      passes: null,
      secondsMore: Math.min(
        600,
        Math.max(1, seconds * ((high - low) / Math.max(0.05 * limit, 2 * Math.abs(limit - leak)) - 1)),
      ),
    }
  return { ...base, verdict: low === 0 ? 'tight' : 'slow', passes: high <= limit }
}

const plusMinus = (hold: Hold) => figure(Math.max(hold.high - hold.leak, hold.leak - hold.low), 2)

/** What a hold says, and the entry that it would make. */
export function enterHold(
  subject: ProofSubject,
  proof: Proof,
  hold: Hold,
  from: number,
  to: number,
  seconds: number,
  typed: HoldTyped,
  more: Pick<More, 'instrument' | 'trace'> & { byEye?: boolean } = {},
): EnteredProof {
  const vacuum = proof.code === 'vacuum'
  const limit = limitOf(proof, typed.volumeMl)
  const measured: ProofMeasured = {
    what: 'hold',
    side: vacuum ? 'vacuum' : 'pressure',
    fromKpa: from,
    toKpa: Math.max(0, to),
    seconds,
    volumeMl: typed.volumeMl,
    limit,
    leak: hold.leak,
    low: hold.low,
    high: hold.high,
    verdict: hold.verdict,
    law: hold.law,
    popOffKpa: typed.popOffKpa,
    reseatKpa: typed.reseatKpa,
  }
  const run = `${figure(from)} to ${figure(to)} kPa in ${figure(seconds, 0)} s`
  const amount = `${figure(hold.leak, 2)} mL/min`
  const allowed = vacuum
    ? `${figure(proof.limits.vacuumLossKpa)} kPa in 30 s is allowed`
    : `${figure(limit)} is allowed`
  const inShort = hold.passes ? figure(hold.leak, 1) : hold.verdict === 'open' ? 'open' : figure(hold.leak, 1)
  const { spec } = subject.sheets
  const circle =
    typed.popOffKpa !== null && typed.weightG > 0 && !vacuum
      ? sealsOn(typed.weightG + (spec.taught ? 0 : spec.float.needleMass), typed.popOffKpa)
      : null
  const seal =
    circle !== null && !isRefusal(circle)
      ? [
          `it opened at ${figure(typed.popOffKpa!, 0)} kPa under ${figure(typed.weightG)} g: seals on ${figure(circle, 2)} mm${
            spec.taught ? '' : `, the seat is ${figure(spec.float.seatBore, 2)}`
          }`,
        ]
      : []
  const facts = [
    ...seal,
    ...(typed.reseatKpa !== null ? [`it shut at ${figure(typed.reseatKpa, 0)} kPa`] : []),
  ]
  const said = (headline: string, meaning: string, remedy: EnteredProof['remedy'] = null) =>
    entered(proof, measured, inShort, headline, meaning, {
      ...more,
      remedy,
      facts,
      short: proves(measured) ? holdShort(subject, proof, measured) : '',
    })
  switch (hold.verdict) {
    case 'wait':
      return said(
        `Wait ${figure(Math.ceil(hold.secondsMore ?? 1), 0)} s more for a result.`,
        `${run}: leak between ${figure(hold.low, 1)} and ${figure(hold.high, 1)} mL/min, ${allowed}.`,
      )
    case 'open':
      return said(
        vacuum ? 'It does not hold at all.' : 'Stuck open: it does not shut.',
        run,
        vacuum
          ? {
              words: 'Check the hose and clamp first, then replace the diaphragm.',
              detail: 'a loose hose looks the same',
            }
          : {
              words: 'Blow the seat clean and check that the needle moves freely.',
              detail: 'a sticking needle, dirt on the seat, or no needle fitted',
            },
      )
    case 'settling':
      return said(
        'Holds. It settled, then held.',
        `${run}: hose and needle settled first; the leak left is under ${figure(Math.max(0.01, hold.high), 2)} mL/min, ${allowed}.`,
      )
    case 'tight':
      return said(
        'Tight.',
        `${run}: too small for this gauge, at most ${figure(Math.max(0.01, hold.high), 2)} mL/min, ${allowed}.`,
      )
    case 'slow':
      return hold.passes
        ? said(
            `Holds. ${amount} ±${plusMinus(hold)}, ${allowed}.`,
            more.byEye
              ? `${run}.`
              : `${run}. It keeps falling to the end: a real leak, not the hose settling.`,
          )
        : said(
            `Leaks: ${amount} ±${plusMinus(hold)}, ${allowed}.`,
            more.byEye
              ? `${run}. Two readings cannot tell a leak from settling. Pump again and watch twice as long before you buy a part.`
              : `${run}. It keeps falling to the end: a real leak, not settling.`,
            vacuum
              ? {
                  words: 'Check hose and clamp first, then replace the diaphragm.',
                  detail: 'wet it: bubbles show where',
                }
              : {
                  words:
                    'Turn the needle in its seat, wipe both, test again. If it still leaks, replace needle and seat as a pair.',
                  detail: 'check fitting and gauge joints first: soapy water shows bubbles',
                },
          )
  }
}

/** The fall that a leak of the limit would make from the same start, for the drawing: [s, kPa], laminar. */
export function limitFall(
  proof: Proof,
  hold: Pick<Hold, 'curve'>,
  fromKpa: number,
  volumeMl: number,
): [number, number][] {
  const limit = limitOf(proof, volumeMl)
  const side = proof.code === 'vacuum' ? -1 : 1
  return (hold.curve ?? []).map(([t]) => [t, laminar(t, fromKpa, limit, volumeMl, side)])
}

/**
 * A fall as it is typed, `40 37.8 30` or `40 to 37.8 in 30`: kPa at first, at last, s between. Refuses `text` where it is not three
 * figures, and where the first looks as if it were psi beside what is `wanted`, kPa.
 */
export function readFall(text: string, wanted: number): Result<[from: number, to: number, seconds: number]> {
  const figures = text
    .trim()
    .split(/(?:\s*(?:to|in|,(?=\s)|;|kpa|s)\s*|\s+)+/i)
    .filter(Boolean)
    .map((one) => plainNumber(one))
  const [from = NaN, to = NaN, seconds = NaN] = figures
  if (figures.length !== 3 || !figures.every(Number.isFinite))
    return refuse(
      'text',
      'Enter three numbers: start pressure, end pressure, seconds between, such as 40 37.8 30.',
    )
  const psi = likelyPsi(from, wanted)
  return psi === null
    ? [from, to, seconds]
    : refuse(
        'text',
        `${figure(from)} kPa is far below the ${wanted} needed. Was it psi? Then type ${figure(psi)} and ${figure((to * psi) / from)}.`,
      )
}
