import { conditionsFor, enterReading, settingContext } from '@ekrond/core/bench/entering'
import { isRefusal } from '@ekrond/core/base/refusal'
import { aim, readingView, settingOf } from '@ekrond/core/judge/settings'
import { hiddenBy, waitsForParts } from '@ekrond/core/judge/work'
import type { Gauge } from '@ekrond/core/measure'
import { settingKey, type SettingSpec } from '@ekrond/core/sheets'
import { useState } from 'react'
import { useDraft } from '../../data/draft'
import { useShop } from '../../data/shop'
import type { SheetedOpen } from '../withSheets'

const bestGauge = (setting: SettingSpec, gauges: readonly Gauge[]): Gauge | null => {
  const [kind] = settingOf(setting).gauges
  return kind ? (gauges.find((gauge) => gauge.kind === kind) ?? gauges[0] ?? null) : null
}

/** What of a setting is typed, read and meant, and what can be done about it. `move` goes to another setting. */
export function useSettingBench(
  open: SheetedOpen,
  setting: SettingSpec,
  move: (by: number) => void,
  onward?: () => void,
) {
  const { state, sheets, here } = open
  const key = settingKey(setting)
  const gauges = (useShop().data?.gauges ?? []) as Gauge[]
  const [text, setText] = useDraft(open.draft('set', setting.code, setting.place))
  const [gaugeCode, setGaugeCode] = useState<Record<string, string>>({})
  const [refused, setRefused] = useState('')
  const [settled, setSettled] = useState('')
  const gauge = gauges.find((g) => g.code === gaugeCode[key]) ?? bestGauge(setting, gauges)
  const entering =
    text.trim() === ''
      ? null
      : enterReading(setting, text, settingContext(state, sheets, gauge, gauges, open.body))
  const reading = readingView(
    state,
    sheets,
    setting,
    open.body,
    entering && !isRefusal(entering) ? entering.said : entering,
  )
  const asking = settled === text ? [] : reading.ask
  const hidden = hiddenBy(here, setting, sheets.build)
  const waits = hidden.length ? [] : waitsForParts(here, setting, sheets.build)
  // After the return a reading is put right where the unit stands.
  const closed = !state.returned && (hidden.length > 0 || waits.length > 0)
  const next = (by: number) => {
    setRefused('')
    move(by)
  }
  const log = () => {
    setRefused('')
    if (!entering) return reading.holds ? onward?.() : undefined
    if (isRefusal(entering) || asking.length || closed) return
    // After the return a reading is put right, not taken anew.
    const before = state.returned
      ? open.standing('reading.taken', (data) => `${data.code}/${data.place}` === key)
      : undefined
    const no = open.add('reading.taken', entering.data, before ? { corrects: before.id } : {})
    if (no) setRefused(no.sentence)
    else setText('')
  }
  return {
    key,
    setting,
    text,
    setText,
    gauge,
    /** those that read it */
    gauges: gauges.filter(({ kind }) => kind !== 'scale'),
    chooseGauge: (code: string) => setGaugeCode({ ...gaugeCode, [key]: code }),
    conditions: conditionsFor(state, sheets),
    typed: entering !== null,
    reading,
    /** what was typed reads two ways, and nobody has said which */
    asking,
    asTyped: () => setSettled(text),
    target: aim(setting) ?? 0,
    /** parts that must come off, and parts that must go on, before it can be read */
    hidden,
    waits,
    closed,
    // What was said by another sheet is not said of this one.
    stale: entering === null && reading.again !== '',
    refused,
    next,
    log,
  }
}

export type SettingBenchView = ReturnType<typeof useSettingBench>
