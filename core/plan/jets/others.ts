import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import type { DataOf } from '../../log/index.ts'
import { figure, parseLength, plainNumber } from '../../measure/index.ts'
import { calibrationKey, settingKey, type Sheets } from '../../sheets/index.ts'

/** Something else that can be other than the sheet's: a bore, what is pressed in, a hole or a groove that is counted. */
export interface OtherChoice {
  of: string
  name: string
  /** the sheet's own */
  own: number
  unit: 'mm' | 'count'
  /** its part's number by the sheet, where it comes out */
  part: string | null
}

/** What can be chosen otherwise for a job by hand: a jet that was opened, seat, nozzles, bleeds, pressed tubes, pump hole. */
export function otherChoices({ spec, build }: Sheets): OtherChoice[] {
  const bores = build.positions.flatMap(({ code, name, deciding, part }): OtherChoice[] =>
    deciding?.what === 'bore'
      ? [{ of: code, name, own: deciding.instead ?? deciding.newMm, unit: 'mm', part }]
      : [],
  )
  const known = new Set(build.positions.map(({ code }) => code))
  const pressed = spec.calibration.flatMap((one): OtherChoice[] =>
    one.mm === null || known.has(calibrationKey(one))
      ? []
      : [{ of: calibrationKey(one), name: one.name, own: one.mm, unit: 'mm', part: null }],
  )
  const counted = spec.settings.flatMap((setting): OtherChoice[] =>
    setting.quantity === 'count' && setting.target !== null
      ? [{ of: settingKey(setting), name: setting.name, own: setting.target, unit: 'count', part: null }]
      : [],
  )
  return [...bores, ...pressed, ...counted]
}

/** Larger or smaller than so many times the sheet's own it is a slip. */
const SLIP = 2.5

/** What was typed for it, as it is entered. Refused by `size`, and by `why` where no reason is given. */
export function chooseOther(
  choice: OtherChoice,
  typed: { size: string; part: string; why: string },
  worked: DataOf['cal.chosen']['for'],
): Result<DataOf['cal.chosen']> {
  const read =
    choice.unit === 'mm' ? parseLength(typed.size) : { mm: plainNumber(typed.size.trim() || 'none') }
  if (isRefusal(read)) return refuse('size', read.refused.why)
  const nominal = read.mm
  if (!Number.isFinite(nominal) || nominal <= 0 || (choice.unit === 'count' && !Number.isInteger(nominal)))
    return refuse(
      'size',
      `“${typed.size.trim()}” is no ${choice.unit === 'mm' ? 'bore in mm' : 'count: type 1, 2, 3'}.`,
    )
  if (choice.unit === 'mm' && (nominal > choice.own * SLIP || nominal < choice.own / SLIP))
    return refuse(
      'size',
      `${figure(nominal, 2)} mm for a sheet’s ${figure(choice.own, 2)}: a number stamped on it may be hundredths of a millimeter, a flow or a drill. Measure its bore.`,
    )
  if (!typed.why.trim()) return refuse('why', 'Say what for: it is printed.')
  return {
    of: choice.of,
    size: choice.unit === 'mm' ? nominal.toFixed(2) : String(nominal),
    nominal: choice.unit === 'mm' ? Math.round(nominal * 1000) / 1000 : nominal,
    instead: choice.own,
    part: typed.part.trim() || null,
    why: typed.why.trim(),
    for: worked,
  }
}
