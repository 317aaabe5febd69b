import type { RunNote } from '@ekrond/core/log'
import { readTyped } from '@ekrond/core/measure/instruments'
import { figure } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { readTurnsOut, screwAnswer, screwAnswerWords, screwRun } from '@ekrond/core/diagnose/run'
import { mixtureKindOf, settingKey, type SettingSpec } from '@ekrond/core/sheets'
import { useState } from 'react'
import { readingNow } from '../data/hub'
import type { OpenJob } from '../data/job'
import { Chart } from '../charts/Chart'
import { axis, FIGURES, frame, upright, words } from '../charts/hand'
import { Choice, ErrorLine, FieldInput, Key, Label } from '../ui'
import { onEnter } from '../ui/keys'
import { Row } from './Row'

const DROP = { rpm: 20, kPa: 0.7 } as const

/** One mixture screw: its readings, where it is fastest, and where to leave it. */
export function Screw({
  open,
  setting,
  note,
}: {
  open: OpenJob
  setting: SettingSpec
  note: (it: RunNote) => void
}) {
  const { state } = open
  const key = settingKey(setting)
  const [turns, setTurns] = useState('')
  const [reading, setReading] = useState('')
  const [wrong, setWrong] = useState('')
  const readings = state.run.flatMap((one) => (one.what === 'mixture' && one.screw === key ? [one] : []))
  const unit = readings[0]?.unit ?? 'rpm'
  const kind = open.sheets ? mixtureKindOf(setting, open.sheets.spec) : null
  const stumbles = state.run.filter((one) => one.what === 'stumble' && one.screw === key).length
  const run = kind && readings.length > 1 ? screwRun(state.run, key, kind, DROP[unit]) : null
  const answer =
    kind && (readings.length > 1 || stumbles > 1) ? screwAnswer(state.run, key, kind, DROP[unit]) : null
  /** The vacuum as this bench's gauge has it now. */
  const take = () =>
    void readingNow('pressure', 'vacuum').then((one) => {
      if (one?.value == null) setWrong('No gauge connected. Type it, or choose one at Instruments.')
      else setReading(`${one.value.toFixed(1)} kPa`)
    })
  const log = () => {
    const t = readTurnsOut(turns)
    if (!Number.isFinite(t)) return setWrong('Turns out from seated, like 1 1/2.')
    const vacuum = /[a-z]/i.test(reading) && !/rpm/i.test(reading)
    const value = readTyped(reading, vacuum ? 'pressure' : 'speed')
    if (isRefusal(value)) return setWrong(value.refused.why)
    setWrong('')
    note({
      what: 'mixture',
      screw: key,
      name: setting.name,
      turns: t,
      reading: value,
      unit: vacuum ? 'kPa' : 'rpm',
    })
    setTurns('')
    setReading('')
  }
  return (
    <>
      <h2>
        {setting.name}
        {kind === null
          ? ': not recorded which way is leaner'
          : kind === 'fuel'
            ? ': in is leaner'
            : ': in is richer'}
      </h2>
      <div style={{ display: 'grid', gridTemplateColumns: 'minmax(0, 3fr) minmax(0, 2fr)', gap: 16 }}>
        <div style={{ height: 190 }}>
          {readings.length === 0 ? (
            <p style={{ color: 'var(--pencil)', fontSize: 16 }}>
              Each reading is drawn here, over its turns out from seated.
            </p>
          ) : (
            <Curve
              readings={readings}
              peak={run && !isRefusal(run) ? run.peak : null}
              target={answer && !isRefusal(answer) ? answer.turns : null}
              unit={unit}
            />
          )}
        </div>
        <div style={{ display: 'grid', gap: 8, alignContent: 'start' }}>
          <Row style={{ flexWrap: 'nowrap' }}>
            <label style={{ flex: 1 }}>
              <Label>Turns out</Label>
              <FieldInput
                value={turns}
                onChange={(event) => setTurns(event.target.value)}
                onKeyDown={onEnter(log)}
              />
            </label>
            <label style={{ flex: 1 }}>
              <Label>rpm, or vacuum</Label>
              <FieldInput
                value={reading}
                onChange={(event) => setReading(event.target.value)}
                onKeyDown={(event) => {
                  if (event.key !== '+') return onEnter(log)(event)
                  event.preventDefault()
                  take()
                }}
              />
            </label>
          </Row>
          <Row>
            <Choice onPress={log}>Log reading</Choice>
            <Choice onPress={take} aria-label="Read from the vacuum gauge">
              Take <Key>+</Key>
            </Choice>
            <Choice
              onPress={() => {
                const t = readTurnsOut(turns)
                if (!Number.isFinite(t)) return setWrong('At how many turns out does it stumble?')
                setWrong('')
                note({ what: 'stumble', screw: key, name: setting.name, turns: t })
                setTurns('')
              }}
            >
              Stumbles there
            </Choice>
          </Row>
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          {answer &&
            (isRefusal(answer) ? (
              <p style={{ fontSize: 16 }}>{answer.refused.why}</p>
            ) : (
              <p style={{ fontSize: 16, fontWeight: 600 }}>{screwAnswerWords(answer, DROP[unit], unit)}</p>
            ))}
          {!answer && (
            <p style={{ fontSize: 16 }}>
              {kind === null
                ? 'An eighth at a time, and listen.'
                : `Four readings at three positions find the peak. By ear: ${kind === 'fuel' ? 'in' : 'out'} until it falters, then a quarter turn back.`}
            </p>
          )}
        </div>
      </div>
    </>
  )
}

/** Readings over turns, with the peak and the place to leave it. */
function Curve({
  readings,
  peak,
  target,
  unit,
}: {
  readings: readonly { turns: number; reading: number }[]
  peak: number | null
  target: number | null
  unit: string
}) {
  const most = Math.ceil(Math.max(3, ...readings.map(({ turns }) => turns)) + 0.25)
  const values = readings.map(({ reading }) => reading)
  const high = Math.max(...values)
  const low = Math.min(...values)
  const room = Math.max(high - low, high * 0.02, 1e-6) / 5
  const option = {
    animation: false,
    grid: frame(56, 16, 26, 30),
    xAxis: axis({ min: 0, max: most, interval: 1 }),
    yAxis: axis({
      min: low - room,
      max: high + room,
      splitNumber: 3,
      name: unit,
      axisLabel: { ...FIGURES, formatter: (v: number) => figure(v, high < 100 ? 1 : 0) },
    }),
    series: [
      {
        type: 'scatter',
        silent: true,
        symbolSize: 11,
        itemStyle: { color: 'var(--paper)', borderColor: 'var(--ink)', borderWidth: 2 },
        data: readings.map(({ turns, reading }) => [turns, reading]),
        markLine: {
          silent: true,
          symbol: 'none',
          data: [
            ...(peak === null ? [] : [upright(peak, { dash: [10, 4, 2, 4] })]),
            ...(target === null ? [] : [upright(target, { colour: 'red', width: 2 })]),
          ],
        },
        markPoint: {
          silent: true,
          data:
            target === null
              ? []
              : [words([target, high + room], 'leave it', { align: 'right', colour: 'red', dx: -6, dy: 20 })],
        },
      },
    ],
  }
  return (
    <Chart
      label={`${readings.length} readings of turns out and ${unit}.${peak === null ? '' : ` Fastest at ${figure(peak, 2)} turns.`}`}
      option={option}
    />
  )
}
