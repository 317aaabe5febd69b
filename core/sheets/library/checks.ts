import { isListNumber, isSeen, LIST_NUMBER_SENTENCE, MOST } from '../../base/limits/index.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { momentsOf } from '../moments.ts'
import { settingKey, type BuildSheet, type SpecSheet } from '../index.ts'

export interface UnitFault {
  /** where it stands in the unit */
  at: string
  sentence: string
}

interface Unit {
  listNumber: string
  mark: string
  features: Readonly<Record<string, string | number>>
  spec: SpecSheet
  build: BuildSheet
}

/** Lengths, litres and counts are numbers; what is left is a word. */
const isMeasured = (feature: string): boolean => /(Mm|L)$|^barrels$/.test(feature)
const LARGEST_MM = 1000

/**
 * What a list number cannot be, whichever way it comes into the library: a catalogue, another shop's file, a unit that was taught. What
 * stands in the library already is not asked again.
 */
export function unitFaults({ listNumber, mark, features, spec, build }: Unit): UnitFault[] {
  const faults: UnitFault[] = []
  const tell = (at: string, sentence: string) => void faults.push({ at, sentence })
  if (!isListNumber(listNumber)) tell('listNumber', LIST_NUMBER_SENTENCE)
  if (mark.length > MOST.code) tell('mark', `A mark has at most ${MOST.code} characters.`)
  if (spec.listNumber !== listNumber || build.listNumber !== listNumber)
    tell('spec.listNumber', `Its sheets are not ${listNumber}’s.`)
  for (const [feature, value] of Object.entries(features)) {
    if (isMeasured(feature) && !(typeof value === 'number' && value > 0 && value <= LARGEST_MM))
      tell(`features.${feature}`, `It is a measure: a number above 0, at most ${LARGEST_MM}.`)
    if (!isMeasured(feature) && (typeof value !== 'string' || value.length > MOST.name))
      tell(`features.${feature}`, `It is a word of at most ${MOST.name} characters.`)
  }
  tellTwice(
    build.positions.map(({ code }) => code),
    (code, i) => tell(`build.positions.${i}.code`, `The position “${code}” stands twice.`),
  )
  tellTwice(spec.settings.map(settingKey), (key, i) =>
    tell(`spec.settings.${i}.code`, `The setting “${key}” stands twice.`),
  )
  if (build.positions.length > MOST.positions)
    tell('build.positions', `At most ${MOST.positions} positions make a unit.`)
  if (spec.settings.length > MOST.settings) tell('spec.settings', `At most ${MOST.settings} settings.`)
  for (const [name, outline] of Object.entries(spec.section))
    if (Array.isArray(outline) && outline.length > MOST.points)
      tell(
        `spec.section.${name}`,
        `An outline has at most ${MOST.points} points; this one ${outline.length}.`,
      )
  tellContradictions(spec, build, tell)
  build.positions.forEach(({ code, name, part }, i) => {
    if (code.length > MOST.code) tell(`build.positions.${i}.code`, `At most ${MOST.code} characters.`)
    if (!isSeen(name) || name.length > MOST.name)
      tell(`build.positions.${i}.name`, `A part has a name of at most ${MOST.name} characters.`)
    if (part !== null && part.length > MOST.code)
      tell(`build.positions.${i}.part`, `A part’s number has at most ${MOST.code} characters.`)
  })
  spec.settings.forEach(({ name, asWritten }, i) => {
    if (!isSeen(name) || name.length > MOST.name)
      tell(`spec.settings.${i}.name`, `A setting has a name of at most ${MOST.name} characters.`)
    if (asWritten.length > MOST.code)
      tell(`spec.settings.${i}.asWritten`, `A value is written in at most ${MOST.code} characters.`)
  })
  return faults
}

/** What two fields of a sheet say against each other. */
function tellContradictions(
  spec: SpecSheet,
  build: BuildSheet,
  tell: (at: string, sentence: string) => void,
): void {
  spec.settings.forEach((setting, i) => {
    const { lo, hi, target, name } = setting
    if (target !== null && ((lo !== null && target < lo) || (hi !== null && target > hi)))
      tell(`spec.settings.${i}.target`, `${name}: its value lies outside of its own limits.`)
    const moments = momentsOf(setting, build)
    if (isRefusal(moments)) tell(`spec.settings.${i}.when`, moments.refused.why)
  })
  const { level, supply } = spec
  if (!spec.taught && (level.lo > level.hi || level.target < level.lo || level.target > level.hi))
    tell('spec.level', 'The fuel level lies outside of its own limits.')
  if (!spec.taught && supply.pressureKpa > supply.mostKpa)
    tell('spec.supply', 'The fuel pressure lies above the most that the sheet allows.')
  build.positions.forEach(({ fastener, quantity, name }, i) => {
    const lengths = fastener?.lengthsMm.length ?? 1
    if (lengths !== 1 && lengths !== quantity)
      tell(
        `build.positions.${i}.fastener`,
        `${name}: ${quantity} screws and ${lengths} lengths. One for all, or one each.`,
      )
  })
}

function tellTwice(codes: readonly string[], tell: (code: string, at: number) => void): void {
  const seen = new Set<string>()
  codes.forEach((code, i) => {
    if (seen.has(code)) tell(code, i)
    seen.add(code)
  })
}
