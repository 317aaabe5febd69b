import { bodyOf, type Chosen, type JobState, type SheetsByBody } from '../log/index.ts'
import { amended } from './amended.ts'
import { calibrationKey, settingKey, type Position, type SettingSpec, type Sheets } from '../sheets/index.ts'

type ByCode = Readonly<Record<string, Chosen>>

/** What a part is asked for by where nobody knows a number for its size. */
const askedAs = ({ name }: Pick<Position, 'name'>, { size, part }: Chosen): string =>
  part ?? `${name} ${size}`

function withChosenBore(position: Position, chosen: ByCode, bores: ReadonlyMap<string, number>): Position {
  const { deciding } = position
  const own = chosen[position.code]
  if (own && deciding?.what === 'bore')
    return {
      ...position,
      part: askedAs(position, own),
      deciding: { ...deciding, newMm: own.nominal, instead: own.instead ?? deciding.newMm },
    }
  if (own && deciding?.what === 'step')
    return {
      ...position,
      part: askedAs(position, own),
      deciding: {
        ...deciding,
        newMm: own.nominal,
        instead: own.instead ?? deciding.newMm,
        jetMm: (deciding.jet && bores.get(deciding.jet)) || deciding.jetMm,
      },
    }
  // A rod moves in the jet that is chosen.
  if (deciding?.what !== 'step' || !deciding.jet) return position
  const jetMm = bores.get(deciding.jet)
  return jetMm === undefined ? position : { ...position, deciding: { ...deciding, jetMm } }
}

function withChosenValue(setting: SettingSpec, chosen: ByCode): SettingSpec {
  const own = chosen[settingKey(setting)]
  if (!own) return setting
  const by = own.nominal - (setting.target ?? own.nominal)
  return {
    ...setting,
    asWritten: own.size,
    target: own.nominal,
    lo: setting.lo === null ? own.nominal : setting.lo + by,
    hi: setting.hi === null ? own.nominal : setting.hi + by,
    source: 'shop',
    ground: `chosen for this job, not the sheet’s ${setting.asWritten}: ${own.why}`,
  }
}

/**
 * A body's sheets with what was chosen for its job in place: another bore, another groove. Needs, verdicts, claims and papers go by it;
 * the sheet's own value stays beside it (`deciding.instead`, a setting's ground).
 */
function withChosen(sheets: Sheets, chosen: ByCode): Sheets {
  if (Object.keys(chosen).length === 0) return sheets
  const before = known.get(sheets)?.get(chosen)
  if (before) return before
  const calibration = sheets.spec.calibration.map((one) => ({
    ...one,
    mm: chosen[calibrationKey(one)]?.nominal ?? one.mm,
  }))
  const bores = new Map(
    calibration.flatMap(({ code, place, mm }) => (mm === null ? [] : [[`${code}/${place}`, mm] as const])),
  )
  const made: Sheets = {
    ...sheets,
    spec: {
      ...sheets.spec,
      calibration,
      float: chosen.seat ? { ...sheets.spec.float, seatBore: chosen.seat.nominal } : sheets.spec.float,
      settings: sheets.spec.settings.map((setting) => withChosenValue(setting, chosen)),
    },
    build: {
      ...sheets.build,
      positions: sheets.build.positions.map((position) => withChosenBore(position, chosen, bores)),
    },
  }
  if (!known.has(sheets)) known.set(sheets, new WeakMap())
  known.get(sheets)!.set(chosen, made)
  return made
}
/** Neither sheets nor what was chosen ever change: what they make together is made once. */
const known = new WeakMap<Sheets, WeakMap<ByCode, Sheets>>()

const CHANGED = ['chosen', 'ownParts', 'ownPorts', 'addedSettings', 'addedChecks'] as const

/** Every body's sheets with what this unit has otherwise than its book, and what was chosen for it. */
export function jobSheets(state: JobState, all: SheetsByBody): SheetsByBody {
  const some = Object.keys(state.bodies).some((body) => {
    const here = bodyOf(state, Number(body))
    return CHANGED.some((key) => Object.keys(here[key]).length > 0)
  })
  if (!some) return all
  return Object.fromEntries(
    Object.entries(all).map(([body, sheets]) => {
      const here = bodyOf(state, Number(body))
      return [body, sheets && withChosen(amended(sheets, here), here.chosen)]
    }),
  )
}
