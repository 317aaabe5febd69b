import { blipParts, runWords, type BlipPart, type RunNote } from '@ekrond/core/job'
import { isRefusal } from '@ekrond/core/refusal'
import { betweenStumbles, readRun, runAlarms, screwRun, screwWords } from '@ekrond/core/run'
import { screwKindOf, settingKey, type SettingSpec } from '@ekrond/core/sheets'
import { readTyped } from '@ekrond/core/instruments'
import { figure, plainNumber } from '@ekrond/core/measure'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import { useJob, type OpenJob } from '../data/job'
import { Drawing, Text } from '../drawing'
import { NotOpen } from '../shell/NotOpen'
import { Page } from '../shell/Page'
import { sayInstant } from '../shell/dates'
import { useShop } from '../data/shop'
import { narrow } from '../theme/global'
import { Answer, Choice, ErrorLine, FieldInput, Label, MainButton, RedBox } from '../ui'
import { onEnter, useKeys } from '../ui/keys'

const Sheet = styled.main`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 430px;
  min-height: 100%;
  & > section {
    padding: 16px 24px 28px;
    display: grid;
    gap: 12px;
    align-content: start;
    min-width: 0;
  }
  & > section + section {
    border-left: 1px solid var(--ink);
  }
  & h2 {
    font: 500 20px/1.3 ${narrow};
  }
  @media (max-width: 999px) {
    grid-template-columns: 1fr;
    & > section + section {
      border-left: 0;
      border-top: 1px solid var(--ink);
    }
  }
`

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
`

/** On the engine: what is read, seen and changed there, one change at a time. It may be written after the return. */
export default function EnginePage() {
  const { number = '' } = useParams()
  const load = useJob(number)
  if (load.status === 'loading')
    return (
      <Page title="on the engine">
        <p style={{ padding: 24 }} role="status">
          Fetching the job …
        </p>
      </Page>
    )
  if (load.status !== 'open') return <NotOpen load={load} />
  return (
    <Page
      title={`job ${number}, on the engine`}
      head={
        <>
          <Link to={`/jobs/${number}`}>back to the job</Link>
          <Link to={`/jobs/${number}/why`}>why</Link>
        </>
      }
    >
      <Run open={load.open} />
    </Page>
  )
}

const BLIP: Readonly<Record<BlipPart, readonly [asked: string, good: string, bad: string]>> = {
  opening: ['On opening', 'clean', 'stumbles'],
  release: ['On release', 'comes down at once', 'hangs'],
  after: ['After it', 'stands', 'sags below idle'],
  overrun: ['On the overrun', 'quiet', 'pops'],
  steady: ['At idle', 'steady', 'hunts'],
}

function Run({ open }: { open: OpenJob }) {
  const navigate = useNavigate()
  const zone = useShop().data?.zone
  const { state } = open
  const [wrong, setWrong] = useState('')
  useKeys({ r: () => void navigate('/'), Escape: () => void navigate(`/jobs/${open.number ?? open.job}`) })
  const note = (it: RunNote, words = '') =>
    setWrong(open.add('run.noted', { note: it, words })?.sentence ?? '')
  const screws = open.sheets?.spec.settings.filter(({ code }) => code === 'mixture.turns') ?? []
  const read = readRun(state.run)
  const alarms = runAlarms(state.run)
  return (
    <Sheet>
      <section aria-label="Mixture">
        {screws.length === 0 && (
          <p>Identify it first: which screws there are, and which way they work, comes from its sheet.</p>
        )}
        {screws.map((setting) => (
          <Screw key={settingKey(setting)} open={open} setting={setting} note={note} />
        ))}
        <h2>The blip, in its parts</h2>
        <Row role="group" aria-label="The blip">
          {blipParts.map((part) => {
            const last = [...state.run].reverse().find((one) => one.what === 'blip' && one.part === part)
            const bad = last?.what === 'blip' ? last.bad : null
            return (
              <div key={part} style={{ display: 'grid', gap: 4 }}>
                <Label>{BLIP[part][0]}</Label>
                <div style={{ display: 'flex', gap: 4 }}>
                  <Choice $on={bad === false} onPress={() => note({ what: 'blip', part, bad: false })}>
                    {BLIP[part][1]}
                  </Choice>
                  <Choice $on={bad === true} onPress={() => note({ what: 'blip', part, bad: true })}>
                    {BLIP[part][2]}
                  </Choice>
                </div>
              </div>
            )
          })}
        </Row>
        <h2>Plugs, after a run in one band</h2>
        <Plugs note={note} />
      </section>
      <section aria-label="What it says">
        <Answer aria-live="polite">
          {read.side === null
            ? read.because.length
              ? 'It says neither lean nor rich by itself.'
              : 'Warm it first. Then blip it, and say what it does.'
            : read.side === 'air leak'
              ? 'Lean, or an air leak.'
              : `It is ${read.side}.`}
        </Answer>
        {read.because.map((line) => (
          <p key={line} style={{ fontSize: 16 }}>
            {line}
          </p>
        ))}
        {alarms.slice(-2).map((line) => (
          <RedBox key={line} role="alert">
            {line}
          </RedBox>
        ))}
        <h2>One change at a time</h2>
        <Change note={note} />
        {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
        <h2>Run log</h2>
        {state.run.length === 0 && (
          <p>Nothing yet. The customer may tell it on the telephone, also after it went back.</p>
        )}
        <ol style={{ listStyle: 'none', display: 'grid', gap: 4 }}>
          {[...state.run]
            .reverse()
            .slice(0, 14)
            .map((one) => (
              <li
                key={one.entry}
                style={{ fontSize: 16, borderBottom: '1px solid var(--rule)', paddingBottom: 3 }}
              >
                {runWords(one).replace(/^on the engine: /, '')}
                {one.words ? `: ${one.words}` : ''}{' '}
                <span style={{ color: 'var(--pencil)' }}>
                  {one.by}, {sayInstant(one.at, zone ?? 'UTC')}
                </span>
              </li>
            ))}
        </ol>
        <Label as="p">
          Engine running: exhaust gas outdoors, clear of moving parts, no face over the open intake.
        </Label>
      </section>
    </Sheet>
  )
}

const DROP = { rpm: 20, kPa: 0.7 } as const

/** One mixture screw: its readings, where it is fastest, and where to leave it. */
function Screw({
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
  const kind = open.sheets ? screwKindOf(open.sheets.spec) : null
  const run = kind && readings.length > 1 ? screwRun(state.run, key, kind, DROP[unit]) : null
  const middle = betweenStumbles(state.run, key)
  const at = () => {
    const fraction = /^(\d+\s+)?(\d+)\/(\d+)$/.exec(turns.trim())
    return fraction
      ? Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3])
      : plainNumber(turns)
  }
  const log = () => {
    const t = at()
    if (turns.trim() === '' || !Number.isFinite(t) || t < 0 || t > 20)
      return setWrong('Turns out from seated, like 1 1/2.')
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
          ? ': which way is leaner nobody noted'
          : kind === 'fuel'
            ? ': in is leaner'
            : ': in is richer'}
      </h2>
      <div style={{ display: 'grid', gridTemplateColumns: 'minmax(0, 3fr) minmax(0, 2fr)', gap: 16 }}>
        <div style={{ height: 190 }}>
          <Curve
            readings={readings}
            peak={run && !isRefusal(run) ? run.peak : null}
            target={run && !isRefusal(run) ? run.leanDropAt : null}
            unit={unit}
          />
        </div>
        <div style={{ display: 'grid', gap: 8, alignContent: 'start' }}>
          <Row style={{ flexWrap: 'nowrap' }}>
            <label style={{ flex: 1 }}>
              <Label>Turns out</Label>
              <FieldInput
                value={turns}
                placeholder="1 1/2"
                onChange={(event) => setTurns(event.target.value)}
                onKeyDown={onEnter(log)}
              />
            </label>
            <label style={{ flex: 1 }}>
              <Label>rpm, or vacuum</Label>
              <FieldInput
                value={reading}
                placeholder="780"
                onChange={(event) => setReading(event.target.value)}
                onKeyDown={onEnter(log)}
              />
            </label>
          </Row>
          <Row>
            <Choice onPress={log}>Log it</Choice>
            <Choice
              onPress={() => {
                const t = at()
                if (turns.trim() === '' || !Number.isFinite(t) || t < 0)
                  return setWrong('At how many turns out does it stumble?')
                setWrong('')
                note({ what: 'stumble', screw: key, name: setting.name, turns: t })
                setTurns('')
              }}
            >
              Stumbles there
            </Choice>
          </Row>
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          {run &&
            (isRefusal(run) ? (
              <p style={{ fontSize: 16 }}>{run.refused.why}</p>
            ) : (
              <p style={{ fontSize: 16, fontWeight: 600 }}>{screwWords(run, DROP[unit], unit)}</p>
            ))}
          {middle !== null && (
            <p style={{ fontSize: 16, fontWeight: 600 }}>
              Half-way between its two stumbles: {figure(middle, 2)} turns out.
            </p>
          )}
          {!run && middle === null && (
            <p style={{ fontSize: 16 }}>
              {kind === null
                ? 'An eighth at a time, and listen.'
                : `Four readings at three places find its peak. By ear: ${kind === 'fuel' ? 'in' : 'out'} until it falters, then a quarter turn back.`}
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
  const W = 460
  const H = 190
  const most = Math.max(3, ...readings.map(({ turns }) => turns)) + 0.25
  const values = readings.map(({ reading }) => reading)
  const low = values.length ? Math.min(...values) : 0
  const high = values.length ? Math.max(...values) : 1
  const span = Math.max(high - low, high * 0.02, 1e-6)
  const x = (t: number) => 50 + (t / most) * (W - 70)
  const y = (v: number) => 24 + ((high - v) / span) * (H - 70)
  return (
    <Drawing
      width={W}
      height={H}
      title={`${readings.length} readings of turns out and ${unit}.${peak === null ? '' : ` Fastest at ${figure(peak, 2)} turns.`}`}
    >
      <path d={`M50 14 V${H - 32} H${W - 16}`} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
      {Array.from({ length: Math.floor(most) + 1 }, (_, i) => (
        <g key={i}>
          <line x1={x(i)} x2={x(i)} y1={H - 32} y2={H - 26} stroke="var(--ink)" />
          <Text at={[x(i), H - 8]} anchor="middle" face="figures" size={15} colour="pencil">
            {String(i)}
          </Text>
        </g>
      ))}
      {values.length > 0 && (
        <Text at={[44, y(high) + 5]} anchor="end" face="figures" size={15} colour="pencil">
          {figure(high, high < 100 ? 1 : 0)}
        </Text>
      )}
      {peak !== null && (
        <line x1={x(peak)} x2={x(peak)} y1={14} y2={H - 32} stroke="var(--ink)" strokeDasharray="10 4 2 4" />
      )}
      {target !== null && (
        <>
          <line x1={x(target)} x2={x(target)} y1={14} y2={H - 32} stroke="var(--red)" strokeWidth={2} />
          <Text at={[x(target) - 6, 24]} anchor="end" colour="red" size={15}>
            leave it
          </Text>
        </>
      )}
      {readings.map(({ turns, reading }, i) => (
        <circle
          key={i}
          cx={x(turns)}
          cy={y(reading)}
          r={5}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      ))}
      {readings.length === 0 && (
        <Text at={[W / 2, H / 2]} anchor="middle" colour="pencil">
          turns out against rpm
        </Text>
      )}
    </Drawing>
  )
}

const BANDS = ['idle', 'just off idle', 'middle', 'wide open'] as const
const COLOURS = ['white', 'tan', 'black', 'wet'] as const

function Plugs({ note }: { note: (it: RunNote) => void }) {
  const [band, setBand] = useState<(typeof BANDS)[number]>('idle')
  return (
    <Row>
      {BANDS.map((one) => (
        <Choice key={one} $on={one === band} onPress={() => setBand(one)}>
          {one}
        </Choice>
      ))}
      <span style={{ width: 12 }} />
      {COLOURS.map((colour) => (
        <Choice key={colour} onPress={() => note({ what: 'plug', band, colour })}>
          {colour}
        </Choice>
      ))}
    </Row>
  )
}

function Change({ note }: { note: (it: RunNote) => void }) {
  const [of, setOf] = useState('')
  const [expects, setExpects] = useState('')
  const [way, setWay] = useState<'richer' | 'leaner' | 'other'>('other')
  const log = () => {
    if (!of.trim()) return
    note({ what: 'change', of: of.trim(), way, expects: expects.trim() })
    setOf('')
    setExpects('')
    setWay('other')
  }
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <label>
        <Label>Changed</Label>
        <FieldInput
          value={of}
          placeholder="main jet 1.40 to 1.45"
          onChange={(event) => setOf(event.target.value)}
          onKeyDown={onEnter(log)}
        />
      </label>
      <Row>
        {(['richer', 'leaner', 'other'] as const).map((one) => (
          <Choice key={one} $on={way === one} onPress={() => setWay(one)}>
            {one === 'other' ? 'neither' : one}
          </Choice>
        ))}
      </Row>
      <label>
        <Label>What is expected of it</Label>
        <FieldInput
          value={expects}
          placeholder="no stumble on opening"
          onChange={(event) => setExpects(event.target.value)}
          onKeyDown={onEnter(log)}
        />
      </label>
      <MainButton onPress={log} isDisabled={!of.trim()}>
        Log the change
      </MainButton>
      <Label>And what it did</Label>
      <Row>
        {(['better', 'same', 'worse'] as const).map((seen) => (
          <Choice key={seen} onPress={() => note({ what: 'effect', seen })}>
            {seen}
          </Choice>
        ))}
      </Row>
    </div>
  )
}
