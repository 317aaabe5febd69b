import {
  leverAt,
  levelInUse,
  ownRatio,
  seatWasher,
  stockWasher,
  tangBend,
} from '../../physics/float/index.ts'
import { figure } from '../../measure/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import type { Conditions } from '../../sheets/conditions/index.ts'
import type { SettingSpec, SpecSheet } from '../../sheets/index.ts'
import { compose } from './judge.ts'
import type { Setting, SettingContext } from './kind.ts'
import type { Remedy } from '../../log/index.ts'
import { armRemedy, renew } from './remedies.ts'
import { bendAsShare, needleWay } from './words.ts'

/** A stocked washer further off than this (mm) does not correct the height. */
const MOST_WASHER_ERROR_MM = 0.35

/** Float height, mm, dry: where the float shuts the needle, and so the fuel's level in use. */
export const floatHeight: Setting = {
  order: 1,
  gauges: ['caliper'],
  unit: { set: 'mm', found: 'mm' },
  judge(setting, value, context, standing) {
    const { spec, conditions } = context
    const geometry = spec.float
    const lever = leverAt(geometry, value)
    if (isRefusal(lever)) return lever
    const now = levelInUse(geometry, value, conditions.pressureKpa, conditions.densityKgM3)
    if (isRefusal(now)) return now
    const atTarget = levelInUse(geometry, standing.target, conditions.pressureKpa, conditions.densityKgM3)
    if (isRefusal(atTarget)) return atTarget
    // Which way it shuts off comes from the height; the mark is the sheet's own, whatever this job's pressure and fuel do to it.
    const late = now.belowFace < atTarget.belowFace
    const low = now.belowFace - spec.level.target
    const remedy = remedyOf(setting, value, standing.target, context)
    if (isRefusal(remedy)) return remedy
    return compose(standing, setting, {
      inWords: `Fuel stands ${figure(now.belowFace)} mm below the face at ${figure(conditions.pressureKpa)} kPa.`,
      meaning: `The needle closes ${late ? 'late' : 'early'}${
        late === low < 0
          ? `, so fuel stands ${figure(Math.abs(low), 1)} mm too ${late ? 'high' : 'low'}.`
          : `. At ${figure(conditions.pressureKpa)} kPa fuel stands ${figure(now.belowFace)} mm below the face; the spec is ${figure(spec.level.target)}.`
      }`,
      remedy,
      facts: [
        `in use ${figure(now.belowFace)} below the face, spec ${figure(spec.level.target)}`,
        now.holds
          ? `holds up to ${figure(now.maxPressure, 0)} kPa`
          : `cannot shut off against ${figure(conditions.pressureKpa)} kPa`,
      ],
      assumes: conditions.assumes,
    })
  },
}

/**
 * Where the fuel should stand, mm below the face: the sheet's own level, whatever this job's pressure and fuel do to it. No sheet gives
 * a taught unit its level: there it is where its own height puts it. Null where no level can be worked out.
 */
export function wantedLevel(spec: SpecSheet, target: number, conditions: Conditions): number | null {
  if (!spec.taught) return spec.level.target
  const level = levelInUse(spec.float, target, conditions.pressureKpa, conditions.densityKgM3)
  return isRefusal(level) ? null : level.belowFace
}

function remedyOf(
  setting: SettingSpec,
  value: number,
  target: number,
  { spec, washerMm, bends }: SettingContext,
): Result<Remedy | null> {
  const geometry = spec.float
  const lever = leverAt(geometry, value)
  if (isRefusal(lever)) return lever
  if (geometry.correction === 'none')
    return renew('float', 'This float cannot be adjusted. Replace float or needle.', '')
  if (geometry.correction === 'washer') {
    const change = seatWasher(value, target, lever, geometry.seatFrom, (geometry.tangAngle * Math.PI) / 180)
    if (isRefusal(change)) return change
    const now = washerMm ?? geometry.washerMm ?? 0
    const wanted = now + change.change
    const stock = stockWasher(wanted, geometry.washerStockMm)
    const way = change.change > 0 ? 'thicker' : 'thinner'
    if (!stock || wanted <= 0 || Math.abs(stock.error) > MOST_WASHER_ERROR_MM)
      return renew(
        'washer',
        'No washer in stock corrects this. Check needle, seat and float.',
        wanted <= 0
          ? `no washer is thin enough: with the ${figure(now)} mm washer the seat sits ${figure(-change.change, 2)} mm too high`
          : `it would take ${figure(wanted, 2)} mm instead of ${figure(now)}`,
      )
    return {
      action: 'change washer',
      of: 'washer',
      way,
      amount: stock.mm,
      unit: 'mm',
      words: `Fit a ${stock.mm} mm washer under the seat instead of ${figure(now)}. Nothing is bent here.`,
      detail: `${figure(Math.abs(change.change), 2)} mm ${way} needed · the seat goes in from ${geometry.seatFrom === 'bowl' ? 'the bowl side' : 'outside'}`,
      short: `${stock.mm} mm washer under the seat, was ${figure(now)}`,
    }
  }
  const bend = tangBend(value, target, lever)
  if (isRefusal(bend)) return bend
  if (bend.toward === 'none') return null
  if (geometry.correction === 'arm')
    return armRemedy(
      value,
      target,
      geometry,
      `${figure(bend.bend, 2)} mm at the tang, which you do not bend · `,
    )
  const toward = bend.toward === 'needle' ? 'toward the needle' : 'away from the needle'
  const way = needleWay(geometry.needleAt, setting.held, bend.toward)
  const tries = bends ? [...bends.tries, ...(bends.open ? [{ ...bends.open, after: value }] : [])] : []
  const sheetK = Math.abs(target - value) / bend.bend
  const own = ownRatio(sheetK, geometry.sense, tries)
  const amount = own ? Math.abs(target - value) / own.k : bend.bend
  const learned = own
    ? ` · by ${own.tries === 1 ? 'its own bend' : `its own ${own.tries} bends`}; its geometry says ${figure(bend.bend, 2)}${
        own.another ? ', far from it: is the pin fully in, and is it the right float?' : ''
      }`
    : ''
  return {
    action: 'bend tang',
    of: 'tang',
    way,
    amount,
    unit: 'mm',
    words: `Bend the tang ${figure(amount, 2)} mm ${toward}: ${way}.`,
    detail: `${bendAsShare(amount)} · lift the float off first, do not press on the needle${learned}`,
    short: `tang ${figure(amount, 2)} mm ${toward}`,
  }
}
