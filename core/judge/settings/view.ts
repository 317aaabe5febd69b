import { type ReadingData, bodyOf, type JobState, type Bracket, type Shown } from '../../log/index.ts'
import { findDrill, gaugeSigma, nextLarger, type Gauge, type ReadingSense } from '../../measure/index.ts'
import { isRefusal, type Result } from '../../base/refusal/index.ts'
import { judgedByOther, settingKey, type SettingSpec, type Sheets } from '../../sheets/index.ts'
import { voidedBy } from '../work/moments.ts'
import { judgeSetting } from './registry.ts'
import type { SettingContext } from './kind.ts'
import { readSetting, type Read } from './read.ts'

/** What was typed for a setting, read and judged: what an entry will keep of it. */
export interface TypedReading {
  read: Read
  value: number
  bracket: Bracket | null
  gauge: Gauge | null
  sigma: number | null
  shown: Shown
}

/**
 * A reading from what was typed, judged by the sheet in force. A drill that enters while the next does not is a bracket: the value
 * is its middle. Refuses `text` and `reading` with a sentence.
 */
export function typedReading(
  setting: SettingSpec,
  raw: string,
  context: SettingContext,
): Result<TypedReading> {
  const read = readSetting(setting, raw)
  if (isRefusal(read)) return read
  const bracket = context.gauge?.kind === 'drills' ? drillBracket(raw) : null
  const value = bracket ? (bracket.go + bracket.no) / 2 : read.value
  const judgement = judgeSetting(setting, value, context, bracket)
  if (isRefusal(judgement)) return judgement
  const gauge = setting.quantity === 'length' || setting.quantity === 'gap' ? context.gauge : null
  const { asWritten, target, lo, hi } = setting
  return {
    read,
    value,
    bracket,
    gauge,
    sigma: gauge ? gaugeSigma(gauge) : null,
    shown: { ...judgement, asWritten, target, lo, hi },
  }
}

function drillBracket(raw: string): Bracket | null {
  const drill = findDrill(
    raw
      .trim()
      .toUpperCase()
      .replace(/^NO\.?\s*/, '#'),
  )
  const next = drill && nextLarger(drill)
  return drill && next ? { go: drill.mm, no: next.mm } : null
}

/** Everything that a screen or a sheet says about a setting: nothing of it is judged again. */
export interface ReadingView {
  said: readonly ReadingData[]
  last: ReadingData | undefined
  /** why what is typed cannot be read; empty where it can, or nothing is typed */
  refused: string
  /** other senses of what is typed: ask, never pick silently */
  ask: readonly ReadingSense[]
  /** the typed figure the other way round */
  also: string
  /** what is typed, else what stands */
  value: number | null
  /** what is typed as it is judged now, else what stands as it was judged then */
  shown: Shown | null
  /** it stands in its band, by the sheet in force */
  holds: boolean
  /** why it is to be read again: judged by another sheet than the one in force, or opened since */
  again: string
  /** the two readings in which two people differ, until a third settles it */
  differ: readonly ReadingData[]
}

export function readingView(
  state: JobState,
  sheets: Sheets,
  setting: SettingSpec,
  body = 1,
  typed: Result<TypedReading> | null = null,
): ReadingView {
  const judged = bodyOf(state, body).readings[settingKey(setting)]
  const said = judged?.said ?? []
  const last = said.at(-1)
  const refused = typed && isRefusal(typed) ? typed.refused.why : ''
  const now = typed && !isRefusal(typed) ? typed : null
  const other = last !== undefined && judgedByOther(last, setting, sheets)
  const opened = voidedBy(state, sheets, setting, body)
  return {
    said,
    last,
    refused,
    ask: now?.read.ask ?? [],
    also: now?.read.also ?? '',
    value: now ? now.value : typed ? null : (last?.value ?? null),
    shown: now ? now.shown : typed ? null : (last?.shown ?? null),
    holds: last?.shown.verdict === 'in' && !other && opened === null,
    again: other
      ? `${last.raw} was judged by ${last.shown.asWritten}, this sheet says ${setting.asWritten}`
      : last && opened
        ? `${opened.name.toLowerCase()} was opened or changed since`
        : '',
    differ: judged?.differ ? said.slice(-2) : [],
  }
}
