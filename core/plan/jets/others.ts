import { isRefusal, refuse, type Result } from '../../base/refusal/index.ts'
import type { DataOf } from '../../log/index.ts'
import { figure, parseCount, readJetSize, type JetNumbers } from '../../measure/index.ts'
import { calibrationKey, settingKey, type Sheets } from '../../sheets/index.ts'

/** Something else that can be other than the sheet's: a bore, a rod, what is pressed in, a hole or a groove that is counted. */
export interface OtherChoice {
  of: string
  name: string
  /** the sheet's own */
  own: number
  unit: 'mm' | 'count'
  /** its part's number by the sheet, where it comes out */
  part: string | null
  /** a needle's clip, under which a shim may lie */
  takesShim?: boolean
}

/** What can be chosen otherwise for a job by hand: a jet that was opened, rod, seat, nozzles, bleeds, pressed tubes, pump hole, clip with its shim. */
export function otherChoices({ spec, build }: Sheets): OtherChoice[] {
  const parts = build.positions.flatMap(({ code, name, deciding, part }): OtherChoice[] =>
    deciding?.what === 'bore' || deciding?.what === 'step'
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
      ? [
          {
            of: settingKey(setting),
            name: setting.name,
            own: setting.target,
            unit: 'count',
            part: null,
            takesShim: setting.code === 'needle.clip',
          },
        ]
      : [],
  )
  return [...parts, ...pressed, ...counted]
}

/** Larger or smaller than so many times the sheet's own it is a slip. */
const SLIP = 2.5
/** A thicker shim than this would leave the clip no groove to sit in, mm. */
const MOST_SHIM_MM = 2

/** A place in a row, with the shim that lies under a clip: `3`, `3 + 0.5`, `3 + 0.5 under`. A shim above it lifts nothing. */
function countIn(text: string, takesShim: boolean): Result<{ nominal: number; shimMm?: number }> {
  const typed = text.trim()
  if (takesShim && /above|over/i.test(typed))
    return refuse(
      'size',
      'A shim above the clip only loads its holder: the needle stays where it is. Type the one under the clip, as 3 + 0.5.',
    )
  const shim = takesShim
    ? /^(.*?)\s*(?:\+|,|with)\s*(\d*[.,]?\d+)\s*(?:mm)?\s*(?:shim)?\s*(?:under|below)?$/i.exec(typed)
    : null
  const read = parseCount(shim ? shim[1]! : typed)
  if (isRefusal(read)) return refuse('size', `“${typed}” is no count: type 1, 2, 3.`)
  if (!shim) return { nominal: read.count }
  const shimMm = Number(shim[2]!.replace(',', '.'))
  return shimMm > 0 && shimMm <= MOST_SHIM_MM
    ? { nominal: read.count, shimMm }
    : refuse('size', `A shim of ${shim[2]} mm: it lies under a clip, 0.1 to ${MOST_SHIM_MM} mm.`)
}

/** A groove with the shim under the clip, as it is called. */
export const grooveWords = (groove: number, shimMm: number): string =>
  shimMm > 0 ? `${groove} + ${figure(shimMm, 2)} shim` : String(groove)

function boreIn(text: string, own: number, numbers: JetNumbers | undefined): Result<number> {
  const read = readJetSize(text, numbers)
  if (isRefusal(read)) return refuse('size', read.refused.why)
  if (read.mm <= 0) return refuse('size', `“${text.trim()}” is no size in mm.`)
  if (read.mm > own * SLIP || read.mm < own / SLIP)
    return refuse(
      'size',
      `${read.number ? `${read.number} is ` : ''}${figure(read.mm, 2)} mm for a sheet’s ${figure(own, 2)}: a number that stands on it may be another maker’s, a flow or a drill. Measure it.`,
    )
  return read.mm
}

/** What was typed for it, as it is entered: a jet also by its maker's number. Refused by `size`, and by `why` where no reason is given. */
export function chooseOther(
  choice: OtherChoice,
  typed: { size: string; part: string; why: string },
  worked: DataOf['cal.chosen']['for'],
  numbers?: JetNumbers,
): Result<DataOf['cal.chosen']> {
  const bore = choice.unit === 'mm' ? boreIn(typed.size, choice.own, numbers) : 0
  if (isRefusal(bore)) return bore
  const count = choice.unit === 'count' ? countIn(typed.size, choice.takesShim === true) : null
  if (isRefusal(count)) return count
  if (!typed.why.trim()) return refuse('why', 'Say what for: it is printed.')
  const { nominal, shimMm = 0 } = count ?? { nominal: Math.round(bore * 1000) / 1000 }
  return {
    of: choice.of,
    size: count ? grooveWords(nominal, shimMm) : nominal.toFixed(2),
    nominal,
    ...(shimMm > 0 ? { shimMm } : {}),
    instead: choice.own,
    part: typed.part.trim() || null,
    why: typed.why.trim(),
    for: worked,
  }
}
