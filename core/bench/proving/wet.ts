import { conditionsFor, settingContext } from '../entering/index.ts'
import { bodyOf, lastSaid, type ProofMeasured, type Remedy } from '../../log/index.ts'
import { figure } from '../../measure/index.ts'
import {
  benchLevel,
  heightForLevel,
  levelAtEngine,
  pumpBand,
  soakedBy,
  spillMargin,
  type Bench,
  type Proof,
  type ProofSubject,
  type WeepPlace,
  leastOf,
  proves,
} from '../../judge/proof/index.ts'
import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import { judgeSetting } from '../../judge/settings/index.ts'
import { entered, type EnteredProof } from './entered.ts'
import { capital } from '../../base/words/index.ts'

export interface LevelTyped extends Bench {
  belowFace: number
  /** the lowest way out, mm below the face, where somebody measured it */
  lipMm?: number | null
}

/** A wet level against what this bench is to show, what it means at the engine, and which way the float goes. Refuses what it cannot be. */
export function enterLevel(subject: ProofSubject, proof: Proof, typed: LevelTyped): Result<EnteredProof> {
  const { state, sheets, body } = subject
  const { spec } = sheets
  const height = lastSaid(bodyOf(state, body).readings['float.height/none'])?.value ?? null
  const level = benchLevel(spec, typed, height)
  if (isRefusal(level)) return level
  const conditions = conditionsFor(state, sheets)
  const engine = levelAtEngine(spec, typed, typed.belowFace, conditions)
  const atEngine = isRefusal(engine) ? null : engine
  const measured: ProofMeasured = {
    what: 'level',
    belowFace: typed.belowFace,
    expected: level.expected,
    lo: level.lo,
    hi: level.hi,
    pressureKpa: typed.pressureKpa,
    densityKgM3: typed.densityKgM3,
    tiltDeg: typed.tiltDeg,
    atEngine,
  }
  const wants = `${figure(level.expected, 1)} ±${figure((level.hi - level.lo) / 2, 1)}`
  const means =
    atEngine === null
      ? ''
      : ` With the engine running ${figure(atEngine, 1)} at ${figure(conditions.pressureKpa)} kPa, the sheet has ${figure(spec.level.target, 1)}.`
  const shown: Proof = { ...proof, wants }
  const spill =
    typed.lipMm != null && height !== null
      ? spillMargin(spec, typed, height, typed.belowFace, typed.lipMm)
      : null
  if (spill && !isRefusal(spill) && spill.marginMm <= 0)
    return refuse(
      'lip',
      `It overflows first at ${figure(typed.lipMm!, 1)}, below this level: it overflows before the needle shuts.`,
    )
  const facts =
    spill && !isRefusal(spill)
      ? [`overflows ${figure(spill.marginMm, 1)} mm higher, at ${figure(spill.atKpa, 1)} kPa`]
      : []
  if (proves(measured))
    return entered(
      shown,
      measured,
      figure(typed.belowFace),
      `${figure(typed.belowFace)} below the face, target ${wants}.`,
      `Within limits.${means}`,
      { facts },
    )
  const off = level.expected - typed.belowFace
  const way = off > 0 ? 'high' : 'low'
  const meaning = means.trim()
  const asReckoned = level.byHeight !== null && Math.abs(level.byHeight - typed.belowFace) <= 0.6
  // The height is right and the fuel is not: then something else than the height is, and bending would hide it.
  if (
    height !== null &&
    !asReckoned &&
    level.byHeight !== null &&
    level.byHeight >= level.lo &&
    level.byHeight <= level.hi
  ) {
    const grams = soakedBy(spec.float, off, typed.densityKgM3)
    return entered(
      shown,
      measured,
      figure(typed.belowFace),
      `${figure(Math.abs(off), 1)} mm too ${way}, target ${wants}.`,
      meaning,
      {
        remedy: {
          words:
            off > 0
              ? `The dry height is right, so check other causes before you bend anything. Weigh the float: one ${figure(grams)} g too heavy would do this.`
              : 'The dry height is right, so check other causes before you bend anything: head, fluid and where the level is read.',
          detail:
            off > 0
              ? 'or the needle shuts late: pressure, a worn seat'
              : 'or the needle sticks shut: tap once and read again',
        },
      },
    )
  }
  return entered(
    shown,
    measured,
    figure(typed.belowFace),
    `${figure(Math.abs(off), 1)} mm too ${way}, target ${wants}.`,
    meaning,
    {
      remedy: height === null ? null : levelRemedy(subject, typed, height, level.expected),
    },
  )
}

/** Which bend or washer brings a wet level to its mark, and what is opened for it. */
function levelRemedy(
  { state, sheets, body }: ProofSubject,
  typed: LevelTyped,
  height: number,
  expected: number,
): EnteredProof['remedy'] {
  const setting = sheets.spec.settings.find(({ code }) => code === 'float.height')
  const wanted = heightForLevel(sheets.spec, typed, height, typed.belowFace, expected)
  if (!setting || wanted === undefined) return null
  const context = settingContext(state, sheets, null, [], body)
  const judged = judgeSetting(
    { ...setting, target: wanted, lo: wanted - 0.01, hi: wanted + 0.01 },
    height,
    context,
  )
  const remedy: Remedy | null = isRefusal(judged) ? null : judged.remedy
  const opens = sheets.build.positions.find(({ kind }) => kind === 'cover')?.name.toLowerCase()
  return {
    words: remedy?.words ?? `Dry height from ${figure(height)} to ${figure(wanted)} mm.`,
    detail: `dry height ${figure(height)} to ${figure(wanted)} mm · ${opens ? `${opens} comes off: redo inlet, level and leak tests` : 'redo level and leak tests'}`,
  }
}

/** A weep watch as it stands. */
export function enterWeep(
  proof: Proof,
  seconds: number,
  tapped: boolean,
  places: readonly (WeepPlace & { wetAt: number | null })[],
): EnteredProof {
  const measured: ProofMeasured = {
    what: 'weep',
    seconds,
    wanted: leastOf.weepSeconds,
    tapped,
    places: places.map(({ name, wetAt }) => ({ name, wetAt })),
  }
  const wet = places.filter(({ wetAt }) => wetAt !== null)
  const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`
  if (wet.length > 0)
    return entered(
      proof,
      measured,
      wet
        .map(({ name }) => name.toLowerCase())
        .join(', ')
        .slice(0, 60),
      `${wet[0]!.name} ${wet[0]!.kind === 'way out' ? 'runs' : 'seeps'} since ${clock(wet[0]!.wetAt!)}.`,
      wet.length > 1 ? `And ${wet.length - 1} more.` : '',
      { remedy: WEEP_REMEDIES[wet[0]!.kind] },
    )
  if (seconds < leastOf.weepSeconds)
    return entered(
      proof,
      measured,
      clock(seconds),
      `Dry for ${clock(seconds)} of ${clock(leastOf.weepSeconds)}.`,
      'A seeping plug shows late.',
    )
  if (!tapped)
    return entered(
      proof,
      measured,
      clock(seconds),
      'Tap it once.',
      'Tapping shows a sticking needle: then watch the overflow.',
    )
  return entered(
    proof,
    measured,
    'dry',
    `Dry for ${clock(seconds)}.`,
    `${places.length} places watched, tapped once.`,
  )
}

const WEEP_REMEDIES: Readonly<Record<WeepPlace['kind'], { words: string; detail: string }>> = {
  'way out': {
    words: 'The level is too high or the needle does not shut: wet level and inlet first.',
    detail: 'fuel may be in the bore: check it before anyone cranks',
  },
  joint: {
    words: 'Wipe it dry, tighten the screws again in pattern. If it still seeps: true the face, new gasket.',
    detail: 'then watch ten more minutes',
  },
  thread: {
    words: 'Tighten it slightly, wipe it, watch ten more minutes. If it still seeps: new washer or plug.',
    detail: 'too much torque strips zinc threads',
  },
}

/** Ten strokes of the pump against what its piston sweeps. Refuses `text` below 0. */
export function enterPump(
  { sheets }: ProofSubject,
  proof: Proof,
  ml: number,
  atOnce: boolean,
  instrument: string | null = null,
): Result<EnteredProof> {
  if (!(ml >= 0) || ml > 200) return refuse('text', 'Enter the volume of all ten strokes, 0 to 200 mL.')
  const { lo, hi, swept } = pumpBand(sheets.spec)
  const measured: ProofMeasured = { what: 'pump', ml, strokes: leastOf.strokes, atOnce, lo, hi }
  const share = swept
    ? `${figure((100 * ml) / swept, 0)} % of its ${figure(swept)} mL stroke volume`
    : 'pump sizes unknown: recorded, check that every stroke is alike'
  const value = figure(ml)
  if (!atOnce)
    return entered(proof, measured, value, 'It squirts late.', `${share}.`, {
      instrument,
      remedy: {
        words: 'Take up the play in its link, then check the cup and the check ball.',
        detail: 'it draws air, or the ball does not seat',
      },
    })
  if (lo !== null && ml < lo)
    return entered(proof, measured, value, `Short: ${figure(ml)} mL, target ${proof.wants}.`, `${share}.`, {
      instrument,
      remedy: {
        words:
          'Check that nozzle and passage are clear, the ball seats and the cup is soft. Then the stroke.',
        detail: 'all strokes alike: the stroke; uneven: a ball',
      },
    })
  if (hi !== null && ml > hi)
    return entered(
      proof,
      measured,
      value,
      `More than its stroke holds: ${figure(ml)} mL.`,
      `${share}. Fuel is drawn past the pump, or it was not ten strokes.`,
      { instrument },
    )
  return entered(proof, measured, value, `${figure(ml)} mL, at once.`, `${capital(share)}.`, { instrument })
}
