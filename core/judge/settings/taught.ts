import { levelInUse, learnRatio } from '../../physics/float/index.ts'
import { figure } from '../../measure/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { SpecSheet } from '../../sheets/index.ts'
import { known, type TaughtRung } from '../../taught/index.ts'
import { compose } from './judge.ts'
import type { Setting, SettingContext } from './kind.ts'
import type { Remedy } from '../../log/index.ts'
import { mixtureTurns } from './mixture-turns.ts'
import { plain } from './plain.ts'
import { armRemedy, renew } from './remedies.ts'
import { bendAsShare } from './words.ts'

/** Modelled settings whose model needs what nobody measured on a taught unit: they are compared with their value and no more. */
const COMPARED: ReadonlySet<string> = new Set([
  'float.drop',
  'pump.stem',
  'choke.index',
  'vacuumBreak.gap',
  'airValve.turns',
])

/** How a setting of a taught unit is judged: no further than what is known of the unit carries. */
export function taughtSetting(
  setting: Setting,
  code: string,
  taught: NonNullable<SpecSheet['taught']>,
): Setting {
  if (code === 'float.height') return { ...setting, judge: floatHeightTaught }
  if (code === 'mixture.turns' && !taught.pencil.includes('mixture.kind')) return mixtureTurns
  if (code === 'mixture.turns' || COMPARED.has(code))
    return { ...setting, judge: plain(setting.order, setting.unit).judge }
  return setting
}

const floatHeightTaught: Setting['judge'] = (setting, value, context, standing) => {
  const { spec } = context
  const { rungs } = known(spec)
  const can = (code: TaughtRung['code']) => rungs.find((rung) => rung.code === code)!.reached
  const pencil = new Set(spec.taught!.pencil)
  const late = spec.float.sense * standing.off < 0
  const way = pencil.has('float.sense')
    ? 'Which way to bend is not known: enter what the height is read from.'
    : `The needle closes ${late ? 'late, so fuel stands too high' : 'early, so fuel stands too low'}.`
  const remedy = pencil.has('float.sense') ? null : remedyOf(value, standing.target, context)
  if (isRefusal(remedy)) return remedy
  const level = can('level') ? levelWords(value, context) : ''
  return compose(standing, setting, {
    inWords: level || `Matches its value (${setting.source}${setting.ground ? `: ${setting.ground}` : ''}).`,
    meaning: [way, level, pencil.has('float.correction') ? 'How it is corrected is not known yet.' : '']
      .filter(Boolean)
      .join(' '),
    remedy,
    facts: level ? [] : [lackWords(rungs.find(({ code }) => code === 'level')!)],
  })
}

/** The level in use with how sure it is; empty where the arm cannot show the reading. */
function levelWords(value: number, { spec, conditions }: SettingContext): string {
  const now = levelInUse(spec.float, value, conditions.pressureKpa, conditions.densityKgM3)
  if (isRefusal(now)) return ''
  const sigma = spec.taught!.levelSigma
  return `Fuel stands ${figure(now.belowFace)}${sigma ? ` ±${figure(sigma, 1)}` : ''} mm below the face at ${figure(conditions.pressureKpa)} kPa.`
}

const lackWords = ({ missing }: TaughtRung) =>
  `the level in use is not known: ${missing.length} ${missing.length === 1 ? 'measurement is' : 'measurements are'} missing`

/** What puts the height right, as far as the ratio is known; null where nobody said how it is corrected. */
function remedyOf(value: number, target: number, { spec }: SettingContext): Result<Remedy | null> {
  const { float, taught } = spec
  const { ratio, pencil } = taught!
  if (pencil.includes('float.correction') || value === target) return null
  if (float.correction === 'none')
    return renew('float', 'This float cannot be adjusted. Check float, pin, needle and seat.', '')
  if (float.correction === 'arm') return armRemedy(value, target, float)
  if (!ratio) return null
  const next = learnRatio({
    sense: float.sense,
    target,
    reading: value,
    tries: [],
    prior: { k: ratio.k, relSigma: ratio.relSigma },
  })
  if (isRefusal(next)) return next
  const amount = Math.abs(next.nextBend)
  const sure = `±${figure(next.nextSigma, 2)}`
  const toward = next.nextBend > 0 ? 'toward the needle' : 'away from the needle'
  // A ratio that only the family lends, or that is as uncertain: half of it, then the next reading teaches the rest.
  const half = next.halfFirst || (!ratio.arms && ratio.tries === 0)
  const rests = restWords(ratio)
  if (float.correction === 'washer') {
    const way = next.nextBend > 0 ? 'thicker' : 'thinner'
    return {
      action: 'change washer',
      of: 'washer',
      way,
      amount,
      unit: 'mm',
      words: `Nothing is bent here. Fit a washer ${figure(amount, 2)} ${sure} mm ${way}, if the seat goes in from the bowl side.`,
      detail: `the other way round if it goes in from outside · ${rests}`,
      short: `washer ${figure(amount, 2)} mm ${way}`,
    }
  }
  const tells = half
    ? `Go half-way first: ${figure(amount / 2, 2)}. Enter how far you bent it, and the next reading shows the rest`
    : bendAsShare(amount)
  return {
    action: 'bend tang',
    of: 'tang',
    way: toward,
    amount,
    unit: 'mm',
    words: `Bend the tang ${figure(amount, 2)} ${sure} mm ${toward}.`,
    detail: `${tells} · ${rests}`,
    short: `tang ${figure(amount, 2)} mm ${toward}`,
  }
}

const restWords = ({ k, relSigma, tries, arms }: NonNullable<NonNullable<SpecSheet['taught']>['ratio']>) => {
  const from = [arms ? 'two arms' : '', tries ? `${tries} ${tries === 1 ? 'try' : 'tries'}` : ''].filter(
    Boolean,
  )
  return `1 mm at the tang moves the reading ${figure(k)} ±${figure(k * relSigma)} mm, from ${from.join(' and ') || 'its family only'}`
}
