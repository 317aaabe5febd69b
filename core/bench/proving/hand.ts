import { fitElectric } from '../../physics/choke/index.ts'
import { readTyped } from '../../measure/instruments/index.ts'
import { figure, plainNumber } from '../../measure/index.ts'
import {
  type Proof,
  type ProofSubject,
  fallsWarm,
  isEnricher,
  leastOf,
  spreadOf,
  travelSeconds,
} from '../../judge/proof/index.ts'
import type { ProofMeasured } from '../../log/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { entered, type EnteredProof, type More } from './entered.ts'

/** Ten lifts, by count. */
export function enterLifts(
  proof: Proof,
  clean: number,
  of: number,
  spreadKpa: number | null,
  more: Pick<More, 'instrument' | 'trace'> = {},
): Result<EnteredProof> {
  if (!Number.isInteger(clean) || !Number.isInteger(of) || clean < 0 || clean > of)
    return refuse('text', 'Enter how many lifts shut cleanly: a whole number, no more than were made.')
  const measured: ProofMeasured = { what: 'lifts', clean, of, spreadKpa }
  const hung = of - clean
  const alike = spreadKpa === null ? '' : ` They shut within ${figure(spreadKpa, 1)} kPa of each other.`
  if (of < leastOf.lifts)
    return entered(
      proof,
      measured,
      `${clean} of ${of}`,
      `${leastOf.lifts - of} more ${leastOf.lifts - of === 1 ? 'lift' : 'lifts'}.`,
      'A sticking needle sticks now and then: ten lifts show it.',
      more,
    )
  return hung === 0
    ? entered(
        proof,
        measured,
        `${clean} of ${of}`,
        'No sticking.',
        `${of} lifts, ${of} shut clean.${alike}`,
        more,
      )
    : entered(
        proof,
        measured,
        `${clean} of ${of}`,
        `It stuck ${hung === 1 ? 'once' : `${hung} times`} in ${of}.`,
        `A needle that sticks on the bench floods on the road.${alike}`,
        {
          ...more,
          remedy: {
            words: 'Check that the clip is right, the tang smooth and square, and the pin straight.',
            detail: 'a groove in the tang catches the needle',
          },
        },
      )
}

/** An electric coil that was timed, with its current where somebody read it. Refuses as `fitElectric`. */
export function enterTravel(
  { sheets }: ProofSubject,
  proof: Proof,
  samples: readonly (readonly [number, number])[],
  volts: number | null,
  amps: number | null,
  ampsHot: number | null = null,
): Result<EnteredProof> {
  const fit = fitElectric(samples)
  if (isRefusal(fit)) return fit
  const allowed = travelSeconds(proof)
  const enricher = isEnricher(proof)
  const [heater] = proof.rests
  const deciding = sheets.build.positions.find(({ code }) => code === heater)?.deciding
  const band =
    deciding?.what === 'ohms' && volts !== null ? { lo: volts / deciding.hi, hi: volts / deciding.lo } : null
  const measured: ProofMeasured = {
    what: 'travel',
    samples: samples.map(([t, x]) => [t, x]),
    gain: fit.gain,
    secondsTo95: fit.secondsTo95,
    limit: allowed,
    amps,
    ampsLo: band?.lo ?? null,
    // Hot it draws less: only the cold band's upper end holds it.
    ampsHi: band?.hi ?? null,
    ampsHot,
  }
  const current =
    amps === null
      ? ''
      : ` It draws ${figure(amps, 2)} A${band ? `, ${figure(band.lo, 2)} to ${figure(band.hi, 2)} cold` : ''}${ampsHot === null ? '' : `; warm ${figure(ampsHot, 2)}`}.`
  if (fit.secondsTo95 === null)
    return entered(
      proof,
      measured,
      `${figure(100 * fit.gain, 0)} %`,
      `It never reaches its end: it stops at ${figure(100 * fit.gain, 0)} % of its travel.`,
      `The curve says so, however long it is on.${current}`,
      {
        remedy: {
          words: `Voltage at the terminal first, and its ground; then ${enricher ? 'the enricher itself' : 'cover and coil'}.`,
          detail: enricher
            ? 'a poor ground shuts it part of the way: rich when warm'
            : 'a poor ground opens it part of the way',
        },
      },
    )
  const headline = `95 % of its travel after ${figure(fit.secondsTo95, 0)} s, ${allowed} is allowed.`
  if (amps !== null && band && amps < band.lo)
    return entered(
      proof,
      measured,
      `${figure(amps, 2)} A`,
      `It draws too little: ${figure(amps, 2)} A.`,
      `${figure(band.lo, 2)} to ${figure(band.hi, 2)} cold at ${figure(volts!)} V.`,
      {
        remedy: {
          words:
            amps < 0.05
              ? `The circuit is open: ${enricher ? 'heater' : 'coil'}, terminal, ground.`
              : 'Look at its ground and terminal, then measure it again.',
          detail: 'warm it reads low: let it cool for ten minutes',
        },
      },
    )
  if (!fallsWarm(amps, ampsHot))
    return entered(
      proof,
      measured,
      `${figure(ampsHot!, 2)} A`,
      `Warm it still draws ${figure(ampsHot!, 2)} A, cold ${figure(amps!, 2)}.`,
      'A heater draws less as it warms. Either it does not heat, or it is shorted.',
      {
        remedy: {
          words: `Feel ${enricher ? 'it' : 'the cover'}: cold means no heat, hot at the same current means a short. Replace it.`,
          detail: `careful: ${enricher ? 'it' : 'the cover'} may be hot`,
        },
      },
    )
  return entered(
    proof,
    measured,
    figure(fit.secondsTo95, 0),
    fit.secondsTo95 <= allowed ? `${enricher ? 'Shuts' : 'Opens'}. ${headline}` : `Slow. ${headline}`,
    `It starts after ${figure(fit.start, 0)} s.${current}`,
    {
      remedy:
        fit.secondsTo95 <= allowed
          ? null
          : {
              words: enricher
                ? 'Voltage at the terminal first, then renew it.'
                : 'Voltage at the terminal first, then the cover’s notch.',
              detail: enricher ? 'nothing sets it' : 'a notch richer keeps it shut longer',
            },
    },
  )
}

/** What a hand felt or an eye saw. */
export function enterSeen(proof: Proof, yes: boolean, words = ''): EnteredProof {
  const measured: ProofMeasured = { what: 'seen', yes, words }
  return entered(
    proof,
    measured,
    yes ? proof.wants : (words || 'does not').slice(0, 60),
    yes ? `${proof.name}.` : `No: ${words || proof.name.toLowerCase()}.`,
    '',
  )
}

/** A try of a bank: how far its readings stand apart. Refuses readings that are not one a body. */
export function enterAlike(
  proof: Proof,
  readings: readonly number[],
  lead: number,
  allowed: number,
  turned: readonly number[],
  instrument: string | null = null,
): Result<EnteredProof> {
  if (readings.length < 2 || !readings.every((one) => Number.isFinite(one) && one >= 0))
    return refuse('text', 'One reading for each body, from 0.')
  const apart = spreadOf(readings)
  const places = allowed < 1 ? 2 : 0
  const unit = proof.code === 'sync' ? 'mbar' : 'mm'
  const measured: ProofMeasured = {
    what: 'alike',
    unit,
    readings: [...readings],
    lead,
    allowed,
    turned: [...turned],
  }
  return entered(
    proof,
    measured,
    `${figure(apart, places)} apart`,
    apart <= allowed
      ? `Alike: ${figure(apart, places)} ${unit} apart, ${figure(allowed, places)} is allowed.`
      : `${figure(apart, places)} ${unit} apart, ${figure(allowed, places)} is allowed.`,
    '',
    { instrument },
  )
}

/** mbar in a kPa: columns are told in mbar. */
const MBAR = 10

/** What a body of a bank is typed to read: mm of a gap, mbar of a column with or without its unit. NaN where it is no reading. */
export function readAlike(proof: Pick<Proof, 'code'>, text: string): number {
  if (proof.code !== 'sync') {
    const gap = readTyped(text, 'length')
    return isRefusal(gap) ? NaN : gap
  }
  const bare = plainNumber(text)
  if (Number.isFinite(bare)) return bare
  const kpa = readTyped(text, 'pressure')
  return isRefusal(kpa) ? NaN : kpa * MBAR
}

/** A column's reading, kPa, as it stands in a body's field, whole mbar. */
export const columnWords = (kpa: number): string => figure(kpa * MBAR, 0)
