import * as v from 'valibot'
import { refuse, type Result } from '../base/refusal/index.ts'
import {
  BuildSheet,
  calibrationKey,
  FloatGeometry,
  Position,
  settingKey,
  SpecSheet,
  type Deciding,
} from './schemas.ts'

const text = v.pipe(v.string(), v.minLength(1))
const number = v.number()
const nullableNumber = v.nullable(number)

/** What a list number changes in its model's sheets: parameters only, never shapes. */
export const ListNumber = v.object({
  number: text,
  /** what is stamped, cast or printed; empty where the maker left it bare */
  mark: v.string(),
  weight: v.pipe(number, v.gtValue(0)),
  features: v.record(v.string(), v.union([v.string(), v.number()])),
  supersedes: v.array(text),
  /** list numbers that it can stand in for, as the maker’s notes say, each with its condition in words */
  fitsAs: v.optional(v.array(v.object({ listNumber: text, words: v.string() })), []),
  settings: v.record(
    v.string(),
    v.pipe(
      v.object({
        asWritten: text,
        target: nullableNumber,
        lo: nullableNumber,
        hi: nullableNumber,
        source: v.optional(text),
        ground: v.optional(v.string()),
      }),
      v.check(
        (s) => s.lo === null || s.hi === null || s.lo <= s.hi,
        'The lower limit lies above the upper one.',
      ),
    ),
  ),
  calibration: v.record(v.string(), number),
  float: v.partial(v.pick(FloatGeometry, ['floatMass', 'seatBore', 'washerMm', 'needleMass'])),
  level: v.object({ target: number, lo: number, hi: number }),
  supply: v.object({ feed: v.picklist(['pump', 'gravity']), pressureKpa: number, mostKpa: number }),
  engine: v.object({
    displacementL: number,
    powerKw: number,
    bsfc: number,
    idleRpm: number,
    idleInGearRpm: nullableNumber,
  }),
  /** part number by position code; null leaves the position out */
  parts: v.record(v.string(), v.nullable(text)),
})
export type ListNumber = v.InferOutput<typeof ListNumber>

export const Model = v.object({
  code: text,
  name: text,
  maker: text,
  spec: v.omit(SpecSheet, ['listNumber', 'level', 'supply', 'engine', 'supersedes']),
  build: v.object({ trays: BuildSheet.entries.trays, positions: v.pipe(v.array(Position), v.minLength(1)) }),
  listNumbers: v.array(ListNumber),
})
export type Model = v.InferOutput<typeof Model>

/** What decides about a part of this list number: its own bore, and of a rod the bore of the jet that it moves in. */
function decidingOf(
  { code, deciding }: BuildSheet['positions'][number],
  item: ListNumber,
  { calibration }: SpecSheet,
): Deciding | null {
  if (deciding?.what === 'bore') return { ...deciding, newMm: item.calibration[code] ?? deciding.newMm }
  if (deciding?.what !== 'step' || !deciding.jet) return deciding
  const jet = calibration.find((one) => `${one.code}/${one.place}` === deciding.jet)
  return { ...deciding, jetMm: jet?.mm ?? deciding.jetMm }
}

/** A list number's full sheets: its model's with its own parameters in place. Refuses a key that the model lacks. */
export function listNumberSheets(
  model: Model,
  item: ListNumber,
): Result<{ spec: SpecSheet; build: BuildSheet }> {
  const settingKeys = new Set(model.spec.settings.map(settingKey))
  const strangeSetting = Object.keys(item.settings).find((key) => !settingKeys.has(key))
  if (strangeSetting) return refuse('settings', `${item.number}: its model has no setting ${strangeSetting}`)
  const positionCodes = new Set(model.build.positions.map((position) => position.code))
  const strangePart = Object.keys(item.parts).find((code) => !positionCodes.has(code))
  if (strangePart) return refuse('parts', `${item.number}: its model has no position ${strangePart}`)
  const spec: SpecSheet = {
    ...model.spec,
    listNumber: item.number,
    settings: model.spec.settings.map((setting) => {
      const own = item.settings[settingKey(setting)]
      return own ? ({ ...setting, ...own } as SpecSheet['settings'][number]) : setting
    }),
    calibration: model.spec.calibration.map((c) => ({
      ...c,
      mm: item.calibration[calibrationKey(c)] ?? c.mm,
    })),
    float: { ...model.spec.float, ...item.float },
    level: item.level,
    supply: item.supply,
    engine: item.engine,
    supersedes: item.supersedes,
  }
  const build: BuildSheet = {
    listNumber: item.number,
    trays: model.build.trays,
    positions: model.build.positions
      .filter((position) => item.parts[position.code] !== null)
      .map((position) => {
        return {
          ...position,
          part: item.parts[position.code] ?? position.part,
          deciding: decidingOf(position, item, spec),
        }
      }),
  }
  return { spec, build }
}
