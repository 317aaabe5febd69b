import { familyOf, unitDrawing } from '../unit/families/index.ts'
import { refuse, type Result } from '../base/refusal/index.ts'
import { settingKey, type Position, type SettingSpec, type Sheets } from '../sheets/index.ts'

const COVER = 'cover'
/** Settings of the upper half whatever hangs where: the choke and its break sit in the cover, so does an air valve. */
const UPPER_SETTINGS = /^(choke|vacuumBreak|airValve)\./
const UPPER_PARTS = /^choke\./

/** Which half each position of a unit with a cover belongs to: what the cover carries, and the choke, is the upper one's. */
export function upperCodes(sheets: Pick<Sheets, 'spec' | 'build'>): Set<string> {
  const { places } = unitDrawing(sheets)
  const isUpper = (code: string): boolean => {
    if (code === COVER || UPPER_PARTS.test(code)) return true
    const parent = places[code]?.parent
    return parent !== undefined && parent !== code && isUpper(parent)
  }
  return new Set(sheets.build.positions.map(({ code }) => code).filter(isUpper))
}

/**
 * The sheets of a unit that was put together from two: cover and what it carries by the upper one's, the rest by the lower one's, each
 * setting by the half that it sits in. Refuses `lower` where the halves cannot go together.
 */
export function mongrelSheets(upper: Sheets, lower: Sheets): Result<Sheets> {
  const before = known.get(upper)?.get(lower)
  if (before) return before
  const both = together(upper, lower)
  if (!known.has(upper)) known.set(upper, new WeakMap())
  known.get(upper)!.set(lower, both)
  return both
}
/** Sheets never change: what two of them make together is made once. */
const known = new WeakMap<Sheets, WeakMap<Sheets, Result<Sheets>>>()

function together(upper: Sheets, lower: Sheets): Result<Sheets> {
  const [a, b] = [upper.spec.listNumber, lower.spec.listNumber]
  if (a === b) return refuse('lower', 'Both halves are of one list number: it is no mongrel.')
  const family = familyOf(upper)
  if (family !== familyOf(lower) || upper.spec.barrels !== lower.spec.barrels)
    return refuse(
      'lower',
      `A cover of ${a} does not go on a body of ${b}: they are built otherwise. Read the marks again, or teach it.`,
    )
  const has = ({ build }: Sheets) => build.positions.some(({ code }) => code === COVER)
  if (!has(upper) || !has(lower))
    return refuse(
      'lower',
      'Only a unit with a cover on its body has two halves with numbers of their own. Teach it.',
    )
  if (upper.spec.float.hangsOn !== lower.spec.float.hangsOn)
    return refuse(
      'lower',
      `The float hangs on the cover of one and in the body of the other: of ${a} and ${b} one half is another one still. Teach it.`,
    )
  const [above, below] = [upperCodes(upper), upperCodes(lower)]
  const gasketOf = ({ build }: Sheets) => build.positions.find(({ code }) => code === 'cover.gasket')?.part
  const [theirs, ours] = [gasketOf(upper), gasketOf(lower)]
  const positions = [
    ...upper.build.positions.filter(({ code }) => above.has(code)),
    ...lower.build.positions.filter(({ code }) => !below.has(code)),
  ].map((position): Position =>
    position.code === 'cover.gasket' && theirs !== ours
      ? {
          ...position,
          cautions: [
            ...position.cautions,
            `The cover’s own is ${theirs ?? 'not known'}, the body’s ${ours ?? 'not known'}: lay both on both faces, no passage may be covered.`,
          ],
        }
      : position,
  )
  const hangsAbove = above.has(upper.spec.float.hangsOn ?? '')
  const isAbove = ({ code }: Pick<SettingSpec, 'code'>) =>
    UPPER_SETTINGS.test(code) || (hangsAbove && code.startsWith('float.'))
  const settings = [
    ...upper.spec.settings.filter(isAbove),
    ...lower.spec.settings.filter((setting) => !isAbove(setting)),
  ].map((setting) => ({ ...setting, ground: `${setting.ground} (${isAbove(setting) ? a : b})` }))
  const floats = hangsAbove ? upper.spec : lower.spec
  const listNumber = `${a} on ${b}`
  return {
    specRev: `${upper.specRev}+${lower.specRev}`,
    buildRev: `${upper.buildRev}+${lower.buildRev}`,
    spec: {
      ...lower.spec,
      listNumber,
      modelName:
        upper.spec.modelName === lower.spec.modelName
          ? lower.spec.modelName
          : `${upper.spec.modelName} on ${lower.spec.modelName}`,
      settings: settings.filter(
        (setting, i, all) => all.findIndex((one) => settingKey(one) === settingKey(setting)) === i,
      ),
      calibration: [
        ...(hangsAbove ? upper.spec.calibration.filter(({ code }) => code === 'seat') : []),
        ...lower.spec.calibration.filter(({ code }) => !hangsAbove || code !== 'seat'),
      ],
      float: floats.float,
      section: floats.section,
      level: floats.level,
      choke: upper.spec.choke,
      supply: {
        ...lower.spec.supply,
        mostKpa: Math.min(upper.spec.supply.mostKpa, lower.spec.supply.mostKpa),
      },
      supersedes: [],
    },
    build: {
      listNumber,
      trays: [
        ...lower.build.trays,
        ...upper.build.trays.filter(({ code }) => !lower.build.trays.some((tray) => tray.code === code)),
      ],
      positions,
    },
  }
}
